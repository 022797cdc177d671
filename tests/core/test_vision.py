"""Vision: published matrices by way of a general library, grays that stay, and the demo's trap."""

import colour
import numpy as np
import pytest

from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.spaces import linear_to_srgb, srgb_to_lab, srgb_to_linear
from heimat.core.color.vision import (
    COLOR_VISIONS,
    SEVERITIES,
    VISIONS,
    machado_matrix,
    simulate,
    simulate_severities,
)
from tests.core.strategies import all_corners_and_random

SRGB = all_corners_and_random(300) / 255.0
NAMES = {"protan": "Protanomaly", "deutan": "Deuteranomaly"}


@pytest.mark.parametrize("vision", ["protan", "deutan"])
def test_machado_as_colour_science(vision):
    table = colour.blindness.CVD_MATRICES_MACHADO2010[NAMES[vision]]
    for severity in SEVERITIES:
        assert (
            np.abs(machado_matrix(vision, float(severity)) - table[round(float(severity), 1)]).max()
            < 1e-9
        )
    halfway = (table[0.4] + table[0.5]) / 2.0
    assert np.abs(machado_matrix(vision, 0.45) - halfway).max() < 1e-9


def test_tritan_half_planes_meet():
    # Where the two half-planes touch, both matrices give the same color: n . rgb = 0.
    normal = np.array([0.03901, -0.02788, -0.01113])
    rng = np.random.default_rng(5)
    linear = rng.uniform(0.05, 0.9, (200, 3))
    linear[:, 0] = (0.02788 * linear[:, 1] + 0.01113 * linear[:, 2]) / 0.03901
    linear = linear[linear[:, 0] < 1.0]
    above = simulate(linear_to_srgb(linear + 1e-7 * normal), "tritan")
    below = simulate(linear_to_srgb(linear - 1e-7 * normal), "tritan")
    # The published constants have five decimals.
    assert np.abs(above - below).max() < 2e-3


@pytest.mark.parametrize("vision", VISIONS)
def test_properties(vision):
    grays = np.repeat(np.linspace(0, 1, 21)[:, None], 3, axis=1)
    assert np.abs(simulate(grays, vision) - grays).max() < 2e-3
    assert np.abs(simulate(SRGB, vision, 0.0) - SRGB).max() < 1e-12
    full = simulate(SRGB, vision)
    assert full.shape == SRGB.shape
    assert full.min() >= 0.0
    assert full.max() <= 1.0


def test_no_color_is_the_luminance_as_gray():
    seen = simulate(SRGB, "achromat")
    assert np.abs(seen - seen[:, :1]).max() < 1e-12
    luminance = srgb_to_linear(SRGB) @ [0.2126, 0.7152, 0.0722]
    assert np.abs(srgb_to_linear(seen[:, 0]) - luminance).max() < 1e-9


@pytest.mark.parametrize("vision", COLOR_VISIONS)
def test_all_severities_at_once(vision):
    together = linear_to_srgb(simulate_severities(srgb_to_linear(SRGB), vision))
    for place, severity in enumerate(SEVERITIES):
        assert np.abs(together[place] - simulate(SRGB, vision, float(severity))).max() < 1e-9


def test_kelp_and_flare():
    colors = np.array([[0x3F, 0x8F, 0x4F], [0xBF, 0x36, 0x50]]) / 255.0
    typical = float(ciede2000(*srgb_to_lab(colors)))
    deutan = float(ciede2000(*srgb_to_lab(simulate(colors, "deutan"))))
    assert typical == pytest.approx(65.0, abs=1.0)
    assert deutan == pytest.approx(3.0, abs=0.5)


@pytest.mark.parametrize(
    ("vision", "severity"), [("protan", 1.1), ("protan", -0.1), ("tetra", 1.0)]
)
def test_what_is_refused(vision, severity):
    with pytest.raises(ValueError, match=r"severity|vision"):
        simulate([0.5, 0.5, 0.5], vision, severity)
