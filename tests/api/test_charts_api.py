"""Charts over the API on a real MariaDB: data kept and drawn, palettes proposed and priced, and what is refused."""

from itertools import pairwise
from typing import Any

import numpy as np
from starlette.testclient import TestClient

from heimat.core.charts.columns import finite
from heimat.demo.sailings import SAILINGS
from heimat.formats.read.read_table import read_table
from tests.api.asking import AT, edit

BYTES = {"Content-Type": "application/octet-stream"}


def part(client: TestClient, name: str, **more):
    return client.get(AT, params={"parts": [name], **more}).json()[name]


def test_data_are_kept_once_read_again_and_removed(client: TestClient) -> None:
    (sailings,) = client.get(f"{AT}/data").json()
    assert (sailings["name"], sailings["rows"]) == (
        "sailings",
        SAILINGS.read_text().count("\n") - 1,
    )
    text = b"quay,load\nMerrow,0.5\nPellan,0.75\n"
    kept = client.post(f"{AT}/data", content=text, params={"name": "quays"}, headers=BYTES).json()
    again = client.post(f"{AT}/data", content=text, params={"name": "other"}, headers=BYTES).json()
    assert again["id"] == kept["id"]
    assert [column["kind"] for column in kept["columns"]] == ["word", "number"]
    refused = client.post(f"{AT}/data", content=b"a,b\nx,y\n", headers=BYTES)
    assert (refused.status_code, refused.json()["errors"][0]["field"]) == (422, "data")
    large = client.post(f"{AT}/data", content=b"1,2\n" * 2_600_000, headers=BYTES)
    assert large.status_code == 413
    assert client.delete(f"{AT}/data/{kept['id']}").status_code == 204
    assert client.delete(f"{AT}/data/{kept['id']}").status_code == 404
    assert len(client.get(f"{AT}/data").json()) == 1
    assert (
        client.get(f"/api/systems/merrow-light/data/{sailings['id']}/charts?palette=x").status_code
        == 404
    )


def test_charts_are_what_a_second_computation_finds(client: TestClient) -> None:
    (data,) = client.get(f"{AT}/data").json()
    table = read_table(SAILINGS.read_bytes())
    charts = client.get(f"{AT}/data/{data['id']}/charts", params={"palette": "routes"}).json()[
        "categories"
    ]
    routes = np.array(table.column("route").words)
    series, grid = charts["series"], charts["by_period"]
    assert series["names"] == [each["category"] for each in part(client, "palettes")[0]["colors"]]
    assert series["places"] == list(range(6))
    passengers = table.column("passengers").numbers
    for place, name in enumerate(series["names"]):
        assert series["rows"][place] == (routes == name).sum()
        assert sum(grid["values"][place]) == passengers[routes == name].sum()
    fares = client.get(f"{AT}/data/{data['id']}/charts", params={"palette": "fares"}).json()[
        "categories"
    ]
    assert fares["series"]["names"] == ["adult", "child", "senior", "commuter", "bicycle"]
    assert sum(fares["by_period"]["values"][0]) == table.column("adult").numbers.sum()
    ramp = client.get(f"{AT}/data/{data['id']}/charts", params={"palette": "delay"}).json()["ramp"]
    delay = finite(table.column("delay").numbers)
    legend = ramp["legend"]
    edges = [-np.inf, *legend["limits"], np.inf]
    by_hand = [int(((delay >= low) & (delay < high)).sum()) for low, high in pairwise(edges)]
    assert legend["counts"] == by_hand
    assert np.allclose(legend["limits"], [-each for each in reversed(legend["limits"])])
    begin = legend["begin"]
    assert begin == sorted(begin)
    assert delay.min() < begin[0]
    assert begin[-1] < delay.max()
    assert len(begin) == len(legend["limits"])
    heat = ramp["heat"]
    for row, places in zip(heat["values"], heat["places"], strict=True):
        for value, place in zip(row, places, strict=True):
            assert place == (
                None
                if value is None
                else int(np.searchsorted(legend["limits"], value, side="right"))
            )


def test_a_heat_map_goes_by_two_columns_whatever_the_data_have(client: TestClient) -> None:
    def heat(text: str) -> dict[str, Any]:
        kept = client.post(
            f"{AT}/data", content=text.encode(), params={"name": "own"}, headers=BYTES
        ).json()
        charts = client.get(f"{AT}/data/{kept['id']}/charts", params={"palette": "load"}).json()
        return dict(charts["ramp"]["heat"])

    seasons = heat(
        "quay,season,load\nMerrow,summer,1\nMerrow,winter,2\nPellan,summer,3\nPellan,winter,4\n"
    )
    assert (seasons["title"], seasons["rows"]) == ("Mean of load by season", ["Merrow", "Pellan"])
    assert seasons["values"] == [[1.0, 2.0], [3.0, 4.0]]
    months = heat("quay,month,load\nMerrow,Jan 2026,1\nMerrow,Feb 2026,2\nPellan,Feb 2026,4\n")
    assert (months["title"], months["columns"]) == ("Mean of load by month", ["Jan", "Feb"])
    assert months["values"] == [[1.0, 2.0], [None, 4.0]]
    weekdays = heat("quay,date,load\nMerrow,2026-05-04,1\nPellan,2026-05-05,2\n")
    assert (weekdays["title"], weekdays["columns"][:2]) == (
        "Mean of load by weekday",
        ["Mon", "Tue"],
    )


def test_a_middle_outside_the_data_and_breaks_that_cannot_be_are_said_and_lose_nothing(
    client: TestClient,
) -> None:
    (data,) = client.get(f"{AT}/data").json()
    make = part(client, "palettes")[3]["make"]
    edit(
        client, {"type": "set_palette", "palette": "delay", "make": {**make, "middle": 900.0}}
    ).raise_for_status()
    charts = client.get(f"{AT}/data/{data['id']}/charts", params={"palette": "delay"}).json()[
        "ramp"
    ]
    assert "lies outside the data" in charts["legend"]["problem"]
    typed = {**make, "breaks": "typed", "typed": [5.0, 1.0], "classes": 3}
    refused = edit(client, {"type": "set_palette", "palette": "delay", "make": typed}, base=2)
    assert (refused.status_code, refused.json()["detail"]) == (
        422,
        "Breaks rise: 1 stands behind 5.",
    )
    typed = {**make, "breaks": "typed", "typed": [5.0, 9000.0], "classes": 3}
    edit(
        client, {"type": "set_palette", "palette": "delay", "make": typed}, base=2
    ).raise_for_status()
    legend = client.get(f"{AT}/data/{data['id']}/charts", params={"palette": "delay"}).json()[
        "ramp"
    ]["legend"]
    # It is drawn as it was typed, with a class that stays empty, and that is said.
    assert (legend["limits"], legend["counts"][2]) == ([5.0, 9000.0], 0)
    assert legend["problem"].startswith("9000 lies outside the data, from ")


def test_palettes_are_proposed_alike_each_time_and_priced_before_they_are_chosen(
    client: TestClient,
) -> None:
    held = {"id": "t", "value": {"kind": "hue", "hue": "tidewater"}, "held": True}
    body = {"count": 5, "kept": [held], "ground": "surface-card"}
    made = client.post(f"{AT}/palette-proposals", json=body).json()
    assert client.post(f"{AT}/palette-proposals", json=body).json()["colors"] == made["colors"]
    assert made["colors"][0]["hex"] == "#0B6E6E"
    add = {
        "type": "add_palette",
        "id": "made",
        "name": "made",
        "make": made["make"],
        "ground": "surface-card",
    }
    edit(client, add).raise_for_status()
    kept = next(each for each in part(client, "palettes") if each["id"] == "made")
    assert [color["hex"] for color in kept["colors"]] == [color["hex"] for color in made["colors"]]
    told = client.post(f"{AT}/palette-prices", json=body).json()
    reached = [float(each["apart"]) for each in told["reaches"]]
    assert reached[0] == float(made["apart"])
    assert reached == sorted(reached)
    narrow = client.post(f"{AT}/palette-proposals", json={**body, "contrast": 21.0})
    assert (narrow.status_code, narrow.json()["errors"][0]["field"]) == (422, "bounds")
    assert client.post(f"{AT}/palette-proposals", json={**body, "count": 13}).status_code == 422


def test_ends_and_sets_are_judged(client: TestClient) -> None:
    low = {"low": {"kind": "hue", "hue": "tidewater"}}
    partners = client.post(f"{AT}/palette-partners", json=low).json()
    assert float(partners[0]["apart"]) >= 20.0
    colors = {
        "colors": [
            "tidewater 100",
            "tidewater 300",
            "tidewater 500",
            "tidewater 700",
            "tidewater 900",
        ]
    }
    told = client.post(f"{AT}/palette-suitability", json=colors).json()
    assert (told["suits"][0]["kind"], told["suits"][0]["suits"]) == ("sequential", True)
    wrong = client.post(
        f"{AT}/palette-suitability", json={"colors": ["tidewater 100", "no such color"]}
    )
    assert (wrong.status_code, wrong.json()["errors"][0]["field"]) == (422, "colors.1")


def test_a_selected_palette_tells_every_pair(client: TestClient) -> None:
    grounds = {each["name"] for each in part(client, "palette_grounds")}
    assert {"surface.page", "surface.card"} <= grounds
    assert not any(name.startswith("text") for name in grounds)
    detail = part(client, "palette_detail", select="palette:fares")
    assert [each["vision"] for each in detail["apart"]] == ["typical", "protan", "deutan", "tritan"]
    assert all(len(each["pairs"]) == 10 for each in detail["apart"])
    ramp = part(client, "palette_detail", select="palette:load")
    assert [len(each["steps"]) for each in ramp["steps"]] == [8] * 4
    assert ramp["light"] == sorted(ramp["light"], reverse=True)
    slip = part(client, "slip", select="palette:routes/routes-2")
    assert slip["name"].startswith("routes 2, ")


def test_two_people_on_one_palette_take_nothing_back_unsaid(client: TestClient) -> None:
    make = part(client, "palettes")[0]["make"]
    turned = {**make, "colors": make["colors"][::-1]}
    set_palette = {"type": "set_palette", "palette": "routes"}
    client.put("/api/me", json={"person": "tomke"})
    assert edit(client, {**set_palette, "make": turned}).status_code == 200
    client.put("/api/me", json={"person": "ines"})
    # What is there already changes nothing where it was made; on what came since it would.
    for other in (make, {**make, "threshold": 11.0}):
        refused = edit(client, {**set_palette, "make": other}, base=1)
        assert (
            refused.status_code,
            "Tomke Rasch has changed the same since" in refused.json()["detail"],
        ) == (
            409,
            True,
        )
    assert (
        edit(
            client, {"type": "rename_palette", "palette": "routes", "name": "lines"}, base=1
        ).status_code
        == 200
    )
    (shown,) = [each for each in part(client, "palettes") if each["id"] == "routes"]
    assert (shown["name"], shown["colors"][0]["id"]) == ("lines", "routes-6")


def test_chart_tokens_are_bound_to_a_palette_and_follow_it_to_the_feed(client: TestClient) -> None:
    (bound,) = client.post(f"{AT}/palettes/fares/binding").json()["edits"]
    assert edit(client, bound).status_code == 200
    assert client.post(f"{AT}/palettes/fares/binding").json()["edits"] == []
    fares = part(client, "palettes")[1]
    series = {
        each["name"]: each["hex"]
        for each in part(client, "tokens")
        if each["name"].startswith("chart.series")
    }
    assert [series[f"chart.series.{number}"] for number in range(1, 6)] == [
        each["hex"] for each in fares["colors"]
    ]
    assert fares["bound"] == [f"chart.series.{number}" for number in range(1, 6)]
    assert client.post(f"{AT}/palettes/nobody/binding").status_code == 422


def test_what_stands_on_something_gone_is_a_sentence(client: TestClient) -> None:
    gone = {"kind": "hue", "hue": "nowhere"}
    kept = [{"id": "t", "value": gone}]
    for path, body in (
        ("palette-partners", {"low": gone}),
        ("palette-proposals", {"count": 4, "kept": kept}),
        ("palette-prices", {"count": 4, "kept": kept}),
        ("palettes/nowhere/binding", {}),
    ):
        refused = client.post(f"{AT}/{path}", json=body)
        assert refused.status_code in (404, 422), (path, refused.text)
        assert refused.json()["detail"].endswith(".")
