"""What is told by color alone: links within text (WCAG 2.2, 1.4.1; technique G183)."""

from typing_extensions import TypedDict

from heimat.core.color.contrast import AA_LARGE, cut, ratio
from heimat.view.look import Look

_LINKS = ("link.text", "link.text-hovered", "link.text-visited")
_TEXT = "text.plain"


class ByColorView(TypedDict):
    """A link's color against that of the text around it: the ids of both, whether it suffices alone, and a sentence."""

    one: str
    other: str
    holds: bool
    sentence: str


def by_color_part(look: Look) -> list[ByColorView]:
    """Every link's color against running text, in the theme that is shown."""
    theme = look.theme
    if theme is None:
        return []
    purposes = {token.purpose: token for token in look.system.tokens.values() if not token.place}
    text = purposes.get(_TEXT)
    found: list[ByColorView] = []
    for purpose in _LINKS:
        link = purposes.get(purpose)
        if link is None or text is None:
            continue
        reached = float(ratio(theme.tokens[link.id].rgb8, theme.tokens[text.id].rgb8))
        holds = reached >= AA_LARGE
        advice = (
            "enough to be told by color alone"
            if holds
            else "underline it: by color alone it needs 3"
        )
        found.append(
            {
                "one": link.id,
                "other": text.id,
                "holds": holds,
                "sentence": f"{link.name} in {text.name} reads {cut(reached)}: {advice} (1.4.1, technique G183).",
            }
        )
    return found
