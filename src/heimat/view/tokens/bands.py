"""Tokens built from grounds: each surface a band, with what is used on it, as what it is.

What several surfaces share stands whole on the first of them and in one line on the others; what belongs together,
the states of an action or the parts of a message, stands together.
"""

from typing_extensions import TypedDict

from heimat.core.color.contrast import cut
from heimat.core.document.order import in_order
from heimat.core.document.purposes import FAMILIES, family_of
from heimat.core.document.tokens import Token
from heimat.core.filling.fill import by_purpose
from heimat.core.resolve.checked_pairings import PairingResult
from heimat.core.sources.conventions import STATUSES
from heimat.view.look import Look

_STATE_WORDS = {
    "": "at rest",
    "-hovered": "hovered",
    "-pressed": "pressed",
    "-disabled": "disabled",
}


class RowView(TypedDict):
    """A token on a ground: what it reads there, what it needs, and whether that holds; null where nothing is asked."""

    token: str
    reads: str
    needed: str | None
    holds: bool | None


class StateView(TypedDict):
    """One state of an action: the tokens of its fill, label and edge, and what the label reads on its ground."""

    words: str
    fill: str | None
    label: str | None
    border: str | None
    reads: str
    holds: bool | None


class FamilyView(TypedDict):
    """A family of actions, with its states."""

    family: str
    states: list[StateView]


class MessageView(TypedDict):
    """A message of a status: its ground, text, mark and edge, and what the text reads."""

    status: str
    surface: str | None
    text: str | None
    mark: str | None
    border: str | None
    reads: str
    holds: bool | None


class StripView(TypedDict):
    """Colors for data that belong together, edge to edge."""

    words: str
    tokens: list[str]


class BandView(TypedDict):
    """A ground, by its token, and what stands on it; `ground` is null for what stands on none."""

    ground: str | None
    texts: list[RowView]
    shared: list[RowView]
    parts: list[RowView]
    families: list[FamilyView]
    messages: list[MessageView]
    strips: list[StripView]
    fills: list[RowView]


def bands_part(look: Look) -> list[BandView]:
    """All bands of the theme shown, in the order of their grounds."""
    theme = look.theme
    if theme is None:
        return []
    sorter = _Sorter(look, theme.pairings)
    grounds = sorter.surfaces()
    bands = [sorter.band(ground, first=place == 0) for place, ground in enumerate(grounds)]
    left = [token for token in in_order(look.system.tokens) if token.id not in sorter.placed]
    if left or not bands:
        bands.append({**_empty(None), "fills": [sorter.alone(token) for token in left]})
    return [band for band in bands if band["ground"] is not None or band["fills"]]


def _empty(ground: str | None) -> BandView:
    return {
        "ground": ground,
        "texts": [],
        "shared": [],
        "parts": [],
        "families": [],
        "messages": [],
        "strips": [],
        "fills": [],
    }


class _Sorter:
    """Puts every token in its place, once."""

    def __init__(self, look: Look, pairings: list[PairingResult]) -> None:
        self._tokens = look.system.tokens
        self._by_purpose = by_purpose(look.system)
        self._on: dict[str, list[PairingResult]] = {}
        self._results: dict[tuple[str, str], PairingResult] = {}
        for result in pairings:
            self._on.setdefault(result.pairing.ground, []).append(result)
            self._results[result.pairing.foreground, result.pairing.ground] = result
        self.placed: set[str] = set()

    def surfaces(self) -> list[str]:
        """The tokens that are grounds of their own: surfaces, and whatever without a purpose has something on it."""
        found = []
        for token in in_order(self._tokens):
            kind = (token.purpose or "").partition(".")[0]
            if kind == "surface" or (token.purpose is None and token.id in self._on):
                found.append(token.id)
                self.placed.add(token.id)
        return found

    def band(self, ground: str, *, first: bool) -> BandView:
        """What stands on a surface."""
        purpose = self._tokens[ground].purpose
        band = _empty(ground)
        card = "surface.card" if "surface.card" in self._by_purpose else None
        if first:
            band["families"] = self._families()
            band["fills"] += [self.alone(token) for token in self._of("selection")]
        if purpose == card or (card is None and first):
            band["messages"] = self._messages()
            band["strips"] = self._strips()
        if purpose == "surface.lifted":
            band["fills"] += [self.alone(token) for token in self._of("shadow", "overlay")]
        self._stand(band, ground)
        if first:
            disabled = (token for token in self._of("text") if token.purpose == "text.disabled")
            band["texts"] += [self.alone(token) for token in disabled]
        return band

    def _stand(self, band: BandView, ground: str) -> None:
        """What is declared to stand on a ground: whole where it is the first that shows it, else in one line."""
        for result in self._on.get(ground, []):
            token = self._tokens[result.pairing.foreground]
            if family_of(token.purpose) or (token.purpose or "").partition(".")[0] in (
                "status",
                "selection",
            ):
                continue
            texts = result.pairing.use in ("body", "large")
            rows = (
                band["shared"]
                if token.id in self.placed
                else band["texts"]
                if texts
                else band["parts"]
            )
            rows.append(_row(token.id, result))
            self.placed.add(token.id)

    def alone(self, token: Token) -> RowView:
        """A token that stands on nothing that is declared."""
        self.placed.add(token.id)
        return {"token": token.id, "reads": "", "needed": None, "holds": None}

    def _of(self, *kinds: str) -> list[Token]:
        return [
            token
            for token in in_order(self._tokens)
            if token.id not in self.placed and (token.purpose or "").partition(".")[0] in kinds
        ]

    def _take(self, purpose: str) -> str | None:
        found = self._by_purpose.get(purpose)
        if found is not None:
            self.placed.add(found)
        return found

    def _reads(self, foreground: str | None, ground: str | None) -> tuple[str, bool | None]:
        result = self._results.get((foreground or "", ground or ""))
        if result is None:
            return "", None
        return (cut(result.ratio) if result.needed else "exempt"), result.holds

    def _families(self) -> list[FamilyView]:
        found: list[FamilyView] = []
        page = self._by_purpose.get("surface.page")
        for family in FAMILIES:
            at = f"action.{family}"
            states: list[StateView] = []
            for suffix, words in _STATE_WORDS.items():
                own = {
                    part: self._take(f"{at}.{part}{suffix}") for part in ("fill", "label", "border")
                }
                if not any(own.values()):
                    continue
                label = own["label"] or self._by_purpose.get(f"{at}.label")
                border = own["border"] or (
                    None if suffix == "-disabled" else self._by_purpose.get(f"{at}.border")
                )
                reads, holds = self._reads(label, own["fill"] or page)
                states.append(
                    {
                        "words": words,
                        "fill": own["fill"],
                        "label": label,
                        "border": border,
                        "reads": "exempt" if suffix == "-disabled" else reads,
                        "holds": None if suffix == "-disabled" else holds,
                    }
                )
            if states:
                found.append({"family": family, "states": states})
        return found

    def _messages(self) -> list[MessageView]:
        found: list[MessageView] = []
        card = self._by_purpose.get("surface.card")
        for status in STATUSES:
            at = f"status.{status}"
            surface, text, border = (
                self._take(f"{at}-{part}") for part in ("surface", "text", "border")
            )
            mark = self._take(at)
            if not any((surface, text, mark, border)):
                continue
            reads, holds = self._reads(text, surface) if text else self._reads(mark, card)
            found.append(
                {
                    "status": status,
                    "surface": surface,
                    "text": text,
                    "mark": mark,
                    "border": border,
                    "reads": reads,
                    "holds": holds,
                }
            )
        return found

    def _strips(self) -> list[StripView]:
        charts = self._of("chart")
        rows: dict[str, list[str]] = {}
        for token in charts:
            row = (token.purpose or "").split(".")[1]
            if row in ("series", "sequential", "diverging"):
                rows.setdefault(row, []).append(token.id)
            elif row in ("missing", "highlighted", "muted"):
                rows.setdefault("missing, highlighted, muted", []).append(token.id)
        self.placed.update(token for tokens in rows.values() for token in tokens)
        return [{"words": words, "tokens": tokens} for words, tokens in rows.items()]


def _row(token: str, result: PairingResult) -> RowView:
    return {
        "token": token,
        "reads": cut(result.ratio) if result.needed else "exempt",
        "needed": f"{result.needed:g}" if result.needed else None,
        "holds": result.holds,
    }
