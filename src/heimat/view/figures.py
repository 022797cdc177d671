"""Figures as they are shown."""

from typing_extensions import TypedDict

from heimat.core.color.contrast import Grade, cut, grade
from heimat.core.color.exact_color import Color, Space
from heimat.core.color.notation import Notation, format


class ContrastView(TypedDict):
    """A ratio, cut to two decimals, with its grade."""

    text: str
    grade: Grade


def contrast_view(value: float) -> ContrastView:
    """A ratio in words."""
    return {"text": cut(value), "grade": grade(value)}


def color_text(color: Color, notation: Notation) -> str:
    """A color in a notation; in hex where that cannot hold it."""
    return format(color, notation) or format(color, "hex") or ""


class ExactColor(TypedDict):
    """A color with all its decimals, as an edit takes it."""

    space: Space
    components: tuple[float, float, float]
    alpha: float


def exact_color(color: Color) -> ExactColor:
    """A color as an edit takes it."""
    return {"space": color.space, "components": color.components, "alpha": color.alpha}
