"""Lines of a list that are the steps of a scale, as one hue: those steps pinned under those labels."""

from collections.abc import Sequence
from dataclasses import dataclass

from heimat.core.color.exact_color import Color, oklch_of
from heimat.core.document.hues import HueKind
from heimat.core.document.ids import new_id
from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem, ladder_of
from heimat.core.edits import UserEdit, apply, apply_all
from heimat.core.edits.hue_edits import AddHues, NewHue, PinStep, SetAnchor
from heimat.core.edits.ladder_edits import SetHueLadder
from heimat.core.filling.start import start_system
from heimat.core.importing.imported_scales import ReadStep, find_scales, kind_of
from heimat.core.importing.sheet import DEFAULT, Sheet, SheetToken
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.shaping import ShapedLadder, ShapedStep
from heimat.core.sources.conventions import Status

_MIDDLE = "500"
"""The label of the hue's own color, wherever there is such a step."""


@dataclass(frozen=True)
class GivenScale:
    """A scale that was given as lines: the hue's name and kind, its steps from light to dark, and which of them is the
    hue's own color; `lines` are the places of its lines, in the order of the steps."""

    name: str
    kind: HueKind
    status: Status | None
    steps: tuple[ReadStep, ...]
    own: int
    lines: tuple[int, ...]


def given_scales(lines: Sequence[tuple[str, Color]]) -> list[GivenScale]:
    """The scales among lines of a name and an opaque color each: names that end in a number, along which lightness
    falls or rises. All others are left out."""
    tokens = [SheetToken(name, {DEFAULT: color}) for name, color in lines]
    places = {id(token): place for place, token in enumerate(tokens)}
    found: list[GivenScale] = []
    for scale in find_scales(Sheet("list", (), tuple(tokens)), []):
        kind, status = kind_of(scale)
        labels = [step.label for step in scale.steps]
        strongest = max(range(len(labels)), key=lambda at: oklch_of(scale.steps[at].color)[1])
        own = labels.index(_MIDDLE) if _MIDDLE in labels else strongest
        taken = tuple(places[id(step.token)] for step in scale.steps)
        found.append(GivenScale(scale.name, kind, status, scale.steps, own, taken))
    return found


def edits_for(scale: GivenScale, system: ColorSystem) -> list[UserEdit]:
    """What adds a scale to a system: a hue with its own color at its label, all other steps pinned.

    On the system's own ladder where that has all of its labels, the gaps being generated; else on a ladder of its own.
    """
    new = NewHue(
        id=new_id(),
        name=scale.name,
        kind=scale.kind,
        status=scale.status,
        color=scale.steps[scale.own].color,
        note="given as a scale",
    )
    adding = AddHues(hues=(new,), nearest=True)
    return [adding, *_shaping(scale, apply(system, adding), new.id)]


def _shaping(scale: GivenScale, system: ColorSystem, hue: str) -> list[UserEdit]:
    """What gives a hue, which has the scale's own color, its steps."""
    own = scale.steps[scale.own]
    edits: list[UserEdit] = []
    if not {step.label for step in scale.steps} <= {step.label for step in system.ladder.steps}:
        shaped = ShapedLadder(
            steps=tuple(
                ShapedStep(label=step.label, lightness=step.lightness) for step in scale.steps
            )
        )
        edits.append(SetHueLadder(hue=hue, ladder=shaped))
    made = apply_all(system, edits).system if edits else system
    ids = {step.label: step.id for step in ladder_of(made, made.hues[hue]).steps}
    edits.append(SetAnchor(hue=hue, anchor=Anchor(mode="label", step=ids[own.label])))
    edits += [
        PinStep(hue=hue, step=ids[step.label], color=step.color)
        for step in scale.steps
        if step is not own
    ]
    return edits


def started(name: str, lines: Sequence[tuple[str, Color]]) -> ColorSystem:
    """A whole system from lines of names and colors, as `start_system` makes it; what is given as a scale is one hue
    with those steps. Raises DomainError as that does."""
    scales = given_scales(lines)
    of_scales = {place: scale for scale in scales for place in scale.lines}
    first = {min(scale.lines): scale for scale in scales}
    colors: list[tuple[str, Color]] = []
    hues: list[tuple[int, GivenScale]] = []
    for place, line in enumerate(lines):
        if place in first:
            hues.append((len(colors), first[place]))
            colors.append((first[place].name, first[place].steps[first[place].own].color))
        elif place not in of_scales:
            colors.append(line)
    system = start_system(name, colors)
    ids = [hue.id for hue in in_order(system.hues)]
    for at, scale in hues:
        for edit in _shaping(scale, system, ids[at]):
            system = apply(system, edit)
    return system
