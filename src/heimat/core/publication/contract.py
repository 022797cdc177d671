"""What a release promises to hold: pairings with their ratios, promises, told-apart sets, accepted exceptions.

As plain data, since it is read by builds. Only what is published is named: a pairing with an internal token is left
out, and so is an exception that speaks of one. Who accepted an exception stays in the house.
"""

import math
from typing import Any

from heimat.core.document.order import in_order
from heimat.core.resolve.resolved import Resolved

Contract = dict[str, list[dict[str, Any]]]
EMPTY: Contract = {"pairings": [], "promises": [], "told_apart": [], "exceptions": []}


def contract(resolved: Resolved) -> Contract:
    """The contract of a resolved document. Ratios are cut, not rounded, to two decimals."""
    return {
        "pairings": _pairings(resolved),
        "promises": [
            {"aim": each.aim, "apart": each.apart, "least": _cut(each.least)}
            for each in resolved.promises
            if each.kept
        ],
        "told_apart": _told_apart(resolved),
        "exceptions": _exceptions(resolved),
    }


def _pairings(resolved: Resolved) -> list[dict[str, Any]]:
    tokens = resolved.system.tokens
    found: dict[str, dict[str, Any]] = {}
    for theme in resolved.themes.values():
        for result in theme.pairings:
            pairing = result.pairing
            foreground, ground = tokens[pairing.foreground], tokens[pairing.ground]
            if foreground.internal or ground.internal:
                continue
            entry = found.setdefault(
                pairing.id,
                {
                    "foreground": foreground.name,
                    "ground": ground.name,
                    "use": pairing.use,
                    "needed": result.needed,
                    "ratios": {},
                },
            )
            entry["ratios"][theme.theme.name] = _cut(result.ratio)
    return list(found.values())


def _told_apart(resolved: Resolved) -> list[dict[str, Any]]:
    tokens = resolved.system.tokens
    found: dict[str, dict[str, Any]] = {}
    for theme in resolved.themes.values():
        for result in theme.told_apart:
            told = result.told_apart
            if any(tokens[token].internal for token in told.tokens):
                continue
            names = [tokens[token].name for token in told.tokens]
            entry = found.setdefault(
                told.id,
                {"name": told.name, "tokens": names, "threshold": told.threshold, "least": {}},
            )
            if result.pairs:
                entry["least"][theme.theme.name] = _cut(min(pair.least for pair in result.pairs))
    return list(found.values())


def _exceptions(resolved: Resolved) -> list[dict[str, Any]]:
    internal = [token.name for token in resolved.system.tokens.values() if token.internal]
    return [
        {
            "finding": each.sentence,
            "reason": each.reason,
            "on": each.on.isoformat(),
            "until": each.until.isoformat() if each.until else None,
        }
        for each in in_order(resolved.system.exceptions)
        if not any(name in each.sentence for name in internal)
    ]


def _cut(ratio: float) -> float:
    return math.floor(ratio * 100.0 + 1e-9) / 100.0
