"""The declared pairings in the theme that is shown."""

from typing_extensions import TypedDict

from heimat.core.color.contrast import cut
from heimat.core.document.pairings import USE_WORDS, Use
from heimat.core.document.system import ColorSystem
from heimat.core.edits.pairing_edits import NewPairing
from heimat.core.filling.missing_pairings import missing_pairings
from heimat.core.resolve.checked_pairings import PairingResult
from heimat.view.figures import ContrastView, contrast_view
from heimat.view.look import Look


class PairingView(TypedDict):
    """A declared pairing with what it reaches; `holds` is null for decoration, `missed` is by how much it is missed."""

    id: str
    foreground: str
    ground: str
    use: Use
    use_words: str
    needed: str | None
    contrast: ContrastView
    wide: str | None
    holds: bool | None
    missed: str | None


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
            "missed": _missed(result) if result.holds is False else None,
        }
        for result in (look.theme.pairings if look.theme else [])
    ]


class ProposedPairingView(TypedDict):
    """A pairing that the tokens call for, in words, and the edit's part that declares it."""

    words: str
    pairing: NewPairing


def proposed_pairings(system: ColorSystem) -> list[ProposedPairingView]:
    """The pairings that a system's tokens call for and that it does not declare."""
    return [
        {
            "words": f"{system.tokens[each.foreground].name} on {system.tokens[each.ground].name}, "
            f"as {USE_WORDS[each.use]}",
            "pairing": each,
        }
        for each in missing_pairings(system)
    ]


def _missed(result: PairingResult) -> str:
    """What lacks, of the figures as they are printed: 4.5 and 3.91 lack 0.59."""
    reached = min(result.ratio, result.ratio if result.wide is None else result.wide)
    return f"{(result.needed or 0.0) - float(cut(reached)):.2f}"
