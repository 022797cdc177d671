"""The first revision of a history."""

import uuid

from sqlalchemy import Connection

from heimat.core.document.system import ColorSystem
from heimat.service.cards import card_of
from heimat.service.clock import now
from heimat.store import revision_rows, system_rows
from heimat.store.revision_rows import NewRevision


def append_first(
    connection: Connection,
    alternative_id: int,
    document: ColorSystem,
    person_id: str,
    sentence: str,
) -> None:
    """Begin the history of an alternative with a document, which nothing led to and nothing takes back."""
    revision_id = revision_rows.append(
        connection,
        NewRevision(
            alternative_id=alternative_id,
            parent_id=None,
            number=1,
            person_id=person_id,
            at=now(),
            kind="open",
            undoes_id=None,
            request_key=uuid.uuid4().hex,
            sent=None,
            sentence=sentence,
            edits=[],
            inverse={},
            reads=[],
            writes=[],
            document=document.model_dump(mode="json"),
        ),
    )
    system_rows.set_head(connection, alternative_id, revision_id, card_of(document), base=True)
