"""Edits of semantic tokens: which there are, what they stand for, in which order."""

from collections.abc import Sequence
from typing import Annotated, ClassVar, Literal

from pydantic import Field

from heimat.core.document.aliases import value_in, ways_of
from heimat.core.document.ids import Id, new_id
from heimat.core.document.names import check_token_name
from heimat.core.document.order import behind
from heimat.core.document.part import Name, Note, Part
from heimat.core.document.purposes import PURPOSES, Purpose, purpose_named
from heimat.core.document.system import MOST_TOKENS, ColorSystem
from heimat.core.document.tokens import (
    DerivedColor,
    HueAlias,
    LiteralColor,
    PaletteAlias,
    StepAlias,
    Token,
    TokenAlias,
    TokenValue,
    base_of,
)
from heimat.core.document.words import counted, value_in_words
from heimat.core.edits.base import EditBase, Path, token_of, with_token
from heimat.core.edits.placing import before_another
from heimat.core.errors import DomainError
from heimat.core.values.derived_color import derived_color


def reads_of(value: TokenValue) -> set[Path]:
    """The places that a value relies on."""
    base = base_of(value)
    if isinstance(base, TokenAlias):
        return {("tokens", base.token)}
    if isinstance(base, StepAlias):
        return {("hues", base.hue, "id"), ("ladder",)}
    if isinstance(base, PaletteAlias):
        return {("palettes", base.palette, "id")}
    return {("hues", base.hue, "id")} if isinstance(base, HueAlias) else set()


class AddToken(EditBase):
    """Add a semantic token behind the others."""

    type: Literal["add_token"] = "add_token"
    blames: ClassVar[str] = "name"
    id: Annotated[Id, Field(default_factory=new_id)]
    name: str
    theme: Id
    value: TokenValue

    def change(self, system: ColorSystem) -> ColorSystem:
        return _added(
            system, [NewToken(id=self.id, name=self.name, values={self.theme: self.value})]
        )

    def sentence(self, system: ColorSystem) -> str:
        return f"Add {self.name} as {value_in_words(system, self.value)}"

    def reads(self) -> set[Path]:
        return reads_of(self.value)


class NewToken(Part):
    """A token to add. Without a purpose it has the one that its name states, where no other token has that."""

    id: Annotated[Id, Field(default_factory=new_id)]
    name: str
    purpose: Purpose | None = None
    values: Annotated[dict[Id, TokenValue], Field(min_length=1)]
    note: Note | None = None


class AddTokens(EditBase):
    """Add many semantic tokens behind the others, in order."""

    type: Literal["add_tokens"] = "add_tokens"
    tokens: Annotated[tuple[NewToken, ...], Field(min_length=1, max_length=MOST_TOKENS)]

    def change(self, system: ColorSystem) -> ColorSystem:
        return _added(system, self.tokens)

    def sentence(self, system: ColorSystem) -> str:
        first = self.tokens[0].name
        return (
            f"Add {first}"
            if len(self.tokens) == 1
            else f"Add {counted(len(self.tokens), 'token')}, from {first}"
        )

    def reads(self) -> set[Path]:
        own = {token.id for token in self.tokens}
        found = {
            path
            for token in self.tokens
            for value in token.values.values()
            for path in reads_of(value)
        }
        return {path for path in found if path[0] != "tokens" or path[1] not in own}


def _added(system: ColorSystem, new: "tuple[NewToken, ...] | list[NewToken]") -> ColorSystem:
    tokens = dict(system.tokens)
    taken = {token.purpose for token in tokens.values() if not token.place}
    for each, order in zip(new, behind(system.tokens, len(new)), strict=True):
        if each.id in tokens:
            raise DomainError("A token with this id is there already.", "id", "taken")
        check_token_name(each.name, "name")
        purpose = each.purpose or purpose_named(each.name)
        if purpose in taken:
            purpose = None
        taken.add(purpose)
        note = PURPOSES.get(purpose or "", "") if each.note is None else each.note
        tokens[each.id] = Token(
            id=each.id,
            order=order,
            name=each.name,
            purpose=purpose,
            values=dict(each.values),
            note=note,
        )
    return system.model_copy(update={"tokens": tokens})


class SetTokenValue(EditBase):
    """Let a token stand for another step, hue, token or color in a theme."""

    type: Literal["set_token_value"] = "set_token_value"
    blames: ClassVar[str] = "value"
    token: Id
    theme: Id
    value: TokenValue

    def change(self, system: ColorSystem) -> ColorSystem:
        return _with_value(system, self.token, self.theme, self.value)

    def sentence(self, system: ColorSystem) -> str:
        where = (
            f" in {system.themes[self.theme].name}"
            if len(system.themes) > 1 and self.theme in system.themes
            else ""
        )
        return f"Let {token_of(system, self.token).name} be {value_in_words(system, self.value)}{where}"

    def reads(self) -> set[Path]:
        return reads_of(self.value)


class NewValue(Part):
    """What a token shall stand for in a theme; None takes away what it says there, so that it follows."""

    token: Id
    theme: Id
    value: TokenValue | None


class SetTokenValues(EditBase):
    """Let many tokens stand for something else, in one theme or several, for one reason that `what` says."""

    type: Literal["set_token_values"] = "set_token_values"
    what: Annotated[str, Field(min_length=1, max_length=200)]
    values: Annotated[tuple[NewValue, ...], Field(min_length=1, max_length=MOST_TOKENS * 4)]

    def change(self, system: ColorSystem) -> ColorSystem:
        tokens = dict(system.tokens)
        for each in self.values:
            token = tokens.get(each.token) or token_of(system, each.token)
            if each.theme not in system.themes:
                raise DomainError("That theme is not there any more.", "theme", "missing")
            values = {theme: value for theme, value in token.values.items() if theme != each.theme}
            if each.value is not None:
                values[each.theme] = each.value
            tokens[each.token] = token.model_copy(update={"values": values})
        return system.model_copy(update={"tokens": tokens})

    def sentence(self, system: ColorSystem) -> str:
        return self.what

    def reads(self) -> set[Path]:
        own = {each.token for each in self.values}
        found = {path for each in self.values if each.value for path in reads_of(each.value)}
        return {path for path in found if path[0] != "tokens" or path[1] not in own}


class LetTokenFollow(EditBase):
    """Take away what a token says in a theme: there it follows the theme that this one rests on, or the first."""

    type: Literal["let_token_follow"] = "let_token_follow"
    token: Id
    theme: Id

    def change(self, system: ColorSystem) -> ColorSystem:
        token = token_of(system, self.token)
        if self.theme not in token.values:
            return system
        if len(token.values) == 1:
            raise DomainError(f"{token.name} has no other value to follow.", "theme", "missing")
        values = {theme: value for theme, value in token.values.items() if theme != self.theme}
        return with_token(system, token.model_copy(update={"values": values}))

    def sentence(self, system: ColorSystem) -> str:
        theme = system.themes.get(self.theme)
        return f"Let {token_of(system, self.token).name} follow in {theme.name if theme else 'a theme'}"


def _with_value(system: ColorSystem, token_id: str, theme: str, value: TokenValue) -> ColorSystem:
    token = token_of(system, token_id)
    if theme not in system.themes:
        raise DomainError("That theme is not there any more.", "theme", "missing")
    return with_token(system, token.model_copy(update={"values": {**token.values, theme: value}}))


class MoveTokens(EditBase):
    """Put tokens before another one, or behind all others, in the order in which they stand."""

    type: Literal["move_tokens"] = "move_tokens"
    tokens: Annotated[tuple[Id, ...], Field(min_length=1, max_length=MOST_TOKENS)]
    before: Id | None = None

    def change(self, system: ColorSystem) -> ColorSystem:
        moving = [token_of(system, token) for token in self.tokens]
        if self.before in self.tokens:
            raise DomainError("A token cannot stand before itself.", "before", "loop")
        if self.before is not None:
            token_of(system, self.before, "before")
        return system.model_copy(
            update={"tokens": before_another(system.tokens, moving, self.before)}
        )

    def sentence(self, system: ColorSystem) -> str:
        name = token_of(system, self.tokens[0]).name
        return (
            f"Move {name}"
            if len(self.tokens) == 1
            else f"Move {counted(len(self.tokens), 'token')}"
        )


class RemoveToken(EditBase):
    """Remove a token, with its pairings.

    Tokens that were aliases of it stand for its replacement, or take over what it stood for.
    """

    type: Literal["remove_token"] = "remove_token"
    token: Id
    replacement: Id | None = None

    def change(self, system: ColorSystem) -> ColorSystem:
        return without_tokens(system, {self.token: self.replacement})

    def sentence(self, system: ColorSystem) -> str:
        return f"Remove {token_of(system, self.token).name}"


class RemoveTokens(EditBase):
    """Remove many tokens, as one alone is removed."""

    type: Literal["remove_tokens"] = "remove_tokens"
    tokens: Annotated[tuple[Id, ...], Field(min_length=1, max_length=MOST_TOKENS)]

    def change(self, system: ColorSystem) -> ColorSystem:
        return without_tokens(system, dict.fromkeys(self.tokens))

    def sentence(self, system: ColorSystem) -> str:
        name: Name = token_of(system, self.tokens[0]).name
        return (
            f"Remove {name}"
            if len(self.tokens) == 1
            else f"Remove {counted(len(self.tokens), 'token')}"
        )


def without_tokens(system: ColorSystem, going: dict[str, str | None]) -> ColorSystem:
    """The document without some tokens, whose aliases stand for a replacement or take over what they stood for.

    Raises DomainError for a token, or a replacement, that is not there.
    """
    for key, replacement in going.items():
        gone = token_of(system, key)
        if replacement == key:
            raise DomainError(f"{gone.name} cannot stand in for itself.", "replacement", "loop")
        if replacement is not None:
            token_of(system, replacement, "replacement")
    ways = ways_of(system)

    def left(value: TokenValue, way: Sequence[str]) -> TokenValue:
        # What it takes over may stand on another one that goes.
        while isinstance(base := base_of(value), TokenAlias) and base.token in going:
            value = _instead(value, system.tokens[base.token], going[base.token], way)
        return value

    tokens = {}
    for key, token in system.tokens.items():
        if key in going:
            continue
        values = {theme: left(value, ways.get(theme, ())) for theme, value in token.values.items()}
        kept = token if values == token.values else token.model_copy(update={"values": values})
        if kept.deprecated is not None and kept.deprecated.replacement in going:
            replacement = going[kept.deprecated.replacement]
            kept = kept.model_copy(
                update={
                    "deprecated": kept.deprecated.model_copy(update={"replacement": replacement})
                }
            )
        tokens[key] = kept
    pairings = {
        key: pairing
        for key, pairing in system.pairings.items()
        if pairing.foreground not in going and pairing.ground not in going
    }
    told_apart = {
        key: told.model_copy(
            update={"tokens": tuple(token for token in told.tokens if token not in going)}
        )
        for key, told in system.told_apart.items()
    }
    return system.model_copy(
        update={"tokens": tokens, "pairings": pairings, "told_apart": told_apart}
    )


def _instead(
    value: TokenValue, gone: Token, replacement: str | None, way: Sequence[str]
) -> TokenValue:
    """What stands for a value that stood on a token that goes."""
    other = TokenAlias(token=replacement) if replacement else value_in(gone, way)
    if not isinstance(value, DerivedColor):
        return other
    stands = base_of(other)
    if isinstance(stands, LiteralColor):
        return LiteralColor(color=derived_color(stands.color, value))
    # What is derived twice cannot be said in one value: the first change gives way.
    return value.model_copy(update={"of": stands})
