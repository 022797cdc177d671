"""Outputs as they are planned: which names have what, what is missing, what is left over, what stands where."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.document.order import in_order
from heimat.core.document.outputs import NamedOutput, PlacedOutput
from heimat.core.publication.published_outputs import (
    file_of,
    plan_names,
    plan_places,
    published_outputs,
)
from heimat.view.eyes import SwatchView
from heimat.view.look import Look


class PublishedColorView(TypedDict):
    """What is published, by its id: its name, and its color in the theme that is looked at."""

    id: str
    name: str
    swatch: SwatchView


class OutputView(TypedDict):
    """An output as it is kept, with what it comes to.

    `file` is what its file is called. `given` are how many names go out, `gaps` the names that nothing goes out under,
    `left` how many tokens have no name; `places` are the ids that stand in each place, None in empty ones, `beyond`
    those that find none.
    """

    names: NamedOutput | None
    placed: PlacedOutput | None
    file: str
    given: int
    gaps: list[str]
    left: int
    places: list[str | None]
    beyond: list[str]


class OutputsPart(TypedDict):
    """All outputs, and everything that can go out in them."""

    colors: list[PublishedColorView]
    outputs: list[OutputView]


def outputs_part(look: Look) -> OutputsPart:
    """The outputs of a system, in order."""
    published = look.would_leave
    tokens = published.with_palettes()
    theme = look.theme.theme.id if look.theme else published.themes[0].id
    levels = [list(bytes.fromhex(token.value(theme).hex[1:])) for token in tokens]
    swatches = look.eyes.swatches(np.array(levels, dtype=np.uint8).reshape(-1, 3))
    found: list[OutputView] = []
    for output, out in zip(
        in_order(look.system.outputs), published_outputs(look.system, tokens), strict=True
    ):
        view: OutputView = {
            "names": None,
            "placed": None,
            "file": file_of(out),
            "given": len(out.names),
            "gaps": [],
            "left": 0,
            "places": [],
            "beyond": [],
        }
        if isinstance(output, NamedOutput):
            plan = plan_names(output, tokens)
            view |= {"names": output, "gaps": list(plan.gaps), "left": len(plan.left)}
        else:
            places = plan_places(output, tokens)
            view |= {
                "placed": output,
                "places": [of for _, of in places.places],
                "beyond": list(places.beyond),
            }
        found.append(view)
    colors: list[PublishedColorView] = [
        {"id": token.id, "name": token.name, "swatch": swatch}
        for token, swatch in zip(tokens, swatches, strict=True)
    ]
    return {"colors": colors, "outputs": found}
