"""Viewing conditions, as quantities: who reads, on what display or paper, in which light."""

from typing import Annotated, Literal

from pydantic import Field

from heimat.core.document.ids import Id
from heimat.core.document.order import OrderKey
from heimat.core.document.part import Name, Part

MOST_CONDITIONS = 50


class Quantities(Part):
    """The quantities of a viewing condition; the defaults are those that WCAG's thresholds were made for.

    Reader: `acuity` is decimal (1 is 20/20, 0.5 is 20/40, for which 4.5 was chosen), `contrast_loss` the loss of
    contrast sensitivity in log units, `age` that of the eye's lens in years. Display: the luminance of its white in
    cd/m², and the share of light that it reflects diffusely. Light: lux on the screen, and a veiling luminance in cd/m²
    that reaches the eye past all of it. Paper: the reflectances of its white and of the darkest ink on it.
    """

    acuity: Annotated[float, Field(ge=0.05, le=2.0)] = 0.5
    contrast_loss: Annotated[float, Field(ge=0.0, le=2.0)] = 0.0
    age: Annotated[float, Field(ge=10.0, le=100.0)] = 32.0
    medium: Literal["display", "paper"] = "display"
    white: Annotated[float, Field(ge=1.0, le=20000.0)] = 80.0
    reflectance: Annotated[float, Field(ge=0.0, le=1.0)] = 0.0
    lux: Annotated[float, Field(ge=0.0, le=200000.0)] = 0.0
    veil: Annotated[float, Field(ge=0.0, le=20000.0)] = 4.0
    paper: Annotated[float, Field(ge=0.05, le=1.0)] = 0.85
    ink: Annotated[float, Field(ge=0.0, le=0.9)] = 0.04


class Condition(Part):
    """A viewing condition that the team has named."""

    id: Id
    order: OrderKey
    name: Name
    quantities: Quantities
