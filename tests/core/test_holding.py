"""Finished hues that are held, nudging several steps at once, and safe ranges."""

import ast

import numpy as np
import pytest

from heimat.core.document.hues import DerivedSource, StepRef
from heimat.core.edits import apply, apply_all
from heimat.core.edits.holding_edits import HoldHues
from heimat.core.edits.hue_edits import (
    DuplicateHue,
    MoveHue,
    PinStep,
    RemoveHue,
    RenameHue,
    SetAnchor,
    SetHueKind,
)
from heimat.core.edits.ladder_edits import SetLadder
from heimat.core.edits.scale_edits import (
    AimCurve,
    AimStep,
    NudgeSteps,
    SetCurves,
    SetMethod,
    SetWide,
)
from heimat.core.edits.source_edits import AimSource, SetSource
from heimat.core.errors import DomainError
from heimat.core.filling.turning import with_turned
from heimat.core.legibility.findings import finding_ids
from heimat.core.legibility.safe_range import safe_range
from heimat.core.resolve.resolved import resolve
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.curves import Curves
from heimat.core.scales.methods import Method
from heimat.local.install import ROOT
from heimat.view.safe_ranges import safe_ranges_view
from tests.systems import brinemark_in_one_theme as brinemark

SYSTEM = brinemark()
HELD = apply(SYSTEM, HoldHues(hues=("gorse", "shingle"), held=True))


def bytes_of(system, hue):
    return resolve(system).hues[hue].scale.rgb8.tobytes()


@pytest.mark.parametrize(
    "edit",
    [
        SetSource(hue="gorse", color="#FFCC00"),
        AimSource(hue="gorse", lightness=50.0, chroma=0.1, angle=80.0),
        SetAnchor(hue="gorse", anchor=Anchor(mode="guide")),
        PinStep(hue="gorse", step="s500", color="#123456"),
        AimStep(hue="gorse", step="s500", lightness=50.0, chroma=0.1, angle=80.0),
        SetCurves(hue="gorse", curves=Curves(dark_taper=1.0)),
        AimCurve(hues=("buoy", "gorse"), curve="hue", at=1.0, value=-5.0),
        SetMethod(hue="gorse", method=Method(name="mix")),
        SetHueKind(hue="gorse", kind="neutral"),
        SetWide(hue="gorse", wide=True),
        RemoveHue(hue="gorse"),
        # The neutral follows tidewater: what it stands on is held with it.
        AimSource(hue="tidewater", lightness=42.0, chroma=0.08, angle=150.0),
    ],
    ids=lambda edit: edit.type,
)
def test_nothing_changes_what_is_held(edit):
    with pytest.raises(DomainError) as refused:
        apply(HELD, edit)
    assert refused.value.code == "held"
    apply(apply(HELD, HoldHues(hues=("gorse", "shingle"), held=False)), edit)


@pytest.mark.parametrize(
    "edit",
    [
        SetLadder(ladder="long"),
        SetMethod(method=Method(name="hsl")),
        SetCurves(curves=Curves(light_taper=0.9)),
        AimCurve(curve="lightness", at=0.5, value=0.6),
    ],
    ids=lambda edit: edit.type,
)
def test_what_is_for_all_leaves_held_scales_as_they_are(edit):
    done = apply_all(HELD, [edit])
    assert bytes_of(done.system, "gorse") == bytes_of(SYSTEM, "gorse")
    assert bytes_of(done.system, "kelp") != bytes_of(SYSTEM, "kelp")
    assert "held stay" in done.sentence
    assert apply_all(done.system, [done.inverse]).system == HELD


def test_what_does_not_touch_the_scale_is_free():
    for edit in (
        RenameHue(hue="gorse", name="broom"),
        MoveHue(hue="gorse", before=None),
        DuplicateHue(hue="gorse"),
    ):
        assert bytes_of(apply(HELD, edit), "gorse") == bytes_of(SYSTEM, "gorse")


def test_several_steps_are_nudged_by_as_much_and_what_is_fixed_stays():
    steps = tuple(
        StepRef(hue=hue, step=step)
        for hue in ("tidewater", "buoy", "gorse")
        for step in ("s500", "s700")
    )
    once = apply_all(HELD, [NudgeSteps(steps=steps, lightness=2.0, chroma=-0.01, turn=5.0)])
    assert once.sentence == "Nudge 2 steps; 4 pinned, held or anchored stay"
    assert (
        set(once.system.hues["tidewater"].nudges)
        == set(once.system.hues["buoy"].nudges)
        == {"s700"}
    )
    twice = apply(once.system, NudgeSteps(steps=steps, lightness=1.0, turn=180.0))
    nudge = twice.hues["buoy"].nudges["s700"]
    assert (nudge.lightness, nudge.chroma, nudge.hue) == (3.0, -0.01, -175.0)
    back = apply(once.system, NudgeSteps(steps=steps, lightness=-2.0, chroma=0.01, turn=-5.0))
    assert back == HELD
    with pytest.raises(DomainError):
        apply(HELD, NudgeSteps(steps=(StepRef(hue="buoy", step="s500"),), lightness=1.0))


def range_of(system, make, start, step):
    """The safe range of an L* that an edit made of it moves, of nothing but that edit."""
    now = resolve(system)
    return safe_range(now, lambda at: resolve(apply(system, make(at))), start, (0.0, 100.0), step)


def test_a_label_that_turns_with_its_fill_ends_no_safe_range():
    """What is kept has the label that the rules choose for the fill that it then has."""
    now = resolve(SYSTEM)
    found = safe_ranges_view(SYSTEM, "hue:tidewater")["lightness"]
    for light in np.linspace(found["low"], found["high"], 9).tolist():
        made = apply(SYSTEM, AimSource(hue="tidewater", lightness=light, chroma=0.077, angle=195.0))
        kept = with_turned(now, resolve(made))
        assert not any("action-main-label" in key for key in finding_ids(kept) - finding_ids(now))
    assert "action.main.label" not in found["below"] + found["above"]


def test_within_a_safe_range_no_finding_changes_and_beyond_it_one_does():
    def make(light):
        return AimSource(hue="kelp", lightness=light, chroma=0.124, angle=148.0)

    start = 53.2
    now = finding_ids(resolve(apply(SYSTEM, make(start))))
    found = range_of(apply(SYSTEM, make(start)), make, start, 2.5)
    assert 0.0 < found.low.at < start < found.high.at < 100.0
    for share in (0.0, 0.2, 0.5, 0.8, 1.0):
        light = found.low.at + share * (found.high.at - found.low.at)
        assert finding_ids(resolve(apply(SYSTEM, make(light)))) == now
    for end, way in ((found.low, -1.0), (found.high, 1.0)):
        beyond = [end.at + way * part * 2.5 / 32 for part in range(1, 33)]
        assert any(finding_ids(resolve(apply(SYSTEM, make(light)))) != now for light in beyond)
        assert end.flips
        assert all("status.success" in words for words in end.flips)


@pytest.mark.parametrize(
    ("hue", "chroma", "angle", "start"), [("flare", 0.171, 16.0, 44.7), ("lamp", 0.153, 66.0, 64.3)]
)
def test_no_flip_lies_inside_a_safe_range(hue, chroma, angle, start):
    """Walked densely: findings that come and go within a small part of a step count too."""

    def make(light):
        return AimSource(hue=hue, lightness=light, chroma=chroma, angle=angle)

    now = finding_ids(resolve(apply(SYSTEM, make(start))))
    found = range_of(apply(SYSTEM, make(start)), make, start, 2.5)
    for light in np.linspace(found.low.at, found.high.at, 120).tolist():
        assert finding_ids(resolve(apply(SYSTEM, make(light)))) == now, light


def test_where_nothing_is_checked_everything_is_safe():
    bare = SYSTEM.model_copy(update={"pairings": {}, "told_apart": {}})

    def make(light):
        return AimSource(hue="kelp", lightness=light, chroma=0.1, angle=148.0)

    found = range_of(bare, make, 50.0, 5.0)
    assert (found.low.at, found.high.at, found.low.flips, found.high.flips) == (0.0, 100.0, (), ())


def test_what_an_edit_would_be_refused_for_ends_the_safe_range():
    """A held follower: what moves its parent too far is refused, and the range ends there, with the reason."""
    free, held = (safe_ranges_view(system, "hue:tidewater")["hue"] for system in (SYSTEM, HELD))
    assert free is not None
    assert held is not None
    assert held["high"] - held["low"] < 20.0 < free["high"] - free["low"]
    assert "shingle is held" in held["below"]
    assert "shingle is held" in held["above"]


def test_a_hue_that_may_not_get_lighter_has_safe_ranges_that_say_so():
    """What is looked at a little beside the present lightness may be refused too: that is no error."""
    follows = SYSTEM.hues["heather"].model_copy(update={"source": DerivedSource(hue="buoy")})
    system = SYSTEM.model_copy(update={"hues": {**SYSTEM.hues, "heather": follows}})
    held = apply(system, HoldHues(hues=("heather",), held=True))
    found = safe_ranges_view(held, "hue:buoy")["lightness"]
    assert found["high"] - found["low"] < 1.0
    assert "heather is held" in found["above"] + found["below"]


def test_only_apply_changes_a_document():
    """Whoever calls an edit's own `change` goes past what guards a document."""
    found = []
    for file in (ROOT / "src/heimat").rglob("*.py"):
        if "core/edits" in file.as_posix():
            continue
        for node in ast.walk(ast.parse(file.read_text())):
            if (
                isinstance(node, ast.Call)
                and isinstance(node.func, ast.Attribute)
                and node.func.attr == "change"
            ):
                found.append(f"{file.name}:{node.lineno}")
    assert found == []


def test_what_comes_and_goes_within_one_step_ends_a_range_where_it_comes():
    start = 67.0

    def make(light):
        return AimSource(
            hue="buoy", lightness=light, chroma=0.17488341989590941, angle=36.7575050633257
        )

    now = finding_ids(resolve(apply(SYSTEM, make(start))))
    found = range_of(apply(SYSTEM, make(start)), make, start, 2.5)
    assert found.low.at > 30.0
    assert finding_ids(resolve(apply(SYSTEM, make(found.low.at)))) == now
    beyond = [found.low.at - part * 2.5 / 64 for part in range(1, 33)]
    assert any(finding_ids(resolve(apply(SYSTEM, make(light)))) != now for light in beyond)
    assert finding_ids(resolve(apply(SYSTEM, make(found.low.at - 2.5)))) == now, (
        "by then it is gone again"
    )
