"""Palettes: colors for data, by category, in an order, or in two directions from a middle."""

from collections.abc import Callable, Mapping
from typing import Annotated, Literal, Self, get_args

from pydantic import Field, model_validator

from heimat.core.charts.apart import SERIES_APART
from heimat.core.charts.bounds import GRAPHIC
from heimat.core.charts.classes import MOST_CLASSES, ClassMethod
from heimat.core.color.color_text import ColorInput
from heimat.core.document.ids import Id
from heimat.core.document.order import OrderKey
from heimat.core.document.part import LONGEST_NAME, Name, Note, Part
from heimat.core.document.tokens import HueAlias, LiteralColor, PaletteAlias, StepAlias, TokenAlias

MOST_PALETTES = 60
MOST_CATEGORIES = 24
MOST_SOURCES = 9

PaletteValue = Annotated[
    StepAlias | HueAlias | TokenAlias | LiteralColor, Field(discriminator="kind")
]
"""What a color of a palette is: a step, a hue's own color, a token, or a color of its own."""
Telling = Literal["outline", "gap", "dash", "marker", "label"]
"""What tells categories apart besides their color: an outline, a gap between what touches, dashes, shapes, labels."""
MarkSize = Literal["large", "small"]
SMALL_MARKS = 1.5
"""How many times the distance small marks need (the smaller a mark, the larger the difference: Szafir 2018)."""
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

    `reach` is how far a search may leave what the brand is like: 0 not at all, 1 as far as can be. `marks` says how
    large what is colored is, `told_by` what else tells categories apart.
    """

    kind: Literal["categorical"] = "categorical"
    colors: Annotated[tuple[PaletteColor, ...], Field(min_length=1, max_length=MOST_CATEGORIES)]
    threshold: Annotated[float, Field(ge=0.0, le=100.0)] = SERIES_APART
    contrast: Annotated[float, Field(ge=1.0, le=21.0)] = GRAPHIC
    reach: Annotated[float, Field(ge=0.0, le=1.0)] = 0.0
    marks: MarkSize = "large"
    told_by: Annotated[tuple[Telling, ...], Field(max_length=5)] = ("gap",)

    @property
    def asked(self) -> float:
        """How far apart any two colors are to be (CIEDE2000): the threshold, for small marks more."""
        return self.threshold * (SMALL_MARKS if self.marks == "small" else 1.0)

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
    """From little, nearest the ground, to much, through one or more colors; L* at the light and the dark end.

    A color is passed at its own lightness, or where `places` says: 0 at the light end, 1 at the dark one.
    """

    kind: Literal["sequential"] = "sequential"
    sources: Annotated[tuple[PaletteValue, ...], Field(min_length=1, max_length=MOST_SOURCES)]
    places: Annotated[
        tuple[Annotated[float, Field(ge=0.0, le=1.0)] | None, ...], Field(max_length=MOST_SOURCES)
    ] = ()
    lightest: Annotated[float, Field(ge=40.0, le=99.0)] = 96.0
    darkest: Annotated[float, Field(ge=2.0, le=60.0)] = 14.0

    @model_validator(mode="after")
    def _a_span(self) -> Self:
        if self.lightest - self.darkest < 20.0:
            raise ValueError("the ends are less than 20 L* apart")
        if self.places and len(self.places) != len(self.sources):
            raise ValueError("there are not as many places as colors")
        return self


class Diverging(InClasses):
    """From a low over a middle to a high end; `middle` is the value of the data that it stands for.

    Where the data reach farther on one side, `sides` says whether equal color is equal value on both (`unit`) or each
    side goes to its full end (`full`). The words say what the ends mean. With `exact` ends they are the very colors
    that they stand for, each at its own lightness; otherwise both have the same.
    """

    kind: Literal["diverging"] = "diverging"
    low: PaletteValue
    high: PaletteValue
    exact: bool = False
    middle: Annotated[float, Field(ge=-1e12, le=1e12)] = 0.0
    sides: Literal["unit", "full"] = "unit"
    low_words: Annotated[str, Field(max_length=LONGEST_NAME)] = ""
    high_words: Annotated[str, Field(max_length=LONGEST_NAME)] = ""


PaletteMethod = Annotated[Categorical | Sequential | Diverging, Field(discriminator="kind")]


OtherRole = Literal["missing", "highlighted", "muted", "other"]
"""What is drawn beside the colors of a palette: no data, the one that is spoken of, all beside it, all that is left."""
OTHER_ROLES: tuple[OtherRole, ...] = get_args(OtherRole)


class Palette(Part):
    """A palette under a name: how it is made, the token of the ground it stands on, and the column it is drawn with.

    `others` are its colors for what has none of them; what is left out follows the tokens of these purposes. Palettes
    with the same `view` are seen at once.
    """

    id: Id
    order: OrderKey
    name: Name
    make: PaletteMethod
    ground: Id | None = None
    column: Name = ""
    note: Note = ""
    view: Name = ""
    others: dict[OtherRole, PaletteValue] = {}


def all_values(palette: Palette) -> list[PaletteValue]:
    """Everything that a palette stands on, its colors first, then its others."""
    return [*values_of(palette.make), *palette.others.values()]


def tokens_under(palette: Palette) -> list[str]:
    """The ids of the tokens that a palette's colors and its ground stand on."""
    named = [value.token for value in values_of(palette.make) if isinstance(value, TokenAlias)]
    return [*named, palette.ground] if palette.ground is not None else named


def holds_color(palettes: Mapping[str, Palette], alias: PaletteAlias) -> bool:
    """Whether what a token stands for is a color of a palette that is there."""
    palette = palettes.get(alias.palette)
    if palette is None:
        return False
    make = palette.make
    if isinstance(make, Categorical):
        return any(color.id == alias.color for color in make.colors)
    return alias.color is None


def values_of(make: PaletteMethod) -> list[PaletteValue]:
    """Everything that a palette's colors stand on, in order."""
    if isinstance(make, Categorical):
        return [color.value for color in make.colors]
    return list(make.sources) if isinstance(make, Sequential) else [make.low, make.high]


def with_values(
    make: PaletteMethod, change: Callable[[PaletteValue], PaletteValue]
) -> PaletteMethod:
    """The same way of making a palette with each value changed."""
    if isinstance(make, Categorical):
        colors = tuple(
            each.model_copy(update={"value": change(each.value)}) for each in make.colors
        )
        return make.model_copy(update={"colors": colors})
    if isinstance(make, Sequential):
        return make.model_copy(update={"sources": tuple(map(change, make.sources))})
    return make.model_copy(update={"low": change(make.low), "high": change(make.high)})


def palettes_on(
    palettes: Mapping[str, Palette], stands: Callable[[PaletteValue], bool]
) -> list[Palette]:
    """The palettes of which a value, or the ground, is such a one."""
    return [
        palette
        for palette in palettes.values()
        if any(map(stands, all_values(palette)))
        or (palette.ground is not None and stands(TokenAlias(token=palette.ground)))
    ]
