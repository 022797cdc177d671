"""The manifest of a release: its files, each with its size and SHA-256, by which one knows that nothing was changed."""

import hashlib
import json
from collections.abc import Sequence
from typing import Any

from heimat.core.publication.publication import Publication

FILE = "release.json"


def write(publication: Publication, version: str, files: Sequence[tuple[str, str, bytes]]) -> bytes:
    """The manifest of files: name, media type, bytes."""
    content: dict[str, Any] = {
        "system": publication.name,
        "version": version,
        "themes": [theme.name for theme in publication.themes if theme.name],
        "files": [
            {
                "name": name,
                "type": media_type,
                "bytes": len(written),
                "sha256": hashlib.sha256(written).hexdigest(),
            }
            for name, media_type, written in files
        ],
    }
    return (json.dumps(content, indent=2, ensure_ascii=False) + "\n").encode()
