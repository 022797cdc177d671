"""Heimat: color systems, from a brand hue to published tokens."""

__version__ = "0.1.0"
