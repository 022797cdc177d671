"""From hues of a document to their finished scales.

A scale is a pure function of a few values, and while one hue is moved the others stay as they are; so the last scales
made are remembered, and only those that are new are made.
"""

from collections.abc import Sequence

from heimat.core.color.exact_color import rgb8_of
from heimat.core.document.hues import Hue
from heimat.core.document.system import ColorSystem, curves_of, ladder_of, method_of
from heimat.core.hues.source import resolve_source, source_color
from heimat.core.memory import Memory
from heimat.core.scales.generate import Scale, ScaleRequest, generate


class _Key:
    """Everything that the scale of a hue depends on. Its hash is made once: it goes through whole models."""

    __slots__ = ("_hash", "_parts")

    def __init__(self, system: ColorSystem, hue: Hue) -> None:
        self._parts = (
            source_color(system, hue),
            ladder_of(system, hue),
            hue.anchor,
            hue.kind == "neutral",
            tuple(sorted(hue.pins.items())),
            hue.smooth,
            tuple(sorted(hue.nudges.items())),
            method_of(system, hue),
            curves_of(system, hue),
            system.generator,
        )
        self._hash = hash(self._parts)

    def __hash__(self) -> int:
        return self._hash

    def __eq__(self, other: object) -> bool:
        return isinstance(other, _Key) and self._parts == other._parts


def stays(before: ColorSystem, after: ColorSystem, hue_id: str) -> bool:
    """Whether all that is published of a hue's scale is in another document as it is in this one, but for its name."""
    if hue_id not in after.hues:
        return False
    one, other = before.hues[hue_id], after.hues[hue_id]
    same = (
        one.wide == other.wide
        and resolve_source(before, one).alpha == resolve_source(after, other).alpha
    )
    return same and _Key(before, one) == _Key(after, other)


_SCALES: Memory[_Key, Scale] = Memory("scales", 4096)
"""The last scales made, by everything that they depend on."""


def request_of(system: ColorSystem, hue: Hue) -> ScaleRequest:
    """What the scale of a hue is made from."""
    ladder = ladder_of(system, hue)
    method = method_of(system, hue)
    places = {step: place for place, step in enumerate(ladder.ids())}
    return ScaleRequest(
        source=source_color(system, hue),
        lightness=ladder.lightness(),
        anchor=hue.anchor.mode,
        fixed=places.get(hue.anchor.step) if hue.anchor.step else None,
        neutral=hue.kind == "neutral",
        pins={places[step]: rgb8_of(color) for step, color in hue.pins.items()},
        smooth=hue.smooth,
        nudges={places[step]: nudge.values() for step, nudge in hue.nudges.items()},
        method=method,
        # A value typed for a step that this ladder lacks waits for a ladder that has it.
        typed={places[typed.step]: typed.value for typed in method.typed() if typed.step in places},
        stops={places[stop.step]: stop.color for stop in method.ends.stops if stop.step in places},
        curves=curves_of(system, hue),
        between=frozenset(place for place, step in enumerate(ladder.steps) if step.between),
    )


def scales_of(system: ColorSystem, hues: Sequence[Hue]) -> list[Scale]:
    """The scales of some hues of a document, in the order given, made by the document's own generator.

    Their 8-bit values are shared and cannot be written to.
    """
    keys = [_Key(system, hue) for hue in hues]
    known = _SCALES.known(keys)
    missing = {key: hue for key, hue in zip(keys, hues, strict=True) if key not in known}
    made = generate([request_of(system, hue) for hue in missing.values()], system.generator)
    for scale in made:
        scale.rgb8.setflags(write=False)
    new = dict(zip(missing, made, strict=True))
    _SCALES.keep(new)
    known |= new
    return [known[key] for key in keys]
