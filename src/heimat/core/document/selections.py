"""Named selections: some of the steps under a name, for one audience."""

from typing import Annotated

from pydantic import Field

from heimat.core.document.hues import StepRef
from heimat.core.document.ids import Id
from heimat.core.document.order import OrderKey
from heimat.core.document.part import Name, Note, Part

MOST_COLORS = 4800
"""Steps that a system can have: 200 hues of 24."""


class NamedSelection(Part):
    """Some of the steps under a name, for one audience. A step that is not there waits until it is again."""

    id: Id
    order: OrderKey
    name: Name
    steps: Annotated[tuple[StepRef, ...], Field(min_length=1, max_length=MOST_COLORS)]
    note: Note = ""
