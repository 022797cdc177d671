"""The API on a real MariaDB: editing, two people, undo, publishing, feeds, and what bad requests get."""

import gzip
import json

import pytest
from sqlalchemy import text
from starlette.testclient import TestClient

from heimat.demo.load import load_demo
from heimat.service.people import ensure_somebody
from heimat.store.migrate import migrate
from heimat.store.tables import person
from tests.api.asking import AT, client_of, edit, hue, look, preview, steps, undo


def set_source(id_: str, color: str) -> dict:
    return {"type": "set_source", "hue": id_, "color": color}


def rename(id_: str, name: str) -> dict:
    return {"type": "rename_hue", "hue": id_, "name": name}


def test_systems_are_listed_and_started(client):
    def listed():
        return [card["name"] for card in client.get("/api/systems").json()]

    assert set(listed()) == {"Brinemark", "Merrow Light"}
    edit(client, rename("kelp", "wrack"))
    assert listed()[0] == "Brinemark", "what was changed last stands first"
    body = {"name": "Oldhaven Lights", "colors": "lamp #E3B23C\nrgb(79 93 99)"}
    slug = client.post("/api/systems", json=body).json()["slug"]
    assert slug == "oldhaven-lights"
    assert client.post("/api/systems", json=body).json()["slug"] == "oldhaven-lights-2"
    view = look(client, f"/api/systems/{slug}")
    assert [each["kind"] for each in view["hues"]] == ["brand"] * 2 + ["status"] * 4 + ["neutral"]
    assert view["hues"][0]["name"] == "lamp"
    assert len(view["tokens"]) >= 20
    assert view["findings"] == []
    assert view["head"]["undo"] is None


def test_a_system_is_copied_as_it_is_now_and_put_away_and_back(client):
    edit(client, rename("kelp", "wrack"))
    copy = client.post(f"{AT}/copies").json()["slug"]
    assert copy == "brinemark-copy"
    view = look(client, f"/api/systems/{copy}")
    assert view["head"]["name"] == "Brinemark copy"
    assert view["head"]["undo"] is None
    assert view["hues"] == look(client)["hues"]
    client.post(f"/api/systems/{copy}/edits", json={"base": 1, "edits": [rename("wrack", "x")]})
    assert "wrack" in [each["name"] for each in look(client)["hues"]], "each is its own"

    def away():
        return {card["slug"]: card["archived"] for card in client.get("/api/systems").json()}

    assert not any(away().values())
    assert client.put(f"/api/systems/{copy}/archived", json={"archived": True}).status_code == 204
    assert away()[copy]
    assert look(client, f"/api/systems/{copy}")["head"]["name"] == "Brinemark copy", "it stays"
    client.put(f"/api/systems/{copy}/archived", json={"archived": False})
    assert not away()[copy]
    assert client.post("/api/systems/nothing-such/copies").status_code == 404
    assert (
        client.put("/api/systems/nothing-such/archived", json={"archived": True}).status_code == 404
    )


def test_an_edit_is_one_revision_and_flows_through(client):
    before = look(client)
    after = edit(client, set_source("tidewater", "oklch(0.45 0.09 260)")).json()
    assert after["head"]["revision"] == 2
    assert hue(after, "tidewater")["hex"] != hue(before, "tidewater")["hex"]
    assert hue(after, "shingle")["hex"] != hue(before, "shingle")["hex"]
    fill = {token["id"]: token["hex"] for token in after["tokens"]}["action-main-fill"]
    assert fill in [step["hex"] for step in steps(after, "tidewater")]
    assert look(client)["head"]["revision"] == 2


def test_a_preview_keeps_nothing(client):
    shown = preview(client, set_source("buoy", "#112233")).json()
    assert hue(shown, "buoy")["hex"] == "#112233"
    assert client.get(f"{AT}/head").json() == {"revision": 1}
    assert hue(look(client), "buoy")["hex"] == "#DF5A33"


def test_what_is_seen_comes_from_the_server(client):
    typical = look(client, select="hue:kelp")
    deutan = look(client, select="hue:kelp", vision="deutan")
    assert typical["slip"]["hex"] == deutan["slip"]["hex"] == "#3F8F4F"
    assert typical["slip"]["seen"] == "#3F8F4F"
    assert deutan["slip"]["seen"] != "#3F8F4F"
    gray = look(client, vision="achromat")
    seen = [step["seen"] for each in gray["scales"] for step in each["steps"]]
    assert all(len({value[1:3], value[3:5], value[5:7]}) == 1 for value in seen)


def test_the_ground_decides_what_passes(client):
    white = look(client)
    black = look(client, ground="black")
    on_step = look(client, ground="step:tidewater/s100")
    passing = [[step["passes"] for step in steps(view, "buoy")] for view in (white, black)]
    assert passing[0] == [False] * 5 + [True] * 4
    assert passing[1] == [True] * 5 + [False] * 4
    assert on_step["ground"]["name"] == "tidewater 100"
    assert on_step["ground"]["hex"] == "#E6FBFA"


def test_two_people_undo_each_their_own(client, other):
    edit(client, rename("kelp", "weed"))
    edit(other, set_source("heather", "#775599"), base=2)
    mine = undo(client).json()
    assert (hue(mine, "kelp")["name"], hue(mine, "heather")["hex"]) == ("kelp", "#775599")
    assert mine["head"]["redo"] == "Rename kelp to weed"
    theirs = undo(other).json()
    assert (hue(theirs, "kelp")["name"], hue(theirs, "heather")["hex"]) == ("kelp", "#8A6FA8")
    again = undo(client, "redo").json()
    assert hue(again, "kelp")["name"] == "weed"
    # Nothing was taken away: every step of it is in the history, with who did it.
    history = client.get(f"{AT}/history").json()
    assert [entry["number"] for entry in history] == [6, 5, 4, 3, 2, 1]
    assert [entry["person"] for entry in history[:2]] == ["Ines Vahl", "Tomke Rasch"]


def test_undo_walks_back_and_redo_walks_on(client):
    for place, name in enumerate(["a", "b", "c"]):
        edit(client, rename("kelp", name), base=place + 1)
    names = [hue(undo(client).json(), "kelp")["name"] for _ in range(3)]
    assert names == ["b", "a", "kelp"]
    assert undo(client).status_code == 404
    names = [hue(undo(client, "redo").json(), "kelp")["name"] for _ in range(3)]
    assert names == ["a", "b", "c"]
    assert undo(client, "redo").status_code == 404
    undo(client)
    edit(client, rename("kelp", "d"), base=11)
    assert look(client)["head"]["redo"] is None


def test_a_stale_edit_that_meets_nothing_is_rebased(client, other):
    edit(client, rename("kelp", "weed"))
    rebased = edit(other, set_source("kelp", "#2F8F4F"))
    assert rebased.status_code == 200
    assert (hue(rebased.json(), "kelp")["name"], hue(rebased.json(), "kelp")["hex"]) == (
        "weed",
        "#2F8F4F",
    )


def test_a_stale_edit_that_collides_is_refused_and_loses_nothing(client, other):
    edit(client, rename("kelp", "weed"))
    refused = edit(other, rename("kelp", "moss"))
    assert refused.status_code == 409
    assert refused.headers["content-type"] == "application/problem+json"
    conflict = refused.json()["conflict"]
    assert conflict["theirs"] == "Rename kelp to weed"
    assert conflict["yours"] == "Rename kelp to moss"
    assert conflict["person"] == "Ines Vahl"
    assert hue(look(client), "kelp")["name"] == "weed"
    # Knowing both, the second one can still be put on top.
    assert (
        hue(edit(other, rename("kelp", "moss"), base=conflict["head"]).json(), "kelp")["name"]
        == "moss"
    )
    # And then the first person's undo would take the second one's work along, so it is refused too.
    stopped = undo(client)
    assert stopped.status_code == 409
    assert "Tomke Rasch" in stopped.json()["detail"]


def test_undone_edits_of_others_stand_in_nobodys_way(client, other):
    edit(client, rename("kelp", "weed"))
    undo(client)
    assert edit(other, rename("kelp", "moss")).status_code == 200


def test_a_repeated_request_is_kept_once(client):
    key = "one-and-the-same"
    first = edit(client, rename("kelp", "weed"), key=key).json()
    second = edit(client, rename("kelp", "weed"), key=key).json()
    assert first["head"]["revision"] == second["head"]["revision"] == 2
    assert client.get(f"{AT}/head").json()["revision"] == 2


def test_an_edit_that_changes_nothing_is_no_revision(client):
    assert edit(client, rename("kelp", "kelp")).json()["head"]["revision"] == 1


def test_several_edits_are_one_gesture(client):
    view = edit(client, rename("kelp", "weed"), rename("flare", "ember")).json()
    assert view["head"]["revision"] == 2
    half = edit(client, rename("weed-gone", "x"), rename("sound", "bay"), base=2)
    assert half.status_code == 422
    back = undo(client).json()
    assert {hue(back, "kelp")["name"], hue(back, "flare")["name"], hue(back, "sound")["name"]} == {
        "kelp",
        "flare",
        "sound",
    }


def publish(client: TestClient, revision: int, version: str, notes: str = ""):
    return client.post(
        f"{AT}/releases", json={"revision": revision, "version": version, "notes": notes}
    )


def test_publishing_and_the_feed(client):
    draft = client.get(f"{AT}/draft").json()
    assert draft["proposed"] == "1.0.0"
    assert publish(client, 1, "1.0.0", "The first one").json() == {"version": "1.0.0", "new": True}
    first = client.get("/feeds/brinemark/1.0.0/tokens.css")
    assert first.text == next(
        file["text"] for file in draft["files"] if file["name"] == "tokens.css"
    )
    assert first.headers["cache-control"].endswith("immutable")
    etag = first.headers["etag"]
    assert not etag.startswith("W/")
    assert (
        client.get("/feeds/brinemark/1.0.0/tokens.css", headers={"If-None-Match": etag}).status_code
        == 304
    )
    assert (
        client.get(
            "/feeds/brinemark/1.0.0/tokens.css", headers={"If-None-Match": '"other"'}
        ).status_code
        == 200
    )
    assert client.head("/feeds/brinemark/latest/tokens.css").headers["etag"] == etag
    tokens = client.get("/feeds/brinemark/latest/tokens.json")
    assert tokens.headers["content-type"] == "application/design-tokens+json"
    assert tokens.json()["tidewater"]["600"]["$value"]["hex"] == "#0b6e6e"

    edit(client, set_source("tidewater", "#0B6E8E"))
    view = look(client)
    assert view["head"]["changed"] > 0
    changes = client.get(f"{AT}/draft").json()
    assert changes["proposed"] == "1.1.0"
    assert {group["kind"] for group in changes["compared"]["groups"]} == {"changed"}
    assert publish(client, 2, "1.1.0").json()["new"]
    assert look(client)["head"]["changed"] == 0
    # The old version is what it was, byte for byte; the latest is the new one.
    assert client.get("/feeds/brinemark/1.0.0/tokens.css").content == first.content
    assert client.get("/feeds/brinemark/latest/tokens.css").headers["etag"] != etag
    assert [release["version"] for release in client.get(f"{AT}/releases").json()] == [
        "1.1.0",
        "1.0.0",
    ]


def test_publishing_twice_the_same_is_one_release(client):
    publish(client, 1, "1.0.0")
    assert publish(client, 1, "1.0.1").json() == {"version": "1.0.0", "new": False}
    assert len(client.get(f"{AT}/releases").json()) == 1


def test_versions_are_numbers_not_texts(client):
    for revision, version in enumerate(["1.9.0", "1.10.0"], 1):
        publish(client, revision, version)
        edit(client, rename("kelp", f"k{revision}"), base=revision)
    assert look(client)["head"]["latest"] == "1.10.0"


@pytest.mark.parametrize("version", ["1", "1.0", "v1.0.0", "1.0.0-beta", "", "01.0.0"])
def test_versions_that_cannot_be(client, version):
    refused = publish(client, 1, version)
    assert refused.status_code == 422
    assert refused.json()["errors"][0]["field"] == "version"


def test_a_version_must_rise(client):
    publish(client, 1, "2.0.0")
    edit(client, rename("kelp", "weed"))
    assert "2.0.0 is out already" in publish(client, 2, "1.5.0").json()["detail"]


BAD = [
    ("get", "/api/systems/nowhere", None, 404),
    ("get", "/api/nowhere", None, 404),
    ("get", f"{AT}?vision=purple", None, 422),
    ("get", f"{AT}?severity=3", None, 422),
    ("get", "/feeds/brinemark/latest/tokens.css", None, 404),
    ("get", "/feeds/brinemark/1.0.0/../../etc/passwd", None, 404),
    ("get", "/feeds/brinemark/x/tokens.css", None, 404),
    ("put", "/api/me", {"person": "nobody"}, 404),
    ("post", f"{AT}/edits", {"base": 99, "edits": [rename("kelp", "x")]}, 404),
    ("post", f"{AT}/preview", {"base": 99, "edits": []}, 404),
    ("post", f"{AT}/edits", {"base": 1, "edits": []}, 422),
    ("post", f"{AT}/edits", {"base": 1, "edits": [{"type": "explode"}]}, 422),
    (
        "post",
        f"{AT}/edits",
        {"base": 1, "edits": [{"type": "restore", "what": "x", "places": []}]},
        422,
    ),
    ("post", f"{AT}/edits", {"base": 1, "edits": [set_source("kelp", "tealish")]}, 422),
    ("post", f"{AT}/edits", {"base": 1, "edits": [set_source("kelp", "cmyk 1 2 3 4")]}, 422),
    (
        "post",
        f"{AT}/edits",
        {
            "base": 1,
            "edits": [
                {"type": "aim_source", "hue": "kelp", "lightness": 101, "chroma": 0, "angle": 0}
            ],
        },
        422,
    ),
    (
        "post",
        f"{AT}/edits",
        {
            "base": 1,
            "edits": [
                {"type": "aim_source", "hue": "kelp", "lightness": "NaN", "chroma": 0, "angle": 0}
            ],
        },
        422,
    ),
    ("post", "/api/systems", {"name": "", "colors": "#123456"}, 422),
    ("post", "/api/systems", {"name": "x" * 90, "colors": "#123456"}, 422),
    ("post", "/api/systems", {"name": "x", "colors": ""}, 422),
    ("post", "/api/systems", {"name": "x", "colors": "something else"}, 422),
    ("post", "/api/systems", {"name": "x"}, 422),
    ("post", f"{AT}/releases", {"revision": 99, "version": "1.0.0"}, 404),
]


@pytest.mark.parametrize(
    ("method", "path", "body", "status"),
    BAD,
    ids=[f"{bad[0]} {bad[1]} {place}" for place, bad in enumerate(BAD)],
)
def test_bad_requests_get_a_clear_problem(client, method, path, body, status):
    answer = client.request(method, path, json=body)
    assert answer.status_code == status
    assert answer.headers["content-type"] == "application/problem+json"
    assert answer.json()["status"] == status
    assert len(answer.json()["detail"]) > 10
    assert client.get(f"{AT}/head").json() == {"revision": 1}


def test_a_body_beyond_a_mebibyte(client):
    huge = json.dumps({"base": 1, "edits": [], "text": "x" * (1 << 20)})
    for headers in ({}, {"Transfer-Encoding": "chunked"}):
        content = (
            huge.encode()
            if not headers
            else (huge[place : place + 65536].encode() for place in range(0, len(huge), 65536))
        )
        answer = client.post(
            f"{AT}/preview",
            content=content,
            headers={"Content-Type": "application/json", **headers},
        )
        assert answer.status_code == 413
    assert client.post(f"{AT}/preview", content=b"{not json").status_code == 422


def test_limits_of_a_system(client):
    many = [{"name": f"h{place}", "color": "#123456"} for place in range(195)]
    answer = edit(client, {"type": "add_hues", "hues": many})
    assert answer.status_code == 422
    assert "at most 200" in answer.json()["detail"]


def test_a_preview_is_small(client):
    body = {
        "base": 1,
        "edits": [set_source("tidewater", "#0B6E7E")],
        "view": {
            "select": "hue:tidewater",
            "parts": ["head", "slip", "hues", "scales", "tokens", "findings"],
        },
    }
    answer = client.post(f"{AT}/preview", json=body)
    assert answer.headers["content-encoding"] == "gzip"
    assert len(gzip.compress(answer.content, 3)) < 50_000


def test_a_database_that_knows_nobody(client, engine):
    with engine.begin() as connection:
        connection.execute(text("SET FOREIGN_KEY_CHECKS = 0"))
        connection.execute(person.delete())
        connection.execute(text("SET FOREIGN_KEY_CHECKS = 1"))
    assert client.get("/api/me").status_code == 404
    assert edit(client, rename("kelp", "weed")).status_code == 404
    ensure_somebody(engine)
    assert client.get("/api/me").json()["me"]["name"] == "The Designer"
    assert edit(client, rename("kelp", "weed")).status_code == 200


def test_every_other_process_sees_the_same(client, engine):
    edit(client, rename("kelp", "weed"))
    second = client_of(engine)
    assert hue(look(second), "kelp")["name"] == "weed"
    migrate(engine)
    assert load_demo(engine) is False


def test_a_start_takes_what_it_can_and_tells_the_rest(client):
    body = {"name": "x", "colors": "ta.rn #123456\nsomething else\nglass #00000080\n#DF5A33"}
    started = client.post("/api/systems", json=body).raise_for_status().json()
    assert started["unread"] == ["something else"]
    hues = client.get(f"/api/systems/{started['slug']}", params={"parts": ["hues"]}).json()["hues"]
    assert [(hue["name"], hue["hex"]) for hue in hues[:3]] == [
        ("ta rn", "#123456"),
        ("glass", "#7F7F7F"),
        ("red", "#DF5A33"),
    ]


def test_limits_are_told_in_words(client):
    told = client.post("/api/systems", json={"name": "x" * 500, "colors": "#123456"}).json()
    assert (told["detail"], told["errors"][0]["message"]) == (
        "Name: At most 400 characters.",
        "At most 400 characters.",
    )
    told = client.post(f"{AT}/preview", json={"base": 0, "edits": []}).json()
    assert told["detail"] == "Base: At least 1."
