"""Too many colors: the cap, smaller ladders, neighbors that look the same, and named selections."""

import json

import pytest
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.document.hues import StepRef
from heimat.core.document.uses import members, published_steps, unused_of, uses_of
from heimat.core.edits import apply, apply_all
from heimat.core.edits.hue_edits import PinStep, RemoveHue
from heimat.core.edits.ladder_edits import SetHueLadder, SetLadder, losses
from heimat.core.edits.reserve_edits import SetReserve
from heimat.core.edits.scale_edits import AimStep
from heimat.core.edits.selection_edits import KeepSelection, RemoveSelection, SetCap
from heimat.core.errors import DomainError
from heimat.core.legibility.findings import finding_ids, findings
from heimat.core.planning.fewer import alike, smaller_ladder, wanted_steps
from heimat.core.publication.building import publication
from heimat.core.publication.plain_publication import plain_of, publication_of
from heimat.core.resolve.resolved import resolve
from heimat.core.scales.shaping import ShapedLadder, ShapedStep
from heimat.formats import write_all
from heimat.view.scales.ladder_plans import fewer_view
from tests.examples import examples
from tests.systems import brinemark_in_one_theme as brinemark

SYSTEM = brinemark()
EDITORS = KeepSelection(
    id="editors",
    name="content editors",
    steps=(
        StepRef(hue="tidewater", step="s600"),
        StepRef(hue="buoy", step="s500"),
        StepRef(hue="buoy", step="s500"),
    ),
)


@examples(40)
@given(st.sampled_from(["usual", "long", "fine"]), st.integers(3, 13))
def test_a_smaller_ladder_keeps_ends_and_drops_what_nothing_uses_first(name, count):
    system = apply(SYSTEM, SetLadder(ladder=name))
    before = system.ladder
    if count > len(before.steps):
        with pytest.raises(DomainError):
            smaller_ladder(system, count)
        return
    after = smaller_ladder(system, count)
    kept = [step for step in before.steps if after.index(step.id) is not None]
    assert len(after.steps) == count
    assert (after.steps[0].id, after.steps[-1].id) == (before.steps[0].id, before.steps[-1].id)
    assert [step.lightness for step in after.steps] == [step.lightness for step in kept], (
        "what stays does not move"
    )
    uses = uses_of(system, None)
    by_hand = {step for hue in system.hues.values() if not hue.ladder for step in hue.pins}
    gone = [step.id for step in before.steps if after.index(step.id) is None]
    unused = [
        step.id for step in before.steps[1:-1] if not uses[step.id] and step.id not in by_hand
    ]
    assert set(gone) <= set(unused) or set(unused) <= set(gone)
    if set(gone) <= set(unused):
        shaped = apply(system, SetLadder(ladder=ShapedLadder.of(after)))
        assert losses(system, shaped) == []


def test_the_steps_wanted_follow_the_cap():
    long = apply(SYSTEM, SetLadder(ladder="fine"))
    colors = len(published_steps(long))
    assert colors == 13 * 9
    capped = apply(long, SetCap(cap=13 + 8 * 7))
    assert wanted_steps(capped) == 7
    fewer = apply(capped, SetLadder(ladder=ShapedLadder.of(smaller_ladder(capped, 7))))
    assert len(published_steps(fewer)) == 69
    assert "cap" in finding_ids(resolve(capped))
    assert "cap" not in finding_ids(resolve(fewer))
    told = next(each for each in findings(resolve(capped)) if each.kind == "cap")
    assert told.sentence == "117 colors would be published; the cap is 69."
    assert apply_all(capped, [apply_all(long, [SetCap(cap=69)]).inverse]).system == long


def test_neighbors_that_are_hardly_different_are_told_closest_first():
    found = alike(resolve(SYSTEM).hue_list)
    assert [pair.distance for pair in found] == sorted(pair.distance for pair in found)
    assert [(pair.hue.name, pair.one) for pair in found] == [("shingle", 0)]
    same = apply(SYSTEM, PinStep(hue="kelp", step="s400", color=_hex(SYSTEM, "kelp", 2)))
    assert (
        alike(resolve(same).hue_list)[0].hue.name,
        alike(resolve(same).hue_list)[0].one,
        alike(resolve(same).hue_list)[0].distance,
    ) == ("kelp", 2, 0.0)


def _hex(system, hue, place):
    return "#{:02X}{:02X}{:02X}".format(*resolve(system).hues[hue].scale.rgb8[place])


def test_steps_out_of_order_are_a_finding():
    pinned = apply(SYSTEM, PinStep(hue="kelp", step="s600", color="#FFFFFF"))
    nudged = apply(
        SYSTEM, AimStep(hue="kelp", step="s300", lightness=20.0, chroma=0.1, angle=148.0)
    )
    for system, words in ((pinned, "600 than 500"), (nudged, "400 than 300")):
        assert "order:kelp" in finding_ids(resolve(system))
        assert words in next(
            each.sentence for each in findings(resolve(system)) if each.kind == "order"
        )
        assert {each.id for each in findings(resolve(system))} == finding_ids(resolve(system))
    assert not any(key.startswith("order") for key in finding_ids(resolve(SYSTEM)))


def test_a_selection_is_kept_changed_removed_and_survives_what_it_stands_on():
    kept = apply(SYSTEM, EDITORS)
    assert [ref.step for ref in kept.selections["editors"].steps] == ["s600", "s500"], (
        "each step once"
    )
    again = apply(
        kept, KeepSelection(name="Content Editors", steps=(StepRef(hue="kelp", step="s500"),))
    )
    assert list(again.selections) == ["editors"]
    assert again.selections["editors"].name == "Content Editors"
    short = apply(kept, SetLadder(ladder="short"))
    assert [ref.hue for ref in members(short, short.selections["editors"])] == ["buoy"]
    assert "1 of the colors in content editors goes." in losses(kept, short)
    assert members(
        apply(short, SetHueLadder(hue="tidewater", ladder="usual")), short.selections["editors"]
    )
    gone = apply(kept, RemoveHue(hue="buoy"))
    assert [ref.hue for ref in members(gone, gone.selections["editors"])] == ["tidewater"]
    assert apply(kept, RemoveSelection(selection="editors")).selections == {}
    for wrong, field in (
        ({"name": " ", "steps": EDITORS.steps}, "name"),
        ({"name": "x" * 41, "steps": EDITORS.steps}, "name"),
        ({"name": "none", "steps": ()}, "steps"),
        ({"name": "none", "steps": (StepRef(hue="kelp", step="s150"),)}, "step"),
    ):
        with pytest.raises(DomainError) as refused:
            apply(SYSTEM, KeepSelection(**wrong))
        assert refused.value.field == field
    with pytest.raises(DomainError) as refused:
        apply(kept, KeepSelection(id="editors", name="others", steps=EDITORS.steps))
    assert (refused.value.field, refused.value.code) == ("id", "taken")


def test_a_selection_leaves_with_files_of_its_own():
    made = publication(resolve(apply(SYSTEM, EDITORS)))
    assert publication_of(json.loads(json.dumps(plain_of(made)))) == made
    files = {file.name: file.content for file in write_all(made, "1.0.0")}
    own = ["tokens.css", "tokens.json", "tokens.content-editors.css", "tokens.content-editors.json"]
    assert [name for name in files if name in own] == own
    part = json.loads(files["tokens.content-editors.json"])
    assert {(hue, step) for hue in part if hue[0] != "$" for step in part[hue]} == {
        ("tidewater", "600"),
        ("buoy", "500"),
    }
    whole = {file.name: file.content for file in write_all(publication(resolve(SYSTEM)), "1.0.0")}
    assert set(files) - set(whole) == set(own[2:])
    assert files["tokens.css"] == whole["tokens.css"]


def test_what_is_kept_in_reserve_counts_as_used_and_has_a_reason():
    assert "200" in unused_of(SYSTEM, SYSTEM.hues["gorse"])
    kept = apply(SYSTEM, SetReserve(hue="gorse", step="s200", reason=" the winter timetable "))
    assert kept.hues["gorse"].reserve == {"s200": "the winter timetable"}
    assert "200" not in unused_of(kept, kept.hues["gorse"])
    assert apply(kept, SetReserve(hue="gorse", step="s200", reason=None)) == SYSTEM
    with pytest.raises(DomainError, match="has a reason"):
        apply(SYSTEM, SetReserve(hue="gorse", step="s200", reason=" "))
    # A ladder that lacks the step says that it goes.
    assert "gorse 200 is in reserve no longer." in losses(
        kept, apply(kept, SetLadder(ladder="short"))
    )


def test_making_a_used_label_internal_says_which_tokens_become_values():
    steps = tuple(
        ShapedStep(**{**step.model_dump(), "internal": step.label == "600"})
        for step in SYSTEM.ladder.steps
    )
    after = apply(SYSTEM, SetLadder(ladder=ShapedLadder(steps=steps)))
    told = losses(SYSTEM, after)
    name = "action.main.fill"
    assert (
        f"{name} is published as a value: tidewater 600 is internal, so it is no alias any more."
        in told
    )


def test_labels_of_a_ladder_of_its_own_are_told_where_nothing_uses_them():
    view = fewer_view(resolve(SYSTEM), None)
    own = {each["name"]: each["labels"] for each in view["unused_by_hue"] if each["own"]}
    used = {
        value.step
        for token in SYSTEM.tokens.values()
        for value in token.values.values()
        if value.kind == "step"
    }
    assert own.keys() == {"shingle"}
    assert "150" in own["shingle"].split(", ")
    assert "s150" not in used
