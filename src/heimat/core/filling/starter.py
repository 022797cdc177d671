"""The first theme and the first tokens of a system that has only hues."""

from heimat.core.document.order import keys
from heimat.core.document.system import ColorSystem
from heimat.core.document.themes import Theme
from heimat.core.edits import apply_all
from heimat.core.filling.fill import addition
from heimat.core.filling.sets import SETS, SetName
from heimat.core.resolve.resolved import resolve

DAY = "day"


def with_starter(system: ColorSystem, name: SetName = "product") -> ColorSystem:
    """Add the light theme `day` and a starter set, with pairings and a told-apart set, to a system without tokens."""
    day = Theme(id=DAY, order=keys(1)[0], name=DAY)
    system = system.model_copy(update={"themes": {DAY: day}})
    return apply_all(system, addition(resolve(system), SETS[name]).edits).system
