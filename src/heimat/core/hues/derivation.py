"""Derived hues: a color computed from its parent's, in one step; chains are steps one after another."""

from dataclasses import dataclass

from heimat.core.color.angles import around, turn_between
from heimat.core.color.color_text import STRONGEST_CHROMA
from heimat.core.color.exact_color import Color, lightness_of, oklch_of, rgb8_of
from heimat.core.color.overlay import alpha_as_published
from heimat.core.color.solved import GAMUT_LOSS, solved
from heimat.core.color.thresholds import HAS_HUE
from heimat.core.document.hues import DerivedSource, QuantityChange
from heimat.core.memory import remembered
from heimat.core.sources.circles import Circle, hsl_bytes, on_circle

_SAME = 1e-4


@dataclass(frozen=True)
class ResolvedSource:
    """The color that a hue comes to.

    `color` is opaque, `alpha` 0 to 1. `aim` holds the L*, OKLCH chroma and hue that are meant, which white,
    gray and the gamut may take away; `limits` says in words what keeps it from following its parent.
    """

    color: Color
    alpha: float
    aim: tuple[float, float, float]
    limits: tuple[str, ...] = ()


def quantities(source: ResolvedSource, circle: Circle) -> tuple[float, float, float]:
    """Lightness, strength and hue of a source in the units of a circle; a gray has the hue that it remembers."""
    stands = on_circle(source.color, circle, source.aim[2])
    return stands.light, stands.strength, stands.angle


def changed(change: QuantityChange, before: float) -> float:
    """A quantity after a change."""
    if change.how == "shifted":
        return before + change.by
    if change.how == "times":
        return before * change.by
    return change.by if change.how == "set" else before


@remembered(4096)
def derive(parent: ResolvedSource, source: DerivedSource) -> ResolvedSource:
    """One step of a derivation: what a hue comes to that is derived from a resolved parent. Pure."""
    light, strength, turn = quantities(parent, source.circle)
    wanted = changed(source.lightness, light)
    stronger = changed(source.strength, strength)
    turned = around(changed(source.turn, turn))
    alpha = changed(source.alpha, parent.alpha)
    limits = _driven_beyond(source, wanted, stronger, alpha)
    if strength < (HAS_HUE if source.circle == "oklch" else 0.5) and source.strength.how != "set":
        limits.append("its parent is gray, so there is no hue to follow")
    within = min(max(wanted, 0.0), 100.0)
    made = _on_oklch if source.circle == "oklch" else _on_hsl
    color, aim, clipped = made(within, max(stronger, 0.0), turned)
    driven = _driven(parent.color, color)
    limits = [driven] if driven else limits + clipped
    return ResolvedSource(color, alpha_as_published(min(max(alpha, 0.0), 1.0)), aim, tuple(limits))


def _on_oklch(
    light: float, chroma: float, turn: float
) -> tuple[Color, tuple[float, float, float], list[str]]:
    asked = min(chroma, STRONGEST_CHROMA)
    color = solved(light, asked, turn)
    left = float(oklch_of(color)[1])
    lost = asked - left > GAMUT_LOSS
    return (
        color,
        (light, asked, turn),
        [f"clipped: the gamut leaves chroma {left:.3f} of {asked:.3f}"] if lost else [],
    )


def _on_hsl(
    light: float, saturation: float, turn: float
) -> tuple[Color, tuple[float, float, float], list[str]]:
    color = Color.of_bytes(hsl_bytes(turn, saturation, light))
    _, chroma, angle = (float(part) for part in oklch_of(color))
    if chroma < HAS_HUE:
        angle = float(oklch_of(Color(space="hsl", components=(turn, 1.0, 0.5)))[2])
    return color, (lightness_of(color), chroma, around(angle)), []


def _driven_beyond(source: DerivedSource, light: float, strength: float, alpha: float) -> list[str]:
    """What a change drives beyond its range."""
    found = []
    if not -_SAME <= light <= 100.0 + _SAME:
        found.append(f"lightness stops at {0 if light < 0.0 else 100}")
    if strength < -_SAME:
        found.append("driven to gray")
    if source.circle == "hsl" and strength > 100.0 + _SAME:
        found.append("saturation stops at 100 %")
    if not -_SAME <= alpha <= 1.0 + _SAME:
        found.append(f"alpha stops at {0 if alpha < 0.0 else 1}")
    return found


def _driven(parent: Color, color: Color) -> str | None:
    levels = rgb8_of(color)
    for name, level in (("white", 255), ("black", 0)):
        if (levels == level).all() and (rgb8_of(parent) != level).any():
            return f"driven to {name}: it cannot follow any further"
    return None


def aimed_at(
    source: DerivedSource, parent: ResolvedSource, target: tuple[float, float, float]
) -> DerivedSource:
    """The derivation that leads to an L*, an OKLCH chroma and hue, every quantity changed in the way it was before.

    What was kept becomes shifted where it has to; what cannot be reached by multiplying is set.
    """
    if source.circle == "hsl":
        there = on_circle(solved(*target), "hsl", target[2])
        target = (there.light, there.strength, there.angle)
    light, strength, turn = quantities(parent, source.circle)
    return source.model_copy(
        update={
            "lightness": _toward(source.lightness, light, target[0]),
            "strength": _toward(source.strength, strength, target[1]),
            "turn": _turned(source.turn, turn, target[2]),
        }
    )


def _toward(change: QuantityChange, before: float, target: float) -> QuantityChange:
    if abs(changed(change, before) - target) <= _SAME:
        return change
    if change.how == "set" or (change.how == "times" and before <= _SAME):
        return QuantityChange(how="set", by=round(target, 4))
    if change.how == "times":
        return QuantityChange(how="times", by=round(target / before, 4))
    return QuantityChange(how="shifted", by=round(target - before, 4))


def _turned(change: QuantityChange, before: float, target: float) -> QuantityChange:
    off = turn_between(changed(change, before), target)
    if abs(off) <= _SAME * 100.0:
        return change
    if change.how == "set":
        return QuantityChange(how="set", by=round(target % 360.0, 2))
    return QuantityChange(how="shifted", by=round(turn_between(before, target), 2))
