"""Looking at a document as the page does, in all parts or in some."""

from collections.abc import Iterable

import orjson

from heimat.core.document.system import ColorSystem
from heimat.core.publication.publication import Publication
from heimat.core.resolve.resolved import resolve
from heimat.view.look import Look, LookOptions, Where
from heimat.view.parts import PART_NAMES, PartName, Parts, parts_of


def look_at(
    system: ColorSystem,
    names: Iterable[PartName] = PART_NAMES,
    published: Publication | None = None,
    **options,
) -> Parts:
    """The parts of an answer as they leave, encoded and decoded."""
    place = Where("brinemark", 1, "1.0.0" if published else None, published)
    found = parts_of(Look(resolve(system), place, LookOptions(**options)), names)
    return orjson.loads(orjson.dumps(found, lambda model: model.model_dump(mode="json")))


def all_steps(parts: Parts) -> list[dict]:
    """Every step of every scale."""
    return [step for scale in parts["scales"] for step in scale["steps"]]


def steps_of(parts: Parts, hue: str) -> list[dict]:
    """The steps of one scale."""
    return next(scale["steps"] for scale in parts["scales"] if scale["hue"] == hue)
