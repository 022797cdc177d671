"""Charts: palettes proposed and priced, and what they are drawn with."""

from collections.abc import Iterable
from typing import Annotated, Any, cast

import numpy as np
from fastapi import APIRouter, Query
from pydantic import Field
from starlette.concurrency import run_in_threadpool
from starlette.requests import Request
from starlette.responses import Response
from typing_extensions import TypedDict

from heimat.api.bodies import Body
from heimat.api.context import IS_COMPUTING, IS_SENDING, Acting, Uses, head_resolved, head_system
from heimat.api.encoding import answer, described, described_empty
from heimat.api.listening import listened
from heimat.api.rights import needs
from heimat.core.charts.bounds import GRAPHIC
from heimat.core.charts.categorical import LEAST_COLORS, MOST_COLORS
from heimat.core.charts.columns import ColumnKind
from heimat.core.charts.suitability import PaletteKind
from heimat.core.charts.summary import Summary
from heimat.core.color.exact_color import rgb8_of
from heimat.core.document.ids import Id
from heimat.core.document.palettes import MOST_CATEGORIES, PaletteColor, PaletteValue
from heimat.core.document.system import ColorSystem
from heimat.core.edits import UserEdit
from heimat.core.edits.palettes_kept import is_there
from heimat.core.errors import DomainError
from heimat.core.planning.binding import binding
from heimat.core.planning.proposed_palettes import PaletteWish
from heimat.core.resolve.named import color_called
from heimat.service.datasets import Dataset
from heimat.view.charts.drawn import ChartsView, charts_view
from heimat.view.charts.palette_plans import (
    EndPartnerView,
    PricesView,
    ProposedPaletteView,
    SuitabilityView,
    partner_views,
    priced,
    proposed_palette,
    suitability_view,
)

router = APIRouter(prefix="/api/systems/{slug}", tags=["charts"])
_BODY: dict[str, Any] = {
    "requestBody": {
        "required": True,
        "content": {"application/octet-stream": {"schema": {"type": "string", "format": "binary"}}},
    }
}


class WishBody(Body):
    """A categorical palette that is wished for: how many colors, which of them stay, how far from the brand."""

    count: Annotated[int, Field(ge=LEAST_COLORS, le=MOST_COLORS)]
    kept: Annotated[tuple[PaletteColor, ...], Field(max_length=MOST_COLORS)] = ()
    ground: Id | None = None
    reach: Annotated[float, Field(ge=0.0, le=1.0)] = 0.0
    contrast: Annotated[float, Field(ge=1.0, le=21.0)] = GRAPHIC
    seed: Annotated[int, Field(ge=1, le=10_000)] = 1

    def wish(self) -> PaletteWish:
        """What the search is asked."""
        return PaletteWish(self.count, self.kept, self.ground, self.reach, self.contrast, self.seed)


class EndBody(Body):
    """One end of a diverging palette."""

    low: PaletteValue


class BindingView(TypedDict):
    """The edits that let tokens for charts be the colors of a palette; none where they are."""

    edits: list[UserEdit]


class ColorsBody(Body):
    """Colors by name or in any notation, in their order."""

    colors: Annotated[
        list[Annotated[str, Field(max_length=400)]], Field(min_length=1, max_length=MOST_CATEGORIES)
    ]


class DataColumnView(TypedDict):
    """A column: its kind, its words if there are few, how far its numbers reach, and the palettes that suit it."""

    name: str
    kind: ColumnKind
    words: list[str]
    low: float | None
    high: float | None
    suits: PaletteKind | None
    why: str


class DatasetView(TypedDict):
    """Data of a system, and what was passed over in reading them."""

    id: int
    name: str
    rows: int
    columns: list[DataColumnView]
    notes: list[str]


@router.post(
    "/palette-proposals",
    operation_id="proposePalette",
    dependencies=IS_COMPUTING,
    **described(ProposedPaletteView),
)
@needs("look")
async def propose_palette(slug: str, request: Request, body: WishBody, uses: Uses) -> Response:
    system = await run_in_threadpool(head_system, uses, slug)
    _refuse_gone(system, (each.value for each in body.kept), "kept")
    return answer(
        await listened(request, uses.workers.asking, proposed_palette, system, body.wish())
    )


@router.post(
    "/palette-prices",
    operation_id="pricePalette",
    dependencies=IS_COMPUTING,
    **described(PricesView),
)
@needs("look")
async def price_palette(slug: str, request: Request, body: WishBody, uses: Uses) -> Response:
    system = await run_in_threadpool(head_system, uses, slug)
    _refuse_gone(system, (each.value for each in body.kept), "kept")
    return answer(await listened(request, uses.workers.asking, priced, system, body.wish()))


@router.post("/palette-partners", operation_id="findPartners", **described(list[EndPartnerView]))
@needs("look")
def find_partners(slug: str, body: EndBody, uses: Uses) -> Response:
    resolved = head_resolved(uses, slug)
    _refuse_gone(resolved.system, [body.low], "low")
    return answer(partner_views(resolved, body.low))


@router.post("/palettes/{palette}/binding", operation_id="bindPalette", **described(BindingView))
@needs("look")
def bind_palette(slug: str, palette: Id, uses: Uses) -> Response:
    return answer({"edits": binding(head_system(uses, slug), palette)})


@router.post("/palette-suitability", operation_id="judgeColors", **described(SuitabilityView))
@needs("nothing")
def judge_colors(slug: str, body: ColorsBody, uses: Uses) -> Response:
    resolved = head_resolved(uses, slug)
    colors = [
        rgb8_of(color_called(resolved, text, f"colors.{place}"))
        for place, text in enumerate(body.colors)
    ]
    return answer(suitability_view(np.array(colors, dtype=np.uint8)))


@router.get("/data", operation_id="listData", **described(list[DatasetView]))
@needs("look")
def list_data(slug: str, uses: Uses) -> Response:
    return answer([_dataset(row, summary) for row, summary in uses.datasets.all(slug)])


@router.post(
    "/data",
    operation_id="keepData",
    openapi_extra=_BODY,
    dependencies=IS_SENDING,
    **described(DatasetView),
)
@needs("edit")
async def keep_data(
    slug: str,
    request: Request,
    uses: Uses,
    person: Acting,
    name: Annotated[str, Query(max_length=200)] = "",
) -> Response:
    content = await request.body()
    row, summary = await run_in_threadpool(uses.datasets.keep, slug, content, name, person.id)
    return answer(_dataset(row, summary))


@router.delete("/data/{dataset}", operation_id="removeData", **described_empty())
@needs("edit")
def remove_data(slug: str, dataset: int, uses: Uses) -> Response:
    uses.datasets.remove(slug, dataset)
    return Response(status_code=204)


@router.get("/data/{dataset}/charts", operation_id="readCharts", **described(ChartsView))
@needs("look")
def read_charts(
    slug: str,
    dataset: int,
    uses: Uses,
    palette: Annotated[str, Query(max_length=40)],
    number: Annotated[str | None, Query(max_length=80)] = None,
) -> Response:
    return answer(
        charts_view(head_resolved(uses, slug), uses.datasets.table(slug, dataset), palette, number)
    )


def _refuse_gone(system: ColorSystem, values: Iterable[PaletteValue], field: str) -> None:
    if not all(is_there(system, value) for value in values):
        words = "A color that this stands on is not there any more: somebody has removed it. Choose another one."
        raise DomainError(words, field, "missing")


def _dataset(row: Dataset, summary: Summary) -> DatasetView:
    return cast(DatasetView, {"id": row.id, "name": row.name, **summary.plain()})
