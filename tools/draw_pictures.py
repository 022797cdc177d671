"""Draws the demo's pictures: `python -m tools.draw_pictures`. Seeded, so that they are the same each time."""

from collections.abc import Callable
from pathlib import Path

import numpy as np
from PIL import Image, ImageDraw

from heimat.local.install import ROOT

FOLDER = ROOT / "src" / "heimat" / "demo" / "pictures"
_WIDTH, _HEIGHT = 1080, 720
_LARGER = 3
"""Drawn so many times larger and made smaller again, so that edges are soft."""
Point = tuple[float, float]


def _canvas(color: str) -> tuple[Image.Image, ImageDraw.ImageDraw]:
    image = Image.new("RGB", (_WIDTH * _LARGER, _HEIGHT * _LARGER), color)
    return image, ImageDraw.Draw(image)


def _scaled(points: list[Point]) -> list[Point]:
    return [(x * _LARGER, y * _LARGER) for x, y in points]


def _finished(image: Image.Image, noise: float) -> Image.Image:
    """The picture at its size, with grain, as a camera would give it."""
    small = np.asarray(image.resize((_WIDTH, _HEIGHT), Image.Resampling.LANCZOS), dtype=np.float64)
    grain = np.random.default_rng(7).normal(0.0, 1.0, small.shape[:2])
    return Image.fromarray(
        np.clip(small + np.rint(grain * noise)[..., None], 0, 255).astype(np.uint8)
    )


def harbor() -> Image.Image:
    """A gray sea under a gray sky, a heath with heather and gorse, a quay with a boat, and one small red buoy."""
    image, draw = _canvas("#C9CDCF")
    for row in range(300):
        level = 205 - row // 9
        draw.rectangle(
            (0, row * _LARGER, _WIDTH * _LARGER, (row + 1) * _LARGER),
            fill=(level - 4, level, level + 3),
        )
    for row in range(300, _HEIGHT):
        level = 150 - (row - 300) // 7
        draw.rectangle(
            (0, row * _LARGER, _WIDTH * _LARGER, (row + 1) * _LARGER),
            fill=(level - 12, level - 3, level),
        )
    hill = [(0, 306), (0, 232), (130, 196), (270, 214), (420, 262), (560, 306)]
    draw.polygon(_scaled(hill), fill="#6E6A66")
    rng = np.random.default_rng(3)
    for color, count, size in (("#8A6FA8", 160, 15), ("#DFAF3A", 46, 9)):
        for _ in range(count):
            x, depth = float(rng.uniform(8, 400)), float(rng.uniform(0.1, 1.0))
            top = float(
                np.interp(x, [point[0] for point in hill[1:]], [point[1] for point in hill[1:]])
            )
            y = top + depth * (300 - top)
            draw.ellipse(_scaled([(x - size, y - size / 3), (x + size, y + size / 3)]), fill=color)
    for row in range(60):
        y, x = float(rng.uniform(316, 700)), float(rng.uniform(0, _WIDTH))
        length = 20.0 + (y - 300) / 5
        draw.line(
            _scaled([(x, y), (x + length, y)]),
            fill="#A9B2B5" if row % 3 else "#66757B",
            width=_LARGER,
        )
    draw.polygon(_scaled([(760, 330), (1080, 318), (1080, 392), (760, 352)]), fill="#565B5E")
    draw.polygon(_scaled([(806, 322), (960, 316), (940, 342), (826, 346)]), fill="#0B6E6E")
    draw.rectangle(
        _scaled([(850, 292), (916, 318)])[0] + _scaled([(850, 292), (916, 318)])[1], fill="#ECEFEE"
    )
    draw.polygon(_scaled([(612, 470), (628, 470), (633, 492), (607, 492)]), fill="#C8321F")
    draw.rectangle((*_scaled([(617, 458)])[0], *_scaled([(623, 470)])[0]), fill="#C8321F")
    draw.ellipse((*_scaled([(602, 490)])[0], *_scaled([(638, 498)])[0]), fill="#4D5A60")
    return _finished(image, 2.0)


def poster() -> Image.Image:
    """Flat colors on paper: a sun, an island, a boat, three bands of sea."""
    image, draw = _canvas("#F4EDE0")
    draw.rectangle((0, 0, _WIDTH * _LARGER, 470 * _LARGER), fill="#F1C27A")
    draw.ellipse((*_scaled([(640, 120)])[0], *_scaled([(900, 380)])[0]), fill="#DF5A33")
    draw.polygon(
        _scaled([(90, 470), (260, 240), (360, 330), (450, 260), (610, 470)]), fill="#8A6FA8"
    )
    for top, color in ((400, "#2F6DB5"), (480, "#0B6E6E"), (560, "#08484A")):
        wave = [(x, top + 14 * np.sin(x / 60.0 + top)) for x in range(0, _WIDTH + 20, 10)]
        draw.polygon(_scaled([*wave, (_WIDTH, 640), (0, 640)]), fill=color)
    draw.polygon(_scaled([(700, 470), (900, 470), (860, 520), (730, 520)]), fill="#F4EDE0")
    draw.polygon(_scaled([(790, 462), (790, 330), (876, 462)]), fill="#FFFFFF")
    draw.rectangle((0, 640 * _LARGER, _WIDTH * _LARGER, _HEIGHT * _LARGER), fill="#F4EDE0")
    return _finished(image, 0.0)


def dashboard() -> Image.Image:
    """A board as a screenshot would show it: a dark bar, cards, bars of a chart, a heat map."""
    image, draw = _canvas("#F2F5F5")

    def box(left: float, top: float, right: float, bottom: float, color: str) -> None:
        draw.rectangle((*_scaled([(left, top)])[0], *_scaled([(right, bottom)])[0]), fill=color)

    box(0, 0, _WIDTH, 64, "#0B6E6E")
    for place in range(4):
        box(32 + place * 260, 96, 268 + place * 260, 190, "#FFFFFF")
        box(48 + place * 260, 112, 120 + place * 260, 122, "#9AA5A5")
        box(
            48 + place * 260,
            138,
            160 + place * 260,
            168,
            ("#0B6E6E", "#DF5A33", "#3F8F4F", "#BF3650")[place],
        )
    box(32, 222, 620, 680, "#FFFFFF")
    for place, (height, color) in enumerate(
        zip(
            (320, 260, 210, 170, 120, 80),
            ("#0B6E6E", "#DF5A33", "#DFAF3A", "#8A6FA8", "#2F6DB5", "#757F7E"),
            strict=True,
        )
    ):
        box(72 + place * 88, 640 - height, 136 + place * 88, 640, color)
    box(652, 222, 1048, 680, "#FFFFFF")
    tints = ("#E3F7F5", "#B5E3E0", "#7CC6C3", "#3FA3A1", "#0B6E6E", "#064445")
    rng = np.random.default_rng(5)
    for row in range(9):
        for column in range(8):
            level = int(np.clip(rng.normal(2.5 + np.sin(column / 1.5) * 2, 0.9), 0, 5))
            box(680 + column * 44, 260 + row * 42, 724 + column * 44, 302 + row * 42, tints[level])
    return _finished(image, 0.0)


PICTURES: dict[str, Callable[[], Image.Image]] = {
    "harbor": harbor,
    "poster": poster,
    "dashboard": dashboard,
}


def main(folder: Path = FOLDER) -> None:
    """Draw all."""
    folder.mkdir(parents=True, exist_ok=True)
    for name, draw in PICTURES.items():
        path = folder / f"{name}.png"
        draw().save(path, "PNG", optimize=True)
        print(path.relative_to(ROOT), path.stat().st_size)


if __name__ == "__main__":
    main()
