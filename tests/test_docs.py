"""The docs: words have one entry, and the files that they name are there."""

import re

from heimat.local.install import ROOT
from tools import draw_house

DOCS = sorted([ROOT / "README.md", ROOT / "CONTRIBUTING.md", *(ROOT / "docs").glob("*.md")])
FILES = [
    str(path.relative_to(ROOT))
    for top in ("src", "web/src", "tests", "tools")
    for path in (ROOT / top).rglob("*.*")
]


def test_a_word_of_the_glossary_has_one_entry_and_they_stand_in_order() -> None:
    rows = re.findall(r"^\| ([^|]+) \|", (ROOT / "docs" / "glossary.md").read_text(), re.M)[1:]
    words = [word.strip().casefold() for word in rows]
    assert len(words) > 70
    assert words == sorted(set(words))


def test_every_file_that_the_docs_name_is_there() -> None:
    lost = []
    for doc in DOCS:
        for name in re.findall(r"`([\w/.-]+\.(?:py|tsx?|mjs))`", doc.read_text()):
            if not any(path == name or path.endswith(f"/{name}") for path in FILES):
                lost.append((doc.name, name))
    assert lost == []


def test_the_house_is_drawn_as_it_stands() -> None:
    """`python -m tools.draw_house` draws it again."""
    assert draw_house.STOREYS.read_text() == draw_house.storeys()
    assert draw_house.EDIT.read_text() == draw_house.way_of_an_edit()
