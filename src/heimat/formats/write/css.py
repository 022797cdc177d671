"""CSS custom properties (CSS Custom Properties for Cascading Variables, level 1)."""

from heimat.core.publication import Publication, PublishedToken
from heimat.core.tokens.names import css_name


def property_name(name: str) -> str:
    """The custom property of a token."""
    return f"--{css_name(name)}"


def _value(token: PublishedToken) -> str:
    if token.alias is not None:
        return f"var({property_name(token.alias)})"
    return token.hex if token.alpha == 1.0 else f"{token.hex}{round(token.alpha * 255):02X}"


def write(publication: Publication, version: str) -> bytes:
    """One `:root` rule with a property for each token, in the designer's order; aliases stay references.

    Colors beyond sRGB follow for screens that show them, in a second rule behind `@media (color-gamut: p3)`.
    """
    title = publication.name.replace("*/", "* /")
    lines = [f"/* {title} {version} */", ":root {"]
    lines += [f"  {property_name(token.name)}: {_value(token)};" for token in publication.tokens]
    lines.append("}")
    wide = [token for token in publication.tokens if token.p3 is not None and token.alias is None]
    if wide:
        lines += ["", "@media (color-gamut: p3) {", "  :root {"]
        lines += [f"    {property_name(token.name)}: {_wide_value(token)};" for token in wide]
        lines += ["  }", "}"]
    return ("\n".join(lines) + "\n").encode()


def _wide_value(token: PublishedToken) -> str:
    channels = " ".join(f"{part:g}" for part in token.p3 or ())
    return f"color(display-p3 {channels}{'' if token.alpha == 1.0 else f' / {token.alpha:g}'})"
