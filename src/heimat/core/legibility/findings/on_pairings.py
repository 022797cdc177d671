"""Findings on pairings: those that fall short, and those that cannot be measured."""

import math

from heimat.core.color.contrast import cut
from heimat.core.document.keys import token_key
from heimat.core.document.pairings import USE_WORDS
from heimat.core.document.words import value_in_words
from heimat.core.legibility.findings.finding import Finding
from heimat.core.legibility.repairs import NearestColors, repair_pairing
from heimat.core.resolve.checked_pairings import PairingResult
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.theme import ResolvedTheme


def pairing_id(theme: ResolvedTheme, result: PairingResult) -> str:
    """The id of the finding on a pairing that falls short in a theme."""
    return _id("pairing", theme, result)


def _id(kind: str, theme: ResolvedTheme, result: PairingResult) -> str:
    return f"{kind}:{theme.theme.id}:{result.pairing.id}"


def _unknown(result: PairingResult) -> bool:
    return bool(result.needed) and result.holds is None


def pairing_ids(resolved: Resolved) -> set[str]:
    """The ids of the findings on pairings, in every theme."""
    return {
        _id("translucent" if _unknown(result) else "pairing", theme, result)
        for theme in resolved.themes.values()
        for result in theme.pairings
        if result.holds is False or _unknown(result)
    }


def pairing_rooms(resolved: Resolved) -> dict[str, float]:
    """By how much each pairing that is measured is above what it needs, as a logarithm: below 0 it falls short."""
    return {
        _id("pairing", theme, result): math.log(min(result.ratio, result.wide or math.inf) / result.needed)
        for theme in resolved.themes.values()
        for result in theme.pairings
        if result.needed and result.holds is not None
    }


def pairing_findings(resolved: Resolved, *, repairs: bool) -> list[Finding]:
    """The findings on pairings in every theme: what cannot be measured, then by how far the others fall short."""
    every = [(theme, result) for theme in resolved.themes.values() for result in theme.pairings]
    unknown = [_translucent(resolved, theme, result) for theme, result in every if _unknown(result)]
    failing = sorted(
        ((theme, result) for theme, result in every if result.holds is False),
        key=lambda found: found[1].ratio / (found[1].needed or 1.0),
    )
    nearest = NearestColors(failing) if repairs and failing else None
    return unknown + [_failing(resolved, theme, result, nearest) for theme, result in failing]


def _failing(resolved: Resolved, theme: ResolvedTheme, result: PairingResult, nearest: NearestColors | None) -> Finding:
    ids = (result.pairing.foreground, result.pairing.ground)
    foreground, ground = (resolved.system.tokens[token].name for token in ids)
    use = USE_WORDS[result.pairing.use]
    ends = [value_in_words(resolved.system, theme.tokens[token].end) for token in ids]
    return Finding(
        id=_id("pairing", theme, result),
        kind="pairing",
        sentence=f"{foreground} on {ground} reads {_reads(result)}; {use} needs {result.needed:g}.",
        detail=f"{foreground} is {ends[0]}, {ground} is {ends[1]}, in {theme.theme.name}.",
        select=token_key(ids[0]),
        colors=(theme.tokens[ids[0]].rgb8, theme.tokens[ids[1]].rgb8),
        theme=theme.theme.id,
        use=result.pairing.use,
        tokens=ids,
        cause=f"pairing:{ids[0]}:{result.pairing.use}",
        repairs=repair_pairing(resolved, theme, result, nearest) if nearest else [],
    )


def _reads(result: PairingResult) -> str:
    """The ratio; where display-p3 alone falls short, both."""
    if result.wide is None or result.ratio < (result.needed or 0.0):
        return cut(result.ratio)
    return f"{cut(result.ratio)}, but {cut(result.wide)} in display-p3"


def _translucent(resolved: Resolved, theme: ResolvedTheme, result: PairingResult) -> Finding:
    ids = (result.pairing.foreground, result.pairing.ground)
    foreground, ground = (resolved.system.tokens[token].name for token in ids)
    advice = "What lies under it decides. Give it an opaque color, or pair the text with what lies under it."
    return Finding(
        id=_id("translucent", theme, result),
        kind="translucent",
        sentence=f"{foreground} on {ground} cannot be measured: {ground} is translucent.",
        detail=advice,
        select=token_key(ids[0]),
        colors=(theme.tokens[ids[0]].rgb8, theme.tokens[ids[1]].rgb8),
        theme=theme.theme.id,
        use=result.pairing.use,
    )
