"""Overlays and solids: each way by brute force and against a general library."""

import numpy as np
from coloraide import Color as Css
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.notation import format
from heimat.core.color.overlay import alpha_as_published, least_overlay, overlay_of, solid
from tests.core.strategies import rgb8

BLACK, WHITE = np.zeros(3, dtype=np.uint8), np.full(3, 255, dtype=np.uint8)


def bytes_of(levels):
    return np.array(levels, dtype=np.uint8)


def test_black_at_six_percent_on_white():
    assert solid(BLACK, 0.06, WHITE).tolist() == [240, 240, 240]
    assert solid(bytes_of((11, 110, 110)), 0.0, WHITE).tolist() == [255, 255, 255]


@given(rgb8, st.integers(0, 1000), rgb8)
def test_solids_are_what_a_general_library_composites(color, thousandths, ground):
    alpha = thousandths / 1000
    top = Css("srgb", [level / 255 for level in color], alpha)
    theirs = Css.layer([top, Css("srgb", [level / 255 for level in ground])], space="srgb").coords()
    # Halves may be rounded either way.
    assert (
        np.abs(solid(bytes_of(color), alpha, bytes_of(ground)) - np.array(theirs) * 255.0).max()
        <= 0.5 + 1e-6
    )


@given(rgb8, rgb8)
def test_the_least_overlay_gives_the_tint_to_the_bit_and_no_lesser_one_does(tint, ground):
    tint8, ground8 = bytes_of(tint), bytes_of(ground)
    found = least_overlay(tint8, ground8)
    assert solid(found.rgb8, found.alpha, ground8).tolist() == list(tint)
    # Two percent less, and some channel could not be reached, not even by 0 or 255.
    lesser = found.alpha - 0.02
    if lesser > 0.0:
        reach = np.stack([solid(BLACK, lesser, ground8), solid(WHITE, lesser, ground8)]).astype(int)
        assert ((tint8 < reach[0]) | (tint8 > reach[1])).any()


def test_one_color_comes_as_near_as_it_can():
    found = overlay_of(BLACK, bytes_of((240, 240, 240)), WHITE)
    assert (found.solid.tolist(), found.distance) == ([240, 240, 240], 0.0)
    assert 0.057 <= found.alpha <= 0.061
    off = overlay_of(BLACK, bytes_of((230, 240, 250)), WHITE)
    assert off.distance > 3.0


@given(rgb8, rgb8)
def test_an_overlay_said_to_be_exact_is_exact_as_hex_holds_it(tint, ground):
    """What is published is the hex value: read back, it gives the same solid to the bit."""
    found = least_overlay(bytes_of(tint), bytes_of(ground))
    written = parse(
        format(Color.of_bytes(found.rgb8).model_copy(update={"alpha": found.alpha}), "hex")
    )
    assert written.alpha == alpha_as_published(found.alpha) == found.alpha
    assert solid(rgb8_of(written), written.alpha, bytes_of(ground)).tolist() == list(tint)
