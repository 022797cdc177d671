"""Tokens for charts bound to a palette: they are its colors from then on, in every theme."""

from heimat.core.document.ids import new_id
from heimat.core.document.order import in_order
from heimat.core.document.palettes import Categorical, Palette
from heimat.core.document.purposes import CLASSES, SERIES
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import PaletteAlias, Token
from heimat.core.edits import UserEdit
from heimat.core.edits.palette_edits import palette_of
from heimat.core.edits.token_edits import AddTokens, NewToken, NewValue, SetTokenValues
from heimat.core.errors import DomainError


def binding(system: ColorSystem, palette_id: str) -> list[UserEdit]:
    """The edits that let the tokens for series, or for classes, be the colors of a palette; missing ones are added.

    Raises DomainError where the palette is gone, or there is no theme.
    """
    palette = palette_of(system, palette_id)
    themes = in_order(system.themes)
    if not themes:
        raise DomainError("Tokens need a theme; there is none yet.", "theme", "missing")
    first, *others = (theme.id for theme in themes)
    there = {
        token.purpose: token
        for token in system.tokens.values()
        if token.purpose and not token.place
    }
    values: list[NewValue] = []
    new: list[NewToken] = []
    for purpose, alias in _bound(palette).items():
        token = there.get(purpose)
        if token is None:
            new.append(NewToken(id=new_id(), name=purpose, purpose=purpose, values={first: alias}))
        elif token.values != {first: alias}:
            values.append(NewValue(token=token.id, theme=first, value=alias))
            # A palette has a color in every theme: what tokens say there gives way.
            values += [
                NewValue(token=token.id, theme=theme, value=None)
                for theme in others
                if theme in token.values
            ]
    found: list[UserEdit] = []
    if values:
        found.append(
            SetTokenValues(what=f"Bind chart tokens to {palette.name}", values=tuple(values))
        )
    if new:
        found.append(AddTokens(tokens=tuple(new)))
    return found


def bound_to(system: ColorSystem) -> dict[str, list[Token]]:
    """By the id of each palette the tokens that stand on it in any theme, of themselves or with changes, in order."""
    found: dict[str, list[Token]] = {}
    for token in in_order(system.tokens):
        for palette in dict.fromkeys(
            base.palette for base in token.bases if isinstance(base, PaletteAlias)
        ):
            found.setdefault(palette, []).append(token)
    return found


def _bound(palette: Palette) -> dict[str, PaletteAlias]:
    """By purpose the color of a palette."""
    if isinstance(palette.make, Categorical):
        colors = palette.make.colors[:SERIES]
        return {
            f"chart.series.{number}": PaletteAlias(palette=palette.id, color=color.id)
            for number, color in enumerate(colors, start=1)
        }
    kind = palette.make.kind
    return {
        f"chart.{kind}.{number}": PaletteAlias(
            palette=palette.id, along=(number - 1) / (CLASSES - 1)
        )
        for number in range(1, CLASSES + 1)
    }
