"""Palettes in the document: what they stand on, every theme, findings and their repairs."""

import numpy as np
import pytest

from heimat.core.charts.ramp import lights
from heimat.core.color.color_text import parse
from heimat.core.color.contrast import ratio
from heimat.core.color.exact_color import Color
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.told_apart import distances
from heimat.core.document.palettes import (
    Categorical,
    Diverging,
    PaletteColor,
    Sequential,
    palettes_on,
)
from heimat.core.document.tokens import HueAlias, LiteralColor, StepAlias, TokenAlias
from heimat.core.edits import apply, apply_all
from heimat.core.edits.hue_edits import RemoveHue
from heimat.core.edits.palette_edits import AddPalette, PlacePalette, SetPalette
from heimat.core.edits.source_edits import SetSource
from heimat.core.edits.token_edits import RemoveToken
from heimat.core.errors import DomainError
from heimat.core.filling.start import start_system
from heimat.core.legibility.findings import changed_by, finding_ids, findings
from heimat.core.legibility.selected import find
from heimat.core.legibility.standing import standing
from heimat.core.planning.proposed_palettes import PaletteWish, character_of, generated
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark

SYSTEM = brinemark()


def literal(text):
    return LiteralColor(color=parse(text))


def series(*values, **more):
    colors = tuple(PaletteColor(id=f"c{place}", value=value) for place, value in enumerate(values))
    return Categorical(colors=colors, **more)


def added(make, ground="surface-card"):
    return apply(SYSTEM, AddPalette(id="new", name="new", make=make, ground=ground))


def on(system, theme="day"):
    return next(each for each in resolve(system).palettes[theme] if each.palette.id == "new")


def ids(system):
    return {
        each
        for each in finding_ids(resolve(system))
        if each.startswith("palette-") and ":new" in each
    }


def test_a_palette_follows_what_it_stands_on():
    values = (
        HueAlias(hue="buoy"),
        StepAlias(hue="kelp", step="s600"),
        TokenAlias(token="text-late"),
    )
    system = added(series(*values))
    resolved = resolve(system)
    shown = on(system)
    assert hex_of(shown.rgb8[0]) == "#DF5A33"
    assert (shown.rgb8[1] == resolved.hues["kelp"].rgb8[5]).all()
    assert (shown.rgb8[2] == resolved.themes["day"].tokens["text-late"].rgb8).all()
    moved = apply(system, SetSource(hue="buoy", color=parse("#C04020")))
    assert hex_of(on(moved).rgb8[0]) == "#C04020"
    assert [each.id for each in palettes_on(system.palettes, lambda value: value == values[1])] == [
        "new"
    ]
    words = standing(resolved, "step:kelp/s600").others
    assert "The palette new stands on it." in words


def test_what_is_gone_leaves_its_last_color_and_comes_back_with_undo():
    system = added(
        series(
            HueAlias(hue="kelp"), StepAlias(hue="kelp", step="s300"), TokenAlias(token="text-late")
        )
    )
    before = on(system).rgb8
    done = apply_all(system, [RemoveHue(hue="kelp"), RemoveToken(token="text-late")])
    left = done.system.palettes["new"].make
    assert all(isinstance(each.value, LiteralColor) and each.value.was for each in left.colors)
    assert (on(done.system).rgb8 == before).all()
    assert apply_all(done.system, [done.inverse]).system == system
    gone = apply(added(series(literal("#123456")), "chart-label"), RemoveToken(token="chart-label"))
    assert gone.palettes["new"].ground is None


def test_what_is_not_there_is_refused():
    for make in (
        series(HueAlias(hue="nobody")),
        Sequential(sources=(StepAlias(hue="kelp", step="s1"),)),
    ):
        with pytest.raises(DomainError, match="not there any more"):
            added(make)
    with pytest.raises(DomainError):
        apply(SYSTEM, PlacePalette(palette="routes", ground="nothing"))
    with pytest.raises(DomainError, match="too alike"):
        apply(SYSTEM, AddPalette(name="Routes ", make=series(literal("#123456"))))


def test_what_runs_from_little_to_much_begins_nearest_the_ground_in_every_theme():
    system = added(Sequential(sources=(HueAlias(hue="tidewater"),), classes=7), "surface-page")
    for theme in resolve(system).palettes:
        shown = on(system, theme)
        away = ratio(shown.rgb8, shown.ground8)
        assert int(np.argmin(away)) == 0
        assert (np.diff(away) > 0.0).all()
    back = added(
        Sequential(sources=(HueAlias(hue="tidewater"),), classes=7, reversed=True), "surface-page"
    )
    assert (on(back).rgb8 == on(system).rgb8[::-1]).all()


def test_a_generated_palette_is_the_brands_exact_where_held_and_without_findings_in_any_theme():
    resolved = resolve(SYSTEM)
    held = PaletteColor(id="t", value=HueAlias(hue="tidewater"), held=True)
    make, made = generated(resolved, PaletteWish(6, (held,), "surface-card"))
    system = added(make)
    assert ids(system) == set()
    assert hex_of(on(system).rgb8[0]) == "#0B6E6E"
    bounds = character_of(resolved).bounds((255, 255, 255), 3.0, 0.0)
    assert bool(bounds.holds(made.rgb8[1:]).all())
    for theme in resolve(system).palettes:
        shown = on(system, theme)
        assert float(ratio(shown.rgb8, shown.ground8).min()) >= 3.0
        # At every severity, by the general computation.
        assert min(pair.least for pair in distances(shown.rgb8, 0.0)) >= make.threshold


def test_findings_are_true_and_their_repairs_do_what_they_say():
    close = series(literal("#3F8F4F"), literal("#BF3650"), literal("#F2E6C0"), threshold=12.0)
    system = added(close)
    found = {each.id: each for each in findings(resolve(system)) if each.id in ids(system)}
    kinds = {key.split(":")[0] for key in found}
    assert {"palette-close", "palette-contrast", "palette-status"} <= kinds
    alike = found["palette-close:day:new:c0:c1"]
    assert "look alike for deutan vision" in alike.sentence
    assert found["palette-contrast:day:new:c2"].sentence.endswith("a graphic needs 3.")
    assert "could be taken for status.success" in found["palette-status:day:new:c0"].sentence
    before = finding_ids(resolve(system))
    checked = 0
    for each in found.values():
        for repair in each.repairs:
            after = finding_ids(resolve(changed_by(repair, system)))
            assert (repair.mends, repair.breaks) == (len(before - after), len(after - before))
            assert each.id not in after
            checked += 1
    assert checked >= 4


def test_a_status_that_is_meant_is_no_finding_and_a_held_color_is_not_repaired():
    assert ids(added(series(HueAlias(hue="kelp"), literal("#2A1A60"), threshold=10.0))) == set()
    held = series(literal("#F2E6C0"))
    held = held.model_copy(update={"colors": (held.colors[0].model_copy(update={"held": True}),)})
    (found,) = [
        each for each in findings(resolve(added(held))) if each.id == "palette-contrast:day:new:c0"
    ]
    assert {each.kind for each in found.repairs} == {"telling"}


def test_too_many_and_too_fine_is_said():
    many = generated(resolve(SYSTEM), PaletteWish(10, (), "surface-card"))[0]
    assert any(each.startswith("palette-many") for each in ids(added(many)))
    fine = Sequential(sources=(HueAlias(hue="tidewater"),), classes=24, lightest=70.0, darkest=40.0)
    assert any(each.startswith("palette-neighbors") for each in ids(added(fine)))
    same = Diverging(low=HueAlias(hue="kelp"), high=HueAlias(hue="flare"))
    assert any(each.startswith("palette-ends") for each in ids(added(same)))


def test_a_system_without_themes_has_palettes_and_a_farther_position_needs_no_nearer_one():
    bare = start_system("bare", [("brand", parse("#8A8FA0"))])
    bare = bare.model_copy(update={"themes": {}, "tokens": {}, "pairings": {}, "told_apart": {}})
    resolved = resolve(bare)
    assert len(generated(resolved, PaletteWish(3))[1].rgb8) == 3
    with pytest.raises(DomainError):
        generated(resolved, PaletteWish(3, contrast=17.0))
    assert len(generated(resolved, PaletteWish(3, reach=1.0, contrast=17.0))[1].rgb8) == 3


def test_arms_that_are_unequal_are_found_and_take_one_lightness():
    ends = {"low": literal("#7FC4C4"), "high": literal("#6B1D10")}
    system = added(Diverging(**ends, exact=True))
    (found,) = [each for each in findings(resolve(system)) if each.id == "palette-arms:day:new"]
    light = lights(on(system).rgb8)
    assert f"unequal by {abs(light[0] - light[-1]):.1f} L*" in found.sentence
    (repair,) = found.repairs
    after = changed_by(repair, system)
    assert not any(each.startswith("palette-arms") for each in ids(after))
    assert not any(each.startswith("palette-arms") for each in ids(added(Diverging(**ends))))


def test_a_category_that_turns_from_theme_to_theme_is_found():
    make = series(literal("#0B6E6E"))
    turned = make.colors[0].model_copy(update={"shades": {"night": parse("#E0A040")}})
    system = added(make.model_copy(update={"colors": (turned,)}))
    assert "palette-turned:night:new:c0" in ids(system)
    assert hex_of(on(system, "night").rgb8[0]) == "#E0A040"


def test_a_color_of_a_palette_is_selected_by_its_key_and_says_why():
    resolved = resolve(SYSTEM)
    first = find(resolved, resolved.theme(), "palette:routes/routes-1")
    assert first is not None
    assert first.name == "routes 1, dark teal"
    assert "tidewater" in first.why
    assert "is changed there" in (first.fixed or "")
    assert find(resolved, resolved.theme(), "palette:nothing") is None
    along = find(resolved, resolved.theme(), "palette:load/3")
    assert along is not None
    assert along.why.startswith("Color 3 of 9, even in CAM02-UCS")


def test_changing_a_palette_says_what_it_does():
    make = SYSTEM.palettes["routes"].make
    fewer = make.model_copy(update={"colors": make.colors[:5]})
    assert SetPalette(palette="routes", make=fewer).sentence(SYSTEM) == "Take a color out of routes"
    more = make.model_copy(
        update={"colors": (*make.colors, PaletteColor(id="x", value=literal("#123456")))}
    )
    assert SetPalette(palette="routes", make=more).sentence(SYSTEM) == "Add a color to routes"
    with pytest.raises(ValueError, match="one id"):
        Categorical(colors=(make.colors[0], make.colors[0]))
    assert Color.of_bytes(on(added(series(literal("#123456")))).rgb8[0]).space == "srgb"


def test_what_is_left_over_is_drawn_as_what_is_muted_where_nothing_else_is_said():
    resolved = resolve(brinemark())
    assert not any(token.purpose == "chart.other" for token in resolved.system.tokens.values())
    for theme, palettes in resolved.palettes.items():
        muted8 = resolved.themes[theme].tokens["chart-muted"].rgb8.tolist()
        assert palettes
        assert all(shown.others["other"].tolist() == muted8 for shown in palettes)
