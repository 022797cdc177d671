"""What the charts of a palette are drawn from: groups of rows, and for each the place of its color in the palette."""

import re
from collections.abc import Sequence

import numpy as np
from typing_extensions import TypedDict

from heimat.core.charts.classes import breaks, breaks_around, counts
from heimat.core.charts.columns import Column, Table, finite
from heimat.core.charts.gathering import (
    OTHER,
    Gather,
    Groups,
    by_category,
    by_period,
    by_weekday,
    gathered,
    in_months,
    in_one,
    sampled,
)
from heimat.core.charts.places import along, around, class_places, even_limits, nearest_sample
from heimat.core.color.arrays import Floats
from heimat.core.document.order import in_order
from heimat.core.document.palettes import Categorical, Diverging, Palette, Sequential
from heimat.core.errors import DomainError
from heimat.core.resolve.resolved import Resolved
from heimat.core.values.palette_colors import SAMPLES

_BETWEEN = re.compile(r"([^–—→]+)[–—→]([^–—→]+)")
"""A name of two places with a dash between."""
_MOST_STOPS = 24


class SeriesView(TypedDict):
    """Categories: names, the place of each one's color in the palette (null for those without one), and how often."""

    column: str
    names: list[str]
    places: list[int | None]
    rows: list[int]


class GridView(TypedDict):
    """Values of groups in groups: names of rows and columns, null where there is none, and the number in words."""

    title: str
    rows: list[str]
    columns: list[str]
    values: list[list[float | None]]


class ScatterView(TypedDict):
    """Points: two columns, and for each its values and the place of its category. `of` is how many rows there are."""

    x: str
    y: str
    points: list[tuple[float, float, int]]
    of: int


class CategoryChartsView(TypedDict):
    """What charts by category are drawn from."""

    series: SeriesView
    by_period: GridView
    scatter: ScatterView | None


class ColoredGridView(GridView):
    """A grid whose cells are colored: for each the place of its color in the palette."""

    places: list[list[int | None]]


class LegendView(TypedDict):
    """What the colors of a palette stand for: its ends, inner limits of classes, and how many values are in each.

    `begin` are breaks to go on from where they are typed: those limits, or as many that lie inside of the data.
    """

    column: str
    low: float
    high: float
    middle: float | None
    limits: list[float]
    counts: list[int]
    begin: list[float]
    low_words: str
    high_words: str
    problem: str


class GaugeView(TypedDict):
    """The mean of each category: its value, where that is on the way from low to high, the place of its color."""

    title: str
    names: list[str]
    values: list[float | None]
    along: list[float]
    places: list[int | None]


class LinksView(TypedDict):
    """Categories that lead from one place to another: for each the places of both, the mean, the place of its color."""

    title: str
    stops: list[str]
    names: list[str]
    ends: list[tuple[int, int]]
    values: list[float | None]
    places: list[int | None]


class RampChartsView(TypedDict):
    """What charts by number are drawn from; there are links where categories are named after two places."""

    legend: LegendView
    heat: ColoredGridView
    tiles: ColoredGridView
    gauge: GaugeView
    links: LinksView | None


class ChartsView(TypedDict):
    """What a palette's charts are drawn from; one of both is null. `notes` say what is not drawn."""

    palette: str
    categories: CategoryChartsView | None
    ramp: RampChartsView | None
    notes: list[str]


def charts_view(
    resolved: Resolved, table: Table, palette_id: str, number: str | None
) -> ChartsView:
    """The charts of a palette over a table. Raises DomainError where the palette is gone."""
    palette = resolved.system.palettes.get(palette_id)
    if palette is None:
        raise DomainError("That palette is not there any more.", "palette", "missing")
    if isinstance(palette.make, Categorical):
        charts, notes = _categories(resolved, table, palette, palette.make, number)
        return {"palette": palette_id, "categories": charts, "ramp": None, "notes": notes}
    ramp = _ramp(table, palette, palette.make)
    return {"palette": palette_id, "categories": None, "ramp": ramp, "notes": []}


def _categories(
    resolved: Resolved, table: Table, palette: Palette, make: Categorical, number: str | None
) -> tuple[CategoryChartsView, list[str]]:
    wanted = [color.category for color in make.colors if color.category]
    wide = [column for name in wanted if (column := table.column(name)) and column.kind == "number"]
    periods = _periods(table)
    measured = _number_of(resolved, table, number)
    if len(wide) > 1 and not palette.column:
        names = tuple(column.name for column in wide)
        values = np.array(
            [gathered(in_one(table), periods, each.numbers, "sum")[0] for each in wide]
        )
        series: SeriesView = {
            "column": "",
            "names": list(names),
            "places": _assigned(make, names),
            "rows": [len(finite(each.numbers)) for each in wide],
        }
        grid = _grid(f"Sum by {', '.join(names[:2])} and so on", names, periods.names, values)
        return {"series": series, "by_period": grid, "scatter": None}, []
    column = _word_column(table, palette.column)
    groups = by_category(column, wanted) if column else in_one(table)
    series = {
        "column": column.name if column else "",
        "names": list(groups.names),
        "places": _assigned(make, groups.names),
        "rows": [
            int(each)
            for each in np.bincount(groups.places[groups.places >= 0], minlength=len(groups.names))
        ],
    }
    how: Gather = "sum" if _counts(measured.numbers) else "mean"
    values = gathered(groups, periods, measured.numbers, how)
    title = f"{'Sum' if how == 'sum' else 'Mean'} of {measured.name}"
    notes = []
    colored = sum(place is not None for place in series["places"])
    if colored < len(groups.names):
        notes.append(
            f"{len(groups.names) - colored} of {len(groups.names)} categories have no color of their own."
        )
    return {
        "series": series,
        "by_period": _grid(title, groups.names, periods.names, values),
        "scatter": _scatter(table, groups),
    }, notes


def _assigned(make: Categorical, names: Sequence[str]) -> list[int | None]:
    """The place of each category's color: the one that is bound to it, else the next that is bound to none."""
    bound = {color.category: place for place, color in enumerate(make.colors) if color.category}
    free = [
        place
        for place, color in enumerate(make.colors)
        if not color.category or color.category not in names
    ]
    found: list[int | None] = []
    for name in names:
        own = bound.get(name)
        if own is None and name != OTHER and free:
            own = free.pop(0)
        found.append(own)
    return found


def _scatter(table: Table, groups: Groups) -> ScatterView | None:
    numbers = table.of_kind("number")
    pairs = [column for column in numbers if not _counts(column.numbers)][:2]
    pairs = (pairs + [column for column in numbers if column not in pairs])[:2]
    if len(pairs) < 2:
        return None
    x, y = pairs
    rows = sampled(table.rows)
    rows = rows[
        np.isfinite(x.numbers[rows]) & np.isfinite(y.numbers[rows]) & (groups.places[rows] >= 0)
    ]
    points = [
        (float(x.numbers[row]), float(y.numbers[row]), int(groups.places[row])) for row in rows
    ]
    return {"x": x.name, "y": y.name, "points": points, "of": table.rows}


def _ramp(table: Table, palette: Palette, make: Sequential | Diverging) -> RampChartsView:
    column = table.column(palette.column)
    if column is None or column.kind != "number":
        column = table.of_kind("number")[0]
    values = finite(column.numbers)
    low, high = (float(values.min()), float(values.max())) if len(values) else (0.0, 1.0)
    problem = ""
    if isinstance(make, Diverging) and not low <= make.middle <= high:
        problem = f"The middle, {make.middle:g}, lies outside the data, from {low:g} to {high:g}: one side stays empty."
    limits: list[float] = []
    if make.classes:
        try:
            limits = _limits(make, values, low, high)
        except DomainError as error:
            problem = error.message
            limits = _limits(
                make.model_copy(update={"breaks": "equal"}), np.linspace(low, high, 100), low, high
            )
        outside = [each for each in limits if make.breaks == "typed" and not low < each < high]
        if outside and not problem:
            problem = f"{outside[0]:g} lies outside the data, from {low:g} to {high:g}: a class stays empty."
    period = _periods(table)
    word = _word_column(table, "")
    across = by_category(word) if word else in_one(table)
    days = table.of_kind("day")
    weekly = bool(days) and not in_months(days[0])
    beside = by_weekday(days[0]) if weekly else period
    goes_by = _period_column(table)
    by = "weekday" if weekly else goes_by.name if goes_by else ""
    # Rows by what the columns do not go by already: the same both ways would be a diagonal.
    times = [each for each in table.of_kind("word") if each is not word and each is not goes_by]
    heat_rows = by_category(times[-1]) if times else across
    heat_rows = Groups(tuple(sorted(heat_rows.names)), _resorted(heat_rows))

    def grid(title: str, rows: Groups, columns: Groups) -> ColoredGridView:
        means = gathered(rows, columns, column.numbers, "mean")
        plain = _grid(title, rows.names, columns.names, means)
        places = _places(make, means, low, high, limits)
        return {
            **plain,
            "places": [[None if each < 0 else int(each) for each in row] for row in places],
        }

    means = gathered(across, in_one(table), column.numbers, "mean")[:, 0]
    own_places = [
        None if each < 0 else int(each) for each in _places(make, means[None], low, high, limits)[0]
    ]
    own_values = [None if not np.isfinite(each) else round(float(each), 4) for each in means]
    gauge: GaugeView = {
        "title": f"Mean of {column.name}",
        "names": list(across.names),
        "values": own_values,
        "along": [round(float(each), 4) for each in np.nan_to_num(_along(make, means, low, high))],
        "places": own_places,
    }
    return {
        "legend": {
            "column": column.name,
            "low": low,
            "high": high,
            "middle": make.middle if isinstance(make, Diverging) else None,
            "limits": limits,
            "counts": counts(values, limits) if len(values) else [],
            "begin": _begun(make, limits, low, high),
            "low_words": make.low_words if isinstance(make, Diverging) else "",
            "high_words": make.high_words if isinstance(make, Diverging) else "",
            "problem": problem,
        },
        "heat": grid(f"Mean of {column.name}{f' by {by}' if by else ''}", heat_rows, beside),
        "tiles": grid(f"Mean of {column.name}", across, period),
        "gauge": gauge,
        "links": _links(gauge),
    }


def _links(gauge: GaugeView) -> LinksView | None:
    """The same by links, where every category is named after the two places that it leads between."""
    found = [_BETWEEN.fullmatch(name) for name in gauge["names"]]
    ends = [(each[1].strip(), each[2].strip()) for each in found if each]
    stops = _walked(ends)
    if len(ends) < len(found) or len(ends) < 2 or len(stops) > _MOST_STOPS:
        return None
    return {
        "title": gauge["title"],
        "stops": stops,
        "names": gauge["names"],
        "ends": [(stops.index(one), stops.index(other)) for one, other in ends],
        "values": gauge["values"],
        "places": gauge["places"],
    }


def _walked(ends: Sequence[tuple[str, str]]) -> list[str]:
    """The places in the order of a walk along the links, so that few of these cross where places stand around."""
    found: dict[str, None] = {}
    waiting = [stop for pair in reversed(ends) for stop in reversed(pair)]
    while waiting:
        stop = waiting.pop()
        if stop not in found:
            found[stop] = None
            beside = [other if stop == one else one for one, other in ends if stop in (one, other)]
            waiting += [each for each in reversed(beside) if each not in found]
    return list(found)


def _along(make: Sequential | Diverging, values: Floats, low: float, high: float) -> Floats:
    """Where values are on the way along a palette, from 0 to 1."""
    if isinstance(make, Diverging):
        found = around(values, low, make.middle, high, same_unit=make.sides == "unit")
        return np.asarray(found)
    return np.asarray(along(values, low, high))


def _resorted(groups: Groups) -> np.ndarray:
    """The places of rows after the names of their groups are sorted."""
    order = {name: place for place, name in enumerate(sorted(groups.names))}
    moved = np.array([order[name] for name in groups.names] + [-1], dtype=np.int64)
    return moved[groups.places]


def _begun(
    make: Sequential | Diverging, limits: list[float], low: float, high: float
) -> list[float]:
    """Limits inside of the data: those of equal color on both sides of a middle may reach beyond the shorter one."""
    if all(low < each < high for each in limits):
        return limits
    middle = (
        make.middle
        if isinstance(make, Diverging) and low < make.middle < high
        else (low + high) / 2.0
    )
    return even_limits(low, middle, high, len(limits) + 1, same_unit=False)


def _limits(make: Sequential | Diverging, values: Floats, low: float, high: float) -> list[float]:
    count = make.classes or SAMPLES
    if isinstance(make, Diverging) and make.breaks == "equal":
        return even_limits(low, make.middle, high, count, same_unit=make.sides == "unit")
    if isinstance(make, Diverging) and make.breaks != "typed" and low < make.middle < high:
        return breaks_around(values, make.middle, count, make.breaks)
    return breaks(values, count, make.breaks, make.typed)


def _places(
    make: Sequential | Diverging, values: Floats, low: float, high: float, limits: Sequence[float]
) -> np.ndarray:
    if make.classes:
        return class_places(values, limits).clip(-1, make.classes - 1)
    return nearest_sample(_along(make, values, low, high), SAMPLES)


def _period_column(table: Table) -> Column | None:
    """What is drawn along: the first days, else the last of several columns of words."""
    words = table.of_kind("word")
    return next(iter((*table.of_kind("day"), *words[1:][-1:])), None)


def _periods(table: Table) -> Groups:
    column = _period_column(table)
    if column is None:
        return in_one(table)
    return by_period(column) if column.kind == "day" else by_category(column)


def _word_column(table: Table, name: str) -> Column | None:
    named = table.column(name)
    if named is not None and named.kind == "word":
        return named
    words = table.of_kind("word")
    return words[0] if words else None


def _number_of(resolved: Resolved, table: Table, wanted: str | None) -> Column:
    """The number that is drawn: the one wanted, else the first that no palette is bound to."""
    numbers = table.of_kind("number")
    bound = {each.column for each in in_order(resolved.system.palettes)}
    named = next((each for each in numbers if each.name == wanted), None)
    return named or next((each for each in numbers if each.name not in bound), numbers[0])


def _counts(numbers: Floats) -> bool:
    """Whether numbers count something, so that they can be added up: whole, and none below 0."""
    values = finite(numbers)
    return bool(len(values) and (values >= 0.0).all() and (values == np.round(values)).all())


def _grid(title: str, rows: Sequence[str], columns: Sequence[str], values: Floats) -> GridView:
    plain = [
        [None if not np.isfinite(each) else round(float(each), 4) for each in row] for row in values
    ]
    return {"title": title, "rows": list(rows), "columns": list(columns), "values": plain}
