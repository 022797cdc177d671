"""The guide of a release as one HTML page: what each color is for, its values, what it may stand on, how to use it.

It refers to nothing outside, is read without scripts, in light and in dark, and prints. Its order is the designer's.
"""

from collections.abc import Iterable
from html import escape
from itertools import groupby

from heimat.core.document.names import css_name
from heimat.core.document.pairings import USE_WORDS
from heimat.core.publication.palettes import PublishedPalette
from heimat.core.publication.publication import Publication, PublishedToken
from heimat.formats.write.values import hex_text, theme_names, title_of

FILE = "guide.html"
_STYLE = """
:root{color-scheme:light dark;--ink:#141414;--paper:#fff;--line:#8a8a8a}
@media(prefers-color-scheme:dark){:root{--ink:#ededed;--paper:#121212;--line:#8f8f8f}}
body{font:15px/1.5 sans-serif;color:var(--ink);background:var(--paper);max-width:1080px;margin:32px auto;padding:0 24px}
h1{font-size:28px}h2{font-size:20px;margin:40px 0 8px}h3{font-size:15px;margin:20px 0 6px}
a{color:var(--ink)}nav li{display:inline;margin-right:14px}nav ul{padding:0}
table{border-collapse:collapse;width:100%}th,td{text-align:left;vertical-align:top;padding:5px 12px 5px 0}
th{border-bottom:1px solid var(--line)}td{border-bottom:1px solid color-mix(in srgb,var(--line) 35%,transparent)}
code{font-family:monospace;font-size:13px}.flush{display:flex}.flush div{flex:1;height:52px}
.swatch{display:inline-block;width:34px;height:20px;vertical-align:middle;margin-right:8px}
pre{border:1px solid var(--line);padding:10px;overflow:auto}.names{display:flex;font-size:12px}.names span{flex:1}
@media print{h2{break-after:avoid}tr,.scale{break-inside:avoid}body{margin:0;max-width:none}}
"""


def write(publication: Publication, version: str) -> bytes:
    """The guide of everything that is published."""
    title = escape(title_of(publication, version))
    scales = [token for token in publication.tokens if "/" in token.id]
    tokens = [token for token in publication.tokens if "/" not in token.id]
    sections = [
        ("scales", "Scales", _scales(publication, scales) if scales else []),
        ("tokens", "Tokens", _tokens(publication, tokens) if tokens else []),
        ("palettes", "Palettes", [line for each in publication.palettes for line in _palette(publication, each)]),
        ("pairings", "What stands on what", _pairings(publication)),
        ("apart", "What is told apart", _told_apart(publication)),
        ("exceptions", "Accepted exceptions", _exceptions(publication)),
        ("use", "How to use it", _use(publication, version)),
    ]
    there = [each for each in sections if each[2]]
    parts = [
        "<!doctype html>",
        f'<html lang="en"><head><meta charset="utf-8"><title>{title}: guide</title>',
        f'<meta name="viewport" content="width=device-width"><style>{_STYLE}</style></head><body>',
        f"<header><h1>{title}</h1></header>",
        '<nav aria-label="Contents"><ul>',
        *(f'<li><a href="#{key}">{words}</a></li>' for key, words, _ in there),
        "</ul></nav><main>",
    ]
    for key, words, lines in there:
        parts += [f'<section id="{key}" aria-labelledby="{key}-head"><h2 id="{key}-head">{words}</h2>', *lines]
        parts.append("</section>")
    return ("\n".join([*parts, "</main></body></html>"]) + "\n").encode()


def _swatch(color: str) -> str:
    return f'<span class="swatch" style="background:{color}"></span><code>{color}</code>'


def _scales(publication: Publication, tokens: list[PublishedToken]) -> list[str]:
    """One row a scale, its steps touching, in every theme alike."""
    first = publication.themes[0].id
    lines = []
    for _, own in groupby(tokens, lambda token: token.id.split("/")[0]):
        steps = list(own)
        values = [hex_text(step.value(first)) for step in steps]
        said = ", ".join(f"{step.name} {value}" for step, value in zip(steps, values, strict=True))
        lines += [
            f'<div class="scale"><h3>{escape(steps[0].name)} to {escape(steps[-1].name)}</h3>',
            f'<div class="flush" role="img" aria-label="{escape(said, quote=True)}">',
            *(f'<div style="background:{value}"></div>' for value in values),
            '</div><div class="names">',
            *(
                f"<span>{escape(step.name.rsplit('.', 1)[-1])}<br><code>{value}</code></span>"
                for step, value in zip(steps, values, strict=True)
            ),
            "</div></div>",
        ]
    return lines


def _tokens(publication: Publication, tokens: list[PublishedToken]) -> list[str]:
    names = theme_names(publication)
    heads = "".join(f'<th scope="col">{escape(name)}</th>' for name in names.values())
    lines = [
        f'<table><thead><tr><th scope="col">token</th>{heads}<th scope="col">what it is for</th></tr></thead><tbody>'
    ]
    for token in tokens:
        values = "".join(f"<td>{_swatch(hex_text(token.value(theme)))}</td>" for theme in names)
        said = " ".join(part for part in (token.note, token.usage) if part)
        if token.deprecated is not None:
            instead = f" Use {token.deprecated.replacement}." if token.deprecated.replacement else ""
            said = f"On its way out.{instead} {token.deprecated.reason} {said}".strip()
        name = f"{escape(token.name)}<br><code>--{escape(css_name(token.name))}</code>"
        lines.append(f'<tr><th scope="row">{name}</th>{values}<td>{escape(said)}</td></tr>')
    return [*lines, "</tbody></table>"]


def _palette(publication: Publication, palette: PublishedPalette) -> Iterable[str]:
    names = theme_names(publication)
    yield f"<h3>{escape(palette.name)}, {palette.kind}</h3>"
    if palette.note:
        yield f"<p>{escape(palette.note)}</p>"
    for theme, name in names.items():
        colors = palette.colors.get(theme, ())
        words = palette.categories or tuple(str(number + 1) for number in range(len(colors)))
        said = ", ".join(
            f"{word or number + 1} {color}" for number, (word, color) in enumerate(zip(words, colors, strict=True))
        )
        yield f'<p>{escape(name)}</p><div class="flush" role="img" aria-label="{escape(said, quote=True)}">'
        yield from (f'<div style="background:{color.lower()}"></div>' for color in colors)
        yield "</div>"
    first = palette.colors.get(publication.themes[0].id, ())
    labels = palette.categories or tuple(str(number + 1) for number in range(len(first)))
    yield '<div class="names">'
    yield from (
        f"<span>{escape(word)}<br><code>{color.lower()}</code></span>"
        for word, color in zip(labels, first, strict=True)
    )
    yield "</div>"


def _pairings(publication: Publication) -> list[str]:
    pairings = publication.contract["pairings"]
    if not pairings:
        return []
    themes = [theme.name for theme in publication.themes]
    heads = "".join(f'<th scope="col">{escape(name)}</th>' for name in themes)
    first = "".join(f'<th scope="col">{words}</th>' for words in ("on", "stands", "as"))
    lines = [f"<table><thead><tr>{first}{heads}</tr></thead><tbody>"]
    grounds = list(dict.fromkeys(each["ground"] for each in pairings))
    for each in sorted(pairings, key=lambda pairing: grounds.index(pairing["ground"])):
        needed = each["needed"]
        ratios = "".join(f"<td>{_ratio(each['ratios'].get(name), needed)}</td>" for name in themes)
        use = USE_WORDS[each["use"]]
        lines.append(
            f"<tr><td>{escape(each['ground'])}</td><td>{escape(each['foreground'])}</td><td>{escape(use)}</td>{ratios}</tr>"
        )
    return [*lines, "</tbody></table>"]


def _ratio(ratio: float | None, needed: float | None) -> str:
    if ratio is None:
        return ""
    return f"{ratio:.2f}" + (f" <strong>falls short of {needed:g}</strong>" if needed and ratio < needed else "")


def _told_apart(publication: Publication) -> list[str]:
    lines = []
    for each in publication.contract["told_apart"]:
        least = ", ".join(f"{value:.1f} in {escape(theme)}" for theme, value in each["least"].items())
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
