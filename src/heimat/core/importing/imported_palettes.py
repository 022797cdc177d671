"""Palettes out of a sheet: made as the file says they are made, else by their colors.

By category, colors come back as they are, in every theme. What runs over numbers is a way through colors here, so where
a file holds its stops alone, it is drawn anew through some of them; how far that is from the file is told.
"""

from collections.abc import Callable, Container, Iterable, Mapping, Sequence
from dataclasses import dataclass
from typing import Any, get_args

import numpy as np

from heimat.core.charts.bounds import GRAPHIC
from heimat.core.charts.classes import MOST_CLASSES
from heimat.core.charts.delivered import DESIGNED, stops_of
from heimat.core.charts.ramp import lights
from heimat.core.charts.suitability import PaletteKind, suitability
from heimat.core.color.arrays import Bytes, from_bytes
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.color_text import parse
from heimat.core.color.contrast import ratio
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.naming import one_line
from heimat.core.color.rounding import nearest_bytes
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.names import css_name
from heimat.core.document.order import keys
from heimat.core.document.palette_making import PaletteMaking, Standing
from heimat.core.document.palettes import (
    MOST_CATEGORIES,
    MOST_SOURCES,
    OTHER_ROLES,
    Categorical,
    Diverging,
    Palette,
    PaletteColor,
    PaletteMethod,
    PaletteValue,
    Sequential,
    Telling,
    holds_color,
)
from heimat.core.document.part import LONGEST_NAME
from heimat.core.document.tokens import LiteralColor, PaletteAlias
from heimat.core.importing.sheet import SheetPalette
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_palettes import (
    DISCRETE,
    WHITE,
    ResolvedPalette,
    class_colors,
    design_of,
)
from heimat.core.values.palette_colors import ENDS, is_dark

_TELLINGS: tuple[Telling, ...] = get_args(Telling)
_LEAST_CLASSES, _LEAST_RUNNING = 2, 3
_LIGHTEST, _DARKEST = 99.0, 2.0
"""L* between which a way through colors runs at most."""
_AS_LIGHT = 1.5
"""L* by which the ends of a palette in two directions may be off those that follow grounds."""


@dataclass(frozen=True)
class ThemeColors:
    """What palettes of a file stand in: the ids of themes and tokens by the file's names, and the usual ground.

    `standing` is what a name stands for, `alone` what a color is: the step that alone has it, or itself. `ground` is
    the token that palettes stand on where nothing is said, with its color (3,) by the id of each theme.
    """

    themes: Mapping[str, str]
    tokens: Mapping[str, str]
    standing: Callable[[str], PaletteValue | None]
    alone: Callable[[Color], PaletteValue]
    ground: str | None
    grounds: Mapping[str, Bytes]

    def ground8(self, theme: str) -> Bytes:
        """The color (3,) of the usual ground in a theme, by its id."""
        return self.grounds.get(theme, WHITE)


@dataclass(frozen=True)
class ReadPalette:
    """A palette that was read, what the file says of it, and what is told of how it was read."""

    said: SheetPalette
    palette: Palette
    told: tuple[str, ...]


def free_names(found: Iterable[SheetPalette]) -> list[str]:
    """The names that palettes of a sheet get, none like another."""
    taken: set[str] = set()
    return [_free(one_line(said.name)[:LONGEST_NAME].strip() or "palette", taken) for said in found]


def read_palettes(
    found: Sequence[SheetPalette],
    names: Sequence[str],
    within: ThemeColors,
    by_colors: Container[int],
) -> list[ReadPalette]:
    """Palettes of a sheet by these names, in order; at some places by colors, however the file says they are made."""
    read: list[ReadPalette] = []
    for place, (said, name, order) in enumerate(zip(found, names, keys(len(found)), strict=True)):
        told: tuple[str, ...] = ()
        make = None if place in by_colors else _made(said, within)
        made = said.made
        if make is None:
            make, told = _by_colors(said, name, within)
            made = None
        palette = Palette(
            id=f"palette-{place + 1}",
            order=order,
            name=name,
            make=make,
            ground=within.tokens.get(made.ground or "") if made else _ground(said, make, within),
            column=one_line(made.column) if made else "",
            view=one_line(made.view) if made else "",
            note=one_line(said.note),
            others={role: _value(value, within) for role, value in made.others.items()}
            if made
            else {},
        )
        read.append(ReadPalette(said, palette, told))
    return read


def bound_values(
    read: Sequence[ReadPalette], within: ThemeColors
) -> dict[tuple[str, str], PaletteAlias]:
    """By the ids of a token and a theme, the color of a palette that the token is there."""
    found: dict[tuple[str, str], PaletteAlias] = {}
    for each in read:
        for bound in each.said.made.bound if each.said.made else ():
            token, theme = within.tokens.get(bound.token), within.themes.get(bound.theme)
            color = f"c{bound.place + 1}" if bound.place is not None else None
            alias = PaletteAlias(palette=each.palette.id, color=color, along=bound.along)
            if (
                token is not None
                and theme is not None
                and holds_color({each.palette.id: each.palette}, alias)
            ):
                found[token, theme] = alias
    return found


def away(read: ReadPalette, place: int, resolved: Resolved, within: ThemeColors) -> float:
    """How far a palette that was read is from what its file says, at most, in any theme (CIEDE2000).

    Infinitely far where it has not as many colors.
    """
    furthest = 0.0
    for said, in_classes in ((read.said.colors, True), (read.said.stops, False)):
        for theme, colors in said.items():
            shown = resolved.palettes.get(within.themes.get(theme, ""), [])
            if not shown or (not in_classes and isinstance(read.palette.make, Categorical)):
                continue
            there = class_colors(shown[place]) if in_classes else _along(shown[place], len(colors))
            if len(there) != len(colors):
                return float("inf")
            labs = srgb_to_lab(from_bytes(np.stack([there, _levels(colors)])))
            furthest = max(furthest, float(ciede2000(labs[0], labs[1]).max()))
    return furthest


def _along(shown: ResolvedPalette, count: int) -> Bytes:
    design = design_of(shown, DESIGNED)
    if design is None:
        return np.empty((0, 3), dtype=np.uint8)
    # As many as a file has that was written of the same palette; of any other, where its stops are.
    stops8 = stops_of(design)
    if len(stops8) == count:
        return stops8
    return nearest_bytes(design[np.linspace(0, DESIGNED - 1, count).round().astype(int)])


def is_its(css: str, name: str, said: SheetPalette) -> bool:
    """Whether the name of a token, as CSS writes it, is that of a color of a palette of this name."""
    last = css.removeprefix(f"chart-{css_name(name)}-")
    return last != css and (last.isdigit() or (said.made is not None and last in OTHER_ROLES))


def _ground(said: SheetPalette, make: PaletteMethod, within: ThemeColors) -> str | None:
    """The usual ground, but for what runs the same way on light and dark: that stands on white."""
    if isinstance(make, Categorical):
        return within.ground
    runs = (said.stops or said.colors).items()
    follows = {
        _is_on_dark(colors, make.kind) == is_dark(within.ground8(within.themes[theme]))
        for theme, colors in runs
        if theme in within.themes
    }
    return within.ground if len(follows) < 2 else None


def _free(wanted: str, taken: set[str]) -> str:
    name, number = wanted, 1
    while css_name(name).casefold() in taken:
        number += 1
        name = f"{wanted[: LONGEST_NAME - 4]} {number}"
    taken.add(css_name(name).casefold())
    return name


def _value(standing: Standing, within: ThemeColors) -> PaletteValue:
    named = within.standing(standing.token) if standing.token else None
    return named or LiteralColor(color=parse(standing.color))


def _made(said: SheetPalette, within: ThemeColors) -> PaletteMethod | None:
    """A palette as the file says that it is made; None where it does not, or where that makes none."""
    if said.made is None or said.kind is None:
        return None
    values = [_value(standing, within) for standing in said.made.of]
    data: dict[str, Any] = dict(said.made.how)
    try:
        if said.kind == "categorical":
            colors = _colors(said, said.made, values, within)
            return Categorical.model_validate(
                {**data, "told_by": _tellings(said), "colors": colors}
            )
        data["typed"] = said.breaks
        if said.kind == "sequential":
            return Sequential.model_validate({**data, "sources": values})
        low, high = values
        return Diverging.model_validate({**data, **_sides(said), "low": low, "high": high})
    except (ValueError, TypeError):
        return None


def _sides(said: SheetPalette) -> dict[str, Any]:
    low, high = said.ends
    return {"low_words": one_line(low), "high_words": one_line(high), "middle": said.middle}


def _tellings(said: SheetPalette) -> tuple[Telling, ...]:
    return tuple(telling for telling in _TELLINGS if telling in said.told_by)


def _colors(
    said: SheetPalette, made: PaletteMaking, values: Sequence[PaletteValue], within: ThemeColors
) -> tuple[PaletteColor, ...]:
    colors = []
    for place, value in enumerate(values):
        shades = {
            within.themes[theme]: said.colors[theme][place]
            for theme, places in made.shaded.items()
            if place in places
            and theme in within.themes
            and place < len(said.colors.get(theme, ()))
        }
        category = one_line(said.categories[place]) if place < len(said.categories) else ""
        color = PaletteColor(
            id=f"c{place + 1}",
            value=value,
            category=category,
            held=place in made.held,
            shades=shades,
        )
        colors.append(color)
    return tuple(colors)


def _by_colors(
    said: SheetPalette, name: str, within: ThemeColors
) -> tuple[PaletteMethod, tuple[str, ...]]:
    """A palette by its colors alone."""
    theme, through = next(iter((said.stops or said.colors).items()))
    kind = said.kind or _kind(through)
    if kind == "categorical" or len(through) < 2:
        many = max(map(len, (said.colors or said.stops).values()))
        told = f"{name} has {many} colors; the first {MOST_CATEGORIES} are read, the most of a palette by category."
        return _by_category(said, within), (told,) if many > MOST_CATEGORIES else ()
    running = {
        "classes": _classes(said),
        "typed": said.breaks,
        "breaks": "typed" if said.breaks else "equal",
    }
    try:
        if kind == "diverging":
            return _two_ways(through, said, running, dark=_is_on_dark(through, "diverging")), ()
        return _ordered(_levels(through), within.ground8(within.themes.get(theme, "")), running), ()
    except ValueError:
        told = f"{name} is read as a few colors by category: no order of lightness leads from one end to the other."
        return _by_category(said, within, DISCRETE), (told,)


def _kind(colors: Sequence[Color]) -> PaletteKind:
    few = np.linspace(0, len(colors) - 1, min(len(colors), DISCRETE)).round().astype(int)
    return suitability(_levels([colors[at] for at in few]))[0].kind


def _classes(said: SheetPalette) -> int | None:
    """How many classes a palette has; a continuous one has so many colors where it is used by classes after all."""
    count = max(map(len, said.colors.values()), default=0)
    if not _LEAST_CLASSES <= count <= MOST_CLASSES or (said.stops and count == DISCRETE):
        return None
    return count


def _ordered(levels: Bytes, ground8: Bytes, running: dict[str, Any]) -> Sequential:
    """A way through some of the colors (n, 3) of one that runs over numbers. Raises ValueError where it is none."""
    light = lights(levels)
    steps = np.diff(light)
    if not ((steps >= 0.0).all() or (steps <= 0.0).all()):
        raise ValueError("its lightness turns on the way")
    few = np.unique(
        np.linspace(0, len(levels) - 1, min(len(levels), MOST_SOURCES)).round().astype(int)
    )
    falls = light[0] > light[-1]
    return Sequential(
        sources=tuple(LiteralColor(color=Color.of_bytes(levels[at])) for at in few),
        lightest=min(float(light.max()), _LIGHTEST),
        darkest=max(float(light.min()), _DARKEST),
        reversed=bool(falls == is_dark(ground8)),
        **running,
    )


def _two_ways(
    colors: Sequence[Color], said: SheetPalette, running: dict[str, Any], *, dark: bool
) -> Diverging:
    low, high = LiteralColor(color=colors[0]), LiteralColor(color=colors[-1])
    # Ends as light as those that follow every ground do so here too; others are these very colors.
    usual = np.abs(lights(_levels([colors[0], colors[-1]])) - ENDS[dark]).max() < _AS_LIGHT
    return Diverging(low=low, high=high, exact=not usual, **_sides(said), **running)


def _is_on_dark(colors: Sequence[Color], kind: PaletteKind) -> bool:
    """Whether what runs over numbers does so as on a dark ground: from dark to light, or from a dark middle."""
    light = lights(_levels(colors))
    near, far = (
        (light[0], light[-1])
        if kind == "sequential"
        else (light[len(light) // 2], (light[0] + light[-1]) / 2)
    )
    return bool(near < far)


def stated_grounds(said: SheetPalette) -> dict[str, Color]:
    """What a palette stands on by theme, if its file says it."""
    return (
        {theme: parse(ground) for theme, ground in said.made.grounds.items()} if said.made else {}
    )


def guessed_grounds(
    palettes: Iterable[SheetPalette], dark_by_name: Callable[[str], bool]
) -> dict[str, Color]:
    """By theme white, or black where palettes run as on a dark ground; nothing where none does.

    In two directions the middle tells; what runs in one may be reversed, but then it is so in every theme.
    """
    runs = _runs_as_on_dark(palettes)
    themes = list(
        dict.fromkeys(
            theme for kind in ("diverging", "sequential") for each in runs[kind] for theme in each
        )
    )
    first = themes[0] if themes else ""
    dark: dict[str, bool] = {}
    for theme in themes:
        sided = next((each[theme] for each in runs["diverging"] if theme in each), None)
        turned = any(each.get(theme) != each[first] for each in runs["sequential"] if first in each)
        named = dark_by_name(theme) if theme == first else dark[first] != turned
        dark[theme] = named if sided is None else sided
    if not any(dark.values()):
        return {}
    return {theme: parse("#000000" if each else "#ffffff") for theme, each in dark.items()}


def _runs_as_on_dark(
    palettes: Iterable[SheetPalette],
) -> dict[PaletteKind, list[dict[str, bool]]]:
    """Of palettes that do not say their grounds, by kind: whether each runs as on a dark one, by theme."""
    runs: dict[PaletteKind, list[dict[str, bool]]] = {
        "sequential": [],
        "diverging": [],
        "categorical": [],
    }
    for said in palettes:
        through = {
            theme: each
            for theme, each in (said.stops or said.colors).items()
            if len(each) >= _LEAST_RUNNING
        }
        if through and not stated_grounds(said):
            kind = said.kind or _kind(next(iter(through.values())))
            runs[kind].append({theme: _is_on_dark(each, kind) for theme, each in through.items()})
    return runs


def _by_category(said: SheetPalette, within: ThemeColors, spread: int = 0) -> Categorical:
    """Colors by category, as they are in every theme; of more than a palette has the first, or so many along it."""
    by_theme = {theme: colors for theme, colors in (said.colors or said.stops).items() if colors}
    base = next(iter(by_theme.values()))
    few = list(range(min(len(base), MOST_CATEGORIES)))
    if spread and len(base) > MOST_CATEGORIES:
        few = [round(place) for place in np.linspace(0, len(base) - 1, spread)]
    colors = []
    for number, place in enumerate(few, start=1):
        shades = {
            within.themes[theme]: there[place]
            for theme, there in by_theme.items()
            if theme in within.themes and place < len(there) and there[place] != base[place]
        }
        category = one_line(said.categories[place]) if place < len(said.categories) else ""
        value = within.alone(base[place])
        colors.append(PaletteColor(id=f"c{number}", value=value, category=category, shades=shades))
    # What is asked of contrast is at most what they have on their grounds: they would move otherwise.
    least = min(
        (
            float(ratio(_levels(there), within.ground8(within.themes[theme])).min())
            for theme, there in by_theme.items()
            if theme in within.themes
        ),
        default=GRAPHIC,
    )
    contrast = max(1.0, min(GRAPHIC, np.floor(least * 100.0) / 100.0))
    return Categorical(colors=tuple(colors), contrast=contrast, told_by=_tellings(said) or ("gap",))


def _levels(colors: Sequence[Color]) -> Bytes:
    return np.array([rgb8_of(color) for color in colors], dtype=np.uint8)
