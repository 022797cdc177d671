"""The demo's pictures, drawn by `tools/draw_pictures.py` and shipped as PNG."""

import hashlib
from dataclasses import dataclass
from functools import lru_cache
from pathlib import Path

from sqlalchemy import Connection

from heimat.core.pictures.decoding import decode
from heimat.service.clock import now
from heimat.store.picture_rows import NewPicture, add_picture

FOLDER = Path(__file__).parent / "pictures"
NAMES = ("dashboard", "poster", "harbor")


@dataclass(frozen=True)
class DemoPicture:
    """A shipped picture: the name of its file, its bytes and its size in pixels."""

    name: str
    content: bytes
    width: int
    height: int


@lru_cache(maxsize=1)
def demo_pictures() -> tuple[DemoPicture, ...]:
    """All shipped pictures."""
    found = []
    for name in NAMES:
        content = (FOLDER / f"{name}.png").read_bytes()
        pixels = decode(content)
        found.append(DemoPicture(f"{name}.png", content, pixels.width, pixels.height))
    return tuple(found)


def add_demo_pictures(connection: Connection, system_id: int, person_id: str) -> None:
    """Put the shipped pictures into a system."""
    for each in demo_pictures():
        new = NewPicture(
            system_id=system_id,
            name=each.name,
            media_type="image/png",
            digest=hashlib.sha256(each.content).hexdigest(),
            width=each.width,
            height=each.height,
            person_id=person_id,
            at=now(),
            content=each.content,
        )
        add_picture(connection, new)
