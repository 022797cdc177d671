"""Edits of themes: which there are, what they rest on, in which order."""

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from heimat.core.color.naming import check_line
from heimat.core.document.aliases import value_in, ways_of
from heimat.core.document.ids import Id, new_id
from heimat.core.document.names import css_name
from heimat.core.document.order import behind
from heimat.core.document.part import LONGEST_NAME
from heimat.core.document.system import MOST_TOKENS, ColorSystem
from heimat.core.document.themes import Scheme, Theme, Wanted
from heimat.core.document.tokens import TokenValue
from heimat.core.edits.base import EditBase, Path
from heimat.core.edits.collection import Collection, MoveOne, RenameOne
from heimat.core.edits.token_edits import reads_of
from heimat.core.errors import DomainError

THEMES = Collection("themes", "theme", "theme")


def theme_of(system: ColorSystem, theme_id: str, field: str = "theme") -> Theme:
    """The theme of an id. Raises DomainError where there is none."""
    theme: Theme = THEMES.find(system, theme_id, field)
    return theme


def _named(name: str) -> str:
    """A theme's name without spaces around it. Raises DomainError where it cannot be one."""
    found = name.strip()
    if not found:
        raise DomainError("A theme needs a name, for example night.", "name", "empty")
    if len(found) > LONGEST_NAME:
        raise DomainError(
            f"A name has at most {LONGEST_NAME} characters; this one has {len(found)}.",
            "name",
            "too_long",
        )
    check_line(found, "name")
    if not css_name(found).strip("-"):
        raise DomainError(
            f"“{found}” needs at least one letter or digit to be a name.", "name", "sign"
        )
    return found


class AddTheme(EditBase):
    """Add a theme behind the others, with what tokens say there; all else follows the theme that it rests on."""

    type: Literal["add_theme"] = "add_theme"
    blames: ClassVar[str] = "name"
    id: Annotated[Id, Field(default_factory=new_id)]
    name: str
    base: Id | None = None
    scheme: Scheme = "light"
    contrast: Wanted = "usual"
    values: Annotated[dict[Id, TokenValue], Field(max_length=MOST_TOKENS)] = {}

    def change(self, system: ColorSystem) -> ColorSystem:
        if self.id in system.themes:
            raise DomainError("A theme with this id is there already.", "id", "taken")
        if self.base is not None:
            theme_of(system, self.base, "base")
        order = behind(system.themes)[0]
        theme = Theme(
            id=self.id,
            order=order,
            name=_named(self.name),
            base=self.base,
            scheme=self.scheme,
            contrast=self.contrast,
        )
        tokens = dict(system.tokens)
        for key, value in self.values.items():
            # What was removed meanwhile has no value to be told.
            if key in tokens:
                tokens[key] = tokens[key].model_copy(
                    update={"values": {**tokens[key].values, theme.id: value}}
                )
        return system.model_copy(
            update={"themes": {**system.themes, theme.id: theme}, "tokens": tokens}
        )

    def sentence(self, system: ColorSystem) -> str:
        return f"Add the theme {self.name.strip()}"

    def reads(self) -> set[Path]:
        base: set[Path] = {("themes", self.base, "id")} if self.base else set()
        return base | {
            path
            for value in self.values.values()
            for path in reads_of(value)
            if path[0] != "tokens"
        }


class RenameTheme(RenameOne):
    """Give a theme another name."""

    type: Literal["rename_theme"] = "rename_theme"
    theme: Id
    collection: ClassVar[Collection] = THEMES

    def checked_name(self, system: ColorSystem) -> str:
        return _named(self.name)


class SetTheme(EditBase):
    """Say whether a theme is light or dark, for whom it is, and what it rests on."""

    type: Literal["set_theme"] = "set_theme"
    theme: Id
    scheme: Scheme
    contrast: Wanted
    base: Id | None = None

    def change(self, system: ColorSystem) -> ColorSystem:
        theme = theme_of(system, self.theme)
        if self.base is not None:
            theme_of(system, self.base, "base")
        kept = {"scheme": self.scheme, "contrast": self.contrast, "base": self.base}
        changed = THEMES.put(system, theme.model_copy(update=kept))
        ways_of(changed)
        return changed

    def sentence(self, system: ColorSystem) -> str:
        theme = theme_of(system, self.theme)
        if self.base != theme.base:
            words = (
                f"rest on {theme_of(system, self.base, 'base').name}"
                if self.base
                else "rest on no other"
            )
            return f"Let {theme.name} {words}"
        if self.scheme != theme.scheme:
            return f"Let {theme.name} be {self.scheme}"
        return (
            f"Let {theme.name} be for {'more' if self.contrast == 'more' else 'the usual'} contrast"
        )

    def reads(self) -> set[Path]:
        return {("themes", self.base)} if self.base else set()


class MoveTheme(MoveOne):
    """Put a theme before another one, or behind all others. The first is the one that holds without a choice."""

    type: Literal["move_theme"] = "move_theme"
    theme: Id
    collection: ClassVar[Collection] = THEMES


class RemoveTheme(EditBase):
    """Remove a theme. Those that rest on it keep what they had from it."""

    type: Literal["remove_theme"] = "remove_theme"
    theme: Id

    def change(self, system: ColorSystem) -> ColorSystem:
        gone = theme_of(system, self.theme)
        if len(system.themes) == 1:
            raise DomainError(
                f"{gone.name} is the only theme: tokens need one to have values in.",
                "theme",
                "missing",
            )
        themes = {key: theme for key, theme in system.themes.items() if key != gone.id}
        for key, theme in themes.items():
            if theme.base == gone.id:
                themes[key] = theme.model_copy(update={"base": gone.base})
        before = ways_of(system)
        after = ways_of(system.model_copy(update={"themes": themes}))
        tokens = {}
        for key, token in system.tokens.items():
            values = {theme: value for theme, value in token.values.items() if theme != gone.id}
            for left in themes:
                stood = value_in(token, before[left])
                if (
                    not values
                    or value_in(token.model_copy(update={"values": values}), after[left]) != stood
                ):
                    values[left] = stood
            tokens[key] = (
                token if values == token.values else token.model_copy(update={"values": values})
            )
        return system.model_copy(update={"themes": themes, "tokens": tokens})

    def sentence(self, system: ColorSystem) -> str:
        return f"Remove the theme {theme_of(system, self.theme).name}"
