"""What may stand on a ground, as the page shows it."""

from typing_extensions import TypedDict

from heimat.core.color.arrays import Bytes
from heimat.core.color.contrast import cut
from heimat.core.color.hex_notation import hex_of
from heimat.core.legibility.standing_field import (
    HUES,
    STRENGTHS,
    best_possible,
    fields,
    grounds_allowing,
)
from heimat.view.eyes import Eyes, SwatchView


class FieldView(TypedDict):
    """Colors that pass, a row a strength, a column a hue; null where the gamut holds no such color."""

    words: str
    limit: float
    lighter: bool
    rows: list[list[SwatchView | None]]


class StandingFieldView(TypedDict):
    """What may stand on a ground: the fields of colors, and a sentence."""

    ground: SwatchView
    sentence: str
    hues: list[float]
    strengths: list[float]
    fields: list[FieldView]


def standing_field_view(ground8: Bytes, level: float, eyes: Eyes) -> StandingFieldView:
    """All that reaches a level on a ground."""
    found = fields(ground8, level)
    return {
        "ground": eyes.swatch(ground8),
        "sentence": _sentence(ground8, level, [(each.limit, each.lighter) for each in found]),
        "hues": HUES.tolist(),
        "strengths": STRENGTHS.tolist(),
        "fields": [
            {
                "words": f"lighter, from L* {each.limit:.1f} up"
                if each.lighter
                else f"darker, up to L* {each.limit:.1f}",
                "limit": each.limit,
                "lighter": each.lighter,
                "rows": [
                    [
                        swatch if there else None
                        for swatch, there in zip(eyes.swatches(row), kept.tolist(), strict=True)
                    ]
                    for row, kept in zip(each.rgb8, each.there, strict=True)
                ],
            }
            for each in found
        ],
    }


def _sentence(ground8: Bytes, level: float, found: list[tuple[float, bool]]) -> str:
    name = hex_of(ground8)
    if not found:
        dark, light = grounds_allowing(level)
        return (
            f"No color reaches {level:g} on {name}: the most is {cut(best_possible(ground8))}. "
            f"A ground up to L* {dark:.1f}, or from L* {light:.1f} on, would allow it."
        )
    ways = " and ".join(_way(limit, lighter) for limit, lighter in found)
    return f"On {name}, {level:g} is reached {ways}, whatever the hue."


def _way(limit: float, lighter: bool) -> str:
    return f"from L* {limit:.1f} up" if lighter else f"up to L* {limit:.1f}"
