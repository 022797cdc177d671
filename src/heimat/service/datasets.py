"""Data that palettes are drawn with: read before they are kept, and remembered for a while."""

import hashlib
import threading

from cachetools import LRUCache
from sqlalchemy import Connection, Engine
from sqlalchemy.exc import IntegrityError

from heimat.core.charts.table import Table
from heimat.core.color.naming import NO_LINE
from heimat.core.errors import DomainError, NotFound
from heimat.formats.read.table import read_table
from heimat.service.clock import now
from heimat.service.documents import Documents
from heimat.store import datasets

LARGEST_DATA = 10_000_000
"""Bytes."""
LONGEST_NAME = 120
MOST_DATASETS = 40
_REMEMBERED = 8

Dataset = datasets.DatasetRow
"""The id and the name of a table."""


class Datasets:
    """The data of one database's systems. What is remembered can be read again by any process."""

    def __init__(self, engine: Engine, documents: Documents) -> None:
        self._engine = engine
        self._documents = documents
        self._tables: LRUCache[int, Table] = LRUCache(_REMEMBERED)
        self._lock = threading.Lock()

    def all(self, slug: str) -> list[tuple[Dataset, Table]]:
        """The tables of a system, the oldest first. Raises NotFound for no system."""
        with self._engine.connect() as connection:
            system = self._documents.find(slug, connection).id
            return [(row, self._table(connection, system, row.id)) for row in datasets.all_datasets(connection, system)]

    def table(self, slug: str, dataset: int) -> Table:
        """A table of a system. Raises NotFound."""
        with self._engine.connect() as connection:
            return self._table(connection, self._documents.find(slug, connection).id, dataset)

    def keep(self, slug: str, content: bytes, name: str, person_id: str) -> Dataset:
        """Read a table and keep it; the same bytes are kept once. Raises NotFound, and DomainError for no table."""
        read_table(content)
        with self._engine.connect() as connection:
            system = self._documents.find_to_change(slug, connection).id
        try:
            with self._engine.begin() as connection:
                return add(connection, system, content, name, person_id)
        except IntegrityError:
            # The same was sent twice at once: the other one is kept.
            with self._engine.begin() as connection:
                return add(connection, system, content, name, person_id)

    def remove(self, slug: str, dataset: int) -> None:
        """Keep a table no more. Raises NotFound."""
        with self._engine.begin() as connection:
            if not datasets.remove_dataset(connection, self._documents.find_to_change(slug, connection).id, dataset):
                raise NotFound("These data are not there any more.")

    def _table(self, connection: Connection, system_id: int, dataset: int) -> Table:
        content = datasets.content_of(connection, system_id, dataset)
        if content is None:
            raise NotFound("These data are not there any more.")
        with self._lock:
            known = self._tables.get(dataset)
        if known is None:
            known = read_table(content)
            with self._lock:
                self._tables[dataset] = known
        return known


def add(connection: Connection, system_id: int, content: bytes, name: str, person_id: str) -> Dataset:
    """Keep a table that was read. Raises DomainError where a system has too many."""
    digest = hashlib.sha256(content).hexdigest()
    known = datasets.find_digest(connection, system_id, digest)
    if known is not None:
        return known
    if len(datasets.all_datasets(connection, system_id)) >= MOST_DATASETS:
        raise DomainError(f"A system keeps at most {MOST_DATASETS} tables; remove one first.", "data", "limit")
    called = " ".join(NO_LINE.sub(" ", name).split())[:LONGEST_NAME] or "data"
    return Dataset(datasets.add_dataset(connection, system_id, called, digest, content, person_id, now()), called)
