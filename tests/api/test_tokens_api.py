"""Tokens over the API on a real MariaDB: plans, alternatives, a page of the team's own, shares."""

import pytest
from starlette.testclient import TestClient

from tests.api.asking import AT, edit, look, preview, undo


def colors(client: TestClient, at: str = AT, theme: str | None = None) -> dict[str, str]:
    """The color of every token in a theme, by id."""
    return {
        token["id"]: token["hex"]
        for token in look(client, at, **({"theme": theme} if theme else {}))["tokens"]
    }


def test_plans_keep_nothing_and_do_what_they_show(client: TestClient) -> None:
    plan = client.post(
        f"{AT}/theme-proposal", json={"source": "day", "id": "deck", "scheme": "dark"}
    ).json()
    assert plan["name"] == "night 2"
    assert client.get(f"{AT}/head").json()["revision"] == 1
    edit(client, plan["edit"]).raise_for_status()
    kept = colors(client, theme="deck")
    assert {row["token"]: row["after"]["hex"] for row in plan["moved"]}.items() <= kept.items()
    names = client.post(f"{AT}/token-names", json={"find": "status", "replace": "state"}).json()
    assert (names["changed"], names["problems"]) == (16, 0)
    refused = client.post(f"{AT}/fill-plan", json={"theme": "gone", "tokens": []})
    assert refused.json()["errors"][0]["field"] == "theme"
    family = client.post(f"{AT}/family", json={"family": "error", "form": "edged"}).json()
    edit(client, *family["edits"], base=2).raise_for_status()
    after = {token["name"]: token["hex"] for token in look(client)["tokens"]}
    assert {token["name"]: token["hex"] for token in family["tokens"]}.items() <= after.items()


def test_a_name_of_before_is_offered_its_newer_one_and_may_live_on(client: TestClient) -> None:
    def newer():
        rows = client.post(f"{AT}/token-names", json={}).json()["newer"]
        return {row["before"]: row["after"] for row in rows}

    assert newer() == {}, "new systems have the newer names"
    old = {"surface-lifted": "surface.raised", "surface-well": "surface.sunken"}
    edit(client, {"type": "rename_tokens", "names": old, "keep": {}}).raise_for_status()
    wanted = {"surface.raised": "surface.lifted", "surface.sunken": "surface.well"}
    assert newer() == wanted
    names = {token: wanted[name] for token, name in old.items()}
    keep = {token: f"{token}-before" for token in names}
    renaming = {"type": "rename_tokens", "names": names, "keep": keep}
    edit(client, renaming, base=2).raise_for_status()
    assert newer() == {}
    called = {token["name"] for token in look(client)["tokens"]}
    assert {*wanted, *wanted.values()} <= called, "the old names live on"


def test_an_alternative_has_a_history_of_its_own_and_gives_what_is_taken_over(
    client: TestClient,
) -> None:
    made = client.post(f"{AT}/alternatives", json={"name": "Calmer days"})
    assert (made.status_code, made.json()) == (201, {"slug": "brinemark~calmer-days"})
    other = "/api/systems/brinemark~calmer-days"
    change = {"type": "set_source", "hue": "buoy", "color": "#A04A30"}
    body = {
        "base": 1,
        "edits": [change, {"type": "rename_hue", "hue": "gorse", "name": "broom"}],
        "view": {},
    }
    client.post(f"{other}/edits", json=body).raise_for_status()
    assert client.get(f"{AT}/head").json()["revision"] == 1
    assert client.get(f"{other}/head").json()["revision"] == 2
    found = client.get(f"{AT}/differences", params={"other": "brinemark~calmer-days"}).json()
    assert {each["id"] for each in found["things"]} == {"hues/buoy", "hues/gorse"}
    assert (
        next(each["there"]["hex"] for each in found["things"] if each["id"] == "hues/buoy")
        == "#A04A30"
    )
    taken = client.post(
        f"{AT}/merges",
        json={
            "other": "brinemark~calmer-days",
            "ids": ["hues/buoy"],
            "base": 1,
            "key": "take-over-1",
            "view": {},
        },
    )
    assert taken.json()["head"]["undo"] == "Take over from calmer-days: buoy"
    assert look(client)["hues"][1]["hex"] == "#A04A30"
    assert look(client)["hues"][2]["name"] == "gorse"
    # The name of the system is the main alternative's business.
    renamed = {"base": 2, "edits": [{"type": "rename_system", "name": "Other"}], "view": {}}
    client.post(f"{other}/edits", json=renamed).raise_for_status()
    assert "Brinemark" in [each["name"] for each in client.get("/api/systems").json()]
    assert client.post(f"{other}/undo", json={"view": {}}).status_code == 200
    assert client.delete(f"{other}/alternative").status_code == 204
    assert client.get(f"{other}/head").status_code == 404
    assert client.delete(f"{AT}/alternative").status_code == 422


@pytest.mark.parametrize("name", ["main", "a/b", "~", "\u0416", "x" * 41, "a b~c"])
def test_an_alternative_that_could_not_be_an_address_is_refused(
    client: TestClient, name: str
) -> None:
    refused = client.post(f"{AT}/alternatives", json={"name": name})
    assert refused.status_code == 422
    assert client.get("/api/systems/brinemark~/head").status_code == 404


def test_what_is_taken_over_meets_what_others_did(client: TestClient, other: TestClient) -> None:
    client.post(f"{AT}/alternatives", json={"name": "bold"}).raise_for_status()
    change = {"type": "set_source", "hue": "buoy", "color": "#FF3300"}
    client.post(
        "/api/systems/brinemark~bold/edits", json={"base": 1, "edits": [change], "view": {}}
    ).raise_for_status()
    mine = {"type": "set_source", "hue": "buoy", "color": "#CC4422"}
    other.post(f"{AT}/edits", json={"base": 1, "edits": [mine], "view": {}}).raise_for_status()
    body = {
        "other": "brinemark~bold",
        "ids": ["hues/buoy"],
        "base": 1,
        "key": "take-over-2",
        "view": {},
    }
    refused = client.post(f"{AT}/merges", json=body)
    assert refused.status_code == 409
    assert "nothing is lost" in refused.json()["detail"]


def test_a_link_shows_an_alternative_until_it_ends(client: TestClient) -> None:
    client.post(f"{AT}/alternatives", json={"name": "bold"}).raise_for_status()
    bold = "/api/systems/brinemark~bold"
    key = client.post(f"{bold}/share", json={"shared": True}).json()["key"]
    assert client.post(f"{bold}/share", json={"shared": True}).json()["key"] == key
    shown = client.get(f"/api/shared/{key}").json()
    assert [each["name"] for each in shown["alternatives"]] == ["bold", "main"]
    assert shown["system"] == "Brinemark"
    assert (
        shown["alternatives"][0]["specimen"]["themes"][0]["colors"]["--action-main-fill"]
        == "#0B6E6E"
    )
    client.post(f"{bold}/share", json={"shared": False}).raise_for_status()
    assert client.get(f"/api/shared/{key}").status_code == 404
    assert client.get(f"/api/shared/{key.swapcase()}").status_code == 404


def test_a_page_of_ones_own_is_shown_and_never_run(client: TestClient) -> None:
    at = f"{AT}/own-page"
    assert client.get(at).status_code == 404
    page = "<script>alert(1)</script><b style='color: var(--text-strong)'>Skarvik</b>"
    html = {"Content-Type": "text/html"}
    assert client.put(at, content=page.encode(), headers=html).status_code == 204
    shown = client.get(at)
    assert shown.text == page
    policy = shown.headers["content-security-policy"]
    assert "sandbox allow-same-origin;" in policy
    assert "allow-scripts" not in policy
    assert "default-src 'none'" in policy
    assert shown.headers["x-frame-options"] == "SAMEORIGIN"
    large = ("<p>" + "x" * 4_900_000).encode()
    assert client.put(at, content=large, headers=html).status_code == 204
    assert client.put(at, content=large + b"x" * 200_000, headers=html).status_code == 413
    assert client.put(at, content=b"\xff\xfe<", headers=html).status_code == 422
    assert client.put(at, content=b"no element", headers=html).status_code == 422
    assert client.delete(at).status_code == 204
    assert client.get(at).status_code == 404


def test_shares_of_a_picture_by_the_tokens_of_a_theme(client: TestClient) -> None:
    pictures = {each["name"]: each["id"] for each in client.get(f"{AT}/pictures").json()}
    poster = next(iter(pictures.values()))
    found = client.post(f"{AT}/pictures/{poster}/shares", json={"theme": "day"}).json()
    total = found["ground"] + found["ink"] + found["accent"] + found["unmatched"]
    assert total == pytest.approx(100.0, abs=0.5)
    assert client.post(f"{AT}/pictures/99999/shares", json={}).status_code == 404


def test_what_was_released_is_a_specimen_by_purpose(client: TestClient) -> None:
    at = f"{AT}/released-specimen"
    assert client.get(at).status_code == 404
    client.post(f"{AT}/releases", json={"revision": 1, "version": "1.0.0"}).raise_for_status()
    change = {"type": "set_source", "hue": "tidewater", "color": "#204060"}
    edit(
        client, change, {"type": "rename_token", "token": "action-main-fill", "name": "act.fill"}
    ).raise_for_status()
    assert client.get(at).json()["themes"][0]["colors"]["--action-main-fill"] == "#0B6E6E"
    assert look(client)["specimen"]["themes"][0]["colors"]["--action-main-fill"] == "#204060"


def test_a_label_turns_with_its_fill_while_dragged_when_kept_and_back_in_one_undo(
    client: TestClient,
) -> None:
    before = colors(client)
    lighter = {"type": "set_source", "hue": "tidewater", "color": "#8FD9CF"}
    words = "action.main.label turns with its fill"
    shown = preview(client, lighter, select="hue:tidewater").json()
    assert shown["slip"]["why"].startswith(f"{words}. Given as #8FD9CF")
    dragged = {token["id"]: token["hex"] for token in shown["tokens"]}
    kept = edit(client, lighter, select="hue:tidewater").json()
    assert kept["head"]["revision"] == 2
    assert kept["head"]["undo"] == f"Set tidewater to #8FD9CF; {words}"
    assert colors(client) == dragged
    assert (before["action-main-label"], dragged["action-main-label"]) == ("#FFFFFF", "#090F0E")
    undo(client).raise_for_status()
    assert colors(client) == before
    undo(client, "redo").raise_for_status()
    assert colors(client) == dragged
    # On a fill that stays nothing goes along.
    plain = preview(client, {"type": "set_source", "hue": "heather", "color": "#775599"}).json()
    assert words not in (plain["slip"] or {"why": ""})["why"]
