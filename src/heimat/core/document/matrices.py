"""Named matrices: which foregrounds the team reads against which grounds."""

from typing import Annotated, Literal

from pydantic import Field

from heimat.core.document.ids import Id
from heimat.core.document.order import OrderKey
from heimat.core.document.part import Name, Part

MOST_MATRICES = 50
MatrixOrder = Literal["luminance", "own"]
ColorSet = Annotated[
    str, Field(pattern=r"^(steps|neutrals|texts|grounds|tokens|hue:[A-Za-z0-9_-]{1,40})$")
]
"""All steps, the neutral ones, the foregrounds or grounds of pairings, all tokens, or `hue:` and the id of a hue."""


class NamedMatrix(Part):
    """A matrix under a name: the colors of one set on those of another, by luminance or as they stand."""

    id: Id
    order: OrderKey
    name: Name
    rows: ColorSet
    columns: ColorSet
    by: MatrixOrder = "luminance"
