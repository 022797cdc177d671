"""What developers get: every published token of a document, in the designer's order, with a value in every theme.

Only what is meant for developers leaves: what is internal does not, nor its name. A token that stands for something
internal leaves with its value.

Format 1 knew one theme, without its name, and kept the value beside the name. What was released in it is read as a
publication whose only theme has no id. Format 2 knew neither the scheme of a theme, nor usage, nor deprecation. Format
3 knew no palettes, format 4 no contract, format 5 neither outputs nor how the guide is made, format 6 not how palettes
are made.
"""

from collections.abc import Sequence
from dataclasses import dataclass, field, fields, replace
from functools import cached_property
from typing import Any

import numpy as np

from heimat.core.color.arrays import Floats
from heimat.core.color.hex_notation import hex_of, hexes_of
from heimat.core.document.aliases import value_in, ways_of
from heimat.core.document.guide_settings import Guide
from heimat.core.document.names import css_name, scale_token_names
from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem
from heimat.core.document.themes import Scheme, Wanted
from heimat.core.document.tokens import HueAlias, StepAlias, Token, TokenAlias
from heimat.core.document.uses import members
from heimat.core.memory import remembered
from heimat.core.publication.contract import EMPTY, Contract, contract
from heimat.core.publication.published_outputs import PublishedOutput, published_outputs
from heimat.core.publication.published_palettes import PublishedPalette, palettes_by_color, published_palettes
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.theme import ResolvedTheme

FORMAT = 7
_REMEMBERED = 256
UNNAMED = ""
"""The id of the only theme of format 1, and of a system without themes."""


@dataclass(frozen=True)
class PublishedValue:
    """What a token is in a theme: `#RRGGBB`, alpha, and the name of the token it stands for.

    `p3` are the channels of its display-p3 value, where it has one.
    """

    hex: str
    alpha: float = 1.0
    alias: str | None = None
    p3: tuple[float, float, float] | None = None

    def plain(self) -> dict[str, Any]:
        """The value as plain data; what it has not is left out."""
        found: dict[str, Any] = {"hex": self.hex}
        if self.alpha != 1.0:
            found["alpha"] = self.alpha
        if self.alias is not None:
            found["alias"] = self.alias
        if self.p3 is not None:
            found["p3"] = list(self.p3)
        return found

    @classmethod
    def from_plain(cls, data: dict[str, Any]) -> "PublishedValue":
        """Read what `plain` gave."""
        p3 = data.get("p3")
        return cls(data["hex"], data.get("alpha", 1.0), data.get("alias"), tuple(p3) if p3 else None)


@dataclass(frozen=True)
class PublishedTheme:
    """A theme as it leaves: its identity, its name, whether it is light or dark, and for whom it is made."""

    id: str
    name: str
    scheme: Scheme = "light"
    contrast: Wanted = "usual"

    def plain(self) -> dict[str, Any]:
        """The theme as plain data."""
        return {"id": self.id, "name": self.name, "scheme": self.scheme, "contrast": self.contrast}

    @classmethod
    def from_plain(cls, data: dict[str, Any]) -> "PublishedTheme":
        """Read what `plain` gave."""
        return cls(data["id"], data["name"], data.get("scheme", "light"), data.get("contrast", "usual"))


@dataclass(frozen=True)
class PublishedDeprecation:
    """That a token is on its way out: the name of what stands in for it, if that is published, and why."""

    replacement: str | None = None
    reason: str = ""


@dataclass(frozen=True)
class PublishedToken:
    """A token as it leaves: identity, name, notes, and by the id of each theme the value there, in order of themes."""

    id: str
    name: str
    values: dict[str, PublishedValue]
    note: str = ""
    usage: str = ""
    deprecated: PublishedDeprecation | None = None

    def value(self, theme: str) -> PublishedValue:
        """The value in a theme; in one that is not known, that in the first."""
        return self.values.get(theme) or next(iter(self.values.values()))


@dataclass(frozen=True)
class PublishedSelection:
    """A named selection as it leaves: its name, and the ids of its tokens."""

    name: str
    tokens: tuple[str, ...]


@dataclass(frozen=True)
class Publication:
    """All published tokens under the system's name: scale tokens first, then semantic ones."""

    name: str
    themes: tuple[PublishedTheme, ...]
    tokens: tuple[PublishedToken, ...]
    selections: tuple[PublishedSelection, ...] = ()
    palettes: tuple[PublishedPalette, ...] = ()
    contract: Contract = field(default_factory=lambda: EMPTY)
    outputs: tuple[PublishedOutput, ...] = ()
    guide: Guide = field(default_factory=Guide)

    def plain(self) -> dict[str, Any]:
        """The publication as plain data, which `from_plain` reads. A value that all themes share stands once."""
        found: dict[str, Any] = {
            "format": FORMAT,
            "name": self.name,
            "themes": [theme.plain() for theme in self.themes],
            "tokens": [_plain_token(token) for token in self.tokens],
        }
        if self.selections:
            found["selections"] = [{"name": kept.name, "tokens": list(kept.tokens)} for kept in self.selections]
        if self.palettes:
            found["palettes"] = [palette.plain() for palette in self.palettes]
        if self.contract != EMPTY:
            found["contract"] = self.contract
        if self.outputs:
            found["outputs"] = [output.plain() for output in self.outputs]
        if self.guide != Guide():
            found["guide"] = self.guide.model_dump(mode="json")
        return found

    def with_palettes(self) -> tuple[PublishedToken, ...]:
        """All tokens, and the colors of palettes as tokens; those that a token has the name of are left out."""
        return self._with_palettes

    @cached_property
    def _with_palettes(self) -> tuple[PublishedToken, ...]:
        taken = {css_name(token.name) for token in self.tokens}
        of_palettes = (token for palette in self.palettes for token in palette_tokens(palette))
        return self.tokens + tuple(token for token in of_palettes if css_name(token.name) not in taken)

    def __getstate__(self) -> dict[str, Any]:
        # Many threads share a publication: what one of them remembers is not written while another one sends it.
        return {each.name: getattr(self, each.name) for each in fields(self)}

    def of(self, selection: PublishedSelection) -> "Publication":
        """What of this one selection holds, under the system's name and its own."""
        kept = set(selection.tokens)
        tokens = tuple(each for each in self.tokens if each.id in kept)
        return Publication(f"{self.name}, {selection.name}", self.themes, tokens)

    @classmethod
    def from_plain(cls, data: dict[str, Any]) -> "Publication":
        """Read what `plain` gave, or a release of format 1."""
        selections = (PublishedSelection(kept["name"], tuple(kept["tokens"])) for kept in data.get("selections", []))
        if data.get("format", 1) == 1:
            themes: tuple[PublishedTheme, ...] = (PublishedTheme(UNNAMED, ""),)
            tokens = [
                PublishedToken(each["id"], each["name"], {UNNAMED: PublishedValue.from_plain(each)}, each["note"])
                for each in data["tokens"]
            ]
        else:
            themes = tuple(PublishedTheme.from_plain(theme) for theme in data["themes"])
            tokens = [_token_of_plain(each, themes) for each in data["tokens"]]
        palettes = tuple(PublishedPalette.from_plain(each) for each in data.get("palettes", []))
        contract = data.get("contract", EMPTY)
        outputs = tuple(PublishedOutput.from_plain(each) for each in data.get("outputs", []))
        guide = Guide.model_validate(data.get("guide", {}))
        return cls(data["name"], themes, tuple(tokens), tuple(selections), palettes, contract, outputs, guide)


def palette_tokens(palette: PublishedPalette) -> tuple[PublishedToken, ...]:
    """The colors of a palette as tokens: `chart.`, its name, and the number of each, or what it is beside them."""
    others = ((theme, tuple(found.items())) for theme, found in palette.others.items())
    return _palette_tokens(palette.id, palette.name, palette.categories, tuple(palette.colors.items()), tuple(others))


@remembered(_REMEMBERED)
def _palette_tokens(
    palette: str,
    called: str,
    categories: tuple[str, ...],
    colors: tuple[tuple[str, tuple[str, ...]], ...],
    others: tuple[tuple[str, tuple[tuple[str, str], ...]], ...],
) -> tuple[PublishedToken, ...]:
    """By theme the colors and the other ones: while one hue is dragged, the palettes without it stay."""
    prefix = f"chart.{css_name(called)}"
    by_role: dict[str, dict[str, str]] = {}
    for theme, found in others:
        for role, color in found:
            by_role.setdefault(role, {})[theme] = color

    def token(last: str, values: dict[str, str], note: str = "") -> PublishedToken:
        worn = {theme: PublishedValue(color) for theme, color in values.items()}
        return PublishedToken(f"palette/{palette}/{last}", f"{prefix}.{last}", worn, note)

    numbers = range(max((len(each) for _, each in colors), default=0))
    of_numbers = (
        token(
            str(number + 1), {theme: each[number] for theme, each in colors}, categories[number] if categories else ""
        )
        for number in numbers
    )
    return (*of_numbers, *(token(role, values) for role, values in by_role.items()))


def _plain_token(token: PublishedToken) -> dict[str, Any]:
    found: dict[str, Any] = {"id": token.id, "name": token.name}
    if token.note:
        found["note"] = token.note
    if token.usage:
        found["usage"] = token.usage
    if token.deprecated is not None:
        found["deprecated"] = {"replacement": token.deprecated.replacement, "reason": token.deprecated.reason}
    values = list(token.values.values())
    if all(value == values[0] for value in values):
        return {**found, "value": values[0].plain()}
    return {**found, "values": {theme: value.plain() for theme, value in token.values.items()}}


def _token_of_plain(data: dict[str, Any], themes: tuple[PublishedTheme, ...]) -> PublishedToken:
    if "value" in data:
        shared = PublishedValue.from_plain(data["value"])
        values = {theme.id: shared for theme in themes}
    else:
        values = {theme: PublishedValue.from_plain(value) for theme, value in data["values"].items()}
    gone = data.get("deprecated")
    deprecated = PublishedDeprecation(gone["replacement"], gone["reason"]) if gone else None
    return PublishedToken(data["id"], data["name"], values, data.get("note", ""), data.get("usage", ""), deprecated)


def publication(resolved: Resolved) -> Publication:
    """What would be published of a resolved document."""
    system = resolved.system
    themes = published_themes(resolved)
    tokens = published_tokens(resolved)
    names = {token.id: token.name for token in tokens}
    palettes = tuple(published_palettes(resolved, names))
    selections = tuple(_selections(system, set(names)))
    found = Publication(system.name, themes, tuple(tokens), selections, palettes, contract(resolved))
    return replace(found, outputs=published_outputs(system, found.with_palettes()), guide=system.guide)


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
        values = {key: _value(resolved, theme, token, ways[key], step_names) for key, theme in resolved.themes.items()}
        if values:
            tokens.append(
                PublishedToken(token.id, token.name, values, token.note, token.usage, _deprecation(system, token))
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
    ids: tuple[str, ...], names: tuple[str, ...], levels: bytes, alpha: float, p3: bytes | None, themes: tuple[str, ...]
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
    return PublishedDeprecation(other.name if other and not other.internal else None, token.deprecated.reason)


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
        alias = None if hue.own_place is None else step_names.get((hue.id, hue.steps[hue.own_place].id))
    elif isinstance(value, TokenAlias):
        target = resolved.system.tokens[value.token]
        alias = None if target.internal else target.name
    return _value_of(color.rgb8.tobytes(), color.alpha, alias, _channels(color.p3))


@remembered(4096)
def _value_of(levels: bytes, alpha: float, alias: str | None, p3: tuple[float, float, float] | None) -> PublishedValue:
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
        ids = tuple(key for ref in members(system, kept) if (key := f"{ref.hue}/{ref.step}") in published)
        if ids:
            found.append(PublishedSelection(kept.name, ids))
    return found
