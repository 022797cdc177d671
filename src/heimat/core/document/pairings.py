"""What is declared to be legible: pairings of tokens, and sets that must be told apart."""

from typing import Annotated, Literal

from pydantic import Field

from heimat.core.document.ids import Id
from heimat.core.document.order import OrderKey
from heimat.core.document.part import Name, Part

Use = Literal["body", "large", "part", "decoration"]
USE_WORDS: dict[Use, str] = {
    "body": "body text",
    "large": "large text",
    "part": "an interface part or graphic",
    "decoration": "decoration",
}


class Pairing(Part):
    """A declared meeting of two tokens, and what it is used for."""

    id: Id
    order: OrderKey
    foreground: Id
    ground: Id
    use: Use


class ToldApartSet(Part):
    """Tokens that people must be able to tell from each other, at least `threshold` apart in CIEDE2000."""

    id: Id
    order: OrderKey
    name: Name
    tokens: tuple[Id, ...]
    threshold: Annotated[float, Field(ge=0.0, le=100.0)]
