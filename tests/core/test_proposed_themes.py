"""Themes that are proposed, over brands of all kinds: what a designer would otherwise mend by hand."""

from itertools import combinations

import numpy as np
import pytest

from heimat.core.color.arrays import from_bytes
from heimat.core.color.ciede2000 import TOLD_APART, ciede2000
from heimat.core.color.color_text import parse
from heimat.core.color.contrast import ratio, relative_luminance
from heimat.core.color.spaces import srgb_to_lab, srgb_to_oklch
from heimat.core.document.pairings import ToldApartSet
from heimat.core.document.tokens import LiteralColor
from heimat.core.edits import apply, apply_all
from heimat.core.edits.token_edits import SetTokenValue
from heimat.core.filling.fill import by_purpose
from heimat.core.filling.start import start_system
from heimat.core.filling.status_colors import PALE_APART
from heimat.core.legibility.findings import finding_ids
from heimat.core.planning.proposed_theme import propose_theme
from heimat.core.resolve.resolved import resolve
from heimat.core.sources.conventions import STATUSES
from tools.sheets.brands import brands

KINDS = (("dark", "usual"), ("light", "more"), ("dark", "more"))
DAY = "day"


def far(one, other):
    labs = srgb_to_lab(from_bytes(np.array([one, other])))
    return float(ciede2000(labs[0], labs[1]))


def in_all_themes(brand):
    """A system as it starts from a brand, with the three themes that are proposed for it; what was said to be lost."""
    system, lost = start_system("sheet", [("brand", parse(brand))]), []
    first = next(iter(system.themes))
    for scheme, contrast in KINDS:
        resolved = resolve(system)
        key = f"{scheme}-{contrast}"
        made = propose_theme(resolved, resolved.themes[first], key, key, scheme, contrast)
        system, lost = apply(system, made.edit), [*lost, *made.lost]
    return resolve(system), lost


@pytest.mark.parametrize("brand", brands()[::4])
def test_a_proposed_theme_needs_no_mending(brand):
    resolved, lost = in_all_themes(brand)
    assert finding_ids(resolved) == frozenset()
    assert lost == []
    ids = by_purpose(resolved.system)
    for key, theme in resolved.themes.items():
        color = {purpose: theme.tokens[token].rgb8 for purpose, token in ids.items()}
        light = {purpose: float(relative_luminance(each)) for purpose, each in color.items()}
        dark = theme.theme.scheme == "dark"
        messages = [f"status.{status}-surface" for status in STATUSES]
        chroma = srgb_to_oklch(from_bytes(np.array([color[each] for each in messages])))[:, 1]
        assert np.ptp(chroma) < 0.02, key
        for one, other in combinations([*messages, "selection.fill"], 2):
            assert far(color[one], color[other]) >= PALE_APART - 0.01, (key, one, other)
        assert far(color["focus.ring"], color["action.main.border"]) >= TOLD_APART, key
        assert float(ratio(color["selection.fill"], color["surface.page"])) >= 1.05, key
        assert (color["surface.well"] != color["surface.page"]).any(), key
        for ground in ("surface.page", "surface.card"):
            edges = [color["action.main.fill"], color["action.main.border"]]
            assert float(ratio(np.array(edges), color[ground]).max()) >= 3.0, key
        disabled, card = light["action.main.fill-disabled"], light["surface.card"]
        assert disabled > card if dark else disabled < card, key
        for status in STATUSES:
            visited = color["link.text-visited"]
            assert far(visited, color[f"status.{status}-text"]) >= TOLD_APART, (key, status)


def test_hovered_is_lighter_on_dark_and_darker_on_light_where_the_label_allows():
    resolved, _ = in_all_themes("#016559")
    ids = by_purpose(resolved.system)
    for theme in (each for each in resolved.themes.values() if each.theme.contrast == "usual"):
        fills = [
            float(relative_luminance(theme.tokens[ids[f"action.main.fill{part}"]].rgb8))
            for part in ("", "-hovered")
        ]
        assert fills == sorted(fills, reverse=theme.theme.scheme == "light")


def test_a_literal_ground_goes_along_at_night():
    system = start_system("sheet", [("brand", parse("#0B6E6E"))])
    first = next(iter(system.themes))
    ids = by_purpose(system)
    edits = [
        SetTokenValue(token=ids[purpose], theme=first, value=LiteralColor(color=parse(text)))
        for purpose, text in (("surface.card", "#FFFDF8"), ("surface.page", "#F6F1E6"))
    ]
    resolved = resolve(apply_all(system, edits).system)
    before = resolved.themes[first].tokens
    made = propose_theme(resolved, resolved.themes[first], "night", "night", "dark", "usual")
    assert made.lost == ()
    night = resolve(apply(resolved.system, made.edit)).themes["night"].tokens
    page, card = (ids[f"surface.{part}"] for part in ("page", "card"))
    assert float(relative_luminance(night[card].rgb8)) < 0.05
    had, has = (float(ratio(each[card].rgb8, each[page].rgb8)) for each in (before, night))
    assert has == pytest.approx(had, rel=0.04)


def test_pairs_that_look_alike_in_the_proposal_are_told():
    """What a set asks for is checked as pairings are, not passed over."""
    system = start_system("sheet", [("brand", parse("#0B6E6E"))])
    (told,) = system.told_apart.values()
    asked = ToldApartSet(**{**told.model_dump(), "threshold": 40.0})
    system = system.model_copy(update={"told_apart": {told.id: asked}})
    resolved = resolve(system)
    first = next(iter(resolved.themes.values()))
    made = propose_theme(resolved, first, "night", "night", "dark", "usual")
    assert any("apart under the vision that brings them nearest" in words for words in made.lost)
