"""Reading drawings (SVG 2) as text for their colors, never drawing them: no entities, nothing fetched from outside."""

import io
import re
from xml.etree.ElementTree import Element, ParseError

from defusedxml.common import DefusedXmlException
from defusedxml.ElementTree import iterparse

from heimat.core.color.color_lines import Reading
from heimat.core.color.color_text import parse
from heimat.core.errors import DomainError
from heimat.formats.read import read_css
from heimat.formats.read.reading import BLANK, Found, TextReader, nothing

_ATTRIBUTES = ("fill", "stroke", "stop-color", "flood-color", "lighting-color", "color")
_NO_COLOR = frozenset(
    {"none", "inherit", "currentcolor", "transparent", "context-fill", "context-stroke"}
)
_DECLARED = re.compile(r"\A\ufeff?\s*<\?xml\s[^>]{0,200}\?>")
_NAMED = "{http://www.w3.org/2000/svg}"


def read(text: str) -> Reading:
    """Read an SVG. Never raises; what comes before an error is kept, and the error told."""
    found = Found("drawing")
    styles: list[str] = []
    try:
        # It is text by now: whatever encoding it once declared, known or not, it has none any more.
        content = _DECLARED.sub(lambda found: "\n" * found[0].count("\n"), text, count=1).encode(
            "utf-8", "replace"
        )
        events = iterparse(io.BytesIO(content), ("start", "end"), forbid_dtd=False)
        for event, element in events:
            if event == "start":
                if _says_color(element) and not found.allowance.row(1):
                    break
                _element(element, found)
            else:
                if element.tag.removeprefix(_NAMED) == "style" and element.text:
                    styles.append(element.text)
                element.clear()
    except DefusedXmlException:
        return nothing(
            "drawing", "This drawing defines entities or reaches outside itself; it was not read."
        )
    except ParseError as error:
        found.problem(error.position[0], "", f"This drawing is broken at line {error.position[0]}.")
    except (ValueError, RecursionError):
        found.problem(1, "", "This drawing cannot be read as SVG.")
    for style in styles:
        if not found.allowance.stopped:
            read_css.collect(style, found)
    return (
        nothing("drawing", "No color was found in this drawing.")
        if found.empty
        else found.reading()
    )


def _says_color(element: Element) -> bool:
    return "style" in element.attrib or any(name in element.attrib for name in _ATTRIBUTES)


def _element(element: Element, found: Found) -> None:
    for name in _ATTRIBUTES:
        value = (element.get(name) or "").strip()
        if (
            value
            and value.lower() not in _NO_COLOR
            and not value.lower().startswith(("url(", "var("))
        ):
            try:
                found.color(1, value, "", parse(value))
            except DomainError as refusal:
                found.problem(1, value, refusal.message)
    style = element.get("style")
    if style:
        read_css.collect(f"* {{{style}}}", found)


_SVG = re.compile(r"<(?:\w+:)?svg[\s>/]", re.I)
_HEAD = 4096
"""Signs within which a drawing has to say that it is one: comments and a document type may stand before."""


def _takes(start: str, ending: str) -> bool:
    return ending == ".svg" or (start.startswith("<") and _SVG.search(start[:_HEAD]) is not None)


READER = TextReader(_takes, lambda text: read(text.lstrip(BLANK)))
