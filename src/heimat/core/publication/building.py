"""From a resolved document to what leaves: every published token, in the designer's order, in every theme.

Only what is meant for developers leaves: what is internal does not, nor its name. A token that stands for something
internal leaves with its value.
"""

from collections.abc import Sequence
from dataclasses import replace

import numpy as np

from heimat.core.color.arrays import Floats
from heimat.core.color.hex_notation import hex_of, hexes_of
from heimat.core.document.aliases import value_in, ways_of
from heimat.core.document.names import scale_token_names
from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import HueAlias, StepAlias, Token, TokenAlias
from heimat.core.document.uses import members
from heimat.core.memory import remembered
from heimat.core.publication.contract import contract
from heimat.core.publication.publication import (
    UNNAMED,
    Publication,
    PublishedDeprecation,
    PublishedSelection,
    PublishedTheme,
    PublishedToken,
    PublishedValue,
)
from heimat.core.publication.published_outputs import published_outputs
from heimat.core.publication.published_palettes import palettes_by_color, published_palettes
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.theme import ResolvedTheme

_REMEMBERED = 256


def publication(resolved: Resolved) -> Publication:
    """What would be published of a resolved document."""
    system = resolved.system
    themes = published_themes(resolved)
    tokens = published_tokens(resolved)
    names = {token.id: token.name for token in tokens}
    palettes = tuple(published_palettes(resolved, names))
    selections = tuple(_selections(system, set(names)))
    found = Publication(
        system.name, themes, tuple(tokens), selections, palettes, contract(resolved)
    )
    return replace(
        found, outputs=published_outputs(system, found.with_palettes()), guide=system.guide
    )


def told_by_marks(resolved: Resolved) -> Publication:
    """What of a publication tells which tokens are not as they were: tokens and colors of palettes.

    Asked with every move of a drag: what takes long, and no mark is told by, is left out.
    """
    tokens = tuple(published_tokens(resolved))
    palettes = tuple(palettes_by_color(resolved))
    return Publication(resolved.system.name, published_themes(resolved), tokens, palettes=palettes)


def published_themes(resolved: Resolved) -> tuple[PublishedTheme, ...]:
    """The themes as they leave, in order; a system without themes publishes its scales all the same, in one."""
    found = (
        PublishedTheme(each.theme.id, each.theme.name, each.theme.scheme, each.theme.contrast)
        for each in resolved.themes.values()
    )
    return tuple(found) or (PublishedTheme(UNNAMED, ""),)


def published_tokens(resolved: Resolved) -> list[PublishedToken]:
    """The tokens that leave, scale tokens first, then semantic ones, in order."""
    system = resolved.system
    tokens, step_names = _scale_tokens(resolved, published_themes(resolved))
    ways = ways_of(system)
    for token in in_order(system.tokens):
        if token.internal:
            continue
        values = {
            key: _value(resolved, theme, token, ways[key], step_names)
            for key, theme in resolved.themes.items()
        }
        if values:
            tokens.append(
                PublishedToken(
                    token.id,
                    token.name,
                    values,
                    token.note,
                    token.usage,
                    _deprecation(system, token),
                )
            )
    return tokens


def _scale_tokens(
    resolved: Resolved, themes: tuple[PublishedTheme, ...]
) -> tuple[list[PublishedToken], dict[tuple[str, str], str]]:
    """The scale tokens that leave, and their names by hue and step: all, or those of the named selections."""
    system = resolved.system
    chosen = {(ref.hue, ref.step) for kept in system.selections.values() for ref in kept.steps}
    keys = tuple(theme.id for theme in themes)
    tokens: list[PublishedToken] = []
    step_names: dict[tuple[str, str], str] = {}
    for hue, names in scale_token_names(system):
        known = resolved.hues[hue.id]
        ids = tuple(f"{hue.id}/{step.id}" for step in known.steps)
        p3 = None if known.p3 is None else known.p3.tobytes()
        every = _scale_of(ids, tuple(names), known.rgb8.tobytes(), known.source.alpha, p3, keys)
        for step, token in zip(known.steps, every, strict=True):
            if not step.internal and (system.scales_published or (hue.id, step.id) in chosen):
                step_names[hue.id, step.id] = token.name
                tokens.append(token)
    return tokens, step_names


@remembered(_REMEMBERED)
def _scale_of(
    ids: tuple[str, ...],
    names: tuple[str, ...],
    levels: bytes,
    alpha: float,
    p3: bytes | None,
    themes: tuple[str, ...],
) -> tuple[PublishedToken, ...]:
    """The tokens of all steps of a scale, the same in every theme: while one hue is dragged those of others stay."""
    colors = hexes_of(np.frombuffer(levels, dtype=np.uint8).reshape(-1, 3))
    wide = None if p3 is None else np.frombuffer(p3).reshape(-1, 3)
    found = []
    for place, (key, name, color) in enumerate(zip(ids, names, colors, strict=True)):
        own = None if wide is None or np.isnan(wide[place]).any() else wide[place]
        value = PublishedValue(color, alpha, None, _channels(own))
        found.append(PublishedToken(key, name, dict.fromkeys(themes, value)))
    return tuple(found)


def _deprecation(system: ColorSystem, token: Token) -> PublishedDeprecation | None:
    if token.deprecated is None:
        return None
    other = system.tokens.get(token.deprecated.replacement or "")
    return PublishedDeprecation(
        other.name if other and not other.internal else None, token.deprecated.reason
    )


def _value(
    resolved: Resolved,
    theme: ResolvedTheme,
    token: Token,
    way: Sequence[str],
    step_names: dict[tuple[str, str], str],
) -> PublishedValue:
    color, value = theme.tokens[token.id], value_in(token, way)
    alias = None
    if isinstance(value, StepAlias):
        # A token on an internal step leaves with its value alone.
        alias = step_names.get((value.hue, value.step))
    elif isinstance(value, HueAlias):
        hue = resolved.hues[value.hue]
        alias = (
            None if hue.own_place is None else step_names.get((hue.id, hue.steps[hue.own_place].id))
        )
    elif isinstance(value, TokenAlias):
        target = resolved.system.tokens[value.token]
        alias = None if target.internal else target.name
    return _value_of(color.rgb8.tobytes(), color.alpha, alias, _channels(color.p3))


@remembered(4096)
def _value_of(
    levels: bytes, alpha: float, alias: str | None, p3: tuple[float, float, float] | None
) -> PublishedValue:
    """Most tokens are as they were one move ago."""
    return PublishedValue(hex_of(np.frombuffer(levels, dtype=np.uint8)), alpha, alias, p3)


def _channels(p3: Floats | None) -> tuple[float, float, float] | None:
    if p3 is None:
        return None
    red, green, blue = (float(part) for part in np.asarray(p3))
    return red, green, blue


def _selections(system: ColorSystem, published: set[str]) -> list[PublishedSelection]:
    """The named selections of which anything is published."""
    found = []
    for kept in in_order(system.selections):
        ids = tuple(
            key for ref in members(system, kept) if (key := f"{ref.hue}/{ref.step}") in published
        )
        if ids:
            found.append(PublishedSelection(kept.name, ids))
    return found
