"""Color-vision deficiency: what a color looks like to other eyes.

Protan and deutan after Machado, Oliveira and Fernandes 2009 ("A physiologically-based model for simulation of
color vision deficiency", table of matrices), severity 0.1 to 1 in steps of 0.1, interpolated between, in linear
RGB. Tritan after Brettel, Vienot and Mollon 1997: two half-planes in linear RGB, with Smith and Pokorny cones, the
D65 white as neutral and anchors at 485 and 660 nm; its partial severities are an interpolation between original
and simulation in linear RGB, which is an approximation. No color is the luminance of the color as gray.
"""

from collections.abc import Sequence
from typing import Literal, get_args

import numpy as np
from numpy.typing import ArrayLike

from heimat.core.color.arrays import Floats, floats
from heimat.core.color.contrast import WEIGHTS
from heimat.core.color.spaces.srgb import linear_to_srgb, srgb_to_linear

Vision = Literal["protan", "deutan", "tritan", "achromat"]
VISIONS: tuple[Vision, ...] = get_args(Vision)
COLOR_VISIONS: tuple[Vision, ...] = ("protan", "deutan", "tritan")
SEVERITIES: Floats = np.linspace(0.0, 1.0, 11)
"""The severities at which told-apart sets are checked; distance is not monotonic in severity."""

_PROTAN = np.array(
    [
        [
            [0.856167, 0.182038, -0.038205],
            [0.029342, 0.955115, 0.015544],
            [-0.00288, -0.001563, 1.004443],
        ],
        [
            [0.734766, 0.334872, -0.069637],
            [0.05184, 0.919198, 0.028963],
            [-0.004928, -0.004209, 1.009137],
        ],
        [
            [0.630323, 0.465641, -0.095964],
            [0.069181, 0.890046, 0.040773],
            [-0.006308, -0.007724, 1.014032],
        ],
        [
            [0.539009, 0.579343, -0.118352],
            [0.082546, 0.866121, 0.051332],
            [-0.007136, -0.011959, 1.019095],
        ],
        [
            [0.458064, 0.679578, -0.137642],
            [0.092785, 0.846313, 0.060902],
            [-0.007494, -0.016807, 1.024301],
        ],
        [
            [0.38545, 0.769005, -0.154455],
            [0.100526, 0.829802, 0.069673],
            [-0.007442, -0.02219, 1.029632],
        ],
        [
            [0.319627, 0.849633, -0.169261],
            [0.106241, 0.815969, 0.07779],
            [-0.007025, -0.028051, 1.035076],
        ],
        [
            [0.259411, 0.923008, -0.18242],
            [0.110296, 0.80434, 0.085364],
            [-0.006276, -0.034346, 1.040622],
        ],
        [
            [0.203876, 0.990338, -0.194214],
            [0.112975, 0.794542, 0.092483],
            [-0.005222, -0.041043, 1.046265],
        ],
        [
            [0.152286, 1.052583, -0.204868],
            [0.114503, 0.786281, 0.099216],
            [-0.003882, -0.048116, 1.051998],
        ],
    ]
)
_DEUTAN = np.array(
    [
        [
            [0.866435, 0.177704, -0.044139],
            [0.049567, 0.939063, 0.01137],
            [-0.003453, 0.007233, 0.99622],
        ],
        [
            [0.760729, 0.319078, -0.079807],
            [0.090568, 0.889315, 0.020117],
            [-0.006027, 0.013325, 0.992702],
        ],
        [
            [0.675425, 0.43385, -0.109275],
            [0.125303, 0.847755, 0.026942],
            [-0.00795, 0.018572, 0.989378],
        ],
        [
            [0.605511, 0.52856, -0.134071],
            [0.155318, 0.812366, 0.032316],
            [-0.009376, 0.023176, 0.9862],
        ],
        [
            [0.547494, 0.607765, -0.155259],
            [0.181692, 0.781742, 0.036566],
            [-0.01041, 0.027275, 0.983136],
        ],
        [
            [0.498864, 0.674741, -0.173604],
            [0.205199, 0.754872, 0.039929],
            [-0.011131, 0.030969, 0.980162],
        ],
        [
            [0.457771, 0.731899, -0.18967],
            [0.226409, 0.731012, 0.042579],
            [-0.011595, 0.034333, 0.977261],
        ],
        [
            [0.422823, 0.781057, -0.203881],
            [0.245752, 0.709602, 0.044646],
            [-0.011843, 0.037423, 0.974421],
        ],
        [
            [0.392952, 0.82361, -0.216562],
            [0.263559, 0.69021, 0.046232],
            [-0.01191, 0.040281, 0.97163],
        ],
        [
            [0.367322, 0.860646, -0.227968],
            [0.280085, 0.672501, 0.047413],
            [-0.01182, 0.04294, 0.968881],
        ],
    ]
)
_MACHADO = {
    "protan": np.concatenate([np.eye(3)[None], _PROTAN]),
    "deutan": np.concatenate([np.eye(3)[None], _DEUTAN]),
}
_TRITAN_SPLIT = np.array([0.03901, -0.02788, -0.01113])
_TRITAN_ABOVE = np.array(
    [[1.01277, 0.13548, -0.14826], [-0.01243, 0.86812, 0.14431], [0.07589, 0.80500, 0.11911]],
)
_TRITAN_BELOW = np.array(
    [[0.93678, 0.18979, -0.12657], [0.06154, 0.81526, 0.12320], [-0.37562, 1.12767, 0.24796]],
)


def machado_matrix(vision: Literal["protan", "deutan"], severity: float) -> Floats:
    """The (3, 3) matrix in linear RGB for a severity 0 to 1; between published steps, interpolated."""
    table = _MACHADO[vision]
    place = severity * (len(table) - 1)
    low = min(int(place), len(table) - 2)
    share = place - low
    return (1.0 - share) * table[low] + share * table[low + 1]


def _simulate_linear(linear: Floats, vision: Vision, severity: float) -> Floats:
    if vision == "protan" or vision == "deutan":
        return linear @ machado_matrix(vision, severity).T
    if vision == "tritan":
        above = (linear @ _TRITAN_SPLIT >= 0.0)[..., None]
        full = np.where(above, linear @ _TRITAN_ABOVE.T, linear @ _TRITAN_BELOW.T)
    else:
        full = np.broadcast_to((linear @ WEIGHTS)[..., None], linear.shape)
    return linear + severity * (full - linear)


def simulate(srgb: ArrayLike, vision: Vision, severity: float = 1.0) -> Floats:
    """How sRGB colors (..., 3), 0 to 1, look under a vision; same shape, clipped to 0 to 1.

    `severity` runs from 0 (typical vision) to 1 (dichromacy, or no color at all). Raises ValueError for a
    severity outside that range and for a vision that is none of `VISIONS`.
    """
    if not 0.0 <= severity <= 1.0:
        raise ValueError(f"severity runs from 0 to 1, not {severity}")
    if vision not in VISIONS:
        raise ValueError(f"vision is one of {', '.join(VISIONS)}, not {vision}")
    linear = np.clip(_simulate_linear(srgb_to_linear(floats(srgb)), vision, severity), 0.0, 1.0)
    return linear_to_srgb(linear)


def simulate_severities(
    linear: ArrayLike, vision: Vision, places: Sequence[int] = range(11)
) -> Floats:
    """Linear sRGB (..., 3) under a vision at some of `SEVERITIES`, by place: linear, clipped, shape (n, ..., 3)."""
    colors = floats(linear)
    if vision == "protan" or vision == "deutan":
        table = _MACHADO[vision][list(places)]
        seen = colors @ table.transpose(0, 2, 1).reshape(
            (len(table),) + (1,) * (colors.ndim - 2) + (3, 3)
        )
    else:
        full = _simulate_linear(colors, vision, 1.0)
        severities = SEVERITIES[list(places)].reshape((-1,) + (1,) * colors.ndim)
        seen = colors + severities * (full - colors)
    return np.clip(seen, 0.0, 1.0)
