"""What a system would take from another's release: hues as they were published, and the tokens that stand on them."""

from collections.abc import Iterable
from dataclasses import dataclass, replace

from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.document.aliases import follow, ways_of
from heimat.core.document.hues import GivenSource, Hue
from heimat.core.document.names import css_name
from heimat.core.document.order import in_order
from heimat.core.document.resting import RestsOn
from heimat.core.document.system import ColorSystem, ladder_of
from heimat.core.document.themes import Theme
from heimat.core.document.tokens import (
    Deprecation,
    HueAlias,
    LiteralColor,
    StepAlias,
    Token,
    TokenAlias,
    TokenValue,
)
from heimat.core.edits.resting_edits import RestOn
from heimat.core.errors import DomainError
from heimat.core.hues.source import source_color
from heimat.core.publication.contract import EMPTY
from heimat.core.publication.publication import (
    Publication,
    PublishedTheme,
    PublishedToken,
    PublishedValue,
)
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.curves import Curves
from heimat.core.scales.ladder import LEAST_STEPS, LONGEST_LADDER_NAME, Ladder
from heimat.core.scales.methods import Method
from heimat.core.scales.wide_twins import literal_p3

_LONGEST_ID = 40
_PLACEHOLDER = "a"
"""An order key: what is taken gets its own where it comes to stand."""


@dataclass(frozen=True)
class Release:
    """A release of another system: where it is, its version, what it was made of and what it published."""

    address: str
    version: str
    document: ColorSystem
    content: Publication


@dataclass(frozen=True)
class Taking:
    """The edit that takes it, and the names that this system says itself, which stay."""

    edit: RestOn
    own: tuple[str, ...]


def offered(release: Release) -> list[Hue]:
    """The hues of a release of which a scale can be taken, in order."""
    counts: dict[str, int] = {}
    for token in release.content.tokens:
        hue, slash, _ = token.id.partition("/")
        opaque = all(value.alpha == 1.0 for value in token.values.values())
        counts[hue] = counts.get(hue, 0) + (1 if slash and opaque else 0)
    return [hue for hue in in_order(release.document.hues) if counts.get(hue.id, 0) >= LEAST_STEPS]


def part_of(system: ColorSystem, release: Release, hues: Iterable[str]) -> Publication:
    """What a system takes of a release with some hues: their scales, what stands on no other, in its own themes."""
    chosen = set(hues)
    standing = {token.id for token in _standing(release, chosen)}
    used = {_theme_for(theme, release.content.themes).id for theme in system.themes.values()}
    themes = tuple(theme for theme in release.content.themes if theme.id in used)
    kept = tuple(
        replace(token, values={theme.id: token.value(theme.id) for theme in themes})
        for token in release.content.tokens
        if token.id in standing or token.id.partition("/")[0] in chosen
    )
    return replace(
        release.content,
        themes=themes,
        tokens=kept,
        selections=(),
        palettes=(),
        contract=EMPTY,
        outputs=(),
    )


def taking(system: ColorSystem, release: Release, chosen: Iterable[str]) -> Taking:
    """What a system takes of some hues of a release, by their ids there.

    Raises DomainError (field `hues`) for hues that are not offered, and where a hue here is called as one of them.
    """
    if not system.themes:
        words = "This system has no theme yet, in which tokens could have values. Add one first."
        raise DomainError(words, "hues", "themes")
    there = {hue.id: hue for hue in offered(release)}
    wanted = list(dict.fromkeys(chosen))
    if not wanted or any(each not in there for each in wanted):
        raise DomainError(
            "Choose at least one of the hues whose scales are published there.", "hues", "missing"
        )
    known = system.rests_on
    hue_ids = _ids(wanted, known.hues if known else {}, system.hues)
    hues = tuple(_hue(release, there[each], hue_ids[each]) for each in wanted)
    _refuse_namesakes(system, hues, set(known.hues if known else ()))
    tokens, own = _tokens(system, release, hue_ids)
    rests_on = RestsOn(
        address=release.address,
        name=release.content.name,
        version=release.version,
        chosen=tuple(wanted),
        hues={here: each for each, here in hue_ids.items()},
        tokens={token.id: original for original, token in tokens.items()},
    )
    return Taking(RestOn(rests_on=rests_on, hues=hues, tokens=tuple(tokens.values())), own)


def _ids(wanted: Iterable[str], known: dict[str, str], taken: Iterable[str]) -> dict[str, str]:
    """Ids here by those there: the ones they have already, else their own, or the first like it that is free."""
    before = {there: here for here, there in known.items()}
    used = set(taken) | set(before.values())
    found: dict[str, str] = {}
    for each in wanted:
        here = before.get(each) or each
        number = 1
        while each not in before and here in used:
            number += 1
            here = f"{each[: _LONGEST_ID - 4]}-{number}"
        used.add(here)
        found[each] = here
    return found


def _hue(release: Release, hue: Hue, here: str) -> Hue:
    """A hue as it was published: every step pinned, and nothing left to be generated otherwise."""
    values = {
        token.id.partition("/")[2]: _color(next(iter(token.values.values())))
        for token in release.content.tokens
        if token.id.startswith(f"{hue.id}/")
    }
    steps = [step for step in ladder_of(release.document, hue).steps if step.id in values]
    ends = (steps[0].id, steps[-1].id)
    ladder = Ladder(
        name=release.content.name[:LONGEST_LADDER_NAME],
        steps=tuple(
            step.model_copy(
                update={"internal": False, "between": step.between and step.id not in ends}
            )
            for step in steps
        ),
    )
    own = source_color(release.document, hue)
    published = {hex_of(rgb8_of(color)) for color in values.values()}
    color = own if hex_of(rgb8_of(own)) in published else values[steps[len(steps) // 2].id]
    return Hue(
        id=here,
        order=_PLACEHOLDER,
        name=hue.name,
        kind=hue.kind,
        status=hue.status,
        source=GivenSource(color=color),
        anchor=Anchor(mode="guide"),
        ladder=ladder,
        method=Method(),
        curves=Curves(),
        pins={step.id: values[step.id] for step in steps},
        note=f"Taken from {release.content.name} {release.version}.",
    )


def _color(value: PublishedValue) -> Color:
    """A published value: beyond sRGB where that comes to the very same in both gamuts, else as sRGB has it."""
    plain = parse(value.hex)
    if value.p3 is None:
        return plain
    wide = parse("color(display-p3 {} {} {})".format(*value.p3))
    p3 = literal_p3(wide)
    same = p3 is not None and tuple(p3.tolist()) == value.p3 and hex_of(rgb8_of(wide)) == value.hex
    return wide if same else plain


def _refuse_namesakes(system: ColorSystem, hues: Iterable[Hue], taken: set[str]) -> None:
    own = {hue.name.casefold() for key, hue in system.hues.items() if key not in taken}
    for hue in hues:
        if hue.name.casefold() in own:
            words = f"Both systems have a hue called {hue.name}. Rename the one here first."
            raise DomainError(words, "hues", "taken")


def _tokens(
    system: ColorSystem, release: Release, hues: dict[str, str]
) -> tuple[dict[str, Token], tuple[str, ...]]:
    """The tokens that stand on taken hues in every theme, by their ids there, and names that are said here already."""
    known = system.rests_on.tokens if system.rests_on else {}
    said = {
        css_name(token.name).casefold() for key, token in system.tokens.items() if key not in known
    }
    standing = _standing(release, set(hues))
    own = tuple(token.name for token in standing if css_name(token.name).casefold() in said)
    kept = [token for token in standing if token.name not in own]
    ids = _ids([token.id for token in kept], known, system.tokens)
    by_name = {token.name: token for token in release.content.tokens}
    themes = {
        theme.id: _theme_for(theme, release.content.themes) for theme in system.themes.values()
    }
    originals = release.document.tokens
    found: dict[str, Token] = {}
    for token in kept:
        original = originals[token.id]
        values = {here: _value(token, theme, by_name, hues, ids) for here, theme in themes.items()}
        gone = token.deprecated
        replacement = by_name.get(gone.replacement or "") if gone else None
        found[token.id] = Token(
            id=ids[token.id],
            order=_PLACEHOLDER,
            name=token.name,
            purpose=original.purpose,
            place=original.place,
            values=values,
            note=token.note,
            usage=token.usage,
            deprecated=Deprecation(
                replacement=ids.get(replacement.id) if replacement else None, reason=gone.reason
            )
            if gone
            else None,
            moving="never",
        )
    return found, own


def _standing(release: Release, hues: set[str]) -> list[PublishedToken]:
    """The published tokens that stand on no other than some hues, in every theme."""
    document, ways = release.document, ways_of(release.document)
    found = []
    for token in release.content.tokens:
        if token.id not in document.tokens:
            continue
        ends = [follow(document, token.id, way, "token").end for way in ways.values()]
        if all(
            isinstance(end, LiteralColor)
            or (isinstance(end, StepAlias | HueAlias) and end.hue in hues)
            for end in ends
        ):
            found.append(token)
    return found


def _theme_for(theme: Theme, themes: tuple[PublishedTheme, ...]) -> PublishedTheme:
    """The theme there that one here takes its values from: of its name, else the most like it."""

    def unlike(other: PublishedTheme) -> tuple[bool, bool, bool]:
        return (
            other.name.casefold() != theme.name.casefold(),
            other.scheme != theme.scheme,
            other.contrast != theme.contrast,
        )

    return min(themes, key=unlike)


def _value(
    token: PublishedToken,
    theme: PublishedTheme,
    by_name: dict[str, PublishedToken],
    hues: dict[str, str],
    ids: dict[str, str],
) -> TokenValue:
    value = token.value(theme.id)
    target = by_name.get(value.alias or "")
    if target is not None:
        hue, slash, step = target.id.partition("/")
        if slash and hue in hues:
            return StepAlias(hue=hues[hue], step=step)
        if target.id in ids:
            return TokenAlias(token=ids[target.id])
    color = _color(value)
    return LiteralColor(
        color=color if value.alpha == 1.0 else Color(**{**color.model_dump(), "alpha": value.alpha})
    )
