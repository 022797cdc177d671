"""Curves with handles: what holds for any source, ladder and handles, and what an edit makes of what is shown."""

import numpy as np
import pytest
from hypothesis import example, given
from hypothesis import strategies as st
from pydantic import ValidationError

from heimat.core.color.color_text import parse
from heimat.core.color.contrast import relative_luminance
from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.gamut import solve
from heimat.core.color.spaces import lightness, luminance_of, srgb_to_oklch
from heimat.core.document.system import curves_of
from heimat.core.document.upgrades import read_document
from heimat.core.edits import apply, apply_all
from heimat.core.edits.scale_edits import AimCurve, SetCurves
from heimat.core.errors import DomainError
from heimat.core.hues.scaling import scales_of
from heimat.core.resolve.resolved import resolve
from heimat.core.scales import ScaleRequest, generate
from heimat.core.scales.curve_drawing import PLACES, drawn
from heimat.core.scales.curves import CURVES, Curves, at_reach, reach
from heimat.core.scales.handles import Handle, put, through
from heimat.core.scales.ladder import USUAL
from heimat.core.scales.methods import METHODS, Method
from heimat.demo.demo_systems import brinemark
from tests.core.strategies import colors, ladders
from tests.examples import examples

SYSTEM = brinemark()


@st.composite
def any_curves(draw):
    """Curves with handles anywhere between their limits, put one after another as a person would."""
    curves = Curves()
    for name in CURVES:
        for at in draw(
            st.lists(st.sampled_from([-1.0, -0.75, -0.5, -0.2, 0.3, 0.5, 0.8, 1.0]), max_size=4)
        ):
            low, high = curves.limits(name, at)
            share = draw(st.floats(0.0, 1.0))
            curves = curves.with_handle(name, at, low + share * (high - low))
    return Curves.model_validate(curves.model_dump())


@examples(300)
@given(colors, ladders, any_curves(), st.sampled_from(METHODS))
def test_any_curves_keep_order_source_and_gamut(source, ladder, curves, name):
    request = ScaleRequest(source, ladder.lightness(), curves=curves, method=Method(name=name))
    scale, again = generate([request, request])
    assert (scale.rgb8[scale.anchor] == rgb8_of(source)).all()
    assert (np.diff(scale.lightness) < 0.0).all()
    # 8 bits do not tell colors of different hue apart where hardly any lightness is between them.
    told = -np.diff(scale.lightness) >= 0.5
    assert (np.diff(lightness(relative_luminance(scale.rgb8)))[told] < 0.0).all()
    assert scale.rgb8.tobytes() == again.rgb8.tobytes()


@examples(200)
@given(st.lists(st.floats(-5.0, 5.0), min_size=2, max_size=8), st.booleans())
@example([0.0, -2.2e-311, -1.0], False)
@example([0.0, 5e-324, 1e-323, 1.0], False)
def test_a_curve_passes_through_its_points_and_never_beyond_their_range(values, sort):
    y = np.array(sorted(values) if sort else values)
    x = np.linspace(-1.0, 1.0, len(y)) ** 3
    between = np.linspace(-1.2, 1.2, 400)
    curve = through(x, y, between)
    assert through(x, y, x) == pytest.approx(y)
    assert curve.min() >= y.min() - 1e-9
    assert curve.max() <= y.max() + 1e-9
    if sort:
        assert (np.diff(curve) >= -1e-9).all()


def test_a_handle_has_the_value_that_it_is_given():
    source = parse("#DFAF3A")
    curves = Curves(
        lightness=(Handle(at=0.5, value=0.62),),
        chroma=(Handle(at=0.5, value=1.2),),
        hue=(Handle(at=-0.5, value=14.0),),
    )
    ends = curves.ends((-29.0, 0.0), neutral=False, colored=False)
    assert curves.moved(np.array([0.5, 0.0, 1.0, -0.7])) == pytest.approx([0.62, 0.0, 1.0, -0.7])
    assert curves.shares(ends, np.array([0.5, 0.0]))[0] == pytest.approx(1.2)
    assert curves.turns(ends, np.array([-0.5]))[0] == pytest.approx(14.0)
    # Beyond its neighbors a handle changes nothing, and the source and the ends stay.
    usual = Curves().shares(ends, np.array([-0.9, -0.3, 0.0, 1.0]))
    assert curves.shares(ends, np.array([-0.9, -0.3, 0.0, 1.0])) == pytest.approx(usual)
    scale = generate([ScaleRequest(source, USUAL.lightness(), curves=curves)])[0]
    assert at_reach(
        reach(scale.lightness, scale.source_lightness), scale.source_lightness
    ) == pytest.approx(scale.lightness)


def test_handles_that_cannot_be_are_refused():
    for wrong in (
        {"lightness": [{"at": 0.5, "value": 0.05}]},
        {"lightness": [{"at": 0.3, "value": 0.5}, {"at": 0.5, "value": 0.51}]},
        {"lightness": [{"at": 1.0, "value": 1.2}]},
        {"chroma": [{"at": 1.0, "value": 0.5}]},
        {"chroma": [{"at": 0.5, "value": 1.6}]},
        {"hue": [{"at": 0.0, "value": 5.0}]},
        {"hue": [{"at": 0.5, "value": 5.0}, {"at": -0.5, "value": 5.0}]},
    ):
        with pytest.raises(ValidationError):
            Curves.model_validate(wrong)
    with pytest.raises(DomainError) as refused:
        apply(SYSTEM, AimCurve(curve="chroma", at=0.5, value=2.0))
    assert refused.value.field == "value"
    assert "1.50" in str(refused.value)
    with pytest.raises(DomainError):
        apply(SYSTEM, AimCurve(curve="hue", at=0.0, value=2.0))
    # What is kept can be read again: neither beside the source nor beyond the number of handles can one be put.
    crowded = SYSTEM
    for place in range(12):
        crowded = apply(crowded, AimCurve(curve="hue", at=-0.95 + 0.05 * place, value=1.0))
    for system, at in ((SYSTEM, 0.01), (crowded, 0.5)):
        with pytest.raises(DomainError) as refused:
            apply(system, AimCurve(curve="hue", at=at, value=1.0))
        assert refused.value.field == "at"
    assert read_document(crowded.model_dump(mode="json")) == crowded


@pytest.mark.parametrize("name", CURVES)
@pytest.mark.parametrize("method", METHODS)
def test_what_is_drawn_is_what_a_step_is_asked_for(name, method):
    curves = (
        Curves()
        .with_handle("lightness", 0.5, 0.6)
        .with_handle("chroma", -0.5, 0.9)
        .with_handle("hue", 0.5, 9.0)
    )
    source = parse("#DFAF3A")
    request = ScaleRequest(
        source, USUAL.lightness(), anchor="guide", curves=curves, method=Method(name=method)
    )
    scale = generate([request])[0]
    line = drawn(scale, curves)[name].line
    asked = {"lightness": scale.lightness, "chroma": scale.chroma, "hue": scale.hue}[name]
    at_steps = np.interp(np.arange(len(asked)), line[:, 0], line[:, 1])
    turned = (at_steps - asked + 180.0) % 360.0 - 180.0 if name == "hue" else at_steps - asked
    assert turned == pytest.approx(np.zeros(len(asked)), abs=1e-6)


def test_the_gamut_ends_where_the_edge_is_drawn():
    scale = generate([ScaleRequest(parse("#DFAF3A"), USUAL.lightness())])[0]
    chroma = drawn(scale, Curves())["chroma"]
    most = np.interp(np.arange(9), chroma.possible[:, 0], chroma.possible[:, 2])
    has = srgb_to_oklch(scale.rgb8 / 255.0)[:, 1]
    cut = scale.chroma > most + 0.01
    assert cut.any()
    assert not cut.all()
    assert np.abs(has - most)[cut].max() < 0.01, "where more is asked for, a step has what there is"


@pytest.mark.parametrize("color", ["#0B6E6E", "#DFAF3A", "#3B33E0", "#C0405A"])
def test_what_is_drawn_as_possible_is_in_the_gamut_and_what_lies_beyond_is_not(color):
    scale = generate([ScaleRequest(parse(color), USUAL.lightness())])[0]
    curves = drawn(scale, Curves())
    lines = {name: np.interp(np.arange(9), *curve.line.T) for name, curve in curves.items()}
    strong = lines["chroma"] > 0.02
    for name, least, most in (("lightness", 0.0, 100.0), ("hue", -np.inf, np.inf)):
        place, low, high = curves[name].possible.T
        assert (low <= high).all()
        for step in place[strong].astype(int):
            for end, away in ((low[step], -1.0), (high[step], 1.0)):
                # A grid of 2.5 L* and 5 degrees is drawn with straight lines between.
                slack = 2.5 if name == "lightness" else 5.0
                if high[step] > low[step]:
                    assert _lost(lines, step, name, end - away * slack) < 0.006
                reached = least < end < most and abs(end - lines[name][step]) < 89.0
                if reached and high[step] > low[step]:
                    assert _lost(lines, step, name, end + away * slack) > 0.0


def _lost(lines, step, name, value):
    """The chroma that the gamut cuts from a step, one of whose quantities is another value."""
    light, chroma, hue = (
        value if each == name else lines[each][step] for each in ("lightness", "chroma", "hue")
    )
    return chroma - srgb_to_oklch(solve(luminance_of(light), chroma, hue))[1]


def test_a_handle_put_at_what_is_shown_is_shown_there():
    for name, value in (("lightness", 30.0), ("chroma", 0.13), ("hue", 66.0)):
        changed = apply(
            SYSTEM, AimCurve(shown="gorse", hues=("gorse",), curve=name, at=0.5, value=value)
        )
        scale = resolve(changed).hues["gorse"].scale
        handle = next(
            each
            for each in drawn(scale, changed.hues["gorse"].curves)[name].handles
            if each.at == 0.5
        )
        assert handle.value == pytest.approx(value, abs=1e-3)
        assert handle.set
        assert (
            resolve(changed).hues["buoy"].scale.rgb8.tobytes()
            == resolve(SYSTEM).hues["buoy"].scale.rgb8.tobytes()
        )
        back = apply(changed, AimCurve(hues=("gorse",), curve=name, at=0.5, value=None))
        assert (
            resolve(back).hues["gorse"].scale.rgb8.tobytes()
            == resolve(SYSTEM).hues["gorse"].scale.rgb8.tobytes()
        )


def test_one_handle_for_several_hues_keeps_what_each_has():
    own = apply(SYSTEM, SetCurves(hue="buoy", curves=Curves(dark_drift=-20.0)))
    done = apply_all(
        own, [AimCurve(shown="gorse", hues=("gorse", "buoy"), curve="chroma", at=-1.0, value=0.06)]
    )
    gorse, buoy = done.system.hues["gorse"].curves, done.system.hues["buoy"].curves
    assert gorse.light_taper == buoy.light_taper
    assert buoy.dark_drift == -20.0
    assert done.sentence == "Chroma of gorse and 1 more at the light end"
    assert apply_all(done.system, [done.inverse]).system == own


def test_handles_of_a_gray_and_beside_the_source():
    gray = generate([ScaleRequest(parse("#808080"), USUAL.lightness())])[0]
    assert drawn(gray, Curves())["chroma"].handles == drawn(gray, Curves())["hue"].handles == []
    assert [handle.at for handle in drawn(gray, Curves())["lightness"].handles] == list(PLACES)
    white = generate([ScaleRequest(parse("#FFFDF8"), USUAL.lightness())])[0]
    assert all(handle.at > 0.0 for handle in drawn(white, Curves())["lightness"].handles)
    assert put(put((), 0.5, 0.4), 0.5, None) == ()


def test_a_handle_at_its_own_end_takes_the_figure_that_is_shown_there():
    """Ends are told with a few decimals, and rounded up they still are the end."""
    for hue in SYSTEM.hues:
        (scale,) = scales_of(SYSTEM, [SYSTEM.hues[hue]])
        for name, curve in drawn(scale, curves_of(SYSTEM, SYSTEM.hues[hue])).items():
            for handle in curve.handles:
                for end in (handle.low, handle.high):
                    places = {"lightness": 2, "chroma": 4, "hue": 2}[name]
                    apply(
                        SYSTEM,
                        AimCurve(
                            shown=hue,
                            hues=(hue,),
                            curve=name,
                            at=handle.at,
                            value=round(end, places),
                        ),
                    )
