"""How two alternatives of a document differ, thing by thing, and the change that takes one thing over."""

from collections.abc import Collection, Iterable
from dataclasses import dataclass

from heimat.core.document.system import COLLECTIONS, ColorSystem
from heimat.core.document.words import listed, value_in_words
from heimat.core.edits.difference import PlaceValue, places_changed
from heimat.core.edits.restore import Restore
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


@dataclass(frozen=True)
class Difference:
    """One thing that differs: its id (a collection and a key, or a field), its name, what differs, and the places."""

    id: str
    kind: str
    key: str
    name: str
    words: str
    places: tuple[PlaceValue, ...]


def differences(here: ColorSystem, there: ColorSystem) -> list[Difference]:
    """What stands otherwise in another alternative than in this one, thing by thing."""
    grouped: dict[tuple[str, ...], list[PlaceValue]] = {}
    for place in places_changed(here, there):
        grouped.setdefault(place.path[:2] if place.path[0] in COLLECTIONS else place.path[:1], []).append(place)
    return [_difference(here, there, at, places) for at, places in grouped.items()]


def _difference(here: ColorSystem, there: ColorSystem, at: tuple[str, ...], places: list[PlaceValue]) -> Difference:
    if len(at) == 1:
        words = _FIELDS.get(at[0], at[0].replace("_", " "))
        return Difference(at[0], "system", "", "the system", words, tuple(places))
    collection, key = at
    before, after = (getattr(each, collection).get(key) for each in (here, there))
    name = getattr(after or before, "name", "") or _KINDS[collection]
    kind = _KINDS[collection]
    if before is None:
        words = "only there"
    elif after is None:
        words = "only here"
    elif collection == "tokens":
        words = _token_words(here, there, key, places)
    else:
        words = listed(list(dict.fromkeys(_field_words(place) for place in places)))
    return Difference("/".join(at), kind, key, name, words, tuple(places))


def _field_words(place: PlaceValue) -> str:
    field = place.path[2] if len(place.path) > 2 else ""
    return _FIELDS.get(field, field.replace("_", " "))


def _token_words(here: ColorSystem, there: ColorSystem, key: str, places: list[PlaceValue]) -> str:
    found = []
    for place in places:
        if place.path[2:3] == ("values",) and len(place.path) == 4:
            theme = place.path[3]
            old, new = here.tokens[key].values.get(theme), there.tokens[key].values.get(theme)
            name = there.themes.get(theme) or here.themes.get(theme)
            ends = [
                value_in_words(each, value) if value else "as it follows" for each, value in ((here, old), (there, new))
            ]
            found.append(f"{ends[0]} to {ends[1]}" + (f" in {name.name}" if name else ""))
        elif place.path[2:3] == ("name",):
            found.append(f"called {here.tokens[key].name} here")
        else:
            found.append(_field_words(place))
    return "; ".join(found)


def taking_over(here: ColorSystem, there: ColorSystem, ids: Collection[str], name: str) -> Restore:
    """The change that puts chosen things as they stand in another alternative, by the ids of the differences.

    Raises DomainError (field `ids`) where none of them differs.
    """
    chosen = [each for each in differences(here, there) if each.id in ids]
    if not chosen:
        raise DomainError("None of that differs any more.", "ids", "missing")
    what = f"Take over from {name}: {listed([each.name for each in chosen])}"
    return Restore(what=what[:400], places=tuple(_places(chosen)))


def _places(chosen: Iterable[Difference]) -> list[PlaceValue]:
    return [place for each in chosen for place in each.places]
