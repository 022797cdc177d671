"""Pairings, told-apart sets, findings and their repairs."""

import itertools
from datetime import date

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from heimat.core import memory
from heimat.core.color.ciede2000 import ciede2000
from heimat.core.color.color_text import parse
from heimat.core.color.contrast import ratio
from heimat.core.color.spaces import srgb_to_lab
from heimat.core.color.told_apart import distances
from heimat.core.color.vision import COLOR_VISIONS, simulate
from heimat.core.document.tokens import LiteralColor, StepAlias
from heimat.core.edits import apply, apply_all
from heimat.core.edits.hue_edits import PinStep, SetAnchor
from heimat.core.edits.ladder_edits import SetLadder, losses
from heimat.core.edits.source_edits import SetSource
from heimat.core.edits.token_edits import SetTokenValue
from heimat.core.filling.starter import DAY
from heimat.core.legibility.findings import changed_by, finding_ids, findings, mend_all, slacks
from heimat.core.legibility.matrix import side
from heimat.core.legibility.selected import find
from heimat.core.resolve.checked_pairings import translucent_ratio
from heimat.core.resolve.resolved import resolve
from heimat.core.scales.anchors import Anchor
from tests.systems import brinemark_in_one_theme as brinemark

SYSTEM = brinemark()
RESOLVED = resolve(SYSTEM)


def test_distances_one_by_one():
    rgb8 = np.array([[0x3F, 0x8F, 0x4F], [0xBF, 0x36, 0x50], [0x2F, 0x6D, 0xB5]], dtype=np.uint8)
    found = distances(rgb8, 10.0)
    assert [(pair.one, pair.other) for pair in found] == list(itertools.combinations(range(3), 2))
    for pair in found:
        one, other = rgb8[pair.one] / 255.0, rgb8[pair.other] / 255.0
        for seen in pair.visions:
            by_hand = [
                float(
                    ciede2000(
                        srgb_to_lab(simulate(one, seen.vision, tenth / 10.0)),
                        srgb_to_lab(simulate(other, seen.vision, tenth / 10.0)),
                    )
                )
                for tenth in range(11)
            ]
            assert seen.least == pytest.approx(min(by_hand), abs=1e-6)
            assert seen.at_severity == pytest.approx(int(np.argmin(by_hand)) / 10.0)
            low = [tenth / 10.0 for tenth in range(11) if by_hand[tenth] < 10.0]
            told = {
                tenth / 10.0
                for first, last in seen.below
                for tenth in range(round(first * 10), round(last * 10) + 1)
            }
            assert told == set(low)
    assert {seen.vision for seen in found[0].visions} == set(COLOR_VISIONS)


def test_the_demos_trap_is_found_with_both_distances():
    first = findings(RESOLVED)[0]
    assert first.sentence == "status.success and status.error look alike for deutan vision."
    assert (
        "CIEDE2000 65.3 for typical vision, 3.2 for deutan; below 10 from severity 0.9 up"
        in first.detail
    )


def test_a_short_pairing_is_found_in_words():
    sentences = [finding.sentence for finding in findings(RESOLVED)]
    assert "text.late on surface.card reads 3.71; body text needs 4.5." in sentences
    assert not any("divider" in sentence for sentence in sentences)


def test_repairs_do_what_they_say():
    assert any(finding.repairs for finding in findings(RESOLVED))
    for finding in findings(RESOLVED):
        for repair in finding.repairs:
            after = resolve(changed_by(repair, SYSTEM))
            moved = (
                repair.edits[0].tokens[0].id
                if repair.kind == "companion"
                else repair.edits[0].token
            )
            assert (after.theme().tokens[moved].rgb8 == repair.rgb8).all()
            assert finding.id not in {left.id for left in findings(after)}


def test_an_interval_in_which_a_pair_collapses_is_told_with_its_holes():
    """Near at some severities, told apart between them, near again."""
    rng = np.random.default_rng(8)
    rgb8 = rng.integers(0, 256, (400, 3)).astype(np.uint8)
    holes = [seen for pair in distances(rgb8, 10.0) for seen in pair.visions if len(seen.below) > 1]
    assert holes
    for seen in holes:
        ends = [end for run in seen.below for end in run]
        assert ends == sorted(ends)
        # Two runs are parted by a severity at which the pair is told apart.
        assert all(after[0] - before[1] > 0.15 for before, after in itertools.pairwise(seen.below))


@settings(max_examples=12)
@given(st.integers(0, 8), st.integers(0, 8), st.integers(0, 8))
def test_what_a_repair_mends_and_breaks_is_what_a_fresh_check_finds(text, status, other):
    """Of any kind, told-apart sets among them: counted over what a person would read afterwards."""
    moves = [
        SetTokenValue(
            token=token, theme=DAY, value=StepAlias(hue=hue, step=SYSTEM.ladder.steps[place].id)
        )
        for token, hue, place in (
            ("text-late", "buoy", text),
            ("status-error", "flare", status),
            ("chart-series-2", "gorse", other),
        )
    ]
    system = apply_all(SYSTEM, moves).system
    before = findings(resolve(system))
    read = {finding.id: finding.sentence for finding in before}
    had = slacks(resolve(system))
    for finding in before:
        for repair in finding.repairs:
            there = resolve(changed_by(repair, system))
            after = {left.id for left in findings(there, repairs=False)}
            assert repair.mends == len(read.keys() - after) >= 1
            assert repair.breaks == len(after - read.keys())
            has = slacks(there)
            both = read.keys() & after & had.keys() & has.keys()
            assert repair.worsens == sum(has[key].by < had[key].by - 1e-3 for key in both)


def test_what_stays_open_and_gets_worse_is_told_and_left_to_a_person():
    """Two texts fail on one ground from both sides: what helps one takes from the other."""
    system = apply_all(
        SYSTEM,
        [
            SetTokenValue(
                token="surface-card", theme=DAY, value=LiteralColor(color=parse("#8A8F8F"))
            ),
            SetTokenValue(token="text-late", theme=DAY, value=LiteralColor(color=parse("#FFFFFF"))),
        ],
    ).system
    told = [repair for each in findings(resolve(system)) for repair in each.repairs]
    worse = [repair for repair in told if repair.worsens]
    assert worse
    assert all(repair.worsens == 0 for _, repair in mend_all(resolve(system), date(2026, 1, 5)))


def test_a_brand_color_that_a_pin_pushes_out_of_its_scale_is_a_finding():
    pinned = apply(SYSTEM, PinStep(hue="tidewater", step="s600", color=parse("#2A8C82")))
    found = next(finding for finding in findings(resolve(pinned)) if finding.kind == "displaced")
    assert found.sentence == "tidewater’s own color #0B6E6E is in its scale no longer."
    assert "600, which is pinned at #2A8C82" in found.detail
    assert found.id in finding_ids(resolve(pinned))
    slip = find(resolve(pinned), None, "hue:tidewater")
    assert slip.why.startswith("Given as #0B6E6E, kept exactly. A pin stands in its place at 600.")
    # Pinned at its very own color, it is where it was.
    same = apply(SYSTEM, PinStep(hue="tidewater", step="s600", color=parse("#0B6E6E")))
    assert not any(finding.kind == "displaced" for finding in findings(resolve(same)))


def test_a_ladder_that_takes_a_brand_color_away_says_so_before():
    # On the short ladder the nearest label to tidewater is one where a pin stands.
    short = apply(SYSTEM, PinStep(hue="tidewater", step="s500", color=parse("#2A8C82")))
    after = apply(short, SetLadder(ladder="short"))
    displaced = any(finding.kind == "displaced" for finding in findings(resolve(after)))
    assert displaced
    assert "tidewater’s own color is in its scale no longer." in losses(short, after)


def test_a_translucent_color_counts_at_its_worst_level():
    ground = np.array([255, 255, 255], dtype=np.uint8)
    found = translucent_ratio(np.zeros(3, dtype=np.uint8), 0.54, ground)
    exact = np.rint(255 * 0.46)
    assert found == pytest.approx(float(ratio([exact + 1] * 3, ground)))
    assert found < float(ratio([exact] * 3, ground))


def test_a_translucent_ground_must_name_what_lies_under_it():
    glass = LiteralColor(color=parse("rgb(255 255 255 / 50%)"))
    after = resolve(apply(SYSTEM, SetTokenValue(token="surface-card", theme=DAY, value=glass)))
    assert any("cannot be measured" in finding.sentence for finding in findings(after))
    assert all(
        result.holds is None
        for result in after.theme().pairings
        if result.pairing.ground == "surface-card"
    )


def test_an_anchor_that_crowds_its_scale_is_found():
    dark = apply(SYSTEM, SetSource(hue="heather", color="#101010"))
    crowded = apply(dark, SetAnchor(hue="heather", anchor=Anchor(mode="label", step="s100")))
    assert any("too little room" in finding.sentence for finding in findings(resolve(crowded)))
    assert not any("too little room" in finding.sentence for finding in findings(resolve(dark)))


def test_resolving_is_pure():
    again = resolve(brinemark())
    assert (again.steps.rgb8 == RESOLVED.steps.rgb8).all()
    assert again.promises == RESOLVED.promises
    assert [finding.sentence for finding in findings(again)] == [
        finding.sentence for finding in findings(RESOLVED)
    ]


def test_remembered_scales_are_what_would_be_made_afresh():
    moved = apply(SYSTEM, SetSource(hue="tidewater", color="#0B6E8E"))
    remembered = [resolve(system).steps.rgb8.copy() for system in (SYSTEM, moved, SYSTEM)]
    memory.clear()
    afresh = [resolve(system).steps.rgb8 for system in (moved, SYSTEM)]
    assert (remembered[1] == afresh[0]).all()
    assert (remembered[0] == afresh[1]).all()
    assert (remembered[2] == afresh[1]).all()
    with pytest.raises(ValueError, match="read-only"):
        resolve(SYSTEM).hues["kelp"].scale.rgb8[0] = 0


def test_a_side_of_neutrals_has_the_steps_of_neutrals_alone():
    resolved = resolve(SYSTEM)
    neutrals = [hue for hue in resolved.hue_list if hue.hue.kind == "neutral"]
    assert 0 < len(neutrals) < len(resolved.hue_list)
    found = side(resolved, resolved.theme(), "neutrals", "own")
    assert set(found.keys) == {
        hue.step_key(place) for hue in neutrals for place in range(len(hue.steps))
    }
