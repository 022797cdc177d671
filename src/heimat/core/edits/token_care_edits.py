"""Edits of what is said of tokens: notes, whether they leave the house, and whether they are on their way out."""

from typing import Annotated, Literal

from pydantic import Field

from heimat.core.document.ids import Id
from heimat.core.document.part import LONGEST_NOTE
from heimat.core.document.system import MOST_TOKENS, ColorSystem
from heimat.core.document.tokens import Deprecation, Moving
from heimat.core.document.words import counted
from heimat.core.edits.base import EditBase, Path, token_of, with_token
from heimat.core.errors import DomainError

Words = Annotated[str | None, Field(max_length=LONGEST_NOTE)]


class DescribeToken(EditBase):
    """Say what a token is, or how it is used; what is left out stays."""

    type: Literal["describe_token"] = "describe_token"
    token: Id
    note: Words = None
    usage: Words = None

    def change(self, system: ColorSystem) -> ColorSystem:
        said = {"note": self.note, "usage": self.usage}
        token = token_of(system, self.token)
        return with_token(
            system,
            token.model_copy(
                update={key: words.strip() for key, words in said.items() if words is not None}
            ),
        )

    def sentence(self, system: ColorSystem) -> str:
        return f"Describe {token_of(system, self.token).name}"


class KeepTokensInternal(EditBase):
    """Keep tokens in the house, or let developers have them."""

    type: Literal["keep_tokens_internal"] = "keep_tokens_internal"
    tokens: Annotated[tuple[Id, ...], Field(min_length=1, max_length=MOST_TOKENS)]
    internal: bool

    def change(self, system: ColorSystem) -> ColorSystem:
        changed = {
            key: token_of(system, key).model_copy(update={"internal": self.internal})
            for key in self.tokens
        }
        return system.model_copy(update={"tokens": {**system.tokens, **changed}})

    def sentence(self, system: ColorSystem) -> str:
        first = token_of(system, self.tokens[0]).name
        what = first if len(self.tokens) == 1 else counted(len(self.tokens), "token")
        return f"Keep {what} in the house" if self.internal else f"Publish {what}"


class LetRepairsMove(EditBase):
    """Say how readily repairs move tokens, or hold them against repairs."""

    type: Literal["let_repairs_move"] = "let_repairs_move"
    tokens: Annotated[tuple[Id, ...], Field(min_length=1, max_length=MOST_TOKENS)]
    moving: Moving

    def change(self, system: ColorSystem) -> ColorSystem:
        changed = {
            key: token_of(system, key).model_copy(update={"moving": self.moving})
            for key in self.tokens
        }
        return system.model_copy(update={"tokens": {**system.tokens, **changed}})

    def sentence(self, system: ColorSystem) -> str:
        first = token_of(system, self.tokens[0]).name
        what = first if len(self.tokens) == 1 else counted(len(self.tokens), "token")
        if self.moving == "never":
            return f"Hold {what} against repairs"
        return f"Let repairs move {what} {'as usual' if self.moving == 'usual' else self.moving}"


class DeprecateToken(EditBase):
    """Say that a token is on its way out, and what stands in for it; or that it stays after all."""

    type: Literal["deprecate_token"] = "deprecate_token"
    token: Id
    deprecated: Deprecation | None

    def change(self, system: ColorSystem) -> ColorSystem:
        token = token_of(system, self.token)
        replacement = self.deprecated.replacement if self.deprecated else None
        if replacement is not None:
            seen = {token.id}
            at: str | None = replacement
            while at is not None:
                if at in seen:
                    raise DomainError(
                        f"{token.name} cannot stand in for itself.", "deprecated", "loop"
                    )
                seen.add(at)
                other = token_of(system, at, "deprecated")
                at = other.deprecated.replacement if other.deprecated else None
        return with_token(system, token.model_copy(update={"deprecated": self.deprecated}))

    def sentence(self, system: ColorSystem) -> str:
        name = token_of(system, self.token).name
        return f"Deprecate {name}" if self.deprecated else f"Keep {name} after all"

    def reads(self) -> set[Path]:
        replacement = self.deprecated.replacement if self.deprecated else None
        return {("tokens", replacement, "id")} if replacement else set()
