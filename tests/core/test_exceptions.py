"""Accepted exceptions: what they take from the count, and when they give it back; mending all at once."""

from datetime import date, timedelta

import numpy as np
import pytest

from heimat.core.color.exact_color import Color
from heimat.core.color.hex_notation import hex_of
from heimat.core.document.tokens import LiteralColor, TokenAlias
from heimat.core.edits import apply, apply_all
from heimat.core.edits.exception_edits import AcceptFinding, EndException
from heimat.core.edits.token_care_edits import LetRepairsMove
from heimat.core.edits.token_edits import SetTokenValue
from heimat.core.errors import DomainError
from heimat.core.legibility.findings import (
    changed_by,
    count_open,
    finding_ids,
    findings,
    mend_all,
    moving_order,
    slacks,
    standing_exceptions,
)
from heimat.core.legibility.findings.consequences import Consequences
from heimat.core.legibility.findings.move import WORSE
from heimat.core.legibility.repairs import is_dark
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark

SYSTEM = brinemark()
TODAY = date(2026, 5, 4)
LATE = next(
    each for each in findings(resolve(SYSTEM), repairs=False) if each.select == "token:text-late"
)


def accepting(reason="the figures are large on the board", until=None, day=TODAY):
    colors = tuple(hex_of(color) for color in LATE.colors)
    wish = AcceptFinding(
        id="e1", finding=LATE.id, said=LATE.sentence, colors=colors, reason=reason, until=until
    )
    return wish.signed("Ines Vahl", day)


def test_an_accepted_finding_leaves_the_count_and_says_who_and_when():
    before = count_open(resolve(SYSTEM), TODAY)
    accepted = apply(SYSTEM, accepting())
    assert count_open(resolve(accepted), TODAY) == before - 1
    kept = accepted.exceptions["e1"]
    assert (kept.person, kept.on, kept.reason) == (
        "Ines Vahl",
        TODAY,
        "the figures are large on the board",
    )
    assert count_open(resolve(apply(accepted, EndException(exception="e1"))), TODAY) == before


def test_it_returns_when_its_day_has_passed_or_its_colors_are_others():
    until = apply(SYSTEM, accepting(until=TODAY + timedelta(days=2)))
    before = count_open(resolve(SYSTEM), TODAY)
    assert count_open(resolve(until), TODAY + timedelta(days=2)) == before - 1
    assert count_open(resolve(until), TODAY + timedelta(days=3)) == before
    other = SetTokenValue(token="text-late", theme=LATE.theme, value=LiteralColor(color="#E0603A"))
    moved = resolve(apply(apply(SYSTEM, accepting()), other))
    standing = standing_exceptions(moved, findings(moved, repairs=False), TODAY)
    assert standing.lapsed[LATE.id][1] == "the colors are others since"
    assert LATE.id not in standing.in_force
    settled = SetTokenValue(
        token="text-late", theme=LATE.theme, value=LiteralColor(color="#000000")
    )
    gone = resolve(apply(apply(SYSTEM, accepting()), settled))
    assert [
        each.id for each in standing_exceptions(gone, findings(gone, repairs=False), TODAY).settled
    ] == ["e1"]


@pytest.mark.parametrize(
    ("reason", "until", "field"), [("  ", None, "reason"), ("x", TODAY - timedelta(1), "until")]
)
def test_an_exception_needs_a_reason_and_a_day_to_come(reason, until, field):
    with pytest.raises(DomainError) as refused:
        apply(SYSTEM, accepting(reason, until))
    assert refused.value.field == field


def test_mending_all_breaks_nothing_and_leaves_what_was_accepted():
    before = finding_ids(resolve(SYSTEM))
    accepted = apply(SYSTEM, accepting())
    done = mend_all(resolve(accepted), TODAY)
    assert done
    assert LATE.id not in {finding.id for finding, _ in done}
    edits = [edit for _, repair in done for edit in repair.edits]
    after = finding_ids(resolve(apply_all(accepted, edits).system))
    assert after < before
    assert {finding.id for finding, _ in done} <= before - after
    assert LATE.id in after


def test_what_is_counted_from_a_few_pairs_is_what_the_whole_document_shows():
    """In three themes, with aliases of aliases, colors of their own and kept colors among the tokens."""
    rng = np.random.default_rng(4)
    system = SYSTEM
    moves = []
    for token in rng.choice(sorted(SYSTEM.tokens), 24, replace=False).tolist():
        theme = str(rng.choice(sorted(SYSTEM.themes)))
        level = tuple(int(value) for value in rng.integers(0, 256, 3))
        value = LiteralColor(
            color=Color.of_bytes(level), was="sand 300" if level[0] % 3 == 0 else ""
        )
        moves.append(SetTokenValue(token=token, theme=theme, value=value))
    moves.append(SetTokenValue(token="link-text", theme="day", value=TokenAlias(token="text-late")))
    system = apply_all(system, moves).system
    resolved = resolve(system)
    before = finding_ids(resolved)
    had = slacks(resolved)
    quick = Consequences(resolved, before)
    counted = 0
    for finding in findings(resolved):
        for repair in finding.repairs:
            found = quick.of(repair)
            there = resolve(changed_by(repair, system))
            after, has = finding_ids(there), slacks(there)
            both = before & after & had.keys() & has.keys()
            worse = sum(has[key].by < had[key].by - WORSE for key in both)
            assert found in (None, (len(before - after), len(after - before), worse)), (
                finding.id,
                repair.words,
            )
            counted += found is not None
    assert counted > 60


def late_repairs(system):
    """The repairs of the late text that give a token another value, as they are offered."""
    (found,) = [each for each in findings(resolve(system)) if each.id == LATE.id]
    return [repair for repair in found.repairs if repair.edits[0].type == "set_token_value"]


def moved(system):
    return {repair.edits[0].token for repair in late_repairs(system)}


def test_what_is_held_against_repairs_is_moved_by_none_and_what_moves_first_is_offered_first():
    text, ground = LATE.tokens
    assert {text, ground} <= moved(SYSTEM)
    held = apply(SYSTEM, LetRepairsMove(tokens=(text, ground), moving="never"))
    assert not {text, ground} & moved(held)
    assert all(
        edit.token not in (text, ground)
        for _, repair in mend_all(resolve(held), TODAY)
        for edit in repair.edits
    )
    harmless = [place for place, repair in enumerate(late_repairs(SYSTEM)) if repair.breaks == 0]
    for first, last in ((text, ground), (ground, text)):
        ordered = apply_all(
            SYSTEM,
            [
                LetRepairsMove(tokens=(first,), moving="first"),
                LetRepairsMove(tokens=(last,), moving="last"),
            ],
        ).system
        order = [
            token
            for token, _ in moving_order(
                resolve(ordered), findings(resolve(ordered), repairs=False)
            )
        ]
        assert (order[0], order[-1]) == (first, last)
        offered = [repair.edits[0].token for repair in late_repairs(ordered) if repair.breaks == 0]
        assert len(offered) == len(harmless)
        assert offered == sorted(offered, key=lambda token: {first: 0, last: 2}.get(token, 1))


def test_mending_all_moves_little_and_turns_no_ground_from_light_to_dark():
    """Pale badges whose text is a little too pale: the text moves, and the badges stay what they are."""
    pale, text = Color.of_bytes((255, 224, 130)), Color.of_bytes((150, 110, 20))
    grounds = [f"status-{kind}-surface" for kind in ("success", "warning", "error", "information")]
    grounds = [token for token in grounds if token in SYSTEM.tokens] or [
        pairing.ground
        for pairing in SYSTEM.pairings.values()
        if pairing.ground.startswith("status")
    ][:2]
    texts = {
        pairing.foreground for pairing in SYSTEM.pairings.values() if pairing.ground in grounds
    }
    assert grounds
    assert texts
    moves = [
        SetTokenValue(token=token, theme="day", value=LiteralColor(color=pale)) for token in grounds
    ]
    moves += [
        SetTokenValue(token=token, theme="day", value=LiteralColor(color=text))
        for token in sorted(texts)
    ]
    system = apply_all(SYSTEM, moves).system
    resolved = resolve(system)
    done = mend_all(resolved, TODAY)
    assert len(done) >= len(grounds)
    for _, repair in done:
        assert not repair.turned
        assert repair.distance < 30.0, repair.words
    after = resolve(apply_all(system, [edit for _, repair in done for edit in repair.edits]).system)
    for theme, found in resolved.themes.items():
        for token in found.grounds:
            assert is_dark(after.themes[theme].tokens[token].rgb8) == is_dark(
                found.tokens[token].rgb8
            )
    # Each turning is still offered to whoever asks for it, behind all others.
    for finding in findings(resolved):
        turned = [repair.turned for repair in finding.repairs if repair.breaks == 0]
        assert turned == sorted(turned)
