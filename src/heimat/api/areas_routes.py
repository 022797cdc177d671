"""Work areas that start from colors alone. What knows no system follows what is being dragged."""

from typing import Annotated

from fastapi import APIRouter
from pydantic import Field
from starlette.responses import Response

from heimat.api.bodies import Seeing, Showing
from heimat.api.context import Uses, head_resolved
from heimat.api.encoding import answer, described
from heimat.api.rights import needs
from heimat.core.color.color_text import LONGEST_TEXT, ColorInput
from heimat.core.resolve.named import color_called
from heimat.core.sources import even, mixing
from heimat.core.sources.circles import Circle
from heimat.core.sources.conventions import Status
from heimat.core.sources.harmony import WIDEST_SPREAD_DEGREES, Relation
from heimat.view.scales.overlays import OverlaysView, overlays_view
from heimat.view.sources.even_view import EvenView, even_view
from heimat.view.sources.harmony_view import HarmonyView, harmony_view
from heimat.view.sources.mix import MixView, mix_views
from heimat.view.sources.status_view import StatusView, status_view

MOST_GIVEN_COLORS = 12

router = APIRouter(prefix="/api", tags=["sources"])


class HarmonyBody(Showing):
    """Given colors, the source first, and the relation wanted of it; `placed` are angles from it, for `free`.

    `remembered` are the OKLCH hues that the given ones remember, in their order.
    """

    given: Annotated[list[ColorInput], Field(min_length=1, max_length=MOST_GIVEN_COLORS)]
    remembered: Annotated[
        list[Annotated[float, Field(ge=0.0, le=360.0)]], Field(max_length=MOST_GIVEN_COLORS)
    ] = []
    relation: Relation = "complementary"
    circle: Circle = "oklch"
    spread: Annotated[float | None, Field(ge=1.0, le=WIDEST_SPREAD_DEGREES)] = None
    placed: Annotated[list[Annotated[float, Field(ge=-720.0, le=720.0)]], Field(max_length=11)] = []


class EvenBody(Showing):
    """A start color, how many hues, and what is equal among them."""

    start: ColorInput
    count: Annotated[int, Field(ge=even.FEWEST, le=even.MOST)] = 6
    space: even.EvenIn = "oklch"
    lightness: Annotated[float | None, Field(ge=0.0, le=100.0)] = None
    strength: Annotated[float | None, Field(ge=0.0, le=100.0)] = None


class MixBody(Seeing):
    """Two colors, and how many between them."""

    one: ColorInput
    other: ColorInput
    count: Annotated[int, Field(ge=mixing.FEWEST, le=mixing.MOST)] = 3


class StatusBody(Showing):
    """The brand's colors, the status colors that there are, and those of them that are held."""

    brand: Annotated[list[ColorInput], Field(max_length=40)] = []
    present: dict[Status, ColorInput] = {}
    held: Annotated[list[Status], Field(max_length=4)] = []


ColorText = Annotated[str, Field(max_length=LONGEST_TEXT)]


class OverlayBody(Seeing):
    """A color with an alpha over a ground, and a tint that is wanted on that ground.

    Each is a value in any notation, or what it is called in a system: a hue, a step, a token.
    """

    color: ColorText
    alpha: Annotated[float, Field(ge=0.0, le=1.0)]
    ground: ColorText
    tint: ColorText
    system: Annotated[str | None, Field(max_length=80)] = None


@router.post("/harmony", operation_id="findHarmony", **described(HarmonyView))
@needs("nothing")
def find_harmony(body: HarmonyBody) -> Response:
    return answer(
        harmony_view(
            body.given,
            body.remembered,
            body.relation,
            body.circle,
            body.spread,
            body.placed,
            body.notation,
            body.eyes(),
        )
    )


@router.post("/even-set", operation_id="makeEvenSet", **described(EvenView))
@needs("nothing")
def make_even_set(body: EvenBody) -> Response:
    return answer(
        even_view(
            body.start,
            body.count,
            body.space,
            body.lightness,
            body.strength,
            body.notation,
            body.eyes(),
        )
    )


@router.post("/mix", operation_id="mixColors", **described(list[MixView]))
@needs("nothing")
def mix_colors(body: MixBody) -> Response:
    return answer(mix_views(body.one, body.other, body.count, body.eyes()))


@router.post("/status-proposal", operation_id="proposeStatus", **described(StatusView))
@needs("look")
def propose_status(body: StatusBody) -> Response:
    return answer(status_view(body.brand, body.present, body.held, body.notation, body.eyes()))


@router.post("/overlays", operation_id="findOverlays", **described(OverlaysView))
@needs("nothing")
def find_overlays(body: OverlayBody, uses: Uses) -> Response:
    resolved = head_resolved(uses, body.system) if body.system else None
    color, ground, tint = (
        color_called(resolved, text, field)
        for field, text in (("color", body.color), ("ground", body.ground), ("tint", body.tint))
    )
    return answer(overlays_view(color, body.alpha, ground, tint, body.eyes()))
