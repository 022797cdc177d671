"""Palettes as they leave: their colors in every theme, labels that read on them, and stops of what is continuous."""

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from typing import Any

import numpy as np

from heimat.core.charts.delivered import DESIGNED, stops_of
from heimat.core.charts.suitability import PaletteKind
from heimat.core.color.arrays import Bytes
from heimat.core.color.contrast import label_on
from heimat.core.color.hex_notation import hex_of, hexes_of
from heimat.core.document.names import css_name
from heimat.core.document.palette_making import PaletteMaking
from heimat.core.document.palettes import Categorical, Diverging
from heimat.core.memory import remembered
from heimat.core.publication.published_making import bound_tokens, making
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_palettes import ResolvedPalette, class_colors, design_of

_REMEMBERED = 512


@dataclass(frozen=True)
class PublishedPalette:
    """A palette: by the id of each theme its colors, the label color on each, and its stops, none by category.

    `categories` are what the colors stand for; `middle` is the value in the middle of a diverging one, `ends` what its
    ends mean, `breaks` the limits of its classes where they are typed. `grounds` are what it stands on, `others` what
    is drawn beside its colors by role, `told_by` what tells them apart besides color, `made` how it is made, with the
    ids of themes.
    """

    id: str
    name: str
    kind: PaletteKind
    colors: dict[str, tuple[str, ...]]
    labels: dict[str, tuple[str, ...]]
    stops: dict[str, tuple[str, ...]]
    categories: tuple[str, ...] = ()
    middle: float | None = None
    ends: tuple[str, str] = ("", "")
    breaks: tuple[float, ...] = ()
    note: str = ""
    grounds: dict[str, str] = field(default_factory=dict)
    others: dict[str, dict[str, str]] = field(default_factory=dict)
    told_by: tuple[str, ...] = ()
    made: PaletteMaking | None = None

    def plain(self) -> dict[str, Any]:
        """The palette as plain data, which `from_plain` reads."""
        made = {"made": self.made.model_dump(mode="json")} if self.made else {}
        return {
            "id": self.id,
            "name": self.name,
            "kind": self.kind,
            "colors": {theme: list(each) for theme, each in self.colors.items()},
            "labels": {theme: list(each) for theme, each in self.labels.items()},
            "stops": {theme: list(each) for theme, each in self.stops.items()},
            "categories": list(self.categories),
            "middle": self.middle,
            "ends": list(self.ends),
            "breaks": list(self.breaks),
            "note": self.note,
            "grounds": self.grounds,
            "others": self.others,
            "told_by": list(self.told_by),
            **made,
        }

    @classmethod
    def from_plain(cls, data: dict[str, Any]) -> "PublishedPalette":
        """Read what `plain` gave."""
        colors, labels, stops = (
            {theme: tuple(each) for theme, each in data[name].items()}
            for name in ("colors", "labels", "stops")
        )
        low, high = data["ends"]
        return cls(
            data["id"],
            data["name"],
            data["kind"],
            colors,
            labels,
            stops,
            tuple(data["categories"]),
            data["middle"],
            (low, high),
            tuple(data["breaks"]),
            data["note"],
            data.get("grounds", {}),
            data.get("others", {}),
            tuple(data.get("told_by", ())),
            PaletteMaking.model_validate(data["made"]) if "made" in data else None,
        )


def published_palettes(resolved: Resolved, names: Mapping[str, str]) -> list[PublishedPalette]:
    """All palettes of a resolved document, in order; `names` are those of published tokens by their ids."""
    bound = bound_tokens(resolved, names) if resolved.palettes else {}
    return [
        replace(_published(shown, with_stops=True), made=making(resolved, shown, names, bound))
        for shown in _by_theme(resolved)
    ]


def palettes_by_color(resolved: Resolved) -> list[PublishedPalette]:
    """All palettes, in order, without the stops of continuous ones and how they are made: so they are soon there."""
    return [_published(shown, with_stops=False) for shown in _by_theme(resolved)]


def _by_theme(resolved: Resolved) -> list[dict[str, ResolvedPalette]]:
    """Each palette as it is in every theme, by the theme's id."""
    first = next(iter(resolved.palettes.values()), [])
    return [
        {theme: shown[place] for theme, shown in resolved.palettes.items()}
        for place in range(len(first))
    ]


def published_colors(resolved: Resolved) -> dict[str, dict[str, Bytes]]:
    """By the id of each theme, the colors (3,) of palettes by the names of their custom properties."""
    return {
        theme: {
            f"chart-{css_name(shown.palette.name)}-{number}": rgb8
            for shown in palettes
            for number, rgb8 in enumerate(class_colors(shown), start=1)
        }
        for theme, palettes in resolved.palettes.items()
    }


@remembered(_REMEMBERED)
def _written(levels: bytes) -> tuple[tuple[str, ...], tuple[str, ...]]:
    """Colors, and the label that reads best on each, as they leave."""
    rgb8 = np.frombuffer(levels, dtype=np.uint8).reshape(-1, 3)
    return tuple(hexes_of(rgb8)), tuple(
        "#000000" if black else "#FFFFFF" for black in label_on(rgb8)[0]
    )


def _published(by_theme: Mapping[str, ResolvedPalette], *, with_stops: bool) -> PublishedPalette:
    palette = next(iter(by_theme.values())).palette
    make = palette.make
    colors, labels, stops = {}, {}, {}
    grounds: dict[str, str] = {}
    others: dict[str, dict[str, str]] = {}
    for key, shown in by_theme.items():
        design = design_of(shown, DESIGNED) if with_stops else None
        rgb8 = class_colors(shown)
        grounds[key] = hex_of(shown.ground8)
        others[key] = {role: hex_of(each) for role, each in shown.others.items()}
        if design is not None:
            through = stops_of(design)
            stops[key] = tuple(hexes_of(through))
        colors[key], labels[key] = _written(rgb8.tobytes())
    diverging = make if isinstance(make, Diverging) else None
    return PublishedPalette(
        id=palette.id,
        name=palette.name,
        kind=make.kind,
        colors=colors,
        labels=labels,
        stops=stops,
        categories=tuple(each.category for each in make.colors)
        if isinstance(make, Categorical)
        else (),
        middle=diverging.middle if diverging else None,
        ends=(diverging.low_words, diverging.high_words) if diverging else ("", ""),
        breaks=() if isinstance(make, Categorical) else make.typed,
        note=palette.note,
        grounds=grounds,
        others=others,
        told_by=make.told_by if isinstance(make, Categorical) else (),
    )
