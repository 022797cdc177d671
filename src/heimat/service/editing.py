"""Editing: one gesture is one revision. A stale edit is rebased where nothing meets, else refused."""

import hashlib
import uuid
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace
from typing import Any, Literal

import orjson
from sqlalchemy import Connection, Engine

from heimat.core.document.system import ColorSystem
from heimat.core.document.upgrades import newest_words, read_document
from heimat.core.edits import (
    Applied,
    Edit,
    Path,
    Restore,
    SpreadOrder,
    apply_all,
    carried_over,
    conflict,
    grown,
)
from heimat.core.errors import DomainError, NotFound
from heimat.core.filling.turning import gone_along
from heimat.core.publication.publication import Publication
from heimat.core.resolve.resolved import Resolved
from heimat.service.cards import card_of
from heimat.service.clock import now
from heimat.service.documents import Documents
from heimat.service.failures import Conflict, Unreadable
from heimat.service.transactions import in_transaction
from heimat.service.undo import UndoMemory, still_in_force
from heimat.store import release_rows, revision_rows, system_rows
from heimat.store.revision_rows import Kind, NewRevision, RevisionRow

MOST_EDITS = 400
"""Edits in one gesture."""
_HISTORY = 100


@dataclass(frozen=True)
class Head:
    """An alternative's newest document and its number; and all that follows from it, where that is known already."""

    alternative_id: int
    number: int
    system: ColorSystem
    resolved: Resolved | None = None


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
class _Request:
    """Who asks for what, under which key; `sent` is the digest of what the request said."""

    person_id: str
    key: str
    kind: Kind
    sent: str


@dataclass(frozen=True)
class _Turn:
    """A held alternative, and the request that holds it."""

    connection: Connection
    system_id: int
    alternative_id: int
    main: bool
    head_id: int
    head: Head
    request: _Request


@dataclass(frozen=True)
class Removal:
    """A revision by which somebody removed hues, by their names."""

    number: int
    person: str
    hues: tuple[str, ...]


class Editing:
    """Edits, undo and redo of one database's systems."""

    def __init__(self, engine: Engine, documents: Documents) -> None:
        self._engine = engine
        self._documents = documents
        self._memory = UndoMemory()

    def place_in_history(self, slug: str, person_id: str, head: Head | None = None) -> Whereabouts:
        """Where a system stands for a person, at a head that was just stored or at the newest. Raises NotFound."""
        with self._engine.connect() as connection:
            row = self._documents.find(slug, connection)
            if row.released:
                published = self._documents.published(row.id, row.released)
                return Whereabouts(
                    row.alternative_id, row.head_number, row.released, published, None, None
                )
            latest = release_rows.latest_release(connection, row.id)
            undo, redo = self._memory.tops(connection, row.alternative_id, person_id)
        return Whereabouts(
            alternative_id=row.alternative_id,
            number=head.number if head else row.head_number,
            latest=latest.version if latest else None,
            published=self._documents.publication(latest.id) if latest else None,
            undo=_plain(undo.sentence) if undo else None,
            redo=_plain(redo.sentence) if redo else None,
        )

    def history(self, slug: str) -> list[RevisionRow]:
        """The last revisions of a system, the newest first. Raises NotFound."""
        with self._engine.connect() as connection:
            row = self._documents.find(slug, connection)
            rows = revision_rows.history(connection, row.alternative_id, last=_HISTORY)
        until = row.head_number
        return [
            each
            for each in rows[::-1]
            if each.kind not in ("tidy", "pass") and (each.number <= until or not row.released)
        ]

    def edit(
        self,
        slug: str,
        person_id: str,
        base: int,
        edits: Sequence[Edit],
        request_key: str,
        sent: object = None,
    ) -> Head:
        """Store a gesture made on revision `base`. Asked again with the same key, it finds what it stored.

        `sent` is what the request said, as plain data, where the edits were made of it or completed here: what is sent
        again is the same, though what would be made of it is not.

        Raises DomainError, NotFound, and Conflict where it meets what others did since.
        """
        if not 0 < len(edits) <= MOST_EDITS:
            raise DomainError(f"One gesture holds 1 to {MOST_EDITS} edits.", "edits", "limit")
        request = _Request(
            person_id, request_key, "edit", digest_of(_as_plain(edits) if sent is None else sent)
        )

        def work(connection: Connection) -> Head:
            turn = self._hold(connection, slug, request)
            if isinstance(turn, Head):
                return turn
            if base > turn.head.number:
                raise NotFound(f"There is no revision {base}.")
            others = self._others_since(turn, base)
            if others:
                self._refuse_on_base(turn, base, edits, others)
            applied = apply_all(turn.head.system, edits)
            if others:
                # What changed nothing where it was made may still take back what others did since.
                _refuse_meeting(turn, applied.writes, applied.reads, others, applied.sentence)
            if applied.system is turn.head.system or not applied.writes:
                return turn.head
            before = self._documents.resolved(turn.alternative_id, turn.head.number)
            gone = gone_along(before, edits, applied)
            head = self._append(turn, None, gone.edits, gone.applied, gone.applied.sentence)
            return head if grown(gone.applied.system) else replace(head, resolved=gone.resolved)

        return self._remember(in_transaction(self._engine, work))

    def _refuse_on_base(
        self, turn: _Turn, base: int, edits: Sequence[Edit], others: list[RevisionRow]
    ) -> None:
        """Raise Conflict where edits, on what they were made on, meet what others did since."""
        try:
            on_base = apply_all(
                self._documents.system(turn.alternative_id, base, turn.connection), edits
            )
        except DomainError:
            # They go on from what the same person has done since: only on the head they can be judged.
            return
        _refuse_meeting(turn, on_base.writes, on_base.reads, others, on_base.sentence)

    def take_back(
        self,
        slug: str,
        person_id: str,
        request_key: str,
        kind: Literal["undo", "redo"],
        *,
        passing: bool = False,
    ) -> Head:
        """Undo the person's last change, or redo the last undone one, on top of everything that came since.

        With `passing` that change is left as it is, and what was before it comes next. Raises NotFound where there is
        nothing to take back, and Conflict where somebody else has built on it.
        """
        request = _Request(person_id, request_key, "pass" if passing else kind, digest_of(kind))

        def work(connection: Connection) -> Head:
            turn = self._hold(connection, slug, request)
            if isinstance(turn, Head):
                return turn
            undo, redo = self._memory.tops(connection, turn.alternative_id, person_id)
            target = undo if kind == "undo" else redo
            if target is None:
                raise NotFound(f"There is nothing of yours to {kind}.")
            if passing:
                nothing = Applied(
                    turn.head.system, "", Restore(what="", places=()), frozenset(), frozenset()
                )
                return self._append(
                    turn, target.id, [], nothing, f"Leave as it is: {_plain(target.sentence)}"[:400]
                )
            restore = self._inverse(turn, target)
            others = self._others_since(turn, target.number)
            sentence = f"{kind.capitalize()}: {restore.sentence(turn.head.system)}"
            writes = [place.path for place in restore.places]
            _refuse_meeting(turn, writes, restore.reads(), others, sentence)
            applied = apply_all(turn.head.system, [restore])
            return self._append(turn, target.id, [restore], applied, sentence)

        return self._remember(in_transaction(self._engine, work))

    def removals(self, slug: str, person_id: str, after: int) -> list[Removal]:
        """Which hues others have removed since a revision, and are gone still; the newest last. Raises NotFound."""
        with self._engine.connect() as connection:
            row = self._documents.find(slug, connection)
            alternative_id = row.alternative_id
            head = self._documents.system(alternative_id, row.head_number, connection)
            rows = still_in_force(revision_rows.history(connection, alternative_id, after=after))
            others = [each for each in rows if each.person_id != person_id]
            touched = revision_rows.touched(connection, [each.id for each in others])
            found: list[Removal] = []
            for each in others:
                gone = [
                    path[1]
                    for path in touched[each.id].writes
                    if len(path) == 2 and path[0] == "hues" and path[1] not in head.hues
                ]
                before = (
                    self._documents.system(alternative_id, each.number - 1, connection)
                    if gone
                    else head
                )
                names = [before.hues[hue].name for hue in gone if hue in before.hues]
                if names:
                    found.append(Removal(each.number, each.person, tuple(names)))
        return found

    def bring_back(self, slug: str, person_id: str, request_key: str, number: int) -> Head:
        """Take another person's revision back, as a change of one's own, on top of everything that came since.

        Raises NotFound where there is no such revision, and Conflict where somebody else has built on it.
        """
        request = _Request(person_id, request_key, "edit", digest_of(["bring back", number]))

        def work(connection: Connection) -> Head:
            turn = self._hold(connection, slug, request)
            if isinstance(turn, Head):
                return turn
            rows = revision_rows.history(connection, turn.alternative_id, after=max(number, 2) - 1)
            target = next(
                (row for row in rows if row.number == number and row.kind != "tidy"), None
            )
            if target is None:
                raise NotFound(f"There is no revision {number} to take back.")
            restore = self._inverse(turn, target)
            sentence = f"Bring back what {target.person} changed: {_plain(target.sentence)}"[:400]
            _refuse_meeting(
                turn,
                [place.path for place in restore.places],
                restore.reads(),
                [row for row in self._others_since(turn, number) if row.id != target.id],
                sentence,
            )
            # Both together change nothing: neither stands in the way of what was done before.
            return self._append(
                turn, target.id, [restore], apply_all(turn.head.system, [restore]), sentence
            )

        return self._remember(in_transaction(self._engine, work))

    def _hold(self, connection: Connection, slug: str, request: _Request) -> _Turn | Head:
        """Hold the head of a system's main alternative; or what this very request has stored before.

        Raises DomainError where the key was used for something else.
        """
        row = self._documents.find_to_change(slug, connection)
        system_id, alternative_id = row.id, row.alternative_id
        head_id, number = system_rows.lock_head(connection, alternative_id)
        done = revision_rows.by_request(connection, alternative_id, request.key)
        if done is not None:
            # Revisions from before this was kept say nothing of what was sent.
            same = done.sent is None or done.sent == request.sent
            if not same or (done.person_id, done.kind) != (request.person_id, request.kind):
                raise DomainError(
                    "This key was used for another change. Take a new one.", "key", "taken"
                )
            return Head(
                alternative_id,
                done.number,
                self._documents.system(alternative_id, done.number, connection),
            )
        head = Head(
            alternative_id, number, self._documents.system(alternative_id, number, connection)
        )
        main = row.alternative == system_rows.MAIN
        return _Turn(connection, system_id, alternative_id, main, head_id, head, request)

    def _others_since(self, turn: _Turn, number: int) -> list[RevisionRow]:
        """What others did since a revision, and is still in force."""
        if number == turn.head.number:
            return []
        since = still_in_force(
            revision_rows.history(turn.connection, turn.alternative_id, after=number)
        )
        return [row for row in since if row.person_id != turn.request.person_id]

    def _inverse(self, turn: _Turn, target: RevisionRow) -> Restore:
        """What takes a revision back, brought over every spreading of order keys since."""
        restore = Restore.model_validate(
            newest_words(revision_rows.inverse(turn.connection, target.id))
        )
        for number in revision_rows.tidied(
            turn.connection, turn.alternative_id, after=target.number
        ):
            before, after = (
                self._documents.system(turn.alternative_id, each, turn.connection)
                for each in (number - 1, number)
            )
            restore = carried_over(restore, before, after)
        return restore

    def _append(
        self,
        turn: _Turn,
        undoes: int | None,
        edits: Sequence[Edit],
        applied: Applied,
        sentence: str,
    ) -> Head:
        """Append a revision, and one of the system's own where order keys have grown by it. Returns the new head."""
        made = turn.request.key, turn.request.kind, turn.request.sent
        head_id = _append_one(
            turn, turn.head_id, turn.head.number + 1, made, undoes, edits, applied, sentence
        )
        head = Head(turn.alternative_id, turn.head.number + 1, applied.system)
        if grown(head.system):
            spreading = [SpreadOrder()]
            spread = apply_all(head.system, spreading)
            own: tuple[str, Kind, None] = (uuid.uuid4().hex, "tidy", None)
            head_id = _append_one(
                turn, head_id, head.number + 1, own, None, spreading, spread, spread.sentence
            )
            head = Head(turn.alternative_id, head.number + 1, spread.system)
        system_rows.set_head(turn.connection, turn.alternative_id, head_id, card_of(head.system))
        if turn.main and head.system.name != turn.head.system.name:
            system_rows.rename_system(turn.connection, turn.system_id, head.system.name)
        return head

    def _remember(self, head: Head) -> Head:
        self._documents.remember(head.alternative_id, head.number, head.system, head.resolved)
        return head


def _append_one(
    turn: _Turn,
    parent_id: int,
    number: int,
    made: tuple[str, Kind, str | None],
    undoes: int | None,
    edits: Sequence[Edit],
    applied: Applied,
    sentence: str,
) -> int:
    """Append one revision. Returns its id. Raises Unreadable where its document could not be read again."""
    document = applied.system.model_dump(mode="json")
    # Compared as plain data: that is ten times as fast as comparing the models.
    if read_document(orjson.loads(orjson.dumps(document))).model_dump(mode="json") != document:
        raise Unreadable(
            "What this would store does not read as what it was, so nothing is stored."
        )
    return revision_rows.append(
        turn.connection,
        NewRevision(
            alternative_id=turn.alternative_id,
            parent_id=parent_id,
            number=number,
            person_id=turn.request.person_id,
            at=now(),
            kind=made[1],
            undoes_id=undoes,
            request_key=made[0],
            sent=made[2],
            sentence=sentence,
            edits=_as_plain(edits),
            inverse=applied.inverse.model_dump(mode="json"),
            reads=[list(path) for path in applied.reads],
            writes=[list(path) for path in applied.writes],
            document=document,
        ),
    )


def digest_of(sent: object) -> str:
    """By what a repeated request is known: a digest of what it says, plain data."""
    return hashlib.sha256(orjson.dumps(sent, option=orjson.OPT_SORT_KEYS)).hexdigest()


def _as_plain(edits: Sequence[Edit]) -> list[dict[str, Any]]:
    return [edit.model_dump(mode="json") for edit in edits]


def _plain(sentence: str) -> str:
    """The sentence of an edit, without the words that say that it was undone or redone."""
    return sentence.removeprefix("Undo: ").removeprefix("Redo: ")


def _refuse_meeting(
    turn: _Turn,
    writes: Iterable[Path],
    reads: Iterable[Path],
    others: list[RevisionRow],
    yours: str,
) -> None:
    """Raise Conflict where a change meets one of others' revisions."""
    if not others:
        return
    touched = revision_rows.touched(turn.connection, [row.id for row in others])
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
