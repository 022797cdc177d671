"""What is raised when something cannot be done, or is not there."""


class DomainError(Exception):
    """A change or a value that cannot be accepted.

    `message` is a sentence for a designer, `field` the dotted path of what is at fault within the edit or document,
    `code` a short stable word for programs.
    """

    def __init__(self, message: str, field: str, code: str = "refused") -> None:
        super().__init__(message)
        self.message = message
        self.field = field
        self.code = code

    def __reduce__(self) -> tuple[type["DomainError"], tuple[str, str, str]]:
        """Errors come out of worker processes whole."""
        return type(self), (self.message, self.field, self.code)


class NotFound(Exception):
    """Something that was asked for is not there; `message` is a sentence for a designer."""

    def __init__(self, message: str) -> None:
        super().__init__(message)
        self.message = message
