"""The guide as PDF, set from the same page by a general library, with bookmarks, page numbers and tags (PDF/UA).

Nothing is fetched while it is set. The typeface is the one that the application ships; without it, whatever the
machine has.
"""

import re
from base64 import b64encode
from functools import lru_cache
from pathlib import Path

import heimat
from heimat.core.publication.publication import Publication
from heimat.formats.write import guide

FILE = "guide.pdf"
MEDIA_TYPE = "application/pdf"
_REMEMBERED = 8
_FONTS = Path(heimat.__file__).parent / "page" / "assets"
_FACES = (("Atkinson Hyperlegible Next", "next"), ("Atkinson Hyperlegible Mono", "mono"))
_PRINTED = """
@page{size:A4;margin:16mm 14mm;@bottom-right{content:counter(page) " / " counter(pages);font:9px sans-serif}}
ROOT{font-size:10px}
ROOT h1{font-size:20px}ROOT h2{font-size:15px}ROOT h3{font-size:11px}
ROOT table{table-layout:fixed}ROOT code,ROOT pre{font-size:8px}
ROOT td,ROOT th{overflow-wrap:anywhere}ROOT th:first-child{width:25%}
ROOT th:last-child{width:24%}ROOT .strip th:first-child{width:10%}
ROOT .pairs th:nth-child(2){width:25%}ROOT .pairs th:last-child{width:auto}
ROOT .strip td{font-size:7px}ROOT .strip code{font-size:6px}
ROOT .strip .flush td{height:32px}
ROOT .charts{display:block}ROOT .chart{width:165px;margin-right:6px}
ROOT .swatch{width:20px;height:12px;margin-right:4px}
""".replace("ROOT", f"body.{guide.ROOT}")


def write(publication: Publication, version: str) -> bytes:
    """The guide of everything that is published, on pages."""
    return _remembered(guide.write(publication, version).decode())


@lru_cache(_REMEMBERED)
def _remembered(page: str) -> bytes:
    return set_pages(page)


def set_pages(page: str) -> bytes:
    """A guide's page, set on pages."""
    # It takes most of a second to load, and only who publishes needs it.
    from weasyprint import CSS, HTML
    from weasyprint.text.fonts import FontConfiguration
    from weasyprint.urls import URLFetcher

    fonts, nowhere = FontConfiguration(), URLFetcher(allowed_protocols=["data"])
    printed = CSS(string=_faces() + _PRINTED, font_config=fonts, url_fetcher=nowhere)
    return bytes(
        HTML(string=_plain(page), url_fetcher=nowhere).write_pdf(
            stylesheets=[printed], font_config=fonts, pdf_variant="pdf/ua-1"
        )
    )


def _plain(page: str) -> str:
    """The page on white: there is no dark paper."""
    return re.sub(r"@media\(prefers-color-scheme:dark\)\{[^}]*\}\}", "", page)


def _faces() -> str:
    found = []
    for family, part in _FACES:
        for file in sorted(_FONTS.glob(f"atkinson-hyperlegible-{part}-latin-wght-normal-*.woff2"))[
            :1
        ]:
            packed = b64encode(file.read_bytes()).decode()
            face = f'font-family:"{family}";font-weight:200 800;src:url("data:font/woff2;base64,{packed}")'
            found.append(f"@font-face{{{face}}}")
    return "".join(found)
