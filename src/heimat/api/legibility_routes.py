"""The work areas of Legibility."""

from contextlib import suppress
from datetime import date
from typing import Annotated

from fastapi import APIRouter, Query, Request
from pydantic import Field
from starlette.concurrency import run_in_threadpool
from starlette.responses import Response

from heimat.api.bodies import Body, Seeing, ThemeId
from heimat.api.context import IS_COMPUTING, Context, Uses, head_resolved, head_system
from heimat.api.encoding import answer, described, described_bytes
from heimat.api.listening import listened
from heimat.api.rights import needs
from heimat.core.color.color_text import STRONGEST_CHROMA, parse
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.document.matrices import MatrixOrder
from heimat.core.errors import DomainError
from heimat.core.legibility.drawn_pairs import Met, drawn_pairs
from heimat.core.legibility.pair import moved, read_pair
from heimat.core.resolve.named import color_called
from heimat.formats.write.report import report_page
from heimat.view.eyes import Eyes, SeenAs
from heimat.view.legibility.drawing_view import DrawnPairView, drawn_pair_views
from heimat.view.legibility.findings import MendingView, mending_plan
from heimat.view.legibility.matrix_view import MatrixView, matrix_view
from heimat.view.legibility.pair_view import TwoColorsView, two_colors_view
from heimat.view.legibility.pairings_view import ProposedPairingView, proposed_pairings
from heimat.view.legibility.report_view import ReportView, report_view
from heimat.view.legibility.standing_field_view import StandingFieldView, standing_field_view

_REPORT_POLICY = (
    "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'; base-uri 'none'"
)
"""The report runs nothing and loads nothing; its own styles stand in it."""
MOST_MET = 2000
MOST_DRAWN_COLORS = 1000
ColorText = Annotated[str, Field(max_length=400)]

router = APIRouter(prefix="/api/systems/{slug}", tags=["legibility"])


@router.get(
    "/repair-plan", operation_id="planRepairs", dependencies=IS_COMPUTING, **described(MendingView)
)
@needs("look")
async def plan_mending(slug: str, request: Request, uses: Uses) -> Response:
    """What can be mended without breaking anything, before it is done."""
    return answer(
        await listened(
            request,
            uses.workers.asking,
            mending_plan,
            await run_in_threadpool(head_system, uses, slug),
        )
    )


@router.get(
    "/pairing-proposals", operation_id="proposePairings", **described(list[ProposedPairingView])
)
@needs("look")
def propose_pairings(slug: str, uses: Uses) -> Response:
    """The pairings that the tokens call for and that are not declared."""
    return answer(proposed_pairings(head_system(uses, slug)))


@router.get("/matrix", operation_id="readMatrix", **described(MatrixView))
@needs("look")
def read_matrix(
    slug: str,
    uses: Uses,
    rows: Annotated[str, Query(max_length=60)] = "texts",
    columns: Annotated[str, Query(max_length=60)] = "grounds",
    order: MatrixOrder = "luminance",
    theme: Annotated[str | None, Query(max_length=40)] = None,
    vision: SeenAs = "typical",
    severity: Annotated[float, Query(ge=0.0, le=1.0)] = 1.0,
) -> Response:
    """Every color of a set on every color of another: steps, neutrals, texts, grounds, tokens, or `hue:` and an id."""
    resolved = head_resolved(uses, slug)
    return answer(matrix_view(resolved, theme, (rows, columns), order, Eyes(vision, severity)))


class MoveBody(Body):
    """Where one color of a pair is moved to: CIE L*, OKLCH chroma, hue in degrees."""

    lightness: Annotated[float, Field(ge=0.0, le=100.0)]
    chroma: Annotated[float, Field(ge=0.0, le=STRONGEST_CHROMA)]
    hue: Annotated[float, Field(ge=-360.0, le=720.0)]


class PairBody(Seeing):
    """Two colors by name or in any notation, either perhaps moved."""

    one: ColorText
    other: ColorText
    one_moved: MoveBody | None = None
    other_moved: MoveBody | None = None


@router.post("/two-colors", operation_id="readTwoColors", **described(TwoColorsView))
@needs("look")
def read_two_colors(slug: str, body: PairBody, uses: Uses) -> Response:
    resolved = head_resolved(uses, slug)
    one, other = (
        color_called(resolved, body.one, "one"),
        color_called(resolved, body.other, "other"),
    )
    if body.one_moved:
        one = moved(one, body.one_moved.lightness, body.one_moved.chroma, body.one_moved.hue)
    if body.other_moved:
        other = moved(
            other, body.other_moved.lightness, body.other_moved.chroma, body.other_moved.hue
        )
    return answer(two_colors_view(read_pair(one, other), body.eyes()))


class StandingBody(Seeing):
    """A ground by name or in any notation, and the contrast to reach on it."""

    ground: ColorText
    level: Annotated[float, Field(ge=1.0, le=21.0)]


@router.post("/standing-field", operation_id="readStandingField", **described(StandingFieldView))
@needs("look")
def read_standing_field(slug: str, body: StandingBody, uses: Uses) -> Response:
    ground = color_called(head_resolved(uses, slug), body.ground, "ground")
    if ground.alpha < 1.0:
        raise DomainError(
            "A translucent ground shows what lies under it: give an opaque one.",
            "ground",
            "translucent",
        )
    return answer(standing_field_view(rgb8_of(ground), body.level, body.eyes()))


class MetBody(Body):
    """A text or a part as it was laid out: its color and the layers behind it, front to back, as the browser says."""

    text: Annotated[str, Field(max_length=200)]
    part: bool = False
    size: Annotated[float, Field(ge=0.0, le=10_000.0)] = 16.0
    bold: bool = False
    color: ColorText
    layers: Annotated[
        list[Annotated[list[ColorText], Field(min_length=1, max_length=12)]], Field(max_length=12)
    ] = []


class DrawingBody(Seeing):
    """What was met in a drawing; colors are matched with the tokens of a theme."""

    theme: ThemeId = None
    met: Annotated[list[MetBody], Field(max_length=MOST_MET)]


@router.post(
    "/drawing-pairs",
    operation_id="readDrawingPairs",
    dependencies=IS_COMPUTING,
    **described(list[DrawnPairView]),
)
@needs("look")
def read_drawn_pairs(slug: str, body: DrawingBody, uses: Uses) -> Response:
    """The pairs of a drawing, each once, with what they reach. What cannot be read as a color is passed over."""
    resolved = head_resolved(uses, slug)
    colors = _read(
        {
            text
            for each in body.met
            for text in (each.color, *(one for layer in each.layers for one in layer))
        }
    )
    every = [read for each in body.met if (read := _met(each, colors)) is not None]
    return answer(
        drawn_pair_views(
            resolved, drawn_pairs(resolved, resolved.theme(body.theme), every), body.eyes()
        )
    )


def _read(texts: set[str]) -> dict[str, Color]:
    """The colors of texts, each read once. Raises DomainError for more of them than any page has."""
    if len(texts) > MOST_DRAWN_COLORS:
        raise DomainError(
            f"A page is read with at most {MOST_DRAWN_COLORS} colors; this one has more.",
            "met",
            "limit",
        )
    found = {}
    for text in texts:
        with suppress(DomainError):
            found[text] = parse(text)
    return found


def _met(each: MetBody, colors: dict[str, Color]) -> Met | None:
    """What was met; None where one of its colors could not be read."""
    if each.color not in colors or any(
        text not in colors for layer in each.layers for text in layer
    ):
        return None
    layers = tuple(tuple(colors[text] for text in layer) for layer in each.layers)
    return Met(each.text, each.part, each.size, each.bold, colors[each.color], layers)


@router.get("/report.json", operation_id="readReport", **described(ReportView))
@needs("look")
def read_report(slug: str, uses: Uses) -> Response:
    """The whole state of legibility, for a build: it can refuse what is open."""
    return answer(_report(slug, uses))


@router.get("/report.html", operation_id="readReportPage", **described_bytes("text/html"))
@needs("look")
def read_report_page(slug: str, uses: Uses) -> Response:
    """The same as a page to read, print and hand on."""
    page = report_page(_report(slug, uses))
    return Response(
        page,
        headers={"Content-Security-Policy": _REPORT_POLICY},
        media_type="text/html; charset=utf-8",
    )


def _report(slug: str, uses: Context) -> ReportView:
    row = uses.opening.find(slug)
    return report_view(
        uses.documents.resolved(row.alternative_id, row.head_number), row.head_number, date.today()
    )
