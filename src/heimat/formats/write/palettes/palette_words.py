"""What palettes are called in files: words that every language takes."""

import re
from typing import Any

from heimat.core.document.names import css_name
from heimat.core.publication.publication import Publication

_SIGNS = re.compile(r"[^A-Za-z0-9]+")


def identifiers(publication: Publication) -> dict[str, str]:
    """By the id of each palette an identifier, `routesByNight` or `palette2`, each once."""
    found: dict[str, str] = {}
    for number, palette in enumerate(publication.palettes, start=1):
        parts = [part for part in _SIGNS.split(palette.name) if part]
        word = "".join(
            part if place == 0 else part[:1].upper() + part[1:] for place, part in enumerate(parts)
        )
        word = word if word and not word[0].isdigit() else f"palette{number}"
        name, again = word, 2
        while name in found.values():
            name, again = f"{word}{again}", again + 1
        found[palette.id] = name
    return found


def theme_words(publication: Publication) -> dict[str, str]:
    """By the id of each theme a word for names of files and functions."""
    return {theme.id: css_name(theme.name) or "theme" for theme in publication.themes}


def by_theme(publication: Publication) -> dict[str, dict[str, dict[str, Any]]]:
    """All palettes, by identifier and theme: colors, the labels on them, stops, and what is drawn beside them."""
    words, names = theme_words(publication), identifiers(publication)
    return {
        names[palette.id]: {
            words[theme]: {
                "colors": list(colors),
                "labels": list(palette.labels[theme]),
                "stops": list(palette.stops.get(theme, ())),
                "others": palette.others.get(theme, {}),
            }
            for theme, colors in palette.colors.items()
            if theme in words
        }
        for palette in publication.palettes
    }
