"""What a use case raises besides the core's errors."""

from datetime import datetime

from heimat.core.errors import DomainError


def taken(name: str, field: str, remedy: str = "Choose another name.") -> DomainError:
    """What is told where something of this name is there already."""
    return DomainError(f"“{name}” is taken. {remedy}", field, "taken")


class Busy(Exception):
    """Others hold what is needed, for longer than anybody should wait. Nothing is stored."""


class TooOften(Exception):
    """Something that costs much was asked for `amount` times within a minute; it may be again in `seconds`."""

    def __init__(self, amount: int, seconds: int) -> None:
        super().__init__(f"{amount} times within a minute")
        self.amount = amount
        self.seconds = seconds


class TooSlow(Exception):
    """A piece of work that has taken longer than it may, by the processor or by the clock. Nothing is stored."""

    def __init__(self, seconds: float, *, clock: bool = False) -> None:
        super().__init__(f"longer than {seconds:g} seconds")
        self.seconds = seconds
        self.clock = clock


class TooLarge(Exception):
    """A piece of work that needs more memory than there is for it. Nothing is stored."""


class NotYet(Exception):
    """Something that is being made and will be there later."""

    def __init__(self, message: str) -> None:
        super().__init__(message)
        self.message = message


class KeyRefused(Exception):
    """A feed asks for a key, and this is none that opens it."""

    def __init__(self, message: str) -> None:
        super().__init__(message)
        self.message = message


class ReadOnly(Exception):
    """What was released is looked at, and never changed."""

    def __init__(self, version: str) -> None:
        super().__init__(version)
        self.message = (
            f"This is {version} as it was released, and nothing in it changes. Go back to what is there now, or begin"
            " an alternative from it."
        )


class Unreadable(Exception):
    """A stored document that this program cannot read; `message` says which and why."""

    def __init__(self, message: str) -> None:
        super().__init__(message)
        self.message = message


class Conflict(Exception):
    """A change that meets somebody else's. Nothing is stored and nothing lost: both are told."""

    def __init__(
        self, message: str, *, yours: str, theirs: str, person: str, at: datetime, head: int
    ) -> None:
        super().__init__(message)
        self.message = message
        self.yours = yours
        self.theirs = theirs
        self.person = person
        self.at = at
        self.head = head
