"""What developers get: every published token of a system with a value in every theme. Data, nothing else."""

from dataclasses import dataclass, field, fields
from functools import cached_property
from typing import Any

from heimat.core.document.guide_settings import Guide
from heimat.core.document.names import css_name
from heimat.core.document.themes import Scheme, Wanted
from heimat.core.memory import remembered
from heimat.core.publication.contract import EMPTY, Contract
from heimat.core.publication.published_outputs import PublishedOutput
from heimat.core.publication.published_palettes import PublishedPalette

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


@dataclass(frozen=True)
class PublishedTheme:
    """A theme as it leaves: its identity, its name, whether it is light or dark, and for whom it is made."""

    id: str
    name: str
    scheme: Scheme = "light"
    contrast: Wanted = "usual"


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

    @property
    def is_semantic(self) -> bool:
        """Whether it is a semantic token: no step of a scale, and no color of a palette."""
        return "/" not in self.id

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
    """All published tokens under the system's name: scale tokens first, then semantic ones.

    With `keeps_scheme`, who asks for a scheme and for more contrast gets a theme of that scheme, wherever there is one.
    """

    name: str
    themes: tuple[PublishedTheme, ...]
    tokens: tuple[PublishedToken, ...]
    selections: tuple[PublishedSelection, ...] = ()
    palettes: tuple[PublishedPalette, ...] = ()
    contract: Contract = field(default_factory=lambda: EMPTY)
    outputs: tuple[PublishedOutput, ...] = ()
    guide: Guide = field(default_factory=Guide)
    keeps_scheme: bool = True

    def with_palettes(self) -> tuple[PublishedToken, ...]:
        """All tokens, and the colors of palettes as tokens; those that a token has the name of are left out."""
        return self._with_palettes

    @cached_property
    def _with_palettes(self) -> tuple[PublishedToken, ...]:
        taken = {css_name(token.name) for token in self.tokens}
        of_palettes = (token for palette in self.palettes for token in palette_tokens(palette))
        return self.tokens + tuple(
            token for token in of_palettes if css_name(token.name) not in taken
        )

    def __getstate__(self) -> dict[str, Any]:
        # Many threads share a publication: what one of them remembers is not written while another one sends it.
        return {each.name: getattr(self, each.name) for each in fields(self)}

    def of(self, selection: PublishedSelection) -> "Publication":
        """What of this one selection holds, under the system's name and its own."""
        kept = set(selection.tokens)
        tokens = tuple(each for each in self.tokens if each.id in kept)
        name = f"{self.name}, {selection.name}"
        return Publication(name, self.themes, tokens, keeps_scheme=self.keeps_scheme)


def palette_tokens(palette: PublishedPalette) -> tuple[PublishedToken, ...]:
    """The colors of a palette as tokens: `chart.`, its name, and the number of each, or what it is beside them."""
    others = ((theme, tuple(found.items())) for theme, found in palette.others.items())
    return _palette_tokens(
        palette.id, palette.name, palette.categories, tuple(palette.colors.items()), tuple(others)
    )


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
            str(number + 1),
            {theme: each[number] for theme, each in colors},
            categories[number] if categories else "",
        )
        for number in numbers
    )
    return (*of_numbers, *(token(role, values) for role, values in by_role.items()))
