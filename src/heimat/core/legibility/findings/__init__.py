"""Findings: what is to settle, as sentences with figures and ways to settle it. One file a kind."""

from dataclasses import replace

from heimat.core.legibility.findings.finding import Finding
from heimat.core.legibility.findings.kept import kept_findings, kept_ids
from heimat.core.legibility.findings.pairings import pairing_findings, pairing_ids, pairing_rooms
from heimat.core.legibility.findings.scales import scale_finding_ids, scale_findings
from heimat.core.legibility.findings.told_apart import told_apart_findings, told_apart_ids, told_apart_rooms
from heimat.core.legibility.repairs import Repair
from heimat.core.resolve.resolved import Resolved, resolve

MOST_CHECKED = 40
"""Repairs whose consequences are looked for: each asks for a document resolved and checked anew."""

__all__ = ["Finding", "finding_ids", "findings", "rooms"]


def finding_ids(resolved: Resolved) -> frozenset[str]:
    """The ids of all findings, without their words and repairs: what is asked many times over."""
    pairs = told_apart_ids(resolved) | pairing_ids(resolved)
    return frozenset(pairs | scale_finding_ids(resolved) | kept_ids(resolved))


def rooms(resolved: Resolved) -> dict[str, float]:
    """How much room every measured finding has before it comes or goes, by its id: below 0 it is open."""
    return told_apart_rooms(resolved) | pairing_rooms(resolved)


def findings(resolved: Resolved, *, repairs: bool = True) -> list[Finding]:
    """All findings: what merges meanings, what stood on something gone, scales, then pairings by how far they miss.

    Repairs take most of the time and may be left out. What each mends and breaks is what is found after it; of very
    many repairs, that is looked for only of those of the findings that weigh most.
    """
    found = (
        told_apart_findings(resolved, repairs=repairs)
        + kept_findings(resolved, repairs=repairs)
        + scale_findings(resolved)
        + pairing_findings(resolved, repairs=repairs)
    )
    return _with_consequences(resolved, found) if repairs else found


def _with_consequences(resolved: Resolved, found: list[Finding]) -> list[Finding]:
    before = finding_ids(resolved)
    # The same move may settle several findings: it is checked once.
    known: dict[str, tuple[int, int]] = {}

    def counted(repair: Repair) -> Repair:
        key = repair.edit.model_dump_json()
        if key not in known:
            if len(known) == MOST_CHECKED:
                return repair
            after = finding_ids(resolve(repair.edit.change(resolved.system)))
            known[key] = len(before - after), len(after - before)
        mends, breaks = known[key]
        return replace(repair, mends=mends, breaks=breaks)

    return [replace(each, repairs=[counted(repair) for repair in each.repairs]) for each in found]
