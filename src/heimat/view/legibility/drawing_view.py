"""Pairs out of a drawing, as the page shows them."""

from typing_extensions import TypedDict

from heimat.core.color.contrast import cut
from heimat.core.document.pairings import USE_WORDS, Use
from heimat.core.legibility.drawn_pairs import DrawnPair
from heimat.core.resolve.resolved import Resolved
from heimat.view.eyes import Eyes, SwatchView


class DrawnPairView(TypedDict):
    """A pair as it is drawn: its colors, what it is used as, what it reaches, and the tokens that it is, if it is any.

    `declared` is whether these tokens are declared as a pairing of that use; `key` is the same for the same pair.
    """

    key: str
    text: str
    count: int
    colors: list[SwatchView]
    use: Use
    use_words: str
    ratio: str
    needed: str
    holds: bool
    foreground: str | None
    ground: str | None
    names: str
    declared: bool


def drawn_pair_views(resolved: Resolved, pairs: list[DrawnPair], eyes: Eyes) -> list[DrawnPairView]:
    """All pairs of a drawing, as they were sorted."""
    declared = {
        (each.foreground, each.ground, each.use) for each in resolved.system.pairings.values()
    }
    return [_view(resolved, pair, eyes, declared) for pair in pairs]


def _view(
    resolved: Resolved, pair: DrawnPair, eyes: Eyes, declared: set[tuple[str, str, Use]]
) -> DrawnPairView:
    swatches = [eyes.swatch(pair.rgb8), eyes.swatch(pair.ground8)]
    names = [
        resolved.system.tokens[token].name if token else swatch["hex"]
        for token, swatch in zip((pair.foreground, pair.ground), swatches, strict=True)
    ]
    return {
        "key": f"{pair.use} {swatches[0]['hex']} {swatches[1]['hex']}",
        "text": pair.text,
        "count": pair.count,
        "colors": swatches,
        "use": pair.use,
        "use_words": USE_WORDS[pair.use],
        "ratio": cut(pair.ratio),
        "needed": f"{pair.needed:g}",
        "holds": pair.ratio >= pair.needed,
        "foreground": pair.foreground,
        "ground": pair.ground,
        "names": f"{names[0]} on {names[1]}",
        "declared": (pair.foreground, pair.ground, pair.use) in declared,
    }
