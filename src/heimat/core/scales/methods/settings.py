"""Settings of methods, as a document holds them."""

from typing import Annotated

from pydantic import BaseModel, ConfigDict, Field

from heimat.core.scales.ladder import LONGEST_STEP_ID


class Settings(BaseModel):
    """What a method is told."""

    model_config = ConfigDict(frozen=True, extra="forbid")


class Typed(Settings):
    """A value that somebody typed for a step, by its id."""

    step: Annotated[str, Field(max_length=LONGEST_STEP_ID)]
    value: Annotated[float, Field(allow_inf_nan=False)]


TypedValues = Annotated[tuple[Typed, ...], Field(max_length=60)]
