"""Palettes: colors for data, by category, in an order, or in two directions from a middle."""

from collections.abc import Callable, Mapping
from typing import Annotated, Literal, Self

from pydantic import Field, model_validator

from heimat.core.charts.classes import MOST_CLASSES, ClassMethod
from heimat.core.color.notation import ColorInput
from heimat.core.document.ids import Id
from heimat.core.document.order import OrderKey
from heimat.core.document.part import LONGEST_NAME, Name, Note, Part
from heimat.core.document.tokens import HueAlias, LiteralColor, StepAlias, TokenAlias

MOST_PALETTES = 60
MOST_CATEGORIES = 24
MOST_SOURCES = 5
GRAPHIC = 3.0
"""The contrast that a graphic has on its ground (WCAG 2.2, 1.4.11), unless a palette says otherwise."""
SERIES_APART = 15.0
"""How far apart chart series are to be (CIEDE2000), by convention, unless less was to be had (Szafir 2018)."""

PaletteValue = Annotated[StepAlias | HueAlias | TokenAlias | LiteralColor, Field(discriminator="kind")]
"""What a color of a palette is: a step, a hue's own color, a token, or a color of its own."""
Classes = Annotated[int | None, Field(ge=2, le=MOST_CLASSES)]


class PaletteColor(Part):
    """A color of a categorical palette. `category` is what of the data it stands for; held ones no search moves.

    `shades` are its colors in themes, by their id, whose ground asks for another lightness or strength.
    """

    id: Id
    value: PaletteValue
    category: Name = ""
    held: bool = False
    shades: dict[Id, ColorInput] = {}


class Categorical(Part):
    """Colors by category, in their order. `threshold` is how far apart they are to be, `contrast` with the ground.

    `reach` is how far a search may leave what the brand is like: 0 not at all, 1 as far as can be.
    """

    kind: Literal["categorical"] = "categorical"
    colors: Annotated[tuple[PaletteColor, ...], Field(min_length=1, max_length=MOST_CATEGORIES)]
    threshold: Annotated[float, Field(ge=0.0, le=100.0)] = SERIES_APART
    contrast: Annotated[float, Field(ge=1.0, le=21.0)] = GRAPHIC
    reach: Annotated[float, Field(ge=0.0, le=1.0)] = 0.0

    @model_validator(mode="after")
    def _each_once(self) -> Self:
        if len({color.id for color in self.colors}) < len(self.colors):
            raise ValueError("two colors of a palette have one id")
        return self


class InClasses(Part):
    """What runs over numbers: in `classes`, or continuous without; `breaks` says where classes end."""

    classes: Classes = None
    breaks: ClassMethod = "equal"
    typed: Annotated[tuple[float, ...], Field(max_length=MOST_CLASSES - 1)] = ()
    reversed: bool = False


class Sequential(InClasses):
    """From little, nearest the ground, to much, through one or more colors; L* at the light and the dark end."""

    kind: Literal["sequential"] = "sequential"
    sources: Annotated[tuple[PaletteValue, ...], Field(min_length=1, max_length=MOST_SOURCES)]
    lightest: Annotated[float, Field(ge=40.0, le=99.0)] = 96.0
    darkest: Annotated[float, Field(ge=2.0, le=60.0)] = 14.0

    @model_validator(mode="after")
    def _a_span(self) -> Self:
        if self.lightest - self.darkest < 20.0:
            raise ValueError("the ends are less than 20 L* apart")
        return self


class Diverging(InClasses):
    """From a low over a middle to a high end; `middle` is the value of the data that it stands for.

    Where the data reach farther on one side, `sides` says whether equal color is equal value on both (`unit`) or each
    side goes to its full end (`full`). The words say what the ends mean.
    """

    kind: Literal["diverging"] = "diverging"
    low: PaletteValue
    high: PaletteValue
    middle: Annotated[float, Field(ge=-1e12, le=1e12)] = 0.0
    sides: Literal["unit", "full"] = "unit"
    low_words: Annotated[str, Field(max_length=LONGEST_NAME)] = ""
    high_words: Annotated[str, Field(max_length=LONGEST_NAME)] = ""


Make = Annotated[Categorical | Sequential | Diverging, Field(discriminator="kind")]


class Palette(Part):
    """A palette under a name: how it is made, the token of the ground it stands on, and the column it is drawn with."""

    id: Id
    order: OrderKey
    name: Name
    make: Make
    ground: Id | None = None
    column: Name = ""
    note: Note = ""


def values_of(make: Make) -> list[PaletteValue]:
    """Everything that a palette stands on, in order."""
    if isinstance(make, Categorical):
        return [color.value for color in make.colors]
    return list(make.sources) if isinstance(make, Sequential) else [make.low, make.high]


def with_values(make: Make, change: Callable[[PaletteValue], PaletteValue]) -> Make:
    """The same way of making a palette with each value changed."""
    if isinstance(make, Categorical):
        colors = tuple(each.model_copy(update={"value": change(each.value)}) for each in make.colors)
        return make.model_copy(update={"colors": colors})
    if isinstance(make, Sequential):
        return make.model_copy(update={"sources": tuple(map(change, make.sources))})
    return make.model_copy(update={"low": change(make.low), "high": change(make.high)})


def palettes_on(palettes: Mapping[str, Palette], stands: Callable[[PaletteValue], bool]) -> list[Palette]:
    """The palettes of which a value, or the ground, is such a one."""
    return [
        palette
        for palette in palettes.values()
        if any(map(stands, values_of(palette.make)))
        or (palette.ground is not None and stands(TokenAlias(token=palette.ground)))
    ]
