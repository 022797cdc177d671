"""Palettes come back from each file that holds them: made as they were where the file says it, else by their colors."""

import json
import time
from dataclasses import replace

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from heimat.core.color.arrays import from_bytes
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.names import css_name
from heimat.core.document.palette_making import figures_of
from heimat.core.document.palettes import Categorical, PaletteColor, Sequential
from heimat.core.document.tokens import LiteralColor, PaletteAlias, StepAlias, TokenAlias
from heimat.core.edits import apply_all
from heimat.core.edits.palette_edits import AddPalette, SetPalette
from heimat.core.importing.from_sheet import Imported, import_sheet
from heimat.core.publication.building import publication
from heimat.core.publication.published_palettes import PublishedPalette
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark
from heimat.formats import write_all
from heimat.formats.read.sheets.read_sheets import read

LIMITS = (0.0, 20.0, 45.0, 80.0)
BRINEMARK = brinemark()
LOAD = BRINEMARK.palettes["load"].make
SYSTEM = apply_all(
    BRINEMARK,
    [
        SetPalette(
            palette="load",
            make=LOAD.model_copy(
                update={"classes": 5, "breaks": "typed", "typed": LIMITS, "reversed": True}
            ),
        ),
        AddPalette(
            id="depth",
            name="depth",
            make=Sequential(
                sources=(TokenAlias(token="action-main-fill"), StepAlias(hue="kelp", step="s300")),
                places=(0.7, None),
            ),
        ),
    ],
).system
PUBLISHED = publication(resolve(SYSTEM))
FILES = {file.name: file.content for file in write_all(PUBLISHED, "1.2.0")}


def imported(*names: str) -> Imported:
    return import_sheet(read({name: FILES[name] for name in names}), "Read")


def shown(palette: PublishedPalette, themes: dict[str, str]) -> dict:
    """All of a published palette but its ids, by the names of themes in files."""
    named = {
        key: {themes[theme]: each for theme, each in getattr(palette, key).items()}
        for key in ("colors", "labels", "stops", "grounds", "others")
    }
    return {
        **replace(
            palette, id="", made=None, colors={}, labels={}, stops={}, grounds={}, others={}
        ).plain(),
        **named,
    }


def published(system) -> dict[str, dict]:
    """All palettes of a system as they would leave, by name."""
    content = publication(resolve(system))
    themes = {theme.id: css_name(theme.name) for theme in content.themes}
    return {palette.name: shown(palette, themes) for palette in content.palettes}


WANTED = published(SYSTEM)


@pytest.mark.parametrize(
    "names", [("tokens.plain.json", "palettes.json"), ("package.tgz",)], ids=len
)
def test_a_release_brings_its_palettes_as_they_are_made(names: tuple[str, ...]) -> None:
    made = imported(*names)
    assert published(made.system) == WANTED
    assert not any("drawn anew" in words for words in made.passed_over)
    by_name = {palette.name: palette for palette in made.system.palettes.values()}
    tokens = {token.name: token for token in made.system.tokens.values()}
    for palette in SYSTEM.palettes.values():
        there = by_name[palette.name]
        assert figures_of(there.make) == figures_of(palette.make)
        assert (there.view, there.column) == (palette.view, palette.column)
        assert (
            made.system.tokens[there.ground].name == "surface.card"
            if palette.ground
            else there.ground is None
        )
    routes = by_name["routes"].make
    assert [color.held for color in routes.colors] == [True, *[False] * 5]
    assert isinstance(routes.colors[0].value, StepAlias)
    assert by_name["depth"].make.sources[0] == TokenAlias(token=tokens["action.main.fill"].id)
    # The charts of the specimen stay bound to the palettes that they were bound to.
    bound = {
        (token.name, theme, value.palette, value.color, value.along)
        for token in made.system.tokens.values()
        for theme, value in token.values.items()
        if isinstance(value, PaletteAlias)
    }
    assert {name for name, *_ in bound} == {
        token.name
        for token in SYSTEM.tokens.values()
        if any(isinstance(value, PaletteAlias) for value in token.values.values())
    }
    assert {theme for _, theme, *_ in bound} == set(made.system.themes)


def test_palettes_come_alone_with_the_grounds_that_they_stand_on() -> None:
    made = imported("palettes.json")
    there = published(made.system)
    for name, palette in WANTED.items():
        assert there[name]["colors"] == palette["colors"] or name == "depth"
        assert there[name]["grounds"] == palette["grounds"] or name == "depth"
        assert there[name]["categories"] == palette["categories"]
    assert [token.name for token in made.system.tokens.values()] == ["surface.card"]
    assert any("What palettes stand on is not in the files" in words for words in made.passed_over)
    # A token that is another color in each theme is not in this file: that palette is told to be off.
    assert any(words.startswith("depth is drawn anew") for words in made.passed_over)


@pytest.mark.parametrize(
    ("file", "names", "all_themes"),
    [
        ("palettes.css", {name: name for name in WANTED}, True),
        ("palettes.ts", {name: name for name in WANTED}, True),
        ("palettes.py", {name: name for name in WANTED}, True),
        (
            "palettes.vega-lite.json",
            {"series": "routes", "ordered": "load", "two ways": "delay"},
            False,
        ),
        (
            "palettes.plotly.json",
            {"series": "routes", "ordered": "load", "two ways": "delay"},
            False,
        ),
        ("palettes.echarts.json", {"series": "routes", "ordered": "load"}, False),
        ("palettes.mplstyle", {"series": "routes"}, False),
    ],
    ids=lambda value: value if isinstance(value, str) else None,
)
def test_every_form_for_charts_brings_palettes_by_their_colors(
    file: str, names: dict[str, str], all_themes: bool
) -> None:
    made = imported(file)
    there = published(made.system)
    assert list(there) == list(names)
    told = [words for words in made.passed_over if "drawn anew" in words]
    for name, was in names.items():
        wanted = WANTED[was]
        assert there[name]["kind"] == wanted["kind"]
        themes = list(wanted["colors"]) if all_themes else ["day"]
        if wanted["kind"] == "categorical":
            for theme in themes:
                assert (
                    there[name]["colors"][theme if all_themes else "default"]
                    == wanted["colors"][theme]
                )
            continue
        off = max(
            furthest(
                there[name]["stops"][theme if all_themes else "default"], wanted["stops"][theme]
            )
            for theme in themes
        )
        # Depth is a way through another color in each theme, which no form by colors can tell.
        assert off < (5.0 if was != "depth" else 40.0)
        assert off < 0.05 or any(words.startswith(f"{name} is drawn anew") for words in told)


def labs(colors) -> np.ndarray:
    return srgb_to_lab(
        from_bytes(np.array([rgb8_of(parse(color)) for color in colors], dtype=np.uint8))
    )


def furthest(one, other) -> float:
    """CIEDE2000 between colors at the same places along two lists of stops, at most."""
    along = np.linspace(0.0, 1.0, 17)

    def at(colors) -> np.ndarray:
        found = labs(colors)
        places = np.linspace(0.0, 1.0, len(found))
        return np.stack(
            [np.interp(along, places, found[:, channel]) for channel in range(3)], axis=1
        )

    return float(ciede2000(at(one), at(other)).max())


LEVELS = st.tuples(*[st.integers(0, 255)] * 3)


@settings(max_examples=25, deadline=None)
@given(
    st.lists(LEVELS, min_size=2, max_size=12, unique=True),
    st.dictionaries(st.sampled_from(["day", "night", "quay"]), LEVELS, max_size=3),
    st.floats(1.0, 7.0),
)
def test_any_palette_by_category_comes_back_whole(colors, shades, contrast) -> None:
    own = tuple(
        PaletteColor(
            id=f"x{place}",
            value=LiteralColor(color=Color.of_bytes(np.array(rgb8, dtype=np.uint8))),
            category=f"k{place}",
            held=place % 2 == 0,
            shades={
                theme: Color.of_bytes(np.array(each, dtype=np.uint8))
                for theme, each in shades.items()
            }
            if place == 1
            else {},
        )
        for place, rgb8 in enumerate(colors)
    )
    make = Categorical(colors=own, contrast=contrast, told_by=("dash", "label"), marks="small")
    system = apply_all(
        BRINEMARK, [AddPalette(id="any", name="any", make=make, ground="surface-card")]
    ).system
    content = publication(resolve(system))
    files = {
        file.name: file.content
        for file in write_all(content, "1.0.0")
        if file.name.endswith(".json")
    }
    both = {name: files[name] for name in ("tokens.plain.json", "palettes.json")}
    made = import_sheet(read(both), "Read")
    assert published(made.system)["any"] == published(system)["any"]
    assert [color.held for color in made.system.palettes["palette-5"].make.colors] == [
        each.held for each in own
    ]


def sheet(content, name: str = "palettes.json") -> Imported:
    return import_sheet(read({name: json.dumps(content).encode()}), "Read")


def test_what_others_or_nobody_would_write_is_read_as_far_as_it_goes() -> None:
    rainbow = ["#ff0000", "#ffff00", "#00ff00", "#00ffff", "#0000ff", "#ff00ff"]
    made = sheet(
        {"config": {"range": {"category": ["#123456", "#abcdef"], "ramp": rainbow}}}, "theme.json"
    )
    assert [(each.palette.name, each.palette.make.kind) for each in made.palettes] == [
        ("series", "categorical"),
        ("ordered", "categorical"),
    ]
    assert any("ordered is read as a few colors by category" in words for words in made.passed_over)
    day = {"day": ["#123456", "#abcdef"]}
    made_of = {
        "of": [{"color": "#123456", "token": "not.there"}, {"color": "#abcdef"}],
        "how": {"threshold": 12},
    }
    odd = [
        {
            "name": "a\u202eb",
            "kind": "categorical",
            "colors": day,
            "categories": ["x\x07y"],
            "note": "n\u202eo",
        },
        {"name": "A b", "kind": "categorical", "colors": day, "made": made_of},
        {
            "name": "",
            "kind": "nothing",
            "colors": day,
            "middle": "NaN",
            "ends": ["one"],
            "breaks": [1, "x", None],
        },
        {
            "name": "worse",
            "kind": "sequential",
            "colors": day,
            "made": {"of": [], "how": {"classes": 1e9}},
        },
        {
            "name": "how",
            "kind": "diverging",
            "colors": day,
            "made": {**made_of, "how": {"middle": [], "sides": 4}},
        },
        {"name": "no color", "kind": "categorical", "colors": {"day": ["#123456", "nothing"]}},
        {
            "name": "long",
            "kind": "sequential",
            "stops": {"day": [f"#{v:02x}{v:02x}{v:02x}" for v in range(256)]},
        },
        {"name": "one", "kind": "sequential", "colors": {"day": ["#123456"]}},
        *[{"name": f"p{number}", "kind": "categorical", "colors": day} for number in range(100)],
        "no palette",
    ]
    made = sheet({"name": "Odd", "palettes": odd})
    names = [each.palette.name for each in made.palettes]
    assert names[:7] == ["a b", "A b 2", "palette", "worse", "how", "long", "one"]
    assert len(names) == 60
    assert any("47 palettes more were passed over" in words for words in made.passed_over)
    kinds = {each.palette.name: each.palette.make.kind for each in made.palettes}
    assert (kinds["A b 2"], kinds["palette"], kinds["one"]) == (
        "categorical",
        "categorical",
        "categorical",
    )
    assert made.system.palettes["palette-2"].make.threshold == 12.0
    assert made.system.palettes["palette-1"].make.colors[0].category == "x y"
    # A palette that would stand on a token that is its own color is made of the color.
    loop = {
        "tokens": [
            {"name": "mark", "values": {"day": "#123456"}},
            {"name": "also", "values": {"day": "#abcdef"}},
        ]
    }
    looped = {
        "name": "loop",
        "kind": "categorical",
        "colors": day,
        "made": {
            "of": [{"color": "#123456", "token": "mark"}, {"color": "#abcdef"}],
            "how": {},
            "bound": [
                {"token": "mark", "theme": "day", "place": 0},
                {"token": "also", "theme": "day", "place": 1},
            ],
        },
    }
    files = {
        "tokens.json": json.dumps(loop).encode(),
        "p.json": json.dumps({"palettes": [looped]}).encode(),
    }
    made = import_sheet(read(files), "Read")
    tokens = {
        token.name: next(iter(token.values.values())) for token in made.system.tokens.values()
    }
    assert isinstance(tokens["mark"], LiteralColor)
    assert isinstance(tokens["also"], PaletteAlias)


def test_what_is_cut_short_or_runs_from_white_to_black_is_read_and_said() -> None:
    gray = {"day": ["#ffffff", "#c0c0c0", "#808080", "#404040", "#000000"]}
    many = {"day": [f"#{value:06x}" for value in range(0, 400_000, 10_000)]}
    palettes = [
        {"name": "gray", "kind": "sequential", "stops": gray},
        {"name": "many", "kind": "categorical", "colors": many},
    ]
    made = sheet({"palettes": palettes})
    assert [each.palette.make.kind for each in made.palettes] == ["sequential", "categorical"]
    assert len(made.palettes[1].colors) == 24
    assert any(
        words.startswith("many has 40 colors; the first 24 are read") for words in made.passed_over
    )
    # A label of a color that is not there makes no palette, and a ramp that is none neither.
    text = ":root { --chart-a-1-label: #000000; --chart-a-ramp: linear-gradient(90deg, red, nope) }"
    made = import_sheet(read({"a.css": text.encode()}), "Read")
    assert (made.palettes, [token.name for token in made.system.tokens.values()]) == (
        (),
        ["chart-a-1-label"],
    )


def test_hostile_palettes_are_read_in_time() -> None:
    for name, text in (
        (
            "palettes.css",
            ":root {" + "--chart-a-1-label: #000;" * 20_000 + "--chart-" * 100_000 + "}",
        ),
        (
            "palettes.css",
            ":root {--chart-a-1: #000; --chart-a-1-label: #fff; --chart-a-ramp: linear-gradient("
            + "a(" * 200_000,
        ),
        ("palettes.ts", "export const palettes = " + '{"a":' * 100_000),
        ("palettes.py", "PALETTES = " * 100_000),
        ("a.mplstyle", "axes.prop_cycle: cycler('color', [" + "'000000'," * 100_000),
        ("a.mplstyle", "axes.prop_cycle: " * 100_000),
        (
            "a.json",
            json.dumps(
                {"palettes": [{"name": "x" * 100_000, "colors": {"d": ["#000"] * 100_000}}] * 50}
            ),
        ),
        ("a.json", json.dumps({"color": ["#123456"] * 200_000})),
    ):
        begun = time.process_time()
        read({name: text.encode()})
        assert time.process_time() - begun < 10.0, (name, text[:20])
