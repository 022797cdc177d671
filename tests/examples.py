"""How many examples a property is tried with: some in every run, all of them with `--long`."""

import os

from hypothesis import settings

LONG = "HEIMAT_LONG_TESTS"
"""Set for the processes of a run with `--long`, before they read any test."""


def is_long() -> bool:
    """Whether there is time for all examples and tries."""
    return bool(os.environ.get(LONG))


def examples(every: int, usual: int | None = None) -> settings:
    """As many examples as given with `--long`, else `usual`, or a fourth of them. They are the same each time."""
    return settings(
        max_examples=every if is_long() else usual or max(every // 4, 15), deadline=None
    )
