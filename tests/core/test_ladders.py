"""Ladders of any shape: what is typed is taken or refused, what is generated holds, what is promised is true."""

import itertools

import numpy as np
import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

from heimat.core.color.contrast import ratio, relative_luminance
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.spaces import lightness, srgb_to_oklch
from heimat.core.document.hues import GivenSource
from heimat.core.document.order import in_order
from heimat.core.document.system import ladder_of
from heimat.core.document.upgrades import read_document
from heimat.core.edits import apply
from heimat.core.edits.ladder_edits import SetHueLadder, SetLadder
from heimat.core.edits.scale_edits import SetMethod
from heimat.core.errors import DomainError
from heimat.core.planning.solved_promises import solve_promise
from heimat.core.publication.building import publication
from heimat.core.resolve.resolved import resolve
from heimat.core.scales import READY_MADE, ScaleRequest, generate
from heimat.core.scales.ladder import USUAL
from heimat.core.scales.methods import METHODS, Method
from heimat.core.scales.methods.hsl_lightness import HslLightness
from heimat.core.scales.methods.settings import Typed
from heimat.core.scales.methods.white_and_black import WhiteBlack
from heimat.core.scales.shaping import ShapedLadder, ShapedStep, shaped
from heimat.demo.demo_systems import brinemark
from tests.core.strategies import colors
from tests.examples import examples

SYSTEM = brinemark()


@st.composite
def shapes(draw):
    """A ladder of 3 to 24 steps as somebody could type it: falling by at least 2 L*, some steps between others."""
    count = draw(st.integers(3, 24))
    gaps = np.array(draw(st.lists(st.floats(2.0, 12.0), min_size=count - 1, max_size=count - 1)))
    top = draw(st.floats(88.0, 99.0))
    bottom = draw(st.floats(2.0, 12.0))
    falls = gaps * min(1.0, (top - bottom) / gaps.sum())
    assume(falls.min() > 1.5)
    aims = top - np.concatenate([[0.0], np.cumsum(falls)])
    between = draw(st.lists(st.booleans(), min_size=count, max_size=count))
    between[0] = between[-1] = False
    # Two in a row would leave too few that are counted.
    for place in range(1, count):
        between[place] = between[place] and not between[place - 1]
    return ShapedLadder(
        steps=tuple(
            ShapedStep(label=f"n{place}", lightness=round(float(aim), 2), between=between[place])
            for place, aim in enumerate(aims)
        )
    )


def light_of(rgb8):
    return lightness(relative_luminance(rgb8))


@examples(120)
@given(shapes(), colors, st.sampled_from(METHODS))
def test_scales_on_any_ladder_fall_and_stay_in_the_range_of_bytes(shape, source, name):
    ladder = shaped(shape, "ladder")
    between = frozenset(place for place, step in enumerate(ladder.steps) if step.between)
    request = ScaleRequest(source, ladder.lightness(), method=Method(name=name), between=between)
    scale = generate([request])[0]
    assert scale.rgb8.shape == (len(ladder.steps), 3)
    assert (scale.rgb8[scale.anchor] == rgb8_of(source)).all()
    assert scale.anchor not in between
    # Neighbors may be a single level apart where a ladder is that fine, but never in the wrong order.
    if not scale.crowded:
        assert (np.diff(light_of(scale.rgb8)) <= 0.0).all()


@examples(60)
@given(shapes())
def test_what_was_typed_is_what_stands(shape):
    ladder = shaped(shape, "ladder")
    assert ladder.labels() == [step.label for step in shape.steps]
    assert ladder.lightness().tolist() == [step.lightness for step in shape.steps]
    assert len(set(ladder.ids())) == len(ladder.ids())
    # Read back as it is sent to the page, it is the same ladder, and no step has another id.
    again = ShapedLadder(
        name=ladder.name, steps=tuple(ShapedStep(**step.model_dump()) for step in ladder.steps)
    )
    assert shaped(again, "ladder") == ladder
    places = ladder.positions(ladder.lightness())
    counted = [place for place, step in zip(places, ladder.steps, strict=True) if not step.between]
    assert counted == pytest.approx(range(ladder.longest() + 1))
    assert (np.diff(places) > 0.0).all()


@settings(max_examples=12)
@given(shapes())
def test_promises_on_any_ladder_by_brute_force(shape):
    system = apply(SYSTEM, SetLadder(ladder=shape))
    resolved = resolve(system)
    steps = []
    for hue in in_order(system.hues):
        own = ladder_of(system, hue)
        for place, at in enumerate(system.ladder.positions(own.lightness())):
            steps.append((at, resolved.hues[hue.id].scale.rgb8[place]))
    for promise in resolved.promises:
        reached = [
            float(ratio(one, other))
            for (at, one), (there, other) in itertools.combinations(steps, 2)
            if abs(at - there) >= promise.apart - 1e-9
        ]
        assert min(reached) == pytest.approx(promise.least, abs=1e-12)
        assert promise.kept == (promise.least >= promise.aim)


def test_ready_made_ladders_keep_their_names_and_others_are_own():
    for name, ladder in READY_MADE.items():
        typed = ShapedLadder(
            name="mine", steps=tuple(ShapedStep(**step.model_dump()) for step in ladder.steps)
        )
        assert shaped(typed, "ladder").name == name
        moved = typed.steps[1].model_copy(update={"lightness": typed.steps[1].lightness - 0.2})
        other = ShapedLadder(name=name, steps=(typed.steps[0], moved, *typed.steps[2:]))
        assert shaped(other, "ladder").name == "own"


@pytest.mark.parametrize("count", [0, 1, 2, 25])
def test_ladders_too_short_or_too_long(count):
    steps = tuple(
        ShapedStep(label=f"{place}", lightness=99.0 - 3 * place) for place in range(count)
    )
    with pytest.raises(DomainError, match="3 to 24 steps"):
        shaped(ShapedLadder(steps=steps), "ladder")


def test_no_room_below_black():
    steps = [
        ShapedStep(label=label, lightness=light)
        for label, light in (("a", 50.0), ("b", 0.05), ("c", 0.0))
    ]
    with pytest.raises(DomainError, match="c has no room below it"):
        shaped(ShapedLadder(steps=tuple(steps)), "ladder")


def test_promises_where_there_is_nothing_to_promise():
    """Translucent scales, no scales at all, and scales too short for the distance: said, never a crash."""
    kelp = SYSTEM.hues["kelp"]
    glass = kelp.model_copy(
        update={"source": GivenSource(color=kelp.source.color.model_copy(update={"alpha": 0.5}))}
    )
    steps = [ShapedStep(label=f"n{light}", lightness=float(light)) for light in (60, 55, 50)]
    few = SYSTEM.model_copy(
        update={"hues": {"kelp": kelp}, "tokens": {}, "pairings": {}, "told_apart": {}}
    )
    narrow = apply(few, SetHueLadder(hue="kelp", ladder=ShapedLadder(steps=tuple(steps))))
    for system in (
        SYSTEM.model_copy(update={"hues": {"kelp": glass}}),
        SYSTEM.model_copy(update={"hues": {}}),
        narrow,
    ):
        with pytest.raises(DomainError, match="nothing to promise"):
            solve_promise(system, 4, 3.0)


def test_a_hue_goes_back_to_figures_that_do_not_fit_it():
    """What was typed for all is refused only where it is typed: going back to it is always possible."""
    own = apply(SYSTEM, SetMethod(hue="gorse", method=Method(name="even")))
    typed = WhiteBlack(targets=(Typed(step="s400", value=30.0),))
    every = {key: hue for key, hue in own.hues.items() if key in ("tidewater", "buoy", "gorse")}
    few = own.model_copy(update={"hues": every, "tokens": {}, "pairings": {}, "told_apart": {}})
    mixed = apply(few, SetMethod(method=Method(name="mix", mix=typed)))
    assert apply(mixed, SetMethod(hue="gorse", method=None)).hues["gorse"].method is None


def test_a_label_of_signs_gets_an_id_that_can_be_kept():
    steps = [
        ShapedStep(label=label, lightness=90.0 - 20 * place)
        for place, label in enumerate(("½", "½ x", "tief!"))
    ]
    ladder = shaped(ShapedLadder(steps=tuple(steps)), "ladder")
    assert ladder.labels() == ["½", "½ x", "tief!"]
    assert ladder.ids() == ["step", "sx", "stief"]


def test_thousands_of_steps_keep_their_hue():
    """Within 2 degrees of what the curves ask where chroma is above 0.02, all but one in a thousand; none by 4."""
    drawn = np.random.default_rng(20).integers(0, 256, (2200, 3)).astype(np.uint8)
    off = []
    for scale in generate(
        [ScaleRequest(Color.of_bytes(rgb8), USUAL.lightness()) for rgb8 in drawn]
    ):
        made = np.arange(len(scale.rgb8)) != scale.anchor
        lch = srgb_to_oklch(scale.rgb8[made] / 255.0)
        turn = np.abs((lch[:, 2] - scale.hue[made] + 180.0) % 360.0 - 180.0)
        off.append(turn[lch[:, 1] > 0.02])
    turns = np.concatenate(off)
    assert len(turns) > 12_000
    assert (turns > 2.0).mean() < 0.001
    assert turns.max() < 4.0


def test_typed_figures_wait_for_a_ladder_that_has_their_step():
    method = Method(
        name="hsl",
        hsl=HslLightness(targets=(Typed(step="s50", value=99.0), Typed(step="s100", value=93.0))),
    )
    system = apply(SYSTEM, SetMethod(method=method))
    assert resolve(system).hues["kelp"].scale.figures[0] == 93.0
    long = apply(system, SetLadder(ladder="long"))
    assert resolve(long).hues["kelp"].scale.figures[:2].tolist() == [99.0, 93.0]
    assert resolve(apply(long, SetLadder(ladder="usual"))).hues["kelp"].scale.figures[0] == 93.0


def test_a_token_on_an_internal_step_leaves_with_its_value_alone():
    steps = tuple(
        ShapedStep(**{**step.model_dump(), "internal": step.label == "600"})
        for step in SYSTEM.ladder.steps
    )
    internal = apply(SYSTEM, SetLadder(ladder=ShapedLadder(steps=steps)))
    before = {token.name: token for token in publication(resolve(SYSTEM)).tokens}
    after = {token.name: token for token in publication(resolve(internal)).tokens}
    assert before.keys() - after.keys() == {
        f"{hue.name}.600" for hue in SYSTEM.hues.values() if hue.ladder is None
    }
    assert (
        before["action.main.fill"].value("day").alias,
        after["action.main.fill"].value("day").alias,
    ) == (
        "tidewater.600",
        None,
    )
    assert after["action.main.fill"].value("day").hex == before["action.main.fill"].value("day").hex


def test_a_hue_of_its_own_ladder_goes_back_to_that_of_all():
    own = apply(SYSTEM, SetHueLadder(hue="kelp", ladder="long"))
    assert len(resolve(own).hues["kelp"].scale.rgb8) == 11
    assert apply(own, SetHueLadder(hue="kelp", ladder=None)) == SYSTEM


def test_documents_of_older_schemas_are_read_as_they_were_made():
    data = SYSTEM.model_dump(mode="json")
    for field in ("method", "curves"):
        del data[field]
    for hue in data["hues"].values():
        for field in ("method", "curves", "smooth", "nudges"):
            del hue[field]
    for ladder in [
        data["ladder"],
        *(hue["ladder"] for hue in data["hues"].values() if hue["ladder"]),
    ]:
        for step in ladder["steps"]:
            del step["internal"], step["between"]
    old = read_document({**data, "schema": 2})
    assert old == SYSTEM
    now, then = resolve(SYSTEM).hues, resolve(old).hues
    assert all((now[hue].rgb8 == then[hue].rgb8).all() for hue in now)


@pytest.mark.parametrize(
    ("label", "words"),
    [("$b", "cannot begin with"), ("a.b", "cannot hold a period"), ("{x}", "braces")],
)
def test_labels_keep_the_rules_of_published_names(label, words):
    steps = tuple(
        ShapedStep(**{**step.model_dump(), "label": label if step.label == "300" else step.label})
        for step in SYSTEM.ladder.steps
    )
    for edit in (
        SetLadder(ladder=ShapedLadder(steps=steps)),
        SetHueLadder(hue="kelp", ladder=ShapedLadder(steps=steps)),
    ):
        with pytest.raises(DomainError, match=words) as refused:
            apply(SYSTEM, edit)
        assert refused.value.field == "ladder.steps.2.label"
