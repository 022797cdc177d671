"""Tokens whose last color was kept when what they stood on was removed."""

from collections.abc import Iterable
from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import from_bytes
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.keys import token_key
from heimat.core.document.tokens import LiteralColor, StepAlias
from heimat.core.edits.token_edits import SetTokenValue
from heimat.core.legibility.findings.finding import Case, Finding, Kind
from heimat.core.legibility.findings.move import Counted, Move
from heimat.core.legibility.repairs import Repair
from heimat.core.resolve.resolved import Resolved

_ADVICE = "Let it stand on a step, or keep the color as its own."


@dataclass(slots=True, eq=False)
class _Case(Case):
    resolved: Resolved
    token: str
    theme: str
    value: LiteralColor

    @property
    def id(self) -> str:
        return _id(self.token, self.theme)

    def say(self) -> Finding:
        name, rgb8 = self.resolved.system.tokens[self.token].name, self._rgb8
        return Finding(
            id=self.id,
            kind=KIND.name,
            sentence=f"{name} stood on {self.value.was}, which is gone; its last color, {hex_of(rgb8)}, is kept.",
            detail=_ADVICE,
            select=token_key(self.token),
            colors=(rgb8, rgb8),
            theme=self.theme,
        )

    def repairs(self) -> list[Repair]:
        """The step most like the color, and the color as one of the token's own."""
        rgb8, name = self._rgb8, self.resolved.system.tokens[self.token].name
        own = self._edit(self.value.model_copy(update={"was": ""}))
        kept = Repair((own,), "own", rgb8, f"Let {name} be {hex_of(rgb8)}, a color of its own", 0.0)
        steps = [(hue, place) for hue in self.resolved.hue_list for place in range(len(hue.steps))]
        if not steps:
            return [kept]
        colors = np.array([hue.rgb8[place] for hue, place in steps])
        away = ciede2000(srgb_to_lab(from_bytes(colors)), srgb_to_lab(from_bytes(rgb8)))
        hue, place = steps[int(away.argmin())]
        nearest = self._edit(StepAlias(hue=hue.id, step=hue.steps[place].id))
        distance, words = float(away.min()), f"Let {name} be {hue.step_name(place)}"
        return [Repair((nearest,), "step", hue.rgb8[place], words, distance, distance), kept]

    @property
    def _rgb8(self) -> np.ndarray:
        return self.resolved.themes[self.theme].tokens[self.token].rgb8

    def _edit(self, value: LiteralColor | StepAlias) -> SetTokenValue:
        return SetTokenValue(token=self.token, theme=self.theme, value=value)


def _id(token: str, theme: str) -> str:
    return f"{KIND.name}:{theme}:{token}"


def _measure(resolved: Resolved) -> Iterable[_Case]:
    for token in resolved.system.tokens.values():
        for theme, value in token.values.items():
            if isinstance(value, LiteralColor) and value.was:
                yield _Case(resolved, token.id, theme, value)


def _moved(move: Move) -> Counted:
    stood = _id(move.edit.token, move.edit.theme) in move.ground.before
    return Counted(int(stood and not getattr(move.value, "was", "")))


KIND = Kind("kept", _measure, _moved)
