"""The hues: what Sources shows of each, and what other stages need to know of them."""

from collections import Counter
from typing import Literal

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.arrays import Bytes
from heimat.core.color.ciede2000 import TOLD_APART, distance_text
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.nearness import differences
from heimat.core.color.overlay import solid
from heimat.core.color.told_apart import distances
from heimat.core.document.following import followers
from heimat.core.document.hues import DerivedSource, GivenSource, HueKind, QuantityChange
from heimat.core.document.names import css_name, scale_token_name
from heimat.core.document.words import listed
from heimat.core.edits.source_edits import following_words
from heimat.core.hues.scaling import scales_of
from heimat.core.memory import remembered
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.scales.anchors import AnchorMode
from heimat.core.scales.methods import MethodName
from heimat.core.sources.circles import Circle
from heimat.core.sources.conventions import Status
from heimat.view.eyes import Eyes, SwatchView
from heimat.view.figures import ExactColor, color_text, exact_color
from heimat.view.look import Look


class QuantityChangeView(TypedDict):
    """What a derived hue does with one quantity of its parent."""

    how: Literal["kept", "shifted", "times", "set"]
    by: float


class FollowingView(TypedDict):
    """How a hue follows its parent: as the edit `follow_hue` takes it, in words, and what keeps it from following.

    For a tint, lightness and strength are set, and the hue is kept.
    """

    kind: Literal["tinted", "derived"]
    hue: str
    name: str
    circle: Circle
    lightness: QuantityChangeView
    strength: QuantityChangeView
    turn: QuantityChangeView
    alpha: QuantityChangeView
    words: str
    limits: list[str]


class PinView(SwatchView):
    """A step changed by hand, pinned or nudged: what would be generated there, and the CIEDE2000 between the two."""

    kind: Literal["pinned", "nudged"]
    step: str
    label: str
    generated: SwatchView
    distance: str


class HueView(SwatchView):
    """A hue without its scale; `text` is its exact color in the notation asked for, `exact` as an edit takes it.

    `remembers` is the OKLCH hue in degrees that is meant, where white, gray or the gamut takes it away.
    `followed_by` names the hues that follow it directly, `goes_along` all that do so in chains as well.
    `code` is what its first step is called in CSS, where that has other signs than the name; else empty.
    `wide_steps` counts the steps with a display-p3 value of their own, `tokens_on` the tokens in the theme shown.
    """

    key: str
    id: str
    name: str
    code: str
    text: str
    exact: ExactColor
    kind: HueKind
    status: Status | None
    note: str
    alpha: float
    remembers: float
    on_white: str
    on_black: str
    follows: FollowingView | None
    followed_by: str
    goes_along: str
    pins: list[PinView]
    smooth: bool
    ladder: str | None
    step_count: int
    method: MethodName
    own_method: bool
    own_curves: bool
    held: bool
    wide: bool | None
    wide_steps: int
    anchor_mode: AnchorMode
    anchor_step: str | None
    tokens_on: int


class StatusPart(TypedDict):
    """How many pairs of status hues some eyes cannot tell apart by the hues' own colors."""

    confusable: int


_KEPT: QuantityChangeView = {"how": "kept", "by": 0.0}
_GROUNDS = np.array([[255, 255, 255], [0, 0, 0]], dtype=np.uint8)


def hues_part(look: Look) -> list[HueView]:
    """All hues, in order."""
    resolved, eyes = look.resolved, look.eyes
    hues = resolved.hue_list
    own = eyes.swatches(np.array([hue.scale.source8 for hue in hues]).reshape(-1, 3))
    shown = look.theme.tokens if look.theme else {}
    tokens_on = Counter(color.hue for color in shown.values() if color.hue)
    direct, every = followers(look.system)
    found: list[HueView] = []
    for hue, source in zip(hues, own, strict=True):
        known = hue.hue
        on_white, on_black = _on_grounds(hue, eyes)
        found.append(
            {
                **source,
                "key": hue.key,
                "id": hue.id,
                "name": hue.name,
                "code": _in_code(look, hue),
                "text": color_text(hue.color, look.options.notation),
                "exact": exact_color(hue.color),
                "kind": known.kind,
                "status": known.status,
                "note": known.note,
                "alpha": hue.source.alpha,
                "remembers": hue.source.aim[2],
                "on_white": on_white,
                "on_black": on_black,
                "follows": _following(resolved, hue),
                "followed_by": listed(direct[hue.id]),
                "goes_along": listed(every[hue.id]),
                "pins": _pins(resolved, hue, eyes),
                "smooth": known.smooth,
                "anchor_mode": known.anchor.mode,
                "anchor_step": known.anchor.step,
                "ladder": known.ladder.name if known.ladder else None,
                "step_count": len(hue.ladder.steps),
                "method": hue.method.name,
                "own_method": known.method is not None,
                "own_curves": known.curves is not None,
                "held": known.held,
                "wide": known.wide,
                "wide_steps": 0 if hue.p3 is None else int((~np.isnan(hue.p3[:, 0])).sum()),
                "tokens_on": tokens_on[hue.id],
            }
        )
    return found


def _in_code(look: Look, hue: ResolvedHue) -> str:
    """What the first step of a hue is called in CSS, where its name has signs that code writes otherwise."""
    if css_name(hue.name) == hue.name:
        return ""
    label = hue.ladder.labels()[0]
    return css_name(
        scale_token_name(look.system.scale_pattern, hue.name, label, look.system.scale_case)
    )


def _following(resolved: Resolved, hue: ResolvedHue) -> FollowingView | None:
    """How a hue follows its parent; None where its color is given."""
    source = hue.hue.source
    if isinstance(source, GivenSource):
        return None
    parent, words = resolved.hues[source.hue].name, following_words(resolved.system, source)
    if isinstance(source, DerivedSource):
        return {
            "kind": "derived",
            "hue": source.hue,
            "name": parent,
            "words": words,
            "circle": source.circle,
            "lightness": _change(source.lightness),
            "strength": _change(source.strength),
            "turn": _change(source.turn),
            "alpha": _change(source.alpha),
            "limits": list(hue.source.limits),
        }
    return {
        "kind": "tinted",
        "hue": source.hue,
        "name": parent,
        "words": words,
        "circle": "oklch",
        "lightness": {"how": "set", "by": source.lightness},
        "strength": {"how": "set", "by": source.chroma},
        "turn": _KEPT,
        "alpha": _KEPT,
        "limits": [],
    }


def _change(change: QuantityChange) -> QuantityChangeView:
    return {"how": change.how, "by": change.by}


def _pins(resolved: Resolved, hue: ResolvedHue, eyes: Eyes) -> list[PinView]:
    """The pinned and nudged steps of a hue from light to dark, each beside what would be generated in its place."""
    pins, nudges = hue.hue.pins, hue.hue.nudges
    if not pins and not nudges:
        return []
    generated = scales_of(resolved.system, [hue.hue.model_copy(update={"pins": {}, "nudges": {}})])[
        0
    ].rgb8
    return [
        {
            **eyes.swatch(np.asarray(hue.rgb8[place])),
            "kind": "pinned" if step.id in pins else "nudged",
            "step": step.id,
            "label": step.label,
            "generated": eyes.swatch(np.asarray(generated[place])),
            "distance": distance_text(
                float(differences(hue.rgb8[place][None], generated[place][None])[0, 0])
            ),
        }
        for place, step in enumerate(hue.steps)
        if step.id in pins or step.id in nudges
    ]


def _on_grounds(hue: ResolvedHue, eyes: Eyes) -> tuple[str, str]:
    """A hue's own color, of its alpha, composited on white and on black, as seen."""
    white, black = eyes.see(solid(hue.scale.source8, hue.source.alpha, _GROUNDS))
    return hex_of(white), hex_of(black)


def status_part(look: Look) -> StatusPart:
    """How many pairs of status hues come too close."""
    own = [hue.scale.source8 for hue in look.resolved.hue_list if hue.hue.status]
    return {"confusable": _confusable(np.array(own, dtype=np.uint8).tobytes())}


@remembered(64)
def _confusable(levels: bytes) -> int:
    rgb8: Bytes = np.frombuffer(levels, dtype=np.uint8).reshape(-1, 3)
    return sum(pair.least < TOLD_APART for pair in distances(rgb8, TOLD_APART))
