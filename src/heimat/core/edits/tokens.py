"""Edits of semantic tokens."""

from typing import Annotated, Literal

from pydantic import Field

from heimat.core.document.aliases import theme_order, value_in
from heimat.core.document.ids import Id, new_id
from heimat.core.document.names import check_token_name
from heimat.core.document.order import behind
from heimat.core.document.purposes import purpose_named
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import StepAlias, Token, TokenAlias, TokenValue
from heimat.core.document.words import value_in_words
from heimat.core.edits.base import EditBase, Path, token_of, with_token
from heimat.core.errors import DomainError


def _reads_of(value: TokenValue) -> set[Path]:
    if isinstance(value, TokenAlias):
        return {("tokens", value.token)}
    if isinstance(value, StepAlias):
        return {("hues", value.hue, "id"), ("ladder",)}
    return set()


class AddToken(EditBase):
    """Add a semantic token behind the others."""

    type: Literal["add_token"] = "add_token"
    id: Annotated[Id, Field(default_factory=new_id)]
    name: str
    theme: Id
    value: TokenValue

    def change(self, system: ColorSystem) -> ColorSystem:
        if self.id in system.tokens:
            raise DomainError("A token with this id is there already.", "id", "taken")
        check_token_name(self.name, "name")
        purpose = purpose_named(self.name)
        if any(token.purpose == purpose for token in system.tokens.values()):
            purpose = None
        order = behind(system.tokens)[0]
        token = Token(id=self.id, order=order, name=self.name, purpose=purpose, values={self.theme: self.value})
        return with_token(system, token)

    def sentence(self, system: ColorSystem) -> str:
        return f"Add {self.name} as {value_in_words(system, self.value)}"

    def reads(self) -> set[Path]:
        return _reads_of(self.value)


class SetTokenValue(EditBase):
    """Let a token stand for another step, token or color in a theme."""

    type: Literal["set_token_value"] = "set_token_value"
    token: Id
    theme: Id
    value: TokenValue

    def change(self, system: ColorSystem) -> ColorSystem:
        token = token_of(system, self.token)
        if self.theme not in system.themes:
            raise DomainError("That theme is not there any more.", "theme", "missing")
        return with_token(system, token.model_copy(update={"values": {**token.values, self.theme: self.value}}))

    def sentence(self, system: ColorSystem) -> str:
        return f"Let {token_of(system, self.token).name} be {value_in_words(system, self.value)}"

    def reads(self) -> set[Path]:
        return _reads_of(self.value)


class RenameToken(EditBase):
    """Give a token another name; what refers to it follows."""

    type: Literal["rename_token"] = "rename_token"
    token: Id
    name: str

    def change(self, system: ColorSystem) -> ColorSystem:
        token = token_of(system, self.token)
        check_token_name(self.name, "name")
        return with_token(system, token.model_copy(update={"name": self.name}))

    def sentence(self, system: ColorSystem) -> str:
        return f"Rename {token_of(system, self.token).name} to {self.name}"


class RemoveToken(EditBase):
    """Remove a token, with its pairings. Tokens that were aliases of it take over what it stood for."""

    type: Literal["remove_token"] = "remove_token"
    token: Id

    def change(self, system: ColorSystem) -> ColorSystem:
        gone = token_of(system, self.token)
        order = theme_order(system)
        tokens = {}
        for key, token in system.tokens.items():
            if key == gone.id:
                continue
            values = {
                theme: value_in(gone, theme, order)
                if isinstance(value, TokenAlias) and value.token == gone.id
                else value
                for theme, value in token.values.items()
            }
            tokens[key] = token if values == token.values else token.model_copy(update={"values": values})
        pairings = {
            key: pairing
            for key, pairing in system.pairings.items()
            if gone.id not in (pairing.foreground, pairing.ground)
        }
        told_apart = {
            key: told
            if gone.id not in told.tokens
            else told.model_copy(update={"tokens": tuple(token for token in told.tokens if token != gone.id)})
            for key, told in system.told_apart.items()
        }
        return system.model_copy(update={"tokens": tokens, "pairings": pairings, "told_apart": told_apart})

    def sentence(self, system: ColorSystem) -> str:
        return f"Remove {token_of(system, self.token).name}"
