"""The parts of an answer, by name. Whoever asks names the parts that they show, and gets no others."""

from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass
from typing import Any, Literal, get_args

from typing_extensions import TypedDict

from heimat.view.charts.grounds import PaletteGroundView, palette_grounds_part
from heimat.view.charts.palette_detail import PaletteDetail, palette_detail_part
from heimat.view.charts.palettes_view import PaletteView, palettes_part
from heimat.view.head import HeadPart, head_part
from heimat.view.legibility.by_color import ByColorView, by_color_part
from heimat.view.legibility.conditions_view import ConditionView, conditions_part
from heimat.view.legibility.findings import (
    ExceptionView,
    FindingView,
    RepairsView,
    exceptions_part,
    findings_part,
    repairs_part,
)
from heimat.view.legibility.matrix_view import NamedMatrixView, matrices_part
from heimat.view.legibility.pairings_view import PairingView, pairings_part
from heimat.view.legibility.stands_on import StandsOnView, stands_on_part
from heimat.view.legibility.told_apart_view import ToldApartView, told_apart_part
from heimat.view.look import Look
from heimat.view.releases.outputs_view import OutputsPart, outputs_part
from heimat.view.scales.generators import GeneratorsPart, generators_part
from heimat.view.scales.ladder_view import LadderView, PromiseView, ladder_part, promises_part
from heimat.view.scales.methods_view import ComparedMethodView, methods_part
from heimat.view.scales.scale_detail import ScaleDetailPart, scale_detail_part
from heimat.view.scales.selections_view import SelectionsPart, selections_part
from heimat.view.scales.sheet_view import ReadingGroundView, ScaleView, ground_part, scales_part
from heimat.view.slip import SlipView, slip_part
from heimat.view.sources.candidates_view import (
    CandidateView,
    StopsView,
    candidates_part,
    stops_part,
)
from heimat.view.sources.hues_view import HueView, StatusPart, hues_part, status_part
from heimat.view.tokens.bands import BandView, bands_part
from heimat.view.tokens.own_colors import OwnColorsView, own_colors_part
from heimat.view.tokens.specimen import SpecimenPart, specimen_part
from heimat.view.tokens.token_detail import TokenDetailPart, token_detail_part
from heimat.view.tokens.tokens_view import TokenView, tokens_part

PartName = Literal[
    "head",
    "slip",
    "hues",
    "status",
    "candidates",
    "stops",
    "ladder",
    "promises",
    "ground",
    "scales",
    "selections",
    "scale_detail",
    "methods",
    "generators",
    "tokens",
    "bands",
    "specimen",
    "own_colors",
    "token_detail",
    "pairings",
    "told_apart",
    "findings",
    "repairs",
    "exceptions",
    "conditions",
    "matrices",
    "outputs",
    "stands_on",
    "palettes",
    "palette_detail",
    "palette_grounds",
    "by_color",
]


class Parts(TypedDict, total=False):
    """An answer: the parts that were asked for."""

    head: HeadPart
    slip: SlipView | None
    hues: list[HueView]
    status: StatusPart
    candidates: list[CandidateView]
    stops: list[StopsView]
    ladder: LadderView
    promises: list[PromiseView]
    ground: ReadingGroundView
    scales: list[ScaleView]
    selections: SelectionsPart
    scale_detail: ScaleDetailPart | None
    methods: list[ComparedMethodView]
    generators: GeneratorsPart
    tokens: list[TokenView]
    bands: list[BandView]
    specimen: SpecimenPart
    own_colors: list[OwnColorsView]
    token_detail: TokenDetailPart | None
    pairings: list[PairingView]
    told_apart: list[ToldApartView]
    findings: list[FindingView]
    repairs: list[RepairsView]
    exceptions: list[ExceptionView]
    conditions: list[ConditionView]
    matrices: list[NamedMatrixView]
    outputs: OutputsPart
    stands_on: StandsOnView | None
    palettes: list[PaletteView]
    palette_detail: PaletteDetail | None
    palette_grounds: list[PaletteGroundView]
    by_color: list[ByColorView]


Wish = Literal["vision", "ground", "theme", "select", "notation", "need"]
"""What of a look a part may depend on; `vision` stands for its severity too."""


@dataclass(frozen=True)
class PartMaker:
    """What makes a part, and on what of a look it depends besides the document: the same of both is the same part."""

    make: Callable[[Look], Any]
    depends_on: tuple[Wish, ...]


PARTS: Mapping[PartName, PartMaker] = {
    "head": PartMaker(head_part, ("theme",)),
    "slip": PartMaker(slip_part, ("vision", "ground", "theme", "select")),
    "hues": PartMaker(hues_part, ("vision", "theme", "notation")),
    "status": PartMaker(status_part, ()),
    "candidates": PartMaker(candidates_part, ("vision", "notation")),
    "stops": PartMaker(stops_part, ("vision",)),
    "ladder": PartMaker(ladder_part, ()),
    "promises": PartMaker(promises_part, ()),
    "ground": PartMaker(ground_part, ("vision", "ground", "theme")),
    "scales": PartMaker(scales_part, ("vision", "ground", "theme", "need")),
    "selections": PartMaker(selections_part, ()),
    "scale_detail": PartMaker(scale_detail_part, ("vision", "theme", "select", "notation")),
    "methods": PartMaker(methods_part, ("vision", "theme", "select")),
    "generators": PartMaker(generators_part, ("vision",)),
    "tokens": PartMaker(tokens_part, ("vision", "theme")),
    "bands": PartMaker(bands_part, ("theme",)),
    "specimen": PartMaker(specimen_part, ("vision",)),
    "own_colors": PartMaker(own_colors_part, ("vision", "theme")),
    "token_detail": PartMaker(token_detail_part, ("vision", "theme", "select")),
    "pairings": PartMaker(pairings_part, ("theme",)),
    "told_apart": PartMaker(told_apart_part, ("theme",)),
    "findings": PartMaker(findings_part, ("vision",)),
    "repairs": PartMaker(repairs_part, ("vision",)),
    "exceptions": PartMaker(exceptions_part, ()),
    "conditions": PartMaker(conditions_part, ("theme",)),
    "matrices": PartMaker(matrices_part, ()),
    "outputs": PartMaker(outputs_part, ("vision", "theme")),
    "stands_on": PartMaker(stands_on_part, ("vision", "theme", "select")),
    "palettes": PartMaker(palettes_part, ("vision", "theme")),
    "palette_detail": PartMaker(palette_detail_part, ("theme", "select")),
    "palette_grounds": PartMaker(palette_grounds_part, ()),
    "by_color": PartMaker(by_color_part, ("theme",)),
}
"""What makes each part. A new one stands here, in `PartName` and in `Parts`; a test compares the three."""
PART_NAMES: tuple[PartName, ...] = get_args(PartName)


def parts_of(look: Look, names: Iterable[PartName]) -> Parts:
    """The parts of an answer that are named, each once."""
    found: dict[str, Any] = {name: PARTS[name].make(look) for name in dict.fromkeys(names)}
    return found  # type: ignore[return-value]
