"""Edits of the names of tokens: what refers to them follows."""

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from heimat.core.document.ids import Id
from heimat.core.document.names import check_token_name
from heimat.core.document.order import behind
from heimat.core.document.system import MOST_TOKENS, ColorSystem
from heimat.core.document.tokens import Deprecation, Token, TokenAlias
from heimat.core.document.words import counted
from heimat.core.edits.base import EditBase, token_of, with_token
from heimat.core.errors import DomainError


class RenameToken(EditBase):
    """Give a token another name; what refers to it follows."""

    type: Literal["rename_token"] = "rename_token"
    blames: ClassVar[str] = "name"
    token: Id
    name: str

    def change(self, system: ColorSystem) -> ColorSystem:
        token = token_of(system, self.token)
        check_token_name(self.name, "name")
        return with_token(system, token.model_copy(update={"name": self.name}))

    def sentence(self, system: ColorSystem) -> str:
        return f"Rename {token_of(system, self.token).name} to {self.name}"


class RenameTokens(EditBase):
    """Give many tokens other names at once; what refers to them follows.

    With `keep` the old names live on: each as a deprecated alias of the token that had it, under the id given here.
    """

    type: Literal["rename_tokens"] = "rename_tokens"
    blames: ClassVar[str] = "names"
    names: Annotated[dict[Id, str], Field(min_length=1, max_length=MOST_TOKENS)]
    keep: Annotated[dict[Id, Id], Field(max_length=MOST_TOKENS)] = {}

    def change(self, system: ColorSystem) -> ColorSystem:
        tokens = dict(system.tokens)
        for key, name in self.names.items():
            token = token_of(system, key, "names")
            check_token_name(name, "names")
            tokens[key] = token.model_copy(update={"name": name})
        kept = [
            key
            for key in self.keep
            if key in self.names and system.tokens[key].name != self.names[key]
        ]
        for key, order in zip(kept, behind(system.tokens, len(kept)), strict=True):
            if self.keep[key] in tokens:
                raise DomainError("A token with this id is there already.", "keep", "taken")
            old = _living_on(system.tokens[key], self.keep[key], order)
            tokens[old.id] = old
        return system.model_copy(update={"tokens": tokens})

    def sentence(self, system: ColorSystem) -> str:
        first, name = next(iter(self.names.items()))
        words = f"Rename {token_of(system, first, 'names').name} to {name}"
        return (
            words
            if len(self.names) == 1
            else f"Rename {counted(len(self.names), 'token')}, the first to {name}"
        )


def _living_on(token: Token, new_id: str, order: str) -> Token:
    """An old name as a deprecated alias of the token that had it, in every theme."""
    return Token(
        id=new_id,
        order=order,
        name=token.name,
        values={theme: TokenAlias(token=token.id) for theme in token.values},
        note=token.note,
        internal=token.internal,
        deprecated=Deprecation(replacement=token.id, reason="It has another name now."),
    )
