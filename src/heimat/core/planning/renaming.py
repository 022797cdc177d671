"""Renaming many tokens by a pattern: every name before and after, and what cannot be."""

from collections.abc import Iterable
from dataclasses import dataclass

from heimat.core.document.cases import Case, in_case
from heimat.core.document.names import check_token_name, clashes, scale_token_names
from heimat.core.document.order import in_order
from heimat.core.document.system import ColorSystem
from heimat.core.errors import DomainError


@dataclass(frozen=True)
class NamePattern:
    """How names change: a text in them replaced by another, a case for each part, parts in another order, a prefix.

    `order` are the places of the parts, counted from 1, that come first, in that order; all others follow as they
    stood. A place that a name does not have is passed over.
    """

    find: str = ""
    replace: str = ""
    case: Case = "kept"
    order: tuple[int, ...] = ()
    prefix: str = ""

    def apply(self, name: str) -> str:
        """A name after the change."""
        if self.find:
            name = name.replace(self.find, self.replace)
        parts = name.split(".")
        first = [place - 1 for place in self.order if place <= len(parts)]
        parts = [parts[place] for place in first] + [
            part for at, part in enumerate(parts) if at not in first
        ]
        return self.prefix + ".".join(in_case(part, self.case) for part in parts)


@dataclass(frozen=True)
class Renaming:
    """A token with its name before and after; `problem` says why it cannot be called so."""

    token: str
    before: str
    after: str
    problem: str | None = None


def renaming(system: ColorSystem, tokens: Iterable[str], pattern: NamePattern) -> list[Renaming]:
    """What a pattern does to the names of some tokens, in order; those of all others are there to clash with."""
    chosen = set(tokens)
    names = {
        token.id: pattern.apply(token.name) if token.id in chosen else token.name
        for token in in_order(system.tokens)
    }
    problems = _problems(system, names)
    return [
        Renaming(
            token.id,
            token.name,
            names[token.id],
            problems.get(names[token.id]) or _refusal(names[token.id]),
        )
        for token in in_order(system.tokens)
        if token.id in chosen
    ]


def _problems(system: ColorSystem, names: dict[str, str]) -> dict[str, str]:
    found: dict[str, str] = {}
    fixed = [name for _, of_hue in scale_token_names(system) for name in of_hue]
    for clash in clashes([*fixed, *names.values()]):
        found.setdefault(clash.name, clash.sentence)
        found.setdefault(clash.other, clash.sentence)
    return found


def _refusal(name: str) -> str | None:
    try:
        check_token_name(name, "name")
    except DomainError as refusal:
        return refusal.message
    return None
