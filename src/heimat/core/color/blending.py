"""Blending colors pairwise by shares, in a chosen space."""

from typing import Literal, get_args

import numpy as np

from heimat.core.color.angles import turn_between
from heimat.core.color.arrays import Floats
from heimat.core.color.contrast import WEIGHTS
from heimat.core.color.gamut import in_gamut, solve
from heimat.core.color.spaces import (
    linear_to_srgb,
    oklab_to_linear,
    oklab_to_oklch,
    oklab_to_srgb,
    oklch_to_oklab,
    srgb_to_linear,
    srgb_to_oklab,
)

MixSpace = Literal["oklab", "oklch", "linear", "srgb"]
MIX_SPACES: tuple[MixSpace, ...] = get_args(MixSpace)
_POWERLESS = 2e-4
"""OKLCH chroma below which a hue is noise; a gray takes the other end's hue, as in CSS Color 4."""


def blend(one: Floats, other: Floats, shares: Floats, space: MixSpace) -> Floats:
    """sRGB colors from `one` (share 0) to `other` (share 1), shapes (..., 3) that broadcast with shares (..., 1).

    In OKLCH the hue goes the shorter way; what leaves the gamut gives up chroma at its own hue and luminance.
    """
    if space != "oklch":
        mixed = unheld(one, other, shares, space)
        return np.clip(mixed, 0.0, 1.0) if space == "oklab" else mixed
    between = _turned(one, other, shares)
    linear = oklab_to_linear(oklch_to_oklab(between))
    srgb = linear_to_srgb(linear)
    held = solve(np.clip(linear @ WEIGHTS, 0.0, 1.0), between[..., 1], between[..., 2])
    return np.where(in_gamut(srgb)[..., None], np.clip(srgb, 0.0, 1.0), held)


def unheld(one: Floats, other: Floats, shares: Floats, space: MixSpace) -> Floats:
    """The same of colors (..., 3) beyond sRGB, held by no gamut: below 0 and above 1 where they leave it."""
    if space == "srgb":
        return np.asarray(one + shares * (other - one))
    if space == "linear":
        start, end = srgb_to_linear(one), srgb_to_linear(other)
        return linear_to_srgb(start + shares * (end - start))
    if space == "oklch":
        return oklab_to_srgb(oklch_to_oklab(_turned(one, other, shares)))
    start, end = srgb_to_oklab(one), srgb_to_oklab(other)
    return oklab_to_srgb(start + shares * (end - start))


def _turned(one: Floats, other: Floats, shares: Floats) -> Floats:
    """The OKLCH colors between two sRGB colors."""
    start, end = np.broadcast_arrays(
        oklab_to_oklch(srgb_to_oklab(one)), oklab_to_oklch(srgb_to_oklab(other))
    )
    start_hue = np.where(start[..., 1] < _POWERLESS, end[..., 2], start[..., 2])
    end_hue = np.where(end[..., 1] < _POWERLESS, start_hue, end[..., 2])
    turn = turn_between(start_hue, end_hue)
    from_ = np.stack([start[..., 0], start[..., 1], start_hue], axis=-1)
    return from_ + shares * np.stack(
        [end[..., 0] - start[..., 0], end[..., 1] - start[..., 1], turn], axis=-1
    )
