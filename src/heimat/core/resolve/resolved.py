"""From a document to everything that can be seen, checked or published. It only calls the parts in order."""

from dataclasses import dataclass
from functools import cached_property

from heimat.core.color.exact_color import Color
from heimat.core.document.aliases import ways_of
from heimat.core.document.order import in_order
from heimat.core.document.palettes import OtherRole
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import Alias, LiteralColor, PaletteAlias, TokenAlias
from heimat.core.resolve.chains import chains_of
from heimat.core.resolve.end_colors import end_color
from heimat.core.resolve.resolved_hues import ResolvedHue, resolve_hues
from heimat.core.resolve.resolved_palettes import (
    ResolvedPalette,
    ThemeContext,
    color_of,
    resolve_palette,
    roles_of,
)
from heimat.core.resolve.steps import Steps, promises_of, steps_of
from heimat.core.resolve.theme import ResolvedTheme, around, resolve_theme
from heimat.core.resolve.token_colors import Ends
from heimat.core.scales.promises import Promise


@dataclass(frozen=True, eq=False)
class Resolved:
    """A document and all that follows from it: hues with their scales, which no theme changes, and every theme.

    `hues` and `themes` are by id and in order. Steps and promises follow from the hues and are found when asked for.
    """

    system: ColorSystem
    hues: dict[str, ResolvedHue]
    themes: dict[str, ResolvedTheme]

    @cached_property
    def ways(self) -> dict[str, tuple[str, ...]]:
        """By the id of each theme, the ids of the themes where it looks for values, in order."""
        return ways_of(self.system)

    @cached_property
    def hue_list(self) -> tuple[ResolvedHue, ...]:
        """The hues, in order."""
        return tuple(self.hues.values())

    @cached_property
    def steps(self) -> Steps:
        """All steps of all scales."""
        return steps_of(self.system.ladder, self.hue_list)

    @cached_property
    def palettes(self) -> dict[str, list[ResolvedPalette]]:
        """By the id of each theme, all palettes in it, in order; under no id on white, where there is no theme."""
        every = in_order(self.system.palettes)
        found = {}
        for key in self.themes or ("",):
            at, theme = self.around(key), self.themes.get(key)
            bound = theme.bound if theme else {}
            found[key] = [resolve_palette(each, at, bound.get(each.id)) for each in every]
        return found

    @cached_property
    def roles(self) -> dict[OtherRole, str]:
        """The tokens for what palettes leave without a color, by their role."""
        return roles_of(self.system.tokens)

    def around(self, theme_id: str | None = None) -> ThemeContext:
        """What palettes stand on in a theme, the first without one; hues alone where there is none."""
        theme = self.theme(theme_id)
        if theme is None:
            return ThemeContext(self.hues, {}, {})
        return around(self.system, self.hues, theme.theme.id, theme.tokens, self.roles)

    def color(self, value: Alias | LiteralColor, theme_id: str | None = None) -> Color:
        """The opaque color that a value comes to in a theme, the first without one, as exactly as it is known.

        A literal, and a hue itself, are what somebody gave; steps, colors of palettes and changed ones are what is
        published. Raises KeyError for a value that names what is not there.
        """
        theme = self.theme(theme_id)
        if isinstance(value, PaletteAlias):
            palettes = self.palettes[theme.theme.id if theme else ""]
            (shown,) = [each for each in palettes if each.palette.id == value.palette]
            return Color.of_bytes(color_of(shown, value))
        if not isinstance(value, TokenAlias):
            return end_color(self.hues, value).color
        if theme is None:
            raise KeyError(value.token)
        token = theme.tokens[value.token]
        if token.derived or isinstance(token.end, PaletteAlias):
            return Color.of_bytes(token.rgb8)
        return end_color(self.hues, token.end).color

    @cached_property
    def promises(self) -> list[Promise]:
        """The promises that all opaque scales keep together."""
        return promises_of(self.system.ladder, self.steps)

    def theme(self, theme_id: str | None = None) -> ResolvedTheme | None:
        """The theme of an id, or the first one; None where the document has no theme."""
        named = self.themes.get(theme_id or "")
        return named or next(iter(self.themes.values()), None)


def resolve(system: ColorSystem) -> Resolved:
    """Resolve a document. Pure: equal documents give equal results."""
    hues = {hue.id: hue for hue in resolve_hues(system)}
    ends: Ends = {}
    roles = roles_of(system.tokens)
    themes = {
        theme: resolve_theme(system, hues, system.themes[theme], chains, ends, roles)
        for theme, chains in chains_of(system).items()
    }
    return Resolved(system, hues, themes)
