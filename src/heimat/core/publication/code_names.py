"""Names that code already uses, and what each is likely to mean among what is published."""

import difflib
import re
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

from heimat.core.document.names import css_name
from heimat.core.publication.publication import PublishedToken

Why = Literal["same name", "same color", "alike", ""]
_ALIKE = 0.75
_BETWEEN = re.compile(r"[-_]+")
_MOST_SPELLED = 600


@dataclass(frozen=True)
class MeantName:
    """A name of the code, the id of the published token that is likely meant, None for a gap, and why."""

    name: str
    of: str | None
    why: Why


def meant(names: Mapping[str, str | None], tokens: Sequence[PublishedToken]) -> list[MeantName]:
    """What names mean, each with the color that the code gives it (`#RRGGBB`), if it gives one.

    By the same name first, then by the same color, in the first theme before the others and of semantic tokens before
    steps, then by a like name.
    """
    plain = {_plain(css_name(token.name)): token.id for token in reversed(tokens)}
    by_color: dict[str, str] = {}
    themes = list(dict.fromkeys(theme for token in tokens for theme in token.values))
    for theme in themes:
        for token in sorted(tokens, key=lambda token: not token.is_semantic):
            value = token.value(theme)
            if value.alpha == 1.0:
                by_color.setdefault(value.hex.upper(), token.id)
    spelled = 0
    found = []
    for name, color in names.items():
        of, why = _exact(_plain(name), (color or "").upper(), plain, by_color)
        if of is None and spelled < _MOST_SPELLED:
            spelled += 1
            near = difflib.get_close_matches(_plain(name), plain, 1, _ALIKE)
            of, why = (plain[near[0]], "alike") if near else (None, "")
        found.append(MeantName(name, of, why))
    return found


def _exact(
    name: str, color: str, plain: dict[str, str], by_color: dict[str, str]
) -> tuple[str | None, Why]:
    if name in plain:
        return plain[name], "same name"
    if color in by_color:
        return by_color[color], "same color"
    return None, ""


def _plain(name: str) -> str:
    return _BETWEEN.sub("-", name).casefold()
