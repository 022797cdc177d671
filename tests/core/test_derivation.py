"""Derived hues: chains, what they say, what keeps them from following, and what happens when a parent goes."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import Color, oklch_of, rgb8_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.notation import format
from heimat.core.color.solved import solved
from heimat.core.document.hues import DerivedSource, QuantityChange
from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import DerivedColor, HueAlias, StepAlias
from heimat.core.edits import PlaceValue, Restore, apply, apply_all
from heimat.core.edits.hue_edits import AddHues, NewHue, RemoveHue
from heimat.core.edits.source_edits import AimSource, FollowHue, LetGo, SetSource
from heimat.core.edits.token_edits import SetTokenValue
from heimat.core.errors import DomainError
from heimat.core.filling.starter import DAY
from heimat.core.hues.derivation import changed, derive, lightness_of
from heimat.core.hues.source import ResolvedSource, resolve_source, source_color
from heimat.core.hues.wording import derivation_words
from heimat.core.publication.building import publication
from heimat.core.resolve.resolved import resolve
from heimat.core.values.derived_color import derived_color
from heimat.demo.demo_systems import brinemark
from tests.examples import examples

SYSTEM = brinemark()


def shifted(by: float) -> QuantityChange:
    return QuantityChange(how="shifted", by=by)


def times(by: float) -> QuantityChange:
    return QuantityChange(how="times", by=by)


def put(by: float) -> QuantityChange:
    return QuantityChange(how="set", by=by)


def derived(hue: str = "tidewater", **changes: object) -> DerivedSource:
    return DerivedSource(hue=hue, **changes)


def with_child(system: ColorSystem, key: str, source: DerivedSource) -> ColorSystem:
    return apply(system, AddHues(hues=(NewHue(id=key, name=key, kind="accent", source=source),)))


def on_oklch(**changes: st.SearchStrategy[QuantityChange]) -> st.SearchStrategy[DerivedSource]:
    return st.builds(DerivedSource, hue=st.just("tidewater"), circle=st.just("oklch"), **changes)


def a_change(reach: float, *, multiplied: bool = True) -> st.SearchStrategy[QuantityChange]:
    hows = ["kept", "shifted", "set", *(["times"] if multiplied else [])]
    return st.sampled_from(hows).flatmap(
        lambda how: st.floats(
            -reach if how == "shifted" else 0.0, 2.0 if how == "times" else reach
        ).map(lambda by: QuantityChange(how=how, by=by))
    )


SOURCES = st.builds(
    DerivedSource,
    hue=st.just("tidewater"),
    circle=st.sampled_from(["oklch", "hsl"]),
    lightness=a_change(60.0),
    strength=a_change(0.2),
    turn=a_change(360.0, multiplied=False),
    alpha=a_change(1.0),
)


@examples(40)
@given(st.lists(SOURCES, min_size=1, max_size=12), st.tuples(*[st.integers(0, 255)] * 3))
def test_a_chain_is_its_steps_one_by_one(sources, levels):
    """The color at the end of a chain is what each step makes of the step before, whatever the depth."""
    system = apply(SYSTEM, SetSource(hue="tidewater", color=Color.of_bytes(levels)))
    parent = "tidewater"
    for place, source in enumerate(sources):
        key = f"c{place}"
        system = with_child(system, key, source.model_copy(update={"hue": parent}))
        parent = key
    one_by_one = resolve_source(system, system.hues["tidewater"])
    for place, source in enumerate(sources):
        parent_key = f"c{place - 1}" if place else "tidewater"
        one_by_one = derive(one_by_one, source.model_copy(update={"hue": parent_key}))
    assert resolve_source(system, system.hues[parent]) == one_by_one
    assert 0.0 <= one_by_one.alpha <= 1.0


@examples(60)
@given(
    on_oklch(lightness=a_change(40.0), strength=a_change(0.1)),
    st.tuples(*[st.integers(0, 255)] * 3),
)
def test_one_step_does_what_it_says(source, levels):
    color = Color.of_bytes(levels)
    _, chroma, angle = (float(part) for part in oklch_of(color))
    parent = ResolvedSource(color, 1.0, (lightness_of(color), chroma, angle))
    wanted = min(max(changed(source.lightness, lightness_of(color)), 0.0), 100.0)
    found = derive(parent, source)
    assert lightness_of(found.color) == pytest.approx(wanted, abs=0.6)
    asked = max(changed(source.strength, chroma), 0.0)
    got = float(oklch_of(found.color)[1])
    assert got <= asked + 0.02
    if not found.limits and wanted > 5.0:
        assert got == pytest.approx(asked, abs=0.008)


def test_the_parent_moves_and_all_follow():
    system = with_child(SYSTEM, "deep", derived(lightness=shifted(-16.0)))
    system = with_child(
        system, "mist", derived("deep", lightness=shifted(40.0), strength=times(0.5))
    )
    assert hex_of(rgb8_of(source_color(system, system.hues["deep"]))) == "#004545"
    moved = apply(system, SetSource(hue="tidewater", color="#7A3B8F"))
    for key in ("deep", "mist", "shingle"):
        assert source_color(moved, moved.hues[key]) != source_color(system, system.hues[key])
    parent, child = (resolve_source(moved, moved.hues[key]) for key in ("tidewater", "deep"))
    assert lightness_of(child.color) == pytest.approx(lightness_of(parent.color) - 16.0, abs=0.3)
    assert child.aim[2] == pytest.approx(parent.aim[2])


WORDS = [
    (derived(), "the same as tidewater"),
    (
        derived(lightness=shifted(24.0), strength=times(0.5)),
        "tidewater, 24 lighter, half the chroma",
    ),
    (derived(lightness=shifted(-16.5)), "tidewater, 16.5 darker"),
    (derived(lightness=put(40.0), strength=put(0.08)), "tidewater, lightness 40, chroma 0.08"),
    (
        derived(strength=shifted(-0.02), turn=shifted(180.0)),
        "tidewater, 0.02 less chroma, turned by 180°",
    ),
    (derived(turn=put(30.0), alpha=put(0.6)), "tidewater, hue 30°, alpha 0.6"),
    (derived(alpha=times(0.5)), "tidewater, half the alpha"),
    (
        derived(circle="hsl", strength=shifted(20.0)),
        "tidewater, 20 % more saturation on the HSL circle",
    ),
    (derived(circle="hsl", lightness=put(50.0)), "tidewater, HSL lightness 50 on the HSL circle"),
]


@pytest.mark.parametrize(("source", "words"), WORDS, ids=[words for _, words in WORDS])
def test_a_derivation_in_words(source, words):
    assert derivation_words(source, "tidewater") == words


LIMITS = [
    ("tidewater", derived(lightness=shifted(90.0)), "driven to white"),
    ("tidewater", derived(lightness=shifted(-90.0)), "driven to black"),
    ("tidewater", derived(strength=shifted(-0.2)), "driven to gray"),
    ("tidewater", derived(strength=times(3.0)), "clipped: the gamut leaves chroma"),
    ("tidewater", derived(circle="hsl", strength=shifted(60.0)), "saturation stops at 100 %"),
    ("tidewater", derived(alpha=shifted(0.5)), "alpha stops at 1"),
    ("shingle", derived(alpha=shifted(-1.5)), "alpha stops at 0"),
]


@pytest.mark.parametrize(
    ("parent", "source", "words"), LIMITS, ids=[words for _, _, words in LIMITS]
)
def test_what_keeps_a_hue_from_following_is_said(parent, source, words):
    system = with_child(SYSTEM, "child", source.model_copy(update={"hue": parent}))
    assert words in "; ".join(resolve_source(system, system.hues["child"]).limits)


def test_a_gray_parent_has_no_hue_to_follow_but_remembers_one():
    gray = apply(SYSTEM, SetSource(hue="tidewater", color="#777777"))
    system = with_child(gray, "child", derived(turn=shifted(30.0)))
    assert "its parent is gray" in resolve_source(system, system.hues["child"]).limits[0]
    # A chroma that is set brings the remembered hue back.
    colored = with_child(gray, "child", derived(strength=put(0.08)))
    angle = float(oklch_of(source_color(colored, colored.hues["child"]))[2])
    assert angle == pytest.approx(float(oklch_of(parse("#0B6E6E"))[2]), abs=2.0)


def test_circles_are_refused_by_name():
    system = with_child(SYSTEM, "deep", derived())
    system = with_child(system, "mist", derived("deep"))
    with pytest.raises(DomainError) as refused:
        apply(system, FollowHue(hue="tidewater", source=derived("mist")))
    assert refused.value.message == (
        "tidewater cannot follow mist, which follows deep, which follows tidewater: that runs in a loop."
    )
    assert refused.value.field == "source.hue"
    with pytest.raises(DomainError, match="deep cannot follow itself"):
        apply(system, FollowHue(hue="deep", source=derived("deep")))


def test_removing_a_parent_asks_what_becomes_of_its_children():
    system = with_child(SYSTEM, "deep", derived(lightness=shifted(-10.0)))
    system = with_child(system, "mist", derived("deep", lightness=shifted(50.0)))
    before = {key: source_color(system, system.hues[key]) for key in ("deep", "mist", "shingle")}
    kept = apply(system, RemoveHue(hue="tidewater", children="detach"))
    for key in ("deep", "mist", "shingle"):
        assert source_color(kept, kept.hues[key]) == before[key]
    assert kept.hues["mist"].source.kind == "derived"
    edit = RemoveHue(hue="tidewater", children="remove")
    gone = apply_all(system, [edit])
    assert gone.sentence == "Remove tidewater, deep, shingle and mist"
    assert not gone.system.hues.keys() & {"tidewater", "deep", "mist", "shingle"}
    assert apply(gone.system, gone.inverse) == system


def test_letting_go_keeps_color_and_alpha():
    system = with_child(SYSTEM, "haze", derived(alpha=put(0.4)))
    free = apply(system, LetGo(hue="haze"))
    assert free.hues["haze"].source.kind == "given"
    assert resolve_source(free, free.hues["haze"]).alpha == 0.4
    assert source_color(free, free.hues["haze"]) == source_color(system, system.hues["haze"])
    assert apply(SYSTEM, LetGo(hue="buoy")) is SYSTEM


MOVES = [
    (derived(lightness=shifted(-16.0)), (20.0, None, None), "shifted"),
    (derived(lightness=put(30.0)), (22.0, None, None), "set"),
    (derived(lightness=times(0.5)), (30.0, None, None), "times"),
    (derived(), (60.0, None, None), "shifted"),
]


@pytest.mark.parametrize(("source", "target", "how"), MOVES, ids=[how for _, _, how in MOVES])
def test_dragging_a_derived_hue_changes_its_derivation(source, target, how):
    system = with_child(SYSTEM, "child", source)
    light, chroma, angle = resolve_source(system, system.hues["child"]).aim
    moved = apply(system, AimSource(hue="child", lightness=target[0], chroma=chroma, angle=angle))
    after = moved.hues["child"].source
    assert after.lightness.how == how
    # What was not moved is kept as it was.
    assert (after.strength, after.turn) == (source.strength, source.turn)
    assert lightness_of(source_color(moved, moved.hues["child"])) == pytest.approx(
        target[0], abs=0.4
    )
    assert light != pytest.approx(target[0])


def test_a_translucent_hue_reaches_tokens_and_files():
    system = with_child(SYSTEM, "veil", derived(alpha=put(0.5)))
    token = next(iter(in_order(system.tokens)))
    step = SetTokenValue(token=token.id, theme=DAY, value=StepAlias(hue="veil", step="s500"))
    resolved = resolve(apply(system, step))
    assert resolved.theme().tokens[token.id].alpha == 128 / 255
    published = {each.name: each for each in publication(resolved).tokens}
    assert published["veil.500"].value(DAY).alpha == 128 / 255
    assert published["tidewater.500"].value(DAY).alpha == 1.0
    # What a translucent step reaches depends on its ground, so it promises nothing.
    assert [promise.least for promise in resolved.promises] == [
        promise.least for promise in resolve(SYSTEM).promises
    ]


def test_solved_is_exact_to_eight_bits():
    for levels in ((11, 110, 110), (223, 90, 51), (0, 0, 0), (255, 255, 255)):
        color = Color.of_bytes(levels)
        _, chroma, angle = (float(part) for part in oklch_of(color))
        assert (
            np.abs(rgb8_of(solved(lightness_of(color), chroma, angle)).astype(int) - levels).max()
            <= 1
        )
        assert format(color, "hex") == hex_of(np.array(levels, dtype=np.uint8))


def test_what_is_put_back_or_taken_makes_no_loop_either():
    """Edits look for loops themselves; what only puts places back is stopped by the document."""
    system = brinemark()
    (follows,) = [hue.id for hue in system.hues.values() if hue.id == "shingle"]
    loop = system.hues[follows].source.model_dump() | {"hue": "shingle"}
    back = Restore(
        what="put back", places=(PlaceValue(path=("hues", "tidewater", "source"), value=loop),)
    )
    with pytest.raises(
        DomainError, match="tidewater cannot follow shingle, which follows tidewater"
    ) as refused:
        apply(system, back)
    assert refused.value.code == "loop"


def test_a_token_s_hue_turns_by_as_much_as_it_is_told():
    """On average over many colors: 8 bits move each of them a little, to either side."""
    for by in (30.0, -75.0):
        off = []
        for angle in range(0, 360, 2):
            base = Color(space="oklch", components=(0.6, 0.11, float(angle)))
            value = DerivedColor(of=HueAlias(hue="any"), turn=QuantityChange(how="shifted", by=by))
            made = derived_color(base, value)
            turned = float(oklch_of(made)[2]) - float(oklch_of(Color.of_bytes(rgb8_of(base)))[2])
            off.append((turned - by + 180.0) % 360.0 - 180.0)
        assert abs(float(np.mean(off))) < 0.15
        assert max(map(abs, off)) < 1.5


@pytest.mark.parametrize("turn", [put(10.0), shifted(10.0), QuantityChange()])
def test_aiming_a_derived_color_arrives_whatever_the_way_it_was_derived(turn):
    system = apply(SYSTEM, FollowHue(hue="kelp", source=DerivedSource(hue="flare", turn=turn)))
    aimed = apply(system, AimSource(hue="kelp", lightness=55.0, chroma=0.08, angle=200.0))
    _, chroma, angle = oklch_of(source_color(aimed, aimed.hues["kelp"]))
    assert (chroma, angle) == pytest.approx((0.08, 200.0), rel=0.02)
    kept = aimed.hues["kelp"].source.turn
    assert kept.how == ("set" if turn.how == "set" else "shifted")
