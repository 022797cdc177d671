"""The slip: everything about the selected color."""

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.contrast import cut, grade, ratio, ratio_of_luminances, relative_luminance
from heimat.core.color.notation import NOTATIONS, format, oklch_of, rgb8_of
from heimat.core.color.spaces import lightness
from heimat.core.color.wide import p3_luminance, p3_of_bytes, p3_text
from heimat.core.colors_of import standing
from heimat.core.ramps import CHROMA_END, ramps
from heimat.core.resolve import Resolved
from heimat.core.selection import Selection, neutral_ends
from heimat.core.system import ladder_of
from heimat.service.seeing import Eyes, luminance
from heimat.service.view_types import GroundView, SlipView, WideView


def slip_view(resolved: Resolved, selection: Selection, key: str, eyes: Eyes, ground: Bytes) -> SlipView:
    """The slip of a selection, with ramps along lightness, chroma and hue."""
    rgb8 = rgb8_of(selection.color)
    light = float(lightness(relative_luminance(rgb8)))
    chroma = float(oklch_of(selection.color)[1])
    aim = aim_of(resolved, selection)
    _, meant_chroma, turn = aim
    rows = ramps(light, meant_chroma, turn, luminance(ground))
    texts = [(notation, format(selection.color, notation)) for notation in NOTATIONS]
    hue = resolved.system.hues.get(selection.hue or "")
    step = key.partition("/")[2]
    return {
        **eyes.swatch(rgb8),
        "key": key,
        "kind": selection.kind,
        "name": selection.name,
        "role": selection.role,
        "why": selection.why,
        "used_by": selection.used_by,
        "hue": selection.hue,
        "movable_hue": selection.movable_hue,
        "movable_step": selection.movable_step,
        "pinned": selection.kind == "step" and hue is not None and step in hue.pins,
        "nudged": selection.kind == "step" and hue is not None and step in hue.nudges,
        "notations": [{"notation": notation, "text": text} for notation, text in texts if text],
        "grounds": _grounds(resolved, rgb8, eyes),
        "wide": _wide(resolved, selection, eyes),
        "aim": {"lightness": round(aim[0], 4), "chroma": round(meant_chroma, 4), "angle": round(turn, 4) % 360.0},
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


def aim_of(resolved: Resolved, selection: Selection) -> tuple[float, float, float]:
    """L*, chroma and hue that a hue or step is meant to have, which white, gray and the gamut may take away."""
    hue = resolved.system.hues.get(selection.movable_hue or "")
    if hue is None:
        _, chroma, turn = (float(number) for number in oklch_of(selection.color))
        return float(lightness(relative_luminance(rgb8_of(selection.color)))), chroma, turn
    if selection.movable_step is None:
        return standing(resolved.system, hue).aim
    scale, place = resolved.scales[hue.id], ladder_of(resolved.system, hue).index(selection.movable_step) or 0
    light, chroma = float(np.clip(scale.lightness[place], 0.0, 100.0)), float(max(scale.chroma[place], 0.0))
    return light, chroma, float(scale.hue[place]) % 360.0


def _wide(resolved: Resolved, selection: Selection, eyes: Eyes) -> WideView | None:
    """The display-p3 value, with its own contrast on the grounds of the slip."""
    p3 = selection.p3
    if p3 is None:
        return None
    return {
        "text": p3_text(p3),
        "seen": eyes.see_p3(p3),
        "contrasts": [
            {"text": cut(reached), "grade": grade(reached)}
            for _, ground in _named_grounds(resolved)
            for reached in [float(ratio_of_luminances(p3_luminance(p3), p3_luminance(p3_of_bytes(ground))))]
        ],
    }


def _named_grounds(resolved: Resolved) -> list[tuple[str, Bytes]]:
    white, black = np.full(3, 255, dtype=np.uint8), np.zeros(3, dtype=np.uint8)
    return [("white", white), ("black", black), *neutral_ends(resolved)]


def _grounds(resolved: Resolved, rgb8: Bytes, eyes: Eyes) -> list[GroundView]:
    found: list[GroundView] = []
    for name, ground in _named_grounds(resolved):
        reached = float(ratio(rgb8, ground))
        found.append({**eyes.swatch(ground), "name": name, "contrast": {"text": cut(reached), "grade": grade(reached)}})
    return found
