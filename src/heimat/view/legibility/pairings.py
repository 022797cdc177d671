"""The declared pairings in the theme that is shown."""

from typing_extensions import TypedDict

from heimat.core.color.contrast import cut
from heimat.core.document.pairings import USE_WORDS, Use
from heimat.view.figures import ContrastView, contrast_view
from heimat.view.look import Look


class PairingView(TypedDict):
    """A declared pairing with what it reaches; `holds` is null for decoration."""

    id: str
    foreground: str
    ground: str
    use: Use
    use_words: str
    needed: str | None
    contrast: ContrastView
    wide: str | None
    holds: bool | None


def pairings_part(look: Look) -> list[PairingView]:
    """All pairings, in order."""
    return [
        {
            "id": result.pairing.id,
            "foreground": result.pairing.foreground,
            "ground": result.pairing.ground,
            "use": result.pairing.use,
            "use_words": USE_WORDS[result.pairing.use],
            "needed": f"{result.needed:g}" if result.needed else None,
            "contrast": contrast_view(result.ratio),
            "wide": None if result.wide is None else cut(result.wide),
            "holds": result.holds,
        }
        for result in (look.theme.pairings if look.theme else [])
    ]
