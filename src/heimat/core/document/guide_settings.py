"""How the team wants its guide: how wide, in how many columns, in which notations, which parts in which order."""

from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from heimat.core.document.part import Part

NARROWEST, WIDEST = 480, 1600
MOST_COLUMNS = 4
GuideNotation = Literal["hex", "rgb", "hsl", "oklch"]
GuidePart = Literal["scales", "tokens", "palettes", "pairings", "apart", "exceptions", "use"]
GUIDE_PARTS: tuple[GuidePart, ...] = (
    "scales",
    "tokens",
    "palettes",
    "pairings",
    "apart",
    "exceptions",
    "use",
)


class Guide(Part):
    """The guide's width in CSS px, its columns of tokens, the notations of values, and its parts in order."""

    width: Annotated[int, Field(ge=NARROWEST, le=WIDEST)] = 1080
    columns: Annotated[int, Field(ge=1, le=MOST_COLUMNS)] = 1
    notations: Annotated[tuple[GuideNotation, ...], Field(min_length=1, max_length=4)] = ("hex",)
    parts: Annotated[tuple[GuidePart, ...], Field(min_length=1, max_length=len(GUIDE_PARTS))] = (
        GUIDE_PARTS
    )

    @model_validator(mode="after")
    def _each_once(self) -> Self:
        for chosen in (self.notations, self.parts):
            if len(set(chosen)) < len(chosen):
                raise ValueError("each stands there once")
        return self
