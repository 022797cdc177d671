"""Pairs out of a drawing: worst points of gradients, layers composited, sizes that count as large, tokens found."""

import numpy as np
import pytest

from heimat.core.color.color_text import parse
from heimat.core.color.contrast import ratio
from heimat.core.color.exact_color import Color
from heimat.core.legibility.drawn_pairs import Met, drawn_pairs, use_of
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark

RESOLVED = resolve(brinemark())
DAY = RESOLVED.theme("day")


def met(color="#414949", layers=(("#F0F8F8",),), size=16.0, bold=False, part=False):
    return Met(
        "12 min",
        part,
        size,
        bold,
        parse(color),
        tuple(tuple(parse(each) for each in layer) for layer in layers),
    )


def only(*every):
    (found,) = drawn_pairs(RESOLVED, DAY, every)
    return found


@pytest.mark.parametrize(
    ("size", "bold", "use"),
    [
        (23.9, False, "body"),
        (24.0, False, "large"),
        (18.65, True, "body"),
        (18.66, True, "large"),
        (20.0, False, "body"),
    ],
)
def test_large_text_is_what_the_standard_says(size, bold, use):
    assert use_of(met(size=size, bold=bold)) == use
    assert use_of(met(size=size, bold=bold, part=True)) == "part"


def test_a_pair_is_told_by_its_tokens_and_counted_once():
    found = only(met(), met(), met())
    assert (found.count, found.needed) == (3, 4.5)
    names = [RESOLVED.system.tokens[token].name for token in (found.foreground, found.ground)]
    assert names == ["text.faint", "surface.page"]
    assert found.ratio == pytest.approx(
        float(ratio(np.array([0x41, 0x49, 0x49]), np.array([0xF0, 0xF8, 0xF8])))
    )


def test_the_worst_point_of_a_gradient_counts_and_layers_are_composited():
    gradient = only(met("#FFFFFF", (("#000000", "#808080", "#F0F0F0"),)))
    assert gradient.ground8.tolist() == [0xF0, 0xF0, 0xF0]
    veiled = only(met("#000000", (("#00000080",), ("#FFFFFF",))))
    assert veiled.ground8.tolist() == [127, 127, 127]
    bare = only(met("#767676", ()))
    assert bare.ground8.tolist() == [255, 255, 255]
    faint = only(met("#00000080", (("#FFFFFF",),)))
    # A browser may be a level off: the worse one counts.
    assert faint.ratio <= float(ratio(np.array([127, 127, 127]), np.array([255, 255, 255])))


def test_what_falls_short_most_comes_first_and_many_gradients_end():
    layers = tuple(
        tuple(Color.of_bytes((level, level, level)) for level in range(0, 240, 20))
        for _ in range(4)
    )
    faded = tuple(
        tuple(color.model_copy(update={"alpha": 0.5}) for color in layer) for layer in layers
    )
    many = Met("x", False, 16.0, False, parse("#777777"), faded)
    found = drawn_pairs(RESOLVED, DAY, [met("#000000"), many, met("#999999")])
    shares = [pair.ratio / pair.needed for pair in found]
    assert shares == sorted(shares)
    assert len(found) == 3
