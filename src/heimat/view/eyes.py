"""How colors are seen: recolored for the vision chosen, with the ink that reads on them."""

from dataclasses import dataclass
from typing import Literal

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.arrays import Bytes, Floats, from_bytes, to_bytes
from heimat.core.color.contrast import label_on
from heimat.core.color.hex_notation import hexes_of
from heimat.core.color.spaces import p3_to_srgb
from heimat.core.color.vision import Vision, simulate
from heimat.core.color.wide import p3_text
from heimat.core.memory import remembered

Ink = Literal["#000000", "#FFFFFF"]
SeenAs = Literal["typical", "protan", "deutan", "tritan", "achromat"]


_REMEMBERED, _FEW = 1024, 3 * 64
"""How many sets of colors are remembered, and the most levels that one of them has: a scale, or a palette."""


class SwatchView(TypedDict):
    """A color: its published value, how it is seen under the vision chosen, and the ink that reads on it."""

    hex: str
    seen: str
    ink: Ink


@dataclass(frozen=True)
class Eyes:
    """A vision and its severity 0 to 1."""

    vision: SeenAs
    severity: float

    def see(self, rgb8: Bytes) -> Bytes:
        """8-bit colors (..., 3) as these eyes see them."""
        if self.vision == "typical" or rgb8.size == 0:
            return rgb8
        vision: Vision = self.vision
        return to_bytes(simulate(from_bytes(rgb8), vision, self.severity))

    def swatches(self, rgb8: Bytes) -> list[SwatchView]:
        """8-bit colors (n, 3) as the page shows them, the ink chosen for what is seen."""
        levels = np.ascontiguousarray(rgb8, dtype=np.uint8).tobytes()
        made = _remembered if len(levels) <= _FEW else _swatches
        return [{"hex": own, "seen": seen, "ink": ink} for own, seen, ink in made(self, levels)]

    def swatch(self, rgb8: Bytes) -> SwatchView:
        """One 8-bit color (3,) as the page shows it."""
        return self.swatches(np.asarray(rgb8)[None])[0]

    def see_p3(self, p3: Floats) -> str:
        """A display-p3 color (3,) as CSS paints it; with a deficiency, as far as sRGB shows what is seen of it."""
        if self.vision == "typical":
            return p3_text(p3)
        return self.hexes(to_bytes(np.clip(p3_to_srgb(p3), 0.0, 1.0))[None])[0]

    def hexes(self, rgb8: Bytes) -> list[str]:
        """8-bit colors (n, 3) as seen, written."""
        return hexes_of(self.see(rgb8))


def _swatches(eyes: Eyes, levels: bytes) -> tuple[tuple[str, str, Ink], ...]:
    """Value, value as seen, and ink of colors."""
    rgb8 = np.frombuffer(levels, dtype=np.uint8).reshape(-1, 3)
    seen = eyes.see(rgb8)
    inks: tuple[Ink, Ink] = ("#FFFFFF", "#000000")
    blacks = label_on(seen)[0].tolist()
    return tuple(
        zip(hexes_of(rgb8), hexes_of(seen), (inks[black] for black in blacks), strict=True)
    )


_remembered = remembered(_REMEMBERED)(_swatches)
"""The same, remembered: while one thing is dragged the colors of others stay."""


TYPICAL = Eyes("typical", 1.0)
