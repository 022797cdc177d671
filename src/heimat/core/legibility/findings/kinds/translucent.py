"""Pairings that cannot be measured: what they stand on lets through what lies under it."""

from collections.abc import Iterable
from dataclasses import dataclass

from heimat.core.document.keys import token_key
from heimat.core.legibility.findings.finding import Case, Finding, Kind
from heimat.core.legibility.findings.move import Counted, Move
from heimat.core.resolve.checked_pairings import PairingResult
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.theme import ResolvedTheme

_ADVICE = (
    "What lies under it decides. Give it an opaque color, or pair the text with what lies under it."
)


@dataclass(slots=True, eq=False)
class _Case(Case):
    resolved: Resolved
    theme: ResolvedTheme
    result: PairingResult

    @property
    def id(self) -> str:
        return f"{KIND.name}:{self.theme.theme.id}:{self.result.pairing.id}"

    def say(self) -> Finding:
        pairing = self.result.pairing
        ids = (pairing.foreground, pairing.ground)
        foreground, ground = (self.resolved.system.tokens[token].name for token in ids)
        return Finding(
            id=self.id,
            kind=KIND.name,
            sentence=f"{foreground} on {ground} cannot be measured: {ground} is translucent.",
            detail=_ADVICE,
            select=token_key(ids[0]),
            colors=(self.theme.tokens[ids[0]].rgb8, self.theme.tokens[ids[1]].rgb8),
            theme=self.theme.theme.id,
            use=pairing.use,
        )


def _measure(resolved: Resolved) -> Iterable[_Case]:
    for theme in resolved.themes.values():
        for result in theme.pairings:
            if result.needed and result.holds is None:
                yield _Case(resolved, theme, result)


def _moved(move: Move) -> Counted:
    """A ground that becomes opaque can be measured."""
    grounds = (
        f"{KIND.name}:{theme.theme.id}:{result.pairing.id}"
        for theme, moved in move.themes
        for result in theme.pairings
        if result.pairing.ground in moved
    )
    return Counted(sum(key in move.ground.before for key in grounds))


KIND = Kind("translucent", _measure, _moved)
