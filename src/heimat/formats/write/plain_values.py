"""What tokens are in files that know no references: their values in a theme, and lines that say whose they are."""

from heimat.core.color.hex_notation import hex_with_alpha
from heimat.core.publication.publication import Publication, PublishedValue


def hex_text(value: PublishedValue) -> str:
    """The value as `#rrggbb`, or `#rrggbbaa` where it is translucent."""
    return hex_with_alpha(value.hex, value.alpha).lower()


def theme_names(publication: Publication) -> dict[str, str]:
    """By the id of each theme its name; that of a system without themes is `default`."""
    return {theme.id: theme.name or "default" for theme in publication.themes}


def title_of(publication: Publication, version: str) -> str:
    """The system and its version in one line, without what would end a comment of any language."""
    name = " ".join(publication.name.split()).replace("*/", "* /").replace("--", "- -")
    return f"{name} {version}"
