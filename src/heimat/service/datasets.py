"""Data that palettes are drawn with: read beside the process that answers, kept, and remembered for a while."""

import hashlib
import threading

from cachetools import LRUCache
from sqlalchemy import Connection, Engine

from heimat.core.charts.columns import Table
from heimat.core.charts.summary import Summary, summary_of
from heimat.core.color.naming import NO_LINE
from heimat.core.errors import DomainError, NotFound
from heimat.formats.read.read_table import read_table
from heimat.service.clock import now
from heimat.service.documents import Documents
from heimat.service.transactions import in_transaction
from heimat.service.workers import Workers
from heimat.store import dataset_rows, system_rows

LARGEST_DATA = 10_000_000
"""Bytes."""
LONGEST_NAME = 120
MOST_DATASETS = 40
_REMEMBERED = 8
_FORM = 1
"""Of summaries that are kept: one higher whenever a table is read otherwise than before."""

Dataset = dataset_rows.DatasetRow
"""The id and the name of a table."""


class Datasets:
    """The data of one database's systems. What is remembered can be read again by any process."""

    def __init__(self, engine: Engine, documents: Documents, workers: Workers) -> None:
        self._engine = engine
        self._documents = documents
        self._lane = workers.reading
        self._tables: LRUCache[int, Table] = LRUCache(_REMEMBERED)
        self._lock = threading.Lock()

    def all(self, slug: str) -> list[tuple[Dataset, Summary]]:
        """The tables of a system, the oldest first, without their bytes. Raises NotFound for no system."""
        with self._engine.connect() as connection:
            system = self._documents.find(slug, connection).id
            rows = dataset_rows.all_datasets(connection, system)
            told = dataset_rows.summaries(connection, system, _FORM)
        return [(row, self._summary(system, row.id, told.get(row.id))) for row in rows]

    def table(self, slug: str, dataset: int) -> Table:
        """A table of a system. Raises NotFound."""
        with self._engine.connect() as connection:
            system = self._documents.find(slug, connection).id
        return self._table(system, dataset)

    def keep(self, slug: str, content: bytes, name: str, person_id: str) -> tuple[Dataset, Summary]:
        """Read a table and keep it; the same bytes are kept once. Raises NotFound, and DomainError for no table."""
        table, summary = self._lane.run(_read, content)
        called = " ".join(NO_LINE.sub(" ", name).split())[:LONGEST_NAME] or "data"

        def work(connection: Connection) -> Dataset:
            system = self._documents.find_to_change(slug, connection).id
            return add(connection, system, content, called, summary, person_id)

        row = in_transaction(self._engine, work)
        with self._lock:
            self._tables[row.id] = table
        return row, summary

    def remove(self, slug: str, dataset: int) -> None:
        """Keep a table no more. Raises NotFound."""

        def work(connection: Connection) -> None:
            if not dataset_rows.remove_dataset(
                connection, self._documents.find_to_change(slug, connection).id, dataset
            ):
                raise NotFound("These data are not there any more.")

        in_transaction(self._engine, work)

    def _summary(self, system_id: int, dataset: int, told: dict[str, object] | None) -> Summary:
        if told is not None:
            return Summary.from_plain(told)
        summary = summary_of(self._table(system_id, dataset))
        in_transaction(
            self._engine,
            lambda connection: dataset_rows.keep_summary(
                connection, dataset, _FORM, summary.plain()
            ),
        )
        return summary

    def _table(self, system_id: int, dataset: int) -> Table:
        with self._engine.connect() as connection:
            content = dataset_rows.content_of(connection, system_id, dataset)
        if content is None:
            raise NotFound("These data are not there any more.")
        with self._lock:
            known = self._tables.get(dataset)
        if known is None:
            known, _ = self._lane.run(_read, content)
            with self._lock:
                self._tables[dataset] = known
        return known


def _read(content: bytes) -> tuple[Table, Summary]:
    table = read_table(content)
    return table, summary_of(table)


def add(
    connection: Connection,
    system_id: int,
    content: bytes,
    name: str,
    summary: Summary,
    person_id: str,
) -> Dataset:
    """Add a table that was read. Raises DomainError where a system has too many."""
    system_rows.hold_system(connection, system_id)
    digest = hashlib.sha256(content).hexdigest()
    known = dataset_rows.find_digest(connection, system_id, digest)
    if known is not None:
        return known
    if len(dataset_rows.all_datasets(connection, system_id)) >= MOST_DATASETS:
        raise DomainError(
            f"A system keeps at most {MOST_DATASETS} tables; remove one first.", "data", "limit"
        )
    new = dataset_rows.add_dataset(connection, system_id, name, digest, content, person_id, now())
    dataset_rows.keep_summary(connection, new, _FORM, summary.plain())
    return Dataset(new, name)
