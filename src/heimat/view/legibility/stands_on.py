"""On which grounds the selected color may stand, and on which it must not."""

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.contrast import AA_LARGE, AA_TEXT, ratio
from heimat.core.color.exact_color import rgb8_of
from heimat.core.document.keys import token_key
from heimat.core.document.order import in_order
from heimat.view.eyes import SwatchView
from heimat.view.figures import ContrastView, contrast_view
from heimat.view.look import Look


class GroundOfView(SwatchView):
    """A ground under the selected color: `as_text` and `as_part` say whether body text, and a part, may stand there."""

    token: str
    name: str
    contrast: ContrastView
    as_text: bool
    as_part: bool


class StandsOnView(TypedDict):
    """The selected color, and every opaque ground of the theme that is shown, the hardest first."""

    name: str
    grounds: list[GroundOfView]


def stands_on_part(look: Look) -> StandsOnView | None:
    """Every ground of pairings and every surface under what is selected; none where nothing opaque is."""
    selected, theme = look.selected, look.theme
    if selected is None or theme is None or selected.color.alpha < 1.0:
        return None
    met = {pairing.ground for pairing in look.system.pairings.values()}
    found = [
        (token, theme.tokens[token.id].rgb8)
        for token in in_order(look.system.tokens)
        if (token.id in met or (token.purpose or "").startswith("surface."))
        and theme.tokens[token.id].alpha == 1.0
        and token_key(token.id) != look.options.select
    ]
    if not found:
        return None
    grounds8 = np.array([rgb8 for _, rgb8 in found], dtype=np.uint8)
    ratios = ratio(rgb8_of(selected.color), grounds8)
    return {
        "name": selected.name,
        "grounds": [
            {
                **look.eyes.swatch(grounds8[place]),
                "token": found[place][0].id,
                "name": found[place][0].name,
                "contrast": contrast_view(float(ratios[place])),
                "as_text": bool(ratios[place] >= AA_TEXT),
                "as_part": bool(ratios[place] >= AA_LARGE),
            }
            for place in np.argsort(ratios, kind="stable")
        ],
    }
