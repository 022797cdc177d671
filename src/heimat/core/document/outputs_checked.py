"""What must hold for an output: a name of its own, a pattern that can be one, each name of the code once."""

import re

from heimat.core.document.names import css_name
from heimat.core.document.outputs import NamedOutput, PlacedOutput
from heimat.core.document.system import ColorSystem
from heimat.core.errors import DomainError

_PATTERN = re.compile(r"[\w-]*\{name\}[\w-]*")


def check_output(system: ColorSystem, output: NamedOutput | PlacedOutput, field: str) -> None:
    """Raise DomainError, blaming `field`, for an output that cannot be."""
    if not css_name(output.name).strip("-"):
        raise DomainError(
            "An output needs a name of letters or digits: its file is called by it.", field, "empty"
        )
    for other in system.outputs.values():
        if (
            other.id != output.id
            and css_name(other.name).casefold() == css_name(output.name).casefold()
        ):
            raise DomainError(f"“{output.name}” is taken.", field, "taken")
    if isinstance(output, PlacedOutput):
        return
    if not _PATTERN.fullmatch(output.pattern):
        words = "A pattern holds {name}, and letters, digits, hyphens and underscores around it, like color-{name};"
        raise DomainError(f"{words} this one is “{output.pattern}”.", field, "pattern")
    seen: set[str] = set()
    for each in output.names:
        if each.name in seen:
            raise DomainError(f"“{each.name}” is there twice.", field, "twice")
        seen.add(each.name)
    if output.form == "scss" and "themes" in seen:
        raise DomainError(
            "“themes” is the map of all themes in SCSS; a color cannot be called so.",
            field,
            "taken",
        )
