"""Spaces against two general libraries. Theirs carry matrices of other roundings, hence the tolerances."""

import colour
import numpy as np
import pytest
from coloraide.everything import ColorAll

from heimat.core.color import spaces
from tests.core.strategies import all_corners_and_random

SRGB = all_corners_and_random(200) / 255.0


def by_coloraide(space: str) -> np.ndarray:
    return np.array(
        [ColorAll("srgb", list(color)).convert(space).coords(nans=False) for color in SRGB]
    )


PAIRS = [
    # (ours, coloraide's name, tolerance): both use the matrices of CSS Color 4.
    (spaces.srgb_to_oklab, "oklab", 1e-9),
    (spaces.srgb_to_lab, "lab-d65", 1e-6),
    (spaces.srgb_to_xyz, "xyz-d65", 1e-9),
    (spaces.srgb_to_p3, "display-p3", 1e-9),
    (spaces.srgb_to_linear, "srgb-linear", 1e-12),
]


@pytest.mark.parametrize(("ours", "name", "tolerance"), PAIRS, ids=[pair[1] for pair in PAIRS])
def test_as_coloraide(ours, name, tolerance):
    assert np.abs(ours(SRGB) - by_coloraide(name)).max() < tolerance


@pytest.mark.parametrize(
    ("ours", "name"), [(spaces.srgb_to_hsl, "hsl"), (spaces.srgb_to_hsv, "hsv")]
)
def test_hexcones_as_coloraide(ours, name):
    found, expected = ours(SRGB), by_coloraide(name)
    turn = (found[:, 0] - expected[:, 0] + 180.0) % 360.0 - 180.0
    colored = expected[:, 1] > 1e-9
    assert np.abs(turn[colored]).max() < 1e-9
    assert np.abs(found[:, 1:] - expected[:, 1:]).max() < 1e-12


def test_lab_as_colour_science():
    # colour-science takes the matrix of IEC 61966-2-1 as printed, with four decimals: up to 0.021 of a unit.
    d65 = colour.CCS_ILLUMINANTS["CIE 1931 2 Degree Standard Observer"]["D65"]
    expected = colour.XYZ_to_Lab(colour.sRGB_to_XYZ(SRGB), d65)
    assert np.abs(spaces.srgb_to_lab(SRGB) - expected).max() < 0.03


@pytest.mark.parametrize(
    ("there", "back"),
    [
        (spaces.srgb_to_oklch, spaces.oklch_to_srgb),
        (spaces.srgb_to_oklab, spaces.oklab_to_srgb),
        (spaces.srgb_to_lab, spaces.lab_to_srgb),
        (spaces.srgb_to_xyz, spaces.xyz_to_srgb),
        (spaces.srgb_to_p3, spaces.p3_to_srgb),
        (spaces.srgb_to_hsl, spaces.hsl_to_srgb),
        (spaces.srgb_to_hsv, spaces.hsv_to_srgb),
    ],
    ids=["oklch", "oklab", "lab", "xyz", "display-p3", "hsl", "hsv"],
)
def test_there_and_back(there, back):
    assert np.abs(back(there(SRGB)) - SRGB).max() < 1e-7


def test_shapes_are_kept():
    for shape in ((3,), (2, 3), (4, 5, 3)):
        block = np.full(shape, 0.25)
        assert spaces.srgb_to_oklch(block).shape == shape
        assert spaces.oklch_to_srgb(block).shape == shape


def test_lightness_and_luminance_are_inverse():
    light = np.linspace(0, 100, 1001)
    assert np.abs(spaces.lightness(spaces.luminance_of(light)) - light).max() < 1e-9
