"""What stands on a color: tokens in every theme, pairings, told-apart sets, hues that follow, named selections.

Asked before something is removed, it also offers what each token could stand on instead.
"""

from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Bytes, from_bytes
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.aliases import aliases_of, value_in
from heimat.core.document.following import with_descendants
from heimat.core.document.keys import Key, parse_key
from heimat.core.document.order import in_order
from heimat.core.document.pairings import Pairing
from heimat.core.document.palettes import PaletteValue, palettes_on
from heimat.core.document.selections import NamedSelection
from heimat.core.document.tokens import (
    HueAlias,
    PaletteAlias,
    StepAlias,
    TokenAlias,
    TokenValue,
    base_of,
)
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.token_colors import TokenColor


@dataclass(frozen=True)
class StandingToken:
    """A token that names a color in a theme, what it says there, and its color (3,) there."""

    token: str
    theme: str
    value: TokenValue
    rgb8: Bytes


@dataclass(frozen=True)
class Instead:
    """A step that a token could stand on instead, its color (3,), and how far that is from the present one."""

    value: StepAlias
    rgb8: Bytes
    name: str
    distance: float


@dataclass(frozen=True)
class Standing:
    """All that stands on a color: tokens that name it, tokens that stand on those, pairings, and the rest in words."""

    direct: tuple[StandingToken, ...]
    through: tuple[str, ...]
    others: tuple[str, ...]
    pairings: tuple[Pairing, ...] = ()


def standing(resolved: Resolved, key: str) -> Standing:
    """What stands on a hue, a step or a token, by its key; nothing where the key names nothing."""
    parsed = parse_key(key)
    if parsed is None:
        return Standing((), (), ())
    if parsed.kind == "token":
        return _on_token(resolved, parsed.id)
    hues = with_descendants(resolved.system, parsed.id) if parsed.id in resolved.system.hues else []
    direct = tuple(_naming(resolved, parsed))
    through = _through(resolved, {each.token for each in direct}, _palettes_on(resolved, parsed))
    return Standing(direct, through, tuple(_words(resolved, parsed, hues)))


def _naming(resolved: Resolved, key: Key) -> list[StandingToken]:
    hue = resolved.hues.get(key.id)
    own = hue.steps[hue.own_place].id if hue is not None and hue.own_place is not None else None
    found = []
    for token in in_order(resolved.system.tokens):
        for theme, value in token.values.items():
            base = base_of(value)
            step = base.step if isinstance(base, StepAlias) else own
            if (
                isinstance(base, StepAlias | HueAlias)
                and base.hue == key.id
                and key.step in ("", step)
            ):
                rgb8 = resolved.themes[theme].tokens[token.id].rgb8
                found.append(StandingToken(token.id, theme, value, rgb8))
    return found


def _through(resolved: Resolved, tokens: set[str], palettes: set[str]) -> tuple[str, ...]:
    """The tokens whose chain passes one of some tokens, or ends in some palettes, in any theme, in order."""

    def passes(color: TokenColor) -> bool:
        ends_in = color.end.palette if isinstance(color.end, PaletteAlias) else None
        return not tokens.isdisjoint(color.chain) or ends_in in palettes

    found = {
        token
        for theme in resolved.themes.values()
        for token, color in theme.tokens.items()
        if token not in tokens and passes(color)
    }
    return tuple(token.id for token in in_order(resolved.system.tokens) if token.id in found)


def _words(resolved: Resolved, key: Key, hues: list[str]) -> list[str]:
    system = resolved.system
    followers = [] if key.step else [system.hues[each].name for each in hues[1:]]
    found = [f"{name} follows it." for name in followers]

    def holds(selection: NamedSelection) -> bool:
        return any(ref.hue == key.id and key.step in ("", ref.step) for ref in selection.steps)

    found += [
        f"It is in the selection {each.name}."
        for each in in_order(system.selections)
        if holds(each)
    ]
    on = _palettes_on(resolved, key)
    return found + [
        f"The palette {each.name} stands on it."
        for each in in_order(system.palettes)
        if each.id in on
    ]


def _palettes_on(resolved: Resolved, key: Key) -> set[str]:
    """The ids of the palettes that stand on a hue or a step."""
    own = resolved.hues.get(key.id)
    anchor = own.steps[own.own_place].id if own is not None and own.own_place is not None else None

    def stands(value: PaletteValue) -> bool:
        if isinstance(value, StepAlias):
            return value.hue == key.id and key.step in ("", value.step)
        return isinstance(value, HueAlias) and value.hue == key.id and key.step in ("", anchor)

    return {each.id for each in palettes_on(resolved.system.palettes, stands)}


def _on_token(resolved: Resolved, token: str) -> Standing:
    system = resolved.system
    direct = tuple(
        StandingToken(
            other.id, theme, other.values[theme], resolved.themes[theme].tokens[other.id].rgb8
        )
        for other, theme in aliases_of(system, token)
    )
    pairings = [
        each for each in in_order(system.pairings) if token in (each.foreground, each.ground)
    ]
    words = [
        f"It is told apart in {told.name}."
        for told in in_order(system.told_apart)
        if token in told.tokens
    ]
    for each in in_order(system.tokens):
        if each.deprecated and each.deprecated.replacement == token:
            words.append(f"It stands in for {each.name}, which is deprecated.")
    on = palettes_on(
        system.palettes, lambda value: isinstance(value, TokenAlias) and value.token == token
    )
    words += [f"The palette {each.name} stands on it." for each in on]
    through = _through(
        resolved, {token, *(each.token for each in direct)}, {each.id for each in on}
    )
    return Standing(direct, through, tuple(words), tuple(pairings))


def instead_of(resolved: Resolved, stands: StandingToken, gone: Key) -> Instead | None:
    """The step most like a token's color that would still be there; None where no other is."""
    names, values, colors = [], [], []
    for hue in resolved.hue_list:
        for place, step in enumerate(hue.steps):
            if hue.id != gone.id or (gone.step and step.id != gone.step):
                names.append(hue.step_name(place))
                values.append(StepAlias(hue=hue.id, step=step.id))
                colors.append(hue.rgb8[place])
    if not colors:
        return None
    away = ciede2000(
        srgb_to_lab(from_bytes(np.array(colors))), srgb_to_lab(from_bytes(stands.rgb8))
    )
    at = int(away.argmin())
    return Instead(values[at], colors[at], names[at], float(away[at]))


def value_there(resolved: Resolved, token: str, theme: str) -> TokenValue:
    """What a token says in a theme, by itself or by what that rests on."""
    return value_in(resolved.system.tokens[token], resolved.ways[theme])
