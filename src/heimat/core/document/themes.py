"""Themes: full assignments of the semantic tokens."""

from heimat.core.document.ids import Id
from heimat.core.document.order import OrderKey
from heimat.core.document.part import Name, Part


class Theme(Part):
    """A full assignment of the semantic tokens."""

    id: Id
    order: OrderKey
    name: Name
