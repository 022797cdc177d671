"""What requests of several stages carry."""

import uuid
from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from heimat.core.color.contrast import AA_TEXT
from heimat.core.color.notation import Notation
from heimat.core.document.keys import LONGEST_KEY
from heimat.view.eyes import Eyes, SeenAs
from heimat.view.look import LookOptions
from heimat.view.parts import PartName

RequestKey = Annotated[
    str, Field(min_length=8, max_length=64, default_factory=lambda: uuid.uuid4().hex)
]
"""A request repeated with the same key is carried out once."""
MOST_NUMBER = 2**31 - 1
"""The highest number that a revision could have."""
ThemeId = Annotated[str | None, Field(max_length=40)]
ColorKey = Annotated[str, Field(max_length=LONGEST_KEY)]


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


class Showing(Seeing):
    """How colors are shown: through which eyes, in which notation."""

    notation: Notation = "hex"


class Looking(Showing):
    """How the person looks: through which eyes, on which ground, in which theme and notation, at which key.

    `parts` names what of the system the answer shall hold.
    """

    ground: ColorKey = "white"
    theme: ThemeId = None
    select: ColorKey | None = None
    need: Annotated[float, Field(ge=1.0, le=21.0)] = AA_TEXT
    parts: Annotated[list[PartName], Field(max_length=40)] = ["head"]

    def options(self) -> LookOptions:
        """The options of a look."""
        return LookOptions(
            self.vision,
            self.severity,
            self.ground,
            self.theme,
            self.select,
            self.notation,
            self.need,
        )
