"""A system out of a sheet of tokens: hues with their scales, known by names and by order of lightness, pins, tokens.

What ends in a number, rises or falls in lightness along it and is the same in every theme is a scale: every step is
pinned to what the sheet says. All else is a token, which stands on a step or on another token where the sheet says so,
or where exactly one step has its color in that theme; else it is a color of its own.
"""

import re
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from itertools import pairwise

import numpy as np

from heimat.core.color.arrays import from_bytes
from heimat.core.color.naming import check_line, one_line
from heimat.core.color.notation import Color, oklch_of, rgb8_of
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.consistency import check_system
from heimat.core.document.hues import GivenSource, Hue, HueKind
from heimat.core.document.names import check_hue_name, check_token_name, clashes, css_name
from heimat.core.document.order import keys
from heimat.core.document.part import LONGEST_NAME
from heimat.core.document.purposes import purpose_named
from heimat.core.document.system import MOST_HUES, MOST_THEMES, MOST_TOKENS, ColorSystem
from heimat.core.document.themes import Scheme, Theme
from heimat.core.document.tokens import Deprecation, LiteralColor, StepAlias, Token, TokenAlias, TokenValue
from heimat.core.edits import apply_all
from heimat.core.edits.pairings import AddPairings
from heimat.core.errors import DomainError
from heimat.core.proposals.pairings import missing_pairings
from heimat.core.proposals.sheet import Named, Sheet, SheetTheme, SheetToken, SheetValue
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.ladder import LEAST_STEPS, MOST_STEPS, Ladder, LadderStep
from heimat.core.sources.conventions import STATUSES, Status

_NUMBERED = re.compile(r"(?P<hue>.+?)(?P<between>[.\-_ /])(?P<step>\d{1,4})")
_NOT_A_SCALE = ("chart",)
"""First words of names that count their colors, and are no scale."""
_NEUTRAL = 0.03
"""OKLCH chroma up to which a scale is one of grays."""
_STATUS_WORDS: dict[Status, tuple[str, ...]] = {
    "success": ("success", "positive", "ok"),
    "warning": ("warning", "caution", "attention"),
    "error": ("error", "danger", "negative", "critical"),
    "information": ("information", "info", "notice"),
}
_LEAST_APART = 0.05
"""L* by which a step differs from the next at least, so that a scale has an order."""


@dataclass(frozen=True)
class ReadScale:
    """A scale that was recognized: the hue's name, how many steps it has, and the colors, from light to dark."""

    name: str
    colors: tuple[Color, ...]


@dataclass(frozen=True)
class Imported:
    """What a sheet comes to: the system, its scales, what was passed over or taken otherwise, in sentences."""

    system: ColorSystem
    scales: tuple[ReadScale, ...]
    passed_over: tuple[str, ...]
    linked: int


@dataclass(frozen=True)
class _Step:
    token: SheetToken
    label: str
    color: Color
    lightness: float


@dataclass(frozen=True)
class _Scale:
    name: str
    pattern: str
    steps: tuple[_Step, ...]


def import_sheet(sheet: Sheet, name: str) -> Imported:
    """A system of a name out of a sheet.

    Raises DomainError (fields `name` and `files`) for a name that cannot be, and for a sheet without colors.
    """
    if not name.strip():
        raise DomainError("A system needs a name.", "name", "empty")
    check_line(name.strip(), "name")
    if not sheet.tokens:
        raise DomainError(" ".join(sheet.passed_over)[:600] or "No colors were found.", "files", "empty")
    told = list(sheet.passed_over)
    themes = _themes(sheet, told)
    scales = _scales(sheet, told)
    pattern = scales[0].pattern if scales else "{hue}.{step}"
    hues, places = _hues(scales)
    in_scales = {step.token.name for scale in scales for step in scale.steps}
    others = [token for token in sheet.tokens if token.name not in in_scales]
    tokens, linked = _tokens(others, themes, places, scales, pattern, told)
    system = ColorSystem(
        name=name.strip()[:LONGEST_NAME],
        hues=hues,
        scale_pattern=pattern,
        scales_published=bool(hues),
        themes={theme.id: theme for theme in themes.values()},
        tokens=tokens,
    )
    check_system(system, "files")
    pairings = missing_pairings(system)
    if pairings:
        system = apply_all(system, [AddPairings(pairings=tuple(pairings))]).system
    read = tuple(ReadScale(scale.name, tuple(step.color for step in scale.steps)) for scale in scales)
    # What is quoted there comes out of the files.
    return Imported(system, read, tuple(map(one_line, told)), linked)


def _themes(sheet: Sheet, told: list[str]) -> dict[str, Theme]:
    """The themes of a sheet by their names there; ids are plain words."""
    named = list(sheet.themes)[:MOST_THEMES]
    if len(sheet.themes) > MOST_THEMES:
        told.append(f"{len(sheet.themes) - MOST_THEMES} themes were not read: a system has at most {MOST_THEMES}.")
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


def _scales(sheet: Sheet, told: list[str]) -> list[_Scale]:
    """The scales of a sheet, those that are written by the same pattern as the first one."""
    groups: dict[tuple[str, str], list[_Step]] = {}
    for token in sheet.tokens:
        match = _NUMBERED.fullmatch(token.name)
        color = _constant(token)
        if match is None or color is None or color.alpha < 1.0 or match["hue"].lower().startswith(_NOT_A_SCALE):
            continue
        lightness = float(srgb_to_lab(from_bytes(rgb8_of(color)))[0])
        groups.setdefault((match["hue"], match["between"]), []).append(_Step(token, match["step"], color, lightness))
    whole = {key: steps for key, found in groups.items() if (steps := _ordered(found)) is not None}
    prefix = _shared_prefix([hue for hue, _ in whole])
    found: list[_Scale] = []
    pattern = None
    for (hue, between), steps in whole.items():
        own = hue[len(prefix) :]
        wanted = f"{prefix}{{hue}}{between}{{step}}"
        pattern = pattern or wanted
        alike = next((each.name for each in found if css_name(each.name).casefold() == css_name(own).casefold()), None)
        if alike is not None:
            told.append(f"{hue} and {alike} are too alike for two hues; the colors of the later one are tokens.")
        elif wanted != pattern or not _is_part(own):
            told.append(f"{hue} is written in another way than the scales before it; its colors are tokens.")
        elif len(found) >= MOST_HUES:
            told.append(f"{hue} is one scale too many: a system has at most {MOST_HUES}.")
        else:
            found.append(_Scale(own, pattern, tuple(steps)))
    return found


def _constant(token: SheetToken) -> Color | None:
    """The color of a token that is the same in every theme."""
    values = list(token.values.values())
    first = values[0]
    same = isinstance(first, Color) and all(value == first for value in values)
    return first if same and isinstance(first, Color) and not token.deprecated else None


def _ordered(steps: Sequence[_Step]) -> list[_Step] | None:
    """Steps from light to dark, where their numbers rise or fall with it; None where they are no scale."""
    if not LEAST_STEPS <= len(steps) <= MOST_STEPS:
        return None
    by_number = sorted(steps, key=lambda step: int(step.label))
    falls = [one.lightness - other.lightness for one, other in pairwise(by_number)]
    if all(fall >= _LEAST_APART for fall in falls):
        return by_number
    return by_number[::-1] if all(fall <= -_LEAST_APART for fall in falls) else None


def _shared_prefix(names: Sequence[str]) -> str:
    """What all names begin with, up to a sign that parts words."""
    if len(names) < 2:
        return ""
    shared = names[0]
    for name in names[1:]:
        while not name.startswith(shared):
            shared = shared[:-1]
    cut = max((shared.rfind(sign) for sign in ".-_/"), default=-1)
    prefix = shared[: cut + 1]
    plain = one_line(prefix) == prefix and not any(sign in prefix for sign in "/{}$")
    return prefix if plain and not prefix.startswith((".", "-", "_")) else ""


def _is_part(name: str) -> bool:
    try:
        check_hue_name(name, "files")
    except DomainError:
        return False
    return "/" not in name


def _hues(scales: Sequence[_Scale]) -> tuple[dict[str, Hue], dict[str, tuple[str, str]]]:
    """Hues with pinned scales; and by the name of each step's token the hue's and the step's ids."""
    hues: dict[str, Hue] = {}
    places: dict[str, tuple[str, str]] = {}
    for number, (scale, order) in enumerate(zip(scales, keys(len(scales)), strict=True)):
        hue_id = f"hue-{number + 1}"
        steps = tuple(
            LadderStep(id=f"s{step.label}", label=step.label, lightness=step.lightness) for step in scale.steps
        )
        strongest = max(scale.steps, key=lambda step: oklch_of(step.color)[1])
        kind, status = _kind(scale)
        hues[hue_id] = Hue(
            id=hue_id,
            order=order,
            name=scale.name,
            kind=kind,
            status=status,
            source=GivenSource(color=strongest.color),
            anchor=Anchor(mode="guide"),
            ladder=Ladder(name="as it was", steps=steps),
            pins={f"s{step.label}": step.color for step in scale.steps},
            note="read from a file",
        )
        places |= {step.token.name: (hue_id, f"s{step.label}") for step in scale.steps}
    return hues, places


def _kind(scale: _Scale) -> tuple[HueKind, Status | None]:
    words = re.split(r"[-_ ]+", scale.name.lower())
    status = next((each for each in STATUSES if set(_STATUS_WORDS[each]) & set(words)), None)
    if status is not None:
        return "status", status
    chroma = np.array([oklch_of(step.color)[1] for step in scale.steps])
    return ("neutral" if float(chroma.max()) <= _NEUTRAL else "brand"), None


def _tokens(
    others: Sequence[SheetToken],
    themes: dict[str, Theme],
    places: dict[str, tuple[str, str]],
    scales: Sequence[_Scale],
    pattern: str,
    told: list[str],
) -> tuple[dict[str, Token], int]:
    """The tokens by id, and how many values were linked to a step because it alone has their color."""
    scale_names = [
        pattern.replace("{hue}", scale.name).replace("{step}", step.label) for scale in scales for step in scale.steps
    ]
    kept = _named(others, scale_names, told)
    ids = {token.name: f"token-{number + 1}" for number, token in enumerate(kept)}
    by_css = {css_name(name): name for name in [*places, *ids]}
    by_color = _by_color(scales)
    loops = _loops(kept, by_css)
    found: dict[str, Token] = {}
    taken: set[str] = set()
    linked = 0
    for token, order in zip(kept, keys(len(kept)), strict=True):
        values: dict[str, TokenValue] = {}
        for name, value in token.values.items():
            if name not in themes:
                continue
            made = _value(token, name, value, places, ids, by_css, loops, told)
            if isinstance(made, LiteralColor) and (step := by_color.get(_key(made))) is not None:
                made = StepAlias(hue=places[step][0], step=places[step][1])
                linked += 1
            if made is not None:
                values[themes[name].id] = made
        if not values:
            continue
        purpose = purpose_named(token.name)
        purpose = None if purpose in taken else purpose
        taken |= {purpose} if purpose else set()
        replacement = ids.get(token.replacement)
        found[ids[token.name]] = Token(
            id=ids[token.name],
            order=order,
            name=token.name,
            purpose=purpose,
            values=values,
            note=one_line(token.note),
            usage=one_line(token.usage),
            deprecated=Deprecation(replacement=replacement, reason=one_line(token.reason))
            if token.deprecated
            else None,
        )
    return _without_nowhere(found), linked


def _without_nowhere(tokens: dict[str, Token]) -> dict[str, Token]:
    """The tokens without those that name one that came to nothing."""
    while True:
        gone = {
            key
            for key, token in tokens.items()
            for value in token.values.values()
            if isinstance(value, TokenAlias) and value.token not in tokens
        }
        if not gone:
            kept = tokens
            break
        tokens = {key: token for key, token in tokens.items() if key not in gone}
    for key, token in kept.items():
        gone_for = token.deprecated.replacement if token.deprecated else None
        if gone_for is not None and gone_for not in kept:
            kept[key] = token.model_copy(
                update={"deprecated": Deprecation(reason=token.deprecated.reason if token.deprecated else "")}
            )
    return kept


def _named(others: Sequence[SheetToken], scale_names: list[str], told: list[str]) -> list[SheetToken]:
    """The tokens whose names can be names here, and clash with none before them."""
    kept: list[SheetToken] = []
    for token in others:
        try:
            check_token_name(token.name, "files")
        except DomainError as refusal:
            told.append(f"{token.name[:60]} was passed over: {refusal.message}")
            continue
        kept.append(token)
    refused = {clash.name: clash.sentence for clash in clashes([*scale_names, *(token.name for token in kept)])}
    for name, sentence in refused.items():
        told.append(f"{name} was passed over: {sentence}")
    kept = [token for token in kept if token.name not in refused]
    if len(kept) > MOST_TOKENS:
        told.append(f"{len(kept) - MOST_TOKENS:,} tokens were passed over: a system has at most {MOST_TOKENS:,}.")
    return kept[:MOST_TOKENS]


def _by_color(scales: Sequence[_Scale]) -> dict[tuple[int, ...], str]:
    """By its levels, the name of the only step that has a color."""
    found: dict[tuple[int, ...], str | None] = {}
    for scale in scales:
        for step in scale.steps:
            key = tuple(int(level) for level in rgb8_of(step.color))
            found[key] = None if key in found else step.token.name
    return {key: name for key, name in found.items() if name is not None}


def _key(value: LiteralColor) -> tuple[int, ...]:
    color = value.color
    return tuple(int(level) for level in rgb8_of(color)) if color.alpha == 1.0 else ()


def _value(
    token: SheetToken,
    theme: str,
    value: SheetValue,
    places: dict[str, tuple[str, str]],
    ids: dict[str, str],
    by_css: dict[str, str],
    loops: set[tuple[str, str]],
    told: list[str],
) -> TokenValue | None:
    if isinstance(value, Color):
        return LiteralColor(color=value)
    target = value.name if value.name in places or value.name in ids else by_css.get(css_name(value.name))
    if target in places:
        hue, step = places[target]
        return StepAlias(hue=hue, step=step)
    if target is None or target not in ids:
        told.append(f"{token.name} stands for {value.name[:60]}, which is not there.")
        return None
    if (token.name, theme) in loops:
        told.append(f"{token.name} stands for itself in the end, in {theme}; it was passed over there.")
        return None
    return TokenAlias(token=ids[target])


def _loops(tokens: Iterable[SheetToken], by_css: dict[str, str]) -> set[tuple[str, str]]:
    """Tokens that stand for themselves in the end, each with the theme; values of other themes are followed too."""
    named = {token.name: token for token in tokens}

    def targets(token: SheetToken) -> set[str]:
        names = (value.name for value in token.values.values() if isinstance(value, Named))
        return {found for name in names if (found := name if name in named else by_css.get(css_name(name))) in named}

    graph = {name: targets(token) for name, token in named.items()}
    # What is left when those that lead to nothing else are taken away, again and again, runs in circles or leads there.
    behind: dict[str, set[str]] = {name: set() for name in graph}
    for name, there in graph.items():
        for each in there:
            behind[each].add(name)
    counts = {name: len(there) for name, there in graph.items()}
    free = [name for name, count in counts.items() if count == 0]
    while free:
        for name in behind[free.pop()]:
            counts[name] -= 1
            if counts[name] == 0:
                free.append(name)
    stuck = {name for name, count in counts.items() if count > 0}
    return {
        (name, theme)
        for name in stuck
        for theme, value in named[name].values.items()
        if isinstance(value, Named)
        and (value.name if value.name in named else by_css.get(css_name(value.name))) in stuck
    }
