"""Files to a system over the API: what is understood first, then the system; and what bad input gets."""

from collections.abc import Iterator

from starlette.testclient import TestClient

from tests.api.asking import look
from tests.api.test_releases_api import publish

Sent = list[tuple[str, tuple[str, bytes]]]


def sent(**files: bytes) -> Sent:
    return [("files", (name.replace("_", "."), content)) for name, content in files.items()]


def test_a_release_comes_back_as_a_system_of_its_own(client: TestClient) -> None:
    publish(client, "1.0.0")
    archive = client.get("/feeds/brinemark/1.0.0/package.tgz").content
    understood = client.post("/api/imports/read", files=sent(package_tgz=archive)).json()
    assert understood["name"] == "Brinemark"
    assert [scale["name"] for scale in understood["scales"]][:2] == ["tidewater", "buoy"]
    assert [theme["name"] for theme in understood["themes"]] == ["day", "night", "quay"]
    assert len(client.get("/api/systems").json()) == 2
    made = client.post("/api/imports", files=sent(package_tgz=archive), data={"name": "Again"})
    assert made.status_code == 201
    slug = made.json()["slug"]
    here, there = look(client, f"/api/systems/{slug}"), look(client)
    colors = {token["name"]: token["hex"] for token in there["tokens"]}
    assert colors.items() <= {token["name"]: token["hex"] for token in here["tokens"]}.items()
    # It is published as any other.
    assert (
        client.post(
            f"/api/systems/{slug}/releases", json={"revision": 1, "version": "1.0.0"}
        ).status_code
        == 201
    )


def test_what_cannot_be_read_says_why_and_makes_nothing(client: TestClient) -> None:
    for files, words in (
        (sent(a_css=b"body { margin: 0 }"), "No named colors were found."),
        (sent(a_tgz=b"\x1f\x8bnothing"), "a.tgz cannot be unpacked"),
        (sent(a_json=b'{"a": '), "No named colors were found."),
    ):
        refused = client.post("/api/imports", files=files, data={"name": "x"})
        assert refused.status_code == 422
        assert words in refused.json()["detail"]
    fine = sent(a_css=b":root { --a: #123456 }")
    assert client.post("/api/imports", files=fine, data={"name": "x" * 90}).status_code == 201
    assert client.post("/api/imports", data={"name": "x"}).status_code == 422
    assert (
        client.post("/api/imports", json={"files": [{"name": "a", "content": "%%"}]}).status_code
        == 422
    )
    assert len(client.get("/api/systems").json()) == 3


def test_reading_before_an_import_takes_as_much_as_the_import_and_says_what_is_too_much(
    client: TestClient,
) -> None:
    four = b":root{--a:#112233;" + b" " * 4_000_000 + b"}"
    files = sent(a_css=four, b_css=four, c_css=four, d_css=four)
    assert client.post("/api/imports/read", files=files).json()["count"] == 1
    too_many = [*files, *sent(e_css=four)]
    for path in ("/api/imports/read", "/api/imports"):
        refused = client.post(path, files=too_many)
        assert (refused.status_code, refused.json()["detail"]) == (
            413,
            "Files have at most 20 MB together. Bring fewer.",
        )

    # The same where no length was announced.
    def pieces() -> Iterator[bytes]:
        yield b'--x\r\nContent-Disposition: form-data; name="files"; filename="a.css"\r\n\r\n'
        for _ in range(21):
            yield b" " * 1_000_000
        yield b"\r\n--x--\r\n"

    headers = {"content-type": "multipart/form-data; boundary=x"}
    refused = client.post("/api/imports/read", content=pieces(), headers=headers)
    assert (refused.status_code, refused.json()["title"]) == (413, "Too large")
