"""Opening: the list of systems, and new ones from brand colors."""

import re
import unicodedata
from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any

from sqlalchemy import Connection, Engine

from heimat.core.color.color_lines import read_lines
from heimat.core.color.naming import one_line
from heimat.core.color.overlay import on_white
from heimat.core.document.part import LONGEST_NAME
from heimat.core.document.system import ColorSystem
from heimat.core.errors import DomainError, NotFound
from heimat.core.importing.from_sheet import Imported, import_sheet
from heimat.core.importing.given_scales import started
from heimat.formats.read.sheets.read_sheets import read as read_sheet
from heimat.service.cards import KEYS, card_of
from heimat.service.clock import now
from heimat.service.documents import Documents
from heimat.service.failures import Unreadable
from heimat.service.first import append_first
from heimat.service.transactions import in_transaction
from heimat.service.workers import Workers
from heimat.store import counters, release_rows, system_rows
from heimat.store.system_rows import ListedRow, SystemRow

_UNNAMED = "Unnamed"
_COPY = " copy"
_NO_CARD: dict[str, Any] = {"hues": [], "kinds": 0, "tokens": 0, "themes": 0, "rests_on": None}
_NOT_IN_ADDRESS = re.compile(r"[^a-z0-9]+")


@dataclass(frozen=True)
class Listed:
    """A system in the list: its card as plain data, which is that of its last readable state, the version that is out,
    and why it cannot be opened, if so."""

    row: ListedRow
    card: dict[str, Any]
    latest: str | None
    problem: str | None


class Opening:
    """Finds and makes systems."""

    def __init__(self, engine: Engine, documents: Documents, workers: Workers) -> None:
        self._engine = engine
        self._documents = documents
        self._workers = workers

    def all(self) -> list[Listed]:
        """Every system, the last changed first, from its card; one that cannot be read keeps no other away."""
        with self._engine.begin() as connection:
            latest = release_rows.latest_versions(connection)
            return [
                self._listed(connection, row, latest.get(row.id))
                for row in system_rows.listed_systems(connection)
            ]

    def _listed(self, connection: Connection, row: ListedRow, latest: str | None) -> Listed:
        card, problem = row.card, self._documents.problem_of(row.alternative_id, row.head_number)
        if problem is None and (card is None or not card.keys() >= KEYS):
            try:
                card = card_of(
                    self._documents.system(row.alternative_id, row.head_number, connection)
                )
                system_rows.keep_card(connection, row.alternative_id, row.head_revision_id, card)
            except Unreadable as unreadable:
                problem = unreadable.message
        return Listed(row, {**_NO_CARD, **(card or {})}, latest, problem)

    def find(self, slug: str) -> SystemRow:
        """The system at an address. Raises NotFound."""
        with self._engine.connect() as connection:
            row = system_rows.find_system(connection, slug)
        if row is None:
            raise NotFound(f"There is no system at “{slug}”.")
        return row

    def start(self, name: str, text: str, person_id: str) -> tuple[SystemRow, list[str]]:
        """Make a system from pasted brand colors. Returns it, and the lines that were not read.

        Lines that cannot be read stop no other. Raises DomainError (fields `name`, `colors`) where none can be, or the
        name cannot be one; nothing is made then.
        """
        if len(name.strip()) > LONGEST_NAME:
            raise DomainError(f"A name has at most {LONGEST_NAME} characters.", "name", "too_long")
        lines = read_lines(text)
        refused = next((line.problem for line in lines if line.problem), None)
        if refused and not any(line.color for line in lines):
            raise DomainError(refused, "colors", "unreadable")
        document = started(
            name, [(line.name, on_white(line.color)) for line in lines if line.color]
        )
        slug = in_transaction(
            self._engine, lambda connection: add_document(connection, document, person_id)
        )
        return self.find(slug), [line.text for line in lines if line.problem]

    def copy(self, slug: str, person_id: str) -> SystemRow:
        """Make a system of its own from what a system is now. Raises NotFound."""

        def work(connection: Connection) -> str:
            row = self._documents.find(slug, connection)
            document = self._documents.system(row.alternative_id, row.head_number, connection)
            name = f"{document.name[: LONGEST_NAME - len(_COPY)].rstrip()}{_COPY}"
            return add_document(connection, document.model_copy(update={"name": name}), person_id)

        return self.find(in_transaction(self._engine, work))

    def archive(self, slug: str, archived: bool) -> None:
        """Put a system away, or back among the others. Raises NotFound."""

        def work(connection: Connection) -> None:
            row = self._documents.find_to_change(slug, connection)
            system_rows.set_archived(connection, row.id, archived)

        in_transaction(self._engine, work)

    def read_files(self, files: Mapping[str, bytes], name: str) -> Imported:
        """A system as it would be out of files, by name. Raises DomainError (fields `name` and `files`)."""
        imported: Imported = self._workers.reading.run(imported_from, files, name)
        return imported

    def import_files(self, files: Mapping[str, bytes], name: str, person_id: str) -> SystemRow:
        """Make a system out of files. Raises DomainError (fields `name` and `files`); nothing is made then."""
        document = self.read_files(files, name).system
        slug = in_transaction(
            self._engine, lambda connection: add_document(connection, document, person_id)
        )
        return self.find(slug)


def imported_from(files: Mapping[str, bytes], name: str) -> Imported:
    """A system out of files; called as the files say where no name is given."""
    sheet = read_sheet(files)
    return import_sheet(sheet, name.strip() or one_line(sheet.system) or _UNNAMED)


def add_document(connection: Connection, document: ColorSystem, person_id: str) -> str:
    """Store a new system with its first revision. Returns its slug."""
    # Whoever makes one at the same time waits here: each finds the addresses that are taken by then.
    counters.rise(connection, counters.INSTALLATION)
    start = _slug(document.name)
    taken = system_rows.taken_slugs(connection, start)
    slug = next(
        candidate
        for number in range(1, len(taken) + 2)
        if (candidate := _numbered(start, number)) not in taken
    )
    _, alternative_id = system_rows.add_system(connection, slug, document.name, now())
    append_first(connection, alternative_id, document, person_id, f"Start {document.name}")
    return slug


def _slug(name: str) -> str:
    plain = unicodedata.normalize("NFKD", name).encode("ascii", "ignore").decode().lower()
    return _NOT_IN_ADDRESS.sub("-", plain).strip("-")[:60] or "system"


def _numbered(start: str, number: int) -> str:
    return start if number == 1 else f"{start}-{number}"
