"""A system that rests on another: what it has taken from it, at which version, and what it says otherwise."""

from typing import Annotated

from pydantic import Field

from heimat.core.document.ids import Id
from heimat.core.document.part import LONGEST_NAME, Name, Part
from heimat.core.document.tokens import Token

LONGEST_ADDRESS = 80
LONGEST_VERSION = 24


class RestsOn(Part):
    """Another system's published hues, scales and tokens, taken at a version.

    `hues` and `tokens` by their id here give the id there. `chosen` are the hues that were asked for, by their ids
    there. What is `overridden` stands here with a value of this system's own, by its id here, and is kept as it was
    taken.
    """

    address: Annotated[str, Field(min_length=1, max_length=LONGEST_ADDRESS)]
    name: Name
    version: Annotated[str, Field(min_length=1, max_length=LONGEST_VERSION)]
    chosen: Annotated[
        tuple[Annotated[str, Field(max_length=LONGEST_NAME)], ...], Field(max_length=200)
    ] = ()
    hues: dict[Id, Id] = {}
    tokens: dict[Id, Id] = {}
    overridden: dict[Id, Token] = {}
