"""HSL lightness: steps at the hue and saturation of the source."""

import numpy as np

from heimat.core.color.arrays import Floats, from_bytes
from heimat.core.color.exact_color import rgb8_of, srgb_of
from heimat.core.color.gamut import in_gamut
from heimat.core.color.spaces import hsl_to_srgb, srgb_to_hsl, srgb_to_oklch
from heimat.core.scales.anchors import stretch
from heimat.core.scales.methods.drafts import Draft, Given, MethodKind, of_colors, resolved
from heimat.core.scales.methods.settings import Settings, TypedValues


class HslLightness(Settings):
    """HSL lightness 0 to 100 of steps, at the source's hue and saturation; those not typed follow the ladder's aims.

    The saturation of a dark color says little of how strong it looks: that of #010001 is 100, and its tints are neon.
    With `no_stronger`, no tint has more OKLCH chroma than the source.
    """

    no_stronger: bool = False
    targets: TypedValues = ()


def _draft(given: Given, settings: HslLightness) -> Draft:
    hsl = srgb_to_hsl(from_bytes(rgb8_of(given.source)))
    place = given.place
    lights = given.aims.copy()
    if given.anchor != "guide":
        main = given.counted.copy()
        main[place] = True
        stretched = stretch(given.aims[main], float(hsl[2]) * 100.0, int(main[:place].sum()))
        lights = np.interp(-given.aims, -given.aims[main], stretched)
    for at, value in given.typed.items():
        lights[at] = value
    exact = srgb_of(given.source)
    wide = None if in_gamut(exact) else _at_lightness(srgb_to_hsl(exact), lights)
    srgb = _at_lightness(hsl, lights)
    if settings.no_stronger:
        _, chroma, hue = np.moveaxis(srgb_to_oklch(srgb), -1, 0)
        own = float(srgb_to_oklch(from_bytes(rgb8_of(given.source)))[1])
        stronger = (chroma > own) & (lights > float(hsl[2]) * 100.0)
        srgb = np.where(stronger[:, None], resolved(srgb, np.minimum(chroma, own), hue), srgb)
    return of_colors(srgb, None if given.anchor == "guide" else place, lights, wide)


def _at_lightness(hsl: Floats, lights: Floats) -> Floats:
    """sRGB colors (n, 3) of the hue and saturation of an HSL color, and of some HSL lightness 0 to 100, (n,)."""
    hue, saturation, _ = np.broadcast_to(hsl, (len(lights), 3)).T
    return hsl_to_srgb(np.stack([hue, saturation, lights / 100.0], axis=-1))


KIND = MethodKind(
    "hsl",
    "HSL lightness",
    "HSL lightness steps at the source’s own hue and saturation. Familiar; hues differ in how light they look.",
    _draft,
)
