"""The gallery: sets of colors that everyone can save, search and take from; twelve of our own are always there."""

import re
from collections.abc import Sequence

from sqlalchemy import Connection, Engine

from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.naming import check_line
from heimat.core.color.spaces import srgb_to_oklab
from heimat.core.color.spelling import plainly_spelled
from heimat.core.document.part import LONGEST_NAME, LONGEST_NOTE
from heimat.core.errors import DomainError, NotFound
from heimat.service.clock import now
from heimat.service.failures import taken
from heimat.service.shipped_sets import SHIPPED
from heimat.service.transactions import in_transaction
from heimat.store import gallery_rows, person_rows
from heimat.store.gallery_rows import NewSet, SetColor, SetRow

MOST_COLORS = 40
SHOWN = 40


class Gallery:
    """Saves and finds sets of colors."""

    def __init__(self, engine: Engine) -> None:
        self._engine = engine

    def search(self, text: str) -> list[SetRow]:
        """Sets by words, or, where the text is a color, by likeness to it. Without a text, the newest."""
        words = text.strip()
        like = _as_color(words)
        with self._engine.connect() as connection:
            if like is not None:
                light, a, b = (float(part) for part in srgb_to_oklab(rgb8_of(like) / 255.0))
                return gallery_rows.by_likeness(connection, (light, a, b), SHOWN)
            return gallery_rows.by_words(connection, plainly_spelled(words).split()[:8], SHOWN)

    def save(
        self, name: str, words: str, colors: Sequence[tuple[str, Color]], person_id: str
    ) -> SetRow:
        """Save a set. Raises DomainError (fields `name`, `words`, `colors`)."""
        called = name.strip()
        if not called:
            raise DomainError("A set needs a name, so that it can be found again.", "name", "empty")
        check_line(called, "name")
        for color_name, _ in colors:
            check_line(color_name, "colors")
        if len(called) > LONGEST_NAME:
            raise DomainError(f"A name has at most {LONGEST_NAME} characters.", "name", "too_long")
        if len(words) > LONGEST_NOTE:
            raise DomainError(
                f"At most {LONGEST_NOTE} characters of words are kept.", "words", "too_long"
            )
        if not 1 <= len(colors) <= MOST_COLORS:
            raise DomainError(f"A set has 1 to {MOST_COLORS} colors.", "colors", "limit")

        def work(connection: Connection) -> SetRow:
            person_rows.hold_person(connection, person_id)
            if gallery_rows.has_set(connection, called, person_id):
                raise taken(
                    called,
                    "name",
                    "You have saved a set of that name: remove it first, or choose another.",
                )
            new = new_set(called, words.strip(), colors, person_id)
            (set_id,) = gallery_rows.add_sets(connection, [new])
            saved = gallery_rows.find_set(connection, set_id)
            assert saved is not None
            return saved

        return in_transaction(self._engine, work)

    def remove(self, set_id: int, person_id: str) -> None:
        """Remove a set that a person has saved. Raises NotFound, and DomainError for one of others or of ours."""

        def work(connection: Connection) -> None:
            row = gallery_rows.find_set(connection, set_id)
            if row is None:
                raise NotFound("That set is not there any more.")
            if row.shipped or row.person_id != person_id:
                raise DomainError("Only who has saved a set can remove it.", "set", "not_yours")
            gallery_rows.remove_set(connection, set_id)

        in_transaction(self._engine, work)


def ensure_shipped(engine: Engine) -> None:
    """Put the sets that ship with Heimat into the gallery, once."""
    with engine.begin() as connection:
        if gallery_rows.count_sets(connection, shipped=True) == 0:
            sets = [
                new_set(
                    name, words, [(color_name, parse(value)) for color_name, value in colors], None
                )
                for name, words, colors in SHIPPED
            ]
            gallery_rows.add_sets(connection, sets)


def new_set(
    name: str, words: str, colors: Sequence[tuple[str, Color]], person_id: str | None
) -> NewSet:
    """A set as it is kept: what is searched in, and every color in OKLab. Without a person it is one that ships."""
    kept = []
    for color_name, color in colors:
        rgb8 = rgb8_of(color)
        light, a, b = (float(part) for part in srgb_to_oklab(rgb8 / 255.0))
        kept.append(SetColor(color_name[:LONGEST_NAME], hex_of(rgb8), (light, a, b)))
    search = plainly_spelled(" ".join([name, words, *[color.name for color in kept]]))
    return NewSet(name, words, search, person_id is None, person_id, now(), kept)


def _as_color(text: str) -> Color | None:
    # A bare word may be a color's name and a word to look for: words win, unless a sign says that it is a color.
    if not re.search(r"[#(\d]", text):
        return None
    try:
        return parse(text)
    except DomainError:
        return None
