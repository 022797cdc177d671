"""The time of a change."""

from datetime import UTC, datetime


def now() -> datetime:
    """The time in UTC, without a zone, as the database keeps it."""
    return datetime.now(UTC).replace(tzinfo=None)
