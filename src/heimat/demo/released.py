"""The demo's history: two releases of Brinemark, changes that wait for the next, and a shop that rests on the first."""

from sqlalchemy import Engine

from heimat.core.color.color_text import parse
from heimat.core.document.outputs import NamedOutput, OutputName, PlacedOutput
from heimat.core.document.system import ColorSystem
from heimat.core.edits import UserEdit, apply_all
from heimat.core.edits.output_edits import AddOutput, SetOutput
from heimat.core.edits.source_edits import SetSource
from heimat.core.edits.token_care_edits import DescribeToken
from heimat.core.edits.token_name_edits import RenameToken
from heimat.demo.demo_systems import merrow_shop
from heimat.service.documents import Documents
from heimat.service.editing import Editing
from heimat.service.feeds import Feeds
from heimat.service.opening import add_document
from heimat.service.publishing import Publishing
from heimat.service.resting_systems import Resting
from heimat.service.workers import Workers
from heimat.store import release_rows, system_rows

_DESIGNER, _DEVELOPER = "ines", "oke"
_SHOP = "merrow-light-shop"
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
_PAGE = NamedOutput(
    id="ticket-page",
    order="a",
    name="ticket page",
    rest=False,
    names=tuple(
        OutputName(name=name, of=of)
        for name, of in (
            ("ink", "text-strong"),
            ("ink-soft", "text-faint"),
            ("paper", "surface-page"),
            ("late", "text-late"),
            ("sail", "tidewater/s600"),
            ("tide-table", None),
        )
    ),
)
"""The names that the ticket page had before it took its colors from the feed; for one there is nothing yet."""
_DISPLAY = PlacedOutput(
    id="quay-display",
    order="b",
    name="quay display",
    count=8,
    columns=4,
    meanings=("ground", "ink", "late", "cancelled"),
    holds=("surface-board", "text-on-board", "lamp/s400", "flare/s400", "kelp/s400", "sound/s400"),
)
"""The display on the quays has eight colors, of which the first four mean something to it."""
_WAITING: tuple[UserEdit, ...] = (
    SetSource(hue="gorse", color=parse("#DFAF3A")),
    RenameToken(token="text-late", name="text.late"),
    AddOutput(id=_PAGE.id, name=_PAGE.name),
    SetOutput(output=_PAGE),
    AddOutput(id=_DISPLAY.id, name=_DISPLAY.name, kind="places"),
    SetOutput(output=_DISPLAY),
    DescribeToken(token="text-late", usage="Delay figures on the operations board, from afar."),
)


def as_released_first(system: ColorSystem) -> ColorSystem:
    """The demo's larger system as it was when its first release was made."""
    return apply_all(system, _EARLIER).system


def _open_shop(engine: Engine, resting: Resting, line: str) -> None:
    """The lighthouse's shop: it rests on the line's neutrals and status colors, as they were first released."""
    with engine.begin() as connection:
        there = system_rows.find_system(connection, _SHOP)
        shop = there.slug if there else add_document(connection, merrow_shop(), _DESIGNER)
    resting.rest(
        shop,
        line,
        "1.0.0",
        ("shingle", "kelp", "flare", "lamp", "sound"),
        1,
        _DESIGNER,
        "demo-resting",
    )


def _out(engine: Engine, slug: str) -> set[str]:
    with engine.connect() as connection:
        row = system_rows.find_system(connection, slug)
        return (
            {each.version for each in release_rows.all_releases(connection, row.id)}
            if row
            else set()
        )


def publish_demo(engine: Engine, slug: str) -> None:
    """Publish what is stored as 1.0.0, go on and publish 1.1.0, and leave changes that wait.

    What is done already is passed over: releases that are out, changes by their keys, a shop that is there.
    """
    documents, workers = Documents(engine), Workers()
    editing = Editing(engine, documents)
    publishing = Publishing(engine, documents, workers, Feeds(engine))
    try:
        out = _out(engine, slug)
        if "1.0.0" not in out:
            publishing.publish(
                slug, 1, "1.0.0", "The colors of the line, in day, night and quay.", _DESIGNER
            )
        head = editing.edit(slug, _DESIGNER, 1, _SECOND, "demo-second")
        notes = "The signal color is that of the new buoys, a little darker; warnings are a little lighter."
        if "1.1.0" not in out:
            publishing.publish(slug, head.number, "1.1.0", notes, _DEVELOPER)
        editing.edit(slug, _DESIGNER, head.number, _WAITING, "demo-waiting")
        _open_shop(engine, Resting(engine, documents, editing), slug)
    finally:
        workers.close()
