"""What must hold for every document: names that can be published, references that lead somewhere, no circles."""

from heimat.core.document.aliases import follow, theme_order
from heimat.core.document.following import refuse_circle
from heimat.core.document.hues import parent_of
from heimat.core.document.names import check_all_names
from heimat.core.document.system import MOST_HUES, MOST_TOKENS, ColorSystem, ladder_of
from heimat.core.document.tokens import StepAlias, TokenAlias
from heimat.core.errors import DomainError


def check_system(system: ColorSystem, field: str) -> None:
    """Raise DomainError, blaming `field` of the edit at work, unless a document holds together."""
    _check_limits(system)
    _check_hues(system, field)
    _check_values(system, field)
    _check_references(system, field)
    check_all_names(system, field)


def _check_limits(system: ColorSystem) -> None:
    if len(system.hues) > MOST_HUES:
        raise DomainError(f"A system has at most {MOST_HUES} hues.", "hues", "limit")
    if len(system.tokens) > MOST_TOKENS:
        raise DomainError(f"A system has at most {MOST_TOKENS} tokens.", "tokens", "limit")


def _check_hues(system: ColorSystem, field: str) -> None:
    for hue in system.hues.values():
        parent = parent_of(hue)
        if parent is not None:
            if parent not in system.hues:
                raise DomainError(f"{hue.name} needs a hue to follow.", field, "missing")
            refuse_circle(system, hue, system.hues[parent], field)
        ladder = ladder_of(system, hue)
        for step in [*hue.pins, *hue.nudges, *([hue.anchor.step] if hue.anchor.mode == "label" else [])]:
            if step is None or ladder.index(step) is None:
                raise DomainError(f"{hue.name} has no step of that label on its ladder.", field, "missing")


def _check_values(system: ColorSystem, field: str) -> None:
    order = theme_order(system)
    for token in system.tokens.values():
        if not token.values:
            raise DomainError(f"{token.name} needs a value.", field, "missing")
        for theme, value in token.values.items():
            if theme not in system.themes:
                raise DomainError("That theme is not there any more.", field, "missing")
            if isinstance(value, StepAlias):
                hue = system.hues.get(value.hue)
                if hue is None:
                    raise DomainError("The step it should stand for is not there any more.", field, "missing")
                if ladder_of(system, hue).index(value.step) is None:
                    words = f"The step it should stand for is not there any more: {hue.name} has no such step."
                    raise DomainError(words, field, "missing")
            if isinstance(value, TokenAlias):
                follow(system, token.id, theme, order, field)


def _check_references(system: ColorSystem, field: str) -> None:
    named = [token for pairing in system.pairings.values() for token in (pairing.foreground, pairing.ground)]
    named += [token for told in system.told_apart.values() for token in told.tokens]
    if any(token not in system.tokens for token in named):
        raise DomainError("A token that is checked is not there any more.", field, "missing")
