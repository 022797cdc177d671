"""The two demo systems."""

from heimat.core.color.notation import Color, parse
from heimat.core.document.consistency import check_system
from heimat.core.document.hues import Hue, HueKind, TintedSource
from heimat.core.document.order import keys
from heimat.core.document.pairings import Pairing
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import StepAlias, Token
from heimat.core.edits.sources import given
from heimat.core.proposals.starter import DAY, with_starter
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.ladder import FINE
from heimat.core.sources.conventions import Status

_HUES: tuple[tuple[str, HueKind, Status | None, str, str], ...] = (
    ("tidewater", "brand", None, "#0B6E6E", "on every livery since the first boat; exact"),
    ("buoy", "brand", None, "#DF5A33", "the signal color, from the quay signs"),
    ("gorse", "accent", None, "#DFAF3A", "from the harbor picture"),
    ("heather", "accent", None, "#8A6FA8", "from the harbor picture"),
    ("kelp", "status", "success", "#3F8F4F", "done, on time"),
    ("flare", "status", "error", "#BF3650", "failed, cancelled"),
    ("lamp", "status", "warning", "#D98A00", "late, nearly full"),
    ("sound", "status", "information", "#2F6DB5", "gate, notice"),
)
TIMETABLE_COLOR = "#2A8C82"
"""The printed timetable's blue-green, which must stay."""


def _hue(
    name: str,
    order: str,
    kind: HueKind,
    status: Status | None,
    text: str,
    note: str,
    pins: dict[str, Color] | None = None,
) -> Hue:
    source, recall = given(parse(text), None)
    return Hue(
        id=name,
        order=order,
        name=name,
        kind=kind,
        status=status,
        source=source,
        recall=recall,
        note=note,
        pins=pins or {},
    )


def brinemark() -> ColorSystem:
    """The ferry line's system: eight hues, a neutral of 13 steps tinted with tidewater, tokens, one theme."""
    orders = keys(len(_HUES) + 1)
    hues = {}
    for (name, kind, status, text, note), order in zip(_HUES, orders, strict=False):
        pins = {"s500": parse(TIMETABLE_COLOR)} if name == "tidewater" else None
        hues[name] = _hue(name, order, kind, status, text, note, pins)
    hues["shingle"] = Hue(
        id="shingle",
        order=orders[-1],
        name="shingle",
        kind="neutral",
        source=TintedSource(hue="tidewater"),
        anchor=Anchor(mode="guide"),
        ladder=FINE,
        note="gray, tinted with tidewater",
    )
    system = with_starter(ColorSystem(name="Brinemark", hues=hues))
    last = max(token.order for token in system.tokens.values())
    late = Token(
        id="text-late",
        order=keys(1, last)[0],
        name="text.late",
        purpose="text.late",
        values={DAY: StepAlias(hue="buoy", step="s500")},
        note="delay figures on the operations board",
    )
    after = keys(1, max(pairing.order for pairing in system.pairings.values()))[0]
    pairing = Pairing(id="text-late--surface-card", order=after, foreground=late.id, ground="surface-card", use="body")
    system = system.model_copy(
        update={
            "tokens": {**system.tokens, late.id: late},
            "pairings": {**system.pairings, pairing.id: pairing},
        }
    )
    check_system(system, "demo")
    return system


def merrow_light() -> ColorSystem:
    """The museum's system on its first day: two hues, one theme, nothing published."""
    first, second = keys(2)
    hues = {
        "lantern": _hue("lantern", first, "brand", None, "#E3B23C", "the lamp at dusk"),
        "slate": _hue("slate", second, "neutral", None, "#4F5D63", "the tower’s stone"),
    }
    system = with_starter(ColorSystem(name="Merrow Light", hues=hues))
    check_system(system, "demo")
    return system
