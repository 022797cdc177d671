"""Numbers: notation, spaces, gamut, contrast, difference, vision. Arrays of shape (..., 3) throughout."""
