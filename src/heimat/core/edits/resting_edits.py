"""Resting on another system: taking what it published, saying some of it otherwise, letting it go."""

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from heimat.core.document.hues import Hue
from heimat.core.document.ids import Id
from heimat.core.document.order import behind
from heimat.core.document.resting import RestsOn
from heimat.core.document.system import MOST_HUES, MOST_TOKENS, ColorSystem
from heimat.core.document.tokens import Token
from heimat.core.document.words import counted
from heimat.core.edits.base import EditBase, Guard, token_of
from heimat.core.edits.hue_edits import RemoveHue
from heimat.core.edits.token_edits import without_tokens
from heimat.core.errors import DomainError

_OWN = frozenset({"order", "moving"})
"""What may be said here of what was taken: where it stands, and how readily repairs of others move it."""


class RestOn(EditBase):
    """Take what another system published at a version, in place of what was taken from it before.

    What the new version has no more is removed as any hue or token is: what stood on it here keeps its color. What is
    overridden stays so, with what it would be now kept beside it.
    """

    type: Literal["rest_on"] = "rest_on"
    guards: ClassVar[frozenset[Guard]] = frozenset()
    of_person: ClassVar[bool] = False
    rests_on: RestsOn
    hues: Annotated[tuple[Hue, ...], Field(max_length=MOST_HUES)]
    tokens: Annotated[tuple[Token, ...], Field(max_length=MOST_TOKENS)]

    def change(self, system: ColorSystem) -> ColorSystem:
        before = system.rests_on
        overridden = before.overridden if before else {}
        new_hues, new_tokens = ({each.id for each in kind} for kind in (self.hues, self.tokens))
        if before is not None:
            gone = {
                key: None
                for key in before.tokens
                if key not in new_tokens and key not in overridden
            }
            system = (
                without_tokens(system.model_copy(update={"rests_on": None}), dict(gone))
                if gone
                else system
            )
            for key in before.hues:
                if key not in new_hues and key in system.hues:
                    system = RemoveHue(hue=key).change(system)
        hues, tokens = dict(system.hues), dict(system.tokens)
        for hue, key in zip(self.hues, behind(system.hues, len(self.hues)), strict=True):
            known = hues.get(hue.id)
            hues[hue.id] = hue.model_copy(update={"order": known.order if known else key})
        kept: dict[str, Token] = {}
        for token, key in zip(self.tokens, behind(system.tokens, len(self.tokens)), strict=True):
            own = tokens.get(token.id)
            if token.id in overridden:
                kept[token.id] = token
                continue
            place = {"order": own.order, "moving": own.moving} if own else {"order": key}
            tokens[token.id] = token.model_copy(update=place)
        rests_on = self.rests_on.model_copy(update={"overridden": kept})
        return system.model_copy(update={"hues": hues, "tokens": tokens, "rests_on": rests_on})

    def sentence(self, system: ColorSystem) -> str:
        other = f"{self.rests_on.name} {self.rests_on.version}"
        if system.rests_on is not None:
            return f"Rest on {other} from now on"
        return f"Rest on {other}: {counted(len(self.hues), 'hue')} and {counted(len(self.tokens), 'token')}"


class Override(EditBase):
    """Let a taken token have a value of this system's own."""

    type: Literal["override"] = "override"
    guards: ClassVar[frozenset[Guard]] = frozenset({"held", "palettes"})
    token: Id

    def change(self, system: ColorSystem) -> ColorSystem:
        token, rests_on = token_of(system, self.token), _resting(system)
        if self.token not in rests_on.tokens:
            raise DomainError(f"{token.name} is this system’s own already.", "token", "own")
        overridden = {**rests_on.overridden, self.token: rests_on.overridden.get(self.token, token)}
        return system.model_copy(
            update={"rests_on": rests_on.model_copy(update={"overridden": overridden})}
        )

    def sentence(self, system: ColorSystem) -> str:
        return f"Override {token_of(system, self.token).name}"


class LetBack(EditBase):
    """Let an overridden token be what it was taken as."""

    type: Literal["let_back"] = "let_back"
    guards: ClassVar[frozenset[Guard]] = frozenset({"held", "palettes"})
    token: Id

    def change(self, system: ColorSystem) -> ColorSystem:
        token, rests_on = token_of(system, self.token), _resting(system)
        was = rests_on.overridden.get(self.token)
        if was is None:
            raise DomainError(f"{token.name} is not overridden.", "token", "own")
        left = {key: each for key, each in rests_on.overridden.items() if key != self.token}
        back = was.model_copy(update={"order": token.order, "moving": token.moving})
        return system.model_copy(
            update={
                "tokens": {**system.tokens, token.id: back},
                "rests_on": rests_on.model_copy(update={"overridden": left}),
            }
        )

    def sentence(self, system: ColorSystem) -> str:
        return f"Let {token_of(system, self.token).name} be as it was taken"


class LeaveBase(EditBase):
    """Rest on no other system any more: what was taken stays, as this system's own."""

    type: Literal["leave_base"] = "leave_base"
    guards: ClassVar[frozenset[Guard]] = frozenset()

    def change(self, system: ColorSystem) -> ColorSystem:
        _resting(system)
        return system.model_copy(update={"rests_on": None})

    def sentence(self, system: ColorSystem) -> str:
        return (
            f"Rest on {system.rests_on.name} no more"
            if system.rests_on
            else "Rest on no other system"
        )


def refuse_taken(before: ColorSystem, after: ColorSystem, field: str) -> None:
    """Raise DomainError where a change would reach what was taken from another system."""
    rests_on = before.rests_on
    if rests_on is None:
        return
    for key in rests_on.hues:
        hue = before.hues.get(key)
        if hue is not None and not _alike(hue, after.hues.get(key)):
            raise _refusal(hue.name, rests_on, "it is changed there", field)
    for key in rests_on.tokens:
        token = before.tokens.get(key)
        if (
            token is not None
            and key not in rests_on.overridden
            and not _alike(token, after.tokens.get(key), after)
        ):
            raise _refusal(token.name, rests_on, "override it first to change it here", field)


def _alike(
    before: Hue | Token, after: Hue | Token | None, system: ColorSystem | None = None
) -> bool:
    """Whether what was taken is still so, but for what may be said here; themes that go take their values along."""
    if before is after:
        return True
    if after is None:
        return False
    one, other = before.model_dump(exclude=set(_OWN)), after.model_dump(exclude=set(_OWN))
    if system is not None:
        for each in (one, other):
            each["values"] = {
                key: value for key, value in each["values"].items() if key in system.themes
            }
        if one["values"].keys() < other["values"].keys() or not one["values"]:
            # A theme that is new, or that has taken the place of the only one, says what there was.
            other["values"] = {
                key: value for key, value in other["values"].items() if key in one["values"]
            }
    return one == other


def _refusal(name: str, rests_on: RestsOn, instead: str, field: str) -> DomainError:
    words = f"{name} is taken from {rests_on.name} {rests_on.version}: {instead}."
    return DomainError(words, field, "taken_from_another")


def _resting(system: ColorSystem) -> RestsOn:
    if system.rests_on is None:
        raise DomainError("This system rests on no other.", "rests_on", "missing")
    return system.rests_on
