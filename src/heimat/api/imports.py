"""Systems out of files: what is understood of them is shown before anything is made."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import Base64Bytes, Field
from starlette.responses import Response
from typing_extensions import TypedDict

from heimat.api.bodies import Body
from heimat.api.context import IS_SENDING, Acting, Uses
from heimat.api.encoding import answer, described
from heimat.core.color.notation import hex_of, rgb8_of
from heimat.core.document.order import in_order
from heimat.formats.read.sheets.any import MOST_FILES

router = APIRouter(prefix="/api/imports", tags=["systems"])
MOST_TOLD = 200


class FileBody(Body):
    """A file: its name, and its bytes in Base64."""

    name: Annotated[str, Field(max_length=300)]
    content: Base64Bytes


class ImportBody(Body):
    """Files to read as one system, and its name; without one it is called as the files say."""

    files: Annotated[list[FileBody], Field(min_length=1, max_length=MOST_FILES)]
    name: Annotated[str, Field(max_length=400)] = ""


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


@router.post("/read", operation_id="readFiles", dependencies=IS_SENDING, **described(UnderstoodView))
def read_files(body: ImportBody, uses: Uses) -> Response:
    found = uses.opening.read_files({file.name: file.content for file in body.files}, body.name)
    system = found.system
    tokens = in_order(system.tokens)
    kinds = {hue.name: hue.kind for hue in system.hues.values()}
    view: UnderstoodView = {
        "name": system.name,
        "scales": [
            {"name": each.name, "kind": kinds[each.name], "colors": [hex_of(rgb8_of(color)) for color in each.colors]}
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
        "tokens": [{"name": token.name, "themes": len(token.values)} for token in tokens[:MOST_TOLD]],
        "count": len(tokens),
        "linked": found.linked,
        "pairings": len(system.pairings),
        "passed_over": list(found.passed_over[:MOST_TOLD]),
    }
    return answer(view)


@router.post("", operation_id="importFiles", dependencies=IS_SENDING, **described(ImportedView, 201))
def import_files(body: ImportBody, uses: Uses, person: Acting) -> Response:
    row = uses.opening.import_files({file.name: file.content for file in body.files}, body.name, person.id)
    return answer({"slug": row.slug}, 201)
