"""Filling semantic tokens from a system's hues: by rules that look at contrast, each a sentence that can be read."""
