"""The parts of an answer, by name. Whoever asks names the parts that they show, and gets no others."""

from collections.abc import Callable, Iterable, Mapping
from typing import Any, Literal, get_args

from typing_extensions import TypedDict

from heimat.view.head import HeadPart, head_part
from heimat.view.legibility.findings import FindingView, RepairsView, findings_part, repairs_part
from heimat.view.legibility.pairings import PairingView, pairings_part
from heimat.view.legibility.told_apart import ToldApartView, told_apart_part
from heimat.view.look import Look
from heimat.view.scales.detail import ScaleDetailPart, scale_detail_part
from heimat.view.scales.ladder import LadderView, PromiseView, ladder_part, promises_part
from heimat.view.scales.methods import ComparedMethodView, methods_part
from heimat.view.scales.selections import SelectionsPart, selections_part
from heimat.view.scales.sheet import ReadingGroundView, ScaleView, ground_part, scales_part
from heimat.view.slip import SlipView, slip_part
from heimat.view.sources.candidates import CandidateView, StopsView, candidates_part, stops_part
from heimat.view.sources.hues import HueView, StatusPart, hues_part, status_part
from heimat.view.tokens.tokens import TokenView, tokens_part

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
    "tokens",
    "pairings",
    "told_apart",
    "findings",
    "repairs",
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
    tokens: list[TokenView]
    pairings: list[PairingView]
    told_apart: list[ToldApartView]
    findings: list[FindingView]
    repairs: list[RepairsView]


PARTS: Mapping[PartName, Callable[[Look], Any]] = {
    "head": head_part,
    "slip": slip_part,
    "hues": hues_part,
    "status": status_part,
    "candidates": candidates_part,
    "stops": stops_part,
    "ladder": ladder_part,
    "promises": promises_part,
    "ground": ground_part,
    "scales": scales_part,
    "selections": selections_part,
    "scale_detail": scale_detail_part,
    "methods": methods_part,
    "tokens": tokens_part,
    "pairings": pairings_part,
    "told_apart": told_apart_part,
    "findings": findings_part,
    "repairs": repairs_part,
}
"""What makes each part. A new one stands here, in `PartName` and in `Parts`; a test compares the three."""
PART_NAMES: tuple[PartName, ...] = get_args(PartName)


def parts_of(look: Look, names: Iterable[PartName]) -> Parts:
    """The parts of an answer that are named, each once."""
    found: dict[str, Any] = {name: PARTS[name](look) for name in dict.fromkeys(names)}
    return found  # type: ignore[return-value]
