"""Reading and writing colors."""

import re

import numpy as np
import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from heimat.core.color.color_lines import read_lines
from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import Color, rgb8_of, srgb_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.notation import NOTATIONS, format
from heimat.core.color.spaces import srgb_to_linear, srgb_to_oklch
from heimat.core.errors import DomainError
from tests.core.strategies import rgb8

TEAL = [0x0B, 0x6E, 0x6E]


@pytest.mark.parametrize(
    "text",
    [
        "#0B6E6E",
        "0b6e6e",
        "#0b6e6eff",
        "rgb(11 110 110)",
        "rgb(11, 110, 110)",
        "rgba(11, 110, 110, 1)",
        "hsl(180 81.82% 23.73%)",
        "hwb(180 4.31% 56.86%)",
        "hsb(180 90% 43.14%)",
        "HSV 180, 90, 43.14",
        "lab(41.529 -26.478 -7.864)",
        "lch(41.529 27.621 196.541)",
        "oklab(0.48855 -0.07814 -0.02069)",
        "oklch(0.48855 0.08083 194.832)",
        "color(display-p3 0.19122 0.42473 0.42797)",
        "color(srgb 0.0431373 0.4313725 0.4313725)",
        "  #0B6E6E ; ",
    ],
)
def test_every_notation_reads_the_same(text):
    assert rgb8_of(parse(text)).tolist() == TEAL


@pytest.mark.parametrize(
    ("text", "expected"),
    [
        ("#fff", [255, 255, 255]),
        ("rebeccapurple", [102, 51, 153]),
        ("hsl(0.5turn 100% 50%)", [0, 255, 255]),
        ("rgb(300 -5 0)", [255, 0, 0]),
        ("hsb(0 200% 100%)", [255, 0, 0]),
    ],
)
def test_other_values(text, expected):
    assert rgb8_of(parse(text)).tolist() == expected


def test_alpha():
    assert parse("#0B6E6E80").alpha == pytest.approx(128 / 255)
    assert parse("rgb(11 110 110 / 50%)").alpha == 0.5
    assert format(parse("rgb(11 110 110 / 50%)"), "rgb") == "rgb(11 110 110 / 0.5)"


@given(rgb8)
@example((0, 0, 0))
@example((255, 255, 255))
def test_what_is_written_reads_back_to_the_bit(levels):
    color = Color.of_bytes(levels)
    for notation in NOTATIONS:
        text = format(color, notation)
        if text:
            assert rgb8_of(parse(text)).tolist() == list(levels), (notation, text)


def test_beyond_srgb_the_source_is_kept_and_the_published_value_keeps_hue_and_luminance():
    color = parse("color(display-p3 0 1 0)")
    assert color.components == (0.0, 1.0, 0.0)
    exact, published = srgb_of(color), rgb8_of(color) / 255.0
    weights = [0.2126, 0.7152, 0.0722]
    assert srgb_to_linear(published) @ weights == pytest.approx(
        srgb_to_linear(exact) @ weights, abs=0.005
    )
    assert srgb_to_oklch(published)[2] == pytest.approx(srgb_to_oklch(exact)[2], abs=1.5)


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ("", "Type a color"),
        ("tealish", "not a color"),
        ("#12345", "not a color"),
        ("device-cmyk(0 0 0 1)", "Print colors"),
        ("cmyk 10 20 30 40", "Print colors"),
        ("x" * 500, "too long"),
        ("rgb(1e400 0 0)", "not a color"),
    ],
)
def test_what_cannot_be_read_is_said_with_an_example(text, words):
    with pytest.raises(DomainError) as refused:
        parse(text)
    assert words in refused.value.message
    assert "#0B6E6E" in refused.value.message


@given(st.text(max_size=200))
def test_reading_never_fails_otherwise(text):
    try:
        color = parse(text)
    except DomainError:
        pass
    else:
        assert np.isfinite(srgb_of(color)).all()
    for line in read_lines(text):
        assert (line.color is None) == (line.problem is not None)


def test_lines_with_words():
    lines = read_lines(
        "tidewater #0B6E6E\nbuoy: rgb(223, 90, 51); --gorse: #DFAF3A;\nnothing here\n#fff #000\nhsb 180 90 43 sea"
    )
    assert [line.name for line in lines] == ["tidewater", "buoy", "gorse", "", "", "sea"]
    assert [line.color is not None for line in lines] == [True, True, True, False, False, True]
    assert "No color found" in (lines[3].problem or "")
    assert "More than one" in (lines[4].problem or "")


def test_bare_colors_parted_by_spaces():
    assert [line.color is not None for line in read_lines("#0B6E6E #DF5A33 gold")] == [
        True,
        True,
        True,
    ]


@pytest.mark.parametrize("space", ["lab", "lch", "oklab", "oklch"])
def test_at_the_ends_of_lightness_there_is_white_and_black_alone(space):
    """As CSS maps to a gamut, whatever chroma is asked for."""
    rest = "0.3 20" if space.startswith("ok") else "110 60"
    for light, means in (
        ("100%", "#FFFFFF"),
        ("140%", "#FFFFFF"),
        ("0%", "#000000"),
        ("0", "#000000"),
    ):
        assert hex_of(rgb8_of(parse(f"{space}({light} {rest})"))) == means


def test_alpha_is_written_with_halves_up_however_it_was_typed():
    for text in ("rgb(11 110 110 / 30%)", "rgb(11 110 110 / .3)", "rgba(11, 110, 110, 0.3)"):
        assert format(parse(text), "hex") == "#0B6E6E4D"
    for percent in range(100):
        written = format(parse(f"rgb(0 0 0 / {percent}%)"), "hex")
        assert written == f"#000000{(percent * 255 * 2 + 100) // 200:02X}"


@pytest.mark.parametrize(
    "text",
    ["rgb(calc(1 * 2) 3 4)", "oklch(min(0.5, 0.6) 0.1 20)", "color-mix(in oklab, red, blue)"],
)
def test_what_is_to_be_computed_is_refused_in_words(text):
    with pytest.raises(DomainError, match=f"{re.escape(text)}.* is to be computed first"):
        parse(text)
