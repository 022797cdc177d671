"""The sheet of fillings: what the rules make of 60 brand colors, light and dark, with small screens."""

from collections.abc import Callable, Mapping
from html import escape

from heimat.core.color.color_text import parse
from heimat.core.color.contrast import cut, ratio
from heimat.core.color.hex_notation import hex_of
from heimat.core.document.order import keys
from heimat.core.document.themes import Scheme, Theme
from heimat.core.filling.fill import by_purpose, filled
from heimat.core.filling.start import start_system
from heimat.core.resolve.chains import chains_of
from heimat.core.resolve.resolved import Resolved, resolve
from heimat.core.resolve.resolved_palettes import roles_of
from heimat.core.resolve.theme import resolve_theme
from heimat.core.resolve.token_colors import TokenColor
from tools.sheets.brands import brands


def screens(brand: str) -> str:
    """A brand's small screens, light and dark."""
    resolved = resolve(start_system("sheet", [("brand", parse(brand))]))
    return "".join(_screen(resolved, brand, scheme) for scheme in ("light", "dark"))


def _screen(resolved: Resolved, brand: str, scheme: Scheme) -> str:
    system = resolved.system
    ids = by_purpose(system)
    made = filled(resolved, list(ids), ids, scheme, "usual")
    theme = Theme(id="sheet", order=keys(1)[0], name="sheet", scheme=scheme)
    tokens = {
        key: token.model_copy(update={"values": {"sheet": made[token.purpose or ""]}})
        for key, token in system.tokens.items()
    }
    there = system.model_copy(update={"themes": {"sheet": theme}, "tokens": tokens})
    colors = resolve_theme(
        there, resolved.hues, theme, chains_of(there)["sheet"], {}, roles_of(there.tokens)
    ).tokens

    def c(purpose: str) -> str:
        color = colors[ids[purpose]]
        return hex_of(color.rgb8) + (f"{round(color.alpha * 255):02X}" if color.alpha < 1 else "")

    def button(family: str, part: str, words: str) -> str:
        at = f"action.{family}"
        fill = c(f"{at}.{part}") if part and f"{at}.{part}" in ids else "transparent"
        edge = c(f"{at}.border") if f"{at}.border" in ids else "transparent"
        ink = c(f"{at}.label-disabled") if part == "fill-disabled" else c(f"{at}.label")
        if part == "fill-disabled":
            edge = fill
        return f'<b style="background:{fill};color:{ink};border-color:{edge}">{words}</b>'

    return f"""<div class=s style="background:{c("surface.page")};color:{c("text.plain")}">
    {_head(c, brand, colors, ids)}
    <div class=c style="background:{c("surface.card")};border-color:{c("border.divider")}">
    <strong style="color:{c("text.strong")}">Skarvik to Tarnsey</strong> plain
    <span style="color:{c("text.faint")}">faint</span>
    <u style="color:{c("link.text")}">Fares</u> <u style="color:{c("link.text-visited")}">visited</u>
    <span class=f style="border-color:{c("border.plain")}">Name</span>
    <span style="background:{c("selection.fill")};color:{c("selection.label")}">selected</span></div>
    <div>{"".join(button(*each) for each in _BUTTONS)}</div>
    <div>{"".join(_message(c, *each) for each in _MESSAGES)}</div></div>"""


_BUTTONS = (
    *(("main", "fill", "Book"), ("main", "fill-hovered", "hov"), ("main", "fill-pressed", "pre")),
    *(("main", "fill-disabled", "off"), ("second", "", "Times"), ("second", "fill-hovered", "hov")),
    *(("second", "fill-pressed", "pre"), ("quiet", "", "More"), ("quiet", "fill-hovered", "hov")),
    ("quiet", "fill-pressed", "pre"),
)
_MESSAGES = (
    ("success", "On time"),
    ("warning", "12 min late"),
    ("error", "Cancelled"),
    ("information", "Gate B"),
)
Paint = Callable[[str], str]


def _head(c: Paint, brand: str, colors: Mapping[str, TokenColor], ids: Mapping[str, str]) -> str:
    label = ratio(colors[ids["action.main.label"]].rgb8, colors[ids["action.main.fill"]].rgb8)
    style = f"background:{c('surface.brand')};color:{c('text.on-brand')}"
    return f'<div style="{style}" class=h>{escape(brand)} {cut(float(label))}</div>'


def _message(c: Paint, status: str, words: str) -> str:
    at = f"status.{status}"
    style = f"background:{c(at + '-surface')};color:{c(at + '-text')};border-left:3px solid {c(at)}"
    return f'<i style="{style}">{words}</i>'


def page() -> str:
    """The whole sheet."""
    body = "".join(screens(brand) for brand in brands())
    return f"<!doctype html><meta charset=utf-8><style>{_STYLE}</style>{body}"


_STYLE = """
body{margin:0;font:11px sans-serif;display:grid;grid-template-columns:repeat(8,1fr)}
.s{padding:4px 6px} .h{padding:3px 5px;font-weight:700;margin:-4px -6px 4px}
.c{border:1px solid;padding:3px;margin-bottom:3px} .f{border:1px solid;padding:0 4px}
b{display:inline-block;padding:1px 5px;border:1px solid;border-radius:2px;margin:1px}
i{padding:1px 3px;font-style:normal;margin:1px;display:inline-block}
"""
