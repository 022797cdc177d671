"""A scale in all detail: what is drawn and said of it, against what is published."""

from itertools import combinations

import numpy as np
import pytest

from heimat.core.color.color_text import parse
from heimat.core.color.contrast import ratio, relative_luminance
from heimat.core.color.exact_color import oklch_of
from heimat.core.color.gamut import in_gamut
from heimat.core.color.spaces import lightness, p3_to_srgb, srgb_to_oklch
from heimat.core.color.wide import p3_luminance
from heimat.core.document.order import in_order
from heimat.core.edits import apply, apply_all
from heimat.core.edits.hue_edits import PinStep, SetAnchor
from heimat.core.edits.scale_edits import AimCurve, SetMethod, SetWide
from heimat.core.edits.source_edits import SetSource
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.methods import METHODS, Method
from heimat.core.scales.methods.contrast_targets import ContrastTargets
from heimat.core.scales.methods.settings import Typed
from heimat.core.scales.methods.white_and_black import WhiteBlack
from heimat.demo.demo_systems import brinemark
from tests.looking import look_at, steps_of

SYSTEM = brinemark()
BEYOND = apply(SYSTEM, SetSource(hue="tidewater", color="color(display-p3 0 0.46 0.45)"))


def whole(system=SYSTEM, select="hue:buoy", **options):
    return look_at(system, select=select, **options)


def published(view, hue):
    return np.array([list(bytes.fromhex(step["hex"][1:])) for step in steps_of(view, hue)])


def drawn(detail, name):
    return next(curve for curve in detail["drawn"] if curve["name"] == name)


@pytest.mark.parametrize("hue", ["buoy", "gorse", "shingle", "sound"])
def test_curves_are_drawn_through_the_steps_and_the_figures_are_of_what_is_published(hue):
    shaped = apply_all(
        SYSTEM,
        [
            AimCurve(shown=None, hues=None, curve="lightness", at=-0.5, value=0.58),
            AimCurve(shown=None, hues=None, curve="hue", at=0.5, value=9.0),
        ],
    ).system
    view = whole(shaped, f"hue:{hue}")
    detail, rgb8 = view["scale_detail"], published(view, hue)
    light, lch = lightness(relative_luminance(rgb8)), srgb_to_oklch(rgb8 / 255.0)
    for place, step in enumerate(detail["figures_of"]):
        assert step["lightness"] == pytest.approx(light[place], abs=0.006)
        assert step["has"] == pytest.approx(lch[place, 1], abs=1e-4)
        assert step["has"] <= step["most"] + 0.006, (
            "but for what an 8-bit level is worth, nothing is beyond the gamut"
        )
    falls = [round(float(fall), 2) for fall in -np.diff(light)]
    assert detail["lightness"]["gaps"] == pytest.approx(falls, abs=0.011)
    for name in ("lightness", "chroma", "hue"):
        curve = drawn(detail, name)
        line = np.array(curve["line"])
        at_steps = np.interp(np.arange(len(rgb8)), line[:, 0], line[:, 1])
        # A curve runs through what is asked of each step; in between it is drawn, not made.
        assert at_steps == pytest.approx(
            np.array(curve["steps"]), abs={"chroma": 2e-4}.get(name, 0.02)
        )
        for handle in curve["handles"]:
            on_line = np.interp(handle["place"], line[:, 0], line[:, 1])
            assert handle["value"] == pytest.approx(on_line, abs={"chroma": 0.004}.get(name, 1.0))
            assert handle["low"] - 1e-6 <= handle["value"] <= handle["high"] + 1e-6
            assert curve["low"] <= handle["value"] <= curve["high"]
    moved = {
        handle["at"]
        for name in ("lightness", "hue")
        for handle in drawn(detail, name)["handles"]
        if handle["set"]
    }
    assert moved <= {-0.5, 0.5}


def test_all_methods_are_compared_by_what_they_would_publish():
    compared = {each["method"]: each for each in whole()["methods"]}
    assert list(compared) == list(METHODS)
    for name in METHODS:
        kept = whole(apply(SYSTEM, SetMethod(hue="buoy", method=Method(name=name))))
        assert [step["hex"] for step in compared[name]["steps"]] == [
            step["hex"] for step in steps_of(kept, "buoy")
        ]
    first = whole(select=None)["slip"]["key"]
    assert first == f"hue:{next(iter(in_order(SYSTEM.hues))).id}", (
        "where nothing is selected, the first hue is"
    )
    assert whole(select=None)["methods"] == whole(select=first)["methods"]


def least(view, apart):
    """The smallest contrast of steps so many labels apart, by brute force, over scales on the system's ladder."""
    count = len(view["ladder"]["steps"])
    steps = [
        (place, list(bytes.fromhex(step["hex"][1:])))
        for scale in view["scales"]
        if len(scale["steps"]) == count
        for place, step in enumerate(scale["steps"])
    ]
    return min(
        float(ratio(a, b)) for (i, a), (j, b) in combinations(steps, 2) if abs(i - j) >= apart
    )


def test_what_a_fixed_label_costs_the_promises_is_said():
    free = whole(apply(SYSTEM, SetAnchor(hue="lamp", anchor=Anchor())), "hue:lamp")
    fixed = whole(
        apply(SYSTEM, SetAnchor(hue="lamp", anchor=Anchor(mode="label", step="s600"))), "hue:lamp"
    )
    told = [
        words for words in fixed["scale_detail"]["measures"] if words.startswith("At this label")
    ]
    lost = [
        (now, then)
        for now, then in zip(fixed["promises"], free["promises"], strict=True)
        if now != then
    ]
    assert told
    assert len(told) == sum(
        (now["apart"], now["kept"]) != (then["apart"], then["kept"]) for now, then in lost
    )
    for promise in (*fixed["promises"], *free["promises"]):
        view = fixed if promise in fixed["promises"] else free
        assert float(promise["least"]) <= least(view, promise["apart"])
    same = whole(
        apply(SYSTEM, SetAnchor(hue="kelp", anchor=Anchor(mode="label", step="s500"))), "hue:kelp"
    )
    assert any(
        "costs no promise" in words or words.startswith("At this")
        for words in same["scale_detail"]["measures"]
    )
    assert not any("promise" in words for words in free["scale_detail"]["measures"])


def p3_of(row):
    return np.array(
        [float(part) for part in row["text"].removeprefix("color(display-p3 ").rstrip(")").split()]
    )


def test_both_values_are_shown_where_a_scale_goes_beyond_srgb():
    view = whole(BEYOND, "step:tidewater/s600")
    rows = view["scale_detail"]["wide"]
    rgb8 = published(view, "tidewater")
    assert len(rows) == len(rgb8)
    assert any(row["own"] for row in rows)
    assert not all(row["own"] for row in rows)
    for row, srgb8 in zip(rows, rgb8, strict=True):
        srgb = p3_to_srgb(p3_of(row))
        gain = float(srgb_to_oklch(srgb)[1] - srgb_to_oklch(srgb8 / 255.0)[1])
        assert row["seen"] == row["text"], "with typical vision, the page paints the value itself"
        if row["own"]:
            assert not in_gamut(srgb)
            assert row["gain"] == pytest.approx(gain, abs=2e-4)
        else:
            assert (row["gain"], np.abs(srgb * 255.0 - srgb8).max() < 0.05) == (0.0, True)
    slip = view["slip"]["wide"]
    assert slip["text"] == rows[5]["text"]
    blind = whole(BEYOND, "step:tidewater/s600", vision="achromat")
    assert all(row["seen"].startswith("#") for row in blind["scale_detail"]["wide"])
    assert whole()["scale_detail"]["wide"] == []
    assert (
        whole(apply(BEYOND, SetWide(hue="tidewater", wide=False)), "hue:tidewater")["scale_detail"][
            "wide"
        ]
        == []
    )


def test_a_pin_beyond_display_p3_is_held_by_it_at_the_luminance_of_its_step():
    pin = "color(rec2020 0 0.9 0.2)"
    view = whole(apply(SYSTEM, PinStep(hue="kelp", step="s400", color=pin)), "step:kelp/s400")
    row, rgb8 = view["scale_detail"]["wide"][3], published(view, "kelp")[3]
    assert row["own"]
    p3 = p3_of(row)
    assert min(p3.min(), 1.0 - p3.max()) == pytest.approx(0.0, abs=2e-4), (
        "it stands at the edge of the gamut"
    )
    assert float(p3_luminance(p3)) == pytest.approx(float(relative_luminance(rgb8)), abs=2e-4)
    turn = float(srgb_to_oklch(p3_to_srgb(p3))[2] - oklch_of(parse(pin))[2])
    assert abs((turn + 180.0) % 360.0 - 180.0) < 0.5


def reached(source, ground, typed, *more, hue="buoy"):
    """What is told of the steps of a hue with such a source, for which contrasts were typed."""
    own = ContrastTargets(
        ground=parse(ground), targets=tuple(Typed(step=step, value=each) for step, each in typed)
    )
    edits = [
        SetMethod(hue=hue, method=Method(name="contrast", contrast=own)),
        SetSource(hue=hue, color=source),
        *more,
    ]
    system = apply_all(SYSTEM, edits).system
    detail = whole(system, f"hue:{hue}")["scale_detail"]
    return {
        f"s{step['label']}": found
        for step, found in zip(detail["ladder"]["steps"], detail["reached"], strict=True)
    }


def test_a_typed_contrast_that_is_not_published_says_the_true_reason():
    """Too near to the hue's own color, beyond it, and more than was typed."""
    near = reached("#8D5230", "#0B1212", [("s700", 3.0), ("s800", 1.5)])["s700"]
    assert near["short"] == "it is too near to buoy itself, at 600 with 3.04"
    at_800 = SetAnchor(hue="buoy", anchor=Anchor(mode="label", step="s800"))
    beyond = reached("#8D5230", "#FFFFFF", [("s700", 8.0)], at_800)["s700"]
    assert beyond["short"] == "it lies on its side of buoy itself, at 800 with 6.20"
    over = reached("#DF5A33", "#FFFFFF", [("s500", 3.2)])["s500"]
    assert over == {"text": "3.71", "short": None, "over": "buoy itself stands there"}


@pytest.mark.parametrize("space", ["srgb", "linear", "oklab"])
def test_what_a_mix_does_to_the_hue_is_said_with_the_figure_and_gone_where_it_is_held(space):
    def said(hold):
        method = Method(name="mix", mix=WhiteBlack(space=space, hold_hue=hold))
        system = apply(SYSTEM, SetMethod(hue="sound", method=method))
        view = whole(system, "hue:sound")
        lch = srgb_to_oklch(published(view, "sound") / 255.0)
        own = oklch_of(SYSTEM.hues["sound"].source.color)
        turns = np.abs((lch[:, 2] - own[2] + 180.0) % 360.0 - 180.0)[lch[:, 1] > 0.03]
        words = [each for each in view["scale_detail"]["measures"] if "turns the hue" in each]
        return words, float(turns.max())

    words, turned = said(False)
    assert turned > 1.0
    assert f"by up to {turned:.1f}°" in words[0]
    assert said(True)[0] == []
