"""What people really have: lists with headings, tables in odd columns, styles of two preprocessors, scripts, themes."""

import json

import pytest

from heimat.core.color.color_lines import read_lines
from heimat.core.color.color_text import parse
from heimat.core.color.notation import format
from heimat.core.planning.sorting import guess_kind
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark
from heimat.formats.read import read_any
from heimat.view.eyes import Eyes
from heimat.view.sources.reading_view import reading_view


def told(reading) -> list[tuple[str, str]]:
    return [(line.name, format(line.color, "hex")) for line in reading.lines if line.color]


def told_of(text: str, name: str = "") -> list[tuple[str, str]]:
    return told(read_any.read(text, name))


@pytest.mark.parametrize(
    ("line", "found"),
    [
        ("11, 110, 110", [("", "#0B6E6E")]),
        ("223 90 51", [("", "#DF5A33")]),
        ("R11 G110 B110", [("", "#0B6E6E")]),
        ("R: 11, G: 110, B: 110", [("", "#0B6E6E")]),
        ("tidewater: 11, 110, 110", [("tidewater", "#0B6E6E")]),
        (" 11 110 110\ttidewater", [("tidewater", "#0B6E6E")]),
        ("sea (11, 110, 110)", [("sea", "#0B6E6E")]),
        ("tidewater, #0B6E6E", [("tidewater", "#0B6E6E")]),
        ("#0B6E6E; tidewater", [("tidewater", "#0B6E6E")]),
        ("tide,#0B6E6E;buoy,#DF5A33", [("tide", "#0B6E6E"), ("buoy", "#DF5A33")]),
        ("#fff, #000", [("", "#FFFFFF"), ("", "#000000")]),
        ("hsba(180, 90%, 43%, 0.5)", [("", "#0B6E6E80")]),
        ("hsb 180 90 43 sea", [("sea", "#0B6E6E")]),
        ("rgb(11, 110, 110), tide", [("tide", "#0B6E6E")]),
    ],
)
def test_a_line(line: str, found: list[tuple[str, str]]):
    assert [
        (read.name, format(read.color, "hex")) for read in read_lines(line) if read.color
    ] == found


@pytest.mark.parametrize(
    "line",
    [
        "Room 101",
        "2024 palette",
        "300 400 500",
        "version 1.2.3",
        "10 colors 11 110 110",
        "300, 400, 500",
        "page 12",
    ],
)
def test_numbers_that_are_no_colors(line: str):
    assert all(
        read.color is None and "No color found" in (read.problem or "") for read in read_lines(line)
    )


@pytest.mark.parametrize(
    "line",
    ["C90 M0 Y0 K57", "C:90, M:0, Y:0, K:57", "c=90 m=0 y=0 k=57", "Spot 123 C", "cmyk(9 0 0 57)"],
)
def test_amounts_of_ink_are_refused_with_the_reason(line: str):
    (read,) = read_lines(line)
    assert read.color is None
    assert (read.problem or "").startswith("Print colors depend on paper")


SCSS = """
// The line's own colors
$tide: #0B6E6E !default;
$tide-again: $tide;
$deep: darken($tide, 10%);
$signals: (
  "buoy": #DF5A33,
  'lamp': rgb(217, 138, 0),
  gap: 12px,
);
.ticket { color: $tide; border: 1px solid #8A6FA8; }
@media (min-width: 40em) { .ticket { background: #fff; } }
"""
LESS = """
@tide: #0B6E6E;
@link: @tide;
@import "other";
.ticket { color: @link; &:hover { color: #8A6FA8; } }
"""


@pytest.mark.parametrize("name", ["", "old.scss", "old.css"])
def test_variables_and_maps_of_a_preprocessor(name: str):
    reading = read_any.read(SCSS, name)
    assert reading.kind == "stylesheet"
    named = {
        line.name: (format(line.color, "hex"), line.group, line.number)
        for line in reading.lines
        if line.color and line.name
    }
    assert named["tide"] == ("#0B6E6E", "", 3)
    assert named["tide-again"] == ("#0B6E6E", "", 4)
    assert named["buoy"] == ("#DF5A33", "signals", 7)
    assert named["lamp"] == ("#D98A00", "signals", 8)
    assert "#8A6FA8" in [value for _, value in told(reading)]
    (computed,) = [line for line in reading.lines if line.problem and "computed" in line.problem]
    assert computed.number == 5


def test_variables_of_the_other():
    found = told_of(LESS)
    assert ("tide", "#0B6E6E") in found
    assert ("link", "#0B6E6E") in found
    assert ("", "#8A6FA8") in found


def test_properties_that_stand_for_others_wherever_those_stand():
    css = """:root { --link: var(--tide); --ring: var(--gone, #8A6FA8); --none: var(--gone);
      --a: var(--b); --b: var(--a); --chain: var(--link, #000) } .dark { --tide: #0B6E6E }"""
    found = dict(told_of(css, "x.css"))
    assert found == {"link": "#0B6E6E", "ring": "#8A6FA8", "chain": "#0B6E6E", "tide": "#0B6E6E"}


SCRIPT = """
// Colors of the ticket page
export const theme = {
  brand: { main: "#0B6E6E", 'on-main': '#ffffff', scale: { 100: "#E6FBFA", 900: `#001C1C` } },
  gap: "12px", name: "tan", /* old: "#123456" */ signal: "rgb(223 90 51)",
};
"""


@pytest.mark.parametrize("name", ["", "theme.js", "theme.ts"])
def test_objects_of_a_script(name: str):
    reading = read_any.read(SCRIPT, name)
    assert reading.kind == "script"
    assert [(line.number, line.group, line.name) for line in reading.lines] == [
        (4, "theme brand", "main"),
        (4, "theme brand", "on-main"),
        (4, "theme brand", "scale 100"),
        (4, "theme brand", "scale 900"),
        (5, "theme", "signal"),
    ]
    assert told(reading)[-1] == ("signal", "#DF5A33")


def test_a_theme_as_plain_data_and_tokens_of_the_older_form():
    plain = json.dumps(
        {"brand": {"main": "#0B6E6E", "name": "tan"}, "gap": "12px", "link": "{brand.main}"}
    )
    assert told_of(plain) == [("brand main", "#0B6E6E"), ("link", "#0B6E6E")]
    older = json.dumps(
        {
            "brand": {
                "tide": {"value": "#0B6E6E", "type": "color"},
                "gap": {"value": "12px", "type": "dimension"},
            }
        }
        | {"link": {"value": "{brand.tide}", "type": "color"}}
    )
    assert told_of(older) == [("brand tide", "#0B6E6E"), ("link", "#0B6E6E")]


@pytest.mark.parametrize(
    ("table", "found"),
    [
        ("HEX code,Color name\n#0B6E6E,tidewater\n", [("tidewater", "#0B6E6E")]),
        (
            "Swatch;R;G;B\ntidewater;11;110;110\nbuoy;223;90;51\n",
            [("tidewater", "#0B6E6E"), ("buoy", "#DF5A33")],
        ),
        ("Name\tRed\tGreen\tBlue\ntidewater\t11\t110\t110\n", [("tidewater", "#0B6E6E")]),
        (
            "token,light,dark\nink,#111111,#EEEEEE\n",
            [("ink light", "#111111"), ("ink dark", "#EEEEEE")],
        ),
        ("role,name,hex value\nerror,flare,#BF3650\n", [("flare", "#BF3650")]),
    ],
)
def test_a_table_with_its_columns_in_any_order(table: str, found: list[tuple[str, str]]):
    reading = read_any.read(table)
    assert reading.kind == "table"
    assert told(reading) == found


def test_names_of_colors_are_no_headings():
    reading = read_any.read("red, green, blue\ntan, teal, navy")
    assert reading.kind == "list"
    assert [value for _, value in told(reading)] == [
        "#FF0000",
        "#008000",
        "#0000FF",
        "#D2B48C",
        "#008080",
        "#000080",
    ]


def test_one_bad_row_in_forty_stops_no_other():
    rows = [f"n{place},#{place:02x}6E6E" for place in range(40)]
    rows[17] = "n17,rgb(11"
    reading = read_any.read("name,color\n" + "\n".join(rows))
    assert len(told(reading)) == 39
    assert [line.number for line in reading.lines if line.problem] == [19]


def test_groups_and_whole_words_set_the_kind():
    (line,) = read_any.read("role,name,hex\nerror,flare,#BF3650\n").lines
    assert guess_kind(f"{line.group} {line.name}", parse("#BF3650")) == ("status", "error")
    for name, kind in (
        ("pink", "accent"),
        ("link", "accent"),
        ("terror", "accent"),
        ("ink", "neutral"),
        ("surfaceRaised", "neutral"),
    ):
        assert guess_kind(name, parse("#DF5A33"))[0] == kind, name
    assert guess_kind("errorText", parse("#DF5A33")) == ("status", "error")


BOMB = """<?xml version="1.0"?>
<!DOCTYPE svg [
<!ENTITY a "aaaaaaaaaa">
<!ENTITY b "&a;&a;&a;&a;&a;&a;&a;&a;">
<!ENTITY c "&b;&b;&b;&b;&b;&b;&b;&b;">
]>
<svg xmlns="http://www.w3.org/2000/svg"><rect fill="#112233"/><text>&c;</text></svg>"""


@pytest.mark.parametrize("name", ["", "bomb.svg", "bomb.txt"])
def test_a_drawing_that_defines_entities_gives_one_refusal(name: str):
    (line,) = read_any.read(BOMB, name).lines
    assert line.color is None
    assert "defines entities" in (line.problem or "")


def test_every_color_of_a_stylesheet_says_where_it_stands_and_how_often():
    text = """:root { --tide: #0B6E6E }
    @media (prefers-color-scheme: dark) {
      :root[data-theme=night] { --tide: #88CCCC }
      .card:hover { color: #112233; background: #112233 }
    }"""
    told = [(line.name, line.place, line.uses) for line in read_any.read(text).lines]
    assert told == [
        ("tide", ":root", 1),
        ("tide", "@media (prefers-color-scheme: dark) :root[data-theme=night]", 1),
        ("", "@media (prefers-color-scheme: dark) .card:hover", 2),
    ]


def test_what_is_not_shown_as_it_is_written_says_so():
    text = "ferry: color(display-p3 1 0 0)\nveil: rgb(0 0 0 / 0.5)\nveil: #0B6E6E80\nplain: #0B6E6E"
    view = reading_view(read_any.read(text), resolve(brinemark()), "hex", Eyes("typical", 1.0))
    ferry, veil, tide, plain = view["lines"]
    assert ferry["remark"] == f"beyond sRGB, which shows {ferry['swatch']['hex']}"
    assert veil["remark"].endswith("as it looks on white")
    assert (veil["overlay"]["name"], tide["overlay"]["name"]) == ("overlay.veil", "overlay.veil-2")
    assert (veil["overlay"]["color"]["alpha"], plain["overlay"]) == (0.5, None)
    assert (plain["repeat"]["words"], tide["repeat"]) == ("the same as tidewater", None)
