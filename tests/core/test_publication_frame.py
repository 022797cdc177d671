"""Themes and the package's name are names too: what changes of them is told, breaks, and makes the version."""

import csv
import io

import pytest

from heimat.core.edits import UserEdit, apply_all
from heimat.core.edits.ladder_edits import RenameSystem
from heimat.core.edits.theme_edits import AddTheme, MoveTheme, RemoveTheme, RenameTheme, SetTheme
from heimat.core.publication.breaking import broken
from heimat.core.publication.building import publication
from heimat.core.publication.changes import TokenChange, compare, next_version, same
from heimat.core.publication.frame import frame_changes
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark
from heimat.formats import write_all
from heimat.formats.read.sheets.read_sheets import read

SYSTEM = brinemark()
FOG = AddTheme(id="fog", name="fog", base="day", scheme="light", contrast="usual")
BEFORE = publication(resolve(SYSTEM))


@pytest.mark.parametrize(
    ("edit", "words", "version"),
    [
        (RenameTheme(theme="night", name="dusk"), "The theme night is called dusk.", "2.0.0"),
        (RemoveTheme(theme="quay"), "The theme quay is gone.", "2.0.0"),
        (
            SetTheme(theme="night", scheme="light", contrast="usual"),
            "The theme night is light; it was dark.",
            "2.0.0",
        ),
        (
            MoveTheme(theme="night", before="day"),
            "night stands on the root instead of day.",
            "2.0.0",
        ),
        (
            RenameSystem(name="Brine"),
            "The package brinemark-tokens is called brine-tokens:",
            "2.0.0",
        ),
        (
            AddTheme(id="fog", name="fog", base="day", scheme="light", contrast="usual"),
            "The theme fog is new.",
            "1.3.0",
        ),
    ],
)
def test_a_name_around_the_tokens_that_changes_is_told_and_makes_the_version(
    edit: UserEdit, words: str, version: str
) -> None:
    after = publication(resolve(apply_all(SYSTEM, [edit]).system))
    assert not same(BEFORE, after)
    frame = frame_changes(BEFORE, after)
    assert any(change.words.startswith(words) for change in frame)
    changes = compare(BEFORE, after)
    breaks = broken(BEFORE, after, changes)
    assert any(each.startswith(words) for each in breaks) is (version == "2.0.0")
    assert next_version("1.2.3", changes, frame=frame).version == version
    # What the files say differs in just that: nothing else is told, and nothing where nothing is otherwise.
    assert frame_changes(after, after) == []
    assert frame_changes(None, after) == []


def test_a_theme_called_like_a_formula_is_no_formula_in_a_table_and_comes_back() -> None:
    name = '=HYPERLINK("http://brinemark.example","day")'
    named = apply_all(SYSTEM, [RenameTheme(theme="day", name=name)]).system
    (table,) = [
        file.content
        for file in write_all(publication(resolve(named)), "1.0.0")
        if file.name == "tokens.csv"
    ]
    for row in csv.reader(io.StringIO(table.decode())):
        assert not any(
            cell.startswith(("=", "+", "-", "@")) for cell in row if not cell.startswith("--")
        )
    assert read({"tokens.csv": table}).themes[0].name == name


@pytest.mark.parametrize(("away", "version"), [(0.999, "1.0.1"), (1.0, "1.1.0"), (1.001, "1.1.0")])
def test_a_color_that_changes_by_just_as_much_as_asked_makes_a_minor_version(
    away: float, version: str
) -> None:
    token = publication(resolve(brinemark())).tokens[0]
    change = TokenChange("changed", token, token, "day", away)
    assert next_version("1.0.0", [change], patch_below=1.0).version == version
