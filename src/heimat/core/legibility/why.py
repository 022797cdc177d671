"""Why a color is so: one sentence, with figures, from aim through curve, gamut, pin or nudge to the value."""

import numpy as np

from heimat.core.color.angles import turn_between
from heimat.core.color.contrast import cut, relative_luminance
from heimat.core.color.exact_color import Color, oklch_of, rgb8_of
from heimat.core.color.gamut import solve
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.notation import format
from heimat.core.color.solved import GAMUT_LOSS
from heimat.core.color.spaces import lightness, luminance_of, srgb_to_oklch
from heimat.core.color.thresholds import HAS_HUE
from heimat.core.document.aliases import value_in
from heimat.core.document.following import children_of
from heimat.core.document.hues import DerivedSource, GivenSource
from heimat.core.document.words import value_in_words
from heimat.core.hues.wording import derivation_words
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.resolve.theme import ResolvedTheme
from heimat.core.scales.methods.contrast_targets import luminance_for
from heimat.core.scales.nudges import Nudge

_BY_CURVE = ("even", "contrast")
"""Methods whose chroma is that of the curve alone."""


def why_hue(resolved: Resolved, hue: ResolvedHue) -> str:
    """Where a hue's color comes from, whether it is held, and who follows it."""
    words = _source_words(resolved, hue)
    place = hue.scale.anchor
    if (
        place is not None
        and hue.steps[place].id in hue.hue.pins
        and (hue.rgb8[place] != hue.scale.source8).any()
    ):
        words += f" A pin stands in its place at {hue.steps[place].label}."
    if hue.hue.held:
        words += " Held: nothing changes its scale."
    followers = [child.name for child in children_of(resolved.system, hue.id)]
    return words + (f" Followed by {', '.join(followers)}." if followers else "")


def _given_words(source: GivenSource) -> str:
    """What was given, and what it is by now where it is no more that."""
    first = "" if source.first is None else f"First given as {_color_words(source.first)}."
    if source.moved:
        return f"Moved by hand to {_color_words(source.color)}. {first}".rstrip()
    if source.color.space != "srgb":
        return f"Given beyond 8-bit sRGB. {first}".rstrip()
    return f"Given as {_color_words(source.color)}, kept exactly. {first}".rstrip()


def _color_words(color: Color) -> str:
    return hex_of(rgb8_of(color)) if color.space == "srgb" else format(color, "display-p3")


def _source_words(resolved: Resolved, hue: ResolvedHue) -> str:
    source, recall = hue.hue.source, hue.hue.recall
    if isinstance(source, GivenSource):
        color = source.color
        words = _given_words(source)
        if oklch_of(color)[1] < HAS_HUE and recall is not None:
            words += f" It is gray now; hue {recall.hue:.0f}° and chroma {recall.chroma:.3f} are remembered."
        return words
    parent = resolved.hues[source.hue].name
    if isinstance(source, DerivedSource):
        words = f"Derived: {derivation_words(source, parent)}."
        return words + "".join(f" {limit[0].upper()}{limit[1:]}." for limit in hue.source.limits)
    tint = f"chroma {source.chroma:.3f} of {parent}"
    return f"A gray of L* {source.lightness:.1f} with {tint}, which it follows."


def why_step(hue: ResolvedHue, place: int) -> str:
    """From aim through anchor, curve and gamut to the value of a step."""
    scale, step = hue.scale, hue.steps[place]
    if step.id in hue.hue.pins:
        aim = f"generated, it would aim at L* {scale.lightness[place]:.1f}"
        return f"Pinned at {hex_of(scale.rgb8[place])}, to the bit; {aim}."
    if scale.anchor == place:
        aimed = f"nearest to {step.label} (aimed at L* {step.lightness:.1f})"
        chosen = "chosen as its label" if hue.hue.anchor.mode == "label" else aimed
        if hue.hue.anchor.mode != "label" and hue.ladder.nearest(scale.source_lightness) < place:
            lightest = hue.steps[0].label
            chosen = f"nearest to {lightest}, but so strong a color leaves a lighter step and stands at {step.label}"
        return f"The hue’s own color, to the bit. Its lightness {scale.source_lightness:.1f} is {chosen}."
    nudge = hue.hue.nudges.get(step.id, Nudge())
    drafted = float(scale.drafted[place, 0])
    words = _method_words(hue, place, drafted)
    bent = float(scale.lightness[place]) - nudge.lightness - drafted
    if abs(bent) >= 0.05:
        words += f", {abs(bent):.1f} {'lighter' if bent > 0 else 'darker'} by the curve or a pin"
    chroma = float(oklch_of(Color.of_bytes(scale.rgb8[place]))[1])
    wanted = float(scale.chroma[place])
    asked = wanted - nudge.chroma
    # A mix, HSL and what lies between ends have a chroma of their own: a curve is told where it acts on it.
    if hue.method.name in _BY_CURVE or abs(asked - float(scale.drafted[place, 1])) >= HAS_HUE:
        words += f"; the curve asks for chroma {asked:.3f}"
    drift = turn_between(float(oklch_of(hue.color)[2]), float(scale.hue[place]) - nudge.hue)
    if abs(drift) >= 0.5 and wanted >= HAS_HUE:
        words += f" and {abs(drift):.0f}° of drift"
    words += _nudge_words(nudge)
    if wanted - chroma <= GAMUT_LOSS:
        return words + "."
    inside = solve(luminance_of(scale.lightness[place]), max(wanted, 0.0), scale.hue[place])
    if float(srgb_to_oklch(inside)[1]) - chroma > GAMUT_LOSS:
        return words + f", and it has no more than the steps nearer to the hue: {chroma:.3f}."
    return words + f", the gamut leaves {chroma:.3f}."


def _method_words(hue: ResolvedHue, place: int, light: float) -> str:
    """From where a step comes: the aim of its label, or what its method does there; `light` is the L* drafted."""
    method, scale, step = hue.method, hue.scale, hue.steps[place]
    figure = 0.0 if scale.figures is None else float(scale.figures[place])
    if method.name == "mix":
        return (
            f"{abs(figure):.0f} % {'white' if figure > 0 else 'black'}, mixed in {method.mix.space}"
        )
    if method.name == "hsl":
        return f"HSL lightness {figure:.0f} %"
    if method.name == "ends":
        return f"Between the ends, in {method.ends.space}"
    aimed = step.lightness
    words = f"Aimed at L* {step.lightness:.1f}"
    if method.name == "contrast":
        ground = relative_luminance(rgb8_of(method.contrast.ground))
        aimed = float(lightness(np.clip(luminance_for(figure, float(ground)), 0.0, 1.0)))
        words = f"Aimed at {cut(figure)} against {hex_of(rgb8_of(method.contrast.ground))}, L* {aimed:.1f}"
    moved = light - aimed
    if abs(moved) >= 0.05:
        words += f", moved {abs(moved):.1f} {'lighter' if moved > 0 else 'darker'} by the anchor"
    return words


def _nudge_words(nudge: Nudge) -> str:
    parts = []
    if abs(nudge.lightness) >= 0.05:
        parts.append(f"{abs(nudge.lightness):.1f} {'lighter' if nudge.lightness > 0 else 'darker'}")
    if abs(nudge.chroma) >= 0.0005:
        parts.append(f"chroma {nudge.chroma:+.3f}")
    if abs(nudge.hue) >= 0.5:
        parts.append(f"hue {nudge.hue:+.0f}°")
    return f", nudged {', '.join(parts)}" if parts else ""


def chain_words(resolved: Resolved, theme: ResolvedTheme, token_id: str) -> str:
    """The chain of aliases of a token in words: "action.main.fill, 7 darker, tidewater 600"."""
    tokens, way = resolved.system.tokens, resolved.ways[theme.theme.id]
    words = [
        value_in_words(resolved.system, value_in(tokens[token], way))
        for token in theme.tokens[token_id].chain
    ]
    return ", ".join(words)


def why_token(resolved: Resolved, theme: ResolvedTheme, token_id: str) -> str:
    """What a token stands for in a theme, and what it is for."""
    note = resolved.system.tokens[token_id].note
    words = f"In {theme.theme.name} it is {chain_words(resolved, theme, token_id)}."
    return words + (f" {note[0].upper()}{note[1:].rstrip('.')}." if note else "")
