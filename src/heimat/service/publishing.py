"""Publishing: what would change, the release itself, and the files of the feed."""

import hashlib
import threading
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

import orjson
from sqlalchemy import Connection, Engine

from heimat.core.document.system import ColorSystem
from heimat.core.document.words import counted, listed
from heimat.core.errors import DomainError, NotFound
from heimat.core.legibility.findings import count_open
from heimat.core.publication.breaking import broken
from heimat.core.publication.building import publication
from heimat.core.publication.changes import Proposed, TokenChange, compare, next_version, same
from heimat.core.publication.frame import frame_changes
from heimat.core.publication.plain_publication import plain_of
from heimat.core.publication.publication import Publication, PublishedTheme
from heimat.core.publication.published_outputs import gap_words, names_lost
from heimat.core.publication.telling import drafted_notes, markdown
from heimat.core.resolve.resolved import resolve
from heimat.formats import ARCHIVE, NO_TEXT, write_all
from heimat.formats.check_text import Check, check
from heimat.formats.packing import PackedFile, packed
from heimat.service.claiming import Claim, held
from heimat.service.clock import now
from heimat.service.documents import Documents
from heimat.service.feeds import Feeds, version_of
from heimat.service.transactions import in_transaction
from heimat.service.workers import Workers
from heimat.store import feed_key_rows, release_rows, revision_rows, system_rows, unprinted
from heimat.store.files import FileRow
from heimat.store.release_rows import NewRelease, ReleaseRow
from heimat.store.system_rows import SystemRow

Release = ReleaseRow
"""A release without its files."""
LONGEST_NOTES = 4000
SECONDS = 60.0
"""Of processor time: how long the files of a release may take."""


@dataclass(frozen=True)
class Comparison:
    """What differs between two publications: changes of tokens, of themes and the package in sentences (`frame`), what
    they break, notes on them, and all as Markdown."""

    changes: list[TokenChange]
    frame: list[str]
    breaks: list[str]
    notes: str
    markdown: str
    themes: tuple[PublishedTheme, ...]


@dataclass(frozen=True)
class Draft:
    """What publishing now would do: what differs from the latest release, the version proposed, the files' texts.

    `stops` are what refuses it by the team's own rules, `told` what is to be known before; `nothing` says that the same
    is out already.
    """

    latest: str | None
    compared: Comparison
    proposed: Proposed
    files: list[tuple[str, str]]
    stops: list[str]
    told: list[str]
    nothing: bool


class Publishing:
    """Releases and feeds of one database's systems."""

    def __init__(
        self,
        engine: Engine,
        documents: Documents,
        workers: Workers,
        feeds: Feeds,
        *,
        printed: bool = True,
    ) -> None:
        """Publishing to a database; `printed` is whether releases get their guide as PDF, once they are out."""
        self._printed = printed
        self._engine = engine
        self._documents = documents
        self._workers = workers
        self._feeds = feeds

    def all(self, system_id: int) -> list[ReleaseRow]:
        """The releases, highest version first."""
        with self._engine.connect() as connection:
            return release_rows.all_releases(connection, system_id)

    def being_printed(self, system_id: int) -> set[str]:
        """The versions whose guide is still being set as PDF."""
        with self._engine.connect() as connection:
            return {
                ".".join(map(str, each)) for each in unprinted.versions_of(connection, system_id)
            }

    def file_names(self, system_id: int) -> dict[int, list[str]]:
        """The names of the files of every release, by its id."""
        with self._engine.connect() as connection:
            return release_rows.file_names(connection, system_id)

    def draft(self, row: SystemRow) -> Draft:
        """What publishing a system's newest revision would do."""
        with self._engine.connect() as connection:
            latest = release_rows.latest_release(connection, row.id)
            keys = feed_key_rows.keys_of(connection, row.id)
        before = self._documents.publication(latest.id) if latest else None
        system = self._documents.system(row.alternative_id, row.head_number)
        using = [
            (key.name, tuple(key.report["names"]))
            for key in keys
            if key.report and key.revoked_at is None
        ]
        return self._workers.making.run(
            _drafted, system, before, latest.version if latest else None, now().date(), using
        )

    def archive(self, row: SystemRow) -> bytes:
        """The archive of all files, as it would be published now."""
        with self._engine.connect() as connection:
            latest = release_rows.latest_release(connection, row.id)
        before = self._documents.publication(latest.id) if latest else None
        system = self._documents.system(row.alternative_id, row.head_number)
        packed_files: bytes = self._workers.making.run(
            _archived, system, before, latest.version if latest else None
        )
        return packed_files

    def between(self, row: SystemRow, before: str, after: str | None) -> Comparison:
        """What differs from one release to another, or to the newest revision. Raises NotFound and DomainError."""
        was = self._released(row, before)
        if after is not None:
            return compared(was, self._released(row, after), after)
        system = self._documents.system(row.alternative_id, row.head_number)
        return self._workers.making.run(_compared_with, was, system)

    def check(self, row: SystemRow, text: str, version: str | None) -> tuple[str, Check]:
        """What a text uses that is none of a release, the latest without a version. Raises NotFound and DomainError."""
        with self._engine.connect() as connection:
            latest = release_rows.latest_release(connection, row.id)
        wanted = version or (latest.version if latest else None)
        if wanted is None:
            raise NotFound("Nothing is published yet to check against.")
        return wanted, self._workers.reading.run(check, text, self._released(row, wanted))

    def _released(self, row: SystemRow, version: str) -> Publication:
        with self._engine.connect() as connection:
            found = release_rows.find_release(connection, row.id, _parse_version(version))
            if found is None:
                raise NotFound(f"There is no release {version}.")
            return self._documents.publication(found.id, connection)

    def publish(
        self,
        slug: str,
        number: int,
        version: str,
        notes: str,
        person_id: str,
        left: threading.Event | None = None,
    ) -> tuple[ReleaseRow, bool]:
        """Publish a revision as a version. Returns the release, and whether it is a new one.

        What is published already as the latest release is not published twice. Where somebody else writes this version
        right now, that is told before any file is made. Once `left` is set nobody waits any more: writing ends, and
        nothing is stored. Raises DomainError (fields `version` and `notes`), NotFound and Busy.
        """
        wanted = _parse_version(version)
        if len(notes) > LONGEST_NOTES:
            raise DomainError(
                f"Notes have at most {LONGEST_NOTES} characters.", "notes", "too_long"
            )
        with self._engine.connect() as connection:
            row = self._documents.find_to_change(slug, connection)
        with held(self._engine, f"version {row.id} {version}", person_id) as claim:
            if claim.other is not None:
                words = f"{claim.other or 'Somebody'} is publishing {version} right now. Look again in a moment."
                raise DomainError(words, "version", "taken")
            new = _New(row.id, row.alternative_id, number, wanted, notes.strip(), person_id)
            found = self._publish(new, claim, left)
        self._feeds.published()
        return found

    def _publish(
        self, new: "_New", claim: Claim, left: threading.Event | None
    ) -> tuple[ReleaseRow, bool]:
        system = self._documents.system(new.alternative_id, new.number)
        version = ".".join(map(str, new.version))
        lane = self._workers.making
        future = lane.begin(prepare_release, system, version, now().date(), seconds=SECONDS)
        claim.wait(future, left)
        made: Prepared = lane.result(future, SECONDS)

        def work(connection: Connection) -> tuple[ReleaseRow, bool]:
            system_rows.lock_head(connection, new.alternative_id)
            latest = release_rows.latest_release(connection, new.system_id)
            if latest is not None and same(
                self._documents.publication(latest.id, connection), made.content
            ):
                return latest, False
            if latest is not None and new.version <= _parse_version(latest.version):
                raise DomainError(
                    f"{latest.version} is out already; the next one is higher.", "version", "taken"
                )
            before = self._documents.publication(latest.id, connection) if latest else None
            if stops := _stops(system, before, made.content, made.open):
                raise DomainError(
                    f"{stops[0]} That refuses a release by the team’s own rules.",
                    "rules",
                    "refused",
                )
            release_id = release_rows.add_release(
                connection,
                NewRelease(
                    system_id=new.system_id,
                    alternative_id=new.alternative_id,
                    revision_id=revision_rows.id_of(connection, new.alternative_id, new.number),
                    version=new.version,
                    notes=new.notes,
                    person_id=new.person_id,
                    at=now(),
                    digest=made.digest,
                    publication=plain_of(made.content),
                    files=made.files,
                ),
            )
            if self._printed:
                unprinted.owe(connection, release_id)
            out = release_rows.latest_release(connection, new.system_id)
            assert out is not None
            return out, True

        return in_transaction(self._engine, work)


@dataclass(frozen=True)
class _New:
    """What is to be published: of which alternative and revision, as what, by whom."""

    system_id: int
    alternative_id: int
    number: int
    version: tuple[int, int, int]
    notes: str
    person_id: str


@dataclass(frozen=True)
class Prepared:
    """What a document comes to when it is published; `open` is how many findings are to settle."""

    content: Publication
    digest: str
    files: list[FileRow]
    open: int


def prepare_release(system: ColorSystem, version: str, today: date) -> Prepared:
    """What a document comes to as a version, with its files written and packed."""
    resolved = resolve(system)
    content = publication(resolved)
    digest = hashlib.sha256(orjson.dumps(plain_of(content))).hexdigest()
    files = [
        as_file(packed(file.name, file.media_type, file.content))
        for file in write_all(content, version)
    ]
    return Prepared(content, digest, files, count_open(resolved, today))


def as_file(file: PackedFile) -> FileRow:
    """A packed file as it is kept."""
    return FileRow(file.name, file.media_type, file.digest, file.content, file.gzip, file.brotli)


def _drafted(
    system: ColorSystem,
    before: Publication | None,
    latest: str | None,
    today: date,
    using: Sequence[tuple[str, Sequence[str]]] = (),
) -> Draft:
    resolved = resolve(system)
    content = publication(resolved)
    proposed = _proposed(system, before, content, latest)
    written = write_all(content, proposed.version)
    texts = {file.name for file in written if file.media_type not in NO_TEXT}
    files = [(file.name, file.content.decode() if file.name in texts else "") for file in written]
    left = count_open(resolved, today)
    differs = compared(before, content, proposed.version)
    told = [*(_still_used(before, content, using) if before else []), *_told(system, content, left)]
    nothing = before is not None and same(before, content)
    return Draft(
        latest, differs, proposed, files, _stops(system, before, content, left), told, nothing
    )


def _still_used(
    before: Publication, after: Publication, using: Sequence[tuple[str, Sequence[str]]]
) -> list[str]:
    """Who uses, by the last check of each key, what goes with this release."""
    names = {token.name for token in after.with_palettes()}
    going = {token.name for token in before.with_palettes()} - names
    found = ((who, [name for name in used if name in going]) for who, used in using)
    return [
        f"{who} still uses {listed(gone)}: gone with this release." for who, gone in found if gone
    ]


def _archived(system: ColorSystem, before: Publication | None, latest: str | None) -> bytes:
    content = publication(resolve(system))
    version = _proposed(system, before, content, latest).version
    return next(file.content for file in write_all(content, version) if file.media_type == ARCHIVE)


def _proposed(
    system: ColorSystem, before: Publication | None, after: Publication, latest: str | None
) -> Proposed:
    lost = names_lost(before.outputs, after.outputs) if before else []
    frame = frame_changes(before, after)
    return next_version(
        latest, compare(before, after), system.release_rules.patch_below, lost, frame
    )


def compared(before: Publication | None, after: Publication, version: str) -> Comparison:
    """What differs between two publications, the later one being a version."""
    changes = compare(before, after)
    frame = frame_changes(before, after)
    breaks = broken(before, after, changes)
    text = markdown(after.name, version, changes, breaks, after.themes, frame)
    notes = drafted_notes(changes, before is None, frame)
    return Comparison(changes, [each.words for each in frame], breaks, notes, text, after.themes)


def _compared_with(before: Publication, system: ColorSystem) -> Comparison:
    return compared(before, publication(resolve(system)), "unreleased")


def _stops(
    system: ColorSystem, before: Publication | None, after: Publication, left: int
) -> list[str]:
    """What refuses a release by the team's own rules, each in a sentence."""
    rules = system.release_rules
    found = []
    if rules.refuse_open and left:
        found.append(f"{counted(left, 'finding')} {'is' if left == 1 else 'are'} open.")
    if rules.refuse_sudden and before is not None:
        names = {token.name for token in after.tokens}
        sudden = [
            token.name
            for token in before.tokens
            if token.deprecated is None and token.name not in names
        ]
        if sudden:
            verb = "goes" if len(sudden) == 1 else "go"
            found.append(f"{listed(sudden)} {verb} without a release that said so before.")
    return found


def _told(system: ColorSystem, content: Publication, left: int) -> list[str]:
    """What is to be known before a release, each in a sentence."""
    going = [token.name for token in content.tokens if token.deprecated is not None]
    accepted = len(content.contract["exceptions"])
    return [
        *(
            [f"{counted(left, 'finding')} {'is' if left == 1 else 'are'} open."]
            if left
            else ["Nothing is left to settle."]
        ),
        *(
            [f"{counted(accepted, 'exception')} {'is' if accepted == 1 else 'are'} accepted."]
            if accepted
            else []
        ),
        *gap_words(system, content.with_palettes()),
        *(
            [f"{listed(going)} {'is' if len(going) == 1 else 'are'} on the way out."]
            if going
            else []
        ),
    ]


def _parse_version(text: str) -> tuple[int, int, int]:
    number = version_of(text)
    if number is None:
        raise DomainError(
            "A version has three numbers, for example 1.2.0.", "version", "unreadable"
        )
    return number
