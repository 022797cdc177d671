"""Tokens out of a sheet: on a step or another token where it says so, or where exactly one step has their color."""

from collections.abc import Iterable, Mapping, Sequence

from heimat.core.color.exact_color import Color
from heimat.core.color.naming import one_line
from heimat.core.document.names import check_token_name, clashes, css_name
from heimat.core.document.order import keys
from heimat.core.document.purposes import purpose_named
from heimat.core.document.system import MOST_TOKENS
from heimat.core.document.tokens import Deprecation, LiteralColor, Token, TokenAlias, TokenValue
from heimat.core.errors import DomainError
from heimat.core.importing.imported_scales import ReadSteps
from heimat.core.importing.sheet import Named, SheetToken, SheetValue


def tokens_of(
    others: Sequence[SheetToken], themes: Mapping[str, str], steps: ReadSteps, told: list[str]
) -> tuple[dict[str, Token], int]:
    """The tokens by id, and how many values were linked to a step because it alone has their color.

    `themes` are the ids of themes by the sheet's names; what is passed over is told in sentences.
    """
    every = _named(others, list(steps.places), told)
    kept, beyond = every[:MOST_TOKENS], {token.name: token for token in every[MOST_TOKENS:]}
    ids = {token.name: f"token-{number + 1}" for number, token in enumerate(kept)}
    by_css = {css_name(name): name for name in [*steps.places, *ids]}
    loops = _loops(kept, by_css)
    found: dict[str, Token] = {}
    taken: set[str] = set()
    linked = 0
    for token, order in zip(kept, keys(len(kept)), strict=True):
        values: dict[str, TokenValue] = {}
        for name, value in token.values.items():
            if name not in themes:
                continue
            made = _value(
                token, name, _within(value, name, beyond), steps, ids, by_css, loops, told
            )
            if isinstance(made, LiteralColor) and (step := steps.alone(made.color)) is not None:
                made = step
                linked += 1
            if made is not None:
                values[themes[name]] = made
        if not values:
            continue
        purpose = purpose_named(token.name)
        purpose = None if purpose in taken else purpose
        taken |= {purpose} if purpose else set()
        replacement = ids.get(token.replacement)
        found[ids[token.name]] = Token(
            id=ids[token.name],
            order=order,
            name=token.name,
            purpose=purpose,
            values=values,
            note=one_line(token.note),
            usage=one_line(token.usage),
            deprecated=Deprecation(replacement=replacement, reason=one_line(token.reason))
            if token.deprecated
            else None,
        )
    return _drop_unresolved(found), linked


def _drop_unresolved(tokens: dict[str, Token]) -> dict[str, Token]:
    """The tokens without those that name one that came to nothing."""
    while True:
        gone = {
            key
            for key, token in tokens.items()
            for value in token.values.values()
            if isinstance(value, TokenAlias) and value.token not in tokens
        }
        if not gone:
            kept = tokens
            break
        tokens = {key: token for key, token in tokens.items() if key not in gone}
    for key, token in kept.items():
        gone_for = token.deprecated.replacement if token.deprecated else None
        if gone_for is not None and gone_for not in kept:
            kept[key] = token.model_copy(
                update={
                    "deprecated": Deprecation(
                        reason=token.deprecated.reason if token.deprecated else ""
                    )
                }
            )
    return kept


def _named(
    others: Sequence[SheetToken], scale_names: list[str], told: list[str]
) -> list[SheetToken]:
    """The tokens whose names can be names here, and clash with none before them."""
    kept: list[SheetToken] = []
    for token in others:
        try:
            check_token_name(token.name, "files")
        except DomainError as refusal:
            told.append(f"{token.name[:60]} was passed over: {refusal.message}")
            continue
        kept.append(token)
    refused = {
        clash.name: clash.sentence
        for clash in clashes([*scale_names, *(token.name for token in kept)])
    }
    for name, sentence in refused.items():
        told.append(f"{name} was passed over: {sentence}")
    kept = [token for token in kept if token.name not in refused]
    if len(kept) > MOST_TOKENS:
        words = f"{len(kept) - MOST_TOKENS:,} tokens were passed over: a system has at most {MOST_TOKENS:,}."
        told.append(f"{words} What stands for one of them has the color that it came to.")
    return kept


def _within(value: SheetValue, theme: str, beyond: Mapping[str, SheetToken]) -> SheetValue:
    """A value that stands for no token that is passed over: through those, what it comes to."""
    seen: set[str] = set()
    while isinstance(value, Named) and value.name in beyond and value.name not in seen:
        seen.add(value.name)
        there = beyond[value.name].values
        value = there.get(theme) or next(iter(there.values()), value)
    return value


def _value(
    token: SheetToken,
    theme: str,
    value: SheetValue,
    steps: ReadSteps,
    ids: dict[str, str],
    by_css: dict[str, str],
    loops: set[tuple[str, str]],
    told: list[str],
) -> TokenValue | None:
    if isinstance(value, Color):
        return LiteralColor(color=value)
    known = value.name in steps.places or value.name in ids
    target = value.name if known else by_css.get(css_name(value.name))
    if target in steps.places:
        return steps.places[target]
    if target is None or target not in ids:
        told.append(f"{token.name} stands for {value.name[:60]}, which is not there.")
        return None
    if (token.name, theme) in loops:
        told.append(
            f"{token.name} stands for itself in the end, in {theme}; it was passed over there."
        )
        return None
    return TokenAlias(token=ids[target])


def _loops(tokens: Iterable[SheetToken], by_css: dict[str, str]) -> set[tuple[str, str]]:
    """Tokens that stand for themselves in the end, each with the theme; values of other themes are followed too."""
    named = {token.name: token for token in tokens}

    def targets(token: SheetToken) -> set[str]:
        names = (value.name for value in token.values.values() if isinstance(value, Named))
        return {
            found
            for name in names
            if (found := name if name in named else by_css.get(css_name(name))) in named
        }

    graph = {name: targets(token) for name, token in named.items()}
    # What is left when those that lead to nothing else are taken away, again and again, runs in circles or leads there.
    behind: dict[str, set[str]] = {name: set() for name in graph}
    for name, there in graph.items():
        for each in there:
            behind[each].add(name)
    counts = {name: len(there) for name, there in graph.items()}
    free = [name for name, count in counts.items() if count == 0]
    while free:
        for name in behind[free.pop()]:
            counts[name] -= 1
            if counts[name] == 0:
                free.append(name)
    stuck = {name for name, count in counts.items() if count > 0}
    return {
        (name, theme)
        for name in stuck
        for theme, value in named[name].values.items()
        if isinstance(value, Named)
        and (value.name if value.name in named else by_css.get(css_name(value.name))) in stuck
    }
