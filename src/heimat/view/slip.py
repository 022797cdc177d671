"""The slip: everything about the selected color."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.arrays import Bytes
from heimat.core.color.contrast import AA_TEXT, ratio, ratio_of_luminances, relative_luminance
from heimat.core.color.exact_color import Color, oklch_of, rgb8_of
from heimat.core.color.notation import NOTATIONS, format
from heimat.core.color.overlay import solid
from heimat.core.color.ramps import CHROMA_END, ramps
from heimat.core.color.spaces import lightness
from heimat.core.color.wide import p3_luminance, p3_of_bytes, p3_text
from heimat.core.document.keys import KeyKind
from heimat.core.legibility.pair import read_pair
from heimat.core.legibility.selected import Selected, aim_of, neutral_ends
from heimat.core.resolve.resolved import Resolved
from heimat.view.eyes import Eyes, SwatchView
from heimat.view.figures import ContrastView, ExactColor, contrast_view, exact_color
from heimat.view.look import Look


class NotationView(TypedDict):
    """A color written in one notation."""

    notation: str
    text: str


Ground = tuple[Bytes, str]
"""The ground that colors are read on, and its name."""


class GroundView(SwatchView):
    """A ground, and the contrast of the selected color on it; `room` to 4.5, in words, on the one that is kept."""

    name: str
    contrast: ContrastView
    room: str


class RampView(TypedDict):
    """The colors along one quantity of the selection, the value itself, and its range.

    `reach` is the end of the gamut in the same unit; `passing` the intervals that reach 4.5 on the ground.
    """

    colors: list[str]
    value: float
    low: float
    high: float
    reach: float
    passing: list[list[float]]


class AimView(TypedDict):
    """L*, OKLCH chroma and hue in degrees that a hue is meant to have."""

    lightness: float
    chroma: float
    angle: float


class WideView(TypedDict):
    """A display-p3 value: as CSS, as it is seen, and its contrast on the slip's grounds, in their order."""

    text: str
    seen: str
    contrasts: list[ContrastView]


class SlipView(SwatchView):
    """Everything about the selected color. `aim` is what it would have if white, gray and the gamut allowed it.

    `fixed` says why it cannot be moved, where it cannot.
    """

    key: str
    kind: KeyKind
    name: str
    role: str
    why: str
    used_by: list[str]
    exact: ExactColor
    hue: str | None
    step: str | None
    movable_hue: str | None
    movable_step: str | None
    fixed: str | None
    pinned: bool
    nudged: bool
    notations: list[NotationView]
    grounds: list[GroundView]
    wide: WideView | None
    aim: AimView
    lightness: RampView
    chroma: RampView
    turn: RampView


def slip_part(look: Look) -> SlipView | None:
    """The slip of what is selected, with ramps along lightness, chroma and hue; none where nothing is."""
    selected = look.selected
    if selected is None:
        return None
    found = _slip(look.resolved, selected, look.eyes, look.ground)
    if look.along:
        # First: the reason of a color is long, and what else changes must be seen while it is dragged.
        found["why"] = f"{look.along}. {found['why']}"
    return found


def _slip(resolved: Resolved, selected: Selected, eyes: Eyes, kept: Ground) -> SlipView:
    rgb8 = rgb8_of(selected.color)
    light = float(lightness(relative_luminance(rgb8)))
    chroma = float(oklch_of(selected.color)[1])
    aim = aim_of(selected)
    _, meant_chroma, turn = aim
    rows = ramps(light, meant_chroma, turn, float(relative_luminance(kept[0])))
    texts = [(notation, format(selected.color, notation)) for notation in NOTATIONS]
    hue = selected.hue.hue if selected.hue else None
    step = (
        selected.hue.steps[selected.place].id
        if selected.hue and selected.place is not None
        else None
    )
    return {
        **eyes.swatch(rgb8),
        "key": selected.key,
        "kind": selected.kind,
        "name": selected.name,
        "role": selected.role,
        "why": selected.why,
        "used_by": selected.used_by,
        "exact": exact_color(selected.color),
        "hue": hue.id if hue else None,
        "step": step,
        "movable_hue": selected.movable_hue,
        "movable_step": selected.movable_step,
        "fixed": selected.fixed,
        "pinned": hue is not None and step in hue.pins,
        "nudged": hue is not None and step in hue.nudges,
        "notations": [{"notation": notation, "text": text} for notation, text in texts if text],
        "grounds": _grounds(resolved, selected.color, eyes, kept),
        "wide": _wide(resolved, selected, eyes, kept),
        "aim": {
            "lightness": round(aim[0], 4),
            "chroma": round(meant_chroma, 4),
            "angle": round(turn, 4) % 360.0,
        },
        "lightness": {
            "colors": eyes.hexes(rows.lightness),
            "value": round(light, 2),
            "low": 0.0,
            "high": 100.0,
            "reach": 100.0,
            "passing": [list(interval) for interval in rows.passing],
        },
        "chroma": {
            "colors": eyes.hexes(rows.chroma),
            "value": round(chroma, 4),
            "low": 0.0,
            "high": CHROMA_END,
            "reach": round(rows.chroma_end, 4),
            "passing": [],
        },
        "turn": {
            "colors": eyes.hexes(rows.hue),
            "value": round(turn, 2) % 360.0,
            "low": 0.0,
            "high": 360.0,
            "reach": 360.0,
            "passing": [],
        },
    }


def _wide(resolved: Resolved, selected: Selected, eyes: Eyes, kept: Ground) -> WideView | None:
    """The display-p3 value, with its own contrast on the grounds of the slip."""
    p3 = selected.p3
    if p3 is None:
        return None
    return {
        "text": p3_text(p3),
        "seen": eyes.see_p3(p3),
        "contrasts": [
            contrast_view(
                float(ratio_of_luminances(p3_luminance(p3), p3_luminance(p3_of_bytes(ground))))
            )
            for _, ground in _named_grounds(resolved, kept)
        ],
    }


def _named_grounds(resolved: Resolved, kept: Ground) -> list[tuple[str, Bytes]]:
    """White, black and the neutral ends; a ground that is kept stands first, in place of these ends."""
    white, black = np.full(3, 255, dtype=np.uint8), np.zeros(3, dtype=np.uint8)
    ends = neutral_ends(resolved)
    if kept[1] in ("white", "black"):
        return [("white", white), ("black", black), *ends]
    return [(kept[1], kept[0]), ("white", white), ("black", black)]


def _grounds(resolved: Resolved, color: Color, eyes: Eyes, kept: Ground) -> list[GroundView]:
    """The contrasts of a color, a translucent one composited on each ground."""
    rgb8 = rgb8_of(color)
    return [
        {
            **eyes.swatch(ground),
            "name": name,
            "contrast": contrast_view(float(ratio(solid(rgb8, color.alpha, ground), ground))),
            "room": _room(color, ground)
            if place == 0 and name == kept[1] and name not in ("white", "black")
            else "",
        }
        for place, (name, ground) in enumerate(_named_grounds(resolved, kept))
    ]


def _room(color: Color, ground: Bytes) -> str:
    """How much lightness is left until 4.5 is lost on a ground, or is missing until it is reached."""
    passes = read_pair(color, Color.of_bytes(ground)).one.passes
    body = next(each for each in passes if each.level == AA_TEXT)
    if body.dark is None and body.light is None:
        return f"no color reaches {AA_TEXT:g} on it"
    return f"{abs(body.room):.1f} L* {'to spare' if body.room >= 0.0 else 'short'} for {AA_TEXT:g}"
