"""Scales over the API on a real MariaDB: plans of ladders, and a scale in all detail."""

from xml.etree import ElementTree

import pytest

from heimat.core.document.guide_settings import GUIDE_PARTS
from heimat.core.document.tokens import StepAlias, base_of
from heimat.demo.demo_systems import brinemark
from heimat.formats import MORE_FORMATS, PALETTE_FORMATS
from tests.api.asking import AT, edit, look, named, preview, steps, undo


def test_ready_made_ladders(client):
    ladders = {
        ladder["name"]: [step["label"] for step in ladder["steps"]]
        for ladder in client.get("/api/ladders").json()
    }
    assert {name: len(labels) for name, labels in ladders.items()} == {
        "short": 5,
        "usual": 9,
        "long": 11,
        "fine": 13,
    }
    assert ladders["short"] == ["100", "300", "500", "700", "900"]


def test_a_plan_tells_what_goes_and_keeps_nothing(client):
    plan = client.post(f"{AT}/ladder-plan", json={"ladder": "short"}).json()
    assert [step["label"] for step in plan["ladder"]["steps"]] == [
        "100",
        "300",
        "500",
        "700",
        "900",
    ]
    assert "link.text moves from tidewater 600 to tidewater 500." in plan["losses"]
    assert not [loss for loss in plan["losses"] if "pin" in loss]
    one = client.post(f"{AT}/ladder-plan", json={"hue": "shingle", "ladder": None}).json()
    assert len(one["ladder"]["steps"]) == 9
    assert client.get(f"{AT}/head").json()["revision"] == 1
    twice = [
        {"label": "a", "lightness": 90},
        {"label": "a", "lightness": 50},
        {"label": "b", "lightness": 10},
    ]
    refused = client.post(f"{AT}/ladder-plan", json={"ladder": {"steps": twice}})
    assert refused.status_code == 422
    assert refused.json()["errors"][0]["field"] == "ladder.steps.1.label"
    assert (
        client.post(f"{AT}/ladder-plan", json={"hue": "gone", "ladder": "short"}).status_code == 422
    )
    assert (
        client.post("/api/systems/nowhere/ladder-plan", json={"ladder": "short"}).status_code == 404
    )


def test_how_many_tokens_stand_on_each_label(client):
    view = look(client)
    uses = {step["label"]: step["uses"] for step in view["ladder"]["steps"]}
    named = {hue["id"] for hue in view["hues"] if hue["ladder"] is None}
    system = brinemark()
    values = {
        key: [
            base.model_dump()
            for base in map(base_of, token.values.values())
            if isinstance(base, StepAlias)
        ]
        for key, token in system.tokens.items()
    }
    for label, count in uses.items():
        on = [
            token
            for token in view["tokens"]
            if any(
                each["hue"] in named and each["step"] == f"s{label}" for each in values[token["id"]]
            )
        ]
        assert count == len(on)
    assert uses["600"] > 0
    assert uses["300"] < uses["600"]


def test_a_scale_in_all_detail_only_where_it_is_asked_for(client):
    assert look(client, select="token:text-late")["scale_detail"]["name"] == "buoy"
    assert look(client)["scale_detail"]["name"] == "tidewater", (
        "where nothing is selected, the first hue is"
    )
    view = look(client, select="step:gorse/s300")
    opened = view["scale_detail"]
    assert opened["name"] == "gorse"
    assert [each["method"] for each in view["methods"]] == [
        "even",
        "contrast",
        "mix",
        "hsl",
        "ends",
    ]
    assert all(each["steps"][2]["hex"] == "#DFAF3A" for each in view["methods"])
    assert opened["measures"][0] == "In order: each step is darker than the one before."
    assert len(opened["lightness"]["gaps"]) == 8
    assert opened["figures"] is None
    own = {"type": "set_method", "hue": "gorse", "method": {**opened["settings"], "name": "mix"}}
    view = edit(client, own, select="hue:gorse").json()
    assert view["scale_detail"]["figures"][2] == 0.0
    hue = named(view, "gorse")
    assert (hue["method"], hue["own_method"]) == ("mix", True)
    assert named(view, "kelp")["method"] == "even"


def test_a_nudged_step_is_told_with_what_would_be_generated(client):
    before = look(client, select="step:kelp/s300")["slip"]
    assert (before["movable_hue"], before["movable_step"], before["nudged"]) == (
        "kelp",
        "s300",
        False,
    )
    aim = {**before["aim"], "lightness": before["aim"]["lightness"] + 3.0}
    view = edit(
        client, {"type": "aim_step", "hue": "kelp", "step": "s300", **aim}, select="step:kelp/s300"
    ).json()
    assert view["slip"]["nudged"] is True
    assert "nudged 3.0 lighter" in view["slip"]["why"]
    kelp = named(view, "kelp")
    assert [(pin["kind"], pin["label"], pin["generated"]["hex"]) for pin in kelp["pins"]] == [
        ("nudged", "300", before["hex"])
    ]
    assert steps(view, "kelp")[2]["nudged"] == "plus"
    back = undo(client).json()
    assert named(back, "kelp")["pins"] == []


def test_two_people_on_methods_and_ladders(client, other):
    """Others’ scales stay theirs: a method of all and one of a single hue meet nothing, two of all meet each other."""
    mix = {"type": "set_method", "method": {"name": "mix"}}
    own = {"type": "set_method", "hue": "gorse", "method": {"name": "hsl"}}
    assert edit(client, mix).json()["head"]["revision"] == 2
    rebased = edit(other, own)
    assert rebased.json()["head"]["revision"] == 3
    methods = {hue["name"]: hue["method"] for hue in rebased.json()["hues"]}
    assert (methods["gorse"], methods["kelp"]) == ("hsl", "mix")
    refused = edit(other, {"type": "set_method", "method": {"name": "ends"}})
    assert refused.status_code == 409
    assert refused.json()["conflict"]["person"] == "Ines Vahl"
    # Each takes back their own.
    back = undo(client).json()
    methods = {hue["name"]: hue["method"] for hue in back["hues"]}
    assert (methods["gorse"], methods["kelp"]) == ("hsl", "even")
    # A nudge on a step of a ladder that somebody has changed meanwhile is not lost silently.
    assert edit(client, {"type": "set_ladder", "ladder": "short"}, base=4).status_code == 200
    nudge = {
        "type": "aim_step",
        "hue": "kelp",
        "step": "s300",
        "lightness": 70.0,
        "chroma": 0.1,
        "angle": 148.0,
    }
    assert edit(other, nudge, base=4).status_code == 409


def test_a_preview_of_a_ladder_is_what_is_kept(client):
    steps = [
        {
            "id": f"s{label}",
            "label": str(label),
            "lightness": 97.0 - 11.0 * place,
            "internal": label == 400,
        }
        for place, label in enumerate(range(100, 1000, 100))
    ]
    change = {"type": "set_ladder", "ladder": {"steps": steps}}
    seen = preview(client, change).json()
    assert client.get(f"{AT}/head").json()["revision"] == 1
    kept = edit(client, change).json()
    for field in ("hues", "scales", "ladder", "promises", "tokens"):
        assert seen[field] == kept[field]
    assert kept["ladder"]["name"] == "own"
    assert kept["head"]["undo"] == "Take a ladder of 9"
    # Hidden steps stay in the system, and leave what is published.
    assert len(kept["scales"][0]["steps"]) == 9
    draft = client.get(f"{AT}/draft").json()
    css = next(file["text"] for file in draft["files"] if file["name"] == "tokens.css")
    assert "--tidewater-300:" in css
    assert "--tidewater-400:" not in css


def test_promises_over_the_api(client):
    plan = client.post(f"{AT}/promise-plan", json={"apart": 5, "aim": 4.5}).json()
    assert plan["kept"] is True
    assert plan["words"].startswith("Any two steps 5 apart reach 4.5; the least is 4.8")
    hard = client.post(f"{AT}/promise-plan", json={"apart": 2, "aim": 4.5}).json()
    assert hard["kept"] is False
    assert "The best found at 2 apart is" in hard["words"]
    assert "anchored at its own color" in hard["words"]
    assert "No ladder of 9 steps can promise more than 2." in hard["words"]
    for body in ({"apart": 9, "aim": 3}, {"apart": 0, "aim": 3}, {"apart": 4, "aim": 22}):
        assert client.post(f"{AT}/promise-plan", json=body).status_code == 422


def test_overlays_over_the_api(client):
    asked = {"color": "#000", "alpha": 0.06, "ground": "white", "tint": "rgb(206 226 226)"}
    found = client.post("/api/overlays", json=asked).json()
    assert found["solid"]["hex"] == "#F0F0F0"
    # In 255ths, as hex values hold it: 6 % is the fifteenth.
    assert (found["asked"], found["asked_hex"]) == ("rgb(0 0 0 / 0.0588)", "#0000000F")
    least, black, white = found["overlays"]
    assert (least["exact"], least["solid"]["hex"]) == (True, "#CEE2E2")
    assert black["exact"] is False
    assert white["solid"]["hex"] == "#FFFFFF"
    seen = client.post("/api/overlays", json={**asked, "vision": "achromat"}).json()
    assert seen["solid"]["seen"] == "#F0F0F0"
    assert len({seen["tint"]["seen"][place : place + 2] for place in (1, 3, 5)}) == 1
    for wrong in ({"color": "cmyk(0 0 0 1)"}, {"alpha": 1.5}, {"ground": ""}):
        assert client.post("/api/overlays", json={**asked, **wrong}).status_code == 422
    # Steps, hues and tokens by their names, where a system is named.
    named = {"ground": "Surface.page", "tint": "tidewater 200", "system": "brinemark"}
    called = client.post("/api/overlays", json={**asked, **named}).json()
    assert (called["ground"]["hex"], called["tint"]["hex"]) == ("#F0F8F8", "#B7DEDD")
    unknown = client.post("/api/overlays", json={**asked, **named, "tint": "tidewater 222"}).json()
    assert unknown["errors"][0]["field"].endswith("tint")


def test_a_handle_is_moved_as_it_is_shown_and_refused_where_it_cannot_be(client):
    view = look(client, select="hue:gorse")
    drawn = {curve["name"]: curve for curve in view["scale_detail"]["drawn"]}
    handle = next(each for each in drawn["lightness"]["handles"] if each["at"] == 0.5)
    assert handle["low"] < handle["value"] < handle["high"]
    assert not handle["set"]
    assert len(drawn["chroma"]["possible"]) == len(drawn["chroma"]["line"])
    assert len(drawn["hue"]["possible"]) == len(drawn["hue"]["steps"])
    move = {"type": "aim_curve", "shown": "gorse", "hues": None, "curve": "lightness", "at": 0.5}
    moved = edit(client, {**move, "value": handle["value"] + 5}, select="hue:gorse").json()
    shown = next(each for each in moved["scale_detail"]["drawn"][0]["handles"] if each["at"] == 0.5)
    assert abs(shown["value"] - handle["value"] - 5) < 0.02
    assert shown["set"]
    refused = edit(client, {**move, "value": 3.0}, base=2)
    assert refused.status_code == 422
    assert refused.json()["errors"][0]["field"] == "value"
    assert "nearest" in refused.json()["detail"]


def test_safe_ranges_of_what_can_be_moved(client):
    at = f"{AT}/safe-ranges"
    heather = client.get(at, params={"select": "hue:heather"}).json()["lightness"]
    assert 49.0 < heather["low"] < 51.0 < heather["high"] < 57.0
    assert "link.text-visited" in heather["below"]
    # Two statuses are as far apart as is asked, to a level of 8 bits: nothing beside this value is safe.
    kelp = client.get(at, params={"select": "hue:kelp"}).json()["hue"]
    assert kelp["low"] == kelp["high"] == pytest.approx(148.03, abs=0.01)
    assert "status.success" in kelp["below"]
    assert client.get(at, params={"select": "step:tidewater/s500"}).json() == {
        "lightness": None,
        "chroma": None,
        "hue": None,
    }
    handle = {"type": "aim_curve", "shown": "kelp", "curve": "hue", "at": 0.5, "value": None}
    found = client.post(f"{AT}/safe-handle", json={"edit": handle}).json()
    assert found["low"] <= 148.03
    assert found["high"] >= 148.02
    ladder = look(client)["ladder"]
    shaped = {
        "name": "own",
        "steps": [
            {key: step[key] for key in ("id", "label", "lightness")} for step in ladder["steps"]
        ],
    }
    # action.main.label stands on tidewater 700: lighter than this, it could not be read on it any more.
    rung = client.post(f"{AT}/safe-rung", json={"ladder": shaped, "step": 6}).json()
    assert rung["low"] <= 30.25 <= rung["high"] < 41.3
    assert client.post(f"{AT}/safe-rung", json={"ladder": shaped, "step": 9}).status_code == 404
    gone = client.post(f"{AT}/safe-handle", json={"edit": {**handle, "at": 0.25}})
    assert gone.status_code == 404


def test_colors_are_copied_as_values_as_rows_and_as_named_shapes(client):
    keys = ["step:kelp/s500", "hue:tidewater"]

    def copied(**asked):
        return client.post(f"{AT}/copy", json={"keys": keys, **asked}).json()["text"]

    assert (
        copied(notation="rgb", form="rows")
        == "kelp 500\trgb(63 143 79)\ntidewater\trgb(11 110 110)"
    )
    keys = ["step:kelp/s100", "step:kelp/s500", "palette:routes/routes-1", "token:text-late"]
    drawn = ElementTree.fromstring(copied(form="shapes"))
    at = "{http://www.w3.org/2000/svg}"
    groups = {group.get("id"): group for group in drawn.iter(f"{at}g")}
    assert list(groups) == ["kelp", "routes", "tokens"]
    shapes = [(each.get("id"), each.get("fill")) for each in groups["kelp"].iter(f"{at}rect")]
    assert shapes == [("kelp 100", "#E8FCEA"), ("kelp 500", "#3F8F4F")]
    boxes = {(each.get("x"), each.get("y")) for each in drawn.iter(f"{at}rect")}
    assert boxes == {("0", "0"), ("64", "0"), ("0", "64"), ("0", "128")}, (
        "in the order seen, touching"
    )
    keys = ["token:surface-page"]
    shown = {token["id"]: token["hex"] for token in look(client, theme="night")["tokens"]}
    assert copied(theme="night") == shown["surface-page"] != copied(), "in the theme that is shown"
    keys = ["step:kelp/s500", "hue:tidewater"]
    assert client.post(f"{AT}/copy", json={"keys": keys}).json()["text"] == "#3F8F4F\n#0B6E6E"
    refused = client.post(f"{AT}/copy", json={"keys": ["step:kelp/s150"]})
    assert refused.status_code == 422
    assert refused.json()["errors"][0]["field"] == "keys.0"


def test_two_people_meet_where_one_holds_what_the_other_changes(client, other):
    hold = {"type": "hold_hues", "hues": ["gorse"], "held": True}
    assert edit(client, hold).status_code == 200
    source = {"type": "set_source", "hue": "gorse", "color": "#FFCC00"}
    refused = edit(other, source)
    assert refused.status_code == 422
    assert "gorse is held" in refused.json()["detail"]
    # Letting go is undone like everything else, by who did it.
    undone = undo(client)
    assert undone.status_code == 200
    assert edit(other, source, base=undone.json()["head"]["revision"]).status_code == 200


def test_a_smaller_ladder_is_planned_and_a_selection_leaves_with_the_release(client):
    plan = client.post(f"{AT}/smaller-ladder", json={}).json()
    assert (plan["colors"], plan["gone"], plan["colors_then"]) == (85, [], 85)
    small = client.post(f"{AT}/smaller-ladder", json={"steps": 5}).json()
    assert len(small["ladder"]["steps"]) == 5
    assert any("moves from" in loss for loss in small["losses"])
    assert client.post(f"{AT}/smaller-ladder", json={"steps": 2}).status_code == 422
    kept = {"type": "keep_selection", "name": "editors", "steps": [{"hue": "kelp", "step": "s500"}]}
    view = edit(client, kept, {"type": "set_cap", "cap": 60}).json()
    assert view["selections"]["named"][0]["keys"] == ["step:kelp/s500"]
    assert "cap" in [finding["kind"] for finding in view["findings"]]
    published = client.post(
        f"{AT}/releases", json={"revision": view["head"]["revision"], "version": "9.0.0"}
    )
    assert published.status_code == 201
    files = client.get(f"{AT}/releases").json()[0]["files"]
    names = {file.rpartition("/")[2]: file for file in files}
    more = {kind.file for kind in (*MORE_FORMATS, *PALETTE_FORMATS)} | {
        "release.json",
        "package.tgz",
    }
    whole = {"tokens.css", "tokens.json", "tokens.resolver.json"} | more
    parts = {f"guide.{part}.html" for part in GUIDE_PARTS if part != "exceptions"}
    assert set(names) == whole | parts | {
        "tokens.editors.css",
        "tokens.editors.json",
        "tokens.editors.resolver.json",
    }
    assert b"--kelp-500" in client.get(names["tokens.editors.css"]).content
    # The newest version has no such selection any more: an older file does not stand in for it.
    gone = edit(
        client,
        {"type": "remove_selection", "selection": view["selections"]["named"][0]["id"]},
        base=view["head"]["revision"],
    )
    later = {"revision": gone.json()["head"]["revision"], "version": "9.0.1"}
    assert client.post(f"{AT}/releases", json=later).status_code == 201
    assert client.get("/feeds/brinemark/latest/tokens.editors.css").status_code == 404
    assert client.get("/feeds/brinemark/9.0.0/tokens.editors.css").status_code == 200
