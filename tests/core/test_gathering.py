"""Rows gathered for drawing, and classes of them: nothing is lost, nothing counted twice, whatever people bring."""

from collections import Counter
from datetime import date, timedelta

import numpy as np
import pytest
from hypothesis import example, given
from hypothesis import strategies as st

from heimat.core.charts.classes import breaks, counts
from heimat.core.charts.columns import Column, Table
from heimat.core.charts.gathering import (
    MOST_DRAWN,
    MOST_PERIODS,
    MOST_POINTS,
    OTHER,
    by_category,
    by_period,
    by_weekday,
    gathered,
    in_months,
    in_one,
    sampled,
)
from heimat.core.charts.suitability import kind_for
from heimat.core.errors import DomainError

WORDS = st.sampled_from(["", OTHER, "Alke", "Tern", *(f"quay {number}" for number in range(20))])
DAYS = st.dates(date(1931, 1, 1), date(2140, 12, 31))


def words_of(found):
    return Column("vessel", "word", tuple(found), np.full(len(found), np.nan))


def days_of(found):
    numbers = [np.nan if day is None else float((day - date(1970, 1, 1)).days) for day in found]
    return Column("date", "day", tuple(str(day) for day in found), np.array(numbers))


@example([OTHER, *(f"quay {number}" for number in range(20))] * 2, [OTHER, "quay 3"])
@example(["quay 1", *(f"quay {number}" for number in range(14)), OTHER, OTHER], [])
@given(st.lists(WORDS, max_size=120), st.lists(WORDS.filter(bool), max_size=15, unique=True))
def test_every_row_is_in_one_category_and_all_have_names_of_their_own(words, wanted):
    groups = by_category(words_of(words), wanted)
    there = {word for word in words if word}
    assert len(set(groups.names)) == len(groups.names) <= MOST_DRAWN
    for word, place in zip(words, groups.places, strict=True):
        if not word:
            assert place == -1
        elif groups.names[place] != word:
            # It stands in the rest, and has no name of its own beside it.
            assert groups.names[place] == OTHER
            assert word not in groups.names
    if len(there) <= MOST_DRAWN:
        assert set(groups.names) == there
    else:
        own = [word for word in wanted if word in there and word != OTHER]
        assert list(groups.names[: len(own)]) == own[: MOST_DRAWN - 1]
        assert groups.names[-1] == OTHER
        told = set(groups.names) - {OTHER, *own}
        often = Counter(word for word in words if word)
        least = min((often[word] for word in told), default=0)
        assert all(often[word] <= least for word in there - set(groups.names) - {OTHER}) or not told


@example([date(2026, month, 1) for month in (1, 2, 3)])
@example([date(year, 1, 1) for year in (2021, 2022, 2023)])
@example([date(2026, 5, 1), date(2026, 5, 1), None])
@given(st.lists(st.none() | DAYS, min_size=1, max_size=60))
def test_days_are_gathered_in_order_into_few_periods(days):
    groups = by_period(days_of(days)) if any(days) else in_one(Table((days_of(days),)))
    if not any(days):
        return
    kept = [(day, place) for day, place in zip(days, groups.places, strict=True) if day]
    assert all(place == -1 for day, place in zip(days, groups.places, strict=True) if day is None)
    assert [place for _, place in sorted(kept)] == sorted(place for _, place in kept)
    known = [day for day in days if day]
    whole = len(set(known)) > 1 and all(day.day == 1 for day in known)
    assert in_months(days_of(days)) == whole
    if not whole and (max(known) - min(known)) < timedelta(days=7 * MOST_PERIODS):
        assert len(groups.names) <= MOST_PERIODS
        assert all(
            abs((one - other).days) < 7
            for one, at in kept
            for other, beside in kept
            if at == beside
        )
    elif len({(day.year, day.month) for day in known}) <= MOST_PERIODS and not (
        whole and {day.month for day in known} == {1}
    ):
        assert len(groups.names) == len({(day.year, day.month) for day in known})
    else:
        assert groups.names == tuple(str(year) for year in sorted({day.year for day in known}))
    weekdays = by_weekday(days_of(days))
    assert [
        weekdays.names[place] for day, place in zip(days, weekdays.places, strict=True) if day
    ] == [day.strftime("%a") for day in days if day]


NUMBERS = st.lists(st.none() | st.floats(-1e6, 1e6), min_size=1, max_size=80)


@given(NUMBERS, st.data())
def test_sums_and_means_are_those_of_the_rows_one_by_one(numbers, data):
    count = len(numbers)
    rows, columns = (
        by_category(
            words_of(
                data.draw(
                    st.lists(st.sampled_from(["", "a", "b", "c"]), min_size=count, max_size=count)
                )
            )
        )
        for _ in range(2)
    )
    values = np.array([np.nan if each is None else each for each in numbers])
    for how in ("sum", "mean"):
        found = gathered(rows, columns, values, how)
        for row in range(len(rows.names)):
            for column in range(len(columns.names)):
                here = values[
                    (rows.places == row) & (columns.places == column) & np.isfinite(values)
                ]
                expected = np.nan if len(here) == 0 else here.sum() if how == "sum" else here.mean()
                assert found[row, column] == pytest.approx(
                    expected, rel=1e-9, abs=1e-6, nan_ok=True
                )


@given(st.integers(0, 100_000))
def test_a_scatter_has_few_points_from_first_to_last(count):
    rows = sampled(count)
    assert len(rows) <= MOST_POINTS
    assert count == 0 or (rows[0] == 0 and (np.diff(rows) == np.diff(rows)[:1]).all())
    assert count > MOST_POINTS or len(rows) == count


def test_quantiles_that_would_be_alike_are_refused_and_all_others_are_as_full():
    mostly_on_time = np.array([0.0] * 80 + list(range(1, 21)), dtype=np.float64)
    with pytest.raises(DomainError, match="ask for fewer"):
        breaks(mostly_on_time, 5, "quantiles")
    for values in (np.arange(100.0), np.random.default_rng(2).normal(0.0, 9.0, 333)):
        full = counts(values, breaks(values, 4, "quantiles"))
        assert len(full) == 4
        assert max(full) - min(full) <= 1


@given(
    st.lists(st.integers(0, 400), min_size=4, max_size=60),
    st.sampled_from([0.0, 1e9, -3e11]),
    st.integers(2, 4),
)
def test_natural_breaks_part_values_alike_however_far_they_are_from_zero(steps, off, count):
    values = np.array(steps, dtype=np.float64)
    if len(set(steps)) < count:
        return
    near, far = breaks(values, count, "natural"), breaks(values + off, count, "natural")

    def within(limits, shift):
        places = np.searchsorted(np.array(limits) - shift, values, side="right")
        return sum(
            ((values[places == at] - values[places == at].mean()) ** 2).sum() for at in set(places)
        )

    assert len(near) == len(far) == count - 1
    assert within(far, off) == pytest.approx(within(near, 0.0), rel=1e-6, abs=1e-6)


def test_the_kind_of_palette_that_data_are_told_by():
    def numbers(*found):
        return Column("load", "number", tuple(map(str, found)), np.array(found, dtype=np.float64))

    assert kind_for(words_of(["Alke", "Tern", "", "Alke"])) == ("categorical", "2 categories")
    assert kind_for(words_of([f"sailing {number}" for number in range(40)])) is None
    assert kind_for(words_of(["Alke"] * 9)) is None
    assert kind_for(numbers(0.16, 0.5, 1.0, np.nan)) == ("sequential", "0.16 to 1")
    assert kind_for(numbers(-9, 0, 24)) == ("diverging", "-9 to 24, on both sides of 0")
    assert kind_for(numbers(-9, -3)) == ("sequential", "-9 to -3")
    assert kind_for(numbers(4, 4)) is None
    assert kind_for(days_of([date(2026, 5, 1), date(2026, 5, 2)])) is None


def test_typed_breaks_are_as_many_as_the_classes_take():
    values = np.arange(10.0)
    assert breaks(values, 3, "typed", (2.0, 5.0)) == [2.0, 5.0]
    for typed in ((), (2.0,), (1.0, 2.0, 3.0)):
        with pytest.raises(DomainError, match="3 classes need 2 breaks"):
            breaks(values, 3, "typed", typed)
