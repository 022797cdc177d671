"""How many colors are published, and the named selections of them."""

from typing_extensions import TypedDict

from heimat.core.document.keys import step_key
from heimat.core.document.order import in_order
from heimat.core.document.selections import NamedSelection
from heimat.core.document.system import ColorSystem
from heimat.core.document.uses import members, published_steps
from heimat.view.look import Look


class NamedSelectionView(TypedDict):
    """A named selection: the keys of its steps, and how many of it are not there now."""

    id: str
    name: str
    note: str
    keys: list[str]
    missing: int


class SelectionsPart(TypedDict):
    """How many colors are published, how many may be, and the named selections."""

    colors: int
    cap: int | None
    named: list[NamedSelectionView]


def selections_part(look: Look) -> SelectionsPart:
    """How many colors are published, and the named selections."""
    system = look.system
    return {
        "colors": len(published_steps(system)),
        "cap": system.cap,
        "named": [_selection(system, kept) for kept in in_order(system.selections)],
    }


def _selection(system: ColorSystem, kept: NamedSelection) -> NamedSelectionView:
    keys = [step_key(ref.hue, ref.step) for ref in members(system, kept)]
    return {
        "id": kept.id,
        "name": kept.name,
        "note": kept.note,
        "keys": keys,
        "missing": len(kept.steps) - len(keys),
    }
