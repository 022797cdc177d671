"""How two alternatives of a document differ, thing by thing, and the change that takes one thing over."""

from collections.abc import Collection, Iterable
from dataclasses import dataclass
from typing import Any, Literal

from heimat.core.color.notation import format
from heimat.core.document.hues import GivenSource
from heimat.core.document.system import COLLECTIONS, ColorSystem
from heimat.core.document.words import listed, value_in_words
from heimat.core.edits.base import Path
from heimat.core.edits.changed_places import PlaceValue, places_changed
from heimat.core.edits.conflicts import meeting
from heimat.core.edits.restore import Restore, referred
from heimat.core.errors import DomainError

_FIELDS: dict[str, str] = {
    "source": "color",
    "recall": "remembered hue",
    "ladder": "ladder",
    "order": "place in the order",
    "values": "value",
    "note": "note",
    "pins": "pins",
    "nudges": "nudges",
    "curves": "curves",
    "method": "method",
    "anchor": "anchor",
    "scale_pattern": "names of scale tokens",
    "scale_case": "case of scale tokens",
    "scales_published": "whether scale tokens are published",
    "aim": "the contrast aimed at",
    "duty": "what binds the team",
    "release_rules": "rules of releases",
    "guide": "how the guide is made",
    "rests_on": "what it rests on",
    "holds": "what stands in its places",
    "names": "names",
    "quantities": "quantities",
    "threshold": "threshold",
}
_KINDS: dict[str, str] = {
    "hues": "hue",
    "tokens": "token",
    "themes": "theme",
    "pairings": "pairing",
    "told_apart": "told-apart set",
    "candidates": "candidate",
    "stops": "row of stops",
    "selections": "selection",
    "exceptions": "accepted exception",
    "conditions": "viewing condition",
    "palettes": "palette",
    "matrices": "named matrix",
    "outputs": "output",
}


Since = Literal["there", "here", "both"]
"""Where something was changed since two documents were one: in the other, in this one, or in both."""


@dataclass(frozen=True)
class Difference:
    """One thing that differs: its id (a collection and a key, or a field), its name, what differs, and the places.

    The places are those that taking it over would change: of a thing that both have changed in different places, only
    those of the other.
    """

    id: str
    kind: str
    key: str
    name: str
    words: str
    places: tuple[PlaceValue, ...]
    since: Since = "there"


def differences(
    here: ColorSystem, there: ColorSystem, start: ColorSystem | None = None
) -> list[Difference]:
    """What stands otherwise in another alternative than in this one, thing by thing.

    `start` is what both were when they parted; without it, all counts as changed in the other.
    """
    grouped: dict[tuple[str, ...], list[PlaceValue]] = {}
    for place in places_changed(here, there):
        grouped.setdefault(
            place.path[:2] if place.path[0] in COLLECTIONS else place.path[:1], []
        ).append(place)
    parted = _Parted.of(here, there, start)
    return [_difference(here, there, at, places, parted) for at, places in grouped.items()]


@dataclass(frozen=True)
class _Parted:
    """The places that each of two documents has changed since they were one."""

    here: tuple[Path, ...] = ()
    there: tuple[Path, ...] = ()

    @classmethod
    def of(cls, here: ColorSystem, there: ColorSystem, start: ColorSystem | None) -> "_Parted":
        if start is None:
            return cls()
        changed = (
            tuple(place.path for place in places_changed(start, each)) for each in (here, there)
        )
        return cls(*changed)

    def since(self, place: PlaceValue) -> Since:
        """Where a place that differs was changed."""
        if meeting([place.path], self.here) is None:
            return "there"
        return "here" if meeting([place.path], self.there) is None else "both"


def _taken(places: list[PlaceValue], parted: _Parted) -> tuple[Since, list[PlaceValue]]:
    """Where a thing was changed, and which of its places are taken over with it."""
    found = [(parted.since(place), place) for place in places]
    theirs = [place for since, place in found if since != "here"]
    if not theirs:
        return "here", places
    return "both" if any(since == "both" for since, _ in found) else "there", theirs


def _difference(
    here: ColorSystem,
    there: ColorSystem,
    at: tuple[str, ...],
    all_places: list[PlaceValue],
    parted: _Parted,
) -> Difference:
    since, places = _taken(all_places, parted)
    if len(at) == 1:
        words = _FIELDS.get(at[0], at[0].replace("_", " "))
        return Difference(at[0], "system", "", "the system", words, tuple(places), since)
    collection, key = at
    before, after = (getattr(each, collection).get(key) for each in (here, there))
    kind = _KINDS[collection]
    name = getattr(after or before, "name", "") or kind
    if before is None:
        words = "only there"
    elif after is None:
        words = f"only here: taking this over removes the {kind}{' with its scale' if kind == 'hue' else ''}"
    elif collection == "tokens":
        words = _token_words(here, there, key, places)
    else:
        # The hue that a source remembers goes along with its color.
        told = [place for place in places if place.path[2:3] != ("recall",)] or places
        words = listed(list(dict.fromkeys(_field_words(here, there, place) for place in told)))
    return Difference("/".join(at), kind, key, name, words, tuple(places), since)


def _field_words(here: ColorSystem, there: ColorSystem, place: PlaceValue) -> str:
    """What of a thing differs; a text, a number or a color with both values."""
    field = place.path[2] if len(place.path) > 2 else ""
    words = _FIELDS.get(field, field.replace("_", " "))
    ends = [_value_words(each, place.path) for each in (here, there)]
    return f"{words}: {ends[0]} here, {ends[1]} there" if all(ends) else words


def _value_words(system: ColorSystem, path: Path) -> str:
    """What stands at a place of a thing, where that is short: empty for all else."""
    if len(path) != 3:
        return ""
    value = getattr(getattr(system, path[0])[path[1]], path[2], None)
    if isinstance(value, GivenSource):
        return format(value.color, "hex")
    if isinstance(value, str) and path[2] != "order":
        return f"“{value[:60]}”" if value else "nothing"
    return f"{value:g}" if isinstance(value, int | float) and not isinstance(value, bool) else ""


def _token_words(here: ColorSystem, there: ColorSystem, key: str, places: list[PlaceValue]) -> str:
    found = []
    for place in places:
        if place.path[2:3] == ("values",) and len(place.path) == 4:
            theme = place.path[3]
            old, new = here.tokens[key].values.get(theme), there.tokens[key].values.get(theme)
            name = there.themes.get(theme) or here.themes.get(theme)
            ends = [
                value_in_words(each, value) if value else "as it follows"
                for each, value in ((here, old), (there, new))
            ]
            found.append(f"{ends[0]} to {ends[1]}" + (f" in {name.name}" if name else ""))
        elif place.path[2:3] == ("name",):
            found.append(f"called {here.tokens[key].name} here")
        else:
            found.append(_field_words(here, there, place))
    return "; ".join(found)


def taking_over(
    here: ColorSystem,
    there: ColorSystem,
    ids: Collection[str],
    name: str,
    start: ColorSystem | None = None,
) -> Restore:
    """The change that puts chosen things as they stand in another alternative, by the ids of the differences.

    Raises DomainError (field `ids`) where none of them differs, and where one needs something that is only there and
    not among them: with both names.
    """
    chosen = [each for each in differences(here, there, start) if each.id in ids]
    if not chosen:
        raise DomainError("None of that differs any more.", "ids", "missing")
    _refuse_lacking(here, there, chosen)
    what = f"Take over from {name}: {listed([each.name for each in chosen])}"
    return Restore(what=what[:400], places=tuple(_places(chosen)))


_STOOD_ON = ("hues", "tokens", "themes", "palettes")


def _refuse_lacking(here: ColorSystem, there: ColorSystem, chosen: Iterable[Difference]) -> None:
    coming = {(*each.id.split("/"),) for each in chosen}
    only_there: dict[Path, Any] = {
        (collection, key): entity
        for collection in _STOOD_ON
        for key, entity in getattr(there, collection).items()
        if key not in getattr(here, collection) and (collection, key) not in coming
    }
    for each in chosen:
        needed = {path[:2] for path in referred(each.places)} | {
            path for place in each.places for path in _named(place)
        }
        for at in sorted(needed & only_there.keys()):
            what = f"the {_KINDS[at[0]]} {only_there[at].name}"
            words = f"{each.name} needs {what}, which is only there."
            raise DomainError(
                f"{words} Take {only_there[at].name} over together with it.", "ids", "lacking"
            )


def _named(place: PlaceValue) -> Iterable[Path]:
    """What a place of a thing names by its id alone: a theme a value is said in, tokens that meet or make a set."""
    if place.path[2:3] == ("values",):
        named = place.path[3:] or tuple(place.value or ())
        yield from (("themes", theme) for theme in named)
        return
    value = {place.path[2]: place.value} if len(place.path) == 3 else place.value
    if not isinstance(value, dict):
        return
    yield from (("themes", theme) for theme in value.get("values") or ())
    if place.path[0] in ("pairings", "told_apart", "palettes"):
        tokens = [value.get("foreground"), value.get("ground"), *(value.get("tokens") or ())]
        yield from (("tokens", token) for token in tokens if isinstance(token, str))


def _places(chosen: Iterable[Difference]) -> list[PlaceValue]:
    return [place for each in chosen for place in each.places]
