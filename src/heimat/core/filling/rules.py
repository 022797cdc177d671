"""The rules by which purposes are filled, each with the sentence that says it."""

from collections.abc import Callable

import numpy as np

from heimat.core.color.angles import turn_between
from heimat.core.color.ciede2000 import TOLD_APART
from heimat.core.color.contrast import ratio, relative_luminance
from heimat.core.color.exact_color import oklch_of, rgb8_of
from heimat.core.color.thresholds import HAS_HUE
from heimat.core.document.hues import HueKind, QuantityChange
from heimat.core.document.purposes import CLASSES, FAMILIES, PURPOSES, SERIES
from heimat.core.document.tokens import DerivedColor, StepAlias, TokenValue
from heimat.core.filling import actions
from heimat.core.filling.filler import (
    BLACK,
    STATE_DISTANCE,
    WHITE,
    Filler,
    Rule,
    distances,
    reaches,
)
from heimat.core.filling.status_colors import PALE_APART, marks, surfaces
from heimat.core.resolve.resolved_hues import ResolvedHue
from heimat.core.sources.conventions import STATUSES

Fill = Callable[[Filler, str], TokenValue]

_STRONG, _PLAIN = (12.0, 16.0), (7.0, 11.0)
"""Ratios of strong and of plain text, usual and for more contrast."""
_LINE, _FAINT_LINE = 1.3, 1.15
_TOLD = 1.05
"""The least ratio by which a surface is told from the one it lies on."""
_DARK_PAGE = 6.0
"""L* at least of a dark page: darker ones leave no room for what is sunken."""
_PURPLE = 310.0
"""The OKLCH hue in degrees that visited links are known by."""
_SEEN_LIGHT, _SEEN_DARK = 2.0, 3.0
"""Ratio to the card from which on the large areas of a chart keep a hue itself; a light ground forgives more."""
_SERIES_SHARES = (0.25, 0.8, 0.45, 0.9, 0.6, 0.35, 0.7)
"""Where on the brand's scale further series are taken, from the ground on."""
_VISITED_TURNS = (60.0, -60.0, 90.0, -90.0, 120.0, -120.0)
"""Degrees by which a visited link's hue may be turned, the first of which reads as no status."""
_MOST_FURTHER = 3
"""By how many steps a selection may leave the card to be told from page and messages."""
_TINTED_BY: tuple[HueKind, ...] = ("brand", "neutral")


def _page(filler: Filler, _: str) -> TokenValue:
    neutral = filler.hue("neutral")
    if filler.contrast == "more":
        return (
            filler.step(neutral, int(relative_luminance(neutral.rgb8).argmin()))
            if filler.dark
            else WHITE
        )
    if not filler.dark:
        return filler.quietest(neutral, _TOLD, rgb8_of(WHITE.color)[None])
    light = neutral.scale.lightness
    good = np.flatnonzero(light >= _DARK_PAGE)
    return filler.step(neutral, int(good[light[good].argmin()]))


def _card(filler: Filler, _: str) -> TokenValue:
    if not filler.dark:
        return WHITE
    return _lifted(filler, filler.color("surface.page"))


def _floating(filler: Filler, _: str) -> TokenValue:
    return (
        filler.alias("surface.card")
        if not filler.dark
        else _lifted(filler, filler.color("surface.card"))
    )


def _lifted(filler: Filler, under: np.ndarray) -> StepAlias:
    """The neutral step nearest above a dark ground that is told from it."""
    neutral = filler.hue("neutral")
    lighter = relative_luminance(neutral.rgb8) > relative_luminance(under)
    reached = np.where(lighter, ratio(neutral.rgb8, under), np.inf)
    good = np.where(reached >= _TOLD, reached, np.inf)
    return filler.step(neutral, int(good.argmin()) if np.isfinite(good).any() else 0)


def _well(filler: Filler, _: str) -> TokenValue:
    neutral, page = filler.hue("neutral"), filler.color("surface.page")
    darker = relative_luminance(neutral.rgb8) < relative_luminance(page)
    reached = np.where(darker, ratio(neutral.rgb8, page), np.inf)
    good = np.where(reached >= _TOLD, reached, np.inf)
    if np.isfinite(good).any():
        return filler.step(neutral, int(good.argmin()))
    return (
        BLACK if float(ratio(rgb8_of(BLACK.color), page)) >= _TOLD else filler.alias("surface.page")
    )


def _board(filler: Filler, _: str) -> TokenValue:
    neutral = filler.hue("neutral")
    return filler.step(neutral, int(relative_luminance(neutral.rgb8).argmin()))


def _neutral(usual: float, more: float) -> Fill:
    return lambda filler, _: filler.quietest(
        filler.hue("neutral"),
        more if filler.contrast == "more" else usual,
        filler.under_texts(),
    )


def _neutral_about(target: float) -> Fill:
    return lambda filler, _: filler.about(
        filler.hue("neutral"), target, filler.color("surface.card")
    )


def _text(filler: Filler, _: str) -> TokenValue:
    return filler.quietest(filler.hue("neutral"), filler.text, filler.under_texts())


def _part(filler: Filler, _: str) -> TokenValue:
    return filler.quietest(filler.hue("neutral"), filler.part)


def _line(filler: Filler, _: str) -> TokenValue:
    """A neutral that is seen on page and card, and no more."""
    target = 2.0 if filler.contrast == "more" else _LINE
    return filler.quietest(filler.hue("neutral"), target, filler.grounds()[:2])


def _on(ground: str) -> Fill:
    return lambda filler, _: actions.label_on(filler, filler.color(ground))


def _on_board(target: float) -> Fill:
    return lambda filler, _: filler.quietest(
        filler.hue("neutral"), max(target, filler.text), filler.color("surface.board")[None]
    )


def _alias(purpose: str) -> Fill:
    return lambda filler, _: filler.alias(purpose)


def _link(filler: Filler, _: str) -> TokenValue:
    return filler.nearest(filler.hue("brand"), filler.text, filler.grounds())


def _link_hovered(filler: Filler, _: str) -> TokenValue:
    return filler.further(filler.nearest(filler.hue("brand"), filler.text, filler.grounds()))


def _visited(filler: Filler, _: str) -> TokenValue:
    colored = [
        hue
        for hue in filler.hues.values()
        if hue.hue.kind in ("brand", "accent") and _chroma(hue) >= 0.03
    ]
    near = [hue for hue in colored if abs(turn_between(_angle(hue), _PURPLE)) <= 40.0]
    if near:
        return filler.nearest(near[0], filler.text, filler.grounds())
    link = filler.nearest(filler.hue("brand"), filler.text, filler.grounds())
    # Luminance stays, and with it all contrast.
    turned = [
        DerivedColor(of=link, turn=QuantityChange(how="shifted", by=by)) for by in _VISITED_TURNS
    ]
    said = [f"status.{status}{part}" for status in STATUSES for part in ("", "-text")]
    statuses = [filler.color(purpose) for purpose in said if purpose in filler.ids]
    if not statuses:
        return turned[0]
    colors = filler.derived(turned)
    near = np.array([distances(colors, each) for each in statuses]).min(axis=0)
    return turned[int((near >= TOLD_APART).argmax() if near.max() >= TOLD_APART else near.argmax())]


def _focus(filler: Filler, _: str) -> TokenValue:
    """A ring around a button is no edge of it: its color is told from that of the main action."""
    brand = filler.hue("brand")
    information = filler.status("information")
    edges = [filler.color(f"action.main.{part}") for part in ("fill", "border")]
    for hue in (brand, information) if _chroma(brand) >= HAS_HUE * 5 else (information,):
        good = filler.least(hue, filler.grounds()) >= filler.part
        for each in edges:
            good &= distances(hue.rgb8, each) >= TOLD_APART
        if good.any():
            away = distances(hue.rgb8, rgb8_of(hue.color))
            return filler.step(hue, int(np.where(good, away, np.inf).argmin()))
    return filler.alias("text.strong")


def _selection(filler: Filler, _: str) -> TokenValue:
    """The brand's tint, or a neutral one where the brand's would come near the ground of a message."""
    page = filler.color("surface.page")
    messages = [
        filler.color(purpose)
        for status in STATUSES
        if (purpose := f"status.{status}-surface") in filler.ids
    ]
    best, farthest = None, -1.0
    ink = filler.hue("neutral").rgb8
    for kind in _TINTED_BY:
        tint = actions.rest_tint(filler, filler.hue(kind))
        for further in range(_MOST_FURTHER):
            tried = filler.further(tint, further)
            color = filler.color_of(tried)
            near = min(
                (float(distances(color[None], each)[0]) for each in messages), default=PALE_APART
            )
            seen = (
                float(ratio(color, page)) >= _TOLD and float(ratio(ink, color).max()) >= _STRONG[0]
            )
            if seen and near >= PALE_APART:
                return tried
            if seen and near > farthest:
                best, farthest = tried, near
    return best or actions.rest_tint(filler, filler.hue("brand"))


def _selection_label(filler: Filler, _: str) -> TokenValue:
    if reaches(filler.color("text.strong"), [filler.color("selection.fill")], filler.text):
        return filler.alias("text.strong")
    return actions.label_on(filler, filler.color("selection.fill"))


def _veil(light: float, dark: float) -> Fill:
    def make(filler: Filler, _: str) -> TokenValue:
        neutral = filler.hue("neutral")
        darkest = filler.step(neutral, int(relative_luminance(neutral.rgb8).argmin()))
        alpha = QuantityChange(how="set", by=dark if filler.dark else light)
        return DerivedColor(of=darkest, alpha=alpha)

    return make


def _status_of(purpose: str) -> str:
    return purpose.removeprefix("status.").partition("-")[0]


def _mark(filler: Filler, purpose: str) -> TokenValue:
    found = filler.together(marks).get(_status_of(purpose))
    return actions.edge(filler, filler.hue("brand")) if found is None else found


def _message(filler: Filler, purpose: str) -> TokenValue:
    found = filler.together(surfaces).get(_status_of(purpose))
    if found is not None:
        return found
    return actions.rest_tint(filler, filler.hue("brand"))


def _message_text(filler: Filler, purpose: str) -> TokenValue:
    hue = filler.status(_status_of(purpose))
    message = filler.color(f"status.{_status_of(purpose)}-surface")
    return filler.nearest(hue, filler.text, np.array([*filler.grounds(), message]))


def _message_border(filler: Filler, purpose: str) -> TokenValue:
    return filler.alias(f"status.{_status_of(purpose)}")


def _highlighted(filler: Filler, _: str) -> TokenValue:
    brand = filler.hue("brand")
    return (
        filler.own(brand)
        if reaches(rgb8_of(brand.color), filler.grounds()[:2], filler.part)
        else actions.edge(filler, brand)
    )


def _series(filler: Filler, purpose: str) -> TokenValue:
    """The brand's and accents' own colors and a gray first; then further steps of the first brand hue."""
    number = int(purpose.rpartition(".")[2])
    colored = [hue for hue in filler.hues.values() if hue.hue.kind in ("brand", "accent")][
        : SERIES - 1
    ]
    wanted: list[TokenValue] = [_own_or_step(filler, hue) for hue in colored]
    wanted.append(filler.about(filler.hue("neutral"), 4.0, filler.color("surface.card")))
    brand = filler.hue("brand")
    wanted += [
        step for share in _SERIES_SHARES if (step := _class(filler, brand, share)) not in wanted
    ]
    return wanted[(number - 1) % len(wanted)]


def _own_or_step(filler: Filler, hue: ResolvedHue) -> TokenValue:
    """A hue itself where a mark of it is seen on the card, else the step most like it that is."""
    card = filler.color("surface.card")[None]
    if reaches(rgb8_of(hue.color), card, _SEEN_DARK if filler.dark else _SEEN_LIGHT):
        return filler.own(hue)
    return filler.nearest(hue, _SEEN_DARK, card)


def _sequential(filler: Filler, purpose: str) -> TokenValue:
    number = int(purpose.rpartition(".")[2])
    return _class(filler, filler.hue("brand"), number / CLASSES)


def _class(filler: Filler, hue: ResolvedHue, share: float) -> StepAlias:
    """A step of a hue by how far it stands from the grounds, 0 to 1."""
    last = len(hue.steps) - 1
    place = round(share * last)
    return filler.step(hue, last - place if filler.dark else place)


def _diverging(filler: Filler, purpose: str) -> TokenValue:
    number = int(purpose.rpartition(".")[2])
    middle = (CLASSES + 1) // 2
    if number == middle:
        return filler.about(filler.hue("neutral"), _LINE, filler.color("surface.card"))
    brand = filler.hue("brand")
    others = [
        hue
        for hue in filler.hues.values()
        if hue.hue.kind in ("brand", "accent") and hue.id != brand.id
    ]
    other = max(
        others,
        key=lambda hue: abs(turn_between(_angle(brand), _angle(hue))),
        default=filler.status("error"),
    )
    return _class(
        filler,
        brand if number < middle else other,
        0.15 + 0.65 * (abs(number - middle) / (middle - 1)),
    )


def _angle(hue: ResolvedHue) -> float:
    return hue.source.aim[2]


def _chroma(hue: ResolvedHue) -> float:
    return float(oklch_of(hue.color)[1])


_NEUTRAL_TEXT = (
    "The quietest neutral step that reaches {} on every surface and on what is selected."
)
_PLAIN_RULES: dict[str, Rule] = {
    "surface.page": Rule(
        f"Light: the lightest neutral step told from white ({_TOLD}); dark: the darkest of L* {_DARK_PAGE:g} or more.",
        _page,
    ),
    "surface.card": Rule("Light: white; dark: the neutral step just above the page.", _card),
    "surface.lifted": Rule("Light: as the card; dark: the neutral step just above it.", _floating),
    "surface.well": Rule("The neutral step just below the page; black where there is none.", _well),
    "surface.brand": Rule("As the fill of the main action.", _alias("action.main.fill")),
    "surface.board": Rule("The darkest neutral step, in every theme.", _board),
    "text.strong": Rule(_NEUTRAL_TEXT.format("12 (16 for more contrast)"), _neutral(*_STRONG)),
    "text.plain": Rule(_NEUTRAL_TEXT.format("7 (11 for more contrast)"), _neutral(*_PLAIN)),
    "text.faint": Rule(_NEUTRAL_TEXT.format("4.5 (7 for more contrast)"), _text),
    "text.disabled": Rule(
        "A neutral near 2.8 on the card: exempt, still made out.", actions.disabled_label
    ),
    "text.on-brand": Rule(
        "White or the darkest neutral, whichever passes on the brand’s surface; else a near black of its own.",
        _on("surface.brand"),
    ),
    "text.on-board": Rule(
        "The quietest neutral step that reaches 12 on the board.", _on_board(_STRONG[0])
    ),
    "text.on-board-faint": Rule(
        "The quietest neutral step that reaches 7 on the board.", _on_board(_PLAIN[0])
    ),
    "link.text": Rule(
        "The step of the brand most like it that reaches 4.5 on every surface.", _link
    ),
    "link.text-hovered": Rule("The step after the link’s, further from the ground.", _link_hovered),
    "link.text-visited": Rule(
        "A hue near purple that passes on every surface; without one, the link turned, by 60° where that reads as no "
        "status.",
        _visited,
    ),
    "border.plain": Rule("The quietest neutral step that reaches 3 on every surface.", _part),
    "border.strong": Rule(
        "The quietest neutral step that reaches 7 on every surface.", _neutral(*_PLAIN)
    ),
    "border.divider": Rule(
        f"The quietest neutral step that reaches {_LINE} on page and card.", _line
    ),
    "icon.plain": Rule(_NEUTRAL_TEXT.format("4.5 (7 for more contrast)"), _text),
    "icon.faint": Rule("The quietest neutral step that reaches 3 on every surface.", _part),
    "focus.ring": Rule(
        "The step of the brand, else of information, that reaches 3 on every surface and is told from the main action.",
        _focus,
    ),
    "selection.fill": Rule(
        "The tint of the brand nearest to the card; a neutral one where it would come near a message’s.",
        _selection,
    ),
    "selection.label": Rule(
        "As strong text, where that passes on the selection.", _selection_label
    ),
    "shadow.plain": Rule("The darkest neutral, 16 % opaque; 50 % on dark.", _veil(0.16, 0.5)),
    "overlay.scrim": Rule("The darkest neutral, 55 % opaque; 70 % on dark.", _veil(0.55, 0.7)),
    "chart.axis": Rule("The quietest neutral step that reaches 3 on every surface.", _part),
    "chart.grid": Rule(f"The quietest neutral step that reaches {_LINE} on page and card.", _line),
    "chart.label": Rule(_NEUTRAL_TEXT.format("4.5 (7 for more contrast)"), _text),
    "chart.missing": Rule(
        f"A neutral near {_FAINT_LINE} on the card.", _neutral_about(_FAINT_LINE)
    ),
    "chart.highlighted": Rule(
        "The brand itself, or the step most like it that reaches 3.", _highlighted
    ),
    "chart.muted": Rule("A neutral near 1.8 on the card.", _neutral_about(1.8)),
}

_LABEL_WORDS = (
    "White or the darkest neutral, whichever reaches 4.5 on the fill; where neither does, a near black of its own (L* "
    "1.6 or less)."
)
_STATE_WORDS = (
    f"The state before, moved by CIEDE2000 {STATE_DISTANCE:g}: lighter on dark, darker on light, or the other way "
    "where the label leaves no room; never below what it needs."
)
_SOLID: dict[str, Rule] = {
    "fill": Rule(
        "The hue itself, to the bit; for more contrast a step where no label reaches 7 on it.",
        actions.fill,
    ),
    "fill-hovered": Rule(_STATE_WORDS, actions.state),
    "fill-pressed": Rule(_STATE_WORDS, actions.state),
    "fill-disabled": Rule("A neutral near 1.25 on the card: exempt.", actions.disabled_fill),
    "label": Rule(_LABEL_WORDS, actions.label),
    "label-disabled": Rule(
        "A neutral near 2.8 on the card: exempt, still made out.", actions.disabled_label
    ),
    "border": Rule(
        "The fill, where it reaches 3 on every surface; else the step most like it that does.",
        actions.border,
    ),
    "border-hovered": Rule("As the edge at rest.", actions.border),
    "border-disabled": Rule("A neutral near 1.6 on the card: exempt.", actions.disabled_border),
}
_OPEN: dict[str, Rule] = {
    "border": Rule("The step most like the hue that reaches 3 on every surface.", actions.drawn),
    "border-hovered": Rule(
        "The step after the edge’s, further from the ground.", actions.drawn_hovered
    ),
    "border-disabled": _SOLID["border-disabled"],
    "fill-hovered": Rule("The tint nearest to the card that is told from it.", actions.tint),
    "fill-pressed": Rule(
        "That tint, moved by CIEDE2000 3 away from its ground.", actions.pressed_tint
    ),
    "label": Rule(
        "The step most like the hue that reaches 4.5 on every surface and on both tints.",
        actions.written,
    ),
    "label-disabled": _SOLID["label-disabled"],
}


def rules_for(purposes: "set[str] | frozenset[str]") -> dict[str, Rule]:
    """The rule of every purpose that has one. A family is solid where its fill at rest is among `purposes`."""
    found = dict(_PLAIN_RULES)
    for status in STATUSES:
        found[f"status.{status}"] = Rule(
            "The hue itself, or the step most like it, so that all marks reach 3 and are told apart for every vision.",
            _mark,
        )
        found[f"status.{status}-surface"] = Rule(
            f"A tint near the card; all of one chroma, CIEDE2000 {PALE_APART:g} from each other where that can be.",
            _message,
        )
        found[f"status.{status}-text"] = Rule(
            "The step most like the hue that reaches 4.5 on every surface and on the message.",
            _message_text,
        )
        found[f"status.{status}-border"] = Rule("As the mark of that status.", _message_border)
    for number in range(1, SERIES + 1):
        found[f"chart.series.{number}"] = Rule(
            "Brand and accents themselves, or steps that are seen on the card; a gray; further steps of the brand.",
            _series,
        )
    for number in range(1, CLASSES + 1):
        found[f"chart.sequential.{number}"] = Rule(
            "Steps of the brand, away from the ground.", _sequential
        )
        found[f"chart.diverging.{number}"] = Rule(
            "Steps of the brand and of the brand or accent least like it, from a neutral middle.",
            _diverging,
        )
    for family in FAMILIES:
        # The main action is solid whatever of it there is: surfaces and texts rest on its fill.
        solid = family == "main" or f"action.{family}.fill" in purposes
        for part, rule in (_SOLID if solid else _OPEN).items():
            found[f"action.{family}.{part}"] = rule
    return found


def has_rule(purpose: str | None) -> bool:
    """Whether a purpose is one that is filled by a rule."""
    return purpose in PURPOSES and purpose not in _BY_HAND


_BY_HAND = frozenset({"text.late"})
"""Purposes of which nobody knows but the team."""
