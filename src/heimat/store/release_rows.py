"""Releases and their files: written once, never changed."""

from dataclasses import dataclass
from datetime import datetime
from typing import Any

from sqlalchemy import Connection, Select, func, select

from heimat.store import counters
from heimat.store.database_keys import new_id
from heimat.store.files import FileRow, as_row, columns_of, file_of
from heimat.store.stored_json import pack, unpack
from heimat.store.tables import person, release, release_file, revision

Version = tuple[int, int, int]


@dataclass(frozen=True)
class ReleaseRow:
    """A release without its files."""

    id: int
    version: str
    notes: str
    person: str
    at: datetime
    digest: str
    alternative_id: int
    revision_number: int


_ORDER = (release.c.major.desc(), release.c.minor.desc(), release.c.patch.desc())


def _query() -> Select[Any]:
    return (
        select(
            release.c.id,
            release.c.major,
            release.c.minor,
            release.c.patch,
            release.c.notes,
            person.c.name.label("person"),
            release.c.at,
            release.c.digest,
            release.c.alternative_id,
            revision.c.number.label("revision_number"),
        )
        .join(person, person.c.id == release.c.person_id)
        .join(revision, revision.c.id == release.c.revision_id)
        .order_by(*_ORDER)
    )


def _row(row: Any) -> ReleaseRow:
    version = f"{row.major}.{row.minor}.{row.patch}"
    return ReleaseRow(
        row.id,
        version,
        row.notes,
        row.person,
        row.at,
        row.digest,
        row.alternative_id,
        row.revision_number,
    )


def all_releases(connection: Connection, system_id: int) -> list[ReleaseRow]:
    """The releases of a system, highest version first."""
    return [
        _row(row) for row in connection.execute(_query().where(release.c.system_id == system_id))
    ]


def latest_release(
    connection: Connection, system_id: int, within: tuple[int, ...] = ()
) -> ReleaseRow | None:
    """The highest version of a system, or of those that begin with some numbers."""
    query = _query().where(release.c.system_id == system_id)
    for column, number in zip((release.c.major, release.c.minor), within, strict=False):
        query = query.where(column == number)
    row = connection.execute(query.limit(1)).first()
    return _row(row) if row else None


def find_release(connection: Connection, system_id: int, version: Version) -> ReleaseRow | None:
    """A version of a system."""
    query = _query().where(release.c.system_id == system_id)
    for column, number in zip(
        (release.c.major, release.c.minor, release.c.patch), version, strict=True
    ):
        query = query.where(column == number)
    row = connection.execute(query).first()
    return _row(row) if row else None


def latest_versions(connection: Connection) -> dict[int, str]:
    """The highest version of every system that has any, by the system's id."""
    columns = (release.c.major, release.c.minor, release.c.patch)
    rising = connection.execute(select(release.c.system_id, *columns).order_by(*columns))
    return {row.system_id: f"{row.major}.{row.minor}.{row.patch}" for row in rising}


def versions_of(connection: Connection, system_id: int) -> list[Version]:
    """The versions of a system, the highest first."""
    columns = (release.c.major, release.c.minor, release.c.patch)
    found = connection.execute(
        select(*columns).where(release.c.system_id == system_id).order_by(*_ORDER)
    )
    return [(row.major, row.minor, row.patch) for row in found]


def file_names_of(connection: Connection, system_id: int, version: Version) -> frozenset[str]:
    """The names of the files of a version."""
    major, minor, patch = version
    here = (release.c.major == major) & (release.c.minor == minor) & (release.c.patch == patch)
    query = (
        select(release_file.c.name)
        .join(release, release.c.id == release_file.c.release_id)
        .where(release.c.system_id == system_id, here)
    )
    return frozenset(connection.execute(query).scalars())


def publication_of(connection: Connection, release_id: int) -> dict[str, Any]:
    """What a release published, as plain data."""
    return unpack(
        connection.execute(
            select(release.c.publication).where(release.c.id == release_id)
        ).scalar_one()
    )


@dataclass(frozen=True)
class NewRelease:
    """A release to keep, with its files."""

    system_id: int
    alternative_id: int
    revision_id: int
    version: Version
    notes: str
    person_id: str
    at: datetime
    digest: str
    publication: dict[str, Any]
    files: list[FileRow]


def add_release(connection: Connection, new: NewRelease) -> int:
    """Keep a release and its files. Returns its id. Raises IntegrityError where the version is there already."""
    major, minor, patch = new.version
    made = connection.execute(
        release.insert().values(
            system_id=new.system_id,
            alternative_id=new.alternative_id,
            revision_id=new.revision_id,
            major=major,
            minor=minor,
            patch=patch,
            notes=new.notes,
            person_id=new.person_id,
            at=new.at,
            digest=new.digest,
            publication=pack(new.publication),
        )
    )
    release_id = new_id(made)
    connection.execute(
        release_file.insert(), [as_row(file, release_id=release_id) for file in new.files]
    )
    counters.rise(connection, new.system_id)
    return release_id


def add_file(connection: Connection, system_id: int, release_id: int, file: FileRow) -> None:
    """Add a file that is made after a release is out. Raises IntegrityError where it is there already."""
    connection.execute(release_file.insert().values(as_row(file, release_id=release_id)))
    counters.rise(connection, system_id)


def file_names(connection: Connection, system_id: int) -> dict[int, list[str]]:
    """The names of the files of all releases of a system, by the release's id, whole ones before selections."""
    found: dict[int, list[str]] = {}
    query = (
        select(release_file.c.release_id, release_file.c.name)
        .join(release, release.c.id == release_file.c.release_id)
        .where(release.c.system_id == system_id)
        .order_by(func.length(release_file.c.name), release_file.c.name)
    )
    for row in connection.execute(query):
        found.setdefault(row.release_id, []).append(row.name)
    return found


def find_file(
    connection: Connection, system_id: int, version: Version | None, name: str
) -> FileRow | None:
    """A file of a version, or of the highest one: what that lacks is not taken from an older one."""
    wanted = select(release.c.id).where(release.c.system_id == system_id).order_by(*_ORDER)
    if version is not None:
        major, minor, patch = version
        wanted = wanted.where(
            release.c.major == major, release.c.minor == minor, release.c.patch == patch
        )
    query = select(*columns_of(release_file)).where(
        release_file.c.release_id == wanted.limit(1).scalar_subquery(), release_file.c.name == name
    )
    return file_of(connection.execute(query).first(), name)
