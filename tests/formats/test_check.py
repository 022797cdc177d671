"""Checking a stylesheet against a release: what is none of it, what was meant, and a patch that mends it."""

import subprocess
import time
from pathlib import Path

from heimat.core.document.tokens import Deprecation
from heimat.core.edits import apply
from heimat.core.edits.token_care_edits import DeprecateToken
from heimat.core.publication.building import publication
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark
from heimat.formats.check_text import MOST_FOUND, check

SYSTEM = brinemark()
(STRONG,) = [token.id for token in SYSTEM.tokens.values() if token.name == "text.strong"]
PUBLISHED = publication(
    resolve(
        apply(
            SYSTEM,
            DeprecateToken(
                token="text-late", deprecated=Deprecation(replacement=STRONG, reason="one ink")
            ),
        )
    )
)
SHEET = """/* a site */
:root { --own: 4px; }
.head { background: #0B6E6E; color: var(--text-strong); padding: var(--own); }
.late { color: var(--text-late); }
.word { color: var(--text-stong); border-color: #0b6e6f; }
.far { fill: rgb(255 0 255); }
"""


def test_colors_typed_by_hand_names_that_are_not_there_and_those_on_the_way_out_are_found():
    found = {(each.line, each.kind): each for each in check(SHEET, PUBLISHED).found}
    assert set(found) == {
        (3, "by hand"),
        (4, "deprecated"),
        (5, "unknown"),
        (5, "outside"),
        (6, "outside"),
    }
    assert found[3, "by hand"].instead == "var(--surface-brand)"
    assert found[4, "deprecated"].instead == "var(--text-strong"
    assert found[5, "unknown"].instead == "var(--text-strong"
    near = found[5, "outside"]
    assert (near.where, near.distance is not None and near.distance < 1.0) == ("border-color", True)
    assert found[6, "outside"].instead == ""
    assert found[6, "outside"].token is not None


def test_the_patch_applies_and_what_it_mends_is_found_no_more(tmp_path: Path):
    made = check(SHEET, PUBLISHED, "site.css")
    (tmp_path / "site.css").write_text(SHEET)
    subprocess.run(
        ["git", "apply", "-p1", "-"], input=made.patch, text=True, cwd=tmp_path, check=True
    )
    mended = (tmp_path / "site.css").read_text()
    assert "var(--own)" in mended
    left = check(mended, PUBLISHED).found
    # The ground that was typed by hand is known now, and with it a pair that nobody declared.
    assert [(each.line, each.kind, each.text) for each in left] == [
        (3, "undeclared", "text.strong on surface.brand"),
        (6, "outside", "rgb(255 0 255)"),
    ]
    assert left[0].ratio is not None
    assert left[0].ratio < 4.5
    clean = ".a { color: var(--text-strong) }\n"
    assert (check(clean, PUBLISHED).found, check(clean, PUBLISHED).patch) == ((), "")


def test_markup_drawings_and_hostile_texts_are_checked_in_time():
    drawing = (
        '<svg><rect fill="#0B6E6E" stroke="#0B6E6E"/><text style="color:#DF5A33">x</text></svg>'
    )
    found = check(drawing, PUBLISHED).found
    assert [each.where for each in found] == ["fill", "stroke", "color"]
    assert all(each.kind == "by hand" for each in found)
    for text in (
        "#" * 400_000,
        "var(--" * 100_000,
        "rgb(" * 100_000,
        "a" * 1_000_000,
        "{" * 300_000,
        "#0B6E6E;" * 60_000,
    ):
        begun = time.process_time()
        check(text, PUBLISHED)
        assert time.process_time() - begun < 20.0
    many = check("a { color: #123456 }\n" * (MOST_FOUND + 7), PUBLISHED)
    assert (len(many.found), many.more) == (MOST_FOUND, 7)
