"""The guide of a release as one HTML page: what each color is for, its values, what it may stand on, how to use it.

It refers to nothing outside, is read without scripts, in light and in dark, and prints. Its order is the designer's.
"""

from collections.abc import Iterable, Sequence
from html import escape
from itertools import groupby

from heimat.core.color.color_text import parse
from heimat.core.color.notation import format
from heimat.core.document.guide_settings import GuideNotation, GuidePart
from heimat.core.document.names import css_name
from heimat.core.document.pairings import USE_WORDS
from heimat.core.publication.publication import Publication, PublishedToken, PublishedValue
from heimat.core.publication.published_palettes import PublishedPalette
from heimat.formats.write.guide_charts import drawn
from heimat.formats.write.plain_values import hex_text, theme_names, title_of

FILE = "guide.html"
ROOT = "heimat-guide"
"""The class under which all its styles stand, so that a part can be placed in a page that has styles of its own."""
_STYLE = f"""
.{ROOT}{{--ink:#141414;--paper:#fff;--line:#767676;--faint:#c9c9c9;color:var(--ink);
 background:var(--paper);font:15px/1.5 "Atkinson Hyperlegible Next",sans-serif}}
@media(prefers-color-scheme:dark){{.{ROOT}{{--ink:#ededed;--paper:#121212;--line:#8f8f8f;--faint:#3d3d3d}}}}
.{ROOT} h1{{font-size:28px}}
.{ROOT} h2{{font-size:20px;margin:40px 0 8px}}.{ROOT} h3{{font-size:15px;margin:20px 0 6px}}
.{ROOT} a{{color:var(--ink)}}.{ROOT} nav li{{display:inline;margin-right:14px}}.{ROOT} nav ul{{padding:0}}
.{ROOT} table{{border-collapse:collapse;width:100%}}
.{ROOT} th,.{ROOT} td{{text-align:left;vertical-align:top;padding:5px 12px 5px 0}}
.{ROOT} th{{border-bottom:1px solid var(--line)}}.{ROOT} td{{border-bottom:1px solid var(--faint)}}
.{ROOT} code,.{ROOT} pre{{font-family:"Atkinson Hyperlegible Mono",monospace;font-size:13px}}
.{ROOT} table.strip{{table-layout:fixed}}
.{ROOT} .strip td,.{ROOT} .strip th{{border:0;padding:2px 4px 2px 0;font-size:12px}}
.{ROOT} .strip .flush td{{height:46px;padding:0}}.{ROOT} .strip td{{overflow-wrap:anywhere}}
.{ROOT} .swatch{{display:inline-block;width:34px;height:20px;vertical-align:middle;margin-right:8px;
 border:1px solid var(--faint)}}
.{ROOT} pre{{border:1px solid var(--line);padding:10px;overflow:auto;white-space:pre-wrap}}
.{ROOT} .charts{{display:flex;flex-wrap:wrap;gap:8px;margin:0 0 8px}}.{ROOT} .chart{{width:300px;max-width:100%}}
.{ROOT} .cards{{column-gap:28px}}.{ROOT} .card{{break-inside:avoid;border-top:1px solid var(--faint);padding:8px 0}}
.{ROOT} .card h3{{margin:0}}.{ROOT} .card p{{margin:2px 0}}
@media screen{{.{ROOT} td code,.{ROOT} .card code{{white-space:nowrap}}}}
@media screen and (max-width:640px){{.{ROOT} nav li{{display:inline-block;padding:4px 0}}
 .{ROOT} .strip tbody{{display:flex}}.{ROOT} .strip .flush{{flex:1}}
 .{ROOT} .strip tr{{display:flex;flex-direction:column}}.{ROOT} .strip :is(td,th){{box-sizing:border-box}}
 .{ROOT} .strip td,.{ROOT} .strip th,.{ROOT} .strip .flush td{{height:30px;line-height:26px;white-space:nowrap}}
 .{ROOT} .strip br{{display:none}}.{ROOT} .strip code{{margin-left:10px}}
 .{ROOT} .list thead{{display:none}}.{ROOT} .list :is(tbody,tr,th,td){{display:block;border:0;padding:1px 0}}
 .{ROOT} .list tr{{border-top:1px solid var(--faint);padding:6px 0}}
 .{ROOT} .list td[data-theme]::before{{content:attr(data-theme);display:inline-block;min-width:64px}}
 .{ROOT} .pairs td:not([data-theme]){{display:inline;margin-right:12px}}}}
@media print{{.{ROOT} h2{{break-after:avoid}}.{ROOT} tr,.{ROOT} .scale{{break-inside:avoid}}}}
"""
_PAGE_STYLE = (
    "body.{root}{{max-width:{width}px;margin:32px auto;padding:0 max(16px,min(24px,4vw))}}"
    "@media print{{body.{root}{{margin:0;max-width:none}}}}"
)
_WORDS: dict[GuidePart, str] = {
    "scales": "Scales",
    "tokens": "Tokens",
    "palettes": "Palettes",
    "pairings": "What stands on what",
    "apart": "What is told apart",
    "exceptions": "Accepted exceptions",
    "use": "How to use it",
}


def write(publication: Publication, version: str) -> bytes:
    """The guide of everything that is published, as wide and in the order that the team asks for."""
    title = escape(title_of(publication, version))
    there = _parts(publication, version)
    page = _PAGE_STYLE.format(root=ROOT, width=publication.guide.width)
    parts = [
        "<!doctype html>",
        f'<html lang="en"><head><meta charset="utf-8"><title>{title}: guide</title>',
        f'<meta name="viewport" content="width=device-width"><style>{_STYLE}{page}</style></head>',
        f'<body class="{ROOT}"><header><h1>{title}</h1></header>',
        '<nav aria-label="Contents"><ul>',
        *(f'<li><a href="#{key}">{_WORDS[key]}</a></li>' for key, _ in there),
        "</ul></nav><main>",
        *(line for key, lines in there for line in _section(key, lines)),
    ]
    return ("\n".join([*parts, "</main></body></html>"]) + "\n").encode()


def fragments(publication: Publication, version: str) -> list[tuple[str, bytes]]:
    """Each part by itself, to be placed in a page of the team's own: names of files and their bytes."""
    title = escape(title_of(publication, version))
    return [
        (
            f"guide.{key}.html",
            "\n".join(
                [
                    f"<!-- {title} -->",
                    f'<div class="{ROOT}"><style>{_STYLE}</style>',
                    *_section(key, lines),
                    "</div>",
                    "",
                ]
            ).encode(),
        )
        for key, lines in _parts(publication, version)
    ]


def _section(key: GuidePart, lines: list[str]) -> list[str]:
    head = (
        f'<section id="{key}" aria-labelledby="{key}-head"><h2 id="{key}-head">{_WORDS[key]}</h2>'
    )
    return [head, *lines, "</section>"]


def _parts(publication: Publication, version: str) -> list[tuple[GuidePart, list[str]]]:
    """The parts that are asked for and have anything to say, in order."""
    scales = [token for token in publication.tokens if not token.is_semantic]
    tokens = [token for token in publication.tokens if "/" not in token.id]
    made: dict[GuidePart, list[str]] = {
        "scales": _scales(publication, scales) if scales else [],
        "tokens": _tokens(publication, tokens) if tokens else [],
        "palettes": [line for each in publication.palettes for line in _palette(publication, each)],
        "pairings": _pairings(publication),
        "apart": _told_apart(publication),
        "exceptions": _exceptions(publication),
        "use": _use(publication, version),
    }
    return [(key, made[key]) for key in publication.guide.parts if made[key]]


def _texts(value: PublishedValue, notations: Sequence[GuideNotation]) -> list[str]:
    """A value in the notations asked for."""
    if tuple(notations) == ("hex",):
        return [hex_text(value)]
    color = parse(hex_text(value))
    return [hex_text(value) if each == "hex" else format(color, each) for each in notations]


def _shown(value: PublishedValue, notations: Sequence[GuideNotation]) -> str:
    """A swatch, and the value in every notation asked for."""
    texts = "<br>".join(f"<code>{escape(text)}</code>" for text in _texts(value, notations))
    return f'<span class="swatch" style="background:{hex_text(value)}"></span>{texts}'


def _scales(publication: Publication, tokens: list[PublishedToken]) -> list[str]:
    """One row a scale, its steps touching, in every theme alike."""
    first, notations = publication.themes[0].id, publication.guide.notations
    lines = []
    for _, own in groupby(tokens, lambda token: token.id.split("/")[0]):
        steps = list(own)
        said = [
            _under(step.name.rsplit(".", 1)[-1], _texts(step.value(first), notations))
            for step in steps
        ]
        lines += [
            f'<div class="scale"><h3>{escape(steps[0].name)} to {escape(steps[-1].name)}</h3>',
            *_strip([("", [hex_text(step.value(first)) for step in steps])], said),
            "</div>",
        ]
    return lines


def _tokens(publication: Publication, tokens: list[PublishedToken]) -> list[str]:
    """A table with a column a theme; in several columns, a card a token."""
    if publication.guide.columns > 1:
        return _cards(publication, tokens)
    names, notations = theme_names(publication), publication.guide.notations
    heads = "".join(f'<th scope="col">{escape(name)}</th>' for name in names.values())
    lines = [
        f'<table class="list"><thead><tr><th scope="col">token</th>{heads}'
        '<th scope="col">what it is for</th></tr></thead><tbody>'
    ]
    for token in tokens:
        values = "".join(
            f'<td data-theme="{escape(called)}">{_shown(token.value(theme), notations)}</td>'
            for theme, called in names.items()
        )
        name = f"{escape(token.name)}<br><code>--{escape(css_name(token.name))}</code>"
        lines.append(f'<tr><th scope="row">{name}</th>{values}<td>{escape(_said(token))}</td></tr>')
    return [*lines, "</tbody></table>"]


def _cards(publication: Publication, tokens: list[PublishedToken]) -> list[str]:
    names, notations = theme_names(publication), publication.guide.notations
    lines = [f'<div class="cards" style="columns:{publication.guide.columns} 290px">']
    for token in tokens:
        values = "".join(
            f"<p>{escape(name)} {_shown(token.value(theme), notations)}</p>"
            for theme, name in names.items()
        )
        said = f"<p>{escape(_said(token))}</p>" if _said(token) else ""
        name = f"<h3>{escape(token.name)}</h3><p><code>--{escape(css_name(token.name))}</code></p>"
        lines.append(f'<div class="card">{name}{values}{said}</div>')
    return [*lines, "</div>"]


def _said(token: PublishedToken) -> str:
    """What is said of a token, first that it is on its way out."""
    said = " ".join(part for part in (token.note, token.usage) if part)
    if token.deprecated is None:
        return said
    instead = f" Use {token.deprecated.replacement}." if token.deprecated.replacement else ""
    return " ".join(f"On its way out.{instead} {token.deprecated.reason} {said}".split())


def _palette(publication: Publication, palette: PublishedPalette) -> Iterable[str]:
    names = theme_names(publication)
    yield f"<h3>{escape(palette.name)}, {palette.kind}</h3>"
    if palette.note:
        yield f"<p>{escape(palette.note)}</p>"
    rows = [
        (name, [color.lower() for color in palette.colors.get(theme, ())])
        for theme, name in names.items()
    ]
    first = palette.colors.get(publication.themes[0].id, ())
    labels = palette.categories or tuple(str(number + 1) for number in range(len(first)))
    yield '<div class="charts">'
    yield from (drawn(palette, theme, name) for theme, name in names.items())
    yield "</div>"
    yield from _strip(
        rows, [_under(word, [color.lower()]) for word, color in zip(labels, first, strict=True)]
    )


def _strip(rows: Sequence[tuple[str, Sequence[str]]], under: Sequence[str]) -> list[str]:
    """Colors that touch, a row of them under another, each row with a name or none; under them what is said of each."""
    named = any(name for name, _ in rows)
    lines = ['<table class="strip"><tbody>']
    for name, colors in rows:
        head = f'<th scope="row">{escape(name)}</th>' if named else ""
        cells = "".join(f'<td style="background:{color}"></td>' for color in colors)
        lines.append(f'<tr class="flush">{head}{cells}</tr>')
    said = "".join(f"<td>{each}</td>" for each in under)
    return [*lines, f"<tr>{'<td></td>' if named else ''}{said}</tr>", "</tbody></table>"]


def _under(word: str, texts: Sequence[str]) -> str:
    return "<br>".join([escape(word), *(f"<code>{escape(text)}</code>" for text in texts)])


def _pairings(publication: Publication) -> list[str]:
    pairings = publication.contract["pairings"]
    if not pairings:
        return []
    themes = [theme.name for theme in publication.themes]
    heads = "".join(f'<th scope="col">{escape(name)}</th>' for name in themes)
    first = "".join(f'<th scope="col">{words}</th>' for words in ("on", "stands", "as"))
    lines = [f'<table class="pairs list"><thead><tr>{first}{heads}</tr></thead><tbody>']
    grounds = list(dict.fromkeys(each["ground"] for each in pairings))
    for each in sorted(pairings, key=lambda pairing: grounds.index(pairing["ground"])):
        needed = each["needed"]
        ratios = "".join(
            f'<td data-theme="{escape(name)}">{_ratio(each["ratios"].get(name), needed)}</td>'
            for name in themes
        )
        use = USE_WORDS[each["use"]]
        lines.append(
            f"<tr><td>{escape(each['ground'])}</td><td>{escape(each['foreground'])}</td><td>{escape(use)}</td>{ratios}</tr>"
        )
    return [*lines, "</tbody></table>"]


def _ratio(ratio: float | None, needed: float | None) -> str:
    if ratio is None:
        return ""
    return f"{ratio:.2f}" + (
        f" <strong>falls short of {needed:g}</strong>" if needed and ratio < needed else ""
    )


def _told_apart(publication: Publication) -> list[str]:
    lines = []
    for each in publication.contract["told_apart"]:
        least = ", ".join(
            f"{value:.1f} in {escape(theme)}" for theme, value in each["least"].items()
        )
        names = ", ".join(map(escape, each["tokens"]))
        lines.append(
            f"<p><strong>{escape(each['name'])}</strong>: {names}. The nearest two, under any kind of vision: {least};"
            f" {each['threshold']:g} is asked for (CIEDE2000).</p>"
        )
    return lines


def _exceptions(publication: Publication) -> list[str]:
    return [
        f"<p><strong>{escape(each['finding'])}</strong> Accepted on {each['on']}: {escape(each['reason'])}</p>"
        for each in publication.contract["exceptions"]
    ]


def _use(publication: Publication, version: str) -> list[str]:
    named = [token.name for token in publication.tokens if "/" not in token.id] or [
        token.name for token in publication.tokens
    ]
    example = f"\ncolor: var(--{escape(css_name(named[0]))});" if named else ""
    theme = escape(publication.themes[-1].name, quote=True)
    part = f"\n&lt;section data-theme=&quot;{theme}&quot;&gt;…&lt;/section&gt;" if theme else ""
    return [
        "<p>As custom properties, in every theme; a part of a page has a theme of its own by"
        " <code>data-theme</code>:</p>",
        f'<pre tabindex="0">&lt;link rel=&quot;stylesheet&quot; href=&quot;tokens.css&quot;&gt;{part}{example}</pre>',
        f"<p>This is version {escape(version)}; its files never change. <code>release.json</code> lists them with their"
        " digests, <code>contract.json</code> says what holds between the colors.</p>",
    ]
