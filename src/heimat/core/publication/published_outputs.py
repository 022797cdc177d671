"""Outputs as they leave: under which name of the code each token goes out, what stands in which place.

What has no token is a gap, what no name is given to is left over; of places, what is beyond the last is told as well.
"""

from collections.abc import Sequence
from dataclasses import asdict, dataclass
from typing import Any, Protocol

from heimat.core.document.cases import in_case
from heimat.core.document.names import css_name
from heimat.core.document.order import in_order
from heimat.core.document.outputs import NamedOutput, OutputForm, PlacedOutput
from heimat.core.document.system import ColorSystem

_ENDINGS: dict[OutputForm, str] = {"css": "css", "scss": "scss", "json": "json", "typescript": "ts"}


class Named(Protocol):
    """What has an id and a name: a published token."""

    @property
    def id(self) -> str:
        """What it is."""

    @property
    def name(self) -> str:
        """What it is called."""


@dataclass(frozen=True)
class PublishedOutput:
    """An output as it leaves.

    `names` are the code's names with the ids of what goes out under them, in order; empty for one of places. `places`
    are meanings (or nothing) with the id of what stands there, None for an empty place, in rows of `columns`.
    """

    id: str
    name: str
    form: OutputForm | None = None
    names: tuple[tuple[str, str], ...] = ()
    columns: int = 0
    places: tuple[tuple[str, str | None], ...] = ()

    def plain(self) -> dict[str, Any]:
        """The output as plain data."""
        return asdict(self)

    @classmethod
    def from_plain(cls, data: dict[str, Any]) -> "PublishedOutput":
        """Read what `plain` gave."""
        pairs = {
            key: tuple((first, second) for first, second in data[key])
            for key in ("names", "places")
        }
        return cls(
            data["id"], data["name"], data["form"], pairs["names"], data["columns"], pairs["places"]
        )


def file_of(output: PublishedOutput) -> str:
    """What the file of an output is called."""
    if output.form is None:
        return f"places.{css_name(output.name)}.json"
    return f"names.{css_name(output.name)}.{_ENDINGS[output.form]}"


@dataclass(frozen=True)
class NamesPlan:
    """Names that go out with the ids of their tokens, names without one, and the ids of tokens without a name."""

    given: tuple[tuple[str, str], ...]
    gaps: tuple[str, ...]
    left: tuple[str, ...]


@dataclass(frozen=True)
class PlacesPlan:
    """What stands in each place (None in empty ones), with its meaning, and the ids of what finds no place."""

    places: tuple[tuple[str, str | None], ...]
    beyond: tuple[str, ...]


def plan_names(output: NamedOutput, tokens: Sequence[Named]) -> NamesPlan:
    """What goes out under which name; names by hand come first, and no other token gets one of them."""
    there = {token.id for token in tokens}
    given = [
        (each.name, each.of) for each in output.names if each.of is not None and each.of in there
    ]
    gaps = tuple(each.name for each in output.names if each.of is None or each.of not in there)
    taken, with_name = {each.name for each in output.names}, {of for _, of in given}
    left = []
    for token in tokens:
        if token.id in with_name:
            continue
        name = patterned(output, token.name)
        if output.rest and name not in taken:
            taken.add(name)
            given.append((name, token.id))
        else:
            left.append(token.id)
    return NamesPlan(tuple(given), gaps, tuple(left))


def patterned(output: NamedOutput, name: str) -> str:
    """The name of a token by an output's pattern."""
    joined = "-".join(in_case(part, output.case) for part in name.split("."))
    return css_name(output.pattern.replace("{name}", joined))


def plan_places(output: PlacedOutput, tokens: Sequence[Named]) -> PlacesPlan:
    """What stands in which place; what is not there any more leaves its place empty."""
    there = {token.id for token in tokens}
    held = [of if of in there else None for of in output.holds]
    padded = held[: output.count] + [None] * (output.count - len(held))
    meanings = [*output.meanings[: output.count], *[""] * (output.count - len(output.meanings))]
    beyond = tuple(of for of in held[output.count :] if of is not None)
    return PlacesPlan(tuple(zip(meanings, padded, strict=True)), beyond)


def published_outputs(system: ColorSystem, tokens: Sequence[Named]) -> tuple[PublishedOutput, ...]:
    """The outputs as they leave, in order."""
    found = []
    for output in in_order(system.outputs):
        if isinstance(output, NamedOutput):
            given = plan_names(output, tokens).given
            found.append(PublishedOutput(output.id, output.name, output.form, given))
        else:
            places = plan_places(output, tokens).places
            found.append(PublishedOutput(output.id, output.name, None, (), output.columns, places))
    return tuple(found)


def gap_words(system: ColorSystem, tokens: Sequence[Named]) -> list[str]:
    """What outputs miss, each in a sentence, to be known before a release."""
    found = []
    for output in in_order(system.outputs):
        if isinstance(output, NamedOutput):
            gaps = plan_names(output, tokens).gaps
            if gaps:
                more = f" and {len(gaps) - 3} more" if len(gaps) > 3 else ""
                found.append(f"{output.name} has nothing for {', '.join(gaps[:3])}{more}.")
        else:
            plan = plan_places(output, tokens)
            bare = [meaning for meaning, of in plan.places if meaning and of is None]
            if bare:
                found.append(f"In {output.name} nothing stands for {', '.join(bare[:3])}.")
            if plan.beyond:
                found.append(f"{output.name} has no place for {len(plan.beyond)} of its colors.")
    return found


def names_lost(
    before: Sequence[PublishedOutput], after: Sequence[PublishedOutput]
) -> list[tuple[str, str]]:
    """Names that an output gave and gives no more, and those of outputs that go: the output's name, and the name."""
    now = {each.id: {name for name, _ in each.names} for each in after}
    return [
        (was.name, name)
        for was in before
        for name, _ in was.names
        if name not in now.get(was.id, set())
    ]
