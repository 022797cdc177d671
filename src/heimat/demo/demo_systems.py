"""The two demo systems."""

from functools import cache

from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import Color
from heimat.core.document.conditions import Quantities
from heimat.core.document.consistency import check_system
from heimat.core.document.hues import Hue, HueKind, TintedSource
from heimat.core.document.order import keys
from heimat.core.document.palettes import Diverging, PaletteColor, Sequential
from heimat.core.document.system import ColorSystem
from heimat.core.document.themes import Scheme, Theme, Wanted
from heimat.core.document.tokens import HueAlias, StepAlias
from heimat.core.edits import UserEdit, apply_all
from heimat.core.edits.condition_edits import KeepCondition
from heimat.core.edits.ladder_edits import PublishScales
from heimat.core.edits.pairing_edits import AddPairings, NewPairing
from heimat.core.edits.palette_edits import AddPalette, DescribePalette, SetOtherColor
from heimat.core.edits.source_edits import given
from heimat.core.edits.token_edits import AddTokens, NewToken, NewValue, SetTokenValues
from heimat.core.filling.starter import DAY, with_starter
from heimat.core.planning.binding import binding
from heimat.core.planning.proposed_palettes import PaletteWish, generated
from heimat.core.planning.proposed_theme import propose_theme
from heimat.core.resolve.resolved import resolve
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.ladder import FINE
from heimat.core.sources.conventions import Status
from heimat.demo.sailings import FARES, ROUTES

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


@cache
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
    system = with_starter(
        ColorSystem(name="Brinemark", hues=hues, scales_published=True), "dashboard"
    )
    return _with_palettes(_with_conditions(_with_own_marks(_with_themes(_with_late(system)))))


def _with_late(system: ColorSystem) -> ColorSystem:
    """The delay figures of the board: in the signal color, which is a mark on white and falls short as text."""
    late = NewToken(
        id="text-late",
        name="text.late",
        purpose="text.late",
        values={DAY: StepAlias(hue="buoy", step="s500")},
        note="delay figures on the operations board",
    )
    pairing = NewPairing(
        id="text-late--surface-card", foreground=late.id, ground="surface-card", use="body"
    )
    return apply_all(system, [AddTokens(tokens=(late,)), AddPairings(pairings=(pairing,))]).system


def _with_themes(system: ColorSystem) -> ColorSystem:
    """Night for the bridge at night, and quay for a display in sunlight, both proposed from day."""
    kinds: tuple[tuple[str, Scheme, Wanted], ...] = (
        ("night", "dark", "usual"),
        ("quay", "light", "more"),
    )
    for key, scheme, contrast in kinds:
        resolved = resolve(system)
        edit = propose_theme(resolved, resolved.themes[DAY], key, key, scheme, contrast).edit
        system = apply_all(system, [edit]).system
    return system


def _with_own_marks(system: ColorSystem) -> ColorSystem:
    """The ferry line's own green and red, as its signs have them: some people take one for the other."""
    kelp, flare = HueAlias(hue="kelp"), HueAlias(hue="flare")
    own: tuple[tuple[str, str, HueAlias | StepAlias], ...] = (
        ("status-success", DAY, kelp),
        ("status-success", "night", kelp),
        ("status-success", "quay", StepAlias(hue="kelp", step="s600")),
        ("status-error", "quay", flare),
    )
    values = tuple(NewValue(token=token, theme=theme, value=value) for token, theme, value in own)
    return apply_all(system, [SetTokenValues(what="Own marks", values=values)]).system


def _with_conditions(system: ColorSystem) -> ColorSystem:
    """Where the three products are read: a display in the sun, the bridge at night, the printed timetable."""
    outdoors = Quantities(white=2500.0, reflectance=0.015, lux=50000.0)
    dimmed = Quantities(white=8.0, reflectance=0.02, lux=2.0, veil=0.4)
    print_ = Quantities(medium="paper", paper=0.75, ink=0.06, lux=500.0, veil=0.0)
    named = {"quay in sunlight": outdoors, "bridge at night": dimmed, "timetable": print_}
    edits = [
        KeepCondition(id=name.split()[0], name=name, quantities=each)
        for name, each in named.items()
    ]
    return apply_all(system, edits).system


def _with_palettes(system: ColorSystem) -> ColorSystem:
    """The routes and fares by category, tidewater held; load from little to much, delay early and late."""
    resolved = resolve(system)
    edits: list[UserEdit] = []
    for name, column, categories in (("routes", "route", ROUTES), ("fares", "", FARES)):
        held = PaletteColor(id=f"{name}-1", value=HueAlias(hue="tidewater"), held=True)
        make, _ = generated(resolved, PaletteWish(len(categories), (held,), "surface-card"))
        colors = tuple(
            color.model_copy(update={"id": f"{name}-{place + 1}", "category": category})
            for place, (color, category) in enumerate(zip(make.colors, categories, strict=True))
        )
        make = make.model_copy(update={"colors": colors})
        edits.append(
            AddPalette(id=name, name=name, make=make, ground="surface-card", column=column)
        )
    tidewater, buoy = HueAlias(hue="tidewater"), HueAlias(hue="buoy")
    load = Sequential(sources=(tidewater,), classes=9)
    delay = Diverging(low=tidewater, high=buoy, classes=9, low_words="early", high_words="late")
    edits.append(
        AddPalette(id="load", name="load", make=load, ground="surface-card", column="load")
    )
    edits.append(
        AddPalette(id="delay", name="delay", make=delay, ground="surface-card", column="delay")
    )
    # The token for what is missing is nearly the quiet end of both: theirs is a darker gray.
    gray = StepAlias(hue="shingle", step="s400")
    edits += [
        SetOtherColor(palette=palette, role="missing", value=gray) for palette in ("load", "delay")
    ]
    edits += [
        DescribePalette(palette=palette, view="operations board") for palette in ("load", "delay")
    ]
    system = apply_all(system, edits).system
    # The charts of the specimen are drawn with them.
    for palette in ("routes", "load", "delay"):
        system = apply_all(system, binding(system, palette)).system
    return system


def merrow_shop() -> ColorSystem:
    """The museum shop's own part of its system: the lantern, and what is painted in it."""
    system = ColorSystem(
        name="Merrow Light shop",
        hues={"lantern": _hue("lantern", keys(1)[0], "brand", None, "#E3B23C", "the lamp at dusk")},
        themes={DAY: Theme(id=DAY, order=keys(1)[0], name=DAY)},
    )
    lantern, dark = HueAlias(hue="lantern"), StepAlias(hue="lantern", step="s900")
    new = (
        NewToken(
            id="surface-brand", name="surface.brand", values={DAY: lantern}, purpose="surface.brand"
        ),
        NewToken(
            id="main-fill",
            name="action.main.fill",
            values={DAY: lantern},
            purpose="action.main.fill",
        ),
        NewToken(
            id="main-label",
            name="action.main.label",
            values={DAY: dark},
            purpose="action.main.label",
        ),
    )
    return apply_all(system, [AddTokens(tokens=new), PublishScales(published=True)]).system


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
