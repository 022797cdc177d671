"""More colors than the team wants to publish."""

from collections.abc import Iterable
from dataclasses import dataclass

from heimat.core.document.uses import published_steps
from heimat.core.legibility.findings.finding import Case, Finding, Kind, never_touched
from heimat.core.resolve.resolved import Resolved


@dataclass(slots=True, eq=False)
class _Case(Case):
    resolved: Resolved
    cap: int
    colors: int

    @property
    def id(self) -> str:
        return KIND.name

    @property
    def open(self) -> bool:
        return self.colors > self.cap

    def say(self) -> Finding:
        first, over = self.resolved.hue_list[0], self.colors - self.cap
        return Finding(
            id=self.id,
            kind=KIND.name,
            sentence=f"{self.colors} colors would be published; the cap is {self.cap}.",
            detail=f"{over} too many. Make steps internal that nothing uses, take a smaller ladder, or raise the cap.",
            select=first.key,
            colors=(first.rgb8[0], first.rgb8[-1]),
        )


def _measure(resolved: Resolved) -> Iterable[_Case]:
    cap = resolved.system.cap
    if cap is not None:
        yield _Case(resolved, cap, len(published_steps(resolved.system)))


KIND = Kind("cap", _measure, never_touched)
