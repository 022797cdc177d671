"""Systems to test with, besides the demo's own."""

import json
from pathlib import Path

from heimat.core.document.system import ColorSystem
from heimat.core.document.upgrades import read_document

SAMPLES = Path(__file__).parent / "samples"


def brinemark_in_one_theme() -> ColorSystem:
    """The demo's larger system as it once was: one theme, few tokens, all of them on steps, its scales published."""
    return read_document(json.loads((SAMPLES / "document_6.json").read_text()))
