"""Splitting a token: some of its uses go with a new one, which stands for the same until it is moved."""

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from heimat.core.document.ids import Id, new_id
from heimat.core.document.names import check_token_name
from heimat.core.document.order import behind, in_order
from heimat.core.document.part import Part
from heimat.core.document.system import MOST_TOKENS, ColorSystem
from heimat.core.document.tokens import (
    DerivedColor,
    ScreenPart,
    Token,
    TokenAlias,
    TokenValue,
    token_under,
)
from heimat.core.edits.base import EditBase, Path, token_of
from heimat.core.edits.placing import before_another
from heimat.core.errors import DomainError


class AliasUse(Part):
    """A token that stands for another one, in a theme."""

    token: Id
    theme: Id


class SplitToken(EditBase):
    """Put a new token behind another one, with the same values; chosen pairings and aliases go over to it.

    With a `place` it stands in one part of a screen instead of the other.
    """

    type: Literal["split_token"] = "split_token"
    blames: ClassVar[str] = "name"
    token: Id
    id: Annotated[Id, Field(default_factory=new_id)]
    name: str
    place: ScreenPart = ""
    pairings: Annotated[tuple[Id, ...], Field(max_length=MOST_TOKENS)] = ()
    aliases: Annotated[tuple[AliasUse, ...], Field(max_length=MOST_TOKENS * 4)] = ()

    def change(self, system: ColorSystem) -> ColorSystem:
        token = token_of(system, self.token)
        if self.id in system.tokens:
            raise DomainError("A token with this id is there already.", "id", "taken")
        check_token_name(self.name, "name")
        known = {
            (other.purpose, other.place): other.name
            for other in system.tokens.values()
            if other.place
        }
        if (token.purpose, self.place) in known:
            other = known[token.purpose, self.place]
            raise DomainError(
                f"{other} stands there already: select it to move it.", "place", "taken"
            )
        new = token.model_copy(
            update={
                "id": self.id,
                "order": behind(system.tokens)[0],
                "name": self.name,
                "purpose": token.purpose if self.place else None,
                "place": self.place,
                "deprecated": None,
            }
        )
        tokens = self._behind(system, new)
        for use in self.aliases:
            tokens[use.token] = self._moved(system, tokens, use)
        pairings = dict(system.pairings)
        for key in self.pairings:
            pairing = pairings.get(key)
            if pairing is None or token.id not in (pairing.foreground, pairing.ground):
                raise DomainError("That pairing is not there any more.", "pairings", "missing")
            side = "foreground" if pairing.foreground == token.id else "ground"
            pairings[key] = pairing.model_copy(update={side: new.id})
        return system.model_copy(update={"tokens": tokens, "pairings": pairings})

    def _behind(self, system: ColorSystem, new: Token) -> dict[str, Token]:
        every = in_order(system.tokens)
        after = every[[token.id for token in every].index(self.token) + 1 :]
        return before_another({**system.tokens, new.id: new}, [new], after[0].id if after else None)

    def _moved(self, system: ColorSystem, tokens: dict[str, Token], use: AliasUse) -> Token:
        other = token_of(system, use.token, "aliases")
        value = other.values.get(use.theme)
        if value is None or token_under(value) != self.token:
            raise DomainError(f"{other.name} does not stand for it any more.", "aliases", "missing")
        alias = TokenAlias(token=self.id)
        moved: TokenValue = (
            value.model_copy(update={"of": alias}) if isinstance(value, DerivedColor) else alias
        )
        present = tokens[use.token]
        return present.model_copy(update={"values": {**present.values, use.theme: moved}})

    def sentence(self, system: ColorSystem) -> str:
        return f"Split {self.name} from {token_of(system, self.token).name}"

    def reads(self) -> set[Path]:
        return {("tokens", self.token)} | {("pairings", key) for key in self.pairings}
