"""From a resolved document to the view that the page paints."""

from collections import Counter
from dataclasses import dataclass

import numpy as np

from heimat.core.color.arrays import Bytes
from heimat.core.color.contrast import AA_TEXT, cut, grade, ratio
from heimat.core.color.notation import Notation, format
from heimat.core.color.overlay import over
from heimat.core.colors_of import source_color, standing
from heimat.core.fewer import members, published_steps, uses_of
from heimat.core.legibility.findings import distance_text, findings
from heimat.core.publication import Publication, PublishedToken, publication
from heimat.core.resolve import Resolved, ToldApartResult, resolve
from heimat.core.scales.promises import Promise
from heimat.core.selection import Selection, chain_words, find
from heimat.core.system import (
    ColorSystem,
    Hue,
    NamedSelection,
    StepAlias,
    TokenAlias,
    TokenValue,
    in_order,
    ladder_of,
    method_of,
)
from heimat.core.tokens.aliases import value_in
from heimat.service.seeing import Eyes, SeenAs
from heimat.service.slip import slip_view
from heimat.service.view_findings import finding_view
from heimat.service.view_scales import ladder_view, opened_view
from heimat.service.view_sources import (
    candidate_views,
    confusable_status,
    followers,
    following_view,
    nudge_sign,
    on_grounds,
    pin_views,
    stops_views,
)
from heimat.service.view_types import (
    ContrastView,
    DistanceView,
    HueView,
    NamedSelectionView,
    OpenedView,
    PairingView,
    PromiseView,
    StepView,
    SystemView,
    TokenView,
    ToldApartView,
    ValueView,
)

_WHITE = np.array([255, 255, 255], dtype=np.uint8)
_BLACK = np.array([0, 0, 0], dtype=np.uint8)


@dataclass(frozen=True)
class ViewOptions:
    """How a person looks: through which eyes, on which ground, in which theme, at which color.

    `ground` is `white`, `black` or a step's key; `select` a key of a hue, step or token, `notation` the
    one that values of hues are written in. `detail` asks for the selected hue's scale in all detail, `compare` for it
    by all methods too; `repairs` are left out while something is dragged.
    """

    vision: SeenAs = "typical"
    severity: float = 1.0
    ground: str = "white"
    theme: str | None = None
    select: str | None = None
    notation: Notation = "hex"
    detail: bool = False
    compare: bool = False
    repairs: bool = True


@dataclass(frozen=True)
class Around:
    """What a view tells besides the document: where it is, what is out, what can be taken back."""

    slug: str
    revision: int
    latest: str | None
    published: Publication | None
    undo: str | None
    redo: str | None


def system_view(system: ColorSystem, around: Around, options: ViewOptions) -> SystemView:
    """Everything that the page paints of a document."""
    resolved = resolve(system, options.theme)
    eyes = Eyes(options.vision, options.severity)
    ground, ground_name = _ground(resolved, options.ground)
    changed = _changed(resolved, around.published)
    selection = find(resolved, options.select) if options.select else None
    theme = resolved.theme
    return {
        "slug": around.slug,
        "name": system.name,
        "revision": around.revision,
        "scale_pattern": system.scale_pattern,
        "latest": around.latest,
        "changed": len(changed),
        "undo": around.undo,
        "redo": around.redo,
        "vision": options.vision,
        "severity": options.severity,
        "ground": eyes.swatch(ground),
        "ground_name": ground_name,
        "theme": {"id": theme.id, "name": theme.name} if theme else None,
        "themes": [{"id": other.id, "name": other.name} for other in in_order(system.themes)],
        "ladder": ladder_view(system.ladder, uses_of(system, None)),
        "hues": _hues(resolved, eyes, ground, changed, options.notation),
        "candidates": candidate_views(resolved, eyes, options.notation),
        "stops": stops_views(resolved, eyes),
        "colors": len(published_steps(system)),
        "cap": system.cap,
        "selections": [_selection(system, kept) for kept in in_order(system.selections)],
        "confusable_status": confusable_status(resolved),
        "promises": [_promise(resolved, promise) for promise in resolved.promises],
        "tokens": _tokens(resolved, eyes, changed),
        "pairings": _pairings(resolved),
        "told_apart": [_told_apart(result) for result in resolved.told_apart],
        "findings": [finding_view(resolved, finding, eyes) for finding in findings(resolved, repairs=options.repairs)],
        "opened": _opened(resolved, selection, eyes, options.compare) if options.detail and selection else None,
        "slip": slip_view(resolved, selection, options.select or "", eyes, ground) if selection else None,
    }


def _ground(resolved: Resolved, key: str) -> tuple[Bytes, str]:
    """The ground of a key and its name; white where the key names nothing."""
    if key == "black":
        return _BLACK, "black"
    selection = find(resolved, key) if key.startswith("step:") else None
    if selection is None or selection.hue is None:
        return _WHITE, "white"
    step = key.partition("/")[2]
    hue = resolved.system.hues[selection.hue]
    place = ladder_of(resolved.system, hue).index(step) or 0
    return np.asarray(resolved.scales[hue.id].rgb8[place]), selection.name


def _opened(resolved: Resolved, selection: Selection, eyes: Eyes, compare: bool) -> OpenedView | None:
    hue = resolved.system.hues.get(selection.hue or "")
    return opened_view(resolved, hue, selection.id.partition("/")[2] or None, eyes, compare=compare) if hue else None


def _changed(resolved: Resolved, published: Publication | None) -> set[str]:
    """The ids of tokens that are not as they were last published; nothing counts before a first release."""
    if published is None:
        return set()
    now = publication(resolved)
    old: dict[str, PublishedToken] = {token.id: token for token in published.tokens}
    current = {token.id for token in now.tokens}
    return {token.id for token in now.tokens if old.get(token.id) != token} | (old.keys() - current)


def contrast_view(value: float) -> ContrastView:
    """A ratio in words."""
    return {"text": cut(value), "grade": grade(value)}


def _hues(resolved: Resolved, eyes: Eyes, ground: Bytes, changed: set[str], notation: Notation) -> list[HueView]:
    system, steps = resolved.system, resolved.steps
    swatches = eyes.swatches(steps.rgb8)
    own = eyes.swatches(np.array([resolved.scales[hue.id].source8 for hue in resolved.hues]).reshape(-1, 3))
    alphas = np.array([standing(system, hue).alpha for hue in resolved.hues])
    ratios = ratio(np.rint(over(steps.rgb8, alphas[steps.hue_index][:, None], ground)).astype(np.uint8), ground)
    columns = [column for hue in resolved.hues for column in _columns(system, hue)]
    tokens_on = Counter(color.step[0] for color in resolved.tokens.values() if color.step)
    names, descendants = followers(system)
    found: list[HueView] = []
    at = 0
    for hue, source, alpha in zip(resolved.hues, own, alphas.tolist(), strict=True):
        ladder, scale = ladder_of(system, hue), resolved.scales[hue.id]
        step_views: list[StepView] = []
        for place, step in enumerate(ladder.steps):
            reached = float(ratios[at])
            step_views.append(
                {
                    **swatches[at],
                    "key": f"step:{hue.id}/{step.id}",
                    "id": step.id,
                    "label": step.label,
                    "column": columns[at],
                    "contrast": contrast_view(reached),
                    "passes": reached >= AA_TEXT,
                    "anchor": scale.anchor == place and step.id not in hue.pins,
                    "pinned": step.id in hue.pins,
                    "nudged": nudge_sign(hue.nudges.get(step.id)),
                    "hidden": step.hidden,
                    "changed": f"{hue.id}/{step.id}" in changed,
                }
            )
            at += 1
        on_white, on_black = on_grounds(scale.source8, alpha, eyes)
        found.append(
            {
                **source,
                "key": f"hue:{hue.id}",
                "id": hue.id,
                "name": hue.name,
                "text": format(source_color(system, hue), notation) or source["hex"],
                "kind": hue.kind,
                "status": hue.status,
                "note": hue.note,
                "alpha": alpha,
                "on_white": on_white,
                "on_black": on_black,
                "follows": following_view(resolved, hue),
                "followers": names[hue.id],
                "descendants": descendants[hue.id],
                "pins": pin_views(resolved, hue, eyes),
                "smooth": hue.smooth,
                "anchor_mode": hue.anchor.mode,
                "anchor_step": hue.anchor.step,
                "ladder": hue.ladder.name if hue.ladder else None,
                "method": method_of(system, hue).name,
                "own_method": hue.method is not None,
                "own_curves": hue.curves is not None,
                "held": hue.held,
                "wide": hue.wide,
                "twins": int((~np.isnan(resolved.wide[hue.id][:, 0])).sum()) if hue.id in resolved.wide else 0,
                "tokens_on": tokens_on[hue.id],
                "steps": step_views,
            }
        )
    return found


def _selection(system: ColorSystem, kept: NamedSelection) -> NamedSelectionView:
    keys = [f"step:{ref.hue}/{ref.step}" for ref in members(system, kept)]
    return {"id": kept.id, "name": kept.name, "note": kept.note, "keys": keys, "missing": len(kept.steps) - len(keys)}


def _columns(system: ColorSystem, hue: Hue) -> list[int]:
    """Under which label of the system's ladder each step of a scale stands: the one aimed nearest in lightness."""
    aims = ladder_of(system, hue).lightness()
    nearest: list[int] = np.abs(aims[:, None] - system.ladder.lightness()[None, :]).argmin(axis=1).tolist()
    return nearest


def _promise(resolved: Resolved, promise: Promise) -> PromiseView:
    return {
        "apart": promise.apart,
        "least": cut(promise.least) if np.isfinite(promise.least) else "none",
        "aim": f"{promise.aim:g}",
        "kept": promise.kept,
        "pair": " and ".join(_step_name(resolved, index) for index in promise.tightest),
    }


def _step_name(resolved: Resolved, index: int) -> str:
    hue = resolved.hues[int(resolved.steps.hue_index[index])]
    return f"{hue.name} {ladder_of(resolved.system, hue).labels()[int(resolved.steps.step_index[index])]}"


def _tokens(resolved: Resolved, eyes: Eyes, changed: set[str]) -> list[TokenView]:
    theme = resolved.theme
    if theme is None or not resolved.tokens:
        return []
    tokens = [resolved.system.tokens[token] for token in resolved.tokens]
    swatches = eyes.swatches(np.array([color.rgb8 for color in resolved.tokens.values()], dtype=np.uint8))
    return [
        {
            **swatch,
            "key": f"token:{token.id}",
            "id": token.id,
            "name": token.name,
            "note": token.note,
            "alpha": resolved.tokens[token.id].alpha,
            "value": _value(value_in(token, theme.id)),
            "chain": chain_words(resolved, token.id),
            "changed": token.id in changed,
        }
        for token, swatch in zip(tokens, swatches, strict=True)
    ]


def _value(value: TokenValue) -> ValueView:
    step = value if isinstance(value, StepAlias) else None
    token = value.token if isinstance(value, TokenAlias) else None
    return {"kind": value.kind, "hue": step.hue if step else None, "step": step.step if step else None, "token": token}


def _pairings(resolved: Resolved) -> list[PairingView]:
    return [
        {
            "id": result.pairing.id,
            "foreground": result.pairing.foreground,
            "ground": result.pairing.ground,
            "use": result.pairing.use,
            "needed": f"{result.needed:g}" if result.needed else None,
            "contrast": contrast_view(result.ratio),
            "wide": None if result.wide is None else cut(result.wide),
            "holds": result.holds,
        }
        for result in resolved.pairings
    ]


def _told_apart(result: ToldApartResult) -> ToldApartView:
    told = result.told_apart
    return {
        "id": told.id,
        "name": told.name,
        "threshold": f"{told.threshold:g}",
        "tokens": list(told.tokens),
        "pairs": [
            {
                "one": told.tokens[pair.one],
                "other": told.tokens[pair.other],
                "distances": [
                    _distance("typical", pair.typical, told.threshold),
                    *(_distance(seen.vision, seen.least, told.threshold) for seen in pair.visions),
                ],
            }
            for pair in result.pairs
        ],
    }


def _distance(vision: str, distance: float, threshold: float) -> DistanceView:
    return {"vision": vision, "distance": distance_text(distance), "holds": distance >= threshold}
