"""Findings: what is to settle, as sentences with figures and ways to settle it. One file a kind."""

from heimat.core.legibility.findings.finding import Finding
from heimat.core.legibility.findings.pairings import pairing_findings, pairing_ids
from heimat.core.legibility.findings.scales import scale_finding_ids, scale_findings
from heimat.core.legibility.findings.told_apart import told_apart_findings, told_apart_ids
from heimat.core.resolve.resolved import Resolved

__all__ = ["Finding", "finding_ids", "findings"]


def finding_ids(resolved: Resolved) -> frozenset[str]:
    """The ids of all findings, without their words and repairs: what is asked many times over."""
    return frozenset(told_apart_ids(resolved) | pairing_ids(resolved) | scale_finding_ids(resolved))


def findings(resolved: Resolved, *, repairs: bool = True) -> list[Finding]:
    """All findings, those that merge meanings first, then those on scales, then pairings by how far they fall short.

    Repairs take most of the time and may be left out.
    """
    return (
        told_apart_findings(resolved, repairs=repairs)
        + scale_findings(resolved)
        + pairing_findings(resolved, repairs=repairs)
    )
