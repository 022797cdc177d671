"""Draw sixty sources on the usual ladder by the two newest generators, one above the other, to be looked at."""

from pathlib import Path

import numpy as np
from PIL import Image, ImageDraw, ImageFont

from heimat.core.color.exact_color import Color
from heimat.core.color.solved import solved
from heimat.core.scales import GENERATORS, READY_MADE, ScaleRequest, generate

OUT = Path(__file__).parents[1] / "docs" / "screenshots" / "generator.png"
_WIDTH, _HEIGHT, _COLUMNS = 1280, 800, 3
_STEP, _STRIP, _LABEL, _TOP = 36, 17, 74, 24
_LEMONS = [(light, 0.17, hue) for hue in range(84, 128, 4) for light in (92.0, 80.0)][:20]
_CIRCLE = [
    (light, chroma, hue)
    for light, chroma in ((45.0, 0.1), (62.0, 0.16))
    for hue in range(0, 360, 30)
]
_OTHERS = (
    "#ffff00 #ffeb3b #ffe600 #27fc10 #47fe2f #98ff18 #ff9049 #00ffff #ff00ff #0000ff #ff0000 #808000 #b09a00 #dfaf3a "
    "#f7f9fa #101418"
)


def sixty() -> list[Color]:
    """Lemon yellows to lime in two lightnesses, the circle at two strengths, and those that were known to be hard."""
    solved_ones = [solved(*each) for each in (*_LEMONS, *_CIRCLE)]
    hard = [Color.of_bytes(tuple(bytes.fromhex(each[1:]))) for each in _OTHERS.split()]
    return [*solved_ones, *hard]


def draw(out: Path = OUT) -> None:
    """Write the picture."""
    sheet = Image.new("RGB", (_WIDTH, _HEIGHT), "white")
    pen, font = ImageDraw.Draw(sheet), ImageFont.load_default(11)
    old, new = GENERATORS[-2:]
    sources, aims = sixty(), READY_MADE["usual"].lightness()
    made = [
        generate([ScaleRequest(source, aims) for source in sources], generator)
        for generator in (old, new)
    ]
    rows = -(-len(sources) // _COLUMNS)
    pen.text(
        (12, 5),
        f"each source by generator {old}, and below it by generator {new}; a notch where the source stands",
        "#333",
        font,
    )
    for at in range(len(sources)):
        column, row = divmod(at, rows)
        left, top = 12 + column * (_WIDTH // _COLUMNS), _TOP + row * ((_HEIGHT - _TOP) // rows)
        pen.text((left, top + _STRIP - 7), "#" + bytes(made[0][at].source8).hex(), "#333", font)
        for which, scales in enumerate(made):
            scale, y = scales[at], top + which * _STRIP
            for step, rgb in enumerate(scale.rgb8.tolist()):
                x = left + _LABEL + step * _STEP
                pen.rectangle((x, y, x + _STEP - 1, y + _STRIP - 1), tuple(rgb))
                if step == scale.anchor:
                    ink = "white" if float(np.mean(rgb)) < 128.0 else "black"
                    pen.rectangle((x + _STEP // 2 - 2, y, x + _STEP // 2 + 2, y + 2), ink)
    sheet.save(out, optimize=True)


if __name__ == "__main__":
    draw()
