"""Names for hues that come from outside: the nearest plain one that is free, whatever they were called there."""

import re

from heimat.core.color.naming import NO_LINE
from heimat.core.document.names import css_name, scale_token_name, scale_token_names
from heimat.core.document.part import LONGEST_NAME
from heimat.core.document.system import ColorSystem
from heimat.core.scales.ladder import Ladder

_SIGNS = re.compile(r"[.{}]+")
_SPACES = re.compile(r"\s+")
_ROOM = 8
"""Signs kept for a number behind a long name."""


def plain_part(wanted: str) -> str:
    """A name as one part of a token's name: without the signs that such parts may not have; perhaps nothing is left."""
    text = _SIGNS.sub(" ", NO_LINE.sub(" ", wanted)).strip().lstrip("$")
    text = _SPACES.sub(" ", text).strip()[: LONGEST_NAME - _ROOM].strip()
    return text if css_name(text).strip("-") else ""


class FreeNames:
    """The names that hues of a document can still have. What is given is taken for the next."""

    def __init__(self, system: ColorSystem) -> None:
        """Of a document as it is."""
        self._pattern, self._case, self._ladder = (
            system.scale_pattern,
            system.scale_case,
            system.ladder,
        )
        self._hues = {hue.name.casefold() for hue in system.hues.values()}
        self._names: set[str] = set()
        self._css: set[str] = set()
        self._groups: set[str] = set()
        for _, names in scale_token_names(system):
            self._hold(names)
        self._hold([token.name for token in system.tokens.values()])

    def take(self, wanted: str, otherwise: str, ladder: Ladder | None = None) -> str:
        """The nearest free name to a wanted one, or to another where nothing of it can be kept; by a number behind it.

        `ladder` is the hue's own, if it has one.
        """
        plain = plain_part(wanted) or otherwise
        number, name = 1, plain
        while not self._free(name, self._tokens(name, ladder)):
            number += 1
            name = f"{plain} {number}"
        self._hues.add(name.casefold())
        self._hold(self._tokens(name, ladder))
        return name

    def _tokens(self, hue: str, ladder: Ladder | None) -> list[str]:
        return [
            scale_token_name(self._pattern, hue, label, self._case)
            for label in (ladder or self._ladder).labels()
        ]

    def _free(self, hue: str, tokens: list[str]) -> bool:
        if hue.casefold() in self._hues or any(
            css_name(name).casefold() in self._css for name in tokens
        ):
            return False
        return not any(
            name in self._groups or not self._names.isdisjoint(_groups_of(name)) for name in tokens
        )

    def _hold(self, tokens: list[str]) -> None:
        self._names.update(tokens)
        self._css.update(css_name(name).casefold() for name in tokens)
        self._groups.update(group for name in tokens for group in _groups_of(name))


class FreeTokenNames:
    """The names that tokens of a document can still have. What is given is taken for the next."""

    def __init__(self, system: ColorSystem) -> None:
        """Of a document as it is."""
        names = [name for _, of_hue in scale_token_names(system) for name in of_hue]
        names += [token.name for token in system.tokens.values()]
        self._names = set(names)
        self._css = {css_name(name).casefold() for name in names}
        self._groups = {group for name in names for group in _groups_of(name)}

    def take(self, wanted: str) -> str:
        """The nearest free name to a wanted one, by a number behind it."""
        number, name = 1, wanted
        while not self._free(name):
            number += 1
            name = f"{wanted}-{number}"
        self._names.add(name)
        self._css.add(css_name(name).casefold())
        self._groups.update(_groups_of(name))
        return name

    def _free(self, name: str) -> bool:
        if name in self._names or name in self._groups or css_name(name).casefold() in self._css:
            return False
        return self._names.isdisjoint(_groups_of(name))


def _groups_of(name: str) -> list[str]:
    parts = name.split(".")
    return [".".join(parts[:length]) for length in range(1, len(parts))]
