"""A theme proposed from another one: every token at the value that keeps its role and its contrast on the new ground.

What the rules filled in the source is filled by the same rules for the new grounds; what a person chose keeps its hue,
and moves to the step that has the contrast there that it had before. What cannot be kept is named.
"""

from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.ciede2000 import distance_text
from heimat.core.color.contrast import FLARE, cut, ratio, relative_luminance
from heimat.core.color.exact_color import Color, oklch_of, rgb8_of
from heimat.core.color.solved import solved
from heimat.core.color.spaces import lightness
from heimat.core.document.aliases import value_in
from heimat.core.document.order import in_order
from heimat.core.document.pairings import USE_WORDS, Use
from heimat.core.document.themes import Scheme, Theme, Wanted
from heimat.core.document.tokens import (
    HueAlias,
    LiteralColor,
    PaletteAlias,
    StepAlias,
    Token,
    TokenAlias,
    TokenValue,
    base_of,
)
from heimat.core.edits import apply
from heimat.core.edits.theme_edits import AddTheme
from heimat.core.filling.fill import by_purpose, filled
from heimat.core.filling.rules import has_rule
from heimat.core.resolve.chains import chains_of
from heimat.core.resolve.checked_pairings import NEEDED
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.resolve.resolved_palettes import roles_of
from heimat.core.resolve.theme import ResolvedTheme, resolve_theme

_WHITE = (255, 255, 255)
_NEAR_PAGE = 2.0
"""Ratio to the page up to which a ground of one's own goes along with it; others keep their color."""
_MORE: dict[Use, float | None] = {"body": 7.0, "large": 4.5, "part": 4.5, "decoration": None}


@dataclass(frozen=True)
class Mapped:
    """A token in the proposal: its id, what it stands for there, and how it was found."""

    token: str
    value: TokenValue
    how: str


@dataclass(frozen=True)
class ThemeProposal:
    """A theme to add, how each token was found, and what could not be kept, in sentences."""

    edit: AddTheme
    mapped: tuple[Mapped, ...]
    lost: tuple[str, ...]


def propose_theme(
    resolved: Resolved,
    source: ResolvedTheme,
    new_id: str,
    name: str,
    scheme: Scheme,
    contrast: Wanted,
) -> ThemeProposal:
    """A theme that rests on another one, light or dark, with the usual contrast or more."""
    found = _Mapping(resolved, source, scheme, contrast)
    mapped = tuple(each for token in found.ordered() if (each := found.mapped(token)) is not None)
    way = resolved.ways[source.theme.id]
    changed = {
        each.token: each.value
        for each in mapped
        if value_in(resolved.system.tokens[each.token], way) != each.value
    }
    edit = AddTheme(
        id=new_id, name=name, base=source.theme.id, scheme=scheme, contrast=contrast, values=changed
    )
    return ThemeProposal(edit, mapped, tuple(_lost(resolved, edit)))


def _lost(resolved: Resolved, edit: AddTheme) -> list[str]:
    """The pairings that fall short in the theme proposed and the pairs that look alike, each in a sentence."""
    after = apply(resolved.system, edit)
    theme = after.themes[edit.id]
    made = resolve_theme(
        after, resolved.hues, theme, chains_of(after)[edit.id], {}, roles_of(after.tokens)
    )
    tokens = after.tokens
    short = [
        f"{tokens[each.pairing.foreground].name} on {tokens[each.pairing.ground].name} reads {cut(each.ratio)}; "
        f"{USE_WORDS[each.pairing.use]} needs {each.needed:g}."
        for each in made.pairings
        if each.holds is False
    ]
    alike = [
        f"{tokens[each.told_apart.tokens[pair.one]].name} and {tokens[each.told_apart.tokens[pair.other]].name} are "
        f"{distance_text(pair.least)} apart under the vision that brings them nearest; "
        f"{each.told_apart.name} needs {each.told_apart.threshold:g}."
        for each in made.told_apart
        for pair in each.pairs
        if pair.least < each.told_apart.threshold
    ]
    return short + alike


class _Mapping:
    """Maps the tokens of one theme to another scheme; grounds first, then what stands on them."""

    def __init__(
        self, resolved: Resolved, source: ResolvedTheme, scheme: Scheme, contrast: Wanted
    ) -> None:
        self._resolved, self._source = resolved, source
        self._scheme, self._contrast = scheme, contrast
        self._way = resolved.ways[source.theme.id]
        system = resolved.system
        ids = by_purpose(system)
        ruled = [purpose for purpose in ids if has_rule(purpose)]
        theme = source.theme
        before = filled(resolved, ruled, ids, theme.scheme, theme.contrast, theme.id)
        after = filled(resolved, ruled, ids, scheme, contrast, theme.id)
        # What a person has changed since is not the rule's any more.
        own = {
            purpose
            for purpose in ruled
            if value_in(system.tokens[ids[purpose]], self._way) != before[purpose]
        }
        kept = [purpose for purpose in ruled if purpose not in own]
        self._rule_page = after.get("surface.page", LiteralColor(color=Color.of_bytes(_WHITE)))
        self._by_rule = {ids[purpose]: after[purpose] for purpose in kept}
        self._grounds: dict[str, list[tuple[str, Use]]] = {}
        for pairing in in_order(system.pairings):
            self._grounds.setdefault(pairing.foreground, []).append((pairing.ground, pairing.use))
        self._page = ids.get("surface.page")
        self._values: dict[str, TokenValue] = {}

    def ordered(self) -> list[Token]:
        """The tokens, grounds first."""
        tokens = in_order(self._resolved.system.tokens)
        return sorted(tokens, key=lambda token: token.id in self._grounds)

    def mapped(self, token: Token) -> Mapped | None:
        """Where a token goes; None where it follows another token or stays as it is."""
        value = value_in(token, self._way)
        by_rule = self._by_rule.get(token.id)
        if by_rule is not None:
            self._values[token.id] = by_rule
            return Mapped(token.id, by_rule, "by its rule")
        # What stands on another token or on a palette follows these, which have a color in every theme.
        if isinstance(base_of(value), TokenAlias | PaletteAlias) or base_of(value) is not value:
            return None
        grounds = [each for each in self._grounds.get(token.id, []) if NEEDED[each[1]] is not None]
        found = self._standing(token, value, grounds) if grounds else self._ground(token, value)
        if found is not None:
            self._values[token.id] = found
        return (
            None
            if found is None or found == value
            else Mapped(token.id, found, "at the contrast it had")
        )

    def _color(self, token: str) -> Bytes:
        """The color (3,) of a token in the theme proposed, as far as it is known."""
        value = self._values.get(token)
        if value is None:
            stands = value_in(self._resolved.system.tokens[token], self._way)
            if isinstance(stands, TokenAlias):
                return self._color(stands.token)
            return self._source.tokens[token].rgb8
        if isinstance(base_of(value), PaletteAlias):
            return self._source.tokens[token].rgb8
        return self._end(value)

    def _end(self, value: TokenValue) -> Bytes:
        """The color (3,) that a value which stands on no palette comes to in the theme proposed."""
        base = base_of(value)
        assert not isinstance(base, PaletteAlias)
        if isinstance(base, TokenAlias):
            return self._color(base.token)
        if isinstance(base, LiteralColor):
            return rgb8_of(base.color)
        hue = self._resolved.hues[base.hue]
        return (
            rgb8_of(hue.color)
            if isinstance(base, HueAlias)
            else hue.rgb8[hue.place(base.step) or 0]
        )

    def _standing(
        self, token: Token, value: TokenValue, grounds: list[tuple[str, Use]]
    ) -> TokenValue:
        """What stands on grounds keeps its hue, and the contrast that it had, at least what it needs."""
        before = self._source.tokens
        own = before[token.id].rgb8
        wanted, needed = [], []
        for ground, use in grounds:
            had = float(ratio(own, before[ground].rgb8))
            need = (_MORE[use] if self._contrast == "more" else NEEDED[use]) or 1.0
            wanted.append(max(had, need))
            needed.append(need if had >= need or self._contrast == "more" else min(had, need))
        there = np.array([self._color(ground) for ground, _ in grounds])
        if isinstance(value, HueAlias) and bool((ratio(own, there) >= needed).all()):
            return value
        hue = self._resolved.hues.get(before[token.id].hue or "")
        if hue is None:
            return self._literal(value, there, wanted)
        return _step_at(hue, there, np.array(wanted), np.array(needed))

    def _literal(self, value: TokenValue, grounds: Bytes, wanted: list[float]) -> TokenValue:
        """A color of its own with its hue and chroma, at the lightness that has the contrast on the hardest ground."""
        if not isinstance(value, LiteralColor):
            return value
        _, chroma, angle = (float(part) for part in oklch_of(value.color))
        lights = relative_luminance(grounds)
        up = self._scheme == "dark"
        edge = [
            want * (float(light) + FLARE) - FLARE if up else (float(light) + FLARE) / want - FLARE
            for light, want in zip(lights, wanted, strict=True)
        ]
        aimed = min(max(max(edge) if up else min(edge), 0.0), 1.0)
        color = solved(float(lightness(aimed)), chroma, angle % 360.0)
        return LiteralColor(color=color.model_copy(update={"alpha": value.color.alpha}))

    def _ground(self, token: Token, value: TokenValue) -> TokenValue | None:
        """A ground near the page goes along with it; others stay."""
        before = self._source.tokens
        if self._page is None or not self._is_ground(token.id):
            return None
        if token.id == self._page:
            return self._literal_page(value)
        page = before[self._page].rgb8
        had = float(ratio(before[token.id].rgb8, page))
        hue = self._resolved.hues.get(before[token.id].hue or "")
        if had > _NEAR_PAGE or before[token.id].alpha < 1.0:
            return None
        if isinstance(value, LiteralColor):
            return self._literal_ground(value, before[token.id].rgb8, page, had)
        if hue is None:
            return None
        off = np.abs(np.log(ratio(hue.rgb8, self._color(self._page)[None])) - np.log(had))
        return StepAlias(hue=hue.id, step=hue.steps[int(off.argmin())].id)

    def _literal_page(self, value: TokenValue) -> LiteralColor | None:
        """A page of its own keeps hue and chroma, and is as light as the rule has it where it turns dark, or light."""
        if not isinstance(value, LiteralColor) or self._scheme == self._source.theme.scheme:
            return None
        _, chroma, angle = (float(part) for part in oklch_of(value.color))
        light = float(lightness(relative_luminance(self._end(self._rule_page))))
        return LiteralColor(color=solved(light, chroma, angle % 360.0))

    def _literal_ground(
        self, value: LiteralColor, own: Bytes, page: Bytes, had: float
    ) -> LiteralColor:
        """A ground of its own keeps hue and chroma, and differs from the page as it did; lighter ones stay lighter."""
        there = float(relative_luminance(self._color(self._page or ""))) + FLARE
        up = float(relative_luminance(own)) >= float(relative_luminance(page))
        light = there * had - FLARE if up else there / had - FLARE
        # What cannot be lighter than a white page, or darker than a black one, goes the other way.
        if not 0.0 <= light <= 1.0:
            light = there / had - FLARE if up else there * had - FLARE
        _, chroma, angle = (float(part) for part in oklch_of(value.color))
        aimed = float(lightness(min(max(light, 0.0), 1.0)))
        return LiteralColor(color=solved(aimed, chroma, angle % 360.0))

    def _is_ground(self, token: str) -> bool:
        purpose = self._resolved.system.tokens[token].purpose or ""
        return purpose.startswith("surface.") or any(
            token == ground for grounds in self._grounds.values() for ground, _ in grounds
        )


def _step_at(
    hue: ResolvedHue, grounds: Bytes, wanted: np.ndarray, needed: np.ndarray
) -> TokenValue:
    """The step whose contrast on the grounds is most like what is wanted, of those that reach what is needed."""
    reached = ratio(hue.rgb8[:, None], grounds[None])
    good = (reached >= needed).all(axis=1)
    if not good.any():
        return StepAlias(
            hue=hue.id, step=hue.steps[int((reached / needed).min(axis=1).argmax())].id
        )
    off = np.abs(np.log(reached) - np.log(wanted)).max(axis=1)
    return StepAlias(hue=hue.id, step=hue.steps[int(np.where(good, off, np.inf).argmin())].id)


def proposed_name(themes: Mapping[str, Theme], scheme: Scheme, contrast: Wanted) -> str:
    """A plain name for a theme that is not taken."""
    plain = (
        ("night" if scheme == "dark" else "day")
        if contrast == "usual"
        else f"{scheme} high contrast"
    )
    taken = {theme.name.casefold() for theme in themes.values()}
    number, name = 1, plain
    while name.casefold() in taken:
        number += 1
        name = f"{plain} {number}"
    return name
