"""What must hold for every document: names that can be published, references that lead somewhere, no circles."""

from heimat.core.document.aliases import Ways, follow, ways_of
from heimat.core.document.following import refuse_loop
from heimat.core.document.hues import parent_of
from heimat.core.document.names import check_all_names, css_name
from heimat.core.document.palettes import holds_color, tokens_under
from heimat.core.document.system import MOST_HUES, MOST_THEMES, MOST_TOKENS, ColorSystem, ladder_of
from heimat.core.document.tokens import (
    HueAlias,
    PaletteAlias,
    StepAlias,
    TokenValue,
    base_of,
    token_under,
)
from heimat.core.errors import DomainError
from heimat.core.memory import OfObjects


def check_system(system: ColorSystem, field: str) -> None:
    """Raise DomainError, blaming `field` of the edit at work, unless a document holds together."""
    _check_limits(system)
    _check_hues(system, field)
    _check_values(system, field)
    _check_references(system, field)
    check_all_names(system, field)


def _check_limits(system: ColorSystem) -> None:
    if len(system.hues) > MOST_HUES:
        raise DomainError(f"A system has at most {MOST_HUES} hues.", "hues", "limit")
    if len(system.tokens) > MOST_TOKENS:
        raise DomainError(f"A system has at most {MOST_TOKENS} tokens.", "tokens", "limit")


def _check_hues(system: ColorSystem, field: str) -> None:
    for hue in system.hues.values():
        parent = parent_of(hue)
        if parent is not None:
            if parent not in system.hues:
                raise DomainError(f"{hue.name} needs a hue to follow.", field, "missing")
            refuse_loop(system, hue, system.hues[parent], field)
        ladder = ladder_of(system, hue)
        for step in [
            *hue.pins,
            *hue.nudges,
            *([hue.anchor.step] if hue.anchor.mode == "label" else []),
        ]:
            if step is None or ladder.index(step) is None:
                raise DomainError(
                    f"{hue.name} has no step of that label on its ladder.", field, "missing"
                )


_SOUND: OfObjects[bool] = OfObjects("values that hold together", 16)


def _check_values(system: ColorSystem, field: str) -> None:
    """Tokens and what they stand on. While a color is dragged, all of it is the same as one move before."""
    ladders = (each for hue in system.hues.values() for each in (hue.id, hue.ladder))
    read = (system.tokens, system.themes, system.palettes, system.ladder, *ladders)
    if not _SOUND.known(*read):
        _check_every_value(system, field)
        _SOUND.keep(True, *read)


def _check_every_value(system: ColorSystem, field: str) -> None:
    _check_themes(system, field)
    ways = ways_of(system)
    for token in system.tokens.values():
        if not token.values:
            raise DomainError(f"{token.name} needs a value.", field, "missing")
        for theme, value in token.values.items():
            if theme not in system.themes:
                raise DomainError("That theme is not there any more.", field, "missing")
            _check_base(system, value, field)
        replacement = token.deprecated.replacement if token.deprecated else None
        if replacement is not None and replacement not in system.tokens:
            raise DomainError(
                f"What stands in for {token.name} is not there any more.", field, "missing"
            )
    # A loop may run through values of several themes: every chain is followed in every theme.
    linked = [
        key for key, token in system.tokens.items() if any(map(token_under, token.values.values()))
    ]
    for way in ways.values():
        for key in linked:
            follow(system, key, way, field)
    _check_palettes(system, ways, field)


def _check_palettes(system: ColorSystem, ways: Ways, field: str) -> None:
    """Raise DomainError where a palette stands on a token that stands on a palette: on itself, in the end."""
    values = (value for token in system.tokens.values() for value in token.values.values())
    if not any(isinstance(base_of(value), PaletteAlias) for value in values):
        return
    for palette in system.palettes.values():
        for token in tokens_under(palette):
            for way in ways.values():
                if token in system.tokens and isinstance(
                    follow(system, token, way, field).end, PaletteAlias
                ):
                    name = system.tokens[token].name
                    words = f"{palette.name} stands on {name}, which would stand on a palette: that would be a loop."
                    raise DomainError(words, field, "loop")


def _check_base(system: ColorSystem, value: TokenValue, field: str) -> None:
    """Raise DomainError where a value names a hue, a step or a color of a palette that is not there."""
    base = base_of(value)
    if isinstance(base, PaletteAlias) and not holds_color(system.palettes, base):
        raise DomainError(
            "The color of a palette that it should be is not there any more.", field, "missing"
        )
    if not isinstance(base, StepAlias | HueAlias):
        return
    hue = system.hues.get(base.hue)
    what = "step" if isinstance(base, StepAlias) else "hue"
    if hue is None:
        raise DomainError(
            f"The {what} it should stand for is not there any more.", field, "missing"
        )
    if isinstance(base, StepAlias) and ladder_of(system, hue).index(base.step) is None:
        words = f"The step it should stand for is not there any more: {hue.name} has no such step."
        raise DomainError(words, field, "missing")


def _check_themes(system: ColorSystem, field: str) -> None:
    if len(system.themes) > MOST_THEMES:
        raise DomainError(f"A system has at most {MOST_THEMES} themes.", "themes", "limit")
    names: dict[str, str] = {}
    for theme in system.themes.values():
        if theme.base is not None and theme.base not in system.themes:
            raise DomainError(
                f"The theme that {theme.name} rests on is not there any more.", field, "missing"
            )
        # A theme's name is in every stylesheet, and in the names of files.
        key = css_name(theme.name).casefold()
        if key in names:
            other = names[key]
            words = (
                f"“{theme.name}” is taken."
                if other == theme.name
                else f"“{theme.name}” and “{other}” are too alike."
            )
            raise DomainError(words, "name", "taken")
        names[key] = theme.name


def _check_references(system: ColorSystem, field: str) -> None:
    named = [
        token
        for pairing in system.pairings.values()
        for token in (pairing.foreground, pairing.ground)
    ]
    named += [token for told in system.told_apart.values() for token in told.tokens]
    if any(token not in system.tokens for token in named):
        raise DomainError("A token that is checked is not there any more.", field, "missing")
