"""Reading a font file far enough to know that text can be set in it."""

import io

from heimat.core.errors import DomainError

BEGINNINGS = {
    b"wOF2": "font/woff2",
    b"\x00\x01\x00\x00": "font/ttf",
    b"true": "font/ttf",
    b"OTTO": "font/otf",
}
"""How a font file begins (WOFF2, 2018; OpenType, 1.9), and its media type."""
_NEEDED = ("head", "hhea", "hmtx", "maxp", "cmap")
_OUTLINES = ("glyf", "CFF ", "CFF2")
_SAMPLE = "Hn01"
"""Signs whose outlines are read: what samples of text are set in."""


def check_typeface(content: bytes, name: str) -> str:
    """The media type of a font file. Raises DomainError (field `typeface`) for what is none, and for a broken one."""
    # It takes a while to load, and only who brings a font needs it.
    from fontTools.ttLib import TTFont, TTLibError

    media_type = BEGINNINGS.get(content[:4])
    if media_type is None:
        words = f"“{name}” is no font file that is read here: give WOFF2, TTF or OTF."
        raise DomainError(words, "typeface", "unreadable")
    try:
        with TTFont(io.BytesIO(content), lazy=False, checkChecksums=0) as font:
            whole = all(tag in font for tag in _NEEDED) and any(tag in font for tag in _OUTLINES)
            signs, outlines = font.getBestCmap() or {}, font.getGlyphSet()
            for sign in _SAMPLE:
                if ord(sign) in signs:
                    outlines[signs[ord(sign)]].draw(_Nothing())
    # The library's readers raise whatever a broken table makes them stumble over.
    except (
        TTLibError,
        ArithmeticError,
        AssertionError,
        AttributeError,
        LookupError,
        OSError,
        TypeError,
        ValueError,
    ):
        whole = False
    except Exception as error:
        if type(error).__module__.startswith(("struct", "fontTools", "brotli", "zlib")):
            whole = False
        else:
            raise
    if not whole:
        words = f"“{name}” is broken, or was cut off on its way: no text can be set in it. Nothing was replaced."
        raise DomainError(words, "typeface", "broken")
    return media_type


class _Nothing:
    """A pen that draws nothing."""

    def __getattr__(self, _: str) -> object:
        return lambda *_, **__: None
