"""The guide: what it says, in the order and shape that the team asks for; its parts; the same on pages."""

import io
import re
from dataclasses import replace
from html.parser import HTMLParser

import pytest
from pypdf import PdfReader

from heimat.core.document.guide_settings import GUIDE_PARTS, Guide
from heimat.core.edits import apply
from heimat.core.edits.guide_edits import SetGuide
from heimat.core.publication.building import publication
from heimat.core.publication.publication import Publication
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark
from heimat.formats import write_all
from heimat.formats.write import guide, guide_pdf, manifest

PUBLISHED = publication(resolve(brinemark()))


class Heads(HTMLParser):
    """The levels of headings, in order, and every id and reference."""

    def __init__(self, text: str) -> None:
        super().__init__()
        self.levels: list[int] = []
        self.ids: list[str] = []
        self.references: list[str] = []
        self.feed(text)

    def handle_starttag(self, tag: str, attrs: list[tuple[str, str | None]]) -> None:
        if re.fullmatch(r"h[1-6]", tag):
            self.levels.append(int(tag[1]))
        for name, value in attrs:
            if name == "id":
                self.ids.append(value or "")
            if name in ("href", "src"):
                self.references.append(value or "")


def shaped(**how: object) -> Publication:
    return replace(PUBLISHED, guide=Guide.model_validate(how))


def test_the_parts_come_in_the_order_that_is_asked_for_and_the_index_leads_to_each() -> None:
    parts = ("tokens", "use", "pairings")
    found = Heads(guide.write(shaped(parts=parts), "1.0.0").decode())
    assert [each for each in found.ids if not each.endswith("-head")] == list(parts)
    assert found.references == [f"#{part}" for part in parts]
    assert found.levels[0] == 1
    assert all(
        later - level <= 1 for level, later in zip(found.levels, found.levels[1:], strict=False)
    )
    assert len(set(found.ids)) == len(found.ids)


def test_values_stand_in_the_notations_asked_for_and_width_and_columns_are_kept() -> None:
    text = guide.write(shaped(notations=("rgb", "hex"), width=720, columns=3), "1.0.0").decode()
    assert "max-width:720px" in text
    assert '<div class="cards" style="columns:3 290px">' in text
    assert text.index("rgb(11 110 110)") < text.index("#0b6e6e</code>")
    assert "oklch(" not in text
    with pytest.raises(ValueError, match="each stands there once"):
        Guide(notations=("hex", "hex"))


def test_each_part_stands_by_itself_in_a_page_that_has_styles_of_its_own() -> None:
    made = {name: content.decode() for name, content in guide.fragments(PUBLISHED, "1.0.0")}
    assert set(made) == {f"guide.{part}.html" for part in GUIDE_PARTS if part != "exceptions"}
    for name, text in made.items():
        assert not Heads(text).references, name
        style = re.search(r"<style>(.*?)</style>", text, re.S)
        assert style is not None
        plain = re.sub(r"@media[^{]*\{(.*?)\}\}", r"\1}", style[1], flags=re.S)
        for rule in re.findall(r"([^{}]+)\{", plain):
            parts = re.sub(r"\([^)]*\)", "", rule).split(",")
            assert all(part.strip().startswith(".heimat-guide") for part in parts), rule


@pytest.fixture(scope="module")
def printed() -> PdfReader:
    return PdfReader(io.BytesIO(guide_pdf.write(PUBLISHED, "1.0.0")))


def test_the_pages_say_what_the_page_says(printed: PdfReader) -> None:
    text = re.sub(r"\s+", "", "".join(page.extract_text() for page in printed.pages))
    for token in PUBLISHED.tokens:
        assert re.sub(r"\s+", "", token.name.rsplit(".", 1)[-1]) in text, token.name
    for theme in PUBLISHED.themes:
        for token in PUBLISHED.tokens:
            assert token.value(theme.id).hex.lower() in text
    assert printed.metadata is not None
    assert printed.metadata.title == "Brinemark 1.0.0: guide"


def test_the_pages_have_bookmarks_a_language_and_tags(printed: PdfReader) -> None:
    titles = [str(each["/Title"]) for each in printed.outline[1] if not isinstance(each, list)]
    assert titles[:2] == ["Scales", "Tokens"]
    root = printed.trailer["/Root"]
    assert root["/Lang"] == "en"
    assert "/StructTreeRoot" in root


def test_a_release_holds_every_part_and_the_manifest_tells_of_them() -> None:
    shaped_system = apply(brinemark(), SetGuide(guide=Guide(parts=("use", "tokens"))))
    files = {
        file.name: file.content for file in write_all(publication(resolve(shaped_system)), "1.0.0")
    }
    parts = [name for name in files if name.startswith("guide.")]
    assert parts == ["guide.html", "guide.use.html", "guide.tokens.html"]
    assert all(f'"{name}"'.encode() in files[manifest.FILE] for name in parts)
