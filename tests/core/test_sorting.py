"""Sorting what is read: kinds, repetitions, what is replaced, which step fits; and a set as text and back."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import as_bytes, rgb8_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.nearness import HARDLY_DIFFERENT
from heimat.core.color.notation import NOTATIONS
from heimat.core.document.order import in_order
from heimat.core.edits import apply, apply_all
from heimat.core.edits.candidate_edits import (
    AddCandidates,
    JoinCandidates,
    RemoveCandidates,
    SetCandidate,
)
from heimat.core.edits.hue_edits import AddHues, NewColor, NewHue, RemoveHue
from heimat.core.edits.source_edits import SetSource
from heimat.core.edits.stop_edits import KeepStops, RemoveStops
from heimat.core.errors import DomainError
from heimat.core.hues.source import source_color
from heimat.core.planning.sorting import fits, guess_kind, repeats, replacing
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import TIMETABLE_COLOR, brinemark
from heimat.formats.set_text import read_back, set_as_text
from tests.examples import examples

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


@pytest.mark.parametrize(
    ("name", "value", "kind"), KINDS, ids=[name or value for name, value, _ in KINDS]
)
def test_kinds_are_guessed_from_names_and_chroma(name, value, kind):
    assert guess_kind(name, parse(value)) == kind


def test_the_first_color_of_an_empty_set_is_the_brands():
    assert guess_kind("", parse("#2F6DB5"), first=True) == ("brand", None)


def test_repetitions_of_the_set_and_of_earlier_lines():
    found = repeats(
        as_bytes(
            [
                parse(text)
                for text in ("#0B6E6E", "#0C6F6F", "#123456", "#123457", "#FF00FF", "#0B6E6E")
            ]
        ),
        RESOLVED,
        [True, True, True, True, True, False],
    )
    assert (found[0].hue, found[0].distance) == ("tidewater", 0.0)
    assert found[1].hue == "tidewater"
    assert 0.0 < found[1].distance < HARDLY_DIFFERENT
    assert found[2] is None
    assert found[3].line == 2
    assert found[4] is None
    # A translucent color only looks like a solid one on white: it is not the same.
    assert found[5] is None


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
    assert timetable.distance == pytest.approx(4.1, abs=0.1)
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
    # Values alone say nothing of kinds, nor of who follows whom.
    assert read_back(SYSTEM, set_as_text(SYSTEM, sign=False, names=False)).edits == []


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
        (
            "kelp: #3F8F4F success\nflare: #BF3650 error",
            "flare: #BF3650 error\nkelp: #3F8F4F warning",
        ),
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
    assert names == [
        "tidewater",
        "beacon",
        "gorse",
        "dusk",
        "flare",
        "kelp",
        "lamp",
        "sound",
        "shingle",
    ]
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
    assert [(row.what, row.words) for row in plan.rows if row.what == "changed"] == [
        ("changed", "follows no longer")
    ]
    assert apply_all(SYSTEM, plan.edits).system.hues["shingle"].source.kind == "given"


def test_added_lines_keep_their_place():
    plan = changed(("buoy: #DF5A33\n", "mist: #88AAAA\nbuoy: #DF5A33\nfoam: #DDEEEE\n"))
    names = [hue.name for hue in in_order(apply_all(SYSTEM, plan.edits).system.hues)]
    assert names[:5] == ["tidewater", "mist", "buoy", "foam", "gorse"]


def test_what_a_line_says_of_following_and_of_alpha_is_read_or_refused():
    plan = changed(
        ("shingle: #767F7F follows tidewater", "shingle: #808080 follows tidewater"),
        ("gorse: #DFAF3A", "gorse: #DFAF3A follows buoy"),
        ("heather: #8A6FA8", "heather: #8A6FA880\nsky: #88AAFF follows sound\nveil: #00000080"),
    )
    refused = {row.name: row.words for row in plan.rows if row.what == "not read"}
    assert refused["shingle"].startswith("shingle follows tidewater, which makes its color.")
    assert (
        refused["gorse"]
        == "gorse follows nothing. What a hue follows is chosen in its band, not here."
    )
    assert refused["heather"].startswith("#8A6FA880 is translucent, and a hue is solid.")
    assert refused["sky"].startswith("No hue called sky follows sound yet")
    assert refused["veil"].endswith("As it looks on white it is #7F7F7F.")
    assert plan.edits == []
    let_go = changed(("shingle: #767F7F follows tidewater", "shingle: #767F7F"))
    assert apply_all(SYSTEM, let_go.edits).system.hues["shingle"].source.kind == "given"


def test_removing_a_parent_in_the_text_asks_what_becomes_of_those_that_follow():
    text = set_as_text(SYSTEM).replace("tidewater: #0B6E6E\n", "")
    kept = read_back(SYSTEM, text)
    row = next(row for row in kept.rows if row.what == "removed")
    assert (row.words, row.followed) == ("shingle will follow it no longer", True)
    assert "shingle" in apply_all(SYSTEM, kept.edits).system.hues
    gone = read_back(SYSTEM, text, children="remove")
    assert next(row.words for row in gone.rows if row.what == "removed") == "with shingle"
    assert not {"tidewater", "shingle"} & set(apply_all(SYSTEM, gone.edits).system.hues)


def test_a_text_read_back_against_a_set_that_others_have_changed_tells_both():
    text = set_as_text(SYSTEM).replace("#DFAF3A", "#DDBB44").replace("heather: #8A6FA8\n", "")
    new = NewHue(id="mist", name="mist", kind="accent", color=parse("#88AAAA"))
    others = [
        AddHues(hues=(new,)),
        SetSource(hue="gorse", color=parse("#E0B040")),
        SetSource(hue="buoy", color=parse("#E06030")),
        RemoveHue(hue="kelp"),
    ]
    now = apply_all(SYSTEM, others).system
    plan = read_back(SYSTEM, text, now=now)
    told = {(row.what, row.name): row.words for row in plan.rows}
    assert told["changed", "gorse"] == "#E0B040 meanwhile"
    assert told["kept", "mist"] == "added meanwhile by somebody else"
    assert told["kept", "kelp"] == "removed meanwhile by somebody else, and stays removed"
    after = apply_all(now, plan.edits).system
    assert "mist" in after.hues
    assert not {"kelp", "heather"} & set(after.hues)
    values = {key: hex_of(rgb8_of(after.hues[key].source.color)) for key in ("gorse", "buoy")}
    assert values == {"gorse": "#DDBB44", "buoy": "#E06030"}
    order = [hue.id for hue in in_order(after.hues)]
    assert order == [hue.id for hue in in_order(now.hues) if hue.id != "heather"]


@examples(60)
@given(st.text(max_size=300), st.integers(0, 200))
def test_reading_back_any_text_never_raises(text, place):
    whole = set_as_text(SYSTEM)
    plan = read_back(SYSTEM, whole[:place] + text + whole[place:])
    for row in plan.rows:
        assert row.what == "not read" or row.before is not None or row.after is not None


def waiting(*colors: str):
    return apply(
        SYSTEM,
        AddCandidates(
            candidates=tuple(NewColor(id=f"k{at}", color=color) for at, color in enumerate(colors))
        ),
    )


def test_candidates_wait_join_and_go():
    system = waiting("#F2C66D", "#777777", "#CC272E")
    system = apply(system, SetCandidate(candidate="k0", name="harbor light", kind="accent"))
    joined = apply_all(system, [JoinCandidates(candidates=("k0", "k1"))])
    assert joined.sentence == "Let 2 candidates join"
    assert [joined.system.hues[key].name for key in ("k0", "k1")] == ["harbor light", "gray"]
    assert list(joined.system.candidates) == ["k2"]
    assert rgb8_of(source_color(joined.system, joined.system.hues["k0"])).tolist() == [
        242,
        198,
        109,
    ]
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
