"""Labels that go along with their fill, and those that stay."""

import pytest

from heimat.core.color.color_text import parse
from heimat.core.color.contrast import AA_TEXT, ratio
from heimat.core.color.exact_color import rgb8_of
from heimat.core.document.hues import QuantityChange
from heimat.core.document.tokens import DerivedColor, LiteralColor, StepAlias
from heimat.core.edits import apply, apply_all
from heimat.core.edits.source_edits import SetSource
from heimat.core.edits.token_edits import SetTokenValue
from heimat.core.filling.fill import by_purpose, refilled
from heimat.core.filling.start import start_system
from heimat.core.filling.turning import turning
from heimat.core.legibility.findings import findings
from heimat.core.planning.proposed_theme import propose_theme
from heimat.core.resolve.resolved import resolve
from heimat.core.values.derived_color import derived_color, in_lightness


def started(brand="#C8D400", dark=True):
    system = start_system("sea", [("brand", parse(brand))])
    day = next(iter(resolve(system).themes.values()))
    if dark:
        night = propose_theme(resolve(system), day, "night", "night", "dark", "usual")
        system = apply(system, night.edit)
    return system, day.theme.id


def brand_of(system):
    return next(hue.id for hue in system.hues.values() if hue.kind == "brand")


def moved(system, color):
    after = apply(system, SetSource(hue=brand_of(system), color=color))
    found = turning(resolve(system), resolve(after))
    return after, found


def contrast_of(system, theme):
    ids = by_purpose(system)
    tokens = resolve(system).themes[theme].tokens
    label = tokens[ids["action.main.label"]].rgb8
    fills = [tokens[ids[f"action.main.fill{state}"]].rgb8 for state in ("", "-hovered", "-pressed")]
    return [float(ratio(label, fill)) for fill in fills]


@pytest.mark.parametrize("color", ["#4A5200", "#2B3A67", "#101418"])
def test_a_label_turns_with_its_fill_in_every_theme_and_its_states_with_it(color):
    system, _ = started()
    after, found = moved(system, color)
    assert found is not None
    turned = apply(after, found)
    resolved = resolve(turned)
    ids = by_purpose(turned)
    for theme in resolved.themes:
        assert min(contrast_of(turned, theme)) >= AA_TEXT
        family = [ids[f"action.main.{part}"] for part in ("label", "fill-hovered", "fill-pressed")]
        again = refilled(resolved, turned.themes[theme], family)
        assert not any(each.differs for each in again)
    assert min(min(contrast_of(after, theme)) for theme in resolved.themes) < AA_TEXT
    # Nothing but these tokens has changed, and the way back of the gesture is one.
    labels = {
        ids["action.main.label"],
        ids["action.main.fill-hovered"],
        ids["action.main.fill-pressed"],
    }
    assert {each.token for each in found.values} <= labels
    whole = apply_all(system, [SetSource(hue=brand_of(system), color=color), found])
    assert apply(whole.system, whole.inverse) == system


def test_a_label_chosen_by_hand_stays_and_so_does_one_whose_fill_stays():
    system, day = started(dark=False)
    label = by_purpose(system)["action.main.label"]
    own = LiteralColor(color=parse("#101418"))
    by_hand = apply(system, SetTokenValue(token=label, theme=day, value=own))
    after, found = moved(by_hand, "#4A5200")
    assert found is None
    assert after.tokens[label].values[day] == own
    assert moved(system, "#C8D401")[1] is None
    error = next(hue.id for hue in system.hues.values() if hue.status == "error")
    other = apply(system, SetSource(hue=error, color="#AA2200"))
    of_error = turning(resolve(system), resolve(other))
    assert of_error is None or label not in {each.token for each in of_error.values}


def test_a_label_that_is_set_in_the_same_gesture_is_left_alone():
    system, day = started(dark=False)
    label = by_purpose(system)["action.main.label"]
    own = LiteralColor(color=parse("#222222"))
    edits = [
        SetSource(hue=brand_of(system), color="#4A5200"),
        SetTokenValue(token=label, theme=day, value=own),
    ]
    found = turning(resolve(system), resolve(apply_all(system, edits).system))
    assert found is None


def test_the_other_side_is_offered_first_for_a_label_that_was_chosen_by_hand():
    system, day = started(dark=False)
    label = by_purpose(system)["action.main.label"]
    own = LiteralColor(color=parse("#101418"))
    by_hand = apply(system, SetTokenValue(token=label, theme=day, value=own))
    after, _ = moved(by_hand, "#4A5200")
    found = [each for each in findings(resolve(after)) if label in each.tokens]
    assert len(found) == 3
    for each in found:
        assert each.repairs[0].kind == "side"
        assert each.repairs[0].words == "Let action.main.label be white"
        assert each.repairs[0].breaks == 0
    mended = apply_all(after, found[0].repairs[0].edits).system
    assert not any(label in each.tokens for each in findings(resolve(mended)))


def test_a_label_stays_where_its_fill_is_pointed_elsewhere_and_the_other_side_is_offered():
    """What a repair of a fill is said to mend and break is what comes of it."""
    system, day = started(dark=False)
    hue = system.hues[brand_of(system)]
    fill = by_purpose(system)["action.main.fill"]
    darkest = StepAlias(hue=hue.id, step=system.ladder.steps[-1].id)
    edit = SetTokenValue(token=fill, theme=day, value=darkest)
    after = resolve(apply(system, edit))
    assert turning(resolve(system), after) is None
    label = by_purpose(system)["action.main.label"]
    open_now = [each for each in findings(after) if {label, fill} == set(each.tokens)]
    assert [each.repairs[0].words for each in open_now] == ["Let action.main.label be white"]


@pytest.mark.parametrize("color", ["#0B6E6E", "#FFE600", "#808080", "#0000FF", "#F4F1EA"])
def test_fills_are_tried_as_the_values_that_are_kept_come_out(color):
    base = parse(color)
    shifts = [-60.0, -7.0, 0.5, 8.0, 60.0]
    of = StepAlias(hue="brand", step="s500")
    kept = [DerivedColor(of=of, lightness=QuantityChange(how="shifted", by=by)) for by in shifts]
    wanted = [rgb8_of(derived_color(base, value)).tolist() for value in kept]
    assert in_lightness(rgb8_of(base), shifts).tolist() == wanted
