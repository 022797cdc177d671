"""Whatever is accepted as a color can be worked with everywhere; what no eye can see is refused in words."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.color.color_text import STRONGEST_CHROMA, parse
from heimat.core.color.exact_color import Color, oklch_of, rgb8_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.document.hues import GivenSource
from heimat.core.document.system import ColorSystem, curves_of
from heimat.core.edits import apply
from heimat.core.edits.scale_edits import AimCurve
from heimat.core.edits.source_edits import AimSource, SetSource
from heimat.core.errors import DomainError
from heimat.core.hues.scaling import scales_of
from heimat.core.resolve.resolved import resolve
from heimat.core.scales.curve_drawing import drawn
from heimat.demo.demo_systems import merrow_light
from heimat.view.safe_ranges import safe_handle_view, safe_ranges_view
from tests.examples import examples, is_long
from tests.looking import look_at

HUE = next(iter(merrow_light().hues))


def number(low: float, high: float) -> st.SearchStrategy[str]:
    return st.floats(low, high, allow_nan=False).map(lambda value: f"{value:.6g}")


def three(form: str, *ranges: tuple[float, float]) -> st.SearchStrategy[str]:
    return st.tuples(*(number(*ends) for ends in ranges)).map(lambda parts: form.format(*parts))


TYPED = st.one_of(
    three("oklch({} {} {})", (-0.5, 1.5), (-0.2, 0.9), (-720.0, 720.0)),
    three("lch({} {} {})", (-20.0, 140.0), (-20.0, 320.0), (-720.0, 720.0)),
    three("oklab({} {} {})", (-1.0, 2.0), (-0.7, 0.7), (-0.7, 0.7)),
    three("lab({} {} {})", (-20.0, 140.0), (-300.0, 300.0), (-300.0, 300.0)),
    three("color(xyz-d65 {} {} {})", (-0.5, 1.5), (-0.5, 1.5), (-0.5, 1.5)),
    three("color(rec2020 {} {} {})", (-0.5, 1.5), (-0.5, 1.5), (-0.5, 1.5)),
    three("color(prophoto-rgb {} {} {})", (-0.5, 1.5), (-0.5, 1.5), (-0.5, 1.5)),
    three("color(display-p3 {} {} {})", (-1.0, 2.0), (-1.0, 2.0), (-1.0, 2.0)),
    three("hsl({} {}% {}%)", (-720.0, 720.0), (-50.0, 150.0), (-50.0, 150.0)),
)


def worked_with(system: ColorSystem) -> None:
    """Everything is shown, every control says how far it may go, and every handle takes what it offers."""
    look_at(system)
    steps = resolve(system).hues[HUE].steps
    for key in (f"hue:{HUE}", f"step:{HUE}/{steps[0].id}", f"step:{HUE}/{steps[-1].id}"):
        safe_ranges_view(system, key)
    hue = system.hues[HUE]
    scale = scales_of(system, [hue])[0]
    for name, curve in drawn(scale, curves_of(system, hue)).items():
        # The first of the handles and some more; all of them where there is time.
        for handle in curve.handles if is_long() else curve.handles[::4]:
            for value in (handle.low, handle.high):
                edit = AimCurve(shown=HUE, hues=(HUE,), curve=name, at=handle.at, value=value)
                assert resolve(apply(system, edit)).steps.rgb8.size
        if curve.handles:
            at = curve.handles[0].at
            safe_handle_view(
                system, HUE, AimCurve(shown=HUE, hues=(HUE,), curve=name, at=at, value=None)
            )
    light, chroma, angle = resolve(system).hues[HUE].source.aim
    look_at(apply(system, AimSource(hue=HUE, lightness=light, chroma=chroma, angle=angle)))


@examples(10, usual=3)
@given(TYPED)
def test_what_is_accepted_can_be_worked_with(text: str):
    try:
        color = parse(text)
    except DomainError:
        return
    assert oklch_of(color)[1] <= STRONGEST_CHROMA
    worked_with(apply(merrow_light(), SetSource(hue=HUE, color=color)))


@pytest.mark.parametrize(
    ("space", "components"),
    [
        ("oklch", (0.7, 0.7, 30.0)),
        ("lch", (50.0, 300.0, 30.0)),
        ("lab", (50.0, 9000.0, 0.0)),
        ("xyz-d65", (0.0, 0.0, -3.0)),
        ("prophoto-rgb", (0.0, 0.0, 1.0)),
        ("oklch", (0.7, 0.2, -1e-15)),
    ],
)
def test_what_older_programs_accepted_can_still_be_worked_with(
    space: str, components: tuple[float, float, float]
):
    """It is in stored documents; typed again, it is refused."""
    color = Color.model_validate({"space": space, "components": components})
    system = merrow_light()
    hue = system.hues[HUE].model_copy(update={"source": GivenSource(color=color)})
    worked_with(system.model_copy(update={"hues": {**system.hues, HUE: hue}}))
    if oklch_of(color)[1] > STRONGEST_CHROMA:
        with pytest.raises(DomainError, match="stronger than any color there is"):
            apply(system, SetSource(hue=HUE, color=color))


@pytest.mark.parametrize(
    ("text", "means"),
    [
        ("lab(150 0 0)", "#FFFFFF"),
        ("oklab(-3 0 0)", "#000000"),
        ("oklch(0.7 -0.1 30)", "#9E9E9E"),
        ("lch(-5 10 20)", "#000000"),
    ],
)
def test_lightness_and_negative_chroma_are_cut_as_css_does(text: str, means: str):
    assert hex_of(rgb8_of(parse(text)))[:7] == means
