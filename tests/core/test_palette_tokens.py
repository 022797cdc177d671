"""Tokens on palettes, what is drawn beside their colors, what else tells them apart, and palettes seen at once."""

import numpy as np
import pytest

from heimat.core.charts.ramp import lights
from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.document.palettes import Categorical, Diverging, PaletteColor, Sequential
from heimat.core.document.tokens import HueAlias, LiteralColor, PaletteAlias, StepAlias, TokenAlias
from heimat.core.edits import apply, apply_all
from heimat.core.edits.palette_edits import (
    AddPalette,
    DescribePalette,
    RemovePalette,
    SetOtherColor,
    SetPalette,
)
from heimat.core.edits.source_edits import SetSource
from heimat.core.edits.token_edits import SetTokenValue
from heimat.core.errors import DomainError
from heimat.core.legibility.findings import changed_by, finding_ids, findings
from heimat.core.planning.binding import binding, bound_to
from heimat.core.resolve.named import value_named
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark

SYSTEM = brinemark()


def shown(system, name, theme="day"):
    return next(each for each in resolve(system).palettes[theme] if each.palette.name == name)


def token(system, name, theme="day"):
    (found,) = [each for each in system.tokens.values() if each.name == name]
    return resolve(system).themes[theme].tokens[found.id]


def series(*colors, **more):
    made = tuple(
        PaletteColor(id=f"c{place}", value=LiteralColor(color=parse(text)))
        for place, text in enumerate(colors)
    )
    return Categorical(colors=made, **more)


def added(make, name="new", ground="surface-card", view=""):
    system = apply(SYSTEM, AddPalette(id=name, name=name, make=make, ground=ground))
    return apply(system, DescribePalette(palette=name, view=view))


def found_of(system, kind):
    return [
        each
        for each in findings(resolve(system), repairs=True)
        if each.id.startswith(f"palette-{kind}:")
    ]


def test_tokens_on_a_palette_are_its_colors_in_every_theme_and_follow_it():
    for theme in resolve(SYSTEM).themes:
        routes, load = shown(SYSTEM, "routes", theme), shown(SYSTEM, "load", theme)
        for number in range(1, 7):
            assert (
                token(SYSTEM, f"chart.series.{number}", theme).rgb8 == routes.rgb8[number - 1]
            ).all()
        assert (token(SYSTEM, "chart.sequential.1", theme).rgb8 == load.rgb8[0]).all()
        assert (token(SYSTEM, "chart.sequential.7", theme).rgb8 == load.rgb8[-1]).all()
    moved = apply(SYSTEM, SetSource(hue="tidewater", color=parse("#304FA0")))
    assert hex_of(token(moved, "chart.series.1").rgb8) == "#304FA0"
    assert not (
        token(moved, "chart.sequential.5").rgb8 == token(SYSTEM, "chart.sequential.5").rgb8
    ).all()
    assert {each.name for each in bound_to(SYSTEM)["routes"]} == {
        f"chart.series.{number}" for number in range(1, 7)
    }
    assert binding(SYSTEM, "routes") == []


def test_what_stood_on_a_palette_that_goes_keeps_its_last_color_in_every_theme():
    gone = apply(SYSTEM, RemovePalette(palette="routes"))
    for theme in resolve(SYSTEM).themes:
        for name in ("chart.series.2", "chart.series.5"):
            # A token that says one value has one color; the palette had it in the first theme.
            assert (token(gone, name).rgb8 == token(SYSTEM, name).rgb8).all(), theme
    (two,) = [each for each in gone.tokens.values() if each.name == "chart.series.2"]
    assert two.values["day"].was == "routes 2"
    make = SYSTEM.palettes["routes"].make
    fewer = apply(
        SYSTEM,
        SetPalette(palette="routes", make=make.model_copy(update={"colors": make.colors[1:]})),
    )
    assert (token(fewer, "chart.series.1").rgb8 == token(SYSTEM, "chart.series.1").rgb8).all()
    assert (token(fewer, "chart.series.2").rgb8 == shown(fewer, "routes").rgb8[0]).all()


def test_a_palette_on_a_token_that_stands_on_a_palette_is_refused():
    (series_1,) = [each.id for each in SYSTEM.tokens.values() if each.name == "chart.series.1"]
    loop = Categorical(colors=(PaletteColor(id="x", value=TokenAlias(token=series_1)),))
    with pytest.raises(DomainError, match="would be a loop"):
        apply(SYSTEM, SetPalette(palette="fares", make=loop))
    value = PaletteAlias(palette="routes", color="nobody")
    with pytest.raises(DomainError, match="not there any more"):
        apply(SYSTEM, SetTokenValue(token=series_1, theme="day", value=value))


def test_a_color_of_a_palette_is_called_by_its_number_or_its_category():
    resolved = resolve(SYSTEM)
    assert value_named(resolved, "routes 2") == PaletteAlias(palette="routes", color="routes-2")
    assert value_named(resolved, "Fares Adult") == PaletteAlias(palette="fares", color="fares-1")
    assert value_named(resolved, "load 9") == PaletteAlias(palette="load", along=1.0)
    with pytest.raises(DomainError):
        value_named(resolved, "load 10")


def test_a_name_that_nobody_knows_is_called_unknown_and_a_slip_of_the_pen_is_guessed():
    for typed, said in (
        ("text.lates", "Nothing here is called “text.lates”, and it is no color. Did you mean "),
        ("nonsense", "Nothing here is called “nonsense”, and it is no color."),
        ("#12", "“#12” is not a color Heimat can read."),
    ):
        with pytest.raises(DomainError) as refused:
            value_named(resolve(SYSTEM), typed)
        assert refused.value.message.startswith(said)


def test_what_is_missing_is_apart_from_a_palette_or_found_with_a_gray_that_is():
    system = apply(SYSTEM, SetOtherColor(palette="load", role="missing", value=None))
    found = [each for each in found_of(system, "other") if ":load:" in each.id]
    assert found
    for finding in found:
        (repair,) = finding.repairs
        mended = changed_by(repair, system)
        assert finding.id not in finding_ids(resolve(mended))
        assert repair.reaches >= 10.0
    own = shown(SYSTEM, "load").others
    assert (
        own["missing"]
        == resolve(SYSTEM).hues["shingle"].rgb8[resolve(SYSTEM).hues["shingle"].place("s400")]
    ).all()
    assert (own["muted"] == token(SYSTEM, "chart.muted").rgb8).all()


def test_what_else_tells_categories_apart_settles_what_their_colors_do_not():
    alike = ("#3F8F4F", "#BF3650", "#F2E6C0")
    assert found_of(added(series(*alike)), "close")
    assert found_of(added(series(*alike)), "contrast")
    assert not found_of(added(series(*alike, told_by=("label",))), "close")
    assert not found_of(added(series(*alike, told_by=("outline",))), "contrast")
    bare = added(series(*alike, told_by=()))
    touching = found_of(bare, "touch")
    assert {each.theme for each in touching} == set(SYSTEM.themes)
    assert {repair.words for repair in touching[0].repairs} == {
        "Part what touches by a gap",
        "Outline every mark",
    }
    for repair in touching[0].repairs:
        assert touching[0].id not in finding_ids(resolve(changed_by(repair, bare)))


def test_small_marks_need_more_difference():
    near = ("#0B6E6E", "#8A6FA8")
    large, small = (
        added(series(*near, threshold=12.0, marks=marks)) for marks in ("large", "small")
    )
    assert not [each for each in found_of(large, "close") if each.theme == "day"]
    (first,) = [each for each in found_of(small, "close") if each.theme == "day"]
    assert "asks for 18" in first.detail


def test_palettes_of_one_view_are_not_to_be_taken_for_each_other():
    high = Sequential(sources=(LiteralColor(color=parse("#BF3650")),), darkest=30.0)
    dark = hex_of(shown(added(high), "new").rgb8[-1])
    both = apply_all(
        added(series(dark, "#2A1A60"), "one", view="board"),
        [AddPalette(id="two", name="two", make=high)],
    )
    seen = apply(both.system, DescribePalette(palette="two", view="board"))
    (found, *_) = found_of(seen, "view")
    assert found.sentence == "one 1 could be taken for The high end of two: both are in board."
    apart = apply(seen, DescribePalette(palette="two", view="another"))
    assert not found_of(apart, "view")
    # One meaning has one color: what stands on the same thing is meant.
    same = Categorical(colors=(PaletteColor(id="x", value=HueAlias(hue="flare")),))
    end = Diverging(low=HueAlias(hue="tidewater"), high=HueAlias(hue="flare"), exact=True)
    pair = apply_all(
        added(same, "one", view="board"), [AddPalette(id="two", name="two", make=end)]
    ).system
    assert not found_of(apply(pair, DescribePalette(palette="two", view="board")), "view")


def test_an_exact_end_is_the_color_itself_and_a_stop_can_stand_elsewhere():
    exact = Diverging(
        low=HueAlias(hue="tidewater"),
        high=StepAlias(hue="flare", step="s700"),
        exact=True,
        classes=7,
    )
    drawn = shown(added(exact), "new")
    resolved = resolve(SYSTEM)
    assert (drawn.rgb8[0] == rgb8_of(resolved.hues["tidewater"].color)).all()
    assert (drawn.rgb8[-1] == resolved.hues["flare"].rgb8[6]).all()
    light = lights(drawn.rgb8)
    assert (np.diff(light)[:3] > 0).all()
    assert (np.diff(light)[3:] < 0).all()
    sources = (HueAlias(hue="gorse"), HueAlias(hue="buoy"))
    plain = shown(added(Sequential(sources=sources)), "new")
    moved = shown(added(Sequential(sources=sources, places=(None, 0.9))), "new")
    assert not (plain.rgb8 == moved.rgb8).all()
    assert (np.diff(lights(moved.rgb8)) < 0).all()
    with pytest.raises(ValueError, match="as many places"):
        Sequential(sources=sources, places=(0.5,))
