"""Readers: what they find in each format, what they say of the rest, and that nothing makes them raise."""

import json
import time

import pytest
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.publication.building import publication
from heimat.core.resolve.resolved import resolve
from heimat.formats import FORMATS
from heimat.formats.read import read_any, read_css, read_csv, read_svg, read_tokens
from tests.examples import examples
from tests.systems import brinemark_in_one_theme as brinemark


def told(reading):
    return [(line.name, hex_of(rgb8_of(line.color))) for line in reading.lines if line.color]


def problems(reading):
    return [(line.number, line.problem) for line in reading.lines if line.problem]


def test_a_list_with_two_bad_lines():
    reading = read_any.read(
        "tidewater #0B6E6E\nbad line\nbuoy: rgb(223 90 51)\n\ncmyk(0 20 40 0)\nsea – hsb(200 60% 70%)"
    )
    assert reading.kind == "list"
    assert told(reading) == [("tidewater", "#0B6E6E"), ("buoy", "#DF5A33"), ("sea", "#478FB3")]
    assert [number for number, _ in problems(reading)] == [2, 5]
    assert "No color found in “bad line”" in problems(reading)[0][1]
    assert "Print colors depend on paper" in problems(reading)[1][1]


CSS = """
/* brand */
:root { --tide: #0B6E6E; --buoy: rgb(223 90 51); --tide-again: var(--tide); --gap: 12px; --tan: tan;
  --ring: 0 0 0 3px #8A6FA880; --mixed: color-mix(in oklab, red, blue); }
.card { color: #123; background: linear-gradient(90deg, #fff, hsl(200 50% 40%)); font-family: tan;
  border: 1px solid #123 }
@media (min-width: 40em) { .card { &:hover { outline-color: oklch(0.6 0.1 200) } } }
.broken { color: ; fill: #12 } } .print { color: device-cmyk(0 1 1 0); stroke: hsl(from red h s l) }
"""


def test_a_stylesheet():
    reading = read_any.read(CSS, "old.css")
    assert reading.kind == "stylesheet"
    found = told(reading)
    assert [(name, value) for name, value in found if name] == [
        ("tide", "#0B6E6E"),
        ("buoy", "#DF5A33"),
        ("tan", "#D2B48C"),
        ("tide-again", "#0B6E6E"),
        ("ring", "#8A6FA8"),
    ]
    # The color that is used twice is one line that says so; the font's name is no color.
    unnamed = {
        value: line.uses
        for line in reading.lines
        if line.color and not line.name
        for value in [hex_of(rgb8_of(line.color))]
    }
    assert unnamed.keys() == {"#112233", "#FFFFFF", "#337799", "#0D9298"}
    assert unnamed["#112233"] == 2
    said = " ".join(problem for _, problem in problems(reading))
    for words in (
        "color-mix(in oklab, red, blue) is computed by the browser",
        "Not CSS, passed over: “#",
        "Print colors",
    ):
        assert words in said
    assert "hsl(from red h s l) is computed" in said


def test_custom_properties_alone_and_lists_that_only_look_like_them():
    assert told(read_any.read("--a: #123456;\n--b: red;")) == [("a", "#123456"), ("b", "#FF0000")]
    mixed = read_any.read("harbor light #F2C66D\n--gray-500: #777")
    assert told(mixed) == [("harbor light", "#F2C66D"), ("gray-500", "#777777")]


TOKENS = {
    "sea": {
        "$type": "color",
        "deep": {"$value": "#0B6E6E"},
        "same": {"$value": "{sea.deep}"},
        "wide": {"$value": {"colorSpace": "oklch", "components": [0.6, 0.1, 200]}},
        "hsl": {"$value": {"colorSpace": "hsl", "components": [200, 50, 40]}},
        "one": {"$value": "{sea.two}"},
        "two": {"$value": "{sea.one}"},
        "lost": {"$value": "{sky.blue}"},
        "odd": {"$value": {"colorSpace": "cmyk", "components": [0, 0, 0]}},
        "short": {"$value": {"colorSpace": "srgb", "components": [0, 0]}},
    },
    "gap": {"$type": "dimension", "$value": "12px"},
}


def test_a_token_file_with_circular_aliases():
    reading = read_any.read(json.dumps(TOKENS, indent=1), "brand.tokens.json")
    assert reading.kind == "token file"
    assert told(reading) == [
        ("sea deep", "#0B6E6E"),
        ("sea same", "#0B6E6E"),
        ("sea wide", "#0D9298"),
        ("sea hsl", "#337799"),
    ]
    said = " ".join(problem for _, problem in problems(reading))
    for words in (
        "sea.one refers to sea.two, which refers to sea.one: a loop",
        "sea.lost refers to sky.blue, which is not in this file",
        "the color space cmyk is not known",
        "a color has three components",
    ):
        assert words in said
    lines = {line.name: line.number for line in reading.lines if line.color}
    assert lines["sea deep"] == 4


def test_our_own_files_are_read_back():
    published = publication(resolve(brinemark()))
    values = [value for token in published.tokens for value in token.values.values()]
    scale = {value.hex for value in values if value.alias is None}
    for file in FORMATS:
        reading = read_any.read(file.write(published, "1.0.0").decode(), file.file)
        assert not problems(reading)
        assert scale <= {value for _, value in told(reading)}


def test_a_table_with_formulas():
    text = "Name;Hex;Note\ntidewater;#0B6E6E;ours\n=1+1;#123456;\nbuoy;=A1;\nsky;blueish;\n;;\nlast;#fff;x"
    reading = read_any.read(text, "colors.csv")
    assert reading.kind == "table"
    assert told(reading) == [("tidewater", "#0B6E6E"), ("last", "#FFFFFF")]
    assert [number for number, _ in problems(reading)] == [3, 4, 5]
    assert "Heimat computes none" in problems(reading)[0][1]
    only = read_any.read("name,value\n=A1,#ff0000\n+1,#00ff00")
    assert (only.kind, told(only), len(problems(only))) == ("table", [], 2)
    assert "No heading says color" in problems(read_csv.read("a,b\n1,2"))[0][1]
    assert told(read_any.read('name,color\n"sea, deep","rgb(1, 2, 3)"')) == [
        ("sea, deep", "#010203")
    ]


SVG = """<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg"><style>.a { fill: #0B6E6E }</style>
<rect fill="#DF5A33" style="stroke: rgb(1 2 3)"/><circle fill="none" stroke="url(#g)"/>
<stop stop-color="oops"/></svg>"""


def test_a_drawing():
    reading = read_any.read(SVG, "mark.svg")
    assert reading.kind == "drawing"
    assert {value for _, value in told(reading)} == {"#DF5A33", "#010203", "#0B6E6E"}
    assert "“oops” is not a color" in problems(reading)[0][1]


@pytest.mark.parametrize("encoding", ["foo", "base64", "utf-16", "UTF-7", "idna"])
def test_a_drawing_is_read_whatever_encoding_it_declares(encoding):
    """What arrives as text has been decoded already."""
    reading = read_svg.read(
        f'<?xml version="1.0" encoding="{encoding}"?>\n<svg>\n<rect fill="#123456"/></svg>'
    )
    assert told(reading) == [("", "#123456")]
    broken = read_svg.read(f'<?xml version="1.0"\nencoding="{encoding}"?><svg>\n<rect></svg>')
    assert "broken at line 3" in broken.lines[0].problem


BOMB = '<!DOCTYPE svg [<!ENTITY a "ha"><!ENTITY b "&a;&a;&a;&a;">]><svg>&b;</svg>'
OUTSIDE = '<!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/hostname">]><svg fill="#123456">&x;</svg>'


@pytest.mark.parametrize("text", [BOMB, OUTSIDE], ids=["bomb", "outside"])
def test_drawings_that_reach_for_more_are_not_read(text):
    reading = read_svg.read(text)
    assert not told(reading)
    assert "defines entities or reaches outside itself" in problems(reading)[0][1]


def test_files_of_old_programs_are_decoded():
    text = "mér #123456"
    for encoding in ("utf-8", "utf-8-sig", "utf-16", "cp1252"):
        assert told(read_any.read(read_any.decode(text.encode(encoding)))) == [("mér", "#123456")]
    assert (
        "is not text"
        in problems(read_any.read(read_any.decode(bytes(range(256)) * 8), "x.bin"))[0][1]
    )


def test_more_than_is_shown_is_counted():
    text = "".join(f".c{place} {{ color: #{place:06x} }}\n" for place in range(1000))
    reading = read_css.read(text)
    assert len(reading.lines) == 400
    assert reading.more == 600


@pytest.mark.parametrize(
    "text",
    ["a{b:" * 100_000, "(" * 500_000, ".x{color:#123 " * 50_000, '{"a":' * 50_000],
    ids=["rules", "brackets", "open", "json"],
)
def test_what_is_nested_without_end_is_refused_at_once(text):
    start = time.process_time()
    reading = read_any.read(text)
    assert not told(reading)
    assert problems(reading)
    assert time.process_time() - start < 5.0


def check(reading):
    for line in reading.lines:
        assert (line.color is None) != (line.problem is None)
        assert line.number >= 1


@examples(150)
@given(st.binary(max_size=400), st.sampled_from(["", "a.css", "a.json", "a.csv", "a.svg"]))
def test_any_bytes_are_read_or_refused(content, name):
    check(read_any.read(read_any.decode(content), name))


PIECES = st.sampled_from(
    [
        "{",
        "}",
        "(",
        ")",
        ";",
        ":",
        ",",
        "#fff",
        "#12",
        "--a",
        "color",
        "rgb(",
        "1",
        "%",
        "/*",
        "*/",
        '"',
        "'",
        "\\",
        "@media ",
        "var(--a)",
        "url(",
        "\n",
        "<svg ",
        "fill='",
        ">",
        "</svg>",
        "<",
        "&a;",
        "$value",
        "[",
        "]",
        "{a.b}",
        "name,hex\n",
        "=1",
        "tan",
        "\0",
        "é",
    ]
)


@examples(300)
@given(
    st.lists(PIECES, max_size=60).map("".join),
    st.sampled_from(["", "a.css", "a.json", "a.csv", "a.svg"]),
)
def test_any_structure_is_read_or_refused(text, name):
    check(read_any.read(text, name))


JSON = st.recursive(
    st.none()
    | st.booleans()
    | st.floats()
    | st.integers()
    | st.sampled_from(["#fff", "{a.b}", "{b}", "color", "srgb", "oklch", "x"]),
    lambda inner: (
        st.lists(inner, max_size=4)
        | st.dictionaries(
            st.sampled_from(["a", "b", "$value", "$type", "colorSpace", "components", "alpha"]),
            inner,
            max_size=5,
        )
    ),
    max_leaves=25,
)


@examples(200)
@given(JSON)
def test_any_json_is_a_token_file_or_refused(data):
    check(read_tokens.read(json.dumps(data)))
