"""What random tests draw from."""

import numpy as np
from hypothesis import strategies as st

from heimat.core.color.exact_color import Color
from heimat.core.scales.ladder import READY_MADE

levels = st.integers(0, 255)
rgb8 = st.tuples(levels, levels, levels)
colors = rgb8.map(Color.of_bytes)
ladders = st.sampled_from(list(READY_MADE.values()))
anchors = st.sampled_from(["nearest", "label", "guide"])


def all_corners_and_random(count: int, seed: int = 1) -> np.ndarray:
    """The 8 corners of sRGB, the grays, and random 8-bit colors, shape (n, 3)."""
    corners = np.array(np.meshgrid([0, 255], [0, 255], [0, 255])).T.reshape(-1, 3)
    grays = np.repeat(np.arange(0, 256, 5)[:, None], 3, axis=1)
    drawn = np.random.default_rng(seed).integers(0, 256, (count, 3))
    return np.concatenate([corners, grays, drawn]).astype(np.uint8)
