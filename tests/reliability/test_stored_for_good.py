"""What is stored can be read by every process, and nothing that one person stores keeps others away."""

import pytest
from sqlalchemy import Engine, text
from starlette.testclient import TestClient

from heimat.core.document.order import LONG_KEY, in_order, keys
from heimat.core.document.system import MOST_TOKENS
from heimat.core.edits import Restore, apply_all
from heimat.core.edits.hue_edits import MoveHue, RenameHue
from heimat.core.edits.token_edits import AddToken
from heimat.core.errors import DomainError
from heimat.demo.demo_systems import brinemark
from heimat.service.documents import Documents
from heimat.service.editing import Editing, Head
from heimat.service.opening import add_document
from heimat.store import revision_rows, system_rows
from heimat.store.stored_json import pack, unpack
from tests.api.asking import AT, client_of, edit, look, undo

COUNT = 205


def fresh(engine: Engine) -> tuple[Editing, Documents]:
    """A process that has read nothing yet."""
    documents = Documents(engine)
    return Editing(engine, documents), documents


def names(head: Head) -> list[str]:
    return [hue.id for hue in in_order(head.system.hues)]


def test_moves_into_one_gap_are_read_by_others_and_undone_one_by_one(engine: Engine) -> None:
    editing, documents = fresh(engine)
    _, alternative = documents.alternative("brinemark")
    first, second, third = [hue.id for hue in in_order(documents.system(alternative, 1).hues)][:3]
    orders, number = [], 1
    for turn in range(26):
        moves = [
            MoveHue(hue=(first, second)[(turn + each) % 2], before=third) for each in range(11)
        ]
        head = editing.edit("brinemark", "ines", number, moves, f"move-{turn:04}")
        number = head.number
        orders.append(names(head))
        assert max(len(hue.order) for hue in head.system.hues.values()) <= LONG_KEY + 1
    with engine.connect() as connection:
        assert revision_rows.tidied(connection, alternative, after=0)
    # Another process reads every one of them, and what each edit stored makes of the one before what it stored.
    editing, documents = fresh(engine)
    for turn in reversed(range(1, len(orders))):
        head = editing.take_back("brinemark", "ines", f"back-{turn:04}", "undo")
        assert names(head) == orders[turn - 1]
    sentences = [row.sentence for row in editing.history("brinemark")]
    assert not any(sentence.startswith("Keep the order") for sentence in sentences)


def test_another_persons_change_is_not_in_the_way_of_undo_because_keys_were_spread(
    engine: Engine,
) -> None:
    editing, documents = fresh(engine)
    _, alternative = documents.alternative("brinemark")
    ids = [hue.id for hue in in_order(documents.system(alternative, 1).hues)]
    head = editing.edit(
        "brinemark", "tomke", 1, [MoveHue(hue=ids[5], before=ids[4])], "tomke-moves"
    )
    for turn in range(26):
        moves = [MoveHue(hue=ids[(turn + each) % 2], before=ids[2]) for each in range(11)]
        head = editing.edit("brinemark", "ines", head.number, moves, f"move-{turn:04}")
    with engine.connect() as connection:
        assert revision_rows.tidied(connection, alternative, after=0)
    back = editing.take_back("brinemark", "tomke", "tomke-undoes", "undo")
    assert names(back).index(ids[4]) + 1 == names(back).index(ids[5])
    assert names(back)[:3] == names(head)[:3]


def test_undo_reaches_back_to_the_first_change(engine: Engine) -> None:
    editing, documents = fresh(engine)
    _, alternative = documents.alternative("brinemark")
    system, number = documents.system(alternative, 1), 1
    for turn in range(COUNT):
        head = editing.edit(
            "brinemark",
            "ines",
            number,
            [RenameHue(hue="kelp", name=f"kelp {turn}")],
            f"edit-{turn:04}",
        )
        number = head.number
    editing, _ = fresh(engine)
    for turn in range(COUNT):
        head = editing.take_back("brinemark", "ines", f"undo-{turn:04}", "undo")
    assert head.system == system
    for turn in range(4):
        head = editing.take_back("brinemark", "ines", f"redo-{turn:04}", "redo")
    assert head.system.hues["kelp"].name == "kelp 3"


def test_the_last_of_two_thousand_tokens_are_stored_and_every_revision_says_what_its_edits_make(
    engine: Engine,
) -> None:
    plain = brinemark()
    theme = next(iter(plain.themes))
    first = plain.tokens["text-strong"]
    many = {
        f"t{n}": first.model_copy(update={"id": f"t{n}", "name": f"own.t{n}"})
        for n in range(MOST_TOKENS - 12)
    }
    orders = keys(len(many))
    tokens = {
        key: token.model_copy(update={"order": order})
        for (key, token), order in zip(many.items(), orders, strict=True)
    }
    bare = {"tokens": tokens, "pairings": {}, "told_apart": {}, "name": "Many"}
    with engine.begin() as connection:
        slug = add_document(connection, plain.model_copy(update=bare), "ines")
    editing, documents = fresh(engine)
    _, alternative = documents.alternative(slug)
    number = 1
    for start in range(0, 12, 4):
        value = {"kind": "literal", "color": "#0B6E6E"}
        edits = [
            AddToken(name=f"own.n{n}", theme=theme, value=value) for n in range(start, start + 4)
        ]
        head = editing.edit(slug, "ines", number, edits, f"tokens-{start:05}")
        # Replayed from what was stored, by a process that has read nothing.
        _, others_documents = fresh(engine)
        assert apply_all(others_documents.system(alternative, number), edits).system == head.system
        assert others_documents.system(alternative, head.number) == head.system
        number = head.number
    assert len(head.system.tokens) == MOST_TOKENS
    with pytest.raises(DomainError, match="at most 2000 tokens"):
        editing.edit(
            slug,
            "ines",
            number,
            [AddToken(name="own.more", theme=theme, value=value)],
            "one-too-many",
        )


def test_the_list_survives_a_document_that_cannot_be_read_and_says_which(
    engine: Engine, client: TestClient
) -> None:
    with engine.begin() as connection:
        row = system_rows.find_system(connection, "merrow-light")
        assert row is not None
        document = revision_rows.document(connection, row.alternative_id, 1)
        assert document is not None
        broken = pack({**document, "hues": {"x": {"id": "x"}}})
        query = "UPDATE revision SET document = :broken WHERE id = :id"
        connection.execute(text(query), {"broken": broken, "id": row.head_revision_id})
        connection.execute(
            text("UPDATE alternative SET card = NULL WHERE id = :id"), {"id": row.alternative_id}
        )
    listed = {each["slug"]: each for each in client.get("/api/systems").raise_for_status().json()}
    assert listed["brinemark"]["problem"] is None
    assert len(listed["brinemark"]["hues"]) == 9
    assert "Merrow Light" in listed["merrow-light"]["problem"]
    answer = client.get("/api/systems/merrow-light")
    assert answer.status_code == 500
    assert answer.headers["content-type"] == "application/problem+json"
    assert "“Merrow Light” cannot be read" in answer.json()["detail"]
    look(client)


def test_the_list_shows_the_newest_head_without_reading_documents(
    engine: Engine, client: TestClient
) -> None:
    edit(client, {"type": "set_source", "hue": "buoy", "color": "#123456"}).raise_for_status()
    with engine.begin() as connection:
        connection.execute(text("UPDATE revision SET document = 'gone'"))
    other = client_of(engine)
    card = next(each for each in other.get("/api/systems").json() if each["slug"] == "brinemark")
    assert [swatch["hex"] for swatch in card["hues"]][1] == "#123456"


def test_a_key_is_good_for_one_change_of_one_person(client: TestClient, other: TestClient) -> None:
    one = {"type": "rename_hue", "hue": "kelp", "name": "weed"}
    first = edit(client, one, key="just-this-once")
    again = edit(client, one, key="just-this-once")
    assert first.json()["head"]["revision"] == again.json()["head"]["revision"] == 2
    for who, change in ((other, one), (client, {**one, "name": "wrack"})):
        refused = edit(who, change, key="just-this-once")
        assert (refused.status_code, refused.json()["errors"][0]["field"]) == (422, "key")
    taken = client.post(f"{AT}/undo", json={"key": "just-this-once", "view": {}})
    assert taken.status_code == 422
    assert undo(client).json()["head"]["revision"] == 3


def test_an_inverse_that_was_stored_is_read_whatever_its_keys(engine: Engine) -> None:
    """Older programs have stored keys of more than 200 digits, in documents and in what takes edits back."""
    editing, _ = fresh(engine)
    editing.edit("brinemark", "ines", 1, [MoveHue(hue="kelp", before="tidewater")], "one-move")
    with engine.begin() as connection:
        inverse = unpack(
            connection.execute(text("SELECT inverse FROM revision WHERE number = 2")).scalar_one()
        )
        inverse["places"][0]["value"] = "i" * 900
        connection.execute(
            text("UPDATE revision SET inverse = :new WHERE number = 2"), {"new": pack(inverse)}
        )
    head = fresh(engine)[0].take_back("brinemark", "ines", "back-again", "undo")
    assert max(len(hue.order) for hue in head.system.hues.values()) == 1
    assert Restore.model_validate(inverse).places
