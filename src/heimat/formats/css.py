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
    """One `:root` rule with a property for each token, in the designer's order; aliases stay references."""
    title = publication.name.replace("*/", "* /")
    lines = [f"/* {title} {version} */", ":root {"]
    lines += [f"  {property_name(token.name)}: {_value(token)};" for token in publication.tokens]
    return ("\n".join([*lines, "}"]) + "\n").encode()
