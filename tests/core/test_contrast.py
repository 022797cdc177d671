"""WCAG contrast: worked examples, the grid of thresholds, and what is printed."""

import numpy as np
import pytest
from hypothesis import given

from heimat.core.color import contrast
from tests.core.strategies import rgb8


def test_worked_examples():
    # Black and white by definition; #767676 is the lightest gray that reaches 4.5 on white: 1.05 / (0.18116 + 0.05).
    assert contrast.ratio([0, 0, 0], [255, 255, 255]) == pytest.approx(21.0, abs=1e-12)
    assert contrast.cut(contrast.ratio([0x76] * 3, [255] * 3)) == "4.54"
    assert contrast.cut(contrast.ratio([0x77] * 3, [255] * 3)) == "4.47"
    # The demo's signal color on white.
    assert contrast.cut(contrast.ratio([0xDF, 0x5A, 0x33], [255] * 3)) == "3.71"


@given(rgb8)
def test_a_label_is_the_better_of_black_and_white(color):
    black, white = (contrast.ratio(color, [level] * 3) for level in (0, 255))
    is_black, reached = contrast.label_on(np.array([color]))
    assert (bool(is_black[0]), float(reached[0])) == (black >= white, max(black, white))
    assert reached[0] >= contrast.AA_TEXT


def test_against_the_definition_written_out():
    rng = np.random.default_rng(2)
    one, other = rng.integers(0, 256, (2, 300, 3))

    def luminance(color):
        parts = [
            c / 12.92 if c <= 0.04045 else ((c + 0.055) / 1.055) ** 2.4
            for c in (level / 255 for level in color)
        ]
        return 0.2126 * parts[0] + 0.7152 * parts[1] + 0.0722 * parts[2]

    expected = []
    for a, b in zip(one, other, strict=True):
        high, low = sorted((luminance(a), luminance(b)), reverse=True)
        expected.append((high + 0.05) / (low + 0.05))
    assert np.abs(contrast.ratio(one, other) - expected).max() < 1e-12


@given(rgb8, rgb8)
def test_symmetric_and_bounded(one, other):
    there, back = float(contrast.ratio(one, other)), float(contrast.ratio(other, one))
    assert there == back
    assert 1.0 <= there <= 21.0 + 1e-9


def test_broadcasting():
    matrix = contrast.ratio(
        np.zeros((4, 1, 3), dtype=np.uint8), np.full((1, 5, 3), 255, dtype=np.uint8)
    )
    assert matrix.shape == (4, 5)
    assert matrix.dtype == np.float64


@pytest.mark.parametrize(
    ("value", "grade", "text"),
    [
        (21.0, "AAA", "21.00"),
        (7.0, "AAA", "7.00"),
        (6.9999, "AA", "6.99"),
        (4.5, "AA", "4.50"),
        (4.499, "large", "4.49"),
        (3.0, "large", "3.00"),
        (2.9999999, "under 3", "2.99"),
        (1.0, "under 3", "1.00"),
    ],
)
def test_nothing_is_rounded_up(value, grade, text):
    assert contrast.grade(value) == grade
    assert contrast.cut(value) == text


@pytest.mark.parametrize("lighter", [True, False])
def test_luminance_reaching(lighter):
    ground = 0.2
    found = float(contrast.luminance_reaching(4.5, ground, lighter=lighter))
    assert (
        contrast.ratio_of_luminances(found, ground) == pytest.approx(4.5)
        if found >= 0
        else found < 0
    )


def test_levels_out_of_range_are_refused():
    with pytest.raises(IndexError):
        contrast.relative_luminance([256, 0, 0])
