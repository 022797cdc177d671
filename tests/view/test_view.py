"""The view: what the page paints is what the core says, and nothing is left for the page to compute."""

import numpy as np
import pytest

from heimat.core.color.color_text import parse
from heimat.core.color.contrast import cut, grade, ratio
from heimat.core.document.themes import Theme
from heimat.core.document.tokens import LiteralColor, StepAlias
from heimat.core.edits import apply
from heimat.core.edits.hue_edits import RemoveHue
from heimat.core.edits.source_edits import SetSource
from heimat.core.edits.token_edits import AddToken
from heimat.core.edits.token_name_edits import RenameToken
from heimat.core.filling.starter import DAY
from heimat.core.publication.building import publication
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import merrow_light
from heimat.view.eyes import Eyes
from heimat.view.parts import PART_NAMES, PARTS, Parts
from tests.looking import all_steps, look_at, steps_of
from tests.systems import brinemark_in_one_theme as brinemark

SYSTEM = brinemark()
PUBLISHED = publication(resolve(SYSTEM))


def levels(text: str) -> list[int]:
    return list(bytes.fromhex(text[1:]))


def view(system=SYSTEM, published=None, **options):
    return look_at(system, published=published, **options)


def test_every_part_is_named_made_and_described():
    assert tuple(PARTS) == PART_NAMES == tuple(Parts.__annotations__)


OTHER_LOOKS = {
    "vision": {"vision": "deutan", "severity": 0.6},
    "ground": {"ground": "black"},
    "theme": {"theme": "night"},
    "select": {"select": "step:kelp/s300"},
    "notation": {"notation": "oklch"},
    "need": {"need": 7.0},
}


@pytest.mark.parametrize("wish", OTHER_LOOKS)
def test_a_part_depends_on_nothing_but_what_it_says(wish):
    at = parse("#123456")
    night = Theme(id="night", order="z", name="night")
    tokens = dict(SYSTEM.tokens)
    tokens["text-late"] = tokens["text-late"].model_copy(
        update={"values": {**tokens["text-late"].values, "night": LiteralColor(color=at)}}
    )
    two = SYSTEM.model_copy(update={"themes": {**SYSTEM.themes, "night": night}, "tokens": tokens})
    before = look_at(two, select="step:buoy/s500")
    after = look_at(two, **{"select": "step:buoy/s500", **OTHER_LOOKS[wish]})
    differing = {name for name in PART_NAMES if before[name] != after[name]}
    assert differing <= {name for name in PART_NAMES if wish in PARTS[name].depends_on}
    assert differing


def test_only_what_is_asked_for_is_answered():
    assert list(look_at(SYSTEM, ["head"])) == ["head"]
    assert list(look_at(SYSTEM, ["slip", "head", "slip"], select="hue:buoy")) == ["slip", "head"]


def test_every_step_with_its_contrast_and_ink():
    kelp = next(step["hex"] for step in all_steps(view()) if step["key"] == "step:kelp/s200")
    for ground, levels8 in (
        ("white", [255] * 3),
        ("black", [0] * 3),
        ("step:kelp/s200", levels(kelp)),
    ):
        for step in all_steps(view(ground=ground)):
            reached = float(ratio(levels(step["hex"]), levels8))
            assert step["contrast"] == {"text": cut(reached), "grade": grade(reached)}
            assert step["passes"] == (reached >= 4.5)
            on_black, on_white = (
                float(ratio(levels(step["seen"]), ink)) for ink in ([0] * 3, [255] * 3)
            )
            assert step["ink"] == ("#000000" if on_black >= on_white else "#FFFFFF")
            assert max(on_black, on_white) >= 4.5


def test_a_ladder_of_its_own_stands_under_the_systems_labels():
    found = view()
    shingle = next(hue for hue in found["hues"] if hue["id"] == "shingle")
    columns = {step["label"]: step["column"] for step in steps_of(found, "shingle")}
    assert [columns[str(label)] for label in range(100, 1000, 100)] == list(range(9))
    assert (columns["50"], columns["150"], columns["850"], columns["950"]) == (0, 1, 7, 8)
    assert shingle["ladder"] == "fine"
    assert (shingle["follows"]["name"], shingle["follows"]["kind"]) == ("tidewater", "tinted")


def test_marks_of_anchor_and_pin():
    marks = {
        step["key"]: (step["anchor"], step["pinned"])
        for step in all_steps(view())
        if step["anchor"] or step["pinned"]
    }
    assert marks["step:tidewater/s600"] == (True, False)
    assert marks["step:tidewater/s500"] == (False, True)
    # The neutral's source guides it, so none of its steps is the source.
    assert not any(key.startswith("step:shingle") for key in marks)


def test_nothing_is_marked_as_changed_before_the_first_release():
    assert view()["head"]["changed"] == 0
    assert view(published=PUBLISHED)["head"]["changed"] == 0


def test_what_has_changed_since_the_release_is_marked():
    moved = view(apply(SYSTEM, SetSource(hue="kelp", color="#3F8F55")), PUBLISHED)
    changed = {step["key"] for step in all_steps(moved) if step["changed"]}
    assert changed
    assert all(key.startswith("step:kelp/") for key in changed)
    # The alias names the same step as before, but its color is another.
    assert {token["id"] for token in moved["tokens"] if token["changed"]} == {"status-success"}
    renamed = view(apply(SYSTEM, RenameToken(token="text-late", name="text.delay")), PUBLISHED)
    assert {token["id"] for token in renamed["tokens"] if token["changed"]} == {"text-late"}
    fewer = view(apply(SYSTEM, RemoveHue(hue="heather")), PUBLISHED)
    assert (
        fewer["head"]["changed"] == 9 + 1
    )  # nine steps have gone, and a chart's color stands for itself now


@pytest.mark.parametrize("vision", ["typical", "protan", "deutan", "tritan", "achromat"])
def test_everything_is_seen_through_the_same_eyes(vision):
    found = view(vision=vision, select="hue:flare")
    eyes = Eyes(vision, 1.0)
    swatches = all_steps(found)
    swatches += [
        *found["hues"],
        *found["tokens"],
        found["slip"],
        *found["slip"]["grounds"],
        found["ground"],
    ]
    swatches += [color for finding in found["findings"] for color in finding["colors"]]
    swatches += [repair for each in found["repairs"] for repair in each["repairs"]]
    assert len(swatches) > 130
    for swatch in swatches:
        seen = eyes.see(np.array(levels(swatch["hex"]), dtype=np.uint8))
        assert levels(swatch["seen"]) == seen.tolist()


def test_how_a_pair_merges_is_shown_whatever_the_eyes():
    for vision in ("typical", "achromat"):
        trap = view(vision=vision)["findings"][0]
        assert trap["as_seen_by"] == "deutan"
        merged = Eyes("deutan", 1.0).see(
            np.array([levels("#3F8F4F"), levels("#BF3650")], dtype=np.uint8)
        )
        assert [levels(text) for text in trap["as_seen"]] == merged.tolist()


def test_values_in_a_notation():
    assert {hue["text"] for hue in view(notation="rgb")["hues"]} >= {
        "rgb(11 110 110)",
        "rgb(223 90 51)",
    }
    # Only few colors have a name; the others keep their value.
    named = view(apply(SYSTEM, SetSource(hue="kelp", color="tomato")), notation="name")
    assert {hue["text"] for hue in named["hues"]} >= {"tomato", "#0B6E6E"}


def test_the_slip_writes_every_notation_and_every_ground():
    slip = view(select="hue:buoy")["slip"]
    assert [each["notation"] for each in slip["notations"]][:3] == ["hex", "rgb", "hsl"]
    assert [ground["name"] for ground in slip["grounds"]] == [
        "white",
        "black",
        "shingle 50",
        "shingle 950",
    ]
    assert slip["grounds"][0]["contrast"] == {"text": "3.71", "grade": "large"}
    assert view(merrow_light(), select="hue:lantern")["slip"]["grounds"][2]["name"] == "slate 100"
    assert view(select="hue:gone")["slip"] is None


def test_what_is_meant_is_told_beside_what_the_gamut_leaves():
    loud = view(
        apply(SYSTEM, SetSource(hue="buoy", color="color(display-p3 1 0.2 0)")), select="hue:buoy"
    )["slip"]
    assert loud["aim"]["chroma"] > loud["chroma"]["reach"] - 0.02
    assert loud["chroma"]["value"] <= loud["aim"]["chroma"] + 1e-9


def test_a_chain_of_aliases_in_words():
    chains = {token["name"]: token["chain"] for token in view()["tokens"]}
    assert chains["surface.brand"] == "action.main.fill, tidewater 600"
    assert chains["surface.card"] == "#FFFFFF"
    later = AddToken(
        id="later", name="text.later", theme=DAY, value=StepAlias(hue="buoy", step="s600")
    )
    assert {token["name"] for token in view(apply(SYSTEM, later))["tokens"]} >= {"text.later"}


def test_repairs_belong_to_the_findings_that_are_told():
    found = view()
    assert [each["finding"] for each in found["repairs"]] == [
        finding["id"] for finding in found["findings"]
    ]
    assert any(each["repairs"] for each in found["repairs"])
    assert found["head"]["findings"] == len(found["findings"])


def test_a_system_without_hues_or_themes_can_be_looked_at():
    bare = SYSTEM
    for hue in ["shingle", *[key for key in SYSTEM.hues if key != "shingle"]]:
        bare = apply(bare, RemoveHue(hue=hue))
    found = view(bare, vision="deutan", select="token:text-late")
    assert found["hues"] == []
    assert found["scales"] == []
    assert found["promises"] == []
    assert len(found["tokens"]) == len(SYSTEM.tokens)
