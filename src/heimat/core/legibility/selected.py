"""What is selected: a hue, a step, a token or a color of a palette, with its exact color and what moving it moves."""

from dataclasses import dataclass

import numpy as np

from heimat.core.color.angles import around
from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.color_text import STRONGEST_CHROMA
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.exact_color import Color, oklch_of, rgb8_of
from heimat.core.color.naming import spoken_name
from heimat.core.color.spaces import lightness
from heimat.core.document.hues import Hue
from heimat.core.document.keys import Key, KeyKind, hue_key, palette_key, parse_key, token_key
from heimat.core.document.palettes import Categorical
from heimat.core.document.words import counted
from heimat.core.legibility.why import why_hue, why_step, why_token
from heimat.core.legibility.why_palette import why_palette_color
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.resolve.theme import ResolvedTheme
from heimat.core.resolve.token_colors import TokenColor
from heimat.core.scales.wide_twins import literal_p3


@dataclass(frozen=True)
class Selected:
    """A selected color: its key, what it is, its exact color, why it is so, and what moving it moves.

    `hue` is the one that it stands on, `place` the position of its step; `movable_hue` and `movable_step` are what its
    ramps move, None where it cannot be moved. `p3` is its display-p3 value (3,), where it has one of its own.
    """

    key: str
    kind: KeyKind
    name: str
    role: str
    color: Color
    why: str
    used_by: list[str]
    hue: ResolvedHue | None
    place: int | None = None
    movable_hue: str | None = None
    movable_step: str | None = None
    p3: Floats | None = None

    @property
    def fixed(self) -> str | None:
        """Why it cannot be moved, in a sentence; None where it can."""
        if self.movable_hue is not None:
            return None
        if self.kind == "palette":
            return f"{self.name} is a color of its palette, and is changed there."
        if self.kind == "token":
            return f"{self.name} is a token, which moves with what it stands on: {self.why}"
        if self.hue is not None and self.hue.hue.held:
            return f"{self.hue.name} is held: let it go to move {self.name}."
        return f"{self.name} is pinned: take the pin away to move it, with Backspace."


def find(resolved: Resolved, theme: ResolvedTheme | None, key: str) -> Selected | None:
    """What a key names, its tokens in a theme; None where nothing of that key is there."""
    parsed = parse_key(key)
    if parsed is None:
        return None
    if parsed.kind == "token":
        return _token(resolved, theme, parsed.id) if theme and parsed.id in theme.tokens else None
    if parsed.kind == "palette":
        return _palette(resolved, theme, parsed)
    hue = resolved.hues.get(parsed.id)
    if hue is None:
        return None
    if parsed.kind == "hue":
        return _hue(resolved, theme, hue)
    place = hue.place(parsed.step)
    return _step(resolved, theme, hue, place) if place is not None else None


def role_of(hue: Hue) -> str:
    """What a hue is there for, in a word."""
    return hue.status or hue.kind


def aim_of(selected: Selected) -> tuple[float, float, float]:
    """L*, chroma and hue that a selected color is meant to have, which white, gray and the gamut may take away."""
    hue = selected.hue
    if hue is None or selected.movable_hue is None:
        _, chroma, turn = (float(number) for number in oklch_of(selected.color))
        return float(lightness(relative_luminance(rgb8_of(selected.color)))), chroma, turn
    if selected.movable_step is None or selected.place is None:
        return hue.source.aim
    scale, place = hue.scale, selected.place
    light, chroma = (
        float(np.clip(scale.lightness[place], 0.0, 100.0)),
        float(np.clip(scale.chroma[place], 0.0, STRONGEST_CHROMA)),
    )
    return light, chroma, around(float(scale.hue[place]))


def _palette(resolved: Resolved, theme: ResolvedTheme | None, key: Key) -> Selected | None:
    """A color of a palette, the first where none is named; of classes and samples by their place, from 1."""
    shown = next(
        (
            each
            for each in resolved.palettes[theme.theme.id if theme else ""]
            if each.palette.id == key.id
        ),
        None,
    )
    if shown is None:
        return None
    make = shown.palette.make
    names = [each.id for each in make.colors] if isinstance(make, Categorical) else None
    keys = names or [str(number + 1) for number in range(len(shown.rgb8))]
    place = keys.index(key.step) if key.step in keys else 0
    color = Color.of_bytes(shown.rgb8[place])
    return Selected(
        key=palette_key(key.id, key.step),
        kind="palette",
        name=f"{shown.palette.name} {place + 1}, {spoken_name(color)}",
        role=make.kind,
        color=color,
        why=why_palette_color(resolved, shown, place),
        used_by=[f"Stands for {make.colors[place].category}"]
        if isinstance(make, Categorical) and make.colors[place].category
        else [],
        hue=None,
    )


def _free(hue: ResolvedHue) -> str | None:
    """The id of a hue that can be moved, or None where it is held."""
    return None if hue.hue.held else hue.id


def _hue(resolved: Resolved, theme: ResolvedTheme | None, hue: ResolvedHue) -> Selected:
    tokens = _tokens_on(resolved, theme, hue.id, None)
    return Selected(
        key=hue_key(hue.id),
        kind="hue",
        name=hue.name,
        role=role_of(hue.hue),
        color=_with_alpha(hue.color, hue),
        why=why_hue(resolved, hue),
        used_by=[f"{len(hue.rgb8)} steps and {counted(len(tokens), 'token')} follow it"],
        hue=hue,
        movable_hue=_free(hue),
        p3=literal_p3(hue.color) if hue.hue.wide is not False else None,
    )


def _step(
    resolved: Resolved, theme: ResolvedTheme | None, hue: ResolvedHue, place: int
) -> Selected:
    step = hue.steps[place]
    pinned = step.id in hue.hue.pins
    exact = hue.scale.anchor == place and not pinned
    return Selected(
        key=hue.step_key(place),
        kind="step",
        name=hue.step_name(place),
        role=role_of(hue.hue),
        color=_with_alpha(hue.color if exact else Color.of_bytes(hue.rgb8[place]), hue),
        why=why_step(hue, place),
        used_by=_tokens_on(resolved, theme, hue.id, step.id),
        hue=hue,
        place=place,
        movable_hue=None if pinned else _free(hue),
        movable_step=None if exact or pinned or hue.hue.held else step.id,
        p3=hue.p3_at(place),
    )


def _with_alpha(color: Color, hue: ResolvedHue) -> Color:
    """A color of a hue with the alpha that all of the hue has."""
    return (
        color if hue.source.alpha == 1.0 else color.model_copy(update={"alpha": hue.source.alpha})
    )


def _tokens_on(
    resolved: Resolved, theme: ResolvedTheme | None, hue: str, step: str | None
) -> list[str]:
    """Names of the tokens that stand on a hue, or on one of its steps, in a theme."""
    return [
        resolved.system.tokens[token].name
        for token, color in (theme.tokens if theme else {}).items()
        if color.hue == hue and step in (None, _step_under(resolved.hues[hue], color))
    ]


def _step_under(hue: ResolvedHue, color: TokenColor) -> str | None:
    """The id of the step that a token stands on; where it stands on a hue itself, the one that is the hue's own."""
    if color.step is not None:
        return color.step.step
    return None if hue.own_place is None else hue.steps[hue.own_place].id


def _token(resolved: Resolved, theme: ResolvedTheme, token_id: str) -> Selected:
    token, color = resolved.system.tokens[token_id], theme.tokens[token_id]
    pairings = sum(
        token_id in (result.pairing.foreground, result.pairing.ground) for result in theme.pairings
    )
    aliases = [
        resolved.system.tokens[other].name
        for other, its in theme.tokens.items()
        if its.chain[1:2] == (token_id,)
    ]
    hue = resolved.hues[color.hue] if color.hue else None
    return Selected(
        key=token_key(token_id),
        kind="token",
        name=token.name,
        role="token",
        color=Color.of_bytes(color.rgb8).model_copy(update={"alpha": color.alpha}),
        why=why_token(resolved, theme, token_id),
        used_by=[*aliases, counted(pairings, "pairing")] if pairings else aliases,
        hue=hue,
        p3=color.p3,
    )


def neutral_ends(resolved: Resolved) -> list[tuple[str, Bytes]]:
    """The system's lightest and darkest neutral steps, (3,) each, with names; none where there is no neutral."""
    hue = next((hue for hue in resolved.hue_list if hue.hue.kind == "neutral"), None)
    if hue is None:
        return []
    last = len(hue.steps) - 1
    return [(hue.step_name(place), np.asarray(hue.rgb8[place])) for place in (0, last)]
