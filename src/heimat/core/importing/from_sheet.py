"""A system out of a sheet of tokens: hues with their scales, known by names and by order of lightness, pins, tokens.

What ends in a number, rises or falls in lightness along it and is the same in every theme is a scale: every step is
pinned to what the sheet says. All else is a token, which stands on a step or on another token where the sheet says so,
or where exactly one step has its color in that theme; else it is a color of its own. Palettes are made as a file says,
else by their colors.
"""

from collections.abc import Container, Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass, replace
from math import inf, isinf

from heimat.core.color.ciede2000 import distance_text
from heimat.core.color.exact_color import Color
from heimat.core.color.hex_notation import hexes_of
from heimat.core.color.naming import check_line, one_line
from heimat.core.document.consistency import check_system
from heimat.core.document.names import css_name
from heimat.core.document.order import keys
from heimat.core.document.palettes import MOST_PALETTES, Palette, PaletteValue, tokens_under
from heimat.core.document.part import LONGEST_NAME
from heimat.core.document.system import MOST_THEMES, MOST_TOKENS, ColorSystem
from heimat.core.document.themes import Scheme, Theme
from heimat.core.document.tokens import LiteralColor, Token, TokenAlias
from heimat.core.document.words import counted
from heimat.core.edits import UserEdit, apply_all
from heimat.core.edits.pairing_edits import AddPairings, KeepToldApart, NewPairing
from heimat.core.errors import DomainError
from heimat.core.filling.missing_pairings import missing_pairings
from heimat.core.importing.imported_palettes import (
    ReadPalette,
    ThemeColors,
    away,
    bound_values,
    free_names,
    guessed_grounds,
    is_its,
    read_palettes,
    stated_grounds,
)
from heimat.core.importing.imported_scales import ReadSteps, find_scales, hues_of
from heimat.core.importing.imported_tokens import tokens_of
from heimat.core.importing.sheet import DEFAULT, Named, Sheet, SheetMaker, SheetTheme, SheetToken
from heimat.core.resolve.resolved import resolve

_TOLD_FROM = 0.05
"""CIEDE2000 between a palette of a file and what it comes to, from which on it is told."""
_GROUNDS = ("surface.card", "surface.page")
"""What palettes stand on where a file does not say it, the first that is there."""


@dataclass(frozen=True)
class ShownScale:
    """A scale that was recognized: the hue's name, and the colors, from light to dark."""

    name: str
    colors: tuple[Color, ...]


@dataclass(frozen=True)
class ShownPalette:
    """A palette that was read, with its colors in the first theme, `#RRGGBB`."""

    palette: Palette
    colors: tuple[str, ...]


@dataclass(frozen=True)
class Imported:
    """What a sheet comes to: the system, its scales and palettes, what was passed over or taken otherwise, told.

    `linked` is how many values are a step's because it alone has their color.
    """

    system: ColorSystem
    scales: tuple[ShownScale, ...]
    palettes: tuple[ShownPalette, ...]
    passed_over: tuple[str, ...]
    linked: int


def import_sheet(sheet: Sheet, name: str) -> Imported:
    """A system of a name out of a sheet.

    Raises DomainError (fields `name` and `files`) for a name that cannot be, and for a sheet without colors.
    """
    if not name.strip():
        raise DomainError("A system needs a name.", "name", "empty")
    check_line(name.strip(), "name")
    if not sheet.tokens and not sheet.palettes:
        raise DomainError(
            " ".join(sheet.passed_over)[:600] or "No colors were found.", "files", "empty"
        )
    told = list(sheet.passed_over)
    if len(sheet.palettes) > MOST_PALETTES:
        more = len(sheet.palettes) - MOST_PALETTES
        verb = "was" if more == 1 else "were"
        told.append(
            f"{counted(more, 'palette')} more {verb} passed over: a system has at most {MOST_PALETTES}."
        )
    themes = _themes(sheet, told)
    scales = find_scales(sheet, told)
    hues, steps = hues_of(scales)
    bare = ColorSystem(
        name=name.strip()[:LONGEST_NAME],
        hues=hues,
        scale_pattern=scales[0].pattern if scales else "{hue}.{step}",
        scales_published=bool(hues),
        themes={theme.id: theme for theme in themes.values()},
    )
    ids = {said: theme.id for said, theme in themes.items()}
    others = [token for token in sheet.tokens if token.name not in steps.places]
    others += _grounds(sheet, told)
    made = _Making(bare, sheet, ids, others, steps).made()
    system = made.system
    check_system(system, "files")
    pairings = _declared(system, sheet, told) or missing_pairings(system)
    meeting = [AddPairings(pairings=tuple(pairings))] if pairings else []
    edits: list[UserEdit] = [*meeting, *_told_apart(system, sheet)]
    if edits:
        system = apply_all(system, edits).system
    shown = (
        resolve(system).palettes.get(next(iter(system.themes), ""), []) if system.palettes else []
    )
    return Imported(
        system,
        tuple(
            ShownScale(scale.name, tuple(step.color for step in scale.steps)) for scale in scales
        ),
        tuple(ShownPalette(each.palette, tuple(hexes_of(each.rgb8))) for each in shown),
        # What is quoted there comes out of the files.
        tuple(map(one_line, [*told, *made.told])),
        made.linked,
    )


@dataclass(frozen=True)
class _Made:
    system: ColorSystem
    linked: int
    told: tuple[str, ...]


@dataclass(frozen=True)
class _Making:
    """A system of scales, and what else a sheet holds: tokens that are no step, with the ids of themes by its names."""

    bare: ColorSystem
    sheet: Sheet
    themes: dict[str, str]
    others: Sequence[SheetToken]
    steps: ReadSteps

    def made(self) -> _Made:
        """The system with tokens and palettes.

        A palette that does not come to the colors of its file leaves them to its tokens, which have them to the bit;
        one by category is made of its colors then, whatever the file says of it.
        """
        if not self.sheet.palettes:
            return self._with_tokens(self.others)
        anew: set[int] = set()
        made, read, off = self._with_palettes(anew, anew)
        if any(off):
            anew = {place for place, far in enumerate(off) if far}
            by_colors = {
                place
                for place in anew
                if read[place].said.kind == "categorical" or isinf(off[place])
            }
            made, read, off = self._with_palettes(by_colors, anew)
        drawn = tuple(
            f"{each.palette.name} is drawn anew: within CIEDE2000 {distance_text(far)} of the file."
            for each, far in zip(read, off, strict=True)
            if _TOLD_FROM <= far < inf
        )
        return replace(
            made, told=(*made.told, *(words for each in read for words in each.told), *drawn)
        )

    def _with_tokens(self, others: Sequence[SheetToken]) -> _Made:
        told: list[str] = []
        tokens, linked = tokens_of(others, self.themes, self.steps, told)
        return _Made(self.bare.model_copy(update={"tokens": tokens}), linked, tuple(told))

    def _with_palettes(
        self, by_colors: Container[int], kept: Container[int]
    ) -> tuple[_Made, list[ReadPalette], list[float]]:
        """The same with palettes, some by their colors, the tokens of some kept; and how far each is from the file."""
        said = self.sheet.palettes[:MOST_PALETTES]
        names = free_names(said)
        targets = {
            css_name(value.name)
            for token in self.others
            for value in token.values.values()
            if isinstance(value, Named)
        }

        def is_color(token: SheetToken) -> bool:
            css = css_name(token.name)
            its = (
                is_its(css, name, each)
                for place, (name, each) in enumerate(zip(names, said, strict=True))
                if place not in kept
            )
            return css not in targets and any(its)

        made = self._with_tokens([token for token in self.others if not is_color(token)])
        within = self._within(made.system)
        read = read_palettes(said, names, within, by_colors)
        palettes = {each.palette.id: each.palette for each in read}
        tokens = dict(made.system.tokens)
        held = _held(tokens, palettes.values())
        for (token, theme), alias in bound_values(read, within).items():
            if token not in held:
                tokens[token] = tokens[token].model_copy(
                    update={"values": {**tokens[token].values, theme: alias}}
                )
        system = made.system.model_copy(update={"tokens": tokens, "palettes": palettes})
        resolved = resolve(system)
        off = [away(each, place, resolved, within) for place, each in enumerate(read)]
        return replace(made, system=system), read, off

    def _within(self, system: ColorSystem) -> ThemeColors:
        tokens = {token.name: token.id for token in system.tokens.values()}
        ground = next((tokens[name] for name in _GROUNDS if name in tokens), None)
        themes = resolve(system).themes
        grounds = (
            {key: theme.tokens[ground].rgb8 for key, theme in themes.items()} if ground else {}
        )

        def standing(name: str) -> PaletteValue | None:
            if name in tokens:
                return TokenAlias(token=tokens[name])
            return self.steps.places.get(name)

        def alone(color: Color) -> PaletteValue:
            return self.steps.alone(color) or LiteralColor(color=color)

        first = next(iter(themes), "")
        words = {css_name(said): key for said, key in self.themes.items()}
        return ThemeColors(
            {DEFAULT: first, **words, **self.themes}, tokens, standing, alone, ground, grounds
        )


def _held(tokens: Mapping[str, Token], palettes: Iterable[Palette]) -> set[str]:
    """The ids of tokens that palettes stand on, and of all that those stand for."""
    held: set[str] = set()
    found = [token for palette in palettes for token in tokens_under(palette)]
    while found:
        token = found.pop()
        if token in held or token not in tokens:
            continue
        held.add(token)
        found += [
            value.token for value in tokens[token].values.values() if isinstance(value, TokenAlias)
        ]
    return held


def _themes(sheet: Sheet, told: list[str]) -> dict[str, Theme]:
    """The themes of a sheet by their names there; ids are plain words."""
    said = sheet.themes or tuple(map(SheetTheme, dict.fromkeys(_themes_of_palettes(sheet))))
    named = said[:MOST_THEMES]
    if len(said) > MOST_THEMES:
        told.append(
            f"{len(said) - MOST_THEMES} themes were not read: a system has at most {MOST_THEMES}."
        )
    found: dict[str, Theme] = {}
    used: set[str] = set()
    for number, (theme, order) in enumerate(zip(named, keys(len(named)), strict=True)):
        name = one_line(theme.name)[:LONGEST_NAME] or f"theme {number + 1}"
        if css_name(name).casefold() in used:
            told.append(f"Two themes are called {name}; the later one is theme {number + 1}.")
            name = f"theme {number + 1}"
        used.add(css_name(name).casefold())
        found[theme.name] = Theme(
            id=f"theme-{number + 1}",
            order=order,
            name=name,
            scheme=theme.scheme or _scheme_named(theme),
            contrast=theme.contrast or ("more" if "contrast" in theme.name.lower() else "usual"),
        )
    return found


def _scheme_named(theme: SheetTheme) -> Scheme:
    return "dark" if any(word in theme.name.lower() for word in ("dark", "night")) else "light"


def _declared(system: ColorSystem, sheet: Sheet, told: list[str]) -> list[NewPairing]:
    """The pairings that a file declares, of tokens that are there."""
    ids = {token.name: token.id for token in system.tokens.values()}
    # What would stand on itself is no pairing.
    declared = [each for each in dict.fromkeys(sheet.pairings) if each.foreground != each.ground]
    found = [
        NewPairing(
            id=f"pair-{number}",
            foreground=ids[each.foreground],
            ground=ids[each.ground],
            use=each.use,
        )
        for number, each in enumerate(declared, start=1)
        if each.foreground in ids and each.ground in ids
    ]
    missing = len(declared) - len(found)
    if missing:
        told.append(
            f"{missing} of the declared pairings {'names' if missing == 1 else 'name'} a token that is not there."
        )
    return found[:MOST_TOKENS]


def _told_apart(system: ColorSystem, sheet: Sheet) -> list[KeepToldApart]:
    """The sets of tokens that a file wants told apart."""
    ids = {token.name: token.id for token in system.tokens.values()}
    return [
        KeepToldApart(
            id=f"apart-{number}",
            name=one_line(each.name)[:LONGEST_NAME].strip() or "told apart",
            tokens=tuple(tokens),
            threshold=each.threshold,
        )
        for number, each in enumerate(sheet.told_apart, start=1)
        if len(tokens := list(dict.fromkeys(ids[name] for name in each.tokens if name in ids))) > 1
    ]


def _grounds(sheet: Sheet, told: list[str]) -> list[SheetToken]:
    """Tokens that palettes stand on and no file holds: without them, what runs on dark would run the wrong way."""
    known = {css_name(token.name) for token in sheet.tokens}
    maker = SheetMaker("grounds")
    by_name = {theme.name: theme.scheme or _scheme_named(theme) for theme in sheet.themes}

    def is_dark(theme: str) -> bool:
        return by_name.get(theme, _scheme_named(SheetTheme(theme))) == "dark"

    grounds = [
        (each.made.ground if each.made else None, stated_grounds(each)) for each in sheet.palettes
    ]
    for said, values in [*grounds, (None, guessed_grounds(sheet.palettes, is_dark))]:
        name = said or _GROUNDS[0]
        if css_name(name) not in known and (said or not known & set(map(css_name, _GROUNDS))):
            maker.token(name, dict(values))
    found = list(maker.made().tokens)
    if found:
        names = ", ".join(token.name for token in found)
        told.append(
            f"What palettes stand on is not in the files; it was made of what they say: {names}."
        )
    return found


def _themes_of_palettes(sheet: Sheet) -> Iterator[str]:
    for palette in sheet.palettes:
        yield from palette.colors
        yield from palette.stops
