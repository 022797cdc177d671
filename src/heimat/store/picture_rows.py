"""Pictures: their bytes in pieces, once for each system."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import Connection, Select, delete, select

from heimat.store.database_keys import new_id
from heimat.store.tables import person, picture, picture_chunk

CHUNK = 1_000_000


@dataclass(frozen=True)
class PictureRow:
    """A picture without its bytes; `width` and `height` are those of its pixels as seen."""

    id: int
    name: str
    media_type: str
    digest: str
    width: int
    height: int
    size: int
    person: str
    at: datetime


@dataclass(frozen=True)
class NewPicture:
    """A picture to keep."""

    system_id: int
    name: str
    media_type: str
    digest: str
    width: int
    height: int
    person_id: str
    at: datetime
    content: bytes


def _query() -> Select[Any]:
    return select(
        picture.c.id,
        picture.c.name,
        picture.c.media_type,
        picture.c.digest,
        picture.c.width,
        picture.c.height,
        picture.c.size,
        person.c.name.label("person"),
        picture.c.at,
    ).join(person, person.c.id == picture.c.person_id)


def all_pictures(connection: Connection, system_id: int) -> list[PictureRow]:
    """The pictures of a system, the newest first."""
    query = _query().where(picture.c.system_id == system_id).order_by(picture.c.id.desc())
    return [PictureRow(**row._mapping) for row in connection.execute(query)]


def find_picture(connection: Connection, system_id: int, picture_id: int) -> PictureRow | None:
    """A picture of a system by its id; None where that system has none of it."""
    row = connection.execute(
        _query().where(picture.c.system_id == system_id, picture.c.id == picture_id)
    ).first()
    return PictureRow(**row._mapping) if row else None


def find_digest(connection: Connection, system_id: int, digest: str) -> PictureRow | None:
    """The picture of a system that has these very bytes."""
    row = connection.execute(
        _query().where(picture.c.system_id == system_id, picture.c.digest == digest)
    ).first()
    return PictureRow(**row._mapping) if row else None


def add_picture(connection: Connection, new: NewPicture) -> int:
    """Keep a picture, its bytes piece by piece. Returns its id."""
    made = connection.execute(
        picture.insert().values(
            system_id=new.system_id,
            name=new.name,
            media_type=new.media_type,
            digest=new.digest,
            width=new.width,
            height=new.height,
            size=len(new.content),
            person_id=new.person_id,
            at=new.at,
        )
    )
    picture_id = new_id(made)
    for place, start in enumerate(range(0, len(new.content), CHUNK)):
        piece = new.content[start : start + CHUNK]
        connection.execute(
            picture_chunk.insert().values(picture_id=picture_id, place=place, bytes=piece)
        )
    return picture_id


def content_of(connection: Connection, picture_id: int) -> bytes:
    """The bytes of a picture."""
    pieces = select(picture_chunk.c.bytes).where(picture_chunk.c.picture_id == picture_id)
    return b"".join(row.bytes for row in connection.execute(pieces.order_by(picture_chunk.c.place)))


def remove_picture(connection: Connection, picture_id: int) -> None:
    """Remove a picture and its bytes."""
    connection.execute(delete(picture).where(picture.c.id == picture_id))
