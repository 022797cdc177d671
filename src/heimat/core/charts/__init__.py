"""Palettes for data: arithmetic on colors, which knows no document."""
