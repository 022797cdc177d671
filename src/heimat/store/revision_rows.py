"""Revisions: append only. Each holds the whole document, the edits that made it, and what takes them back."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any, Literal

from sqlalchemy import Connection, select

from heimat.store.database_keys import new_id
from heimat.store.stored_json import pack, unpack
from heimat.store.tables import person, revision

Kind = Literal["open", "edit", "undo", "redo", "tidy", "pass"]


@dataclass(frozen=True)
class NewRevision:
    """A revision to append. `edits` and `inverse` are plain data, `reads` and `writes` places of the document.

    `sent` is the digest of what the request said.
    """

    alternative_id: int
    parent_id: int | None
    number: int
    person_id: str
    at: datetime
    kind: Kind
    undoes_id: int | None
    request_key: str
    sent: str | None
    sentence: str
    edits: list[dict[str, Any]]
    inverse: dict[str, Any]
    reads: list[list[str]]
    writes: list[list[str]]
    document: dict[str, Any]


@dataclass(frozen=True)
class RevisionRow:
    """A revision without its bodies."""

    id: int
    number: int
    person_id: str
    person: str
    at: datetime
    kind: Kind
    undoes_id: int | None
    sentence: str


@dataclass(frozen=True)
class Touched:
    """The places that a revision read and wrote."""

    reads: list[tuple[str, ...]]
    writes: list[tuple[str, ...]]


def append(connection: Connection, new: NewRevision) -> int:
    """Append a revision. Returns its id."""
    made = connection.execute(
        revision.insert().values(
            alternative_id=new.alternative_id,
            parent_id=new.parent_id,
            number=new.number,
            person_id=new.person_id,
            at=new.at,
            kind=new.kind,
            undoes_id=new.undoes_id,
            request_key=new.request_key,
            sent=new.sent,
            sentence=new.sentence,
            edits=pack(new.edits),
            inverse=pack(new.inverse),
            touched=pack({"reads": new.reads, "writes": new.writes}),
            document=pack(new.document),
        )
    )
    return new_id(made)


_HEADS = (
    revision.c.id,
    revision.c.number,
    revision.c.person_id,
    person.c.name.label("person"),
    revision.c.at,
    revision.c.kind,
    revision.c.undoes_id,
    revision.c.sentence,
)


def history(
    connection: Connection,
    alternative_id: int,
    *,
    after: int = 0,
    person_id: str | None = None,
    last: int | None = None,
) -> list[RevisionRow]:
    """Revisions of an alternative with numbers above `after`, oldest first; a person's, the `last` so many, if given.

    The first revision, which opens the alternative, has number 1 and cannot be undone.
    """
    query = (
        select(*_HEADS)
        .join(person, person.c.id == revision.c.person_id)
        .where(revision.c.alternative_id == alternative_id, revision.c.number > after)
        .order_by(revision.c.number.desc())
    )
    if person_id is not None:
        query = query.where(revision.c.person_id == person_id)
    rows = connection.execute(query.limit(last) if last else query)
    return [RevisionRow(**row._mapping) for row in rows][::-1]


def document(connection: Connection, alternative_id: int, number: int) -> dict[str, Any] | None:
    """The document of a revision by its number, as plain data."""
    blob = connection.execute(
        select(revision.c.document).where(
            revision.c.alternative_id == alternative_id, revision.c.number == number
        )
    ).scalar_one_or_none()
    return unpack(blob) if blob is not None else None


def inverse(connection: Connection, revision_id: int) -> dict[str, Any]:
    """What takes a revision back, as plain data."""
    return unpack(
        connection.execute(
            select(revision.c.inverse).where(revision.c.id == revision_id)
        ).scalar_one()
    )


def touched(connection: Connection, revision_ids: list[int]) -> dict[int, Touched]:
    """The places that revisions read and wrote, by id."""
    rows = connection.execute(
        select(revision.c.id, revision.c.touched).where(revision.c.id.in_(revision_ids))
    )
    found = {row.id: unpack(row.touched) for row in rows}
    return {
        key: Touched(
            [tuple(path) for path in data["reads"]], [tuple(path) for path in data["writes"]]
        )
        for key, data in found.items()
    }


def tidied(connection: Connection, alternative_id: int, *, after: int) -> list[int]:
    """The numbers, rising, of the revisions above `after` that spread order keys again."""
    query = select(revision.c.number).where(
        revision.c.alternative_id == alternative_id,
        revision.c.number > after,
        revision.c.kind == "tidy",
    )
    return list(connection.execute(query.order_by(revision.c.number)).scalars())


def id_of(connection: Connection, alternative_id: int, number: int) -> int:
    """The id of a revision by its number."""
    return int(
        connection.execute(
            select(revision.c.id).where(
                revision.c.alternative_id == alternative_id, revision.c.number == number
            )
        ).scalar_one()
    )


@dataclass(frozen=True)
class DoneRow:
    """A revision that a request has made already: whose, what kind, and the digest of what was sent, if it is kept."""

    number: int
    person_id: str
    kind: Kind
    sent: str | None


def by_request(connection: Connection, alternative_id: int, request_key: str) -> DoneRow | None:
    """The revision that a request has made already."""
    row = connection.execute(
        select(revision.c.number, revision.c.person_id, revision.c.kind, revision.c.sent).where(
            revision.c.alternative_id == alternative_id, revision.c.request_key == request_key
        )
    ).one_or_none()
    return DoneRow(row.number, row.person_id, row.kind, row.sent) if row else None
