"""The gallery: sets of colors, found by words or by likeness to a color."""

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime

from sqlalchemy import Connection, case, delete, func, insert, select

from heimat.store.database_keys import new_id
from heimat.store.tables import gallery_color, gallery_set

_REACHES = (0.06, 0.16, 0.4, 2.0)
"""OKLab distances within which like colors are looked for, one after another, until there are enough sets."""


@dataclass(frozen=True)
class SetColor:
    """A color of a set: its name, its value as `#RRGGBB`, and that in OKLab."""

    name: str
    hex: str
    oklab: tuple[float, float, float]


@dataclass(frozen=True)
class SetRow:
    """A set with its colors; `distance` is the OKLab distance of the nearest of them to the color asked for."""

    id: int
    name: str
    words: str
    shipped: bool
    person_id: str | None
    colors: list[tuple[str, str]]
    distance: float | None = None


@dataclass(frozen=True)
class NewSet:
    """A set to keep; `search` is the text that words are looked for in."""

    name: str
    words: str
    search: str
    shipped: bool
    person_id: str | None
    at: datetime
    colors: Sequence[SetColor]


def add_sets(connection: Connection, sets: Sequence[NewSet]) -> list[int]:
    """Keep sets. Returns their ids."""
    ids: list[int] = []
    colors: list[dict[str, object]] = []
    for new in sets:
        made = connection.execute(
            gallery_set.insert().values(
                name=new.name,
                words=new.words,
                search=new.search,
                shipped=new.shipped,
                person_id=new.person_id,
                at=new.at,
            )
        )
        ids.append(new_id(made))
        for place, color in enumerate(new.colors):
            light, a, b = color.oklab
            colors.append(
                {
                    "set_id": ids[-1],
                    "place": place,
                    "name": color.name,
                    "hex": color.hex,
                    "ok_l": light,
                    "ok_a": a,
                    "ok_b": b,
                }
            )
    connection.execute(insert(gallery_color), colors)
    return ids


def count_sets(connection: Connection, *, shipped: bool) -> int:
    """How many sets there are that ship, or that people have saved."""
    query = select(func.count()).select_from(gallery_set).where(gallery_set.c.shipped == shipped)
    return int(connection.execute(query).scalar_one())


def by_words(connection: Connection, words: Sequence[str], limit: int) -> list[SetRow]:
    """Sets whose search text holds all of some words, the newest saved first, those that ship last."""
    query = (
        select(gallery_set.c.id)
        .order_by(
            gallery_set.c.shipped,
            case((gallery_set.c.shipped, gallery_set.c.id), else_=-gallery_set.c.id),
        )
        .limit(limit)
    )
    for word in words:
        query = query.where(gallery_set.c.search.contains(word, autoescape=True))
    return _with_colors(connection, {row.id: None for row in connection.execute(query)})


def by_likeness(
    connection: Connection, oklab: tuple[float, float, float], limit: int
) -> list[SetRow]:
    """Sets by the OKLab distance of their nearest color to a color, the nearest first."""
    light, a, b = oklab
    table = gallery_color.c
    squared = (
        (table.ok_l - light) * (table.ok_l - light)
        + (table.ok_a - a) * (table.ok_a - a)
        + (table.ok_b - b) * (table.ok_b - b)
    )
    found: dict[int, float | None] = {}
    for reach in _REACHES:
        nearest = func.min(squared).label("nearest")
        query = (
            select(table.set_id, nearest)
            # What is within reach has a lightness within reach, which the index finds.
            .where(table.ok_l.between(light - reach, light + reach))
            .where(table.ok_a.between(a - reach, a + reach))
            .where(table.ok_b.between(b - reach, b + reach))
            .group_by(table.set_id)
            .having(nearest <= reach * reach)
            .order_by(nearest, table.set_id)
            .limit(limit)
        )
        found = {row.set_id: float(row.nearest) ** 0.5 for row in connection.execute(query)}
        if len(found) >= limit:
            break
    return _with_colors(connection, found)


def find_set(connection: Connection, set_id: int) -> SetRow | None:
    """A set by its id."""
    return next(iter(_with_colors(connection, {set_id: None})), None)


def remove_set(connection: Connection, set_id: int) -> None:
    """Remove a set and its colors."""
    connection.execute(delete(gallery_set).where(gallery_set.c.id == set_id))


def _with_colors(connection: Connection, distances: dict[int, float | None]) -> list[SetRow]:
    """The sets of some ids, in the order given."""
    if not distances:
        return []
    colors: dict[int, list[tuple[str, str]]] = {key: [] for key in distances}
    query = select(gallery_color.c.set_id, gallery_color.c.name, gallery_color.c.hex).where(
        gallery_color.c.set_id.in_(list(distances))
    )
    for row in connection.execute(query.order_by(gallery_color.c.set_id, gallery_color.c.place)):
        colors[row.set_id].append((row.name, row.hex))
    sets = {
        row.id: row
        for row in connection.execute(
            select(gallery_set).where(gallery_set.c.id.in_(list(distances)))
        )
    }
    return [
        SetRow(key, row.name, row.words, row.shipped, row.person_id, colors[key], distances[key])
        for key, row in ((key, sets.get(key)) for key in distances)
        if row is not None
    ]


def has_set(connection: Connection, name: str, person_id: str) -> bool:
    """Whether a person has saved a set of this name."""
    query = select(gallery_set.c.id).where(
        gallery_set.c.name == name, gallery_set.c.person_id == person_id
    )
    return connection.execute(query).first() is not None
