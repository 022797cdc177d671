"""CSS custom properties (CSS Custom Properties for Cascading Variables, level 1)."""

import re

from heimat.core.document.names import css_name
from heimat.core.publication.publication import Publication, PublishedToken, PublishedValue


def property_name(name: str) -> str:
    """The custom property of a token."""
    return f"--{css_name(name)}"


def _value(value: PublishedValue) -> str:
    if value.alias is not None:
        return f"var({property_name(value.alias)})"
    return value.hex if value.alpha == 1.0 else f"{value.hex}{round(value.alpha * 255):02X}"


def _wide_value(value: PublishedValue) -> str:
    channels = " ".join(f"{part:g}" for part in value.p3 or ())
    return f"color(display-p3 {channels}{'' if value.alpha == 1.0 else f' / {value.alpha:g}'})"


def write(publication: Publication, version: str) -> bytes:
    """A `:root` rule with a property for each token in the first theme, in order; aliases stay references.

    Each further theme has a rule `[data-theme="…"]` with what differs there. Colors beyond sRGB follow for screens
    that show them, in rules behind `@media (color-gamut: p3)`.
    """
    title = publication.name.replace("*/", "* /")
    lines = [f"/* {title} {version} */"]
    for place, (theme, selector) in enumerate(_selectors(publication)):
        differing = _differing(publication, theme) if place else list(publication.tokens)
        lines += _rule(selector, [(token, _value(token.value(theme))) for token in differing], "")
    wide: list[str] = []
    for place, (theme, selector) in enumerate(_selectors(publication)):
        differing = _differing(publication, theme) if place else list(publication.tokens)
        own = [token for token in differing if token.value(theme).p3 is not None and token.value(theme).alias is None]
        wide += _rule(selector, [(token, _wide_value(token.value(theme))) for token in own], "  ")
    if wide:
        lines += ["", "@media (color-gamut: p3) {", *wide, "}"]
    return ("\n".join(lines) + "\n").encode()


def _selectors(publication: Publication) -> list[tuple[str, str]]:
    first, *others = publication.themes
    return [(first.id, ":root"), *((theme.id, f"[data-theme={_string(theme.name)}]") for theme in others)]


def _string(text: str) -> str:
    """A CSS string: quotes and backslashes escaped, and whatever would end a line as its code point."""
    return '"' + re.sub(r'[\x00-\x1f\x7f"\\]', lambda found: f"\\{ord(found[0]):x} ", text) + '"'


def _differing(publication: Publication, theme: str) -> list[PublishedToken]:
    """The tokens that a theme has otherwise than the first one has."""
    first = publication.themes[0].id
    return [token for token in publication.tokens if token.value(theme) != token.value(first)]


def _rule(selector: str, values: list[tuple[PublishedToken, str]], indent: str) -> list[str]:
    if not values:
        return []
    properties = [f"{indent}  {property_name(token.name)}: {value};" for token, value in values]
    return [f"{indent}{selector} {{", *properties, f"{indent}}}"]
