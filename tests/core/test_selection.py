"""What the slip tells: why a color is so, what stands on it, and the ramps through it."""

import numpy as np
import pytest
from coloraide.everything import ColorAll
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.color.contrast import AA_TEXT, ratio_of_luminances, relative_luminance
from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.ramps import CHROMA_END, SAMPLES, passing_lightness, ramps
from heimat.core.color.spaces import lightness, luminance_of, srgb_to_oklch
from heimat.core.edits import apply
from heimat.core.edits.hue_edits import SetAnchor
from heimat.core.edits.source_edits import AimSource, SetSource
from heimat.core.legibility.selected import find, neutral_ends
from heimat.core.resolve.resolved import resolve
from heimat.core.scales.anchors import Anchor
from tests.examples import examples
from tests.systems import brinemark_in_one_theme as brinemark

SYSTEM = brinemark()
RESOLVED = resolve(SYSTEM)


def why(key: str, system=SYSTEM) -> str:
    resolved = resolve(system)
    selected = find(resolved, resolved.theme(), key)
    assert selected is not None
    return selected.why


def test_why_an_anchor_is_so():
    assert why("step:tidewater/s600") == (
        "The hue’s own color, to the bit. Its lightness 41.8 is nearest to 600 (aimed at L* 41.4)."
    )
    chosen = apply(SYSTEM, SetAnchor(hue="tidewater", anchor=Anchor(mode="label", step="s600")))
    assert why("step:tidewater/s600", chosen).endswith("Its lightness 41.8 is chosen as its label.")


def test_why_a_generated_step_is_so():
    # The figures are those of the scale itself.
    scale = RESOLVED.hues["gorse"].scale
    moved = scale.lightness[3] - SYSTEM.ladder.steps[3].lightness
    assert f"moved {abs(moved):.1f} {'lighter' if moved > 0 else 'darker'} by the anchor" in why(
        "step:gorse/s400"
    )
    assert f"the curve asks for chroma {scale.chroma[3]:.3f}" in why("step:gorse/s400")
    assert "of drift" in why("step:gorse/s800")
    assert "the gamut leaves" in why("step:gorse/s800")
    assert "drift" not in why("step:sound/s800")


def test_why_a_pin_a_tint_and_a_gray_are_so():
    assert why("step:tidewater/s500").startswith(
        "Pinned at #2A8C82, to the bit; generated, it would aim at L* 52.7"
    )
    assert (
        why("hue:shingle") == "A gray of L* 52.5 with chroma 0.011 of tidewater, which it follows."
    )
    gray = apply(SYSTEM, SetSource(hue="heather", color="#777777"))
    _, chroma, hue = ColorAll("#8A6FA8").convert("oklch").coords()
    assert f"hue {hue:.0f}° and chroma {chroma:.3f} are remembered" in why("hue:heather", gray)


def test_what_stands_on_a_color():
    hue = find(RESOLVED, RESOLVED.theme(), "hue:tidewater")
    assert hue.used_by == ["9 steps and 7 tokens follow it"]
    step = find(RESOLVED, RESOLVED.theme(), "step:tidewater/s600")
    assert set(step.used_by) == {"link.text", "surface.brand", "action.main.fill", "chart.series.1"}
    token = find(RESOLVED, RESOLVED.theme(), "token:action-main-fill")
    assert token.used_by == ["surface.brand", "2 pairings"]
    assert (
        find(RESOLVED, RESOLVED.theme(), "token:surface-brand").why
        == "In day it is action.main.fill, tidewater 600."
    )


def test_what_can_be_moved():
    assert find(RESOLVED, RESOLVED.theme(), "hue:buoy").movable_hue == "buoy"
    assert find(RESOLVED, RESOLVED.theme(), "step:buoy/s500").movable_hue == "buoy"
    assert find(RESOLVED, RESOLVED.theme(), "step:buoy/s500").movable_step is None
    assert find(RESOLVED, RESOLVED.theme(), "step:buoy/s600").movable_step == "s600"
    assert find(RESOLVED, RESOLVED.theme(), "step:tidewater/s500").movable_hue is None
    assert find(RESOLVED, RESOLVED.theme(), "token:text-late").movable_hue is None


@pytest.mark.parametrize(
    "key",
    ["", "hue:", "hue:gone", "step:tidewater", "step:tidewater/s1", "token:gone", "x:y", "step:/"],
)
def test_what_is_not_there_is_no_selection(key):
    assert find(RESOLVED, RESOLVED.theme(), key) is None


def test_the_ends_of_the_neutral():
    assert [name for name, _ in neutral_ends(RESOLVED)] == ["shingle 50", "shingle 950"]


@examples(60)
# Below L* 1 eight bits hold no chroma, whatever the gamut allows.
@given(st.floats(1, 100), st.floats(0, 0.4), st.floats(0, 360), st.floats(0, 1))
def test_ramps_hold_what_they_say(light, chroma, hue, ground):
    found = ramps(light, chroma, hue, ground)
    for row in (found.lightness, found.chroma, found.hue):
        assert row.shape == (SAMPLES, 3)
        assert row.dtype == np.uint8
    rising = lightness(relative_luminance(found.lightness))
    assert (np.diff(rising) > -0.6).all()
    # Along chroma and hue the luminance stays; 8 bits move it a little.
    for row in (found.chroma, found.hue):
        assert np.ptp(relative_luminance(row)) < 0.012
    strongest = srgb_to_oklch(found.chroma / 255.0)[:, 1].max()
    assert strongest == pytest.approx(min(found.chroma_end, CHROMA_END), abs=0.012)


@given(st.floats(0, 1))
def test_passing_intervals_are_those_that_pass(ground):
    intervals = passing_lightness(ground)
    for light in np.linspace(0, 100, 101):
        reached = float(ratio_of_luminances(luminance_of(light), ground))
        inside = any(low <= light <= high for low, high in intervals)
        assert inside == (reached >= AA_TEXT) or abs(reached - AA_TEXT) < 1e-6


def test_moving_and_moving_back_jumps_nowhere():
    """Each way through the gamut and back: what was meant is kept, so nothing is lost on the way."""
    strong = apply(SYSTEM, AimSource(hue="sound", lightness=45.0, chroma=0.13, angle=255.0))
    for detour in (100.0, 0.0, 97.0, 3.0):
        away = apply(strong, AimSource(hue="sound", lightness=detour, chroma=0.13, angle=255.0))
        recall = away.hues["sound"].recall
        assert (recall.chroma, recall.hue) == (0.13, 255.0)
        back = apply(
            away, AimSource(hue="sound", lightness=45.0, chroma=recall.chroma, angle=recall.hue)
        )
        assert back.hues["sound"].source == strong.hues["sound"].source


def test_what_was_given_stays_on_record_when_the_hue_is_moved_and_typed_anew():
    moved = apply(SYSTEM, AimSource(hue="tidewater", lightness=52.0, chroma=0.09, angle=190.0))
    color = moved.hues["tidewater"].source.color
    assert (
        f"Moved by hand to {'#' + bytes(rgb8_of(color)).hex().upper()}. First given as #0B6E6E."
        in why("hue:tidewater", moved)
    )
    typed = apply(moved, SetSource(hue="tidewater", color="#0B6E8E"))
    assert "Given as #0B6E8E, kept exactly. First given as #0B6E6E." in why("hue:tidewater", typed)
    back = apply(typed, SetSource(hue="tidewater", color="#0B6E6E"))
    assert "Given as #0B6E6E, kept exactly." in why("hue:tidewater", back)
    assert "First given" not in why("hue:tidewater", back)
    assert back.hues["tidewater"].source == SYSTEM.hues["tidewater"].source
