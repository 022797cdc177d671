"""Themes: full assignments of the semantic tokens."""

from typing import Literal

from heimat.core.document.ids import Id
from heimat.core.document.order import OrderKey
from heimat.core.document.part import Name, Part

Scheme = Literal["light", "dark"]
Wanted = Literal["usual", "more"]


class Theme(Part):
    """A full assignment of the semantic tokens.

    It may rest on another: then it only says what differs there. `scheme` is whether its grounds are light or dark,
    `contrast` whether it is made for those who want more of it.
    """

    id: Id
    order: OrderKey
    name: Name
    base: Id | None = None
    scheme: Scheme = "light"
    contrast: Wanted = "usual"
