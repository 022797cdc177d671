"""Systems out of files: what is understood of them is shown before anything is made."""

from typing import Annotated

from fastapi import APIRouter, File, Form, UploadFile
from starlette.responses import Response
from typing_extensions import TypedDict

from heimat.api.context import IS_SENDING, Acting, Uses
from heimat.api.encoding import answer, described
from heimat.api.rights import needs
from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.naming import one_line
from heimat.core.document.order import in_order
from heimat.formats.read.unpacking import MOST_FILES

router = APIRouter(prefix="/api/imports", tags=["systems"])
MOST_TOLD = 200


LONGEST_FILE_NAME = 300
Files = Annotated[list[UploadFile], File(min_length=1, max_length=MOST_FILES)]
"""Files to read as one system, as they are."""
Name = Annotated[str, Form(max_length=400)]
"""The name of a system; without one it is called as its files say."""


class ReadScaleView(TypedDict):
    """A scale that was recognized, its colors from light to dark."""

    name: str
    kind: str
    colors: list[str]


class ReadPaletteView(TypedDict):
    """A palette that was read, its colors in the first theme."""

    name: str
    kind: str
    colors: list[str]


class ReadTokenView(TypedDict):
    """A token that was read, its name and how many themes say a value of it."""

    name: str
    themes: int


class ReadThemeView(TypedDict):
    """A theme that was read."""

    name: str
    scheme: str
    contrast: str


class UnderstoodView(TypedDict):
    """What is understood of files: scales, palettes, themes, tokens (the first ones), and what was passed over.

    `linked` is how many values were found to be a step's, because it alone has their color.
    """

    name: str
    scales: list[ReadScaleView]
    palettes: list[ReadPaletteView]
    themes: list[ReadThemeView]
    tokens: list[ReadTokenView]
    count: int
    linked: int
    pairings: int
    passed_over: list[str]


class ImportedView(TypedDict):
    """The address of a system that was made out of files."""

    slug: str


@router.post(
    "/read", operation_id="readFiles", dependencies=IS_SENDING, **described(UnderstoodView)
)
@needs("nothing")
def read_files(files: Files, uses: Uses, name: Name = "") -> Response:
    found = uses.opening.read_files(_contents(files), name)
    system = found.system
    tokens = in_order(system.tokens)
    kinds = {hue.name: hue.kind for hue in system.hues.values()}
    view: UnderstoodView = {
        "name": system.name,
        "scales": [
            {
                "name": each.name,
                "kind": kinds[each.name],
                "colors": [hex_of(rgb8_of(color)) for color in each.colors],
            }
            for each in found.scales
        ],
        "palettes": [
            {"name": each.palette.name, "kind": each.palette.make.kind, "colors": list(each.colors)}
            for each in found.palettes
        ],
        "themes": [
            {"name": theme.name, "scheme": theme.scheme, "contrast": theme.contrast}
            for theme in in_order(system.themes)
        ],
        "tokens": [
            {"name": token.name, "themes": len(token.values)} for token in tokens[:MOST_TOLD]
        ],
        "count": len(tokens),
        "linked": found.linked,
        "pairings": len(system.pairings),
        "passed_over": list(found.passed_over[:MOST_TOLD]),
    }
    return answer(view)


@router.post(
    "", operation_id="importFiles", dependencies=IS_SENDING, **described(ImportedView, 201)
)
@needs("nothing")
def import_files(files: Files, uses: Uses, person: Acting, name: Name = "") -> Response:
    row = uses.opening.import_files(_contents(files), name, person.id)
    return answer({"slug": row.slug}, 201)


def _contents(files: Files) -> dict[str, bytes]:
    return {
        one_line(file.filename or "file")[:LONGEST_FILE_NAME]: file.file.read() for file in files
    }
