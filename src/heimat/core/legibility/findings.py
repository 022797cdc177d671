"""Findings: what is to settle, as sentences with figures and ways to settle it."""

from dataclasses import dataclass
from typing import Literal

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.contrast import cut, relative_luminance
from heimat.core.edits.tokens import value_in_words
from heimat.core.fewer import published_steps
from heimat.core.legibility.pairings import USE_WORDS, PairingResult
from heimat.core.legibility.repairs import Repair, repair_pairing, repair_told_apart
from heimat.core.legibility.told_apart import PairDistance, VisionDistance
from heimat.core.resolve import Checked, Resolved, ToldApartResult
from heimat.core.scales.anchors import LEAST_GAP
from heimat.core.system import Hue, Use, ladder_of
from heimat.core.tokens.aliases import follow


@dataclass(frozen=True)
class Finding:
    """One thing to settle.

    `select` is the key of what it is about first, `colors` are the two 8-bit colors it is about, `vision` the one that
    merges them, `use` that of a pairing.
    """

    id: str
    kind: Literal["pairing", "told_apart", "translucent", "crowded", "order", "cap"]
    sentence: str
    detail: str
    select: str
    colors: tuple[Bytes, Bytes]
    vision: VisionDistance | None
    use: Use | None
    repairs: list[Repair]


def finding_ids(checked: Checked) -> frozenset[str]:
    """The ids of all findings, without their words and repairs: what is asked many times over."""
    told = {
        _told_id(result, pair)
        for result in checked.told_apart
        for pair in result.pairs
        if pair.least() < result.told_apart.threshold
    }
    unknown = {_translucent_id(result) for result in checked.pairings if result.needed and result.holds is None}
    failing = {_pairing_id(result) for result in checked.pairings if result.holds is False}
    ordered = {_crowded_id(hue) for hue in _crowding(checked)} | {_order_id(hue) for hue, _ in _out_of_order(checked)}
    return frozenset(told | unknown | failing | ordered | ({_CAP_ID} if _over_cap(checked) else set()))


def _told_id(result: ToldApartResult, pair: PairDistance) -> str:
    return f"told-{result.told_apart.tokens[pair.one]}-{result.told_apart.tokens[pair.other]}"


def _translucent_id(result: PairingResult) -> str:
    return f"translucent-{result.pairing.id}"


def _pairing_id(result: PairingResult) -> str:
    return f"pairing-{result.pairing.id}"


def _crowded_id(hue: Hue) -> str:
    return f"crowded-{hue.id}"


_CAP_ID = "cap"


def _order_id(hue: Hue) -> str:
    return f"order-{hue.id}"


def _over_cap(checked: Checked) -> int:
    """By how many colors the cap is passed."""
    cap = checked.system.cap
    return 0 if cap is None else max(len(published_steps(checked.system)) - cap, 0)


def _out_of_order(checked: Checked) -> list[tuple[Hue, list[int]]]:
    """Hues with the places of steps that are not darker than the one before: pins and nudges can do that."""
    found = []
    for hue in checked.hues:
        rises = np.flatnonzero(np.diff(relative_luminance(checked.scales[hue.id].rgb8)) >= 0.0) + 1
        if len(rises):
            found.append((hue, rises.tolist()))
    return found


def _crowding(checked: Checked) -> list[Hue]:
    """Hues at a fixed label that leave too little room for the steps beside it."""
    return [hue for hue in checked.hues if hue.anchor.mode == "label" and checked.scales[hue.id].crowded]


def distance_text(value: float) -> str:
    """A CIEDE2000 distance with one decimal, cut and never rounded up over a threshold."""
    return f"{int(value * 10) / 10:.1f}"


def findings(resolved: Resolved, *, repairs: bool = True) -> list[Finding]:
    """All findings, those that merge meanings first, then pairings by how far they fall short.

    Repairs take most of the time and may be left out.
    """
    told = [
        _told_apart(resolved, result, pair, repairs)
        for result in resolved.told_apart
        for pair in sorted(result.pairs, key=lambda pair: pair.least())
        if pair.least() < result.told_apart.threshold
    ]
    unknown = [_translucent(resolved, result) for result in resolved.pairings if result.needed and result.holds is None]
    failing = sorted(
        (result for result in resolved.pairings if result.holds is False),
        key=lambda result: result.ratio / (result.needed or 1.0),
    )
    return (
        told
        + _cap(resolved)
        + _order(resolved)
        + _crowded(resolved)
        + unknown
        + [_pairing(resolved, result, repairs) for result in failing]
    )


def _told_apart(resolved: Resolved, result: ToldApartResult, pair: PairDistance, repairs: bool) -> Finding:
    ids = (result.told_apart.tokens[pair.one], result.told_apart.tokens[pair.other])
    one, other = (resolved.system.tokens[token].name for token in ids)
    worst = pair.worst
    wanted = f"The set asks for {result.told_apart.threshold:g} at every severity."
    if pair.typical < result.told_apart.threshold:
        sentence = f"{one} and {other} look alike."
    else:
        sentence = f"{one} and {other} look alike for {worst.vision} vision."
    where = f"; below {result.told_apart.threshold:g} {_interval(worst)}" if worst.below else ""
    apart = f"{distance_text(pair.typical)} apart for typical vision, {distance_text(worst.least)} for {worst.vision}"
    detail = f"{apart}{where}. {wanted}"
    return Finding(
        id=_told_id(result, pair),
        kind="told_apart",
        sentence=sentence,
        detail=detail,
        select=f"token:{ids[0]}",
        colors=(resolved.tokens[ids[0]].rgb8, resolved.tokens[ids[1]].rgb8),
        vision=worst,
        use=None,
        repairs=repair_told_apart(resolved, result, pair) if repairs else [],
    )


def _crowded(resolved: Resolved) -> list[Finding]:
    found: list[Finding] = []
    for hue in _crowding(resolved):
        scale = resolved.scales[hue.id]
        if scale.anchor is not None:
            label = ladder_of(resolved.system, hue).labels()[scale.anchor]
            found.append(
                Finding(
                    id=_crowded_id(hue),
                    kind="crowded",
                    sentence=f"{hue.name} at {label} leaves too little room for the steps beside it.",
                    detail=f"Its lightness is {scale.source_lightness:.1f}; some steps are less than {LEAST_GAP:g} L* "
                    "apart. Anchor it at a label nearer to its lightness.",
                    select=f"hue:{hue.id}",
                    colors=(scale.rgb8[0], scale.rgb8[-1]),
                    vision=None,
                    use=None,
                    repairs=[],
                )
            )
    return found


def _order(resolved: Resolved) -> list[Finding]:
    found: list[Finding] = []
    for hue, places in _out_of_order(resolved):
        labels, rgb8 = ladder_of(resolved.system, hue).labels(), resolved.scales[hue.id].rgb8
        said = ", ".join(f"{labels[at]} than {labels[at - 1]}" for at in places)
        by_hand = hue.pins or hue.nudges
        found.append(
            Finding(
                id=_order_id(hue),
                kind="order",
                sentence=f"{hue.name} is out of order: not darker are {said}.",
                detail="Pins and nudges stand where they were put. Take one back, or let the neighbours of pins pass."
                if by_hand
                else "Its source leaves too little room on one side of the ladder.",
                select=f"step:{hue.id}/{ladder_of(resolved.system, hue).ids()[places[0]]}",
                colors=(rgb8[places[0] - 1], rgb8[places[0]]),
                vision=None,
                use=None,
                repairs=[],
            )
        )
    return found


def _cap(resolved: Resolved) -> list[Finding]:
    over = _over_cap(resolved)
    if not over:
        return []
    colors = len(published_steps(resolved.system))
    first = resolved.hues[0]
    rgb8 = resolved.scales[first.id].rgb8
    return [
        Finding(
            id=_CAP_ID,
            kind="cap",
            sentence=f"{colors} colors would be published; the cap is {resolved.system.cap}.",
            detail=f"{over} too many. Hide steps that nothing uses, take a smaller ladder, or raise the cap.",
            select=f"hue:{first.id}",
            colors=(rgb8[0], rgb8[-1]),
            vision=None,
            use=None,
            repairs=[],
        )
    ]


def _interval(distance: VisionDistance) -> str:
    low, high = distance.below or (0.0, 1.0)
    if high == 1.0:
        return f"from severity {low:g} up"
    return f"at severity {low:g}" if low == high else f"from severity {low:g} to {high:g}"


def _pairing(resolved: Resolved, result: PairingResult, repairs: bool) -> Finding:
    foreground, ground = _names(resolved, result)
    theme = resolved.theme.name if resolved.theme else ""
    use = USE_WORDS[result.pairing.use]
    ids = (result.pairing.foreground, result.pairing.ground)
    return Finding(
        id=_pairing_id(result),
        kind="pairing",
        sentence=f"{foreground} on {ground} reads {_reads(result)}; {use} needs {result.needed:g}.",
        detail=f"{foreground} is {_ends_at(resolved, ids[0])}, {ground} is {_ends_at(resolved, ids[1])}, in {theme}.",
        select=f"token:{ids[0]}",
        colors=(resolved.tokens[ids[0]].rgb8, resolved.tokens[ids[1]].rgb8),
        vision=None,
        use=result.pairing.use,
        repairs=repair_pairing(resolved, result) if repairs else [],
    )


def _reads(result: PairingResult) -> str:
    """The ratio; where display-p3 alone falls short, both."""
    if result.wide is None or result.ratio < (result.needed or 0.0):
        return cut(result.ratio)
    return f"{cut(result.ratio)}, but {cut(result.wide)} in display-p3"


def _translucent(resolved: Resolved, result: PairingResult) -> Finding:
    foreground, ground = _names(resolved, result)
    ids = (result.pairing.foreground, result.pairing.ground)
    return Finding(
        id=_translucent_id(result),
        kind="translucent",
        sentence=f"{foreground} on {ground} cannot be measured: {ground} is translucent.",
        detail="What lies under it decides. Give it an opaque color, or pair the text with what lies under it.",
        select=f"token:{ids[0]}",
        colors=(resolved.tokens[ids[0]].rgb8, resolved.tokens[ids[1]].rgb8),
        vision=None,
        use=result.pairing.use,
        repairs=[],
    )


def _names(resolved: Resolved, result: PairingResult) -> tuple[str, str]:
    tokens = resolved.system.tokens
    return tokens[result.pairing.foreground].name, tokens[result.pairing.ground].name


def _ends_at(resolved: Resolved, token: str) -> str:
    theme = resolved.theme.id if resolved.theme else ""
    return value_in_words(resolved.system, follow(resolved.system, token, theme).end)
