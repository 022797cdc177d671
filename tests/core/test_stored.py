"""What older forms of Heimat have stored is read as what it was."""

import hashlib
import json
from pathlib import Path

import numpy as np

from heimat.core.document.purposes import purpose_named
from heimat.core.document.system import SCHEMA
from heimat.core.document.upgrades import UPGRADES, read_document
from heimat.core.edits import RenameToken, apply
from heimat.core.publication.changes import compare, same
from heimat.core.publication.publication import Publication, publication
from heimat.core.resolve.resolved import resolve
from heimat.demo.systems import brinemark
from heimat.formats import write_all
from tests.looking import look_at

SAMPLES = Path(__file__).parents[1] / "samples"
STORED = json.loads((SAMPLES / "document_4.json").read_text())
PUBLISHED = json.loads((SAMPLES / "publication_1.json").read_text())
FILES = {
    "tokens.css": "5ac425e710cfb656",
    "tokens.json": "a049967844ba449c",
    "tokens.few.css": "1c88431fcfb42115",
    "tokens.few.json": "e549dc0b55e81520",
}
"""Digests of the files that were published of it then."""


def test_every_form_has_a_way_to_the_newest():
    assert sorted(UPGRADES) == list(range(SCHEMA))
    assert STORED["schema"] == 4


def test_a_document_of_form_4_says_what_it_said():
    read = read_document(STORED)
    assert read_document(json.loads(read.model_dump_json(by_alias=True))) == read
    purposes = {token.name: token.purpose for token in read.tokens.values()}
    assert purposes == {name: purpose_named(name) for name in purposes}
    assert purposes["status.success"] == "status.success"
    before, now = Publication.from_plain(PUBLISHED), publication(resolve(read))
    assert same(before, now)
    assert compare(before, now) == []


def test_files_of_a_release_of_format_1_are_written_as_they_were():
    written = write_all(Publication.from_plain(PUBLISHED), "1.2.0")
    assert {each.name: hashlib.sha256(each.content).hexdigest()[:16] for each in written} == FILES


def test_a_token_keeps_its_purpose_when_it_is_renamed():
    """What is shown at work finds its tokens by that, whatever they are called."""
    plain = {token["id"]: token for token in look_at(brinemark())["tokens"]}
    renamed = apply(brinemark(), RenameToken(token="status-error", name="state.broken"))
    token = next(each for each in look_at(renamed)["tokens"] if each["id"] == "status-error")
    assert (token["name"], token["purpose"]) == ("state.broken", "status.error")
    assert token["shape"] == plain["status-error"]["shape"]
    assert np.array_equal(token["hex"], plain["status-error"]["hex"])
