"""Readers: any text to the colors in it. No reader ever raises for what it is given."""
