"""CSS custom properties (CSS Custom Properties for Cascading Variables, level 1; Media Queries, level 5)."""

import re
from collections.abc import Callable
from dataclasses import dataclass

from heimat.core.color.hex_notation import hex_with_alpha
from heimat.core.document.names import css_name
from heimat.core.publication.publication import (
    Publication,
    PublishedTheme,
    PublishedToken,
    PublishedValue,
)

_WIDE = "(color-gamut: p3)"
_UNCHOSEN = ":root:not([data-theme])"
"""Where nobody has chosen a theme: there the reader's own preferences decide."""


@dataclass(frozen=True)
class Block:
    """A theme where it holds: a selector, and the media query that it stands in, if any."""

    theme: PublishedTheme
    selector: str
    media: str = ""


def property_name(name: str) -> str:
    """The custom property of a token."""
    return f"--{css_name(name)}"


def write(publication: Publication, version: str) -> bytes:
    """The tokens in every theme, in order; aliases stay references.

    `:root` has all of them in the first theme. A rule `[data-theme="…"]` a theme has all that differ between any two
    themes, with all that stand for such a one: a property that is declared on `:root` would not follow a theme that
    begins further in. Where no theme is chosen, a dark (or light) and a high-contrast theme follow the reader's
    preferences. Colors beyond sRGB follow for screens that show them.
    """
    title = publication.name.replace("*/", "* /")
    varying = _varying(publication)
    lines = [f"/* {title} {version} */"]
    for block in blocks(publication):
        whole = block.selector.startswith(":root,") or len(publication.themes) == 1
        tokens = publication.tokens if whole else varying
        lines += in_media(block.media, _rule(block, tokens, _value, True))
    for block in blocks(publication):
        # In one theme a color may be beyond sRGB that is not in another: each says its own again.
        wide = [
            token
            for token in publication.tokens
            if any(_is_wide(value) for value in token.values.values())
        ]
        media = f"{_WIDE} and {block.media}" if block.media else _WIDE
        lines += in_media(media, _rule(block, wide, _wide_value, False))
    return ("\n".join(lines) + "\n").encode()


def blocks(publication: Publication) -> list[Block]:
    """Where each theme holds, the stronger later: by choice, by the scheme preferred, by the contrast preferred."""
    first, *others = publication.themes
    if not others:
        return [Block(first, ":root")]
    blocks = [Block(first, f":root, {_chosen(first)}")]
    blocks += [Block(theme, _chosen(theme)) for theme in others]
    other_scheme = "light" if first.scheme == "dark" else "dark"
    turned = next(
        (each for each in others if (each.scheme, each.contrast) == (other_scheme, "usual")), None
    )
    if turned is not None:
        blocks.append(Block(turned, _UNCHOSEN, f"(prefers-color-scheme: {other_scheme})"))
    return blocks + _strong_blocks(publication, other_scheme)


def _strong_blocks(publication: Publication, other_scheme: str) -> list[Block]:
    """For who asks for more contrast: within the scheme asked for, where the publication keeps it."""
    first, *others = publication.themes
    strong = [theme for theme in publication.themes if theme.contrast == "more"]
    same = next((theme for theme in strong if theme.scheme == first.scheme), None)
    turned = next((theme for theme in strong if theme.scheme == other_scheme), None)
    more = "(prefers-contrast: more)"
    in_other = f"{more} and (prefers-color-scheme: {other_scheme})"
    found = []
    plainly = same or (None if publication.keeps_scheme else turned)
    if plainly is not None and plainly is not first:
        there = publication.keeps_scheme and any(theme.scheme == other_scheme for theme in others)
        media = f"{more} and (prefers-color-scheme: {first.scheme})" if there else more
        found.append(Block(plainly, _UNCHOSEN, media))
    if turned is not None and turned is not plainly:
        found.append(Block(turned, _UNCHOSEN, in_other))
    return found


def _chosen(theme: PublishedTheme) -> str:
    return f"[data-theme={_string(theme.name)}]"


def _string(text: str) -> str:
    """A CSS string: quotes and backslashes escaped, and whatever would end a line as its code point."""
    return '"' + re.sub(r'[\x00-\x1f\x7f"\\]', lambda found: f"\\{ord(found[0]):x} ", text) + '"'


def _varying(publication: Publication) -> list[PublishedToken]:
    """The tokens that differ between any two themes, and those that stand for such a one, in order."""
    by_name = {token.name: token for token in publication.tokens}

    def varies(token: PublishedToken, passed: frozenset[str] = frozenset()) -> bool:
        values = list(token.values.values())
        if any(value != values[0] for value in values):
            return True
        target = by_name.get(values[0].alias or "")
        return (
            target is not None
            and target.name not in passed
            and varies(target, passed | {token.name})
        )

    return [token for token in publication.tokens if varies(token)]


def _rule(
    block: Block,
    tokens: "list[PublishedToken] | tuple[PublishedToken, ...]",
    write_value: Callable[[PublishedValue], str],
    scheme: bool,
) -> list[str]:
    lines = [
        f"  {property_name(each.name)}: {write_value(each.value(block.theme.id))};"
        for each in tokens
    ]
    if not lines:
        return []
    own = [f"  color-scheme: {block.theme.scheme};"] if scheme and block.theme.name else []
    return [f"{block.selector} {{", *own, *lines, "}"]


def in_media(media: str, rule: list[str]) -> list[str]:
    """A rule, inside a media query where there is one."""
    if not media or not rule:
        return rule
    return ["", f"@media {media} {{", *(f"  {line}" for line in rule), "}"]


def _value(value: PublishedValue) -> str:
    if value.alias is not None:
        return f"var({property_name(value.alias)})"
    return hex_with_alpha(value.hex, value.alpha)


def _is_wide(value: PublishedValue) -> bool:
    return value.p3 is not None and value.alias is None


def _wide_value(value: PublishedValue) -> str:
    if value.p3 is None or value.alias is not None:
        return _value(value)
    channels = " ".join(f"{part:g}" for part in value.p3)
    return f"color(display-p3 {channels}{'' if value.alpha == 1.0 else f' / {value.alpha:g}'})"
