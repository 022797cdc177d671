"""How near colors come to one another, in CIEDE2000."""

import numpy as np

from heimat.core.color.arrays import Bytes, Floats, from_bytes
from heimat.core.color.difference import ciede2000
from heimat.core.color.spaces import srgb_to_lab

HARDLY_DIFFERENT = 2.0
"""Below, two colors are taken for one: half of observers accept a difference up to about 1.8."""


def differences(one8: Bytes, other8: Bytes) -> Floats:
    """CIEDE2000 of every one of n 8-bit colors (n, 3) with every one of m (m, 3): shape (n, m)."""
    one, other = srgb_to_lab(from_bytes(one8)), srgb_to_lab(from_bytes(other8))
    return np.asarray(ciede2000(one[:, None], other[None]))
