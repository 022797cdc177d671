"""A publication as plain data, and back: what is stored of a release, in every format there was.

Format 1 knew one theme, without its name, and kept the value beside the name. What was released in it is read as a
publication whose only theme has no id. Format 2 knew neither the scheme of a theme, nor usage, nor deprecation. Format
3 knew no palettes, format 4 no contract, format 5 neither outputs nor how the guide is made, format 6 not how palettes
are made. Up to format 7, who asked for a dark scheme and for more contrast got a light theme with more contrast where
there was no dark one: files of what is out keep their bytes.
"""

from typing import Any

from heimat.core.document.guide_settings import Guide
from heimat.core.publication.contract import EMPTY
from heimat.core.publication.publication import (
    UNNAMED,
    Publication,
    PublishedDeprecation,
    PublishedSelection,
    PublishedTheme,
    PublishedToken,
    PublishedValue,
)
from heimat.core.publication.published_outputs import PublishedOutput
from heimat.core.publication.published_palettes import PublishedPalette

FORMAT = 8
_ANY_SCHEME = 7
"""The last format by which more contrast went before the scheme preferred."""


def plain_of(publication: Publication) -> dict[str, Any]:
    """A publication as plain data, which `publication_of` reads. A value that all themes share stands once."""
    found: dict[str, Any] = {
        "format": FORMAT if publication.keeps_scheme else _ANY_SCHEME,
        "name": publication.name,
        "themes": [_plain_theme(theme) for theme in publication.themes],
        "tokens": [_plain_token(token) for token in publication.tokens],
    }
    if publication.selections:
        found["selections"] = [
            {"name": kept.name, "tokens": list(kept.tokens)} for kept in publication.selections
        ]
    if publication.palettes:
        found["palettes"] = [palette.plain() for palette in publication.palettes]
    if publication.contract != EMPTY:
        found["contract"] = publication.contract
    if publication.outputs:
        found["outputs"] = [output.plain() for output in publication.outputs]
    if publication.guide != Guide():
        found["guide"] = publication.guide.model_dump(mode="json")
    return found


def publication_of(data: dict[str, Any]) -> Publication:
    """Read what `plain_of` gave, or a release of an older format."""
    selections = (
        PublishedSelection(kept["name"], tuple(kept["tokens"]))
        for kept in data.get("selections", [])
    )
    if data.get("format", 1) == 1:
        themes: tuple[PublishedTheme, ...] = (PublishedTheme(UNNAMED, ""),)
        tokens = [
            PublishedToken(each["id"], each["name"], {UNNAMED: _value_of_plain(each)}, each["note"])
            for each in data["tokens"]
        ]
    else:
        themes = tuple(_theme_of_plain(theme) for theme in data["themes"])
        tokens = [_token_of_plain(each, themes) for each in data["tokens"]]
    palettes = tuple(PublishedPalette.from_plain(each) for each in data.get("palettes", []))
    contract = data.get("contract", EMPTY)
    outputs = tuple(PublishedOutput.from_plain(each) for each in data.get("outputs", []))
    guide = Guide.model_validate(data.get("guide", {}))
    return Publication(
        data["name"],
        themes,
        tuple(tokens),
        tuple(selections),
        palettes,
        contract,
        outputs,
        guide,
        keeps_scheme=data.get("format", 1) > _ANY_SCHEME,
    )


def _plain_value(value: PublishedValue) -> dict[str, Any]:
    """A value as plain data; what it has not is left out."""
    found: dict[str, Any] = {"hex": value.hex}
    if value.alpha != 1.0:
        found["alpha"] = value.alpha
    if value.alias is not None:
        found["alias"] = value.alias
    if value.p3 is not None:
        found["p3"] = list(value.p3)
    return found


def _value_of_plain(data: dict[str, Any]) -> PublishedValue:
    p3 = data.get("p3")
    return PublishedValue(
        data["hex"], data.get("alpha", 1.0), data.get("alias"), tuple(p3) if p3 else None
    )


def _plain_theme(theme: PublishedTheme) -> dict[str, Any]:
    return {"id": theme.id, "name": theme.name, "scheme": theme.scheme, "contrast": theme.contrast}


def _theme_of_plain(data: dict[str, Any]) -> PublishedTheme:
    return PublishedTheme(
        data["id"], data["name"], data.get("scheme", "light"), data.get("contrast", "usual")
    )


def _plain_token(token: PublishedToken) -> dict[str, Any]:
    found: dict[str, Any] = {"id": token.id, "name": token.name}
    if token.note:
        found["note"] = token.note
    if token.usage:
        found["usage"] = token.usage
    if token.deprecated is not None:
        found["deprecated"] = {
            "replacement": token.deprecated.replacement,
            "reason": token.deprecated.reason,
        }
    values = list(token.values.values())
    if all(value == values[0] for value in values):
        return {**found, "value": _plain_value(values[0])}
    return {
        **found,
        "values": {theme: _plain_value(value) for theme, value in token.values.items()},
    }


def _token_of_plain(data: dict[str, Any], themes: tuple[PublishedTheme, ...]) -> PublishedToken:
    if "value" in data:
        shared = _value_of_plain(data["value"])
        values = {theme.id: shared for theme in themes}
    else:
        values = {theme: _value_of_plain(value) for theme, value in data["values"].items()}
    gone = data.get("deprecated")
    deprecated = PublishedDeprecation(gone["replacement"], gone["reason"]) if gone else None
    return PublishedToken(
        data["id"], data["name"], values, data.get("note", ""), data.get("usage", ""), deprecated
    )
