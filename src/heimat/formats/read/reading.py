"""What every reader gives: the colors that it found, by line, and what it could not read, with the reason.

No reader ever raises for what it is given: a file that makes no sense is one line that says so.
"""

from collections.abc import Callable
from dataclasses import dataclass, field, replace

from heimat.core.color.color_lines import Reading, ReadingKind, ReadLine
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.formats.read.allowance import Allowance

MOST_SHOWN = 400
"""Colors and problems that are told of one text; a set has at most 200 hues."""


@dataclass(frozen=True)
class TextReader:
    """A form in which colors come as text: how it is known, and how it is read.

    `takes` looks at the text without what is blank before it, and at the ending of the file's name, in lower case with
    its dot, if it was one. `read` takes the whole text. The first reader that takes a text reads it.
    """

    takes: Callable[[str, str], bool]
    read: Callable[[str], Reading]


BLANK = "\ufeff \t\r\n"
"""What may stand before the text of a file and says nothing."""


@dataclass
class Found:
    """Collects lines; the same color under the same name is one line, which counts how often it was there."""

    kind: ReadingKind
    allowance: Allowance = field(default_factory=Allowance)

    def __post_init__(self) -> None:
        self._colors: dict[tuple[str, tuple[int, ...], float], ReadLine] = {}
        self._counts: dict[tuple[str, tuple[int, ...], float], int] = {}
        self._problems: dict[str, ReadLine] = {}
        self._skipped: set[str] = set()

    @property
    def full(self) -> bool:
        """Whether more colors than are told were found already."""
        return len(self._colors) > MOST_SHOWN

    @property
    def empty(self) -> bool:
        """Whether nothing was found, not even something to tell of."""
        return not (self._colors or self._problems or self.allowance.stopped)

    def skip(self, text: str) -> None:
        """Count a color that is told no more."""
        self._skipped.add(text)

    def color(
        self, number: int, text: str, name: str, color: Color, group: str = "", place: str = ""
    ) -> None:
        """A color was found, under what and where it stands, where that is told."""
        key = (name, tuple(int(level) for level in rgb8_of(color)), color.alpha)
        self._counts[key] = self._counts.get(key, 0) + 1
        self._colors.setdefault(
            key, ReadLine(text[:200], name, color, None, number, group, place[:120])
        )

    def problem(self, number: int, text: str, reason: str) -> None:
        """Something was not read."""
        if len(self._problems) <= MOST_SHOWN:
            self._problems.setdefault(
                f"{text[:80]}|{reason}", ReadLine(text[:200], "", None, reason, number)
            )
        else:
            self._skipped.add(text[:80])

    def reading(self) -> Reading:
        """What was found, in the order of lines."""
        colors = [replace(line, uses=self._counts[key]) for key, line in self._colors.items()]
        lines = sorted([*colors, *self._problems.values()], key=lambda line: line.number)
        more = max(len(lines) - MOST_SHOWN, 0) + len(self._skipped)
        return Reading(self.kind, lines[:MOST_SHOWN], more, self.allowance.stopped)


def nothing(kind: ReadingKind, reason: str) -> Reading:
    """A reading of a text that holds no color."""
    return Reading(kind, [ReadLine("", "", None, reason)])
