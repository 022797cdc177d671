"""Findings: what is to settle, as sentences with figures and ways to settle it. One file a kind."""

from dataclasses import replace
from datetime import date

from heimat.core.document.system import ColorSystem
from heimat.core.legibility.findings.accepted import Exceptions, standing_exceptions
from heimat.core.legibility.findings.consequences import Consequences, Counted
from heimat.core.legibility.findings.finding import Finding
from heimat.core.legibility.findings.kept import kept_findings, kept_ids
from heimat.core.legibility.findings.pairings import pairing_findings, pairing_ids, pairing_rooms
from heimat.core.legibility.findings.palettes import palette_findings, palette_ids, palette_rooms
from heimat.core.legibility.findings.palettes.at import ON_PALETTES
from heimat.core.legibility.findings.scales import scale_finding_ids, scale_findings
from heimat.core.legibility.findings.told_apart import told_apart_findings, told_apart_ids, told_apart_rooms
from heimat.core.legibility.repairs import TURNS, Repair, pairings_with
from heimat.core.resolve.resolved import Resolved, resolve

MANY, FEW_CHECKED = 400, 4
"""Of so many findings and more, so few are looked at that closely: a fresh check of the whole document takes long."""
MOST_CHECKED = 80
"""Repairs whose consequences are looked for on the whole document: each asks for it resolved and checked anew."""
_MOST_MENDED = 100

__all__ = [
    "ON_PALETTES",
    "Exceptions",
    "Finding",
    "changed_by",
    "count_open",
    "finding_ids",
    "findings",
    "mend_all",
    "moving_order",
    "rooms",
    "standing_exceptions",
]


def finding_ids(resolved: Resolved, *, palettes: bool = True) -> frozenset[str]:
    """The ids of all findings, those on palettes if wanted, without words and repairs: it is asked many times over."""
    pairs = told_apart_ids(resolved) | pairing_ids(resolved)
    on_palettes = palette_ids(resolved) if palettes else set()
    return frozenset(pairs | scale_finding_ids(resolved) | kept_ids(resolved) | on_palettes)


def count_open(resolved: Resolved, today: date) -> int:
    """How many findings are to settle: all but those that someone accepted."""
    ids = finding_ids(resolved)
    if not any(each.finding in ids for each in resolved.system.exceptions.values()):
        return len(ids)
    accepted = standing_exceptions(resolved, findings(resolved, repairs=False), today).in_force
    return len(ids - accepted.keys())


def rooms(resolved: Resolved) -> dict[str, float]:
    """How much room every measured finding has before it comes or goes, by its id: below 0 it is open."""
    return told_apart_rooms(resolved) | pairing_rooms(resolved) | palette_rooms(resolved)


def findings(resolved: Resolved, *, repairs: bool = True) -> list[Finding]:
    """All findings: what merges meanings, what stood on something gone, scales, then pairings by how far they miss.

    Repairs take most of the time and may be left out. What each mends and breaks is what is found after it; of very
    many repairs that ask for the whole document, it is looked for only of those of the findings that weigh most.
    """
    found = (
        told_apart_findings(resolved, repairs=repairs)
        + kept_findings(resolved, repairs=repairs)
        + scale_findings(resolved)
        + pairing_findings(resolved, repairs=repairs)
        + palette_findings(resolved, repairs=repairs)
    )
    return _with_consequences(resolved, found) if repairs else found


def _with_consequences(resolved: Resolved, found: list[Finding]) -> list[Finding]:
    before = finding_ids(resolved)
    quick = Consequences(resolved, before)
    # The same move may settle several findings: it is checked once.
    known: dict[str, Counted] = {}
    whole = 0

    def counted(repair: Repair) -> Repair:
        key = "".join(edit.model_dump_json() for edit in repair.edits)
        nonlocal whole
        if key not in known and (found := quick.of(repair)) is not None:
            known[key] = found
        elif key not in known:
            if whole == (MOST_CHECKED if len(before) <= MANY else FEW_CHECKED):
                return repair
            whole += 1
            after = finding_ids(resolve(changed_by(repair, resolved.system)))
            known[key] = len(before - after), len(after - before)
        mends, breaks = known[key]
        return replace(repair, mends=mends, breaks=breaks)

    return [replace(each, repairs=sorted(map(counted, each.repairs), key=_rank)) for each in found]


def _rank(repair: Repair) -> tuple[bool, int, int, int, float]:
    """What breaks nothing first, then what moves what matters least, then what changes least."""
    return repair.breaks is None, repair.breaks or 0, repair.turn, repair.weight, repair.distance


def moving_order(resolved: Resolved, found: list[Finding]) -> list[tuple[str, int]]:
    """The tokens that findings could move, in the order in which they give way, each with how many pairings it is in.

    The team's own order comes first, then the number of pairings, then the designer's order of tokens.
    """
    tokens = resolved.system.tokens
    met = sorted({token for each in found for token in each.tokens}, key=lambda token: tokens[token].order)
    uses = {token: pairings_with(resolved, token) for token in met}
    return sorted(uses.items(), key=lambda each: (TURNS[tokens[each[0]].moving], each[1]))


def changed_by(repair: Repair, system: ColorSystem) -> ColorSystem:
    """The document after a repair. Raises DomainError where it cannot be done any more."""
    for edit in repair.edits:
        system = edit.change(system)
    return system


def mend_all(resolved: Resolved, today: date) -> list[tuple[Finding, Repair]]:
    """One after the other, what settles each finding without breaking anything: each repair counts on those before it.

    What was accepted is left as it is, and so is what no repair settles without breaking something else.
    """
    done: list[tuple[Finding, Repair]] = []
    left: set[str] = set()
    while len(done) < _MOST_MENDED:
        found = findings(resolved)
        accepted = standing_exceptions(resolved, found, today).in_force
        open_ones = (each for each in found if each.id not in accepted and each.id not in left)
        chosen = next(((each, best) for each in open_ones if (best := _harmless(each)) is not None), None)
        if chosen is None:
            break
        done.append(chosen)
        left.add(chosen[0].id)
        resolved = resolve(changed_by(chosen[1], resolved.system))
    return done


def _harmless(finding: Finding) -> Repair | None:
    """The first repair that mends something and breaks nothing. Companions are new tokens: those a person chooses."""
    return next(
        (each for each in finding.repairs if each.breaks == 0 and each.mends and each.kind != "companion"), None
    )
