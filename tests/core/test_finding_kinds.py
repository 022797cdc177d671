"""A kind of finding is one file and one line: everything that asks for findings reads it then."""

from dataclasses import dataclass

import pytest

from heimat.core import memory
from heimat.core.document.tokens import LiteralColor
from heimat.core.edits import apply
from heimat.core.edits.token_edits import SetTokenValue
from heimat.core.legibility.findings import changed_by, finding_ids, findings, kinds, slacks
from heimat.core.legibility.findings.finding import Case, Finding, Kind
from heimat.core.legibility.repairs import Repair
from heimat.core.resolve.resolved import Resolved, resolve
from heimat.demo.demo_systems import brinemark

PINK = "#FF66CC"


@dataclass(eq=False)
class Pink(Case):
    """A token that is pink: the kind that the tests add."""

    resolved: Resolved
    theme: str
    token: str

    @property
    def id(self) -> str:
        return f"pink:{self.theme}:{self.token}"

    @property
    def rgb8(self):
        return self.resolved.themes[self.theme].tokens[self.token].rgb8

    @property
    def open(self) -> bool:
        return self.rgb8.tolist() == [255, 102, 204]

    @property
    def slack(self) -> float:
        return -1.0 if self.open else 1.0

    def say(self) -> Finding:
        return Finding(
            self.id,
            "pink",
            f"{self.token} is pink.",
            "",
            f"token:{self.token}",
            (self.rgb8, self.rgb8),
        )

    def repairs(self) -> list[Repair]:
        black = SetTokenValue(
            token=self.token, theme=self.theme, value=LiteralColor(color="#000000")
        )
        return [Repair((black,), "own", self.rgb8, "Let it be black", 1.0)]


def every_pink(resolved: Resolved):
    return [
        Pink(resolved, theme, token)
        for theme, shown in resolved.themes.items()
        for token in shown.tokens
    ]


@pytest.fixture
def system():
    return apply(
        brinemark(), SetTokenValue(token="link-text", theme="day", value=LiteralColor(color=PINK))
    )


def test_a_kind_that_is_added_is_counted_told_and_settled(system, monkeypatch):
    before = finding_ids(resolve(system))
    assert "pink:day:link-text" not in before
    monkeypatch.setattr(kinds, "KINDS", (*kinds.KINDS, Kind("pink", every_pink)))
    resolved = resolve(system)
    assert finding_ids(resolved) - before == {"pink:day:link-text"}
    assert slacks(resolved)["pink:day:link-text"].by == -1.0
    assert slacks(resolved)["pink:night:link-text"].by == 1.0
    told = findings(resolved)
    (pink,) = [each for each in told if each.kind == "pink"]
    assert told[-1] is pink
    (repair,) = pink.repairs
    # It says nothing of single moves: what a repair does is found on the whole document, its own kind included.
    after = finding_ids(resolve(changed_by(repair, system)))
    ids = finding_ids(resolved)
    assert (repair.mends, repair.breaks) == (len(ids - after), len(after - ids))
    assert repair.mends


def test_what_is_measured_once_is_what_is_measured_anew(system):
    resolved = resolve(system)
    once = [(each.id, each.sentence, each.detail) for each in findings(resolved, repairs=False)]
    assert frozenset(key for key, *_ in once) == finding_ids(resolved)
    with memory.off():
        anew = resolve(system)
        assert [
            (each.id, each.sentence, each.detail) for each in findings(anew, repairs=False)
        ] == once
        assert slacks(anew) == slacks(resolved)


def test_memories_are_told_and_let_go():
    finding_ids(resolve(brinemark()))
    held = {each.name: each for each in memory.held()}
    assert held["what findings measured"].count > 0
    assert all(0 <= each.count <= each.most for each in held.values())
    memory.clear()
    assert sum(each.count for each in memory.held()) == 0
