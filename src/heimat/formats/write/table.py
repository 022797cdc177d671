"""Tokens as a table (RFC 4180): one row a token, one column a theme."""

import csv
import io

from heimat.core.document.names import css_name
from heimat.core.publication.publication import Publication
from heimat.formats.write.plain_values import hex_text, theme_names

_FORMULA = ("=", "+", "-", "@", "\t", "\r")
"""What spreadsheets would compute where a cell begins with it."""


def write(publication: Publication, version: str) -> bytes:
    """The table; system and version stand in columns of their own, so that every row says whose it is."""
    names = theme_names(publication)
    text = io.StringIO()
    rows = csv.writer(text, lineterminator="\n")
    rows.writerow(
        [
            "name",
            "property",
            *map(_cell, names.values()),
            "note",
            "usage",
            "deprecated, use",
            "system",
            "version",
        ]
    )
    for token in publication.with_palettes():
        values = [hex_text(token.value(theme)) for theme in names]
        instead = (token.deprecated.replacement or "nothing") if token.deprecated else ""
        said = [token.note, token.usage, instead, publication.name, version]
        rows.writerow([_cell(token.name), f"--{css_name(token.name)}", *values, *map(_cell, said)])
    return text.getvalue().encode()


def _cell(text: str) -> str:
    """What stands in a cell; an apostrophe before what a spreadsheet would take for a formula."""
    return f"'{text}" if text.startswith(_FORMULA) else text
