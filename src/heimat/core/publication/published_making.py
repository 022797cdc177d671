"""What is published of how a palette is made: by the names of published tokens, else by colors alone."""

from collections.abc import Mapping

from heimat.core.color.arrays import Bytes
from heimat.core.color.hex_notation import hex_of
from heimat.core.document.aliases import value_in, ways_of
from heimat.core.document.palette_making import Bound, PaletteMaking, Standing, figures_of
from heimat.core.document.palettes import Categorical, PaletteValue, values_of
from heimat.core.document.tokens import LiteralColor, PaletteAlias, StepAlias, TokenAlias
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_palettes import ResolvedPalette


def making(
    resolved: Resolved,
    shown: Mapping[str, ResolvedPalette],
    names: Mapping[str, str],
    bound: Mapping[str, tuple[Bound, ...]],
) -> PaletteMaking:
    """How a palette is made, as it is shown in each theme.

    `names` are those of published tokens by their ids, `bound` what `bound_tokens` finds.
    """
    first = next(iter(shown.values()))
    palette, make = first.palette, first.palette.make
    around = resolved.around()
    categories = make.colors if isinstance(make, Categorical) else ()
    of = tuple(
        Standing(color=hex_of(rgb8), token=_name(resolved, value, names))
        for value, rgb8 in zip(values_of(make), first.values8, strict=True)
    )
    ground = names.get(palette.ground) if palette.ground else None
    others = {
        role: Standing(color=hex_of(around.rgb8(value)), token=_name(resolved, value, names))
        for role, value in palette.others.items()
    }
    return PaletteMaking(
        of=of,
        how=figures_of(make),
        held=tuple(place for place, color in enumerate(categories) if color.held),
        shaded=_shaded(shown, of),
        ground=ground,
        grounds={theme: hex_of(each.ground8) for theme, each in shown.items()},
        column=palette.column,
        view=palette.view,
        others=others,
        bound=bound.get(palette.id, ()),
    )


def _name(resolved: Resolved, value: PaletteValue, names: Mapping[str, str]) -> str | None:
    if isinstance(value, TokenAlias):
        return names.get(value.token)
    if isinstance(value, StepAlias):
        return names.get(f"{value.hue}/{value.step}")
    if isinstance(value, LiteralColor):
        return None
    hue = resolved.hues[value.hue]
    return (
        None if hue.own_place is None else names.get(f"{hue.hue.id}/{hue.steps[hue.own_place].id}")
    )


def _shaded(
    shown: Mapping[str, ResolvedPalette], of: tuple[Standing, ...]
) -> dict[str, tuple[int, ...]]:
    """By theme the places of colors that have their own there, or that no name says what they are there."""
    found: dict[str, tuple[int, ...]] = {}
    for theme, each in shown.items():
        make = each.palette.make
        if not isinstance(make, Categorical):
            continue
        places = tuple(
            place
            for place, color in enumerate(make.colors)
            if theme in color.shades
            or (
                of[place].token is None
                and not isinstance(color.value, LiteralColor)
                and _moved(each.rgb8, place, of)
            )
        )
        if places:
            found[theme] = places
    return found


def _moved(rgb8: Bytes, place: int, of: tuple[Standing, ...]) -> bool:
    return hex_of(rgb8[place]) != of[place].color


def bound_tokens(resolved: Resolved, names: Mapping[str, str]) -> dict[str, tuple[Bound, ...]]:
    """By the id of each palette the published tokens that are a color of it, in each theme."""
    system = resolved.system
    found: dict[str, list[Bound]] = {}
    for theme, way in ways_of(system).items():
        for token_id, token in system.tokens.items():
            value = value_in(token, way)
            if (
                token_id not in names
                or not isinstance(value, PaletteAlias)
                or value.palette not in system.palettes
            ):
                continue
            make = system.palettes[value.palette].make
            ids = [color.id for color in make.colors] if isinstance(make, Categorical) else []
            place = ids.index(value.color) if value.color in ids else None
            bound = Bound(token=names[token_id], theme=theme, place=place, along=value.along)
            found.setdefault(value.palette, []).append(bound)
    return {palette: tuple(each) for palette, each in found.items()}
