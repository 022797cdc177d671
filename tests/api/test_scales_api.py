"""Scales over the API on a real MariaDB: plans of ladders, and a scale in all detail."""

AT = "/api/systems/brinemark"


def edit(client, *edits, base=1, **view):
    return client.post(f"{AT}/edits", json={"base": base, "edits": list(edits), "view": view})


def test_ready_made_ladders(client):
    ladders = {
        ladder["name"]: [step["label"] for step in ladder["steps"]] for ladder in client.get("/api/ladders").json()
    }
    assert {name: len(labels) for name, labels in ladders.items()} == {"short": 5, "usual": 9, "long": 11, "fine": 13}
    assert ladders["short"] == ["100", "300", "500", "700", "900"]


def test_a_plan_tells_what_goes_and_keeps_nothing(client):
    plan = client.post(f"{AT}/ladder-plan", json={"ladder": "short"}).json()
    assert [step["label"] for step in plan["ladder"]["steps"]] == ["100", "300", "500", "700", "900"]
    assert "action.fill moves from tidewater 600 to tidewater 500." in plan["losses"]
    assert not [loss for loss in plan["losses"] if "pin" in loss]
    one = client.post(f"{AT}/ladder-plan", json={"hue": "shingle", "ladder": None}).json()
    assert len(one["ladder"]["steps"]) == 9
    assert client.get(f"{AT}/head").json()["revision"] == 1
    twice = [{"label": "a", "lightness": 90}, {"label": "a", "lightness": 50}, {"label": "b", "lightness": 10}]
    refused = client.post(f"{AT}/ladder-plan", json={"ladder": {"steps": twice}})
    assert refused.status_code == 422
    assert refused.json()["errors"][0]["field"] == "ladder.steps.1.label"
    assert client.post(f"{AT}/ladder-plan", json={"hue": "gone", "ladder": "short"}).status_code == 422
    assert client.post("/api/systems/nowhere/ladder-plan", json={"ladder": "short"}).status_code == 404


def test_how_many_tokens_stand_on_each_label(client):
    view = client.get(AT).json()
    uses = {step["label"]: step["uses"] for step in view["ladder"]["steps"]}
    named = {hue["id"] for hue in view["hues"] if hue["ladder"] is None}
    for label, count in uses.items():
        on = [
            token
            for token in view["tokens"]
            if token["value"]["hue"] in named and token["value"]["step"] == f"s{label}"
        ]
        assert count == len(on)
    assert uses["600"] > 0
    assert uses["300"] < uses["600"]


def test_a_scale_in_all_detail_only_where_it_is_asked_for(client):
    assert client.get(AT, params={"select": "hue:gorse"}).json()["opened"] is None
    opened = client.get(AT, params={"select": "step:gorse/s300", "detail": True}).json()["opened"]
    assert opened["name"] == "gorse"
    assert [each["method"] for each in opened["compared"]] == ["even", "contrast", "mix", "hsl", "ends"]
    assert all(each["steps"][2]["hex"] == "#DFAF3A" for each in opened["compared"])
    assert opened["measures"][0] == "In order: each step is darker than the one before."
    assert len(opened["lightness"]["gaps"]) == 8
    assert opened["figures"] is None
    own = {"type": "set_method", "hue": "gorse", "method": {**opened["settings"], "name": "mix"}}
    view = edit(client, own, select="hue:gorse", detail=True).json()
    assert view["opened"]["figures"][2] == 0.0
    hue = next(hue for hue in view["hues"] if hue["name"] == "gorse")
    assert (hue["method"], hue["own_method"]) == ("mix", True)
    assert next(hue for hue in view["hues"] if hue["name"] == "kelp")["method"] == "even"


def test_a_nudged_step_is_told_with_what_would_be_generated(client):
    before = client.get(AT, params={"select": "step:kelp/s300"}).json()["slip"]
    assert (before["movable_hue"], before["movable_step"], before["nudged"]) == ("kelp", "s300", False)
    aim = {**before["aim"], "lightness": before["aim"]["lightness"] + 3.0}
    view = edit(client, {"type": "aim_step", "hue": "kelp", "step": "s300", **aim}, select="step:kelp/s300").json()
    assert view["slip"]["nudged"] is True
    assert "nudged 3.0 lighter" in view["slip"]["why"]
    kelp = next(hue for hue in view["hues"] if hue["name"] == "kelp")
    assert [(pin["kind"], pin["label"], pin["generated"]["hex"]) for pin in kelp["pins"]] == [
        ("nudged", "300", before["hex"])
    ]
    assert kelp["steps"][2]["nudged"] == "plus"
    back = client.post(f"{AT}/undo", json={"key": "undo-the-nudge"}).json()
    assert next(hue for hue in back["hues"] if hue["name"] == "kelp")["pins"] == []
