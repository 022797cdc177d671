"""Alternatives: further versions of a system, to compare and to choose from, each with a history of its own."""

import re
import secrets
from dataclasses import dataclass
from datetime import datetime

from sqlalchemy import Connection, Engine
from sqlalchemy.exc import IntegrityError

from heimat.core.document.system import ColorSystem
from heimat.core.edits.changed_things import taking_over
from heimat.core.errors import DomainError, NotFound
from heimat.service.documents import Documents
from heimat.service.editing import Editing, Head
from heimat.service.failures import taken
from heimat.service.first import append_first
from heimat.service.transactions import in_transaction
from heimat.store import system_rows
from heimat.store.system_rows import SystemRow

MOST_ALTERNATIVES = 24
LONGEST_ALTERNATIVE = 40
_PLAIN = re.compile(r"[a-z0-9]+(-[a-z0-9]+)*")


@dataclass(frozen=True)
class Alternative:
    """An alternative: its name and address, whether it is the one asked from, and the key of its link, if shared."""

    name: str
    address: str
    changed_at: datetime
    here: bool
    share_key: str | None


class Alternatives:
    """The alternatives of one database's systems."""

    def __init__(self, engine: Engine, documents: Documents, editing: Editing) -> None:
        self._engine = engine
        self._documents = documents
        self._editing = editing

    def all(self, address: str) -> list[Alternative]:
        """All alternatives of the system at an address, the main one first. Raises NotFound."""
        with self._engine.connect() as connection:
            row = self._documents.find(address, connection)
            rows = system_rows.alternatives_of(connection, row.id)
        return [
            Alternative(
                each.name,
                system_rows.address_of(row.slug, each.name),
                each.changed_at,
                each.id == row.alternative_id,
                each.share_key,
            )
            for each in rows
        ]

    def add(
        self,
        address: str,
        name: str,
        person_id: str,
        begun_from: ColorSystem | None = None,
        called: str = "",
    ) -> str:
        """Make an alternative from what stands at an address, or from a document that is called something.

        Returns the address of the new one.

        Raises DomainError (field `name`) for a name that cannot be, and NotFound.
        """
        plain = "-".join(name.strip().lower().split())
        if not _PLAIN.fullmatch(plain) or len(plain) > LONGEST_ALTERNATIVE:
            words = f"cannot be part of an address: up to {LONGEST_ALTERNATIVE} letters a to z, digits and hyphens."
            raise DomainError(f"“{name}” {words}", "name", "sign")

        def work(connection: Connection) -> str:
            row = self._documents.find(address, connection)
            system_rows.hold_system(connection, row.id)
            there = system_rows.alternatives_of(connection, row.id)
            if plain in {each.name for each in there}:
                raise taken(plain, "name")
            if len(there) >= MOST_ALTERNATIVES:
                raise DomainError(
                    f"A system has at most {MOST_ALTERNATIVES} alternatives.", "name", "limit"
                )
            document = begun_from or self._documents.system(
                row.alternative_id, row.head_number, connection
            )
            alternative_id = system_rows.add_alternative(connection, row.id, plain)
            append_first(
                connection,
                alternative_id,
                document,
                person_id,
                f"Begin {plain} from {called or row.alternative}",
            )
            return system_rows.address_of(row.slug, plain)

        return in_transaction(self._engine, work)

    def remove(self, address: str) -> None:
        """Remove an alternative with its history. Raises DomainError for the main one and one that was released."""

        def work(connection: Connection) -> None:
            row = self._documents.find_to_change(address, connection)
            if row.alternative == system_rows.MAIN:
                raise DomainError("The main alternative stays: it is the system.", "name", "main")
            try:
                system_rows.remove_alternative(connection, row.alternative_id)
            except IntegrityError as kept:
                words = f"{row.alternative} was released from: what developers have stays with its history."
                raise DomainError(words, "name", "released") from kept

        in_transaction(self._engine, work)
        self._documents.forget(address)

    def take_over(
        self, address: str, other: str, ids: list[str], base: int, person_id: str, key: str
    ) -> Head:
        """Put chosen things as they stand in another alternative of the same system, as one change.

        Raises DomainError, NotFound, and Conflict where it meets what others did since revision `base`.
        """
        with self._engine.connect() as connection:
            row, there = (self._documents.find(each, connection) for each in (address, other))
            if row.id != there.id:
                raise DomainError(
                    "That is another system: what is taken over is of the same one.",
                    "other",
                    "other",
                )
            here = self._documents.system(row.alternative_id, base, connection)
            source = self._documents.system(there.alternative_id, there.head_number, connection)
            start = self._start(row, there, connection)
        edit = taking_over(here, source, ids, there.alternative, start)
        return self._editing.edit(address, person_id, base, [edit], key, [other, *sorted(ids)])

    def start(self, address: str, other: str) -> ColorSystem | None:
        """What two alternatives were when they parted; None where they are of different systems. Raises NotFound."""
        with self._engine.connect() as connection:
            row, there = (self._documents.find(each, connection) for each in (address, other))
            return self._start(row, there, connection) if row.id == there.id else None

    def _start(self, row: SystemRow, there: SystemRow, connection: Connection) -> ColorSystem:
        # What is no main alternative begins with what the other was then.
        begun = row if there.alternative == system_rows.MAIN else there
        return self._documents.system(begun.alternative_id, 1, connection)

    def share(self, address: str, shared: bool) -> str | None:
        """Let whoever has a link look at an alternative, or nobody any more. Returns the key of the link."""

        def work(connection: Connection) -> str | None:
            row = self._documents.find_to_change(address, connection)
            known = next(
                each.share_key
                for each in system_rows.alternatives_of(connection, row.id)
                if each.id == row.alternative_id
            )
            key = (known or secrets.token_urlsafe(18)) if shared else None
            system_rows.set_share_key(connection, row.alternative_id, key)
            return key

        return in_transaction(self._engine, work)

    def shared(self, key: str) -> list[tuple[str, str]]:
        """What a link's key opens: names and addresses of the alternative and of the main one. Raises NotFound."""
        with self._engine.connect() as connection:
            address = system_rows.shared_address(connection, key)
        if address is None:
            raise NotFound("This link opens nothing any more.")
        slug, name = system_rows.parted(address)
        return list(dict.fromkeys([(name, address), (system_rows.MAIN, slug)]))
