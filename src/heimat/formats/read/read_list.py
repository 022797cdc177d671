"""Reading plain lines: what nothing else takes."""

from heimat.core.color.color_lines import MOST_LINES, Reading, read_lines
from heimat.formats.read.reading import TextReader


def read(text: str) -> Reading:
    """Read a color a line, with or without a name."""
    lines = read_lines(text)
    pieces = text.count("\n") + 1
    return Reading("list", lines, max(pieces - MOST_LINES, 0) if len(lines) == MOST_LINES else 0)


READER = TextReader(lambda _, __: True, read)
