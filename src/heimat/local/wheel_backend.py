"""Building Heimat as a Python package: by setuptools, but never without the page, and the same to the bit each time."""

import os
from pathlib import Path
from typing import Any

from setuptools import build_meta
from setuptools.build_meta import *  # noqa: F403 - all that a build front end may ask of setuptools

_PAGE = Path(__file__).resolve().parent.parent / "page" / "index.html"
_WHEN = "946684800"
"""The time that every file in a wheel has: the first second of the year 2000. Archives know no times before 1980."""


def build_wheel(
    wheel_directory: str, config_settings: Any = None, metadata_directory: str | None = None
) -> str:
    """Build a wheel. Raises SystemExit where the page was not built: nothing would be shown at its address."""
    if not _PAGE.is_file():
        raise SystemExit(
            "The page is not built yet: run ./heimat demo or ./heimat test once, then build the wheel."
        )
    os.environ.setdefault("SOURCE_DATE_EPOCH", _WHEN)
    name: str = build_meta.build_wheel(wheel_directory, config_settings, metadata_directory)
    return name
