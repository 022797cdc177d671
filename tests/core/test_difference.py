"""CIEDE2000: the 34 published pairs, and a general library."""

import colour
import numpy as np
import pytest

from heimat.core.color.ciede2000 import ciede2000

# Sharma, Wu and Dalal 2005, table 1: L*, a*, b* of both colors and the difference to four decimals.
SHARMA = np.array(
    [
        [50.0000, 2.6772, -79.7751, 50.0000, 0.0000, -82.7485, 2.0425],
        [50.0000, 3.1571, -77.2803, 50.0000, 0.0000, -82.7485, 2.8615],
        [50.0000, 2.8361, -74.0200, 50.0000, 0.0000, -82.7485, 3.4412],
        [50.0000, -1.3802, -84.2814, 50.0000, 0.0000, -82.7485, 1.0000],
        [50.0000, -1.1848, -84.8006, 50.0000, 0.0000, -82.7485, 1.0000],
        [50.0000, -0.9009, -85.5211, 50.0000, 0.0000, -82.7485, 1.0000],
        [50.0000, 0.0000, 0.0000, 50.0000, -1.0000, 2.0000, 2.3669],
        [50.0000, -1.0000, 2.0000, 50.0000, 0.0000, 0.0000, 2.3669],
        [50.0000, 2.4900, -0.0010, 50.0000, -2.4900, 0.0009, 7.1792],
        [50.0000, 2.4900, -0.0010, 50.0000, -2.4900, 0.0010, 7.1792],
        [50.0000, 2.4900, -0.0010, 50.0000, -2.4900, 0.0011, 7.2195],
        [50.0000, 2.4900, -0.0010, 50.0000, -2.4900, 0.0012, 7.2195],
        [50.0000, -0.0010, 2.4900, 50.0000, 0.0009, -2.4900, 4.8045],
        [50.0000, -0.0010, 2.4900, 50.0000, 0.0010, -2.4900, 4.8045],
        [50.0000, -0.0010, 2.4900, 50.0000, 0.0011, -2.4900, 4.7461],
        [50.0000, 2.5000, 0.0000, 50.0000, 0.0000, -2.5000, 4.3065],
        [50.0000, 2.5000, 0.0000, 73.0000, 25.0000, -18.0000, 27.1492],
        [50.0000, 2.5000, 0.0000, 61.0000, -5.0000, 29.0000, 22.8977],
        [50.0000, 2.5000, 0.0000, 56.0000, -27.0000, -3.0000, 31.9030],
        [50.0000, 2.5000, 0.0000, 58.0000, 24.0000, 15.0000, 19.4535],
        [50.0000, 2.5000, 0.0000, 50.0000, 3.1736, 0.5854, 1.0000],
        [50.0000, 2.5000, 0.0000, 50.0000, 3.2972, 0.0000, 1.0000],
        [50.0000, 2.5000, 0.0000, 50.0000, 1.8634, 0.5757, 1.0000],
        [50.0000, 2.5000, 0.0000, 50.0000, 3.2592, 0.3350, 1.0000],
        [60.2574, -34.0099, 36.2677, 60.4626, -34.1751, 39.4387, 1.2644],
        [63.0109, -31.0961, -5.8663, 62.8187, -29.7946, -4.0864, 1.2630],
        [61.2901, 3.7196, -5.3901, 61.4292, 2.2480, -4.9620, 1.8731],
        [35.0831, -44.1164, 3.7933, 35.0232, -40.0716, 1.5901, 1.8645],
        [22.7233, 20.0904, -46.6940, 23.0331, 14.9730, -42.5619, 2.0373],
        [36.4612, 47.8580, 18.3852, 36.2715, 50.5065, 21.2231, 1.4146],
        [90.8027, -2.0831, 1.4410, 91.1528, -1.6435, 0.0447, 1.4441],
        [90.9257, -0.5406, -0.9208, 88.6381, -0.8985, -0.7239, 1.5381],
        [6.7747, -0.2908, -2.4247, 5.8714, -0.0985, -2.2286, 0.6377],
        [2.0776, 0.0795, -1.1350, 0.9033, -0.0636, -0.5514, 0.9082],
    ]
)


def test_the_published_pairs():
    found = ciede2000(SHARMA[:, :3], SHARMA[:, 3:6])
    assert np.abs(found - SHARMA[:, 6]).max() < 5.1e-5
    assert np.abs(found - ciede2000(SHARMA[:, 3:6], SHARMA[:, :3])).max() < 1e-9


def test_as_colour_science_over_random_pairs():
    rng = np.random.default_rng(3)
    one = rng.uniform([0, -100, -100], [100, 100, 100], (3000, 3))
    other = rng.uniform([0, -100, -100], [100, 100, 100], (3000, 3))
    expected = colour.difference.delta_E_CIE2000(one, other)
    assert np.abs(ciede2000(one, other) - expected).max() < 1e-6


def test_all_pairs_broadcast():
    labs = np.random.default_rng(4).uniform(0, 50, (7, 3))
    matrix = ciede2000(labs[:, None], labs[None, :])
    assert matrix.shape == (7, 7)
    assert np.allclose(np.diag(matrix), 0.0)


def test_hues_that_are_exactly_opposite_have_half_the_sum_of_their_angles_between_them():
    """As the standard counts, where the sum of both vectors says nothing: with the formula's own angles, one by one."""
    for a, b, longer in [
        (2.49, -0.001, 1.0),
        (40.0, 30.0, 1.0),
        (-12.0, 5.0, 1.0),
        (40.0, -30.0, 2.0),
        (7.0, 0.0, 3.0),
    ]:
        one, other = (50.0, a, b), (60.0, -longer * a, -longer * b)
        assert float(ciede2000(one, other)) == pytest.approx(_by_angles(one, other), abs=1e-9)


def _by_angles(one, other):
    """For opposite hues of the same stretch, the formula as it is printed."""
    (l1, a1, b1), (l2, a2, b2) = one, other
    shared = ((np.hypot(a1, b1) + np.hypot(a2, b2)) / 2.0) ** 7
    stretch = 1.5 - 0.5 * np.sqrt(shared / (shared + 25.0**7))
    c1, c2 = np.hypot(a1 * stretch, b1), np.hypot(a2 * stretch, b2)
    h1 = np.degrees(np.arctan2(b1, a1 * stretch)) % 360.0
    h2 = (h1 + 180.0) % 360.0
    light, chroma, mean = (l1 + l2) / 2.0, (c1 + c2) / 2.0, np.radians((h1 + h2) / 2.0)
    across = 2.0 * np.sqrt(c1 * c2) * np.sin(np.radians((h2 - h1) / 2.0))
    waves = ((-0.17, 1, -30), (0.24, 2, 0), (0.32, 3, 6), (-0.20, 4, -63))
    t = 1.0 + sum(share * np.cos(times * mean + np.radians(turn)) for share, times, turn in waves)
    x = (l2 - l1) / (1.0 + 0.015 * (light - 50.0) ** 2 / np.sqrt(20.0 + (light - 50.0) ** 2))
    y, z = (c2 - c1) / (1.0 + 0.045 * chroma), across / (1.0 + 0.015 * chroma * t)
    bend = -np.sin(np.radians(60.0 * np.exp(-(((np.degrees(mean) - 275.0) / 25.0) ** 2))))
    return np.sqrt(
        x * x + y * y + z * z + 2.0 * bend * np.sqrt(chroma**7 / (chroma**7 + 25.0**7)) * y * z
    )
