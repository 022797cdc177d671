"""Parts of the document in words."""

from collections.abc import Sequence

from heimat.core.color.notation import format
from heimat.core.document.system import ColorSystem, ladder_of
from heimat.core.document.tokens import StepAlias, TokenAlias, TokenValue


def step_name(system: ColorSystem, hue_id: str, step_id: str) -> str | None:
    """A step as people say it: tidewater 600; None where it is not there."""
    hue = system.hues.get(hue_id)
    place = ladder_of(system, hue).index(step_id) if hue else None
    return None if hue is None or place is None else f"{hue.name} {ladder_of(system, hue).steps[place].label}"


def value_in_words(system: ColorSystem, value: TokenValue) -> str:
    """What a token stands for, as people say it: tidewater 600, action.main.fill, or #FFFFFF."""
    if isinstance(value, TokenAlias):
        target = system.tokens.get(value.token)
        return target.name if target else "a token that is gone"
    if isinstance(value, StepAlias):
        return step_name(system, value.hue, value.step) or "a step that is gone"
    return format(value.color, "hex") or ""


MOST_NAMED = 5


def listed(names: Sequence[str]) -> str:
    """Names in a sentence: mint, sea and sand; of many, the first five and how many more."""
    told = list(names[:MOST_NAMED])
    if len(names) > MOST_NAMED:
        told.append(f"{len(names) - MOST_NAMED} more")
    return " and ".join([", ".join(told[:-1]), told[-1]] if len(told) > 1 else told)


def counted(number: int, what: str) -> str:
    """A number of things: 1 token, 2 tokens."""
    return f"{number} {what}" + ("" if number == 1 else "s")
