"""The contract of a release as JSON: what a build can hold it to."""

import json

from heimat.core.publication.publication import Publication

FILE = "contract.json"


def write(publication: Publication, version: str) -> bytes:
    """System, version, and what holds between the tokens in every theme."""
    content = {"system": publication.name, "version": version, **publication.contract}
    return (json.dumps(content, indent=2, ensure_ascii=False) + "\n").encode()
