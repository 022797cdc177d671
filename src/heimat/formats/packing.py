"""A file as it is delivered: its bytes, their digest, and the same compressed once and for all."""

import gzip
import hashlib
from dataclasses import dataclass

import brotli  # type: ignore[import-untyped]

_BEST_GZIP = 9
_QUALITIES = ((20_000, 11), (1_000_000, 9))
"""Up to how many bytes which quality of brotli: beyond, the last percents are not worth the time."""
_LARGE_BROTLI = 6


@dataclass(frozen=True)
class PackedFile:
    """A file with its SHA-256, and compressed where that is smaller."""

    name: str
    media_type: str
    digest: str
    content: bytes
    gzip: bytes | None
    brotli: bytes | None


def packed(name: str, media_type: str, content: bytes) -> PackedFile:
    """A file, compressed: the same bytes each time."""
    quality = next((quality for most, quality in _QUALITIES if len(content) <= most), _LARGE_BROTLI)
    return PackedFile(
        name,
        media_type,
        hashlib.sha256(content).hexdigest(),
        content,
        _smaller(gzip.compress(content, _BEST_GZIP, mtime=0), content),
        _smaller(brotli.compress(content, quality=quality), content),
    )


def _smaller(compressed: bytes, content: bytes) -> bytes | None:
    return compressed if len(compressed) < len(content) else None
