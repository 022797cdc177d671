"""Releases over the API on a real MariaDB: ranges and the page of a feed, what breaks, rules that refuse, notes."""

from starlette.testclient import TestClient

from tests.api.asking import AT, edit, look

FEED = "/feeds/brinemark"


def publish(client: TestClient, version: str, notes: str = ""):
    revision = client.get(f"{AT}/head").json()["revision"]
    return client.post(
        f"{AT}/releases", json={"revision": revision, "version": version, "notes": notes}
    )


def recolor(client: TestClient, color: str, hue: str = "buoy") -> None:
    revision = client.get(f"{AT}/head").json()["revision"]
    assert (
        edit(client, {"type": "set_source", "hue": hue, "color": color}, base=revision).status_code
        == 200
    )


def rename(client: TestClient, name: str, new: str) -> None:
    (token,) = [each for each in look(client)["tokens"] if each["name"] == name]
    revision = client.get(f"{AT}/head").json()["revision"]
    change = {"type": "rename_token", "token": token["id"], "name": new}
    assert edit(client, change, base=revision).status_code == 200


def draft(client: TestClient):
    return client.get(f"{AT}/draft").json()


def test_ranges_are_the_highest_within_and_the_page_tells_every_release(client: TestClient) -> None:
    assert client.get(f"{FEED}/1/tokens.css").status_code == 404
    colors = {"1.0.0": "#DF5A33", "1.0.1": "#DE5A33", "1.1.0": "#C04020", "2.0.0": "#803020"}
    for version, color in colors.items():
        recolor(client, color)
        assert publish(client, version, f"<b>{version}</b> & */").status_code == 201
    texts = {version: client.get(f"{FEED}/{version}/tokens.css").text for version in colors}
    for asked, version in {
        "1": "1.1.0",
        "1.0": "1.0.1",
        "2": "2.0.0",
        "latest": "2.0.0",
        "2.0": "2.0.0",
    }.items():
        answer = client.get(f"{FEED}/{asked}/tokens.css")
        assert (answer.text, answer.headers["cache-control"]) == (
            texts[version],
            "public, no-cache",
        )
    assert "immutable" in client.get(f"{FEED}/1.1.0/tokens.css").headers["cache-control"]
    for asked in ("3", "1.2", "01", "1.", ".1", "1.0.0.0"):
        assert client.get(f"{FEED}/{asked}/tokens.css").status_code == 404
    recolor(client, "#C05020")
    assert publish(client, "2.0.1").status_code == 201
    assert client.get(f"{FEED}/2/tokens.css").text != texts["2.0.0"]
    page = client.get(f"{FEED}/")
    assert page.headers["content-type"].startswith("text/html")
    assert "default-src 'none'" in page.headers["content-security-policy"]
    assert "&lt;b&gt;2.0.0&lt;/b&gt; &amp; */" in page.text
    assert page.text.index("<h2>2.0.1</h2>") < page.text.index("<h2>1.0.0</h2>")
    assert f"npm install http://localhost{FEED}/2.0.1/package.tgz" in page.text
    assert client.get("/feeds/nobody/").status_code == 404


def test_the_version_proposed_says_why_and_what_breaks_comes_first(client: TestClient) -> None:
    assert draft(client)["why"] == "It is the first release."
    assert publish(client, "1.0.0").status_code == 201
    recolor(client, "#DF5B33")
    found = draft(client)
    assert (found["proposed"], found["why"].split(":")[0]) == ("1.0.1", "Patch")
    recolor(client, "#58C0C0", "tidewater")
    found = draft(client)
    assert found["proposed"] == "1.1.0"
    assert "colors change by CIEDE2000 2 or more" in found["why"]
    fell = "text.on-brand on surface.brand falls from 6.05 to "
    assert any(each.startswith(fell) for each in found["compared"]["breaks"])
    rename(client, "text.late", "text.behind")
    found = draft(client)
    assert (found["proposed"], found["compared"]["breaks"][0]) == (
        "2.0.0",
        "text.late is gone: use text.behind.",
    )
    kinds = [group["kind"] for group in found["compared"]["groups"]]
    assert kinds == sorted(
        kinds, key=("removed", "renamed", "repointed", "added", "changed", "described").index
    )
    assert "text.late is called text.behind" in found["notes"]
    assert found["compared"]["markdown"].startswith(
        "## Brinemark 2.0.0\n\n**This breaks**\n\n- text.late is gone"
    )
    assert publish(client, "2.0.0").status_code == 201
    between = client.get(f"{AT}/changes", params={"before": "1.0.0", "after": "2.0.0"}).json()
    assert between["count"] == found["compared"]["count"]
    back = client.get(f"{AT}/changes", params={"before": "2.0.0", "after": "1.0.0"}).json()
    assert "text.behind is gone: use text.late." in back["breaks"]
    assert client.get(f"{AT}/changes", params={"before": "2.0.0"}).json()["count"] == 0
    assert client.get(f"{AT}/changes", params={"before": "9.0.0"}).status_code == 404
    assert client.get(f"{AT}/changes", params={"before": "nine"}).status_code == 422


def test_many_steps_of_one_scale_are_one_line(client: TestClient) -> None:
    published = {"type": "publish_scales", "published": True}
    assert edit(client, published).status_code == 200
    assert publish(client, "1.0.0").status_code == 201
    recolor(client, "#E07050")
    groups = draft(client)["compared"]["groups"]
    (scale,) = [group for group in groups if group["words"].startswith("buoy.100 to ")]
    assert len(scale["changes"]) > 5
    assert "by up to CIEDE2000" in scale["words"]


def test_the_teams_rules_refuse_a_release_and_say_why(client: TestClient) -> None:
    assert publish(client, "1.0.0").status_code == 201
    rules = {"patch_below": 2.0, "refuse_open": True, "refuse_sudden": True}
    assert edit(client, {"type": "set_release_rules", "rules": rules}).status_code == 200
    rename(client, "text.late", "text.behind")
    found = draft(client)
    assert found["stops"] == [
        "11 findings are open.",
        "text.late goes without a release that said so before.",
    ]
    refused = publish(client, "2.0.0")
    assert (refused.status_code, refused.json()["errors"][0]["field"]) == (422, "rules")
    assert "11 findings are open. That refuses" in refused.json()["detail"]
    revision = client.get(f"{AT}/head").json()["revision"]
    calm = {"patch_below": 2.0, "refuse_open": False, "refuse_sudden": False}
    assert (
        edit(client, {"type": "set_release_rules", "rules": calm}, base=revision).status_code == 200
    )
    assert publish(client, "2.0.0").status_code == 201


def test_one_thing_goes_back_to_what_was_released_and_an_alternative_begins_there(
    client: TestClient,
) -> None:
    assert publish(client, "1.0.0").status_code == 201
    recolor(client, "#304FA0", "tidewater")
    rename(client, "text.late", "text.behind")
    since = client.get(f"{AT}/releases/1.0.0/differences").json()
    assert {each["id"] for each in since["things"]} == {"hues/tidewater", "tokens/text-late"}
    body = {"ids": ["hues/tidewater"], "base": 3, "key": "put-back-1", "view": {"parts": ["head"]}}
    back = client.post(f"{AT}/releases/1.0.0/restorations", json=body)
    assert back.json()["head"]["undo"] == "Take over from 1.0.0: tidewater"
    now = look(client)
    assert now["hues"][0]["hex"] == "#0B6E6E"
    assert any(token["name"] == "text.behind" for token in now["tokens"])
    again = client.post(
        f"{AT}/releases/1.0.0/restorations", json={**body, "base": 4, "key": "put-back-2"}
    )
    assert (again.status_code, again.json()["detail"]) == (422, "None of that differs any more.")
    made = client.post(f"{AT}/releases/1.0.0/alternative", json={"name": "as before"})
    assert made.json()["slug"] == "brinemark~as-before"
    old = look(client, "/api/systems/brinemark~as-before")
    assert any(token["name"] == "text.late" for token in old["tokens"])
    assert client.get(f"{AT}/releases/9.0.0/differences").status_code == 404
    assert client.get(f"{AT}/releases/nine/differences").status_code == 404


def test_a_text_is_checked_against_a_release_and_what_is_no_text_is_refused(
    client: TestClient,
) -> None:
    plain = {"Content-Type": "text/plain"}
    assert client.post(f"{AT}/check", content="a{color:#0B6E6E}", headers=plain).status_code == 404
    assert publish(client, "1.0.0").status_code == 201
    found = client.post(f"{AT}/check", content="a{background:#0B6E6E}", headers=plain).json()
    assert (found["version"], found["found"][0]["instead"]) == ("1.0.0", "var(--surface-brand)")
    assert client.post(f"{AT}/check?version=2.0.0", content="a{}", headers=plain).status_code == 404
    assert client.post(f"{AT}/check", content=b"\xff\xfe\x00", headers=plain).status_code == 422
    assert client.post(f"{AT}/check", content=b"a" * 5_000_001, headers=plain).status_code == 413


def test_a_release_is_read_as_it_was_in_every_stage_and_never_changed(client: TestClient) -> None:
    assert publish(client, "1.0.0").status_code == 201
    was = look(client)
    recolor(client, "#304FA0")
    assert publish(client, "1.1.0").status_code == 201
    old = f"{AT}@1.0.0"
    assert look(client, old)["hues"] == was["hues"] != look(client)["hues"]
    assert look(client, old)["tokens"] == was["tokens"]
    head = client.get(f"{old}/head").json()
    here = look(client, old)["head"]
    assert (here["latest"], here["undo"], here["redo"]) == ("1.0.0", None, None)
    revision = head["revision"]
    change = {"type": "set_source", "hue": "buoy", "color": "#112233"}
    body = {
        "base": revision,
        "edits": [change],
        "key": "key-of-a-reader",
        "view": {"parts": ["hues"]},
    }
    refusals = [
        client.post(f"{old}/edits", json=body),
        client.post(f"{old}/undo", json={"key": "key-of-an-undo", "view": {"parts": []}}),
        client.post(
            f"{old}/releases", json={"revision": revision, "version": "3.0.0", "notes": ""}
        ),
    ]
    assert [each.status_code for each in refusals] == [403, 403, 403]
    assert "1.0.0 as it was released" in refusals[0].json()["detail"]
    body = {"base": revision, "edits": [change], "view": {"parts": ["hues"]}}
    assert client.post(f"{old}/preview", json=body).status_code == 200
    assert look(client, old)["hues"] == was["hues"]
    for nothing in ("1.0.9", "1.0", "x", "1.0.0.0", "1.0.0 "):
        assert client.get(f"{AT}@{nothing}/head").status_code == 404
