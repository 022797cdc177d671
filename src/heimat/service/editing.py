"""Editing: one gesture is one revision. A stale edit is rebased where nothing meets, else refused."""

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from typing import Literal

from sqlalchemy import Connection, Engine

from heimat.core.document.system import ColorSystem
from heimat.core.edits import Applied, Edit, Path, Restore, apply_all, conflict
from heimat.core.errors import DomainError, NotFound
from heimat.core.publication.publication import Publication
from heimat.service.clock import now
from heimat.service.documents import Documents
from heimat.service.errors import Conflict
from heimat.service.undo import DEPTH, Stacks, stacks, still_in_force
from heimat.store import releases, revisions, systems
from heimat.store.revisions import Kind, NewRevision, RevisionRow

MOST_EDITS = 400
"""Edits in one gesture."""
_HISTORY = 100


@dataclass(frozen=True)
class Head:
    """An alternative's newest document and its number."""

    alternative_id: int
    number: int
    system: ColorSystem


@dataclass(frozen=True)
class Whereabouts:
    """Where a system stands for a person: its revision, what of it is out, and what they can take back."""

    alternative_id: int
    number: int
    latest: str | None
    published: Publication | None
    undo: str | None
    redo: str | None


@dataclass(frozen=True)
class _Turn:
    """A held alternative, and the request that holds it."""

    connection: Connection
    system_id: int
    alternative_id: int
    head_id: int
    head: Head
    person_id: str
    request_key: str


class Editing:
    """Edits, undo and redo of one database's systems."""

    def __init__(self, engine: Engine, documents: Documents) -> None:
        self._engine = engine
        self._documents = documents

    def whereabouts(self, slug: str, person_id: str, head: Head | None = None) -> Whereabouts:
        """Where a system stands for a person, at a head that was just stored or at the newest. Raises NotFound."""
        with self._engine.connect() as connection:
            row = systems.find_system(connection, slug)
            if row is None:
                raise NotFound(f"There is no system at “{slug}”.")
            latest = releases.latest_release(connection, row.id)
            mine = _stacks(connection, row.alternative_id, person_id)
        self._documents.know(slug, row.id, row.alternative_id)
        return Whereabouts(
            alternative_id=row.alternative_id,
            number=head.number if head else row.head_number,
            latest=latest.version if latest else None,
            published=self._documents.publication(latest.id) if latest else None,
            undo=_plain(mine.undo[-1].sentence) if mine.undo else None,
            redo=_plain(mine.redo[-1].sentence) if mine.redo else None,
        )

    def history(self, slug: str) -> list[RevisionRow]:
        """The last revisions of a system, the newest first. Raises NotFound."""
        _, alternative_id = self._documents.alternative(slug)
        with self._engine.connect() as connection:
            return revisions.history(connection, alternative_id, last=_HISTORY)[::-1]

    def preview(self, alternative_id: int, base: int, edits: Sequence[Edit]) -> ColorSystem:
        """The document of a revision with edits on top; nothing is stored."""
        document = self._documents.system(alternative_id, base)
        return apply_all(document, edits).system if edits else document

    def edit(self, slug: str, person_id: str, base: int, edits: Sequence[Edit], request_key: str) -> Head:
        """Store a gesture made on revision `base`. Asked again with the same key, it finds what it stored.

        Raises DomainError, NotFound, and Conflict where it meets what others did since.
        """
        if not 0 < len(edits) <= MOST_EDITS:
            raise DomainError(f"One gesture holds 1 to {MOST_EDITS} edits.", "edits", "limit")
        with self._engine.begin() as connection:
            turn = self._hold(connection, slug, person_id, request_key)
            if isinstance(turn, Head):
                return turn
            if base > turn.head.number:
                raise NotFound(f"There is no revision {base}.")
            since = revisions.history(connection, turn.alternative_id, after=base)
            others = [row for row in still_in_force(since) if row.person_id != person_id]
            if others:
                on_base = apply_all(self._documents.system(turn.alternative_id, base, connection), edits)
                _refuse_meeting(turn, on_base.writes, on_base.reads, others, on_base.sentence)
            applied = apply_all(turn.head.system, edits)
            if applied.system is turn.head.system or not applied.writes:
                return turn.head
            self._append(turn, "edit", None, edits, applied, applied.sentence)
        return self._done(turn, applied)

    def take_back(self, slug: str, person_id: str, request_key: str, kind: Literal["undo", "redo"]) -> Head:
        """Undo the person's last change, or redo the last undone one, on top of everything that came since.

        Raises NotFound where there is nothing to take back, and Conflict where somebody else has built on it.
        """
        with self._engine.begin() as connection:
            turn = self._hold(connection, slug, person_id, request_key)
            if isinstance(turn, Head):
                return turn
            mine = _stacks(connection, turn.alternative_id, person_id)
            stack = mine.undo if kind == "undo" else mine.redo
            if not stack:
                raise NotFound(f"There is nothing of yours to {kind}.")
            target = stack[-1]
            restore = Restore.model_validate(revisions.inverse(connection, target.id))
            later = still_in_force(revisions.history(connection, turn.alternative_id, after=target.number))
            others = [row for row in later if row.person_id != person_id]
            sentence = f"{kind.capitalize()}: {restore.sentence(turn.head.system)}"
            writes = [place.path for place in restore.places]
            _refuse_meeting(turn, writes, restore.reads(), others, sentence)
            applied = apply_all(turn.head.system, [restore])
            self._append(turn, kind, target.id, [restore], applied, sentence)
        return self._done(turn, applied)

    def _hold(self, connection: Connection, slug: str, person_id: str, request_key: str) -> _Turn | Head:
        """Hold the head of a system's main alternative; or what this very request has stored before."""
        row = systems.find_system(connection, slug)
        if row is None:
            raise NotFound(f"There is no system at “{slug}”.")
        head_id = systems.lock_head(connection, row.alternative_id)
        done = revisions.by_request(connection, row.alternative_id, request_key)
        if done is not None:
            return Head(row.alternative_id, done, self._documents.system(row.alternative_id, done, connection))
        number = revisions.number_of(connection, head_id)
        head = Head(row.alternative_id, number, self._documents.system(row.alternative_id, number, connection))
        return _Turn(connection, row.id, row.alternative_id, head_id, head, person_id, request_key)

    def _append(
        self, turn: _Turn, kind: Kind, undoes: int | None, edits: Sequence[Edit], applied: Applied, sentence: str
    ) -> None:
        revision_id = revisions.append(
            turn.connection,
            NewRevision(
                alternative_id=turn.alternative_id,
                parent_id=turn.head_id,
                number=turn.head.number + 1,
                person_id=turn.person_id,
                at=now(),
                kind=kind,
                undoes_id=undoes,
                request_key=turn.request_key,
                sentence=sentence,
                edits=[edit.model_dump(mode="json") for edit in edits],
                inverse=applied.inverse.model_dump(mode="json"),
                reads=[list(path) for path in applied.reads],
                writes=[list(path) for path in applied.writes],
                document=applied.system.model_dump(mode="json"),
            ),
        )
        systems.set_head(turn.connection, turn.alternative_id, revision_id)
        if applied.system.name != turn.head.system.name:
            systems.rename_system(turn.connection, turn.system_id, applied.system.name)

    def _done(self, turn: _Turn, applied: Applied) -> Head:
        number = turn.head.number + 1
        self._documents.remember(turn.alternative_id, number, applied.system)
        return Head(turn.alternative_id, number, applied.system)


def _stacks(connection: Connection, alternative_id: int, person_id: str) -> Stacks:
    return stacks(revisions.history(connection, alternative_id, person_id=person_id, last=DEPTH))


def _plain(sentence: str) -> str:
    """The sentence of an edit, without the words that say that it was undone or redone."""
    return sentence.removeprefix("Undo: ").removeprefix("Redo: ")


def _refuse_meeting(
    turn: _Turn, writes: Iterable[Path], reads: Iterable[Path], others: list[RevisionRow], yours: str
) -> None:
    """Raise Conflict where a change meets one of others' revisions."""
    if not others:
        return
    touched = revisions.touched(turn.connection, [row.id for row in others])
    mine, relied = list(writes), list(reads)
    for row in reversed(others):
        if conflict(mine, relied, touched[row.id].writes, touched[row.id].reads):
            raise Conflict(
                f"{row.person} has changed the same since: “{row.sentence}”. Yours was “{yours}”; nothing is lost.",
                yours=yours,
                theirs=row.sentence,
                person=row.person,
                at=row.at,
                head=turn.head.number,
            )
