"""Keys that the database gives."""

from typing import Any

from sqlalchemy import CursorResult


def new_id(inserted: CursorResult[Any]) -> int:
    """The id of the row that was just inserted. Raises LookupError where there is none."""
    key = inserted.inserted_primary_key
    if key is None:
        raise LookupError("the database gave no id")
    return int(key[0])
