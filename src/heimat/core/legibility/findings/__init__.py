"""Findings: what is to settle, as sentences with figures and ways to settle it. A kind of them is one file."""

from collections import Counter
from collections.abc import Mapping, Sequence
from dataclasses import replace
from datetime import date

from heimat.core.document.system import ColorSystem
from heimat.core.edits import apply
from heimat.core.errors import DomainError
from heimat.core.legibility.findings import kinds
from heimat.core.legibility.findings.accepted import Exceptions, standing_exceptions
from heimat.core.legibility.findings.consequences import Consequences
from heimat.core.legibility.findings.finding import Case, Finding, Kind, Slack
from heimat.core.legibility.findings.kinds import FindingKind
from heimat.core.legibility.findings.move import Counted, compared
from heimat.core.legibility.findings.palettes import KIND as ON_PALETTES
from heimat.core.legibility.findings.palettes.palette_site import PALETTE_IDS
from heimat.core.legibility.repairs import TURNS, Repair, pairings_with
from heimat.core.memory import OfObjects
from heimat.core.resolve.resolved import Resolved, resolve

MANY, FEW_CHECKED = 400, 4
"""Of so many findings and more, so few are looked at that closely: a fresh check of the whole document takes long."""
MOST_CHECKED = 80
"""Repairs whose consequences are looked for on the whole document: each asks for it resolved and checked anew."""
_MOST_MENDED = 100
_MEASURED: OfObjects[Sequence[Case]] = OfObjects("what findings measured", 4 * len(kinds.KINDS))
"""What each kind measured of the last documents: for one answer it is counted, told and asked for repairs."""

__all__ = [
    "PALETTE_IDS",
    "Exceptions",
    "Finding",
    "FindingKind",
    "changed_by",
    "count_open",
    "finding_ids",
    "findings",
    "mend_all",
    "moving_order",
    "slacks",
    "standing_exceptions",
]


def finding_ids(resolved: Resolved, *, palettes: bool = True) -> frozenset[str]:
    """The ids of all findings, those on palettes if wanted, without words and repairs: it is asked many times over."""
    wanted = _kinds(palettes=palettes)
    return frozenset(case.id for kind in wanted for case in _measured(resolved, kind) if case.open)


def _kinds(*, palettes: bool) -> list[Kind]:
    return [kind for kind in kinds.KINDS if palettes or kind is not ON_PALETTES]


def _measured(resolved: Resolved, kind: Kind) -> Sequence[Case]:
    """What a kind measures in a document, measured once."""
    known = _MEASURED.known(resolved, kind)
    if known is None:
        known = tuple(kind.measure(resolved))
        _MEASURED.keep(known, resolved, kind)
    return known


def count_open(resolved: Resolved, today: date) -> int:
    """How many findings are to settle: all but those that someone accepted."""
    ids = finding_ids(resolved)
    if not any(each.finding in ids for each in resolved.system.exceptions.values()):
        return len(ids)
    accepted = standing_exceptions(resolved, findings(resolved, repairs=False), today).in_force
    return len(ids - accepted.keys())


def slacks(resolved: Resolved, *, palettes: bool = True) -> dict[str, Slack]:
    """How far everything that is measured is clear of its threshold, by the id of its finding: below 0 it is short."""
    found = {}
    for kind in _kinds(palettes=palettes):
        for case in (*_measured(resolved, kind), *(kind.clear(resolved) if kind.clear else ())):
            slack = case.slack
            if slack is not None:
                found[case.id] = Slack(slack, case.grain)
    return found


def findings(resolved: Resolved, *, repairs: bool = True) -> list[Finding]:
    """All findings, kind by kind, in each the heaviest first.

    Repairs take most of the time and may be left out. What each mends and breaks is what is found after it; of very
    many repairs that ask for the whole document, it is looked for only of those of the findings that weigh most.
    """
    every = [
        (kind, case) for kind in kinds.KINDS for case in _measured(resolved, kind) if case.open
    ]
    if not repairs:
        return [case.say() for _, case in every]
    told: Counter[str] = Counter()
    found = []
    for kind, case in every:
        asked = kind.most_repaired is None or told[kind.name] < kind.most_repaired
        found.append(replace(case.say(), repairs=case.repairs()) if asked else case.say())
        told[kind.name] += 1
    return _with_consequences(resolved, found)


def _with_consequences(resolved: Resolved, found: list[Finding]) -> list[Finding]:
    before = _open_slacks(resolved)
    quick = Consequences(resolved, frozenset(before))
    # The same move may settle several findings: it is checked once.
    known: dict[str, Counted | None] = {}
    whole = 0

    def counted(repair: Repair) -> Repair | None:
        key = "".join(edit.model_dump_json() for edit in repair.edits)
        nonlocal whole
        if key not in known and (quickly := quick.of(repair)) is not None:
            known[key] = quickly
        elif key not in known:
            if whole == (MOST_CHECKED if len(before) <= MANY else FEW_CHECKED):
                return repair
            whole += 1
            known[key] = _counted(resolved.system, repair, before)
        found = known[key]
        if found is None:
            return None
        return replace(repair, mends=found.mends, breaks=found.breaks, worsens=found.worsens)

    def ranked(finding: Finding) -> list[Repair]:
        return sorted(
            (each for repair in finding.repairs if (each := counted(repair)) is not None), key=_rank
        )

    return [replace(each, repairs=ranked(each)) for each in found]


def _counted(
    system: ColorSystem, repair: Repair, before: Mapping[str, float | None]
) -> Counted | None:
    """What a repair mends, breaks and worsens on the whole document; None where it would be refused."""
    try:
        after = _open_slacks(resolve(changed_by(repair, system)))
    except DomainError:
        return None
    return compared(before, after)


def _open_slacks(resolved: Resolved) -> dict[str, float | None]:
    """All findings by their ids, with their slack where it is known."""
    return {
        case.id: case.slack
        for kind in kinds.KINDS
        for case in _measured(resolved, kind)
        if case.open
    }


def _rank(repair: Repair) -> tuple[bool, int, int, bool, bool, int, int, float]:
    """What breaks and worsens nothing first, then the other side of a label, then what leaves grounds as they are,
    matters least, changes least."""
    return (
        repair.breaks is None,
        repair.breaks or 0,
        repair.worsens,
        repair.kind != "side",
        repair.turned,
        repair.turn,
        repair.weight,
        repair.distance,
    )


def moving_order(resolved: Resolved, found: list[Finding]) -> list[tuple[str, int]]:
    """The tokens that findings could move, in the order in which they give way, each with how many pairings it is in.

    The team's own order comes first, then the number of pairings, then the designer's order of tokens.
    """
    tokens = resolved.system.tokens
    met = sorted(
        {token for each in found for token in each.tokens}, key=lambda token: tokens[token].order
    )
    uses = {token: pairings_with(resolved, token) for token in met}
    return sorted(uses.items(), key=lambda each: (TURNS[tokens[each[0]].moving], each[1]))


def changed_by(repair: Repair, system: ColorSystem) -> ColorSystem:
    """The document after a repair. Raises DomainError where it cannot be done any more."""
    for edit in repair.edits:
        system = apply(system, edit)
    return system


def mend_all(resolved: Resolved, today: date) -> list[tuple[Finding, Repair]]:
    """One after the other, what settles findings without breaking anything: each repair counts on those before it.

    Of all repairs the least visible one that mends most comes first, and no ground turns from light to dark.
    What was accepted is left as it is, and so is what no repair settles without breaking or worsening something else.
    """
    done: list[tuple[Finding, Repair]] = []
    left: set[str] = set()
    while len(done) < _MOST_MENDED:
        found = findings(resolved)
        accepted = standing_exceptions(resolved, found, today).in_force
        ways = (
            (each, repair)
            for each in found
            if each.id not in accepted and each.id not in left
            for repair in each.repairs
            if _harmless(repair)
        )
        chosen = min(ways, key=lambda way: _unseen(way[1]), default=None)
        if chosen is None:
            break
        done.append(chosen)
        left.add(chosen[0].id)
        resolved = resolve(changed_by(chosen[1], resolved.system))
    return done


def _harmless(repair: Repair) -> bool:
    """Whether a repair mends something, and breaks and worsens nothing.

    Companions are new tokens, and a ground that turns from light to dark is another look: those a person chooses.
    """
    return (
        repair.breaks == 0
        and repair.worsens == 0
        and bool(repair.mends)
        and repair.kind != "companion"
        and not repair.turned
    )


def _unseen(repair: Repair) -> tuple[int, float, float, int]:
    """What the team lets move first, then the least visible change (CIEDE2000) for each finding that it mends."""
    return repair.turn, repair.distance / (repair.mends or 1), repair.distance, repair.weight
