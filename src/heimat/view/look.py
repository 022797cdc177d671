"""How a person looks at a document: what all parts of an answer are made from."""

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.contrast import AA_TEXT
from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.notation import Notation
from heimat.core.document.keys import hue_key
from heimat.core.document.system import ColorSystem
from heimat.core.legibility.selected import Selected, find
from heimat.core.publication.building import told_by_marks
from heimat.core.publication.changes import changed_ids
from heimat.core.publication.publication import Publication
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.theme import ResolvedTheme
from heimat.view.eyes import Eyes, SeenAs

_GROUNDS: dict[str, Bytes] = {
    "white": np.array([255, 255, 255], dtype=np.uint8),
    "black": np.array([0, 0, 0], dtype=np.uint8),
}


@dataclass(frozen=True)
class LookOptions:
    """Through which eyes, on which ground, in which theme, at which color.

    `ground` is `white`, `black` or the key of a color; `theme` the id of one, the first without it; `select` a key of a
    hue, step or token; `notation` the one that values of hues are written in; `need` the contrast that the line on the
    sheet of scales bounds.
    """

    vision: SeenAs = "typical"
    severity: float = 1.0
    ground: str = "white"
    theme: str | None = None
    select: str | None = None
    notation: Notation = "hex"
    need: float = AA_TEXT


@dataclass(frozen=True)
class Where:
    """Where a document stands: its address, its revision, what of it is out, and what the person can take back."""

    slug: str
    revision: int
    latest: str | None = None
    published: Publication | None = None
    undo: str | None = None
    redo: str | None = None


@dataclass(frozen=True)
class Look:
    """A resolved document, where it stands, and how it is looked at. What several parts show is found once.

    `along` says what goes along with the gesture that is looked at, if anything does.
    """

    resolved: Resolved
    place: Where
    options: LookOptions
    along: str = ""

    @property
    def system(self) -> ColorSystem:
        """The document."""
        return self.resolved.system

    @cached_property
    def eyes(self) -> Eyes:
        """Through which everything is seen."""
        return Eyes(self.options.vision, self.options.severity)

    @cached_property
    def theme(self) -> ResolvedTheme | None:
        """The theme that is shown."""
        return self.resolved.theme(self.options.theme)

    @cached_property
    def selected(self) -> Selected | None:
        """What is selected, if it is there; the first hue, where nothing was."""
        key = self.options.select or next(map(hue_key, self.resolved.hues), None)
        return find(self.resolved, self.theme, key) if key else None

    @cached_property
    def ground(self) -> tuple[Bytes, str]:
        """The ground (3,) that colors are read on, and its name; white where its key names nothing opaque."""
        plain = _GROUNDS.get(self.options.ground)
        if plain is not None:
            return plain, self.options.ground
        kept = find(self.resolved, self.theme, self.options.ground)
        if kept is None or kept.color.alpha < 1.0:
            return _GROUNDS["white"], "white"
        return rgb8_of(kept.color), kept.name

    @cached_property
    def would_leave(self) -> Publication:
        """The tokens and the colors of palettes as they would leave; not all of a publication, which takes long."""
        return told_by_marks(self.resolved)

    @cached_property
    def changed(self) -> frozenset[str]:
        """The ids of tokens that are not as they were last published; nothing counts before a first release."""
        if self.place.published is None:
            return frozenset()
        return changed_ids(self.place.published, self.would_leave)
