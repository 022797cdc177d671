"""Open formats: readers in `read`, writers in `write`, one file each; here, which files a release holds."""

from collections.abc import Callable
from dataclasses import dataclass

from heimat.core.document.names import css_name
from heimat.core.publication.publication import Publication
from heimat.formats import checkers
from heimat.formats.write import (
    contract_json,
    css,
    design_tokens,
    guide,
    guide_pdf,
    manifest,
    output_files,
    package,
    plain,
    resolver,
    scss,
    swatch_sheet,
    swatches,
    table,
    typescript,
)
from heimat.formats.write.palettes import (
    palettes_css,
    palettes_d3,
    palettes_matplotlib,
    palettes_plain,
    palettes_themes,
)


@dataclass(frozen=True)
class Format:
    """A file that a release holds: its name, media type, and how it is written from a publication and a version."""

    file: str
    media_type: str
    write: Callable[[Publication, str], bytes]


FORMATS: tuple[Format, ...] = (
    Format("tokens.css", "text/css; charset=utf-8", css.write),
    Format(design_tokens.FILE, "application/design-tokens+json", design_tokens.write),
)


MORE_FORMATS: tuple[Format, ...] = (
    Format("tokens.scss", "text/plain; charset=utf-8", scss.write),
    Format("tokens.ts", "text/plain; charset=utf-8", typescript.write),
    Format(plain.FILE, "application/json", plain.write),
    Format("tokens.csv", "text/csv; charset=utf-8", table.write),
    Format("swatches.svg", "image/svg+xml", swatch_sheet.write),
    Format("swatches.gpl", "text/plain; charset=utf-8", swatches.write),
    Format(contract_json.FILE, "application/json", contract_json.write),
    Format(
        checkers.PYTHON, "text/plain; charset=utf-8", lambda *_: checkers.source(checkers.PYTHON)
    ),
    Format(checkers.NODE, "text/plain; charset=utf-8", lambda *_: checkers.source(checkers.NODE)),
    Format(guide.FILE, "text/html; charset=utf-8", guide.write),
)
"""What a release holds of everything, in the forms that builds and people take."""


PALETTE_FORMATS: tuple[Format, ...] = (
    Format("palettes.css", "text/css; charset=utf-8", palettes_css.write),
    Format("palettes.json", "application/json", palettes_plain.write),
    Format("palettes.ts", "text/plain; charset=utf-8", palettes_d3.write),
    Format("palettes.vega-lite.json", "application/json", palettes_themes.vega_lite),
    Format("palettes.echarts.json", "application/json", palettes_themes.echarts),
    Format("palettes.plotly.json", "application/json", palettes_themes.plotly),
    Format("palettes.mplstyle", "text/plain; charset=utf-8", palettes_matplotlib.style),
    Format("palettes.py", "text/plain; charset=utf-8", palettes_matplotlib.module),
)
"""What a release holds besides, where it has palettes."""


ARCHIVE = "application/gzip"
NO_TEXT = (ARCHIVE, guide_pdf.MEDIA_TYPE)
"""The media types of what is no text."""


@dataclass(frozen=True)
class Written:
    """A file as it is published."""

    name: str
    media_type: str
    content: bytes


def write_all(publication: Publication, version: str) -> list[Written]:
    """All files of a release: each format with everything, then with each named selection alone, then outputs.

    Last come the manifest of all of them, and the archive that holds them all. The guide as PDF takes seconds to
    minutes: it is made once a release is out, and is in neither.
    """
    files = _written(publication, version, "")
    files += [
        Written(kind.file, kind.media_type, kind.write(publication, version))
        for kind in MORE_FORMATS
    ]
    parts = guide.fragments(publication, version)
    files += [Written(name, "text/html; charset=utf-8", content) for name, content in parts]
    files += [Written(*each) for each in output_files.write(publication, version)]
    for selection in publication.selections:
        files += _written(publication.of(selection), version, css_name(selection.name))
    if publication.palettes:
        kinds = PALETTE_FORMATS
        files += [
            Written(kind.file, kind.media_type, kind.write(publication, version)) for kind in kinds
        ]
    told = [(file.name, file.media_type, file.content) for file in files]
    files.append(
        Written(manifest.FILE, "application/json", manifest.write(publication, version, told))
    )
    archive = package.write(publication, version, [(file.name, file.content) for file in files])
    return [*files, Written(package.FILE, ARCHIVE, archive)]


def write_printed(publication: Publication, version: str) -> Written:
    """The guide of a release as PDF."""
    return Written(guide_pdf.FILE, guide_pdf.MEDIA_TYPE, guide_pdf.write(publication, version))


def _written(publication: Publication, version: str, part: str) -> list[Written]:
    files = [
        Written(_named(kind.file, part), kind.media_type, kind.write(publication, version))
        for kind in FORMATS
    ]
    if len(publication.themes) > 1:
        base = _named(design_tokens.FILE, part)
        content = resolver.write(publication, version, base)
        files.append(Written(_named("tokens.resolver.json", part), "application/json", content))
    return files


def _named(file: str, part: str) -> str:
    """A file's name, with that of the part of all tokens that it holds."""
    stem, _, ending = file.partition(".")
    return f"{stem}.{part}.{ending}" if part else file
