"""What the launcher says."""

import sys


class Trouble(Exception):
    """Something that ends the launcher: what happened, and what to do."""


def say(text: str) -> None:
    """Say what is being done, at once."""
    print(f"heimat: {text}", flush=True)


def complain(text: str) -> None:
    """Say what failed."""
    print(f"heimat: {text}", file=sys.stderr, flush=True)
