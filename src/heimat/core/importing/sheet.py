"""A sheet of tokens that a file holds, whatever its form: names, and in each theme a color or another token's name."""

from collections.abc import Sequence
from dataclasses import dataclass, field

from heimat.core.charts.suitability import PaletteKind
from heimat.core.color.exact_color import Color
from heimat.core.document.pairings import Use
from heimat.core.document.palette_making import PaletteMaking
from heimat.core.document.themes import Scheme, Wanted

MOST_SHEET_TOKENS = 10_000
DEFAULT = "default"
"""The theme of a file that knows none."""


@dataclass(frozen=True)
class Named:
    """A value that is another token's, by its name."""

    name: str


SheetValue = Color | Named


@dataclass(frozen=True)
class SheetTheme:
    """A theme of a file: its name, and what the file says of it."""

    name: str
    scheme: Scheme | None = None
    contrast: Wanted | None = None


@dataclass(frozen=True)
class SheetToken:
    """A token of a file, with a value in every theme that says one, by the theme's name."""

    name: str
    values: dict[str, SheetValue]
    note: str = ""
    usage: str = ""
    deprecated: bool = False
    replacement: str = ""
    reason: str = ""


@dataclass(frozen=True)
class SheetPalette:
    """A palette of a file: by theme its colors by category or class, and the stops of one that runs over numbers.

    Without a `kind` its colors tell. `made` is how it is made, with themes by the file's names, where the file says so.
    """

    name: str
    kind: PaletteKind | None
    colors: dict[str, tuple[Color, ...]]
    stops: dict[str, tuple[Color, ...]] = field(default_factory=dict)
    categories: tuple[str, ...] = ()
    middle: float = 0.0
    ends: tuple[str, str] = ("", "")
    breaks: tuple[float, ...] = ()
    note: str = ""
    told_by: tuple[str, ...] = ()
    made: PaletteMaking | None = None


@dataclass(frozen=True)
class SheetPairing:
    """Two tokens of a file that meet, by their names, and for what."""

    foreground: str
    ground: str
    use: Use


@dataclass(frozen=True)
class SheetToldApart:
    """Tokens of a file that are to be told apart, by their names, at least so far (CIEDE2000)."""

    name: str
    tokens: tuple[str, ...]
    threshold: float


@dataclass(frozen=True)
class Sheet:
    """What a file holds: its form in words, its themes, tokens and palettes in order, and what was passed over."""

    form: str
    themes: tuple[SheetTheme, ...]
    tokens: tuple[SheetToken, ...]
    passed_over: tuple[str, ...] = ()
    system: str = ""
    palettes: tuple[SheetPalette, ...] = ()
    pairings: tuple[SheetPairing, ...] = ()
    told_apart: tuple[SheetToldApart, ...] = ()


@dataclass
class SheetMaker:
    """Collects a sheet; a name that comes again adds to what it has, and what it has already stays."""

    form: str
    system: str = ""
    _themes: dict[str, SheetTheme] = field(default_factory=dict)
    _tokens: dict[str, SheetToken] = field(default_factory=dict)
    _passed_over: list[str] = field(default_factory=list)
    _more: int = 0

    def theme(self, name: str, scheme: Scheme | None = None, contrast: Wanted | None = None) -> str:
        """Note a theme. Returns its name."""
        known = self._themes.get(name)
        self._themes[name] = SheetTheme(
            name,
            scheme or (known.scheme if known else None),
            contrast or (known.contrast if known else None),
        )
        return name

    def token(self, name: str, values: dict[str, SheetValue], **said: str | bool) -> None:
        """Note a token, or more values of one."""
        if not name or not values:
            return
        known = self._tokens.get(name)
        if known is None and len(self._tokens) >= MOST_SHEET_TOKENS:
            self._more += 1
            return
        for theme in values:
            self.theme(theme)
        if known is None:
            self._tokens[name] = SheetToken(name, dict(values), **said)  # type: ignore[arg-type]
        else:
            self._tokens[name] = SheetToken(
                name,
                {**values, **known.values},
                *(known.note, known.usage, known.deprecated, known.replacement, known.reason),
            )

    def pass_over(self, words: str) -> None:
        """Note what was not read, in a sentence."""
        self._passed_over.append(words)

    def made(self) -> Sheet:
        """The sheet."""
        more = [
            f"{self._more:,} more tokens were not read: a file has at most {MOST_SHEET_TOKENS:,}."
        ] * bool(self._more)
        return Sheet(
            self.form,
            tuple(self._themes.values()),
            tuple(self._tokens.values()),
            (*self._passed_over, *more),
            self.system,
        )


def best(sheets: Sequence[Sheet]) -> Sheet | None:
    """Of several files the one that says most: by its tokens and their values, and by what it says of them."""

    def weight(sheet: Sheet) -> tuple[int, int, int]:
        names = sum(
            isinstance(value, Named) for token in sheet.tokens for value in token.values.values()
        )
        values = sum(len(token.values) for token in sheet.tokens)
        said = sum(bool(token.note) + bool(token.usage) for token in sheet.tokens)
        return values, names + said, sum(theme.scheme is not None for theme in sheet.themes)

    return max(sheets, key=weight, default=None)


def best_palettes(sheets: Sequence[Sheet]) -> Sheet | None:
    """Of several files the one that says most of palettes: how they are made, then how many, in how many themes."""

    def weight(sheet: Sheet) -> tuple[int, int, int]:
        made = sum(palette.made is not None for palette in sheet.palettes)
        named = sum(bool(palette.categories) for palette in sheet.palettes)
        values = sum(len(palette.colors) + len(palette.stops) for palette in sheet.palettes)
        return made, len(sheet.palettes), values + named

    return max((sheet for sheet in sheets if sheet.palettes), key=weight, default=None)
