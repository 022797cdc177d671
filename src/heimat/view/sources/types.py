"""The shape of what the page's work areas show: reading, harmony, even sets, mixing, status, pictures, gallery."""

from typing import Literal

from typing_extensions import TypedDict

from heimat.core.color.mixing import MixSpace
from heimat.core.sources.harmony import Relation
from heimat.core.system import HueKind, Status
from heimat.service.view_types import SwatchView


class ExactColor(TypedDict):
    """A color with all its decimals, as an edit takes it."""

    space: str
    components: list[float]
    alpha: float


class RepeatView(TypedDict):
    """What a color hardly differs from, in words, and by how much; `same` where it is the very value."""

    words: str
    distance: str
    same: bool


class ReplacedView(SwatchView):
    """The hue whose value a line would replace, as it is now, and how it was matched."""

    hue: str
    name: str
    by: Literal["name", "order"]


class FitView(TypedDict):
    """The step at which an existing color would be pinned, and what is generated there."""

    hue: str
    hue_name: str
    step: str
    label: str
    generated: SwatchView
    distance: str


class ReadLineView(TypedDict):
    """What was understood of a line: a color, or the reason why not."""

    number: int
    text: str
    name: str
    color: ExactColor | None
    swatch: SwatchView | None
    value: str
    kind: HueKind
    status: Status | None
    problem: str | None
    repeat: RepeatView | None
    replaces: ReplacedView | None
    fit: FitView | None


class ReadingView(TypedDict):
    """What a text was taken for, its lines, and how many more colors there were than are told."""

    kind: str
    lines: list[ReadLineView]
    more: int


class PlanRowView(TypedDict):
    """What a line of a set's text comes to."""

    what: Literal["unchanged", "changed", "renamed", "sorted", "moved", "added", "removed", "not read"]
    name: str
    before: SwatchView | None
    after: SwatchView | None
    words: str


class PartnerView(SwatchView):
    """A partner in a relation. `angle` is its place on the strip, `offset` how far it is turned from the source.

    `other` is the same partner on the other circle, `apart` the CIEDE2000 between the two; `clipped` says what the
    gamut takes.
    """

    angle: float
    offset: float
    text: str
    lightness: str
    clipped: str | None
    other: SwatchView
    other_angle: float
    apart: str


class GivenMark(SwatchView):
    """A given color's place on the strip."""

    angle: float


class LikenessView(TypedDict):
    """How given hues stand to a relation, in words, and the angles that would complete it."""

    relation: Relation
    words: str
    miss: float
    missing: list[PartnerView]


class CommonView(PartnerView):
    """A partner of two given hues, and how it stands to them."""

    words: str


class HarmonyView(TypedDict):
    """A harmony: the strip of all hues, where the given ones stand, partners, and what several given come near to."""

    strip: list[str]
    given: list[GivenMark]
    spread: float | None
    partners: list[PartnerView]
    shades: list[PartnerView]
    likenesses: list[LikenessView]
    common: list[CommonView]


class EvenView(TypedDict):
    """An even set, what the gamut allows along the strip, and how unequal the colors look."""

    strip: list[str]
    limits: list[float]
    common: float
    highest: float
    angles: list[float]
    light: float
    colors: list[SwatchView]
    texts: list[str]
    chroma: float
    lightness_range: list[float]
    chroma_range: list[float]
    uneven: str | None
    corrected: list[SwatchView]


class MixView(TypedDict):
    """The colors between two in every space, ends included."""

    space: MixSpace
    colors: list[SwatchView]


class StatusColorView(SwatchView):
    """A proposed status color: what it was before, what is said of it, and whether it was held."""

    status: Status
    text: str
    before: SwatchView
    note: str
    convention: str
    held: bool


class StatusPairView(TypedDict):
    """The least distance of two status colors under a vision, before and after."""

    one: Status
    other: Status
    vision: str
    before: str
    after: str
    held_before: bool
    holds: bool


class StatusView(TypedDict):
    """Status colors proposed, and the distances of all pairs."""

    colors: list[StatusColorView]
    pairs: list[StatusPairView]
    threshold: str
    reached: bool
    sentence: str


class PictureView(TypedDict):
    """A picture of a system."""

    id: int
    name: str
    width: int
    height: int
    size: str
    person: str


class MainColorView(SwatchView):
    """A main color: its share of the picture, where it was found, and the color of the system that it nearly is."""

    text: str
    share: str
    x: int
    y: int
    near: "NearSystemView | None"


class NearSystemView(SwatchView):
    """A color of the system that another nearly is: its key, name, and the CIEDE2000 between."""

    key: str
    name: str
    distance: str


class SampleView(SwatchView):
    """A color taken from a picture, the 17 by 17 pixels around it row by row, and what of the system it nearly is."""

    text: str
    x: int
    y: int
    around: list[str]
    near: NearSystemView | None


class FittedView(TypedDict):
    """Ordered stops fitted to an area, from dark to light, and the curve that they stand for."""

    colors: list[SwatchView]
    largest: str
    curve: list[str]


class GalleryColorView(SwatchView):
    """A color of a gallery's set."""

    name: str


class GallerySetView(TypedDict):
    """A set of the gallery; `distance` is that of its nearest color to the one looked for."""

    id: int
    name: str
    words: str
    shipped: bool
    mine: bool
    colors: list[GalleryColorView]
    distance: str | None
