"""Checks of a release that a build runs: one for Python, one for Node, each a single file without dependencies.

They are delivered as they stand here, word for word.
"""

from importlib.resources import files

PYTHON, NODE = "check.py", "check.mjs"


def source(name: str) -> bytes:
    """A check as it is delivered."""
    return (files(__name__) / name).read_bytes()
