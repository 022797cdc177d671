"""Guides as PDF: set once a release is out, from what it published, by whichever process is free to."""

import logging
import threading

from sqlalchemy import Connection, Engine
from sqlalchemy.exc import DBAPIError, IntegrityError
from sqlalchemy.exc import TimeoutError as PoolTimeout

from heimat.core.publication.publication import Publication
from heimat.formats import write_printed
from heimat.formats.packing import packed
from heimat.service.claiming import held
from heimat.service.documents import Documents
from heimat.service.failures import Busy
from heimat.service.feeds import Feeds
from heimat.service.publishing import as_file
from heimat.service.transactions import in_transaction
from heimat.service.workers import Lane
from heimat.store import release_rows, unprinted
from heimat.store.files import FileRow

SECONDS = 180.0
"""Of processor time: the guide of 2,000 tokens stands on hundreds of pages."""
LOOK_SECONDS = 15.0
"""How often it is looked for what a process has left that died."""
TRIES = 3
_log = logging.getLogger(__name__)


class Printing:
    """Sets what is owed, in a thread of its own that waits for a process beside."""

    def __init__(self, engine: Engine, documents: Documents, lane: Lane, feeds: Feeds) -> None:
        self._engine = engine
        self._documents = documents
        self._lane = lane
        self._feeds = feeds
        self._wake = threading.Event()
        self._left = threading.Event()
        self._thread: threading.Thread | None = None

    def start(self) -> None:
        """Begin to look for what is owed."""
        self._thread = threading.Thread(target=self._run, name="printing", daemon=True)
        self._thread.start()

    def wake(self) -> None:
        """Look now: something was published."""
        self._wake.set()

    def close(self) -> None:
        """End; what is being set is left to others."""
        self._left.set()
        self._wake.set()
        if self._thread is not None:
            self._thread.join()

    def print_owed(self) -> None:
        """Set the guide of every release that is owed one, as far as nobody else does."""
        with self._engine.connect() as connection:
            owed = unprinted.all_owed(connection)
        for release_id, system_id, version in owed:
            if not self._left.is_set():
                self._print(release_id, system_id, version)

    def _run(self) -> None:
        while not self._left.is_set():
            try:
                self.print_owed()
            except (DBAPIError, PoolTimeout, Busy) as error:
                _log.warning("guides are set later: %s", error)
            self._wake.wait(LOOK_SECONDS)
            self._wake.clear()

    def _print(self, release_id: int, system_id: int, version: str) -> None:
        with held(self._engine, f"guide {release_id}") as claim:
            if claim.other is not None:
                return
            content = self._documents.publication(release_id)
            future = self._lane.begin(printed, content, version, seconds=SECONDS)
            claim.wait(future, self._left)
            try:
                file = self._lane.result(future, SECONDS)
            except Exception as error:
                # Whatever setting it raises: the guides that wait behind it are set all the same.
                if not self._left.is_set():
                    self._give_up(release_id, version, error)
                return
            self._keep(release_id, system_id, file)
        self._feeds.published()

    def _keep(self, release_id: int, system_id: int, file: FileRow) -> None:
        def work(connection: Connection) -> None:
            release_rows.add_file(connection, system_id, release_id, file)
            unprinted.done(connection, release_id)

        try:
            in_transaction(self._engine, work)
        except IntegrityError:
            # Who was taken for dead was slow: the first one stays.
            in_transaction(self._engine, lambda connection: unprinted.done(connection, release_id))

    def _give_up(self, release_id: int, version: str, error: Exception) -> None:
        _log.warning("the guide of %s could not be set: %r", version, error)

        def work(connection: Connection) -> None:
            if unprinted.failed(connection, release_id) >= TRIES:
                unprinted.done(connection, release_id)

        in_transaction(self._engine, work)


def printed(content: Publication, version: str) -> FileRow:
    """The guide of a release as PDF, packed."""
    file = write_printed(content, version)
    return as_file(packed(file.name, file.media_type, file.content))
