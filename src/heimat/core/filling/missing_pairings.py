"""Pairings that a system's tokens call for and does not declare yet."""

from collections.abc import Iterator

from heimat.core.document.pairings import Use
from heimat.core.document.system import ColorSystem
from heimat.core.edits.pairing_edits import NewPairing
from heimat.core.filling.wanted_pairings import pairings_for


def missing_pairings(system: ColorSystem) -> list[NewPairing]:
    """Each text on each surface it may stand on, labels on fills in every state, borders, icons and the focus ring on
    their grounds: those that are not declared, in order."""
    ids = {
        token.purpose: token.id
        for token in system.tokens.values()
        if token.purpose and not token.place
    }
    declared: set[tuple[str, str, Use]] = {
        (each.foreground, each.ground, each.use) for each in system.pairings.values()
    }
    wanted = [(ids[front], ids[ground], use) for front, ground, use in pairings_for(ids.keys())]
    free = _free_ids(system)
    return [
        NewPairing(id=next(free), foreground=front, ground=ground, use=use)
        for front, ground, use in dict.fromkeys(wanted)
        if (front, ground, use) not in declared
    ]


def _free_ids(system: ColorSystem) -> Iterator[str]:
    number = 0
    while True:
        number += 1
        if f"pair-{number}" not in system.pairings:
            yield f"pair-{number}"
