"""Names: what a hue, a token and a pattern may be called, and how a name reads in CSS.

A token's name is a path of parts joined by periods. The forbidden signs are those of the Design Tokens Community
Group format 2025.10: a part neither begins with `$` nor holds `{`, `}` or a period, and no name is both a token
and a group of tokens.
"""

import re
import unicodedata
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Literal

from heimat.core.color.naming import check_line
from heimat.core.document.cases import Case, in_case
from heimat.core.document.hues import Hue
from heimat.core.document.order import in_order
from heimat.core.document.part import LONGEST_NAME
from heimat.core.document.system import ColorSystem, ladder_of
from heimat.core.errors import DomainError
from heimat.core.memory import remembered

_BRACES = re.compile(r"[{}]")
_NOT_CSS = re.compile(r"[^\w-]+")
PATTERN_EXAMPLE = "{hue}.{step}"


def check_part(text: str, field: str, what: str) -> None:
    """Raise DomainError unless a text can be one part of a token's name."""
    if not text.strip():
        raise DomainError(f"A {what} needs a name.", field, "empty")
    if len(text) > LONGEST_NAME:
        raise DomainError(
            f"A name has at most {LONGEST_NAME} characters; this one has {len(text)}.",
            field,
            "too_long",
        )
    if text != text.strip():
        raise DomainError(
            f"“{text}” begins or ends with a space, which a name does not.", field, "spaces"
        )
    if text.startswith("$"):
        raise DomainError(
            f"“{text}” cannot begin with “$”: token files keep that sign for themselves.",
            field,
            "sign",
        )
    if _BRACES.search(text):
        raise DomainError(
            f"“{text}” cannot hold braces: token files keep them for themselves.", field, "sign"
        )
    check_line(text, field)
    if not css_name(text).strip("-"):
        raise DomainError(
            f"“{text}” needs at least one letter or digit to be a name.", field, "sign"
        )


def check_hue_name(text: str, field: str) -> None:
    """Raise DomainError unless a text can name a hue: one part, without a period."""
    check_part(text, field, "hue")
    if "." in text:
        words = (
            f"“{text}” cannot hold a period: in a hue’s name that would part the names of tokens."
        )
        raise DomainError(words, field, "sign")


def check_label(text: str, field: str) -> None:
    """Raise DomainError unless a text can label a step: one part of a name, without a period."""
    check_part(text, field, "step")
    if "." in text:
        raise DomainError(
            f"“{text}” cannot hold a period: in a label that would part the names of tokens.",
            field,
            "sign",
        )


def check_token_name(text: str, field: str) -> None:
    """Raise DomainError unless a text can name a semantic token: parts joined by periods."""
    check_part(text, field, "token")
    for part in text.split("."):
        if not part.strip():
            raise DomainError(
                f"In “{text}” a period stands beside no name: it parts two of them, as in text.strong.",
                field,
                "empty_part",
            )
        check_part(part, field, "token")


def check_pattern(text: str, field: str) -> None:
    """Raise DomainError unless a text can be the pattern that names the scale tokens."""
    if "{hue}" not in text or "{step}" not in text:
        raise DomainError(
            f"A pattern holds {{hue}} and {{step}}, for example {PATTERN_EXAMPLE}; this one is “{text}”.",
            field,
            "pattern",
        )
    check_token_name(text.replace("{hue}", "hue").replace("{step}", "100"), field)


@remembered(16_384)
def scale_token_name(pattern: str, hue: str, step: str, case: Case = "kept") -> str:
    """The name of the token of one step."""
    return pattern.replace("{hue}", in_case(hue, case)).replace("{step}", in_case(step, case))


@remembered(16_384)
def css_name(name: str) -> str:
    """A name as part of a CSS custom property: parts joined by hyphens, other signs replaced by them."""
    return _NOT_CSS.sub("-", unicodedata.normalize("NFC", name))


def scale_token_names(system: ColorSystem) -> list[tuple[Hue, list[str]]]:
    """The names of all scale tokens, hue by hue, in the designer's order."""
    pattern, case = system.scale_pattern, system.scale_case
    return [
        (
            hue,
            [
                scale_token_name(pattern, hue.name, label, case)
                for label in ladder_of(system, hue).labels()
            ],
        )
        for hue in in_order(system.hues)
    ]


def check_all_names(system: ColorSystem, field: str) -> None:
    """Raise DomainError where two names clash in what is published: twice, alike in CSS, or token and group at once."""
    names = [name for _, of_hue in scale_token_names(system) for name in of_hue]
    names += [token.name for token in in_order(system.tokens)]
    clash = _first_clash(tuple(names))
    if clash is not None:
        raise DomainError(clash.sentence, field, clash.code)


@remembered(32)
def _first_clash(names: tuple[str, ...]) -> "Clash | None":
    """Remembered by the names: most edits change none."""
    return next(clashes(names), None)


@dataclass(frozen=True)
class Clash:
    """Two names that cannot both be: which, in a sentence."""

    name: str
    other: str
    sentence: str
    code: Literal["taken", "group"]


def clashes(names: Sequence[str]) -> Iterator[Clash]:
    """The names, in order, that clash with one before them, or that would be a token and a group of tokens at once."""
    in_css: dict[str, str] = {}
    for name in names:
        # CSS tells upper from lower case, the file systems and people behind it do not.
        key = css_name(name).casefold()
        if key in in_css:
            other = in_css[key]
            sentence = (
                f"“{name}” is taken."
                if other == name
                else f"“{name}” and “{other}” would be one name in CSS."
            )
            yield Clash(name, other, sentence, "taken")
        in_css[key] = name
    all_names = set(names)
    for name in names:
        parts = name.split(".")
        for length in range(1, len(parts)):
            group = ".".join(parts[:length])
            if group in all_names:
                sentence = (
                    f"“{group}” cannot be a token and, for “{name}”, a group of tokens at once."
                )
                yield Clash(name, group, sentence, "group")
