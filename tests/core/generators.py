"""What a generator makes of a fixed set of requests, as one digest. Run by itself, it prints those of all."""

import hashlib

import numpy as np

from heimat.core.color.exact_color import Color
from heimat.core.scales import GENERATORS, READY_MADE, ScaleRequest, generate
from heimat.core.scales.curves import Curves
from heimat.core.scales.handles import Handle
from heimat.core.scales.methods import METHODS, Method

_SHAPED = Curves(
    light_taper=0.4,
    lightness=(Handle(at=-0.5, value=0.55), Handle(at=0.5, value=0.45)),
    chroma=(Handle(at=0.3, value=1.2),),
    hue=(Handle(at=-0.5, value=4.0), Handle(at=0.5, value=-6.0)),
)
_WEAK = 12
"""Levels between the channels of a weak color, whose hue rounding to 8 bits can lose."""


def digest(generator: int, count: int = 30) -> str:
    """The SHA-256 of all 8-bit values, over every method, ready-made ladder, anchor, and curves with handles."""
    rng = np.random.default_rng(41)
    found = hashlib.sha256()
    for method in METHODS:
        for ladder in READY_MADE.values():
            light = ladder.lightness()
            for mode in ("nearest", "guide", "label"):
                sources = rng.integers(0, 256, (count, 3))
                sources[::2] = np.clip(
                    sources[::2, :1] + rng.integers(0, _WEAK, (len(sources[::2]), 3)), 0, 255
                )
                requests = [
                    ScaleRequest(
                        Color.of_bytes(tuple(source)),
                        light,
                        anchor=mode,
                        fixed=int(rng.integers(0, len(light))) if mode == "label" else None,
                        method=Method(name=method),
                        curves=_SHAPED if place % 3 == 0 else Curves(),
                        # A gray has no hue along which a nudge could give it chroma.
                        nudges={1: np.array([2.0, 0.01, -3.0])}
                        if place % 5 == 0 and np.ptp(source)
                        else {},
                    )
                    for place, source in enumerate(sources)
                ]
                found.update(
                    b"".join(scale.rgb8.tobytes() for scale in generate(requests, generator))
                )
    return found.hexdigest()


if __name__ == "__main__":
    for each in GENERATORS:
        print(digest(each))
