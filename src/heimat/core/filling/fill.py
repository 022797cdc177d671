"""Filling tokens of a document: a starter set, a family of actions, or chosen tokens anew."""

import hashlib
from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from heimat.core.color.ciede2000 import TOLD_APART
from heimat.core.document.aliases import value_in, ways_of
from heimat.core.document.free_names import FreeTokenNames
from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem
from heimat.core.document.themes import Scheme, Theme, Wanted
from heimat.core.document.tokens import TokenValue
from heimat.core.edits import UserEdit
from heimat.core.edits.pairing_edits import AddPairings, KeepToldApart, NewPairing
from heimat.core.edits.token_edits import AddTokens, NewToken, NewValue, SetTokenValues
from heimat.core.errors import DomainError
from heimat.core.filling.filler import Filler
from heimat.core.filling.rules import has_rule, rules_for
from heimat.core.filling.wanted_pairings import pairings_for
from heimat.core.resolve.resolved import Resolved
from heimat.core.sources.conventions import STATUSES

_LONGEST_ID = 40


def token_id(purpose: str) -> str:
    """The id that a token of a purpose gets, so that a set is the same each time."""
    return _short(purpose.replace(".", "-"))


def _short(text: str) -> str:
    return (
        text if len(text) <= _LONGEST_ID else "i" + hashlib.sha256(text.encode()).hexdigest()[:12]
    )


def by_purpose(system: ColorSystem) -> dict[str, str]:
    """The ids of the tokens by their purpose; those that are there for one place alone are left out."""
    return {
        token.purpose: token.id
        for token in in_order(system.tokens)
        if token.purpose and not token.place
    }


def filled(
    resolved: Resolved,
    purposes: Sequence[str],
    ids: dict[str, str],
    scheme: Scheme,
    contrast: Wanted,
    theme: str | None = None,
) -> dict[str, TokenValue]:
    """What the tokens of some purposes stand for by the rules.

    `ids` are the tokens by purpose, new ones too; what is not filled again has its color in `theme`.
    """
    known = resolved.themes.get(theme or "")
    fresh = set(purposes)
    given = {
        purpose: known.tokens[key].rgb8
        for purpose, key in ids.items()
        if known is not None and purpose not in fresh and key in known.tokens
    }
    filler = Filler(resolved.hues, scheme, contrast, ids, rules_for(frozenset(ids)), given)
    return {purpose: filler.value(purpose) for purpose in purposes}


@dataclass(frozen=True)
class Addition:
    """Tokens to add: the edits that add them, and their purposes; of those wanted, what is there already.

    `lacking` are the purposes that no hue is there for.
    """

    edits: tuple[UserEdit, ...]
    added: tuple[str, ...]
    there: tuple[str, ...]
    lacking: tuple[str, ...] = ()


def addition(resolved: Resolved, purposes: Sequence[str]) -> Addition:
    """The tokens of some purposes that a system lacks, filled in every theme, with the pairings that they call for.

    What is there stays. Raises DomainError (field `theme`) where there is no theme, or no hue, to fill in.
    """
    system = resolved.system
    _refuse_empty(system)
    standing = by_purpose(system)
    there = tuple(purpose for purpose in purposes if purpose in standing)
    wanted = tuple(purpose for purpose in purposes if purpose not in standing)
    lacking = tuple(purpose for purpose in wanted if not _has_hue(system, purpose))
    new = tuple(purpose for purpose in wanted if purpose not in lacking)
    if not new:
        return Addition((), (), there, lacking)
    names = FreeTokenNames(system)
    taken = set(system.tokens)
    ids = dict(standing)
    for purpose in new:
        ids[purpose] = _free_id(token_id(purpose), taken)
        taken.add(ids[purpose])
    values = _in_every_theme(resolved, new, ids)
    tokens = tuple(
        NewToken(id=ids[purpose], name=names.take(purpose), purpose=purpose, values=values[purpose])
        for purpose in new
    )
    edits: list[UserEdit] = [AddTokens(tokens=tokens)]
    edits += _declared(system, ids, set(new))
    return Addition(tuple(edits), new, there, lacking)


def _has_hue(system: ColorSystem, purpose: str) -> bool:
    """Whether there is a hue for a purpose: those of a status need the hue of that status."""
    kind, _, rest = purpose.partition(".")
    named = rest.partition("-")[0] if kind == "status" else rest.partition(".")[0]
    if kind not in ("status", "action") or named not in STATUSES:
        return True
    return any(hue.status == named for hue in system.hues.values())


def _refuse_empty(system: ColorSystem) -> None:
    if not system.hues:
        raise DomainError(
            "Tokens are filled from hues: add a first one in Sources.", "hues", "empty"
        )
    if not system.themes:
        raise DomainError("Tokens have values in themes: add a first theme.", "theme", "empty")


def _free_id(wanted: str, taken: set[str]) -> str:
    if wanted not in taken:
        return wanted
    number = 2
    while _short(f"{wanted}-{number}") in taken:
        number += 1
    return _short(f"{wanted}-{number}")


def _in_every_theme(
    resolved: Resolved, purposes: Sequence[str], ids: dict[str, str]
) -> dict[str, dict[str, TokenValue]]:
    """By purpose, what each theme says; what it shares with the theme it rests on, or with the first, is left out."""
    found: dict[str, dict[str, TokenValue]] = {purpose: {} for purpose in purposes}
    for theme in in_order(resolved.system.themes):
        made = filled(resolved, purposes, ids, theme.scheme, theme.contrast, theme.id)
        for purpose, value in made.items():
            before = found[purpose].get(theme.base or "") or next(
                iter(found[purpose].values()), None
            )
            if before != value:
                found[purpose][theme.id] = value
    return found


def _declared(system: ColorSystem, ids: dict[str, str], new: set[str]) -> list[UserEdit]:
    """The pairings that new tokens call for, and the told-apart set of the status marks."""
    edits: list[UserEdit] = []
    taken = set(system.pairings)
    pairings = []
    for foreground, ground, use in pairings_for(ids):
        if foreground in new or ground in new:
            key = _free_id(_short(f"{ids[foreground]}--{ids[ground]}"), taken)
            taken.add(key)
            pairings.append(
                NewPairing(id=key, foreground=ids[foreground], ground=ids[ground], use=use)
            )
    if pairings:
        edits.append(AddPairings(pairings=tuple(pairings)))
    marks = [f"status.{status}" for status in STATUSES if f"status.{status}" in ids]
    if len(marks) > 1 and any(mark in new for mark in marks) and "status" not in system.told_apart:
        tokens = tuple(ids[mark] for mark in marks)
        edits.append(KeepToldApart(id="status", name="status", tokens=tokens, threshold=TOLD_APART))
    return edits


@dataclass(frozen=True)
class Refilled:
    """A token filled anew: what it stands for by the rules, and whether that differs from what it stands for."""

    token: str
    value: TokenValue
    differs: bool


def refilled(resolved: Resolved, theme: Theme, tokens: Iterable[str]) -> list[Refilled]:
    """Chosen tokens filled anew in a theme; those that no rule knows are left out."""
    system = resolved.system
    ids = by_purpose(system)
    purposes = [
        purpose
        for token in tokens
        if has_rule(purpose := system.tokens[token].purpose or "") and ids.get(purpose) == token
    ]
    made = filled(resolved, purposes, ids, theme.scheme, theme.contrast, theme.id)
    way = ways_of(system)[theme.id]
    return [
        Refilled(ids[purpose], value, value_in(system.tokens[ids[purpose]], way) != value)
        for purpose, value in made.items()
    ]


def refilling(resolved: Resolved, theme: Theme, tokens: Iterable[str]) -> SetTokenValues | None:
    """The edit that fills chosen tokens anew in a theme; None where nothing would change."""
    changed = [each for each in refilled(resolved, theme, tokens) if each.differs]
    if not changed:
        return None
    values = tuple(NewValue(token=each.token, theme=theme.id, value=each.value) for each in changed)
    names = [resolved.system.tokens[each.token].name for each in changed]
    what = names[0] if len(names) == 1 else f"{names[0]} and {len(names) - 1} more"
    return SetTokenValues(what=f"Fill {what} by the rules in {theme.name}"[:200], values=values)
