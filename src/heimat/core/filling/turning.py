"""Labels that go along with their fill: what a rule chose stays what the rule chooses, in the same gesture."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np

from heimat.core.document.aliases import value_in, ways_of
from heimat.core.document.order import in_order
from heimat.core.document.themes import Theme
from heimat.core.document.tokens import TokenValue
from heimat.core.edits import Applied, Edit, apply, apply_all
from heimat.core.edits.token_edits import NewValue, SetTokenValues
from heimat.core.filling.actions import label_on
from heimat.core.filling.fill import by_purpose
from heimat.core.filling.filler import Filler
from heimat.core.filling.rules import rules_for
from heimat.core.resolve.resolved import Resolved, resolve

_Made = dict[str, dict[str, TokenValue]]
"""New values, by the ids of their token and theme."""
_LABEL = ".label"
_STATES = (".fill-hovered", ".fill-pressed")


@dataclass(frozen=True)
class Gone:
    """A gesture with what goes along with it: its edits, what came of them, resolved, and in words what went along."""

    edits: tuple[Edit, ...]
    applied: Applied
    resolved: Resolved
    words: str


def gone_along(before: Resolved, edits: Sequence[Edit], applied: Applied) -> Gone:
    """A gesture that was applied to a document, with the labels that go along in it: one change, one way back."""
    after = resolve(applied.system)
    found = turning(before, after)
    if found is None:
        return Gone(tuple(edits), applied, after, "")
    whole = (*edits, found)
    both = apply_all(before.system, whole)
    said = f"{applied.sentence}; {found.what}"[:400]
    told = replace(both, sentence=said, inverse=both.inverse.model_copy(update={"what": said}))
    return Gone(whole, told, resolve(both.system), found.what)


def with_turned(before: Resolved, after: Resolved) -> Resolved:
    """What a change comes to, with the labels that go along in it."""
    found = turning(before, after)
    return after if found is None else resolve(apply(after.system, found))


@dataclass(frozen=True)
class _Family:
    """The tokens of one action, by id: its fill, the label on it, and the states of the fill."""

    fill: str
    label: str
    states: tuple[str, ...]


def turning(before: Resolved, after: Resolved) -> SetTokenValues | None:
    """What labels that the rules had chosen become where a gesture has moved their fill; None where all stay.

    With a label go the states of its fill that the rules had chosen too: they move where it leaves room. A label that
    somebody chose by hand, or changed in this gesture, stays; so it does where the fill is pointed elsewhere, which is
    a choice of its own: repairs count on it, and offer the other side first.
    """
    families = list(_families(before, after))
    made: _Made = {}
    for theme in in_order(after.system.themes):
        for family in families if theme.id in before.themes else ():
            for token, value in _turned(before, after, made, theme, family):
                made.setdefault(token, {})[theme.id] = value
    if not made:
        return None
    names = [after.system.tokens[each.label].name for each in families if each.label in made]
    what = f"{names[0]} turns with its fill" + (f", and {len(names) - 1} more" if names[1:] else "")
    values = (
        NewValue(token=token, theme=theme, value=value)
        for token, found in made.items()
        for theme, value in found.items()
    )
    return SetTokenValues(what=what[:200], values=tuple(values))


def _families(before: Resolved, after: Resolved) -> Iterator[_Family]:
    """The actions that are filled and labelled before and after."""
    then, now = by_purpose(before.system), by_purpose(after.system)
    ids = {purpose: key for purpose, key in now.items() if then.get(purpose) == key}
    for purpose, label in ids.items():
        family = purpose.removesuffix(_LABEL)
        fill = ids.get(f"{family}.fill")
        if family != purpose and fill is not None:
            states = (ids.get(family + state) for state in _STATES)
            yield _Family(fill, label, tuple(each for each in states if each is not None))


def _turned(
    before: Resolved, after: Resolved, made: _Made, theme: Theme, family: _Family
) -> Iterator[tuple[str, TokenValue]]:
    """What label and states of one action become in a theme; `made` is what they have become in others."""
    label = family.label
    was = _value(before, theme, label)
    if was != _value(after, theme, label):
        return
    if _value(before, theme, family.fill) != _value(after, theme, family.fill):
        return
    fills = [each.themes[theme.id].tokens[family.fill].rgb8 for each in (before, after)]
    moved = not np.array_equal(fills[0], fills[1])
    chosen = moved and label_on(_filler(before, theme, label), fills[0]) == was
    wanted = label_on(_filler(after, theme, label), fills[1]) if chosen else was
    if wanted != _value(after, theme, label, made):
        yield label, wanted
    if wanted == was:
        return
    then, now = _filler(before, theme, *family.states), _filler(after, theme, *family.states, label)
    now.values[after.system.tokens[label].purpose or ""] = wanted
    for state in family.states:
        purpose, had = after.system.tokens[state].purpose or "", _value(before, theme, state)
        if had == _value(after, theme, state) == then.value(purpose):
            value = now.value(purpose)
            if value != _value(after, theme, state, made):
                yield state, value


def _value(resolved: Resolved, theme: Theme, token: str, made: _Made | None = None) -> TokenValue:
    """What a token stands for in a theme, with what was made of it."""
    way, found = ways_of(resolved.system)[theme.id], resolved.system.tokens[token]
    if made and token in made:
        found = found.model_copy(update={"values": {**found.values, **made[token]}})
    return value_in(found, way)


def _filler(resolved: Resolved, theme: Theme, *fresh: str) -> Filler:
    """What the rules fill some tokens from, by their ids: all others are as they are in the theme."""
    ids = by_purpose(resolved.system)
    known = resolved.themes[theme.id].tokens
    given = {purpose: known[key].rgb8 for purpose, key in ids.items() if key not in fresh}
    return Filler(
        resolved.hues, theme.scheme, theme.contrast, ids, rules_for(frozenset(ids)), given
    )
