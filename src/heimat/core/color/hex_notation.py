"""8-bit colors as `#RRGGBB`, and back."""

import numpy as np

from heimat.core.color.arrays import Bytes


def hex_of(rgb8: Bytes) -> str:
    """`#RRGGBB`, upper case, of one 8-bit color, shape (3,)."""
    return "#" + bytes(np.asarray(rgb8, dtype=np.uint8)).hex().upper()


def bytes_of(text: str) -> Bytes:
    """The 8-bit color, shape (3,), that `hex_of` wrote."""
    return np.frombuffer(bytes.fromhex(text[1:]), dtype=np.uint8)


def hexes_of(rgb8: Bytes) -> list[str]:
    """`#RRGGBB` of each of n 8-bit colors, shape (n, 3)."""
    digits = np.ascontiguousarray(rgb8, dtype=np.uint8).tobytes().hex().upper()
    return ["#" + digits[at : at + 6] for at in range(0, len(digits), 6)]
