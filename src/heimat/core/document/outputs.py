"""Outputs for code that is there already: under the names that it uses, or in a fixed number of places."""

from typing import Annotated, Literal

from pydantic import Field

from heimat.core.document.cases import Case
from heimat.core.document.ids import Id
from heimat.core.document.order import OrderKey
from heimat.core.document.part import Name, Part

MOST_OUTPUTS = 20
MOST_NAMES = 4000
MOST_PLACES = 400
MOST_COLUMNS = 40
LONGEST_CODE_NAME = 120
OutputForm = Literal["css", "scss", "json", "typescript"]
PublishedId = Annotated[str, Field(min_length=1, max_length=160)]
"""What is published: a token's id, a hue's and a step's (`tidewater/s500`), or a color's of a palette.

It may name what is not there any more: then that is told as a gap, and nothing is lost.
"""
CodeName = Annotated[str, Field(pattern=r"^[\w-]+$", max_length=LONGEST_CODE_NAME)]
"""A name as code has it: letters, digits, hyphens and underscores."""


class OutputName(Part):
    """A name that the code uses, and what goes out under it; None for a gap."""

    name: CodeName
    of: PublishedId | None = None


class NamedOutput(Part):
    """A file under the names of the code that takes it: first those by hand, then all others by a pattern.

    `{name}` in the pattern is the token's own, its parts in a case and joined by hyphens. Without `rest` only what has
    a name by hand goes out.
    """

    kind: Literal["names"] = "names"
    id: Id
    order: OrderKey
    name: Name
    form: OutputForm = "css"
    pattern: Annotated[str, Field(max_length=LONGEST_CODE_NAME)] = "{name}"
    case: Case = "kept"
    rest: bool = True
    names: Annotated[tuple[OutputName, ...], Field(max_length=MOST_NAMES)] = ()


class PlacedOutput(Part):
    """A file for what has so many places, in rows of `columns`; the first have set meanings.

    `holds` says what stands in each place, in order: it may be shorter (the rest are empty) or longer (what is beyond
    the last place finds none, which is told).
    """

    kind: Literal["places"] = "places"
    id: Id
    order: OrderKey
    name: Name
    count: Annotated[int, Field(ge=1, le=MOST_PLACES)] = 12
    columns: Annotated[int, Field(ge=1, le=MOST_COLUMNS)] = 6
    meanings: Annotated[tuple[Name, ...], Field(max_length=MOST_PLACES)] = ()
    holds: Annotated[tuple[PublishedId | None, ...], Field(max_length=2 * MOST_PLACES)] = ()


Output = Annotated[NamedOutput | PlacedOutput, Field(discriminator="kind")]
