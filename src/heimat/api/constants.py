"""Limits and lists that the page needs too: they stand in the API's description, of which the page's are made."""

from typing import Any

from heimat.core.charts.categorical import LEAST_COLORS
from heimat.core.charts.categorical import MOST_COLORS as MOST_COLORS_APART
from heimat.core.color.color_text import STRONGEST_CHROMA
from heimat.core.color.notation import NOTATIONS
from heimat.core.color.ramps import CHROMA_END
from heimat.core.color.spelling import SPELLINGS
from heimat.core.document.cases import CASE_WORDS
from heimat.core.document.groups import RULE_OF_THUMB
from heimat.core.document.hues import KIND_ORDER, STRONGEST_TINT
from heimat.core.document.palettes import MOST_SOURCES
from heimat.core.document.part import LONGEST_NOTE
from heimat.core.document.purposes import FAMILIES, FORMS, STATES
from heimat.core.document.selections import MOST_COLORS
from heimat.core.filling.sets import SET_WORDS, SETS
from heimat.core.pictures.rectangle import ALIKE
from heimat.core.scales.curves import MOST_DRIFT, STRONGEST_SHARE
from heimat.core.scales.ladder import LEAST_STEPS, MOST_STEPS, READY_MADE
from heimat.core.scales.shaping import LEAST_FALL
from heimat.core.sources import even, mixing
from heimat.core.sources.conventions import STATUSES
from heimat.core.sources.harmony import WIDEST_SPREAD_DEGREES
from heimat.view.parts import PARTS

NAME = "x-constants"

CONSTANTS: dict[str, Any] = {
    "LONGEST_NOTE": LONGEST_NOTE,
    "MOST_COLORS": MOST_COLORS,
    "LEAST_STEPS": LEAST_STEPS,
    "MOST_STEPS": MOST_STEPS,
    "LEAST_FALL": LEAST_FALL,
    "READY_LADDERS": [
        {"name": ladder.name, "steps": len(ladder.steps)} for ladder in READY_MADE.values()
    ],
    "STRONGEST_CHROMA": STRONGEST_CHROMA,
    "STRONGEST_TINT": STRONGEST_TINT,
    "STRONGEST_SHARE": STRONGEST_SHARE,
    "MOST_DRIFT": MOST_DRIFT,
    "CHROMA_END": CHROMA_END,
    "MOST_SPREAD": WIDEST_SPREAD_DEGREES,
    "FEWEST_EVEN": even.FEWEST,
    "MOST_EVEN": even.MOST,
    "FEWEST_MIXED": mixing.FEWEST,
    "MOST_MIXED": mixing.MOST,
    "CHART_COLORS": [LEAST_COLORS, MOST_COLORS_APART],
    "PALETTE_SOURCES": MOST_SOURCES,
    "NOTATIONS": list(NOTATIONS),
    "STATUSES": list(STATUSES),
    "KIND_ORDER": list(KIND_ORDER),
    "ALIKE": ALIKE,
    "FAMILIES": list(FAMILIES),
    "FORMS": list(FORMS),
    "STATES": list(STATES),
    "RULE_OF_THUMB": [
        {"group": group, "percent": percent} for group, percent in RULE_OF_THUMB.items()
    ],
    "SETS": [
        {"name": name, "count": len(purposes), "words": SET_WORDS[name]}
        for name, purposes in SETS.items()
    ],
    "CASES": [{"value": case, "words": words} for case, words in CASE_WORDS.items()],
    "PART_DEPENDS_ON": {name: list(maker.depends_on) for name, maker in PARTS.items()},
    "SPELLINGS": [list(pair) for pair in SPELLINGS],
}
