"""Open formats: readers in `read`, writers in `write`, one file each; here, which files a release holds."""

from collections.abc import Callable
from dataclasses import dataclass

from heimat.core.document.names import css_name
from heimat.core.publication.publication import Publication
from heimat.formats.write import css, design_tokens


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


@dataclass(frozen=True)
class Written:
    """A file as it is published."""

    name: str
    media_type: str
    content: bytes


def write_all(publication: Publication, version: str) -> list[Written]:
    """All files of a release: each format with everything, then with each named selection alone."""
    files = [Written(kind.file, kind.media_type, kind.write(publication, version)) for kind in FORMATS]
    for selection in publication.selections:
        part = publication.of(selection)
        for kind in FORMATS:
            stem, _, ending = kind.file.rpartition(".")
            name = f"{stem}.{css_name(selection.name)}.{ending}"
            files.append(Written(name, kind.media_type, kind.write(part, version)))
    return files
