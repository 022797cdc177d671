"""Colors by the names that people call them: a step, a hue, a token."""

from heimat.core.color.notation import Color
from heimat.core.color.spelling import plainly_spelled
from heimat.core.resolve.resolved import Resolved


def color_named(resolved: Resolved, text: str) -> Color | None:
    """The color that is called so: a hue, `hue label`, or a token in the theme that comes first; None for no name."""
    wanted = plainly_spelled(text.strip())
    for hue in resolved.hue_list:
        name = plainly_spelled(hue.name)
        if wanted == name:
            return hue.color
        for place, step in enumerate(hue.steps):
            if wanted == f"{name} {plainly_spelled(step.label)}":
                return Color.of_bytes(hue.rgb8[place])
    theme = resolved.theme()
    for token in resolved.system.tokens.values():
        if theme is not None and token.id in theme.tokens and plainly_spelled(token.name) == wanted:
            color = theme.tokens[token.id]
            return Color.of_bytes(color.rgb8).model_copy(update={"alpha": color.alpha})
    return None
