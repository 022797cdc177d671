"""What differs between two publications around their tokens: themes, which are names too, and the package's name.

A theme is found by its name (`[data-theme=…]`, a key, a file), by whether it is light or dark (preferences), and the
first one by standing on the root: each of these that changes breaks what relied on it.
"""

from dataclasses import dataclass

from heimat.core.document.names import css_name
from heimat.core.publication.publication import UNNAMED, Publication, PublishedTheme

_CONTRAST = {"usual": "usual contrast", "more": "more contrast"}


@dataclass(frozen=True)
class FrameChange:
    """One such difference, in a sentence, and whether it breaks what relied on how it was."""

    words: str
    breaks: bool


def package_name(publication: Publication) -> str:
    """A name that package managers take: small letters, digits and hyphens, a letter first."""
    plain = "".join(
        sign if sign.isascii() and sign.isalnum() else "-"
        for sign in css_name(publication.name).lower()
    )
    words = [word for word in plain.split("-") if word]
    return "-".join(
        ["tokens" if not words or words[0][0].isdigit() else "", *words, "tokens"]
    ).strip("-")


def frame_changes(before: Publication | None, after: Publication) -> list[FrameChange]:
    """What differs in themes and in the package's name, what breaks first."""
    if before is None:
        return []
    found = _package(before, after)
    # A release of the first form knew one theme and not its name.
    if [theme.id for theme in before.themes] != [UNNAMED]:
        found += _themes(before, after)
    return sorted(found, key=lambda change: not change.breaks)


def _package(before: Publication, after: Publication) -> list[FrameChange]:
    was, now = package_name(before), package_name(after)
    return (
        [FrameChange(f"The package {was} is called {now}: who installs it asks for that.", True)]
        if was != now
        else []
    )


def _themes(before: Publication, after: Publication) -> list[FrameChange]:
    was = {theme.id: theme for theme in before.themes}
    now = {theme.id: theme for theme in after.themes}
    found = [
        FrameChange(f"The theme {theme.name} is gone.", True)
        for key, theme in was.items()
        if key not in now
    ]
    found += [
        FrameChange(f"The theme {theme.name} is new.", False)
        for key, theme in now.items()
        if key not in was
    ]
    for key, theme in now.items():
        if key in was:
            found += _turned(was[key], theme)
    first, then = before.themes[0], after.themes[0]
    if first.id != then.id and first.id in now:
        found.append(FrameChange(f"{then.name} stands on the root instead of {first.name}.", True))
    return found


def _turned(was: PublishedTheme, now: PublishedTheme) -> list[FrameChange]:
    found = []
    if was.name != now.name:
        found.append(FrameChange(f"The theme {was.name} is called {now.name}.", True))
    if was.scheme != now.scheme:
        found.append(
            FrameChange(f"The theme {now.name} is {now.scheme}; it was {was.scheme}.", True)
        )
    if was.contrast != now.contrast:
        to = _CONTRAST.get(now.contrast, now.contrast)
        found.append(FrameChange(f"The theme {now.name} is for {to}; it was for another.", True))
    return found
