"""Even lightness: every step falls by the same L*."""

from heimat.core.scales.methods.drafts import Draft, Given, MethodKind, by_lightness


def _draft(given: Given, settings: None) -> Draft:
    del settings
    return by_lightness(given, given.aims, None)


KIND = MethodKind(
    "even",
    "even lightness",
    "Every step falls by the same L*; labels share their contrast across hues. Good where swaps must be safe.",
    _draft,
)
