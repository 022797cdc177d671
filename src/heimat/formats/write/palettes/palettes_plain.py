"""Palettes as JSON: colors, labels, stops and what they stand for, in every theme, with lines ready to paste."""

import json
from collections.abc import Mapping
from typing import Any

from heimat.core.document.palette_making import PaletteMaking
from heimat.core.publication.publication import Publication
from heimat.formats.write.palettes.palette_words import identifiers, theme_words


def write(publication: Publication, version: str) -> bytes:
    """All palettes. Between stops one interpolates in gamma-encoded sRGB."""
    words, names = theme_words(publication), identifiers(publication)
    palettes = []
    for palette in publication.palettes:
        name = names[palette.id]
        continuous = palette.kind != "categorical"
        palettes.append(
            {
                "name": palette.name,
                "kind": palette.kind,
                "note": palette.note,
                "categories": list(palette.categories),
                "middle": palette.middle,
                "ends": list(palette.ends),
                "breaks": list(palette.breaks),
                "interpolation": "srgb" if continuous else None,
                "colors": {
                    words[theme]: list(each)
                    for theme, each in palette.colors.items()
                    if theme in words
                },
                "labels": {
                    words[theme]: list(each)
                    for theme, each in palette.labels.items()
                    if theme in words
                },
                "stops": {
                    words[theme]: list(each)
                    for theme, each in palette.stops.items()
                    if theme in words
                },
                "others": {
                    words[theme]: each for theme, each in palette.others.items() if theme in words
                },
                "told by": list(palette.told_by),
                "use": _lines(name, words[publication.themes[0].id], continuous),
                **({"made": _made(palette.made, words)} if palette.made else {}),
            }
        )
    content = {"name": publication.name, "version": version, "palettes": palettes}
    return (json.dumps(content, indent=2, ensure_ascii=False) + "\n").encode()


def _made(made: PaletteMaking, words: Mapping[str, str]) -> dict[str, Any]:
    """How a palette is made, themes by their words."""
    shaded = {words[theme]: places for theme, places in made.shaded.items() if theme in words}
    bound = tuple(
        each.model_copy(update={"theme": words[each.theme]})
        for each in made.bound
        if each.theme in words
    )
    grounds = {words[theme]: ground for theme, ground in made.grounds.items() if theme in words}
    named = made.model_copy(update={"shaded": shaded, "bound": bound, "grounds": grounds})
    return named.model_dump(mode="json", exclude_defaults=True)


def _lines(name: str, theme: str, continuous: bool) -> dict[str, str]:
    """Lines ready to paste, for discrete and for continuous use."""
    found = {
        "d3": f'scaleOrdinal(palettes["{name}"]["{theme}"].colors)',
        "matplotlib": f'plt.rcParams["axes.prop_cycle"] = cycler(color=PALETTES["{name}"]["{theme}"]["colors"])',
    }
    if continuous:
        found |= {
            "d3 continuous": f'scaleSequential(interpolate["{name}"]["{theme}"])',
            "matplotlib continuous": f'plt.imshow(data, cmap=colormap("{name}", "{theme}"))',
        }
    return found
