"""Cases: how the words of a name are written together."""

import re
from typing import Literal, get_args

Case = Literal["kept", "lower", "upper", "kebab", "camel"]
CASES: tuple[Case, ...] = get_args(Case)
CASE_WORDS: dict[Case, str] = {
    "kept": "as it is",
    "lower": "lower case",
    "upper": "UPPER CASE",
    "kebab": "parted-by-hyphens",
    "camel": "joinedByCapitals",
}
_BETWEEN = re.compile(r"[\s_-]+")


def in_case(text: str, case: Case) -> str:
    """One part of a name in a case. What has no letters stays as it is."""
    if case == "lower":
        return text.lower()
    if case == "upper":
        return text.upper()
    words = [word for word in _BETWEEN.split(text) if word]
    if case == "kebab":
        return "-".join(word.lower() for word in words)
    if case == "camel" and words:
        first, *others = words
        return (
            first[:1].lower() + first[1:] + "".join(word[:1].upper() + word[1:] for word in others)
        )
    return text
