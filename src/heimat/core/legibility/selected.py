"""What is selected, and why it has its color."""

from dataclasses import dataclass
from typing import Literal

import numpy as np

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.contrast import cut, relative_luminance
from heimat.core.color.notation import Color, hex_of, oklch_of, rgb8_of
from heimat.core.color.spaces import lightness
from heimat.core.colors_of import COLORED, source_color, standing
from heimat.core.edits.tokens import value_in_words
from heimat.core.resolve import Resolved
from heimat.core.scales.methods import luminance_for
from heimat.core.scales.nudges import Nudge
from heimat.core.scales.wide import literal_p3
from heimat.core.sources.derivation import GAMUT_LOSS
from heimat.core.sources.wording import derivation_words
from heimat.core.system import DerivedSource, GivenSource, Hue, TokenAlias, children_of, ladder_of, method_of
from heimat.core.tokens.aliases import value_in

Kind = Literal["hue", "step", "token"]


@dataclass(frozen=True)
class Selection:
    """A selected color: what it is, its exact color, why it is so, and what moving it moves: a hue, or a step of it."""

    kind: Kind
    id: str
    name: str
    role: str
    color: Color
    movable_hue: str | None
    hue: str | None
    why: str
    used_by: list[str]
    movable_step: str | None = None
    p3: Floats | None = None


def find(resolved: Resolved, key: str) -> Selection | None:
    """The selection of a key `hue:ID`, `step:HUE/STEP` or `token:ID`; None where nothing of that key is there."""
    kind, _, rest = key.partition(":")
    if kind == "hue" and rest in resolved.system.hues:
        return _hue(resolved, resolved.system.hues[rest])
    if kind == "step":
        hue_id, _, step = rest.partition("/")
        hue = resolved.system.hues.get(hue_id)
        place = ladder_of(resolved.system, hue).index(step) if hue else None
        return _step(resolved, hue, place) if hue and place is not None else None
    if kind == "token" and rest in resolved.tokens:
        return _token(resolved, rest)
    return None


def role_of(hue: Hue) -> str:
    """What a hue is there for, in a word."""
    return hue.status or hue.kind


def _free(hue: Hue) -> str | None:
    """The id of a hue that can be moved, or None where it is held."""
    return None if hue.held else hue.id


def _hue(resolved: Resolved, hue: Hue) -> Selection:
    system = resolved.system
    scale = resolved.scales[hue.id]
    followers = [child.name for child in children_of(system, hue.id)]
    tokens = _tokens_on(resolved, hue.id, None)
    p3 = literal_p3(source_color(system, hue)) if hue.wide is not False else None
    used = f"{len(scale.rgb8)} steps and {_counted(len(tokens), 'token')} follow it"
    why = _source_words(resolved, hue)
    if hue.held:
        why += " Held: nothing changes its scale."
    if followers:
        why += f" Followed by {', '.join(followers)}."
    return Selection(
        "hue", hue.id, hue.name, role_of(hue), source_color(system, hue), _free(hue), hue.id, why, [used], None, p3
    )


def _counted(number: int, what: str) -> str:
    return f"{number} {what}" + ("" if number == 1 else "s")


def _source_words(resolved: Resolved, hue: Hue) -> str:
    if isinstance(hue.source, GivenSource):
        color = hue.source.color
        words = (
            f"Given as {hex_of(rgb8_of(color))}, kept exactly." if color.space == "srgb" else "Given beyond 8-bit sRGB."
        )
        if oklch_of(color)[1] < COLORED and hue.recall is not None:
            words += f" It is gray now; hue {hue.recall.hue:.0f}° and chroma {hue.recall.chroma:.3f} are remembered."
        return words
    parent = resolved.system.hues[hue.source.hue]
    if isinstance(hue.source, DerivedSource):
        stands = standing(resolved.system, hue)
        words = f"Derived: {derivation_words(hue.source, parent.name)}."
        return words + "".join(f" {limit[0].upper()}{limit[1:]}." for limit in stands.limits)
    tint = f"chroma {hue.source.chroma:.3f} of {parent.name}"
    return f"A gray of L* {hue.source.lightness:.1f} with {tint}, which it follows."


def _step(resolved: Resolved, hue: Hue, place: int) -> Selection:
    system = resolved.system
    scale, ladder = resolved.scales[hue.id], ladder_of(system, hue)
    step = ladder.steps[place]
    rgb8 = scale.rgb8[place]
    exact = scale.anchor == place and step.id not in hue.pins
    color = source_color(system, hue) if exact else Color.of_bytes(rgb8)
    return Selection(
        "step",
        f"{hue.id}/{step.id}",
        f"{hue.name} {step.label}",
        role_of(hue),
        color,
        None if step.id in hue.pins else _free(hue),
        hue.id,
        _step_words(resolved, hue, place),
        _tokens_on(resolved, hue.id, step.id),
        None if exact or step.id in hue.pins or hue.held else step.id,
        _twin(resolved, hue, place),
    )


def _twin(resolved: Resolved, hue: Hue, place: int) -> Floats | None:
    """The display-p3 value of a step, where it has one of its own."""
    p3 = resolved.wide[hue.id][place] if hue.id in resolved.wide else None
    return None if p3 is None or np.isnan(p3).any() else p3


def _step_words(resolved: Resolved, hue: Hue, place: int) -> str:
    """One sentence from aim through anchor, curve and gamut to the value."""
    scale, ladder = resolved.scales[hue.id], ladder_of(resolved.system, hue)
    step = ladder.steps[place]
    if step.id in hue.pins:
        aim = f"generated, it would aim at L* {scale.lightness[place]:.1f}"
        return f"Pinned at {hex_of(scale.rgb8[place])}, to the bit; {aim}."
    aimed = f"aimed at L* {step.lightness:.1f}"
    if scale.anchor == place:
        chosen = "chosen as its label" if hue.anchor.mode == "label" else f"nearest to {step.label} ({aimed})"
        return f"The hue’s own color, to the bit. Its lightness {scale.source_lightness:.1f} is {chosen}."
    nudge = hue.nudges.get(step.id, Nudge())
    drafted = float(scale.drafted[place, 0])
    words = _method_words(resolved, hue, place, drafted)
    bent = float(scale.lightness[place]) - nudge.lightness - drafted
    if abs(bent) >= 0.05:
        words += f", {abs(bent):.1f} {'lighter' if bent > 0 else 'darker'} by the curve or a pin"
    chroma = float(oklch_of(Color.of_bytes(scale.rgb8[place]))[1])
    wanted = float(scale.chroma[place])
    words += f"; the curve asks for chroma {wanted - nudge.chroma:.3f}"
    own = float(oklch_of(source_color(resolved.system, hue))[2])
    drift = (float(scale.hue[place]) - nudge.hue - own + 180.0) % 360.0 - 180.0
    if abs(drift) >= 0.5 and wanted >= COLORED:
        words += f" and {abs(drift):.0f}° of drift"
    words += _nudge_words(nudge)
    lost = wanted - chroma
    return words + (f", the gamut leaves {chroma:.3f}." if lost > GAMUT_LOSS else ".")


def _method_words(resolved: Resolved, hue: Hue, place: int, light: float) -> str:
    """From where a step comes: the aim of its label, or what its method does there; `light` is the L* drafted."""
    method, scale = method_of(resolved.system, hue), resolved.scales[hue.id]
    step = ladder_of(resolved.system, hue).steps[place]
    figure = 0.0 if scale.figures is None else float(scale.figures[place])
    if method.name == "mix":
        return f"{abs(figure):.0f} % {'white' if figure > 0 else 'black'}, mixed in {method.mix.space}"
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


def _tokens_on(resolved: Resolved, hue: str, step: str | None) -> list[str]:
    """Names of the tokens that stand on a hue, or on one of its steps."""
    names = resolved.system.tokens
    return [
        names[token].name
        for token, color in resolved.tokens.items()
        if color.step is not None and color.step[0] == hue and step in (None, color.step[1])
    ]


def chain_words(resolved: Resolved, token_id: str) -> str:
    """The chain of aliases of a token in words: "action.fill, tidewater 600"."""
    theme = resolved.theme.id if resolved.theme else ""
    tokens = resolved.system.tokens
    passed = resolved.tokens[token_id].chain
    ends = value_in_words(resolved.system, value_in(tokens[passed[-1]], theme))
    return ", ".join([*(tokens[token].name for token in passed[1:]), ends])


def _token(resolved: Resolved, token_id: str) -> Selection:
    system = resolved.system
    token, color = system.tokens[token_id], resolved.tokens[token_id]
    theme = resolved.theme
    pairings = sum(token_id in (result.pairing.foreground, result.pairing.ground) for result in resolved.pairings)
    aliases = [
        other.name
        for other in system.tokens.values()
        if theme and isinstance(value := value_in(other, theme.id), TokenAlias) and value.token == token_id
    ]
    why = f"In {theme.name if theme else 'no theme'} it is {chain_words(resolved, token_id)}."
    if token.note:
        why += f" {token.note[0].upper()}{token.note[1:]}."
    used = [*aliases, _counted(pairings, "pairing")] if pairings else aliases
    exact = Color.of_bytes(color.rgb8).model_copy(update={"alpha": color.alpha})
    return Selection(
        "token",
        token_id,
        token.name,
        "token",
        exact,
        None,
        color.step[0] if color.step else None,
        why,
        used,
        None,
        color.p3,
    )


def neutral_ends(resolved: Resolved) -> list[tuple[str, Bytes]]:
    """The system's lightest and darkest neutral steps, with names; none where there is no neutral."""
    hue = next((hue for hue in resolved.hues if hue.kind == "neutral"), None)
    if hue is None:
        return []
    labels, rgb8 = ladder_of(resolved.system, hue).labels(), resolved.scales[hue.id].rgb8
    return [(f"{hue.name} {labels[0]}", np.asarray(rgb8[0])), (f"{hue.name} {labels[-1]}", np.asarray(rgb8[-1]))]
