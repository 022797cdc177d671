"""The report on legibility as a page of its own: plain HTML, readable and printable without anything else."""

from collections.abc import Mapping, Sequence
from html import escape
from typing import Any

_STYLE = """
body { color: #111; background: #fff; font: 14px/1.45 system-ui, sans-serif; }
body { margin: 32px auto; max-width: 960px; padding: 0 20px; }
h1 { font-size: 22px; }
h2 { border-top: 2px solid #111; font-size: 16px; margin-top: 28px; padding-top: 8px; }
table { border-collapse: collapse; width: 100%; }
th, td { border-bottom: 1px solid #bbb; padding: 3px 8px 3px 0; text-align: left; vertical-align: top; }
td.figure { font-variant-numeric: tabular-nums; text-align: right; }
.sample { display: inline-block; white-space: nowrap; font-weight: 700; padding: 2px 8px; }
.short { font-weight: 700; text-decoration: underline; }
"""
_VERDICTS = {True: "holds", False: "falls short", None: "not measured"}


def report_page(report: Mapping[str, Any]) -> str:
    """The HTML of a report, as `view.legibility.report` makes it."""
    title = f"Legibility of {report['system']}"
    duty = f"<p>What binds the team: {escape(report['duty'])}</p>" if report["duty"] else ""
    body = [
        f"<h1>{escape(title)}</h1>",
        f"<p>Revision {report['revision']}, {escape(report['on'])}. {report['open']} to settle, "
        f"{len(report['exceptions'])} accepted.</p>",
        duty,
        f"<h2>How it was checked</h2><p>{escape(report['how'])}</p>",
        "<h2>To settle</h2>",
        _list(report["findings"]) or "<p>Nothing.</p>",
        "<h2>Accepted exceptions</h2>",
        _list([_exception(each) for each in report["exceptions"]]) or "<p>None.</p>",
        "<h2>Pairings</h2>",
        _pairings(report["pairings"]),
        "<h2>Told apart</h2>",
        _list([_set(each) for each in report["told_apart"]]) or "<p>No set is declared.</p>",
        "<h2>Viewing conditions</h2>",
        _list([_condition(each) for each in report["conditions"]]) or "<p>None is named.</p>",
        "<h2>Not checked: this needs a person</h2>",
        _list(report["not_checked"]),
    ]
    head = f'<meta charset="utf-8"><title>{escape(title)}</title><style>{_STYLE}</style>'
    return (
        f'<!doctype html><html lang="en"><head>{head}</head><body>{"".join(body)}</body></html>\n'
    )


def _list(lines: Sequence[str]) -> str:
    return f"<ul>{''.join(f'<li>{escape(line)}</li>' for line in lines)}</ul>" if lines else ""


def _exception(each: Mapping[str, Any]) -> str:
    until = f", until {each['until']}" if each["until"] else ""
    evidence = f" Evidence: {each['evidence']}" if each["evidence"] else ""
    became = f" No longer in force: {each['became']}." if each["became"] else ""
    return f"{each['sentence']} {each['person']}, {each['on']}{until}: {each['reason']}{evidence}{became}"


def _set(each: Mapping[str, Any]) -> str:
    close = f" Too close: {'; '.join(each['close'])}." if each["close"] else ""
    closest = f" Closest: {each['closest']}." if each["closest"] else ""
    wanted = f"{each['pairs']} pairs, at least {each['threshold']:g} wanted"
    return f"{each['name']} in {each['theme']}: {wanted}.{closest}{close}"


def _condition(each: Mapping[str, Any]) -> str:
    return f"In {each['name']}, {each['theme']}: {each['lost']} of {each['total']} pairings no longer hold."


def _pairings(pairs: Sequence[Mapping[str, Any]]) -> str:
    rows = []
    for each in pairs:
        holds = each["holds"]
        verdict = (
            "exempt"
            if each["needed"] is None
            else "holds"
            if holds
            else "falls short"
            if holds is False
            else "unknown"
        )
        mark = ' class="short"' if holds is False else ""
        sample = f"color: {each['foreground_color']}; background: {each['ground_color']}"
        rows.append(
            f'<tr><td><span class="sample" style="{sample}">12 min</span></td>'
            f"<td>{escape(each['foreground'])} on {escape(each['ground'])}</td><td>{escape(each['theme'])}</td>"
            f'<td class="figure">{each["ratio"]}</td><td{mark}>{verdict}</td><td>{escape(each["criterion"])}</td></tr>'
        )
    head = (
        "<tr><th></th><th>Pairing</th><th>Theme</th><th>Ratio</th><th></th><th>Criterion</th></tr>"
    )
    return f"<table>{head}{''.join(rows)}</table>"
