"""What a change of many tokens would do, told before it is done: renaming, sets, filling, themes, removing."""

from collections.abc import Sequence

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.ciede2000 import distance_words
from heimat.core.document.aliases import value_in
from heimat.core.document.cases import Case
from heimat.core.document.keys import parse_key
from heimat.core.document.names import check_pattern, clashes, scale_token_name
from heimat.core.document.order import in_order
from heimat.core.document.pairings import USE_WORDS
from heimat.core.document.purposes import EARLIER, PURPOSES, Family, Form, State
from heimat.core.document.system import ColorSystem, ladder_of
from heimat.core.document.themes import Scheme, Wanted
from heimat.core.document.tokens import TokenValue
from heimat.core.document.words import value_in_words
from heimat.core.edits import UserEdit, apply, apply_all
from heimat.core.errors import DomainError
from heimat.core.filling.fill import Addition, addition, by_purpose, refilling
from heimat.core.filling.rules import has_rule
from heimat.core.filling.sets import SETS, SetName, family_purposes, state_purposes
from heimat.core.legibility.standing import instead_of, standing
from heimat.core.planning.proposed_theme import propose_theme, proposed_name
from heimat.core.planning.renaming import NamePattern, renaming
from heimat.core.resolve.resolved import Resolved, resolve
from heimat.view.eyes import Eyes, SwatchView


class RenamingView(TypedDict):
    """A token's name before and after; `problem` says why it cannot be called so."""

    token: str
    before: str
    after: str
    problem: str | None


class RenamingPlanView(TypedDict):
    """All names before and after, and how many of them change. `newer` gives tokens that are called as their purpose
    was called before the name that new systems have for it."""

    rows: list[RenamingView]
    changed: int
    problems: int
    newer: list[RenamingView]


def renaming_plan(
    system: ColorSystem, tokens: Sequence[str] | None, pattern: NamePattern
) -> RenamingPlanView:
    """What a pattern does to the names of some tokens, of all where none are named."""
    chosen = [token.id for token in in_order(system.tokens)] if tokens is None else tokens
    rows = renaming(system, chosen, pattern)
    return {
        "rows": [
            {"token": row.token, "before": row.before, "after": row.after, "problem": row.problem}
            for row in rows
        ],
        "changed": sum(row.before != row.after for row in rows),
        "problems": sum(row.problem is not None for row in rows),
        "newer": _newer(system),
    }


def _newer(system: ColorSystem) -> list[RenamingView]:
    taken = {token.name for token in system.tokens.values()}
    return [
        {"token": token.id, "before": token.name, "after": EARLIER[token.name], "problem": None}
        for token in in_order(system.tokens)
        if token.purpose == EARLIER.get(token.name, "") and token.purpose not in taken
    ]


class ScaleNamesView(TypedDict):
    """The names of a hue's scale tokens."""

    hue: str
    names: list[str]


class ScaleNamesPlanView(TypedDict):
    """The names of all scale tokens by a pattern, and why they cannot be so."""

    scales: list[ScaleNamesView]
    problems: list[str]


def scale_names_plan(system: ColorSystem, pattern: str, case: Case) -> ScaleNamesPlanView:
    """What a pattern calls all scale tokens."""
    try:
        check_pattern(pattern, "pattern")
    except DomainError as refusal:
        return {"scales": [], "problems": [refusal.message]}
    scales: list[ScaleNamesView] = [
        {
            "hue": hue.name,
            "names": [
                scale_token_name(pattern, hue.name, label, case)
                for label in ladder_of(system, hue).labels()
            ],
        }
        for hue in in_order(system.hues)
    ]
    names = [name for scale in scales for name in scale["names"]]
    names += [token.name for token in in_order(system.tokens)]
    return {"scales": scales, "problems": [clash.sentence for clash in clashes(names)][:20]}


class NewTokenView(SwatchView):
    """A token that would be added, and what it would stand for in the first theme."""

    name: str
    words: str
    value: str


class AdditionView(TypedDict):
    """Tokens that would be added, how many are there already or have no hue, and the edits that add them."""

    tokens: list[NewTokenView]
    there: int
    lacking: list[str]
    edits: list[UserEdit]


def set_plan(resolved: Resolved, name: SetName, eyes: Eyes) -> AdditionView:
    """What a starter set would add."""
    return _addition_view(resolved, addition(resolved, SETS[name]), eyes)


def family_plan(resolved: Resolved, family: Family, form: Form, eyes: Eyes) -> AdditionView:
    """What a family of actions would add."""
    return _addition_view(resolved, addition(resolved, family_purposes(family, form)), eyes)


def state_plan(resolved: Resolved, state: State, eyes: Eyes) -> AdditionView:
    """What a state for every action that lacks it would add."""
    return _addition_view(
        resolved, addition(resolved, state_purposes(by_purpose(resolved.system), state)), eyes
    )


def purposes_plan(resolved: Resolved, purposes: Sequence[str], eyes: Eyes) -> AdditionView:
    """What tokens for some purposes would add, which no rule fills being left out."""
    known = [purpose for purpose in dict.fromkeys(purposes) if has_rule(purpose)]
    return _addition_view(resolved, addition(resolved, known), eyes)


def _addition_view(resolved: Resolved, made: Addition, eyes: Eyes) -> AdditionView:
    after = resolve(apply_all(resolved.system, list(made.edits)).system) if made.edits else resolved
    theme = after.theme()
    new = [
        token for token in in_order(after.system.tokens) if token.id not in resolved.system.tokens
    ]
    return {
        "tokens": [
            {
                **eyes.swatch(theme.tokens[token.id].rgb8),
                "name": token.name,
                "words": PURPOSES.get(token.purpose or "", ""),
                "value": value_in_words(after.system, value_in(token, after.ways[theme.theme.id])),
            }
            for token in new
            if theme is not None
        ],
        "there": len(made.there),
        "lacking": list(made.lacking),
        "edits": list(made.edits),
    }


class MovedView(TypedDict):
    """A token's color before and after, and what it stands for then; `how` it was found."""

    token: str
    name: str
    before: SwatchView
    after: SwatchView
    words: str
    how: str


class RefillView(TypedDict):
    """What filling chosen tokens anew would change; `edit` is null where nothing would."""

    moved: list[MovedView]
    edit: UserEdit | None


def refill_plan(resolved: Resolved, theme_id: str, tokens: Sequence[str], eyes: Eyes) -> RefillView:
    """What the rules would make of chosen tokens in a theme. Raises DomainError for a theme that is not there."""
    theme = resolved.system.themes.get(theme_id)
    if theme is None:
        raise DomainError("That theme is not there any more.", "theme", "missing")
    edit = refilling(
        resolved, theme, [token for token in tokens if token in resolved.system.tokens]
    )
    if edit is None:
        return {"moved": [], "edit": None}
    after = resolve(apply(resolved.system, edit))
    return {"moved": _moved(resolved, after, theme_id, theme_id, eyes, {}), "edit": edit}


class ThemePlanView(TypedDict):
    """A theme proposed: what each token would be, what cannot be kept, and the edit that adds it."""

    name: str
    moved: list[MovedView]
    lost: list[str]
    edit: UserEdit


def theme_plan(
    resolved: Resolved,
    source: str,
    new_id: str,
    name: str,
    scheme: Scheme,
    contrast: Wanted,
    eyes: Eyes,
) -> ThemePlanView:
    """A theme proposed from another one. Raises DomainError where that is not there, and for a name that cannot be."""
    known = resolved.themes.get(source)
    if known is None:
        raise DomainError("That theme is not there any more.", "source", "missing")
    called = name.strip() or proposed_name(resolved.system.themes, scheme, contrast)
    found = propose_theme(resolved, known, new_id, called, scheme, contrast)
    after = resolve(apply_all(resolved.system, [found.edit]).system)
    how = {each.token: each.how for each in found.mapped}
    return {
        "name": called,
        "moved": _moved(resolved, after, source, new_id, eyes, how),
        "lost": list(found.lost),
        "edit": found.edit,
    }


def _moved(
    before: Resolved, after: Resolved, source: str, theme: str, eyes: Eyes, how: dict[str, str]
) -> list[MovedView]:
    old, new = before.themes[source].tokens, after.themes[theme].tokens
    found: list[MovedView] = []
    for token in in_order(after.system.tokens):
        value = value_in(token, after.ways[theme])
        if token.id in old and (
            not np.array_equal(old[token.id].rgb8, new[token.id].rgb8) or token.id in how
        ):
            found.append(
                {
                    "token": token.id,
                    "name": token.name,
                    "before": eyes.swatch(old[token.id].rgb8),
                    "after": eyes.swatch(new[token.id].rgb8),
                    "words": value_in_words(after.system, value),
                    "how": how.get(token.id, "by its alias"),
                }
            )
    return found


class StandingView(SwatchView):
    """A token that names a color in a theme, and the step that it could stand on instead."""

    token: str
    name: str
    theme: str
    theme_name: str
    words: str
    instead: SwatchView | None
    instead_words: str
    instead_value: TokenValue | None


class StandingPairingView(TypedDict):
    """A pairing that a token is part of, in words."""

    id: str
    words: str


class StandingPlanView(TypedDict):
    """What stands on a color: tokens that name it, those that stand on these, pairings, and the rest in sentences."""

    tokens: list[StandingView]
    pairings: list[StandingPairingView]
    through: list[str]
    others: list[str]


def standing_plan(resolved: Resolved, key: str, eyes: Eyes) -> StandingPlanView:
    """What stands on a hue, a step or a token, with a replacement for each token."""
    found = standing(resolved, key)
    parsed = parse_key(key)
    tokens = resolved.system.tokens
    rows: list[StandingView] = []
    for each in found.direct:
        other = instead_of(resolved, each, parsed) if parsed and parsed.kind != "token" else None
        rows.append(
            {
                **eyes.swatch(each.rgb8),
                "token": each.token,
                "name": tokens[each.token].name,
                "theme": each.theme,
                "theme_name": resolved.system.themes[each.theme].name,
                "words": value_in_words(resolved.system, each.value),
                "instead": eyes.swatch(other.rgb8) if other else None,
                "instead_words": f"{other.name}, {distance_words(other.distance)} away"
                if other
                else "",
                "instead_value": other.value if other else None,
            }
        )
    return {
        "tokens": rows,
        "pairings": [
            {
                "id": each.id,
                "words": f"{tokens[each.foreground].name} on {tokens[each.ground].name}, as {USE_WORDS[each.use]}",
            }
            for each in found.pairings
        ],
        "through": [tokens[each].name for each in found.through],
        "others": list(found.others),
    }
