"""Findings on tokens whose last color was kept when what they stood on was removed."""

import numpy as np

from heimat.core.color.arrays import from_bytes
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.notation import hex_of
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.keys import token_key
from heimat.core.document.tokens import LiteralColor, StepAlias
from heimat.core.edits.token_edits import SetTokenValue
from heimat.core.legibility.findings.finding import Finding
from heimat.core.legibility.repairs import Repair
from heimat.core.resolve.resolved import Resolved

_ADVICE = "Let it stand on a step, or keep the color as its own."


def _kept(resolved: Resolved) -> list[tuple[str, str, LiteralColor]]:
    """Token, theme and value of what stands on a color that was kept."""
    return [
        (token.id, theme, value)
        for token in resolved.system.tokens.values()
        for theme, value in token.values.items()
        if isinstance(value, LiteralColor) and value.was
    ]


def kept_id(token: str, theme: str) -> str:
    """The id of the finding on a token whose last color was kept in a theme."""
    return f"kept:{theme}:{token}"


def kept_ids(resolved: Resolved) -> set[str]:
    """The ids of the findings on colors that were kept."""
    return {kept_id(token, theme) for token, theme, _ in _kept(resolved)}


def kept_findings(resolved: Resolved, *, repairs: bool) -> list[Finding]:
    """A finding for each token and theme whose last color was kept."""
    found = []
    for token, theme, value in _kept(resolved):
        shown = resolved.themes[theme]
        name, rgb8 = resolved.system.tokens[token].name, shown.tokens[token].rgb8
        found.append(
            Finding(
                id=kept_id(token, theme),
                kind="kept",
                sentence=f"{name} stood on {value.was}, which is gone; its last color, {hex_of(rgb8)}, is kept.",
                detail=_ADVICE,
                select=token_key(token),
                colors=(rgb8, rgb8),
                theme=theme,
                repairs=_repairs(resolved, token, theme, value) if repairs else [],
            )
        )
    return found


def _repairs(resolved: Resolved, token: str, theme: str, value: LiteralColor) -> list[Repair]:
    """The step most like the color, and the color as one of the token's own."""
    rgb8, name = resolved.themes[theme].tokens[token].rgb8, resolved.system.tokens[token].name
    own = SetTokenValue(token=token, theme=theme, value=value.model_copy(update={"was": ""}))
    kept = Repair((own,), "own", rgb8, f"Let {name} be {hex_of(rgb8)}, a color of its own", 0.0)
    steps = [(hue, place) for hue in resolved.hue_list for place in range(len(hue.steps))]
    if not steps:
        return [kept]
    colors = np.array([hue.rgb8[place] for hue, place in steps])
    away = ciede2000(srgb_to_lab(from_bytes(colors)), srgb_to_lab(from_bytes(rgb8)))
    hue, place = steps[int(away.argmin())]
    alias = StepAlias(hue=hue.id, step=hue.steps[place].id)
    nearest = SetTokenValue(token=token, theme=theme, value=alias)
    distance, words = float(away.min()), f"Let {name} be {hue.step_name(place)}"
    return [Repair((nearest,), "step", hue.rgb8[place], words, distance, distance), kept]
