"""Findings that someone has accepted: which exceptions are in force, and which have lapsed."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date

from heimat.core.color.hex_notation import hex_of
from heimat.core.document.exceptions import AcceptedException
from heimat.core.document.order import in_order
from heimat.core.legibility.findings.finding import Finding
from heimat.core.resolve.resolved import Resolved


@dataclass(frozen=True)
class Exceptions:
    """What has become of the exceptions: in force and lapsed by the id of their finding, and those found no more."""

    in_force: Mapping[str, AcceptedException]
    lapsed: Mapping[str, tuple[AcceptedException, str]]
    settled: Sequence[AcceptedException]


def standing_exceptions(resolved: Resolved, found: Sequence[Finding], today: date) -> Exceptions:
    """What has become of a document's exceptions, by what is found in it and the day it is.

    An exception holds for the colors that it was made for, and up to its last day.
    """
    by_id = {finding.id: finding for finding in found}
    in_force: dict[str, AcceptedException] = {}
    lapsed: dict[str, tuple[AcceptedException, str]] = {}
    settled: list[AcceptedException] = []
    for each in in_order(resolved.system.exceptions):
        finding = by_id.get(each.finding)
        if finding is None:
            settled.append(each)
        elif tuple(hex_of(color) for color in finding.colors) != each.colors:
            lapsed[each.finding] = (each, "the colors are others since")
        elif each.until is not None and each.until < today:
            lapsed[each.finding] = (each, f"it ended on {each.until}")
        else:
            in_force[each.finding] = each
    return Exceptions(in_force, lapsed, settled)
