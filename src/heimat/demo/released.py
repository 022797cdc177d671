"""The demo's history: two releases of Brinemark, changes that wait for the next, and a shop that rests on the first."""

from sqlalchemy import Engine

from heimat.core.color.notation import parse
from heimat.core.document.system import ColorSystem
from heimat.core.edits import UserEdit, apply_all
from heimat.core.edits.sources import SetSource
from heimat.core.edits.token_care import DescribeToken
from heimat.core.edits.token_names import RenameToken
from heimat.demo.systems import merrow_shop
from heimat.service.documents import Documents
from heimat.service.editing import Editing
from heimat.service.feeds import Feeds
from heimat.service.opening import add_document
from heimat.service.publishing import Publishing
from heimat.service.resting import Resting
from heimat.service.workers import Workers

_DESIGNER, _DEVELOPER = "ines", "oke"
_EARLIER: tuple[UserEdit, ...] = (
    SetSource(hue="buoy", color=parse("#E2602F")),
    SetSource(hue="gorse", color=parse("#E4B640")),
    SetSource(hue="lamp", color=parse("#D38200")),
    RenameToken(token="text-late", name="text.delayed"),
)
"""What was otherwise when the line's colors went out for the first time."""
_SECOND: tuple[UserEdit, ...] = (
    SetSource(hue="buoy", color=parse("#DF5A33")),
    SetSource(hue="lamp", color=parse("#D98A00")),
)
_WAITING: tuple[UserEdit, ...] = (
    SetSource(hue="gorse", color=parse("#DFAF3A")),
    RenameToken(token="text-late", name="text.late"),
    DescribeToken(token="text-late", usage="Delay figures on the operations board, from afar."),
)


def as_released_first(system: ColorSystem) -> ColorSystem:
    """The demo's larger system as it was when its first release was made."""
    return apply_all(system, _EARLIER).system


def _open_shop(engine: Engine, resting: Resting, line: str) -> None:
    """The lighthouse's shop: it rests on the line's neutrals and status colors, as they were first released."""
    with engine.begin() as connection:
        shop = add_document(connection, merrow_shop(), _DESIGNER)
    resting.rest(shop, line, "1.0.0", ("shingle", "kelp", "flare", "lamp", "sound"), 1, _DESIGNER, "demo-resting")


def publish_demo(engine: Engine, slug: str) -> None:
    """Publish what is stored as 1.0.0, go on and publish 1.1.0, and leave changes that wait."""
    documents, workers = Documents(engine), Workers(1)
    editing = Editing(engine, documents)
    publishing = Publishing(engine, documents, workers, Feeds(engine))
    try:
        publishing.publish(slug, 1, "1.0.0", "The colors of the line, in day, night and quay.", _DESIGNER)
        head = editing.edit(slug, _DESIGNER, 1, _SECOND, "demo-second")
        notes = "The signal color is that of the new buoys, a little darker; warnings are a little lighter."
        publishing.publish(slug, head.number, "1.1.0", notes, _DEVELOPER)
        editing.edit(slug, _DESIGNER, head.number, _WAITING, "demo-waiting")
        _open_shop(engine, Resting(engine, documents, editing), slug)
    finally:
        workers.close()
