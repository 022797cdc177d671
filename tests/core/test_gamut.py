"""Colors of a given luminance and hue, and their 8-bit values."""

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.color.contrast import WEIGHTS, relative_luminance
from heimat.core.color.gamut import MORE_THAN_ANY_CHROMA, in_gamut, solve
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import lightness, srgb_to_linear, srgb_to_oklch

RNG = np.random.default_rng(6)
Y, CHROMA, HUE = (
    RNG.uniform(0.003, 0.97, 5000),
    RNG.uniform(0.0, 0.35, 5000),
    RNG.uniform(0, 360, 5000),
)


def turn(one, other):
    return np.abs((one - other + 180.0) % 360.0 - 180.0)


def test_luminance_and_hue_are_kept_and_chroma_is_at_most_what_was_asked():
    found = solve(Y, CHROMA, HUE)
    lch = srgb_to_oklch(found)
    assert in_gamut(found).all()
    assert np.abs(srgb_to_linear(found) @ WEIGHTS - Y).max() < 1e-8
    assert (lch[:, 1] <= CHROMA + 1e-6).all()
    assert turn(lch[:, 2], HUE)[lch[:, 1] > 0.02].max() < 1e-4


def test_chroma_is_given_up_only_to_the_gamut():
    found = srgb_to_oklch(solve(Y, CHROMA, HUE))[:, 1]
    lost = CHROMA - found > 1e-4
    # Where chroma was lost, a little more of it leaves the gamut: the color lies on the edge.
    edge = solve(Y[lost], MORE_THAN_ANY_CHROMA, HUE[lost])
    assert np.abs(srgb_to_oklch(edge)[:, 1] - found[lost]).max() < 1e-5
    assert np.minimum(edge.min(axis=1), 1.0 - edge.max(axis=1)).max() < 1e-3


@given(st.floats(0, 1), st.floats(0, 0.4), st.floats(0, 360))
def test_never_outside(luminance, chroma, hue):
    found = solve(luminance, chroma, hue)
    assert found.shape == (3,)
    assert ((found >= 0.0) & (found <= 1.0)).all()


def test_near_the_blue_primary_and_in_the_dark():
    luminance, hue = np.meshgrid(np.linspace(0.0005, 0.1, 40), np.linspace(255.0, 272.0, 35))
    found = solve(luminance, 0.4, hue)
    assert in_gamut(found).all()
    assert np.abs(srgb_to_linear(found) @ WEIGHTS - luminance).max() < 1e-8


def test_the_edge_is_the_first_and_is_found_as_finely_as_said():
    hue = np.concatenate([RNG.uniform(0.0, 360.0, 4000), RNG.uniform(258.0, 268.0, 4000)])
    luminance = RNG.uniform(0.0, 1.0, 8000) ** 2
    strongest = solve(luminance, MORE_THAN_ANY_CHROMA, hue, passes=7)
    edge = srgb_to_oklch(strongest)[:, 1]
    for share in np.linspace(0.05, 1.0, 20):
        # Whatever is weaker than the edge is inside, and is found with the chroma that was asked for.
        reached = srgb_to_oklch(solve(luminance, edge * share, hue, passes=7))[:, 1]
        assert np.abs(reached - edge * share).max() < 1e-6
    beyond = srgb_to_oklch(solve(luminance, edge + 1e-4, hue, passes=7))[:, 1]
    assert np.abs(beyond - edge).max() < 1e-6


def test_eight_bit_values_keep_the_hue():
    wanted = solve(Y, CHROMA, HUE)
    chosen = nearest_bytes(wanted)
    aim, got = srgb_to_oklch(wanted), srgb_to_oklch(chosen / 255.0)
    off = turn(got[:, 2], aim[:, 2])[aim[:, 1] > 0.02]
    assert (off > 2.0).mean() < 0.001
    assert off.max() < 4.0
    assert np.abs(lightness(relative_luminance(chosen)) - lightness(Y)).max() < 0.6


def test_grays_stay_gray_and_eight_bit_values_stay_themselves():
    grays = nearest_bytes(solve(np.linspace(0, 1, 200), 0.0, 30.0))
    assert (np.ptp(grays, axis=1) == 0).all()
    exact = RNG.integers(0, 256, (2000, 3)).astype(np.uint8)
    assert (nearest_bytes(exact / 255.0) == exact).all()
