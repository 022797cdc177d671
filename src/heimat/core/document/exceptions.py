"""Accepted exceptions: findings that someone decided to live with, on record."""

from datetime import date
from typing import Annotated

from pydantic import Field

from heimat.core.document.ids import Id
from heimat.core.document.order import OrderKey
from heimat.core.document.part import Name, Note, Part

LONGEST_FINDING = 200
MOST_EXCEPTIONS = 500

FindingId = Annotated[str, Field(min_length=1, max_length=LONGEST_FINDING)]


class AcceptedException(Part):
    """A finding that stays as it is: why, who decided it, on which day, and until when, if it ends.

    `sentence` and `colors` (`#RRGGBB`) are the finding as it was then: with other colors it is another matter.
    """

    id: Id
    order: OrderKey
    finding: FindingId
    sentence: Note
    colors: tuple[str, str]
    reason: Note
    evidence: Note = ""
    person: Name = ""
    on: date
    until: date | None = None
