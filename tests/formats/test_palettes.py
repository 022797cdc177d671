"""Palettes as they are delivered: each form loaded in the library it is for, which finds the same colors there."""

import json
import re
import subprocess
from dataclasses import replace
from pathlib import Path

import matplotlib as mpl
import numpy as np
import plotly.graph_objects as plotly
import pytest
import tinycss2
from matplotlib import colors as mpl_colors
from matplotlib import style as mpl_style

from heimat.core.charts.delivered import CLOSE, CLOSE_ROUNDED, DESIGNED, interpolated, stops_of
from heimat.core.color.arrays import from_bytes, to_bytes
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.tokens import LiteralColor
from heimat.core.edits import apply, apply_all
from heimat.core.edits.palette_edits import RemovePalette, RenamePalette, SetPalette
from heimat.core.publication.building import publication
from heimat.core.publication.changes import compare, same
from heimat.core.publication.plain_publication import plain_of, publication_of
from heimat.core.resolve.resolved import resolve
from heimat.core.resolve.resolved_palettes import design_of
from heimat.demo.demo_systems import brinemark
from heimat.formats import ARCHIVE, PALETTE_FORMATS, write_all
from heimat.local.install import WEB
from tests.formats.programs import NODE


def text_of(files):
    """The text of each file that is one."""
    return {file.name: file.content.decode() for file in files if file.media_type != ARCHIVE}


SYSTEM = brinemark()
RESOLVED = resolve(SYSTEM)
PUBLISHED = publication(RESOLVED)
FILES = text_of(write_all(PUBLISHED, "1.2.0"))
BY_NAME = {palette.name: palette for palette in PUBLISHED.palettes}
LOADER = Path(__file__).with_name("load_palettes.mjs")


@pytest.fixture(scope="module")
def loaded(tmp_path_factory: pytest.TempPathFactory) -> dict:
    """What the libraries of the web found in the files."""
    folder = tmp_path_factory.mktemp("palettes")
    for name, content in FILES.items():
        (folder / name).write_text(content)
    command = [NODE, str(LOADER), str(folder), str(WEB)]
    done = subprocess.run(command, capture_output=True, text=True, timeout=120, check=False)
    assert done.returncode == 0, done.stderr
    return json.loads(done.stdout)


def levels(text: str) -> list[int]:
    return [int(each) for each in re.findall(r"\d+", text)]


def designed(name):
    (shown,) = [each for each in RESOLVED.palettes["day"] if each.palette.name == name]
    return design_of(shown, DESIGNED)


def close(found, design, limit):
    assert float(ciede2000(srgb_to_lab(found), srgb_to_lab(design)).max()) <= limit


def test_a_release_that_did_not_say_yet_how_palettes_are_made_is_still_the_same():
    """What was released before is not offered to be published again; another color in a palette is."""
    before = replace(
        PUBLISHED, palettes=tuple(replace(each, made=None) for each in PUBLISHED.palettes)
    )
    assert publication_of(json.loads(json.dumps(plain_of(before)))) == before
    assert same(before, PUBLISHED)
    first, *others = PUBLISHED.palettes
    other = replace(first, colors={**first.colors, "day": ("#000000", *first.colors["day"][1:])})
    assert not same(before, replace(PUBLISHED, palettes=(other, *others)))


def test_every_palette_is_in_every_release_and_comes_back_from_its_plain_form():
    assert {kind.file for kind in PALETTE_FORMATS} <= FILES.keys()
    assert publication_of(json.loads(json.dumps(plain_of(PUBLISHED)))) == PUBLISHED
    assert json.loads(FILES["palettes.json"])["palettes"][0]["colors"]["day"] == list(
        BY_NAME["routes"].colors["day"]
    )
    without = apply_all(SYSTEM, [RemovePalette(palette=key) for key in SYSTEM.palettes]).system
    names = {file.name for file in write_all(publication(resolve(without)), "1.0.0")}
    assert not any(name.startswith("palettes") for name in names)


def test_css_has_the_colors_and_a_label_that_reads_on_each():
    rules = tinycss2.parse_stylesheet(
        FILES["palettes.css"], skip_comments=True, skip_whitespace=True
    )
    assert [rule.type for rule in rules] == ["qualified-rule"] * 3 + ["at-rule"] * 2
    day = {
        item.name: tinycss2.serialize(item.value).strip()
        for item in tinycss2.parse_blocks_contents(rules[0].content, skip_whitespace=True)
    }
    for number, color in enumerate(BY_NAME["routes"].colors["day"], start=1):
        assert day[f"--chart-routes-{number}"].upper() == color
    assert day["--chart-load-ramp"].startswith("linear-gradient(90deg, ")
    assert day["--chart-load-1-label"] == "#000000"
    assert day["--chart-load-9-label"] == "#ffffff"
    assert day["--chart-load-missing"].upper() == BY_NAME["load"].others["day"]["missing"]


def test_lines_to_paste_name_a_theme_that_is_there():
    (night,) = [theme for theme in PUBLISHED.themes if theme.name == "night"]
    alone = replace(PUBLISHED, themes=(replace(night, name="Dark one"),))
    files = text_of(write_all(alone, "1.0.0"))
    module: dict = {}
    exec(compile(files["palettes.py"], "palettes.py", "exec"), module)
    for palette in json.loads(files["palettes.json"])["palettes"]:
        assert (
            palette["use"]["d3"]
            == f'scaleOrdinal(palettes["{palette["name"]}"]["Dark-one"].colors)'
        )
        if line := palette["use"].get("matplotlib continuous"):
            drawn = eval(line.split("cmap=")[1].removesuffix(")"), module)
            assert hex_of(to_bytes(drawn(0.0)[:3])) == palette["stops"]["Dark-one"][0]
            assert hex_of(to_bytes(drawn(np.nan)[:3])) == palette["others"]["Dark-one"]["missing"]


def test_colors_of_palettes_are_tokens_whose_names_nothing_else_has():
    tokens = json.loads(FILES["tokens.json"])["chart"]
    found = [tokens["routes"][f"{number}"]["$value"]["hex"].upper() for number in range(1, 7)]
    assert found == list(BY_NAME["routes"].colors["day"])
    called = apply(SYSTEM, RenamePalette(palette="fares", name="series"))
    names = [token.name for token in publication(resolve(called)).with_palettes()]
    assert len(names) == len(set(names))
    assert tokens["series"]["1"]["$value"]["hex"].upper() == BY_NAME["routes"].colors["day"][0]


def test_stops_are_few_and_between_them_nobody_sees_a_difference():
    for palettes in RESOLVED.palettes.values():
        for shown in palettes:
            design = design_of(shown, DESIGNED)
            if design is None:
                continue
            stops = stops_of(design)
            assert len(stops) < DESIGNED
            close(interpolated(from_bytes(stops), DESIGNED), design, CLOSE_ROUNDED)
            every = (DESIGNED - 1) // (len(stops) - 1)
            close(interpolated(design[::every], DESIGNED), design, CLOSE)
    gray = np.repeat(np.linspace(0.2, 0.8, DESIGNED)[:, None], 3, axis=1)
    assert len(stops_of(gray)) == 9


def test_the_module_serves_scales_by_category_and_from_little_to_much(loaded: dict) -> None:
    assert loaded["d3"]["ordinal"] == list(BY_NAME["routes"].colors["day"])
    drawn = np.array([levels(each) for each in loaded["d3"]["sequential"]], dtype=np.uint8)
    design = designed("load")
    close(from_bytes(drawn), interpolated(design, 101), CLOSE_ROUNDED)


def test_a_charts_config_and_a_theme_draw_the_series_in_their_colors(loaded: dict) -> None:
    assert loaded["vegaLite"] == list(BY_NAME["routes"].colors["day"])
    for color in BY_NAME["routes"].colors["day"]:
        assert color.lower() in loaded["echarts"].lower()


def test_a_template_is_taken_and_its_scales_are_the_design() -> None:
    template = plotly.layout.Template(json.loads(FILES["palettes.plotly.json"]))
    figure = plotly.Figure(layout={"template": template})
    assert list(figure.layout.template.layout.colorway) == list(BY_NAME["routes"].colors["day"])
    scale = figure.layout.template.layout.colorscale.diverging
    assert [stop for _, stop in scale] == list(BY_NAME["delay"].stops["day"])
    assert scale[len(scale) // 2][0] == 0.5


def test_a_style_and_a_color_map_draw_the_design(tmp_path: Path) -> None:
    sheet = tmp_path / "ours.mplstyle"
    sheet.write_text(FILES["palettes.mplstyle"])
    with mpl_style.context(str(sheet)):
        cycle = [
            mpl_colors.to_hex(each["color"]).upper() for each in mpl.rcParams["axes.prop_cycle"]
        ]
    assert cycle == list(BY_NAME["routes"].colors["day"])
    module: dict = {}
    exec(compile(FILES["palettes.py"], "palettes.py", "exec"), module)
    design = designed("delay")
    drawn = module["colormap"]("delay", "day")(np.linspace(0.0, 1.0, 256))[:, :3]
    close(from_bytes(to_bytes(drawn)), interpolated(design, 256), CLOSE_ROUNDED)


def test_a_changed_palette_is_told_between_releases():
    make = SYSTEM.palettes["routes"].make
    red = LiteralColor(color={"components": (0.8, 0.1, 0.2)})
    colors = (*make.colors[:2], make.colors[2].model_copy(update={"value": red}), *make.colors[3:])
    changed = apply(
        SYSTEM, SetPalette(palette="routes", make=make.model_copy(update={"colors": colors}))
    )
    told = compare(PUBLISHED, publication(resolve(changed)))
    # The token that is bound to it changes with it.
    assert {(each.change, each.after.name) for each in told} == {
        ("changed", "chart.routes.3"),
        ("changed", "chart.series.3"),
    }
    renamed = apply(SYSTEM, RenamePalette(palette="fares", name="who is aboard"))
    assert {each.change for each in compare(PUBLISHED, publication(resolve(renamed)))} == {
        "renamed"
    }


def test_hostile_names_stay_names():
    name = "*/ alert(1); ``` ${x} \\ \"'"
    hostile = apply(
        apply(SYSTEM, RenamePalette(palette="routes", name=name)),
        RenamePalette(palette="load", name="9 é"),
    )
    files = text_of(write_all(publication(resolve(hostile)), "1.0.0"))
    assert tinycss2.parse_stylesheet(
        files["palettes.css"], skip_comments=True, skip_whitespace=True
    )[0].type == ("qualified-rule")
    compile(files["palettes.py"], "palettes.py", "exec")
    assert json.loads(files["palettes.json"])["palettes"][0]["name"] == name
    assert "alert(1)" not in files["palettes.ts"]
