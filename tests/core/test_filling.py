"""Filling tokens: what the rules promise holds for any brand, in every scheme; a second computation checks it."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.color_text import parse
from heimat.core.color.contrast import ratio
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.document.purposes import PURPOSES
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import HueAlias, LiteralColor, TokenAlias
from heimat.core.edits import apply_all
from heimat.core.edits.source_edits import given as given_source
from heimat.core.edits.theme_edits import AddTheme
from heimat.core.edits.token_edits import SetTokenValue
from heimat.core.errors import DomainError
from heimat.core.filling.fill import addition, by_purpose, filled, refilling
from heimat.core.filling.filler import STATE_DISTANCE
from heimat.core.filling.rules import has_rule, rules_for
from heimat.core.filling.sets import SETS, family_purposes
from heimat.core.filling.start import start_system
from heimat.core.planning.proposed_theme import propose_theme
from heimat.core.resolve.checked_pairings import NEEDED
from heimat.core.resolve.resolved import Resolved, resolve
from heimat.demo.demo_systems import brinemark

BRANDS = [
    "#0B6E6E",
    "#F5E10A",
    "#777777",
    "#000000",
    "#FFFFFF",
    "#39FF14",
    "#BFC4C8",
    "#1B1033",
    "#DF5A33",
    "#9F9F00",
]


def started(brand: str) -> ColorSystem:
    """A system from one brand color, with a second theme for dark grounds and a third for more contrast."""
    system = start_system("x", [("brand", parse(brand))])
    for scheme, contrast in (("dark", "usual"), ("light", "more")):
        resolved = resolve(system)
        edit = propose_theme(
            resolved,
            resolved.themes["day"],
            f"{scheme}-{contrast}",
            f"{scheme}-{contrast}",
            scheme,
            contrast,
        )
        system = apply_all(system, [edit.edit]).system
    return system


def color(resolved: Resolved, theme: str, purpose: str) -> np.ndarray:
    return resolved.themes[theme].tokens[by_purpose(resolved.system)[purpose]].rgb8


def apart(one: np.ndarray, other: np.ndarray) -> float:
    labs = srgb_to_lab(np.array([one, other]) / 255.0)
    return float(ciede2000(labs[0], labs[1]))


def test_the_sets_are_as_large_as_they_say():
    assert [len(SETS[name]) for name in ("small", "product", "dashboard")] == pytest.approx(
        [16, 60, 90], abs=5
    )
    for purposes in SETS.values():
        assert len(set(purposes)) == len(purposes)
        assert set(purposes) <= set(PURPOSES)
    assert set(SETS["small"]) <= set(SETS["product"]) <= set(SETS["dashboard"])
    rules = rules_for(frozenset(PURPOSES))
    assert {purpose for purpose in PURPOSES if has_rule(purpose)} == set(rules)


def holds_for(brand: str) -> None:
    resolved = resolve(started(brand))
    exact = rgb8_of(parse(brand))
    ids = by_purpose(resolved.system)
    for theme_id, theme in resolved.themes.items():
        fill, label = (
            color(resolved, theme_id, f"action.main.{part}") for part in ("fill", "label")
        )
        if theme.theme.contrast == "usual":
            assert (fill == exact).all(), "the brand stays the brand"
        border = color(resolved, theme_id, "action.main.border")
        for ground in ("surface.page", "surface.card"):
            there = color(resolved, theme_id, ground)
            assert ratio(border, there) >= 3.0
        for part in ("fill", "fill-hovered", "fill-pressed"):
            assert ratio(label, color(resolved, theme_id, f"action.main.{part}")) >= 4.5
        hovered, pressed = (
            color(resolved, theme_id, f"action.main.fill-{state}")
            for state in ("hovered", "pressed")
        )
        assert apart(fill, hovered) >= STATE_DISTANCE
        assert apart(hovered, pressed) >= STATE_DISTANCE
        assert apart(fill, pressed) >= STATE_DISTANCE
        # Whatever a pairing needs is reached, but where the proposal said that it is not.
        short = {result.pairing.id for result in theme.pairings if result.holds is False}
        assert not short, (brand, theme_id, short)
        assert (
            color(resolved, theme_id, "text.strong").tolist()
            != color(resolved, theme_id, "text.faint").tolist()
        )
    assert isinstance(resolved.system.tokens[ids["action.main.fill"]].values["day"], HueAlias)


def test_messages_of_statuses_without_a_hue_are_filled_all_the_same():
    system = started("#0B6E6E")
    hues = {key: hue for key, hue in system.hues.items() if hue.kind != "status"}
    system = system.model_copy(
        update={"hues": hues, "tokens": {}, "pairings": {}, "told_apart": {}}
    )
    ids = {purpose: purpose.replace(".", "-") for purpose in SETS["product"]}
    made = filled(resolve(system), list(ids), ids, "light", "usual")
    assert made["status.error-surface"].hue in hues
    assert made["selection.fill"].hue in hues


@pytest.mark.parametrize("brand", BRANDS)
def test_what_the_rules_promise_holds(brand: str):
    holds_for(brand)


@settings(max_examples=25)
@given(st.tuples(*[st.integers(0, 255)] * 3))
def test_what_the_rules_promise_holds_for_any_brand(levels: tuple[int, int, int]):
    holds_for("#{:02X}{:02X}{:02X}".format(*levels))


def test_where_neither_white_nor_the_darkest_neutral_passes_the_label_is_a_near_black():
    """#777777 reads 4.48 under white; the darkest neutral of L* 4 reads less."""
    system = started("#777777")
    label = system.tokens[by_purpose(system)["action.main.label"]].values["day"]
    assert isinstance(label, LiteralColor)
    ink = rgb8_of(label.color)
    assert ratio(ink, rgb8_of(parse("#777777"))) >= 4.5
    luminance = float((ratio(ink, np.zeros(3, dtype=np.uint8)) * 0.05) - 0.05)
    assert 903.3 * luminance <= 1.6


def test_a_main_action_follows_its_hue_wherever_its_scale_is_anchored():
    system = started("#0B6E6E")
    brand = next(hue for hue in system.hues.values() if hue.kind == "brand")
    lighter, _ = given_source(Color(space="srgb", components=(0.9, 0.6, 0.2)), None)
    moved = system.model_copy(
        update={"hues": {**system.hues, brand.id: brand.model_copy(update={"source": lighter})}}
    )
    assert (color(resolve(moved), "day", "action.main.fill") == rgb8_of(lighter.color)).all()


def test_a_set_is_filled_beside_what_is_there_and_again_over_what_is_chosen():
    system = resolve(start_system("x", [("brand", parse("#0B6E6E"))])).system
    assert addition(resolve(system), SETS["product"]).edits == ()
    more = addition(resolve(system), SETS["dashboard"])
    assert set(more.added) == set(SETS["dashboard"]) - set(SETS["product"])
    whole = apply_all(system, more.edits).system
    assert all(whole.tokens[key] == token for key, token in system.tokens.items())
    # By hand, then by the rule again; what was not chosen stays by hand.
    ids = by_purpose(whole)
    by_hand = apply_all(
        whole,
        [
            SetTokenValue(
                token=ids[purpose], theme="day", value=TokenAlias(token=ids["text.strong"])
            )
            for purpose in ("text.plain", "link.text")
        ],
    ).system
    resolved = resolve(by_hand)
    edit = refilling(resolved, by_hand.themes["day"], [ids["text.plain"]])
    again = apply_all(by_hand, [edit]).system
    assert again.tokens[ids["text.plain"]].values == whole.tokens[ids["text.plain"]].values
    assert again.tokens[ids["link.text"]] == by_hand.tokens[ids["link.text"]]
    assert refilling(resolve(whole), whole.themes["day"], list(whole.tokens)) is None


def test_a_family_of_a_status_needs_its_hue():
    system = start_system("x", [("brand", parse("#0B6E6E"))])
    made = addition(resolve(system), family_purposes("error", "solid"))
    assert len(made.added) == 7
    fewer = system.model_copy(
        update={"hues": {key: hue for key, hue in system.hues.items() if hue.status is None}}
    )
    bare = fewer.model_copy(update={"tokens": {}, "pairings": {}, "told_apart": {}})
    found = addition(resolve(bare), family_purposes("error", "solid"))
    assert (found.added, len(found.lacking)) == ((), 7)
    with pytest.raises(DomainError, match="add a first one"):
        addition(resolve(ColorSystem(name="x")), SETS["small"])


@pytest.mark.parametrize(
    ("scheme", "contrast"), [("dark", "usual"), ("light", "more"), ("dark", "more")]
)
def test_a_proposed_theme_names_whatever_it_lowers_below_its_target(scheme, contrast):
    """Also of what a person has chosen: a color of its own, a hue, a step without a purpose."""
    system = brinemark()
    for token, value in (
        ("text-faint", LiteralColor(color="#3A4A5A")),
        ("icon-plain", HueAlias(hue="heather")),
        ("chart-label", TokenAlias(token="text-faint")),
    ):
        system = apply_all(system, [SetTokenValue(token=token, theme="day", value=value)]).system
    resolved = resolve(system)
    proposal = propose_theme(resolved, resolved.themes["day"], "new", "new", scheme, contrast)
    made = resolve(apply_all(system, [proposal.edit]).system).themes["new"]
    for before, after in zip(resolved.themes["day"].pairings, made.pairings, strict=True):
        needed = NEEDED[after.pairing.use]
        if needed is not None and after.ratio < needed:
            names = [
                system.tokens[key].name for key in (after.pairing.foreground, after.pairing.ground)
            ]
            assert any(
                sentence.startswith(f"{names[0]} on {names[1]} reads") for sentence in proposal.lost
            )
            assert before.ratio < needed or names[0] == "text.late"
    # Hue stays with what was chosen by hand, and its contrast is as it was, as near as there is a step.
    faint = made.tokens["text-faint"]
    assert isinstance(faint.end, LiteralColor)
    assert made.tokens["icon-plain"].hue == "heather"


def test_a_theme_says_only_what_differs_there():
    resolved = resolve(brinemark())
    proposal = propose_theme(resolved, resolved.themes["day"], "new", "new", "light", "usual")
    assert proposal.edit.values == {}
    assert isinstance(proposal.edit, AddTheme)
    assert proposal.edit.base == "day"
