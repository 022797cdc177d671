"""What older forms of Heimat have stored is read as what it was."""

import copy
import hashlib
import json
from pathlib import Path

import numpy as np
import pytest

from heimat.core.document.purposes import PURPOSES
from heimat.core.document.system import SCHEMA
from heimat.core.document.upgrades import UPGRADES, newest_words, read_document
from heimat.core.edits import Restore, apply
from heimat.core.edits.source_edits import AimSource
from heimat.core.edits.token_name_edits import RenameToken
from heimat.core.publication.building import publication
from heimat.core.publication.changes import compare, same
from heimat.core.publication.plain_publication import publication_of
from heimat.core.resolve.resolved import resolve
from heimat.formats import write_all
from tests.looking import look_at
from tests.systems import brinemark_in_one_theme as brinemark

SAMPLES = Path(__file__).parents[1] / "samples"
FORMS = {
    form: json.loads((SAMPLES / f"document_{form}.json").read_text()) for form in range(1, SCHEMA)
}
"""The demo's larger system as each older form of the program has stored it."""
STORED = FORMS[4]
STEPS, TOKENS = "5477d9d5cd5da408", "686af312064c1de4"
"""Digests of the colors of steps and of tokens that the programs of forms 1 to 3 showed for it, by those programs."""
PUBLISHED = json.loads((SAMPLES / "publication_1.json").read_text())
FILES = {
    "tokens.css": "5ac425e710cfb656",
    "tokens.json": "a049967844ba449c",
    "tokens.few.css": "1c88431fcfb42115",
    "tokens.few.json": "e549dc0b55e81520",
}
"""Digests of the files that were published of it then."""


def test_every_form_has_a_way_to_the_newest():
    assert sorted(UPGRADES) == list(range(1, SCHEMA))
    assert [document["schema"] for document in FORMS.values()] == list(FORMS)


@pytest.mark.parametrize("form", [1, 2, 3])
def test_a_document_of_an_older_form_shows_the_colors_it_showed(form: int):
    resolved = resolve(read_document(FORMS[form]))
    theme = resolved.theme()
    assert theme is not None
    colors = " ".join(
        f"{key}={bytes(token.rgb8).hex()}" for key, token in sorted(theme.tokens.items())
    )
    assert hashlib.sha256(bytes(resolved.steps.rgb8)).hexdigest()[:16] == STEPS
    assert hashlib.sha256(colors.encode()).hexdigest()[:16] == TOKENS
    assert (
        read_document(json.loads(resolved.system.model_dump_json(by_alias=True))) == resolved.system
    )


def test_a_document_that_says_no_form_is_not_read():
    with pytest.raises(ValueError, match="schema"):
        read_document({"name": "Brinemark"})


def test_a_document_of_form_4_says_what_it_said():
    read = read_document(STORED)
    assert read_document(json.loads(read.model_dump_json(by_alias=True))) == read
    purposes = {token.name: token.purpose for token in read.tokens.values()}
    assert purposes["status.success"] == "status.success"
    assert purposes["action.hover"] == "action.main.fill-hovered"
    assert None not in purposes.values()
    before, now = publication_of(PUBLISHED), publication(resolve(read))
    assert same(before, now)
    assert compare(before, now) == []


def test_a_hue_of_form_11_is_given_as_it_was_and_keeps_it_once_it_moves():
    read = read_document(copy.deepcopy(FORMS[11]))
    before = read.hues["heather"].source
    assert (before.first, before.moved) == (None, False)
    moved = apply(read, AimSource(hue="heather", lightness=50.0, chroma=0.08, angle=300.0))
    assert moved.hues["heather"].source.first == before.color


def test_a_document_of_form_5_is_told_in_the_words_of_today():
    """Steps that were hidden are internal, purposes lose their word for the undisturbed state, names stay."""
    stored = copy.deepcopy(FORMS[5])
    stored["ladder"]["steps"][1]["hidden"] = True
    read = read_document(stored)
    assert [step.internal for step in read.ladder.steps] == [place == 1 for place in range(9)]
    assert all(read.tokens[key].name == token["name"] for key, token in stored["tokens"].items())
    assert {token.purpose for token in read.tokens.values()} <= set(PURPOSES)
    assert read.tokens["link-rest"].purpose == "link.text"


def test_what_an_older_program_would_take_back_can_be_taken_back():
    """What takes a change back was stored by the words of its time."""
    now = read_document(FORMS[5])
    ladder = copy.deepcopy(FORMS[5]["ladder"])
    ladder["steps"][3]["hidden"] = True
    token = {**FORMS[5]["tokens"]["action-hover"], "purpose": "action.hover"}
    places = [
        {"path": ["ladder"], "value": ladder, "gone": False},
        {"path": ["tokens", "action-hover"], "value": token, "gone": False},
    ]
    stored = {"type": "restore", "what": "Undo", "places": places}
    back = apply(now, Restore.model_validate(newest_words(stored)))
    assert [step.internal for step in back.ladder.steps] == [place == 3 for place in range(9)]
    assert back.tokens["action-hover"].purpose == "action.main.fill-hovered"


def test_files_of_a_release_of_format_1_are_written_as_they_were():
    written = write_all(publication_of(PUBLISHED), "1.2.0")
    found = {each.name: hashlib.sha256(each.content).hexdigest()[:16] for each in written}
    assert {name: found[name] for name in FILES} == FILES


def test_a_token_keeps_its_purpose_when_it_is_renamed():
    """What is shown at work finds its tokens by that, whatever they are called."""
    plain = {token["id"]: token for token in look_at(brinemark())["tokens"]}
    renamed = apply(brinemark(), RenameToken(token="status-error", name="state.broken"))
    token = next(each for each in look_at(renamed)["tokens"] if each["id"] == "status-error")
    assert (token["name"], token["purpose"]) == ("state.broken", "status.error")
    assert token["shape"] == plain["status-error"]["shape"]
    assert np.array_equal(token["hex"], plain["status-error"]["hex"])
