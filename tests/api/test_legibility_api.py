"""Legibility over the API on a real MariaDB: exceptions, mending, matrix, two colors, text on pictures, report."""

import io
from datetime import date

import pytest
from fontTools.ttLib import TTFont
from starlette.testclient import TestClient

from heimat.local.install import PAGE
from heimat.service.reading_tests import MOST_AN_HOUR
from tests.api.asking import AT, edit, look


def findings(client: TestClient) -> list[dict]:
    return client.get(AT, params={"parts": ["findings"]}).json()["findings"]


def test_a_finding_is_accepted_by_who_acts_on_the_day_it_is_and_taken_back(
    client: TestClient,
) -> None:
    before = look(client)["head"]["findings"]
    first = findings(client)[0]
    wish = {
        "type": "accept_finding",
        "finding": first["id"],
        "said": first["sentence"],
        "colors": [color["hex"] for color in first["colors"]],
        "reason": "a word stands beside it",
        "person": "Somebody Else",
        "on": "1999-01-01",
    }
    edit(client, wish).raise_for_status()
    assert look(client)["head"]["findings"] == before - 1
    assert first["id"] not in {each["id"] for each in findings(client)}
    kept = client.get(AT, params={"parts": ["exceptions"]}).json()["exceptions"][0]
    assert (kept["person"], kept["on"], kept["state"]) == (
        "Ines Vahl",
        date.today().isoformat(),
        "in force",
    )
    empty = edit(client, {**wish, "reason": " "}, base=2)
    assert (empty.status_code, empty.json()["errors"][0]["field"]) == (422, "reason")
    client.post(f"{AT}/undo", json={"view": {}}).raise_for_status()
    assert look(client)["head"]["findings"] == before


def test_mending_all_does_what_it_told(client: TestClient) -> None:
    plan = client.get(f"{AT}/repair-plan").json()
    assert len(plan["done"]) > 3
    edit(client, *plan["edits"]).raise_for_status()
    assert look(client)["head"]["findings"] == plan["left"]
    assert client.get(f"{AT}/head").json()["revision"] == 2


def test_the_matrix_holds_every_color_on_every_other_and_tells_what_is_declared(
    client: TestClient,
) -> None:
    found = client.get(f"{AT}/matrix", params={"rows": "steps", "columns": "steps"}).json()
    assert len(found["rows"]) == len(found["ratios"]) == len(found["ratios"][0]) > 80
    assert all(found["ratios"][place][place] == 100 for place in range(len(found["rows"])))
    pairs = client.get(f"{AT}/matrix").json()
    short = [each for each in pairs["declared"] if each["holds"] is False]
    names = {
        (pairs["rows"][each["row"]]["name"], pairs["columns"][each["column"]]["name"])
        for each in short
    }
    assert names == {("text.late", "surface.card")}
    edit(client, {"type": "set_aim", "aim": 5.5}).raise_for_status()
    assert client.get(f"{AT}/matrix").json()["aim"] == 5.5
    seen = client.get(f"{AT}/matrix", params={"vision": "achromat"}).json()
    assert seen["ratios"] != pairs["ratios"]
    unknown = client.get(f"{AT}/matrix", params={"rows": "nothing-such"})
    assert (unknown.status_code, unknown.json()["errors"][0]["field"]) == (422, "rows")
    assert client.get(f"{AT}/matrix", params={"order": "other"}).status_code == 422


def test_two_colors_by_name_and_by_value_and_what_cannot_be_read_says_which(
    client: TestClient,
) -> None:
    asked = {"one": "text.late", "other": "white"}
    found = client.post(f"{AT}/two-colors", json=asked).json()
    assert found["contrast"]["grade"] == "large"
    assert found["suffices"].startswith("3.71 suffices for large text")
    assert found["suffices"].endswith("body text needs 4.5.")
    darker = {**asked, "one_moved": {"lightness": 40, "chroma": 0.17, "hue": 37}}
    assert "for body text" in client.post(f"{AT}/two-colors", json=darker).json()["suffices"]
    for one, words in (("#000", "any size"), ("#777", "for large"), ("#eee", "decoration alone")):
        found = client.post(f"{AT}/two-colors", json={"one": one, "other": "white"}).json()
        assert words in found["suffices"]
    refused = client.post(f"{AT}/two-colors", json={**asked, "other": "no such color"})
    assert refused.json()["errors"][0]["field"] == "other"
    assert (
        client.post(f"{AT}/two-colors", json={"one": "#0008", "other": "#fff8"}).status_code == 422
    )


def test_what_may_stand_on_a_ground_and_where_nothing_may(client: TestClient) -> None:
    found = client.post(
        f"{AT}/standing-field", json={"ground": "surface.page", "level": 4.5}
    ).json()
    assert [field["lighter"] for field in found["fields"]] == [False]
    none = client.post(f"{AT}/standing-field", json={"ground": "#777777", "level": 7}).json()
    assert none["fields"] == []
    assert "the most is 4.68" in none["sentence"]
    bare = client.post(f"{AT}/standing-field", json={"ground": "#FFFFFF80", "level": 4.5})
    assert bare.json()["errors"][0]["field"] == "ground"


def test_text_on_a_picture_is_read_mapped_and_put_in_its_best_place(client: TestClient) -> None:
    picture = client.get(f"{AT}/pictures").json()[0]
    path = f"{AT}/pictures/{picture['id']}"
    asked = {
        "color": "text.strong",
        "width": 300,
        "height": 40,
        "box_height": 400,
        "box_widths": [1280, 390],
    }
    found = client.post(f"{path}/text", json=asked).json()
    assert len(found["behind"]) == 2
    assert found["scrims"] == []
    placed = client.post(f"{path}/text", json={**asked, "find": True, "helps": True}).json()
    assert max(float(each["short"].removeprefix("under ")) for each in placed["behind"]) <= max(
        float(each["short"].removeprefix("under ")) for each in found["behind"]
    )
    assert [each["color"] for each in placed["scrims"]] == ["black", "white"]
    mapped = client.get(f"{path}/text-map", params={"color": "#1E2525", "level": 4.5})
    assert mapped.headers["content-type"] == "image/png"
    for wrong in (
        {"width": 0},
        {"level": 40},
        {"color": "#00000080"},
        {"box_widths": []},
        {"color": "x" * 401},
    ):
        assert client.post(f"{path}/text", json={**asked, **wrong}).status_code == 422


def test_the_report_counts_what_the_page_counts_and_escapes_what_was_typed(
    client: TestClient,
) -> None:
    edit(
        client, {"type": "set_duty", "duty": "<b>The ferry authority</b> asks for AA."}
    ).raise_for_status()
    report = client.get(f"{AT}/report.json").json()
    assert report["open"] == len(report["findings"]) == look(client)["head"]["findings"]
    short = [each for each in report["pairings"] if each["holds"] is False]
    assert {(each["foreground"], each["theme"], each["ratio"]) for each in short} >= {
        ("text.late", "day", "3.71")
    }
    page = client.get(f"{AT}/report.html")
    assert "&lt;b&gt;The ferry authority" in page.text
    assert "<b>" not in page.text
    assert "script" not in page.headers["content-security-policy"].replace("'none'", "")
    assert all(line in page.text.replace("&#x27;", "'") for line in report["findings"])


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"type": "keep_condition", "name": "", "quantities": {}}, "name"),
        (
            {"type": "keep_condition", "name": "ink", "quantities": {"ink": 0.9, "paper": 0.5}},
            "ink",
        ),
        ({"type": "remove_condition", "condition": "gone"}, "condition"),
        ({"type": "end_exception", "exception": "gone"}, "exception"),
        ({"type": "remove_told_apart", "set": "gone"}, "set"),
    ],
)
def test_what_cannot_be_kept_is_refused_at_its_field(
    client: TestClient, change: dict, field: str
) -> None:
    refused = edit(client, change)
    assert (refused.status_code, refused.json()["errors"][0]["field"]) == (422, field)


def test_thresholds_outside_0_to_100_are_refused(client: TestClient) -> None:
    tokens = ["status-success", "status-error"]
    for threshold in (-1, 100.5):
        change = {
            "type": "keep_told_apart",
            "id": "status",
            "name": "status",
            "tokens": tokens,
            "threshold": threshold,
        }
        assert edit(client, change).status_code == 422


def test_pairs_of_a_page_are_read_and_one_unreadable_color_stops_no_other(
    client: TestClient,
) -> None:
    met = [
        {"text": "Plain", "color": "rgb(65, 73, 73)", "layers": [["rgb(240, 248, 248)"]]},
        {"text": "Odd", "color": "no-color", "layers": [["#FFFFFF"]]},
        {"text": "Faint", "color": "rgba(0, 0, 0, 0.3)", "layers": [["#FFFFFF"]], "size": 30},
    ]
    found = client.post(f"{AT}/drawing-pairs", json={"met": met}).json()
    assert [(each["text"], each["use"], each["holds"]) for each in found] == [
        ("Faint", "large", False),
        ("Plain", "body", True),
    ]
    assert found[1]["names"] == "text.faint on surface.page"
    assert found[1]["declared"]
    assert (
        client.post(f"{AT}/drawing-pairs", json={"met": [{**met[0], "layers": [[]]}]}).status_code
        == 422
    )


def test_areas_of_a_picture_that_merge_are_told_and_marked(client: TestClient) -> None:
    picture = client.get(f"{AT}/pictures").json()[0]
    path = f"{AT}/pictures/{picture['id']}"
    found = client.get(f"{path}/merging").json()
    assert found
    assert all("merge for" in each["sentence"] and "by 3" in each["outline"] for each in found)
    places = {"one": found[0]["one"], "other": found[0]["other"]}
    assert client.get(f"{path}/merging-map", params=places).headers["content-type"] == "image/png"
    assert client.get(f"{path}/merging", params={"threshold": 0}).json() == []
    assert client.get(f"{path}/merging", params={"threshold": 101}).status_code == 422


def test_a_typeface_is_kept_answered_as_it_came_and_replaced_by_a_whole_one_alone(
    client: TestClient,
) -> None:
    path = f"{AT}/typeface"
    assert client.get(path).json() == {"name": None, "mark": None}
    assert client.get(f"{path}/file").status_code == 404
    headers = {"Content-Type": "application/octet-stream"}
    woff2 = next(
        (PAGE / "assets").glob("atkinson-hyperlegible-next-latin-wght-normal-*.woff2")
    ).read_bytes()
    plain = io.BytesIO()
    with TTFont(io.BytesIO(woff2)) as font:
        font.flavor = None
        font.save(plain)
    for content, kind in ((woff2, "font/woff2"), (plain.getvalue(), "font/ttf")):
        kept = client.put(
            path, params={"name": "House\nSans.woff2"}, content=content, headers=headers
        )
        assert kept.status_code == 204
        assert client.get(path).json()["name"] == "House Sans.woff2"
        file = client.get(f"{path}/file")
        assert (file.content, file.headers["content-type"]) == (content, kind)
        # A broken one, cut short or damaged, replaces nothing.
        for broken in (
            content[: len(content) // 2],
            content[:-1],
            content[:400] + bytes(400) + content[800:],
        ):
            refused = client.put(path, params={"name": "broken"}, content=broken, headers=headers)
            assert refused.status_code == 422
            assert "Nothing was replaced" in refused.json()["detail"]
        assert client.get(f"{path}/file").content == content
    refused = client.put(path, params={"name": "letter.pdf"}, content=b"%PDF-1.7", headers=headers)
    assert (refused.status_code, refused.json()["errors"][0]["field"]) == (422, "typeface")
    assert client.put(path, content=b"wOF2" + b"x" * 2_000_001, headers=headers).status_code == 413
    assert client.delete(path).status_code == 204
    assert client.get(path).json()["name"] is None


def test_a_reading_test_counts_who_has_the_link_and_judges_itself(client: TestClient) -> None:
    body = {"ink": "#DF5A33", "ground": "#FFFFFF", "px": 16}
    begun = client.post(f"{AT}/reading-tests", json=body).json()
    assert client.post(f"{AT}/reading-tests", json=body).json()["key"] == begun["key"]
    path = f"/api/reading-tests/{begun['key']}"
    task = client.post(f"{path}/readers").json()
    assert (task["ink"], task["ground"], task["px"], len(task["figures"])) == (
        "#DF5A33",
        "#FFFFFF",
        16,
        6,
    )
    typed = [f" {task['figures'][0][:2]} {task['figures'][0][2:]}", "", "0", *task["figures"][3:]]
    typed[2] = task["figures"][2][::-1] + "1"
    read = {"reader": task["reader"], "typed": typed}
    assert client.post(path, json=read).status_code == 204
    # One answer for each reader, and none for who was shown nothing.
    assert client.post(path, json=read).json()["errors"][0]["code"] == "counted"
    assert client.post(path, json={**read, "reader": "x" * 24}).status_code == 422
    (counted,) = client.get(f"{AT}/reading-tests").json()
    assert (counted["readers"], counted["shown"], counted["read"]) == (1, 6, 4)
    blank = client.post(f"{path}/readers").json()
    assert (
        client.post(path, json={"reader": blank["reader"], "typed": [" "] * 6}).status_code == 204
    )
    (counted,) = client.get(f"{AT}/reading-tests").json()
    assert (counted["readers"], counted["shown"], counted["read"]) == (2, 12, 4)
    assert client.post(f"/api/reading-tests/{begun['key'].swapcase()}/readers").status_code == 404
    assert client.post(path, json={"reader": "x", "typed": []}).status_code == 422
    assert client.post(f"{AT}/reading-tests", json={**body, "ink": "red"}).status_code == 422


def test_a_reading_test_opens_so_often_an_hour_and_is_emptied_by_who_began_it(
    client: TestClient, other: TestClient
) -> None:
    key = client.post(
        f"{AT}/reading-tests", json={"ink": "#DF5A33", "ground": "#FFFFFF", "px": 16}
    ).json()["key"]
    path = f"/api/reading-tests/{key}"
    opened = [client.post(f"{path}/readers") for _ in range(MOST_AN_HOUR + 1)]
    assert [each.status_code for each in opened] == [201] * MOST_AN_HOUR + [422]
    task = opened[0].json()
    client.post(path, json={"reader": task["reader"], "typed": task["figures"]}).raise_for_status()
    refused = other.delete(f"{AT}/reading-tests/{key}/answers")
    assert (refused.status_code, "Ines Vahl" in refused.json()["detail"]) == (422, True)
    assert client.get(f"{AT}/reading-tests").json()[0]["readers"] == 1
    assert client.delete(f"{AT}/reading-tests/{key}/answers").json()["readers"] == 0
    assert client.post(f"{path}/readers").status_code == 201


def test_a_matrix_is_kept_under_a_name_and_grounds_are_told_where_text_must_not_stand(
    client: TestClient,
) -> None:
    kept = {
        "type": "keep_matrix",
        "id": "m",
        "name": "texts on cards",
        "rows": "texts",
        "columns": "hue:kelp",
    }
    edit(client, kept).raise_for_status()
    (named,) = client.get(AT, params={"parts": ["matrices"]}).json()["matrices"]
    assert (named["name"], named["rows"], named["columns"], named["by"]) == (
        "texts on cards",
        "texts",
        "hue:kelp",
        "luminance",
    )
    assert edit(client, {**kept, "rows": "everything"}, base=2).status_code == 422
    assert "is taken" in edit(client, {**kept, "id": "n"}, base=2).json()["detail"]
    told = client.get(AT, params={"parts": ["stands_on"], "select": "token:text-late"}).json()[
        "stands_on"
    ]
    matrix = client.get(f"{AT}/matrix", params={"rows": "texts", "columns": "grounds"}).json()
    late = matrix["ratios"][[row["name"] for row in matrix["rows"]].index("text.late")]
    by_name = {column["name"]: late[place] / 100 for place, column in enumerate(matrix["columns"])}
    told_by_name = {each["name"]: each for each in told["grounds"]}
    assert set(by_name) <= set(told_by_name)
    for name, reached in by_name.items():
        assert told_by_name[name]["contrast"]["text"] == f"{reached:.2f}"
        assert (told_by_name[name]["as_text"], told_by_name[name]["as_part"]) == (
            reached >= 4.5,
            reached >= 3.0,
        )
