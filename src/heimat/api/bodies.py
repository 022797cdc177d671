"""What requests carry, and the small answers."""

import uuid
from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field
from typing_extensions import TypedDict

from heimat.core.color.notation import ColorInput, Notation
from heimat.core.edits import UserEdit
from heimat.core.edits.scales import AimCurve
from heimat.core.scales.shaping import ShapedLadder
from heimat.service.editing import MOST_EDITS
from heimat.service.seeing import Eyes, SeenAs
from heimat.service.view import ViewOptions
from heimat.service.view_types import SwatchView

Key = Annotated[str, Field(min_length=8, max_length=64, default_factory=lambda: uuid.uuid4().hex)]


class Body(BaseModel):
    """A request body: nothing unknown in it."""

    model_config = ConfigDict(extra="forbid")


class Seeing(Body):
    """Through which eyes: a vision, and its severity 0 to 1."""

    vision: SeenAs = "typical"
    severity: Annotated[float, Field(ge=0.0, le=1.0)] = 1.0

    def eyes(self) -> Eyes:
        """The eyes."""
        return Eyes(self.vision, self.severity)


class Looking(Seeing):
    """How the person looks: through which eyes, on which ground, in which theme and notation, at which key.

    `detail` asks for the selected hue's scale in all detail, `compare` for it by all methods too.
    """

    ground: Annotated[str, Field(max_length=120)] = "white"
    theme: Annotated[str | None, Field(max_length=40)] = None
    select: Annotated[str | None, Field(max_length=120)] = None
    notation: Notation = "hex"
    detail: bool = False
    compare: bool = False

    def options(self, *, repairs: bool = True) -> ViewOptions:
        """The options of a view."""
        return ViewOptions(**self.model_dump(), repairs=repairs)


class PreviewBody(Body):
    """Edits on a revision, to look at."""

    base: Annotated[int, Field(ge=1)]
    edits: Annotated[list[UserEdit], Field(max_length=MOST_EDITS)]
    view: Looking = Looking()
    latest: Annotated[str | None, Field(max_length=40)] = None
    """The version that is out, as the last whole view told it: what has changed is marked against it."""


class EditBody(Body):
    """Edits on a revision, to keep. A request repeated with the same key is kept once."""

    base: Annotated[int, Field(ge=1)]
    view: Looking = Looking()
    edits: Annotated[list[UserEdit], Field(min_length=1, max_length=MOST_EDITS)]
    key: Key


class TakeBackBody(Body):
    """Undo or redo."""

    key: Key
    view: Looking = Looking()


class LadderBody(Body):
    """A ladder, ready made by its name or step by step, for all scales or for one hue's; without one, that of all."""

    hue: Annotated[str | None, Field(max_length=64)] = None
    ladder: str | ShapedLadder | None = None


class FewerBody(Body):
    """How many steps a smaller ladder shall have; without a number, as many as are needed."""

    steps: Annotated[int | None, Field(ge=1, le=24)] = None


class PromiseBody(Body):
    """A promise to solve the ladder for: any two steps so many positions apart reach a contrast."""

    apart: Annotated[int, Field(ge=1, le=24)]
    aim: Annotated[float, Field(ge=1.0, le=21.0)]


class SafeHandleBody(Body):
    """A handle of a curve, as the edit that would move it, in a theme; where it goes does not matter here."""

    edit: AimCurve
    theme: Annotated[str | None, Field(max_length=40)] = None


class SafeRungBody(Body):
    """A step, by its place from 0, of a ladder that is being shaped, for all scales or for one hue's."""

    hue: Annotated[str | None, Field(max_length=64)] = None
    ladder: ShapedLadder
    step: Annotated[int, Field(ge=0, le=23)]
    theme: Annotated[str | None, Field(max_length=40)] = None


class CopyBody(Body):
    """Colors to copy, by their keys, in a notation, with their names or without."""

    keys: Annotated[list[Annotated[str, Field(max_length=120)]], Field(min_length=1, max_length=5000)]
    notation: Notation = "hex"
    names: bool = False


class OverlayBody(Seeing):
    """A color with an alpha over a ground, and a tint that is wanted on that ground."""

    color: ColorInput
    alpha: Annotated[float, Field(ge=0.0, le=1.0)]
    ground: ColorInput
    tint: ColorInput


class StartBody(Body):
    """A new system: its name, and lines with brand colors."""

    name: Annotated[str, Field(max_length=400)]
    colors: Annotated[str, Field(max_length=100_000)]


class PublishBody(Body):
    """A revision to publish, as which version, with which notes."""

    revision: Annotated[int, Field(ge=1)]
    version: Annotated[str, Field(max_length=40)]
    notes: Annotated[str, Field(max_length=100_000)] = ""


class PersonBody(Body):
    """Who shall act."""

    person: Annotated[str, Field(max_length=40)]


class PersonView(TypedDict):
    """A person."""

    id: str
    name: str
    initials: str
    role: str


class MeView(TypedDict):
    """Who acts, and who else could."""

    me: PersonView
    people: list[PersonView]


class SystemCard(TypedDict):
    """A system in the list: its hues' own colors, and when it was last changed."""

    slug: str
    name: str
    changed_at: str
    hues: list[SwatchView]
    hue_names: list[str]
    tokens: int
    latest: str | None


class StartedView(TypedDict):
    """The address of a new system, and the key of its first hue."""

    slug: str
    select: str


class HeadView(TypedDict):
    """The newest revision."""

    revision: int


class RevisionView(TypedDict):
    """A revision in the history."""

    number: int
    person: str
    at: str
    sentence: str


class ChangeView(TypedDict):
    """How one token differs from the latest release."""

    change: str
    before_name: str | None
    before: SwatchView | None
    before_alias: str | None
    after_name: str | None
    after: SwatchView | None
    after_alias: str | None
    distance: str | None


class FileView(TypedDict):
    """A file as it would be published."""

    name: str
    text: str


class DraftView(TypedDict):
    """What publishing now would do."""

    revision: int
    latest: str | None
    proposed: str
    changes: list[ChangeView]
    files: list[FileView]
    feed: str


class ReleaseView(TypedDict):
    """A release, and the addresses of its files."""

    version: str
    notes: str
    person: str
    at: str
    files: list[str]


class PublishedView(TypedDict):
    """What publishing has done; `new` is false where the same is out already."""

    version: str
    new: bool
