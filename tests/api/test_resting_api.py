"""Resting on another system over the API: offers, a plan, taking, a newer version, and what bad input gets."""

from starlette.testclient import TestClient

from tests.api.asking import look
from tests.api.test_releases_api import publish, recolor

SITE = "/api/systems/merrow-light"
CHOSEN = ["shingle", "kelp", "flare"]


def rest(
    client: TestClient,
    version: str = "1.0.0",
    hues: list[str] | None = None,
    address: str = "brinemark",
):
    base = client.get(f"{SITE}/head").json()["revision"]
    body = {
        "address": address,
        "version": version,
        "hues": hues or CHOSEN,
        "base": base,
        "key": f"rest-{base}-{version}",
    }
    return client.post(f"{SITE}/resting", json=body)


def test_a_site_takes_its_companys_colors_is_told_of_newer_ones_and_publishes_the_whole(
    client: TestClient,
) -> None:
    assert client.get(f"{SITE}/resting").json() == {"taken": None, "newer": None, "offers": []}
    publish(client, "1.0.0")
    (offer,) = client.get(f"{SITE}/resting").json()["offers"]
    assert (offer["address"], offer["version"], offer["hues"][0]["name"]) == (
        "brinemark",
        "1.0.0",
        "tidewater",
    )
    plan = {"address": "brinemark", "version": "1.0.0", "hues": CHOSEN}
    planned = client.post(f"{SITE}/resting/plan", json=plan).json()
    assert planned["hues"] == 3
    assert "text.strong" in planned["own"]
    assert rest(client).status_code == 200
    # The same request again is the same revision.
    revision = client.get(f"{SITE}/head").json()["revision"]
    seen = look(client, SITE)
    assert [hue["name"] for hue in seen["hues"]][-3:] == CHOSEN
    taken = client.get(f"{SITE}/resting").json()["taken"]
    assert (taken["name"], taken["version"], taken["hues"]) == ("Brinemark", "1.0.0", 3)
    edit = {"type": "set_source", "hue": "kelp", "color": "#123456"}
    refused = client.post(
        f"{SITE}/edits", json={"base": revision, "edits": [edit], "view": {"parts": []}}
    )
    assert refused.status_code == 422
    assert refused.json()["detail"] == "kelp is taken from Brinemark 1.0.0: it is changed there."
    recolor(client, "#2E7D48", "kelp")
    publish(client, "1.1.0")
    newer = client.get(f"{SITE}/resting").json()["newer"]
    assert newer["version"] == "1.1.0"
    names = [
        change["after_name"] for group in newer["compared"]["groups"] for change in group["changes"]
    ]
    assert names
    assert all(name.startswith(("kelp.", "status.")) for name in names)
    assert rest(client, "1.1.0").status_code == 200
    assert client.get(f"{SITE}/resting").json()["newer"] is None
    revision = client.get(f"{SITE}/head").json()["revision"]
    body = {"revision": revision, "version": "1.0.0", "notes": ""}
    assert client.post(f"{SITE}/releases", json=body).status_code == 201
    site, line = (
        {
            token["name"]: token["values"]["day"]
            for token in client.get(f"/feeds/{feed}/tokens.plain.json").json()["tokens"]
        }
        for feed in ("merrow-light/1.0.0", "brinemark/1.1.0")
    )
    assert site["status.success"] == line["status.success"]
    assert site["action.main.fill"] != line["action.main.fill"]
    undone = client.post(f"{SITE}/undo", json={"key": "undo-the-taking", "view": {"parts": []}})
    assert undone.status_code == 200
    assert client.get(f"{SITE}/resting").json()["taken"]["version"] == "1.0.0"


def test_what_cannot_be_taken_says_why_and_changes_nothing(client: TestClient) -> None:
    publish(client, "1.0.0")
    before = client.get(f"{SITE}/head").json()["revision"]
    for answer, status, words in (
        (rest(client, "9.0.0"), 404, "There is no release 9.0.0"),
        (rest(client, "latest"), 404, "There is no release latest"),
        (rest(client, address="nobody"), 404, "There is no system"),
        (rest(client, address="merrow-light"), 422, "cannot rest on itself"),
        (rest(client, hues=["nobody"]), 422, "Choose at least one"),
    ):
        assert answer.status_code == status, answer.text
        assert words in answer.json()["detail"]
    assert client.get(f"{SITE}/head").json()["revision"] == before
