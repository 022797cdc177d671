"""What all parts of the document share."""

from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from heimat.core.scales.ladder import LONGEST_STEP_ID

LONGEST_NAME = 80
LONGEST_NOTE = 400

Name = Annotated[str, Field(max_length=LONGEST_NAME)]
Note = Annotated[str, Field(max_length=LONGEST_NOTE)]
StepId = Annotated[str, Field(max_length=LONGEST_STEP_ID)]


class Part(BaseModel):
    """A part of the document: unchangeable, and nothing unknown in it."""

    model_config = ConfigDict(frozen=True, extra="forbid")
