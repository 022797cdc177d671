"""The report: what was checked, how, the figures, the exceptions, and what was not checked and needs a person."""

from datetime import date
from typing import Any

from typing_extensions import TypedDict

from heimat.core.color.ciede2000 import distance_text
from heimat.core.color.contrast import cut
from heimat.core.color.hex_notation import hex_of
from heimat.core.document.order import in_order
from heimat.core.document.pairings import USE_WORDS, Use
from heimat.core.legibility.contrast_left import under
from heimat.core.legibility.findings import findings, standing_exceptions
from heimat.core.resolve.checked_pairings import PairingResult
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.theme import ResolvedTheme, ToldApartResult
from heimat.view.legibility.findings import ExceptionView, exception_views

CRITERIA: dict[Use, str] = {
    "body": "WCAG 2.2, 1.4.3 Contrast (Minimum), level AA: 4.5",
    "large": "WCAG 2.2, 1.4.3 Contrast (Minimum), level AA, large text (24 px, or 18.66 px bold): 3",
    "part": "WCAG 2.2, 1.4.11 Non-text Contrast, level AA: 3",
    "decoration": "exempt: pure decoration (WCAG 2.2, 1.4.3 and 1.4.11)",
}
HOW = (
    "Every color was taken as it is published, in 8-bit sRGB. Contrast is the ratio of relative luminances after WCAG "
    "2.2, cut and never rounded up; a translucent color was composited first, and had to hold one level up and down. "
    "Colors that must be told apart were compared by CIEDE2000 in typical vision and, at every severity from 0 to 1, "
    "in protan and deutan vision (Machado, Oliveira, Fernandes 2009) and tritan vision (Brettel, Viénot, Mollon 1997)."
)
NOT_CHECKED = (
    "Whether a page uses these tokens as they are declared: only declared pairings were measured.",
    "Text on pictures and gradients, other than those that were looked at in the work area.",
    "Whether anything is told by color alone (1.4.1): a word, an icon or a shape beside a color is a person's to see.",
    "Whether links within text can be found without color (technique G183), where they are not underlined.",
    "Focus order, target sizes, motion, and every criterion that is not about color.",
    "How people read it: a ratio says what the standard asks for, a reading test what your readers can do.",
)


class CheckedPairView(TypedDict):
    """A pairing that was checked: names, values, use, the criterion, the ratio, and whether it holds."""

    theme: str
    foreground: str
    foreground_color: str
    ground: str
    ground_color: str
    use: str
    criterion: str
    needed: float | None
    ratio: str
    holds: bool | None


class CheckedSetView(TypedDict):
    """A told-apart set that was checked: its closest pair, and the pairs that come too close."""

    theme: str
    name: str
    threshold: float
    pairs: int
    closest: str
    close: list[str]


class CheckedConditionView(TypedDict):
    """A viewing condition: how many declared pairings no longer hold, of all."""

    theme: str
    name: str
    lost: int
    total: int
    quantities: dict[str, Any]


class ReportView(TypedDict):
    """The state of a system's legibility at a revision, as a build can read it. `open` counts what is to settle."""

    format: int
    system: str
    revision: int
    on: str
    open: int
    duty: str
    how: str
    pairings: list[CheckedPairView]
    told_apart: list[CheckedSetView]
    conditions: list[CheckedConditionView]
    findings: list[str]
    exceptions: list[ExceptionView]
    not_checked: list[str]


def report_view(resolved: Resolved, revision: int, today: date) -> ReportView:
    """The report of a document."""
    found = findings(resolved, repairs=False)
    accepted = standing_exceptions(resolved, found, today).in_force
    left = [each for each in found if each.id not in accepted]
    names = {theme.theme.id: theme.theme.name for theme in resolved.themes.values()}
    themes = list(resolved.themes.values())
    return {
        "format": 1,
        "system": resolved.system.name,
        "revision": revision,
        "on": today.isoformat(),
        "open": len(left),
        "duty": resolved.system.duty,
        "how": HOW,
        "pairings": [_pair(resolved, theme, each) for theme in themes for each in theme.pairings],
        "told_apart": [
            _set(resolved, theme, each) for theme in themes for each in theme.told_apart
        ],
        "conditions": _conditions(resolved),
        "findings": [
            f"{each.sentence} In {names[each.theme]}." if each.theme else each.sentence
            for each in left
        ],
        "exceptions": exception_views(resolved, today),
        "not_checked": list(NOT_CHECKED),
    }


def _pair(resolved: Resolved, theme: ResolvedTheme, each: PairingResult) -> CheckedPairView:
    ends = (each.pairing.foreground, each.pairing.ground)
    names = [resolved.system.tokens[token].name for token in ends]
    colors = [hex_of(theme.tokens[token].rgb8) for token in ends]
    return {
        "theme": theme.theme.name,
        "foreground": names[0],
        "foreground_color": colors[0],
        "ground": names[1],
        "ground_color": colors[1],
        "use": USE_WORDS[each.pairing.use],
        "criterion": CRITERIA[each.pairing.use],
        "needed": each.needed,
        "ratio": cut(each.ratio if each.wide is None else min(each.ratio, each.wide)),
        "holds": each.holds,
    }


def _set(resolved: Resolved, theme: ResolvedTheme, each: ToldApartResult) -> CheckedSetView:
    told = each.told_apart

    def words(pair: int) -> str:
        found = each.pairs[pair]
        names = [
            resolved.system.tokens[told.tokens[place]].name for place in (found.one, found.other)
        ]
        vision = "typical" if found.typical <= found.worst.least else found.worst.vision
        return f"{names[0]} and {names[1]}: {distance_text(found.least)} for {vision} vision"

    order = sorted(range(len(each.pairs)), key=lambda pair: each.pairs[pair].least)
    return {
        "theme": theme.theme.name,
        "name": told.name,
        "threshold": told.threshold,
        "pairs": len(each.pairs),
        "closest": words(order[0]) if order else "",
        "close": [words(pair) for pair in order if each.pairs[pair].least < told.threshold],
    }


def _conditions(resolved: Resolved) -> list[CheckedConditionView]:
    found: list[CheckedConditionView] = []
    for condition in in_order(resolved.system.conditions):
        for theme in resolved.themes.values():
            held = under(theme, condition.quantities)
            found.append(
                {
                    "theme": theme.theme.name,
                    "name": condition.name,
                    "lost": sum(not each.holds for each in held),
                    "total": len(held),
                    "quantities": condition.quantities.model_dump(mode="json"),
                }
            )
    return found
