"""Keys: how a color of the document is addressed. `hue:ID`, `step:HUE/STEP`, `token:ID`,
`palette:ID` and `palette:ID/COLOR`; the only place that knows."""

from dataclasses import dataclass
from typing import Literal

KeyKind = Literal["hue", "step", "token", "palette"]
LONGEST_KEY = 120


@dataclass(frozen=True)
class Key:
    """What a key addresses: a hue, a step of a hue, a token, a palette or one of its colors, by id.

    `step` is that of a step, or of a palette's color; empty for the others.
    """

    kind: KeyKind
    id: str
    step: str = ""


def hue_key(hue: str) -> str:
    """The key of a hue."""
    return f"hue:{hue}"


def step_key(hue: str, step: str) -> str:
    """The key of a step of a hue's scale."""
    return f"step:{hue}/{step}"


def token_key(token: str) -> str:
    """The key of a token."""
    return f"token:{token}"


def palette_key(palette: str, color: str = "") -> str:
    """The key of a palette, or of one of its colors."""
    return f"palette:{palette}/{color}" if color else f"palette:{palette}"


def parse_key(text: str) -> Key | None:
    """What a text addresses, or None where it is no key. Whether that is there is not asked."""
    kind, _, rest = text.partition(":")
    if kind == "hue" and rest:
        return Key("hue", rest)
    if kind == "token" and rest:
        return Key("token", rest)
    hue, slash, step = rest.partition("/")
    if kind == "palette" and hue:
        return Key("palette", hue, step)
    return Key("step", hue, step) if kind == "step" and hue and slash and step else None
