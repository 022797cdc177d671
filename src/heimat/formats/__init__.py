"""Writers of open formats, one file each."""

from collections.abc import Callable
from dataclasses import dataclass

from heimat.core.publication import Publication
from heimat.formats import css, design_tokens


@dataclass(frozen=True)
class Format:
    """A file that a release holds: its name, media type, and how it is written from a publication and a version."""

    file: str
    media_type: str
    write: Callable[[Publication, str], bytes]


FORMATS: tuple[Format, ...] = (
    Format("tokens.css", "text/css; charset=utf-8", css.write),
    Format("tokens.json", "application/design-tokens+json", design_tokens.write),
)
