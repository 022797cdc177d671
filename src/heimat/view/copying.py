"""Several colors as text, to be pasted elsewhere."""

from collections.abc import Sequence

from typing_extensions import TypedDict

from heimat.core.color.notation import Notation
from heimat.core.errors import DomainError
from heimat.core.legibility.selected import find
from heimat.core.resolve.resolved import Resolved
from heimat.view.figures import color_text


class CopiedView(TypedDict):
    """Colors as text: a line each, in the order asked for."""

    text: str


def copied_view(
    resolved: Resolved, keys: Sequence[str], notation: Notation, *, names: bool
) -> CopiedView:
    """The colors of some keys in a notation, or in hex where it cannot hold one; with the names before them, or alone.

    Raises DomainError (field `keys`) for a key that names nothing.
    """
    lines: list[str] = []
    for place, key in enumerate(keys):
        found = find(resolved, resolved.theme(), key)
        if found is None:
            raise DomainError("That color is not there any more.", f"keys.{place}", "missing")
        value = color_text(found.color, notation)
        lines.append(f"{found.name}: {value}" if names else value)
    return {"text": "\n".join(lines)}
