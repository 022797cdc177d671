"""Sorting what is read: kinds, repetitions, what is replaced, which step fits; and a set as text and back."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from heimat.core.color.nearness import HARDLY_DIFFERENT
from heimat.core.color.notation import NOTATIONS, as_bytes, parse, rgb8_of
from heimat.core.document.order import in_order
from heimat.core.edits import apply, apply_all
from heimat.core.edits.candidates import AddCandidates, JoinCandidates, RemoveCandidates, SetCandidate
from heimat.core.edits.hues import NewColor
from heimat.core.edits.stops import KeepStops, RemoveStops
from heimat.core.errors import DomainError
from heimat.core.hues.source import source_color
from heimat.core.proposals.set_as_text import read_back, set_as_text
from heimat.core.proposals.sorting import fits, guess_kind, repeats, replacing
from heimat.core.resolve.resolved import resolve
from heimat.demo.systems import TIMETABLE_COLOR, brinemark

SYSTEM = brinemark()
RESOLVED = resolve(SYSTEM)

KINDS = [
    ("color-danger-500", "#BF3650", ("status", "error")),
    ("Success / base", "#3F8F4F", ("status", "success")),
    ("warning", "#D98A00", ("status", "warning")),
    ("info", "#2F6DB5", ("status", "information")),
    ("primary", "#0B6E6E", ("brand", None)),
    ("grey-500", "#757F7E", ("neutral", None)),
    ("", "#777777", ("neutral", None)),
    ("sea", "#2F6DB5", ("accent", None)),
]


@pytest.mark.parametrize(("name", "value", "kind"), KINDS, ids=[name or value for name, value, _ in KINDS])
def test_kinds_are_guessed_from_names_and_chroma(name, value, kind):
    assert guess_kind(name, parse(value)) == kind


def test_the_first_color_of_an_empty_set_is_the_brands():
    assert guess_kind("", parse("#2F6DB5"), first=True) == ("brand", None)


def test_repetitions_of_the_set_and_of_earlier_lines():
    found = repeats(
        as_bytes([parse(text) for text in ("#0B6E6E", "#0C6F6F", "#123456", "#123457", "#FF00FF")]), RESOLVED
    )
    assert (found[0].hue, found[0].distance) == ("tidewater", 0.0)
    assert found[1].hue == "tidewater"
    assert 0.0 < found[1].distance < HARDLY_DIFFERENT
    assert found[2] is None
    assert found[3].line == 2
    assert found[4] is None


def test_replacing_matches_by_name_then_by_order():
    hues = in_order(SYSTEM.hues)[:4]
    found = replacing(["", "BUOY", "nobody", "buoy", "last", "more"], hues)
    assert [match and (match[0].name, match[1]) for match in found] == [
        ("tidewater", "order"),
        ("buoy", "name"),
        ("gorse", "order"),
        ("heather", "order"),
        None,
        None,
    ]


def test_existing_colors_are_sorted_to_the_step_that_they_fit():
    colors = as_bytes([parse(text) for text in (TIMETABLE_COLOR, "#7A2030", "#EEF3F2")])
    timetable, dark_red, light = fits(colors, RESOLVED)
    # The demo's timetable color is pinned there already; the fit is told of what would be generated.
    assert (timetable.hue, timetable.label) == ("tidewater", "500")
    assert timetable.distance == pytest.approx(4.0, abs=0.1)
    assert dark_red.hue == "flare"
    assert light.hue == "shingle"


@settings(max_examples=30)
@given(st.lists(st.tuples(*[st.integers(0, 255)] * 3), max_size=40))
def test_no_step_is_offered_twice(colors):
    found = fits(np.array(colors, dtype=np.uint8).reshape(-1, 3), RESOLVED)
    taken = [(fit.hue, fit.step) for fit in found if fit]
    assert len(taken) == len(set(taken))
    assert len(found) == len(colors)


def test_a_set_is_text_and_the_text_is_the_set():
    for notation in NOTATIONS:
        plan = read_back(SYSTEM, set_as_text(SYSTEM, notation))
        assert plan.edits == []
        assert {row.what for row in plan.rows} == {"unchanged"}
    assert set_as_text(SYSTEM, sign=False, names=False).splitlines()[:2] == ["0B6E6E", "DF5A33"]
    assert read_back(SYSTEM, set_as_text(SYSTEM, names=False).replace("#", "")).edits[0].type != "remove_hue"


def changed(*replacements):
    text = set_as_text(SYSTEM)
    for old, new in replacements:
        assert old in text
        text = text.replace(old, new)
    return read_back(SYSTEM, text)


def test_values_names_kinds_and_order_are_read_back_as_one_change():
    plan = changed(
        ("#DFAF3A", "oklch(0.8 0.13 90)"),
        ("buoy: #DF5A33", "beacon: #DF5A33"),
        ("kelp: #3F8F4F success\nflare: #BF3650 error", "flare: #BF3650 error\nkelp: #3F8F4F warning"),
        ("heather: #8A6FA8\n", "dusk: #443355\n"),
    )
    said = {(row.what, row.name) for row in plan.rows if row.what not in ("unchanged", "moved")}
    # One of the two that have changed places moves, and no other.
    assert [row.name in ("kelp", "flare") for row in plan.rows if row.what == "moved"] == [True]
    assert said == {
        ("changed", "gorse"),
        ("renamed", "beacon"),
        ("sorted", "kelp"),
        ("added", "dusk"),
        ("removed", "heather"),
    }
    applied = apply_all(SYSTEM, plan.edits)
    names = [hue.name for hue in in_order(applied.system.hues)]
    assert names == ["tidewater", "beacon", "gorse", "dusk", "flare", "kelp", "lamp", "sound", "shingle"]
    assert applied.system.hues["kelp"].status == "warning"
    assert applied.system.hues["buoy"].name == "beacon"
    assert apply(applied.system, applied.inverse) == SYSTEM


def test_lines_that_cannot_be_read_remove_nothing():
    plan = changed(("#8A6FA8", "nonsense"), ("#BF3650 error", "#BF3650 #123456 error"))
    assert [row.name for row in plan.rows if row.what == "not read"] == [
        "heather: nonsense",
        "flare: #BF3650 #123456 error",
    ]
    assert plan.edits == []


def test_a_derived_hue_that_is_given_a_value_follows_no_longer():
    plan = changed(("shingle: #767F7F follows tidewater", "shingle: #808080"))
    assert [(row.what, row.words) for row in plan.rows if row.what == "changed"] == [("changed", "follows no longer")]
    assert apply_all(SYSTEM, plan.edits).system.hues["shingle"].source.kind == "given"


@settings(max_examples=60)
@given(st.text(max_size=300), st.integers(0, 200))
def test_reading_back_any_text_never_raises(text, place):
    whole = set_as_text(SYSTEM)
    plan = read_back(SYSTEM, whole[:place] + text + whole[place:])
    for row in plan.rows:
        assert row.what == "not read" or row.before is not None or row.after is not None


def waiting(*colors: str):
    return apply(
        SYSTEM, AddCandidates(candidates=tuple(NewColor(id=f"k{at}", color=color) for at, color in enumerate(colors)))
    )


def test_candidates_wait_join_and_go():
    system = waiting("#F2C66D", "#777777", "#CC272E")
    system = apply(system, SetCandidate(candidate="k0", name="harbor light", kind="accent"))
    joined = apply_all(system, [JoinCandidates(candidates=("k0", "k1"))])
    assert joined.sentence == "Let 2 candidates join"
    assert [joined.system.hues[key].name for key in ("k0", "k1")] == ["harbor light", "gray"]
    assert list(joined.system.candidates) == ["k2"]
    assert rgb8_of(source_color(joined.system, joined.system.hues["k0"])).tolist() == [242, 198, 109]
    assert apply(joined.system, joined.inverse) == system
    assert apply(system, RemoveCandidates(candidates=("k0", "k1", "k2"))).candidates == {}
    for wrong in (JoinCandidates(candidates=("gone",)), RemoveCandidates(candidates=("gone",))):
        with pytest.raises(DomainError, match="not there any more"):
            apply(system, wrong)


def test_a_candidate_with_a_taken_name_waits_on():
    system = apply(waiting("#F2C66D"), SetCandidate(candidate="k0", name="buoy", kind="accent"))
    with pytest.raises(DomainError, match="taken"):
        apply(system, JoinCandidates(candidates=("k0",)))
    with pytest.raises(DomainError, match="opaque"):
        waiting("#F2C66D80")


def test_stops_are_kept_under_names_of_their_own():
    kept = KeepStops(id="s1", name="harbor", colors=("#101820", "#C9CDCF"), difference=3.0)
    system = apply(apply(SYSTEM, kept), kept.model_copy(update={"id": "s2"}))
    assert [stops.name for stops in in_order(system.stops)] == ["harbor", "harbor 2"]
    assert list(apply(system, RemoveStops(stops="s1")).stops) == ["s2"]
    with pytest.raises(DomainError, match="not there"):
        apply(SYSTEM, RemoveStops(stops="s1"))
