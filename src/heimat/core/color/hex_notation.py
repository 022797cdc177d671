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


def alpha_level(alpha: float) -> int:
    """Alpha 0 to 1 as a level 0 to 255, halves up, as CSS writes it: of 30 % 77, which is 4D."""
    return int(alpha * 255.0 + 0.5)


def hex_with_alpha(rgb: str, alpha: float) -> str:
    """`#RRGGBB` with two digits more where it is translucent."""
    return rgb if alpha == 1.0 else f"{rgb}{alpha_level(alpha):02X}"
