"""The shape of what the page paints. The API describes these, and the page's client is generated from them."""

from typing import Any, Literal

from typing_extensions import TypedDict

from heimat.core.color.contrast import Grade
from heimat.core.scales.anchors import AnchorMode
from heimat.core.scales.curves import CurveName
from heimat.core.scales.methods import MethodName
from heimat.core.system import Circle, HueKind, Status, Use

Ink = Literal["#000000", "#FFFFFF"]


class SwatchView(TypedDict):
    """A color: its published value, how it is seen under the vision chosen, and the ink that reads on it."""

    hex: str
    seen: str
    ink: Ink


class ContrastView(TypedDict):
    """A ratio, cut to two decimals, with its grade."""

    text: str
    grade: Grade


class ChangeOfQuantity(TypedDict):
    """What a derived hue does with one quantity of its parent."""

    how: Literal["kept", "shifted", "times", "set"]
    by: float


class FollowingView(TypedDict):
    """How a hue follows its parent: as the edit `follow_hue` takes it, in words, and what keeps it from following.

    For a tint, lightness and strength are set, and the hue is kept.
    """

    kind: Literal["tinted", "derived"]
    hue: str
    name: str
    circle: Circle
    lightness: ChangeOfQuantity
    strength: ChangeOfQuantity
    turn: ChangeOfQuantity
    alpha: ChangeOfQuantity
    words: str
    limits: list[str]


class PinView(SwatchView):
    """A step changed by hand, pinned or nudged: what would be generated there, and the CIEDE2000 between the two."""

    kind: Literal["pinned", "nudged"]
    step: str
    label: str
    generated: SwatchView
    distance: str


class NearView(TypedDict):
    """A color of the set that another comes near to, with the CIEDE2000 between them."""

    name: str
    distance: str
    same: bool


class CandidateView(SwatchView):
    """A color that waits beside the set, with the hue of the set that it comes nearest to."""

    id: str
    name: str
    text: str
    kind: HueKind
    status: Status | None
    note: str
    near: NearView | None


class StopsView(TypedDict):
    """Ordered stops of a picture's area, kept for charts."""

    id: str
    name: str
    colors: list[SwatchView]
    difference: str
    note: str


class NamedSelectionView(TypedDict):
    """A named selection: the keys of its steps, and how many of it are not there now."""

    id: str
    name: str
    note: str
    keys: list[str]
    missing: int


class StepView(SwatchView):
    """A step of a scale; `column` is the place on the system's ladder under which it stands."""

    key: str
    id: str
    label: str
    column: int
    contrast: ContrastView
    passes: bool
    anchor: bool
    pinned: bool
    nudged: Literal["plus", "minus"] | None
    hidden: bool
    changed: bool


class HueView(SwatchView):
    """A hue with its scale; `text` is its exact color in the notation asked for."""

    key: str
    id: str
    name: str
    text: str
    kind: HueKind
    status: Status | None
    note: str
    alpha: float
    on_white: str
    on_black: str
    follows: FollowingView | None
    followers: list[str]
    descendants: int
    pins: list[PinView]
    smooth: bool
    ladder: str | None
    method: MethodName
    own_method: bool
    own_curves: bool
    held: bool
    wide: bool | None
    twins: int
    anchor_mode: AnchorMode
    anchor_step: str | None
    tokens_on: int
    steps: list[StepView]


class LadderStepView(TypedDict):
    """A label of the ladder with the L* aimed at; hidden ones are not published, those between not counted.

    `uses` counts the tokens that stand on it, on any scale of this ladder and in any theme.
    """

    id: str
    label: str
    lightness: float
    hidden: bool
    between: bool
    uses: int


class LadderView(TypedDict):
    """A ladder, from light to dark."""

    name: str
    steps: list[LadderStepView]


class SpreadView(TypedDict):
    """Gaps between neighbours, from light to dark, and in words their smallest, largest and spread."""

    gaps: list[float]
    words: str


class StepFiguresView(TypedDict):
    """A step's L*, OKLCH chroma and hue, the chroma that the curves ask for, and the most that the gamut holds."""

    label: str
    lightness: float
    turn: float
    asked: float
    has: float
    most: float


class HandleView(TypedDict):
    """A handle of a curve: its reach, its place among the steps (0 is the first), its value and what that may be.

    `set` says whether somebody has put it there; one that is not follows the usual curve.
    """

    at: float
    place: float
    value: float
    low: float
    high: float
    set: bool
    words: str


class CurveView(TypedDict):
    """A curve over the steps in L*, OKLCH chroma or degrees of OKLCH hue, drawn between `low` and `high`.

    `line` and `edge` are places among the steps with values; `edge` is where the gamut ends, for chroma. `source` is
    the place of the hue's own color, with its value.
    """

    name: CurveName
    words: str
    low: float
    high: float
    line: list[list[float]]
    edge: list[list[float]]
    steps: list[float]
    handles: list[HandleView]
    source: list[float]


class EndsView(TypedDict):
    """Tapers and drifts at both ends; what is in force, and null where nobody has set it."""

    light_taper: float
    dark_taper: float
    light_drift: float
    dark_drift: float


class ComparedView(TypedDict):
    """The selected hue by one method, edge to edge, with what the method does in a sentence."""

    method: MethodName
    words: str
    sentence: str
    steps: list[SwatchView]
    falls: str


class ColumnMemberView(SwatchView):
    """A hue's step in a column, what it weighs as gray, and its L* and OKLCH chroma."""

    key: str
    hue: str
    label: str
    gray: str
    lightness: float
    chroma: float


class ColumnView(TypedDict):
    """The steps of all hues under one label of the ladder, and in words whether they weigh the same."""

    label: str
    members: list[ColumnMemberView]
    words: str


class WideStepView(TypedDict):
    """A step in display-p3, as CSS and as it is seen: `own` is false where sRGB holds all of it."""

    label: str
    text: str
    seen: str
    own: bool
    gain: float


class OpenedView(TypedDict):
    """The scale of the selected hue in all detail.

    `settings` is its method as the edit `set_method` takes it, and `all_settings` that of all scales; `figures` are the
    method's own numbers by step; `compared` is the same hue by all methods, where that is asked for. Curves are told
    the same way, and `drawn`.
    """

    hue: str
    name: str
    ladder: LadderView
    measures: list[str]
    lightness: SpreadView
    distance: SpreadView
    figures_of: list[StepFiguresView]
    column: ColumnView
    wide: list[WideStepView]
    curves: dict[str, Any]
    all_curves: dict[str, Any]
    drawn: list[CurveView]
    ends: EndsView
    settings: dict[str, Any]
    all_settings: dict[str, Any]
    figures: list[float] | None
    compared: list[ComparedView]


class PromiseView(TypedDict):
    """Any two steps `apart` positions apart reach `least`; `pair` names the tightest."""

    apart: int
    least: str
    aim: str
    kept: bool
    pair: str


class ValueView(TypedDict):
    """What a token stands for: a step of a hue, another token, or a color of its own (then all three are null)."""

    kind: Literal["step", "token", "literal"]
    hue: str | None
    step: str | None
    token: str | None


class TokenView(SwatchView):
    """A semantic token in the theme shown, with the chain of its aliases in words."""

    key: str
    id: str
    name: str
    note: str
    alpha: float
    value: ValueView
    chain: str
    changed: bool


class PairingView(TypedDict):
    """A declared pairing with what it reaches; `holds` is null for decoration."""

    id: str
    foreground: str
    ground: str
    use: Use
    needed: str | None
    contrast: ContrastView
    wide: str | None
    holds: bool | None


class DistanceView(TypedDict):
    """A distance under a vision; `below` is the interval of severity under the threshold, in words."""

    vision: str
    distance: str
    holds: bool


class PairView(TypedDict):
    """Two members of a told-apart set and their distances, typical vision first."""

    one: str
    other: str
    distances: list[DistanceView]


class ToldApartView(TypedDict):
    """A told-apart set with the distances of all its pairs."""

    id: str
    name: str
    threshold: str
    tokens: list[str]
    pairs: list[PairView]


class RepairView(SwatchView):
    """One way to settle a finding: words for the button, and the step that the token moves to."""

    words: str
    consequence: str
    token: str
    theme: str
    hue: str
    step: str


class FindingView(TypedDict):
    """One thing to settle. `as_seen` shows the two colors under the vision that merges them."""

    id: str
    kind: Literal["pairing", "told_apart", "translucent", "crowded", "order", "cap"]
    sentence: str
    detail: str
    select: str
    colors: list[SwatchView]
    as_seen: list[str] | None
    as_seen_by: str | None
    use: Use | None
    repairs: list[RepairView]


class NotationView(TypedDict):
    """A color written in one notation."""

    notation: str
    text: str


class GroundView(SwatchView):
    """A ground, and the contrast of the selected color on it."""

    name: str
    contrast: ContrastView


class RampView(TypedDict):
    """The colors along one quantity of the selection, the value itself, and its range.

    `reach` is the end of the gamut in the same unit; `passing` the intervals that reach 4.5 on the ground.
    """

    colors: list[str]
    value: float
    low: float
    high: float
    reach: float
    passing: list[list[float]]


class AimView(TypedDict):
    """L*, OKLCH chroma and hue in degrees that a hue is meant to have."""

    lightness: float
    chroma: float
    angle: float


class WideView(TypedDict):
    """A display-p3 value: as CSS, as it is seen, and its contrast on the slip's grounds, in their order."""

    text: str
    seen: str
    contrasts: list[ContrastView]


class SlipView(SwatchView):
    """Everything about the selected color. `aim` is what it would have if white, gray and the gamut allowed it."""

    key: str
    kind: Literal["hue", "step", "token"]
    name: str
    role: str
    why: str
    used_by: list[str]
    hue: str | None
    movable_hue: str | None
    movable_step: str | None
    pinned: bool
    nudged: bool
    notations: list[NotationView]
    grounds: list[GroundView]
    wide: WideView | None
    aim: AimView
    lightness: RampView
    chroma: RampView
    turn: RampView


class ThemeView(TypedDict):
    """A theme."""

    id: str
    name: str


class SystemView(TypedDict):
    """A system as a person sees it: everything that the page paints."""

    slug: str
    name: str
    revision: int
    scale_pattern: str
    latest: str | None
    changed: int
    undo: str | None
    redo: str | None
    vision: str
    severity: float
    ground: SwatchView
    ground_name: str
    theme: ThemeView | None
    themes: list[ThemeView]
    ladder: LadderView
    hues: list[HueView]
    candidates: list[CandidateView]
    stops: list[StopsView]
    colors: int
    cap: int | None
    selections: list[NamedSelectionView]
    confusable_status: int
    promises: list[PromiseView]
    tokens: list[TokenView]
    pairings: list[PairingView]
    told_apart: list[ToldApartView]
    findings: list[FindingView]
    opened: OpenedView | None
    slip: SlipView | None
