"""The selected token: in every theme, by which rule, what each step would read in its place, what uses it."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.arrays import Bytes
from heimat.core.color.contrast import cut, ratio
from heimat.core.document.pairings import USE_WORDS
from heimat.core.document.purposes import family_of
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import HueAlias, StepAlias, TokenValue
from heimat.core.filling.fill import by_purpose
from heimat.core.filling.rules import has_rule, rules_for
from heimat.core.legibility.change_ramps import Changed, change_ramps
from heimat.core.legibility.picking import Picking, picking, same_contrast, step_that_passes
from heimat.core.legibility.standing import standing, value_there
from heimat.core.legibility.why import chain_words
from heimat.core.resolve.end_colors import end_color
from heimat.core.resolve.theme import ResolvedTheme
from heimat.view.eyes import SwatchView
from heimat.view.look import Look
from heimat.view.tokens.tokens_view import ValueView, value_view


class InThemeView(SwatchView):
    """The token in one theme, on the ground that it stands on there; `reads` is its hardest pairing, in words."""

    theme: str
    name: str
    chain: str
    own: bool
    alpha: float
    ground: SwatchView
    reads: str
    holds: bool | None
    value: ValueView


class ReadingsView(TypedDict):
    """What the steps of a hue would read in place of the token, and whether each passes in every pairing."""

    hue: str
    texts: list[str]
    passes: list[bool]


class ProposedView(SwatchView):
    """A value that one click takes."""

    words: str
    value: TokenValue


class ChangeRampView(TypedDict):
    """The colors along one change of the token's alias, as they are seen, evenly from `low` to `high`."""

    of: Changed
    low: float
    high: float
    colors: list[str]


class TokenDetailPart(TypedDict):
    """The selected token. `hardest` names the pairing that is hardest for it, in words.

    `taken` is what it was taken from, empty for what is this system's own; `overridden` where that stands back.
    """

    key: str
    id: str
    rule: str
    hardest: str
    themes: list[InThemeView]
    readings: list[ReadingsView]
    proposed: list[ProposedView]
    changes: list[ChangeRampView]
    used_by: list[str]
    pairings: int
    through: int
    taken: str
    overridden: bool


def token_detail_part(look: Look) -> TokenDetailPart | None:
    """Everything about the token that is selected; None where none is."""
    selected, theme = look.selected, look.theme
    if selected is None or selected.kind != "token" or theme is None:
        return None
    token = selected.key.partition(":")[2]
    resolved, system = look.resolved, look.system
    purpose = system.tokens[token].purpose
    rules = rules_for(frozenset(by_purpose(system)))
    picked = picking(resolved, theme, token)
    found = standing(resolved, selected.key)
    names = [
        system.tokens[each].name for each in dict.fromkeys(stands.token for stands in found.direct)
    ]
    return {
        "key": selected.key,
        "id": token,
        "rule": rules[purpose].sentence if purpose is not None and has_rule(purpose) else "",
        "hardest": _hardest(look, picked),
        "themes": [_in_theme(look, each, token) for each in resolved.themes.values()],
        "readings": [
            {
                "hue": row.hue.id,
                "texts": [cut(each) for each in row.ratios.tolist()],
                "passes": row.passes.tolist(),
            }
            for row in picked.rows
        ],
        "proposed": _proposed(look, theme, picked, token),
        "changes": [
            {
                "of": ramp.of,
                "low": round(ramp.low, 3),
                "high": round(ramp.high, 3),
                "colors": look.eyes.hexes(ramp.rgb8),
            }
            for ramp in change_ramps(resolved, theme, token, _ground(look, theme, token))
        ],
        "used_by": [f"{name} is it." for name in names] + list(found.others),
        "pairings": len(found.pairings),
        "through": len(found.through),
        "taken": _taken(system, token),
        "overridden": system.rests_on is not None and token in system.rests_on.overridden,
    }


def _hardest(look: Look, picked: Picking) -> str:
    if not picked.pairings:
        return ""
    result = picked.pairings[0]
    tokens = look.system.tokens
    words = f"{tokens[result.pairing.foreground].name} on {tokens[result.pairing.ground].name}"
    return f"{words}: {USE_WORDS[result.pairing.use]}, {result.needed:g}"


def _in_theme(look: Look, theme: ResolvedTheme, token: str) -> InThemeView:
    color = theme.tokens[token]
    hardest = next(iter(picking(look.resolved, theme, token).pairings), None)
    reads = "" if hardest is None else f"{cut(hardest.ratio)}, needs {hardest.needed:g}"
    return {
        **look.eyes.swatch(color.rgb8),
        "theme": theme.theme.id,
        "name": theme.theme.name,
        "chain": chain_words(look.resolved, theme, token),
        "own": theme.theme.id in look.system.tokens[token].values,
        "alpha": color.alpha,
        "ground": look.eyes.swatch(_ground(look, theme, token)),
        "reads": reads,
        "holds": hardest.holds if hardest else None,
        "value": value_view(value_there(look.resolved, token, theme.theme.id)),
    }


def _ground(look: Look, theme: ResolvedTheme, token: str) -> Bytes:
    """What a token stands on where it is hardest to read; what is a ground itself, as a fill is, lies on the page."""
    hardest = next(iter(picking(look.resolved, theme, token).pairings), None)
    stands = hardest is not None and hardest.pairing.ground != token
    return theme.tokens[hardest.pairing.ground].rgb8 if hardest and stands else _page(look, theme)


def _page(look: Look, theme: ResolvedTheme) -> Bytes:
    page = by_purpose(look.system).get("surface.page")
    return (
        theme.tokens[page].rgb8
        if page
        else np.full(3, 0 if theme.theme.scheme == "dark" else 255, dtype=np.uint8)
    )


def _proposed(look: Look, theme: ResolvedTheme, picked: Picking, token: str) -> list[ProposedView]:
    """The step that passes; for the fill of an action also the hue itself, and the step that keeps its contrast."""
    resolved = look.resolved
    color = theme.tokens[token]
    hue = resolved.hues.get(color.hue or "")
    if hue is None:
        return []
    found: list[tuple[str, StepAlias | HueAlias]] = []
    passing = step_that_passes(picked, hue.id, color.rgb8)
    if passing is not None and not np.array_equal(
        end_color(resolved.hues, passing).rgb8, color.rgb8
    ):
        place = hue.place(passing.step) or 0
        found.append((f"the step that passes: {hue.step_name(place)}", passing))
    family = family_of(look.system.tokens[token].purpose)
    if family is not None and family[1] == "fill":
        found.insert(0, (f"{hue.name} itself, exact", HueAlias(hue=hue.id)))
        first = next(iter(resolved.themes.values()))
        wanted = float(ratio(first.tokens[token].rgb8, _page(look, first)))
        kept = same_contrast(hue, _page(look, theme), wanted)
        name = hue.step_name(hue.place(kept.step) or 0)
        found.append((f"the step that keeps {cut(wanted)} with its ground: {name}", kept))
    own = value_there(resolved, token, theme.theme.id)
    views: list[ProposedView] = []
    for words, value in found:
        if value != own and value not in [view["value"] for view in views]:
            views.append(
                {
                    **look.eyes.swatch(end_color(resolved.hues, value).rgb8),
                    "words": words,
                    "value": value,
                }
            )
    return views


def _taken(system: ColorSystem, token: str) -> str:
    rests_on = system.rests_on
    return (
        f"{rests_on.name} {rests_on.version}"
        if rests_on is not None and token in rests_on.tokens
        else ""
    )
