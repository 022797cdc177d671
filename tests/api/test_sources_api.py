"""Sources over the API on a real MariaDB: reading, the set as text, areas, pictures, the gallery; and bad input."""

import io
import json

import numpy as np
import pytest
from PIL import Image
from sqlalchemy import text as sql

from heimat.demo.demo_pictures import demo_pictures
from heimat.service.gallery import ensure_shipped
from heimat.store.gallery_rows import count_sets
from tests.api.asking import AT, client_of, edit, undo
from tests.pictures import encoded, fields

TEAL, ORANGE = (11, 110, 110), (223, 90, 51)
PICTURE = encoded(fields((TEAL, 60), (ORANGE, 30), ((240, 240, 240), 30)))


def read(client, text, **query):
    content = text if isinstance(text, bytes) else text.encode()
    return client.post("/api/reading", params=query, content=content)


def add_picture(client, content=PICTURE, name="board.png", slug="brinemark"):
    return client.post(f"/api/systems/{slug}/pictures", params={"name": name}, content=content)


def test_reading_tells_what_lines_are_repeat_replace_and_fit(client):
    answer = read(
        client,
        "primary #0B6E6E\nnot one\nbuoy #DF5A34\nrosa #2A8C82",
        system="brinemark",
        notation="rgb",
    )
    reading = answer.json()
    assert reading["kind"] == "list"
    primary, bad, buoy, rosa = reading["lines"]
    assert (primary["kind"], primary["value"], primary["repeat"]) == (
        "brand",
        "rgb(11 110 110)",
        {"words": "the same as tidewater", "distance": "0.0", "same": True},
    )
    assert bad["color"] is None
    assert "No color found" in bad["problem"]
    assert (buoy["replaces"]["hue"], buoy["replaces"]["by"], buoy["replaces"]["hex"]) == (
        "buoy",
        "name",
        "#DF5A33",
    )
    assert buoy["repeat"]["words"] == "hardly different from buoy"
    assert primary["replaces"]["by"] == "order"
    assert (rosa["fit"]["hue_name"], rosa["fit"]["label"], rosa["fit"]["distance"]) == (
        "tidewater",
        "500",
        "4.1",
    )
    # The exact color is what an edit takes.
    kept = edit(client, {"type": "add_hues", "hues": [{"name": "rosa", "color": rosa["color"]}]})
    assert next(hue for hue in kept.json()["hues"] if hue["name"] == "rosa")["hex"] == "#2A8C82"


def test_reading_without_a_system_and_through_other_eyes(client):
    line = read(client, "#DF5A33", vision="deutan").json()["lines"][0]
    assert line["swatch"]["hex"] == "#DF5A33"
    assert line["swatch"]["seen"] != "#DF5A33"
    assert (line["repeat"], line["replaces"], line["fit"], line["kind"]) == (
        None,
        None,
        None,
        "brand",
    )
    assert read(client, "#fff", system="nowhere").status_code == 404


def test_a_stylesheet_of_five_megabytes_and_one_more(client):
    rule = ".c { color: #0B6E6E; padding: 4px 8px }\n"
    reading = read(client, rule * (4_900_000 // len(rule)), name="old.css").json()
    assert [line["swatch"]["hex"] for line in reading["lines"]] == ["#0B6E6E"]
    refused = read(client, "x" * 5_000_001, name="old.css")
    assert refused.status_code == 413
    assert refused.json()["detail"] == "A stylesheet or list has at most 5 MB. Give a part of it."


def test_the_set_as_text_and_back(client):
    text = client.get(f"{AT}/text", params={"notation": "hsl"}).json()["text"]
    assert "tidewater: hsl(180 81.82% 23.73%)" in text
    plan = client.post(f"{AT}/text", json={"text": text.replace("heather", "ling")}).json()
    assert [row["what"] for row in plan["rows"] if row["what"] != "unchanged"] == ["renamed"]
    view = edit(client, *plan["edits"]).json()
    assert "ling" in [hue["name"] for hue in view["hues"]]
    assert undo(client).json()["hues"][3]["name"] == "heather"


def test_deriving_over_the_api_and_refusing_a_circle(client):
    derived = {"kind": "derived", "hue": "tidewater", "lightness": {"how": "shifted", "by": -16}}
    made = edit(
        client, {"type": "add_hues", "hues": [{"id": "deep", "name": "deep", "source": derived}]}
    ).json()
    deep = next(hue for hue in made["hues"] if hue["id"] == "deep")
    assert deep["follows"]["words"] == "tidewater, 16 darker"
    tidewater = next(hue for hue in made["hues"] if hue["id"] == "tidewater")
    assert (tidewater["followed_by"], tidewater["goes_along"]) == (
        "deep and shingle",
        "deep and shingle",
    )
    circle = {
        "type": "follow_hue",
        "hue": "tidewater",
        "source": {"kind": "derived", "hue": "deep"},
    }
    refused = edit(client, circle, base=2)
    assert refused.status_code == 422
    assert refused.json()["errors"][0]["field"] == "source.hue"
    assert "runs in a loop" in refused.json()["detail"]
    both = edit(
        client, {"type": "add_hues", "hues": [{"color": "#fff", "source": derived}]}, base=2
    )
    assert both.status_code == 422


def test_areas_answer_from_colors_alone(client):
    harmony = client.post(
        "/api/harmony", json={"given": ["#0B6E6E"], "relation": "square", "circle": "hsl"}
    ).json()
    assert [partner["hex"] for partner in harmony["partners"]] == ["#3D0B6E", "#6E0B0B", "#3D6E0B"]
    assert all(float(partner["apart"]) > 5 for partner in harmony["partners"])
    strong = client.post(
        "/api/harmony", json={"given": ["#DF5A33"], "relation": "complementary"}
    ).json()
    assert strong["partners"][0]["clipped"].startswith("the gamut leaves chroma")
    several = client.post("/api/harmony", json={"given": ["#0B6E6E", "#DF5A33"]}).json()
    assert several["likenesses"][0]["words"].startswith("split complementary, 4° off at most")
    assert [each["words"] for each in several["common"][:2]] == ["between both", "opposite to both"]
    even = client.post(
        "/api/even-set", json={"start": "#DF5A33", "space": "hsl", "count": 5}
    ).json()
    assert even["colors"][0]["hex"] == "#DF5A33"
    assert "They look unequal: L* runs from" in even["uneven"]
    assert len(even["corrected"]) == 5
    mix = {each["space"]: [color["hex"] for color in each["colors"]] for each in _mix(client)}
    assert mix["srgb"] == ["#000000", "#808080", "#FFFFFF"]
    assert mix["linear"] == ["#000000", "#BCBCBC", "#FFFFFF"]
    status = client.post(
        "/api/status-proposal",
        json={"brand": ["#0B6E6E"], "present": {"error": "#BF3650"}, "held": ["error"]},
    )
    assert status.json()["reached"]
    assert (
        next(each for each in status.json()["colors"] if each["status"] == "error")["hex"]
        == "#BF3650"
    )


def _mix(client):
    return client.post("/api/mix", json={"one": "#000", "other": "#fff", "count": 1}).json()


BAD_AREAS = [
    ("harmony", {"given": []}),
    ("harmony", {"given": ["nonsense"]}),
    ("harmony", {"given": ["#fff"], "spread": 1e9}),
    ("harmony", {"given": ["#fff"], "placed": [float(place) for place in range(12)]}),
    ("even-set", {"start": "#fff", "count": 1}),
    ("even-set", {"start": "#fff", "lightness": 101}),
    ("mix", {"one": "#fff", "other": "#000", "count": 10}),
    ("status-proposal", {"brand": ["cmyk(1 2 3 4)"]}),
    ("status-proposal", {"held": ["danger"]}),
]


@pytest.mark.parametrize(
    ("area", "body"), BAD_AREAS, ids=[f"{area}{place}" for place, (area, _) in enumerate(BAD_AREAS)]
)
def test_areas_refuse_what_cannot_be(client, area, body):
    answer = client.post(f"/api/{area}", json=body)
    assert answer.status_code == 422
    assert answer.json()["errors"]


def test_extreme_colors_break_no_area(client):
    for color in ("#000", "#fff", "#00f", "#ff0", "#777", "color(display-p3 0 1 0)", "#0000ff01"):
        for relation in ("analogous", "monochromatic", "rectangle"):
            assert (
                client.post(
                    "/api/harmony", json={"given": [color], "relation": relation}
                ).status_code
                == 200
            )
        for space in ("oklch", "hsl", "hsb"):
            assert (
                client.post("/api/even-set", json={"start": color, "space": space}).status_code
                == 200
            )
        assert client.post("/api/status-proposal", json={"brand": [color]}).json()["reached"]


def test_a_picture_is_kept_sampled_and_found_by_every_process(client, engine):
    added = add_picture(client)
    assert added.status_code == 201
    picture = added.json()
    assert (picture["name"], picture["width"], picture["height"]) == ("board.png", 120, 100)
    # The same bytes are one picture.
    assert add_picture(client, name="again.png").json()["id"] == picture["id"]
    second = client_of(engine)
    at = f"{AT}/pictures/{picture['id']}"
    main = second.post(f"{at}/main-colors", json={"count": 3}).json()["colors"]
    assert [(color["hex"], color["share"]) for color in main] == [
        ("#0B6E6E", "50 %"),
        ("#DF5A33", "25 %"),
        ("#F0F0F0", "25 %"),
    ]
    assert main[0]["near"]["key"] == "hue:tidewater"
    sample = second.get(f"{at}/sample", params={"x": 59, "y": 50, "radius": 0}).json()
    assert (sample["hex"], sample["near"]["name"], len(sample["around"])) == (
        "#0B6E6E",
        "tidewater",
        289,
    )
    assert sample["around"][8 * 17 + 9] == "#DF5A33"
    region = second.post(f"{at}/region", json={"count": 3, "chosen": 0})
    assert Image.open(io.BytesIO(region.content)).size == (120, 100)
    shown = second.get(f"{at}/view", params={"vision": "achromat"})
    assert shown.headers["cache-control"].startswith("private")
    assert np.ptp(np.asarray(Image.open(io.BytesIO(shown.content)).convert("RGB"))[50, 5]) == 0
    stops = second.post(
        f"{at}/stops", json={"rectangle": {"x": 0, "y": 0, "width": 120, "height": 100}}
    ).json()
    assert len(stops["colors"]) >= 2
    assert second.delete(at).status_code == 204
    assert second.get(f"{at}/view").status_code == 404


def test_a_large_picture_is_kept_in_pieces(client, engine):
    noise = encoded(np.random.default_rng(1).integers(0, 256, (900, 1300, 3)))
    assert len(noise) > 3_000_000
    picture = add_picture(client, noise).json()
    with engine.connect() as connection:
        sizes = connection.execute(
            sql("SELECT LENGTH(bytes) FROM picture_chunk WHERE picture_id = :id"),
            {"id": picture["id"]},
        )
        pieces = [row[0] for row in sizes]
    assert sum(pieces) == len(noise)
    assert max(pieces) <= 1_000_000
    fresh = client_of(engine)
    assert (
        fresh.get(f"{AT}/pictures/{picture['id']}/sample", params={"x": 3, "y": 4}).status_code
        == 200
    )


def test_a_picture_is_found_only_under_its_own_system(client):
    picture = add_picture(client).json()
    elsewhere = f"/api/systems/merrow-light/pictures/{picture['id']}"
    for answer in (
        client.get(f"{elsewhere}/view"),
        client.get(f"{elsewhere}/sample", params={"x": 1, "y": 1}),
        client.post(f"{elsewhere}/main-colors", json={}),
        client.post(f"{elsewhere}/region", json={"chosen": 0}),
        client.post(
            f"{elsewhere}/stops", json={"rectangle": {"x": 0, "y": 0, "width": 9, "height": 9}}
        ),
        client.delete(elsewhere),
        client.get("/api/systems/nowhere/pictures"),
    ):
        assert answer.status_code == 404
        assert answer.json()["detail"]
    assert client.get("/api/systems/merrow-light/pictures").json() == []
    assert [each["name"] for each in client.get(f"{AT}/pictures").json()] == [
        "board.png",
        "harbor.png",
        "poster.png",
        "dashboard.png",
    ]


BAD_PICTURES = [
    (b"tidewater #0B6E6E", 422, "is not a picture that Heimat can read"),
    (PICTURE[:80], 422, "is broken or was cut off"),
    (b"", 422, "is empty"),
    (bytes(20_000_001), 413, "at most 20 MB"),
]


@pytest.mark.parametrize(
    ("content", "status", "words"), BAD_PICTURES, ids=["text", "cut off", "empty", "too large"]
)
def test_what_is_no_picture_leaves_nothing_behind(client, content, status, words):
    before = client.get(f"{AT}/pictures").json()
    refused = add_picture(client, content, "boat.png")
    assert refused.status_code == status
    assert words in refused.json()["detail"]
    assert client.get(f"{AT}/pictures").json() == before


@pytest.mark.parametrize(
    ("path", "body"),
    [
        ("main-colors", {"count": 2}),
        ("main-colors", {"without": [{"x": 0, "y": 0, "width": 5000, "height": 5000}]}),
        ("region", {"chosen": 99}),
        ("stops", {"rectangle": {"x": 9000, "y": 0, "width": 5, "height": 5}}),
        ("stops", {"rectangle": {"x": 0, "y": 0, "width": 9, "height": 9}, "difference": 0}),
    ],
)
def test_pictures_refuse_what_cannot_be(client, path, body):
    picture = add_picture(client).json()
    answer = client.post(f"{AT}/pictures/{picture['id']}/{path}", json=body)
    assert answer.status_code == 422
    assert len(answer.json()["detail"]) > 10
    for at in ({"x": 500, "y": 0}, {"x": 1, "y": 1, "radius": 41}):
        assert client.get(f"{AT}/pictures/{picture['id']}/sample", params=at).status_code == 422


def test_the_demos_pictures_are_there(client):
    assert {each["name"] for each in client.get(f"{AT}/pictures").json()} == {
        each.name for each in demo_pictures()
    }


def test_the_gallery_is_searched_by_words_and_by_likeness(client, engine):
    names = [each["name"] for each in client.get("/api/gallery").json()]
    assert len(names) == 12
    assert names[0] == "Low tide"
    gray, grey = (
        client.get("/api/gallery", params={"text": word}).json() for word in ("gray", "GREY")
    )
    assert [each["name"] for each in gray] == [each["name"] for each in grey] == ["Fish market"]
    like = client.get("/api/gallery", params={"text": "#1B4F9D"}).json()
    assert (like[0]["name"], float(like[0]["distance"]) < 0.01) == ("Pilot flags", True)
    assert [float(each["distance"]) for each in like] == sorted(
        float(each["distance"]) for each in like
    )
    assert len(like) == 12
    assert client.get("/api/gallery", params={"text": "nothing like this"}).json() == []
    # They ship once.
    ensure_shipped(engine)
    with engine.connect() as connection:
        assert count_sets(connection, shipped=True) == 12


def test_sets_are_saved_found_and_removed_by_who_saved_them(client, other):
    body = {
        "name": "Colour of the quay",
        "words": "for displays",
        "colors": [{"name": "quay", "color": "#3B3F4C"}, {"color": "hsb(200 60% 70%)"}],
    }
    saved = client.post("/api/gallery", json=body)
    assert saved.status_code == 201
    assert [color["hex"] for color in saved.json()["colors"]] == ["#3B3F4C", "#478FB3"]
    found = other.get("/api/gallery", params={"text": "color quay"}).json()
    assert [(each["name"], each["mine"]) for each in found] == [("Colour of the quay", False)]
    address = f"/api/gallery/{saved.json()['id']}"
    assert other.delete(address).status_code == 422
    assert client.delete(address).status_code == 204
    assert client.delete(address).status_code == 404
    shipped = client.get("/api/gallery").json()[0]["id"]
    assert client.delete(f"/api/gallery/{shipped}").status_code == 422


@pytest.mark.parametrize(
    ("change", "field"),
    [
        ({"name": " "}, "name"),
        ({"colors": []}, "colors"),
        ({"words": "x" * 500}, "words"),
        ({"name": "x" * 90}, "name"),
    ],
)
def test_sets_that_cannot_be_saved(client, change, field):
    answer = client.post(
        "/api/gallery", json={"name": "Set", "colors": [{"color": "#fff"}], **change}
    )
    assert answer.status_code == 422
    assert answer.json()["errors"][0]["field"] == field


def test_candidates_and_stops_are_part_of_the_view(client):
    edits = [
        {
            "type": "add_candidates",
            "candidates": [{"id": "k1", "name": "dusk", "color": "#0C6F6F"}],
        },
        {
            "type": "keep_stops",
            "name": "harbor",
            "colors": ["#101820", "#C9CDCF"],
            "difference": 3.0,
        },
    ]
    view = edit(client, *edits).json()
    candidate = view["candidates"][0]
    assert (candidate["near"]["name"], candidate["near"]["same"]) == ("tidewater", True)
    assert view["stops"][0]["name"] == "harbor"
    joined = edit(client, {"type": "join_candidates", "candidates": ["k1"]}, base=2).json()
    assert joined["candidates"] == []
    assert joined["head"]["undo"] == "Let dusk join"
    assert json.dumps(undo(client).json()["candidates"]) == json.dumps(view["candidates"])
