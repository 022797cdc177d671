"""The page at the root of a feed: which releases there are, and how each is used."""

from collections.abc import Sequence
from dataclasses import dataclass
from html import escape

_STYLE = (
    "body{font:15px/1.5 sans-serif;max-width:880px;margin:32px auto;padding:0 20px;color:#111;background:#fff}"
    "code,pre{font-family:monospace;background:#f2f2f2}pre{padding:10px;white-space:pre-wrap}"
    "code,pre,a{overflow-wrap:anywhere}h2{margin:28px 0 4px}"
    "a{color:#111}li{margin:2px 0}.notes{white-space:pre-wrap}"
    "@media(prefers-color-scheme:dark){body{color:#eee;background:#111}a{color:#eee}code,pre{background:#222}}"
)


@dataclass(frozen=True)
class FeedRelease:
    """A release as the page tells of it."""

    version: str
    day: str
    notes: str
    files: tuple[str, ...]


def write(
    name: str, address: str, releases: Sequence[FeedRelease], *, keyed: bool = False
) -> bytes:
    """The page of a system whose feed begins at an address, the newest release first."""
    title = f"{escape(name)}: releases"
    parts = [
        "<!doctype html>",
        f'<html lang="en"><head><meta charset="utf-8"><title>{title}</title>',
        f'<meta name="viewport" content="width=device-width"><style>{_STYLE}</style></head><body><main>',
        f"<h1>{title}</h1>",
        *(
            [
                "<p>This feed asks for a key: in the header <code>Authorization: Bearer</code>, or in the path.</p>"
            ]
            * keyed
        ),
        *(_use(escape(address), releases[0]) if releases else ["<p>Nothing is released yet.</p>"]),
        *(line for release in releases for line in _release(escape(address), release)),
        "</main></body></html>",
    ]
    return ("\n".join(parts) + "\n").encode()


def _use(address: str, newest: FeedRelease) -> list[str]:
    major = newest.version.split(".")[0]
    lines = [
        f'&lt;link rel="stylesheet" href="{address}{major}/tokens.css"&gt;',
        f"npm install {address}{newest.version}/package.tgz",
        f"pip install {address}{newest.version}/package.tgz",
    ]
    return [
        "<h2>How to use it</h2>",
        "<p>A version’s files never change. <code>latest</code> is the highest version; <code>1</code> or"
        " <code>1.2</code> is the highest within.</p>",
        f"<pre>{chr(10).join(lines)}</pre>",
    ]


def _release(address: str, release: FeedRelease) -> list[str]:
    notes = f'<p class="notes">{escape(release.notes)}</p>' if release.notes else ""
    items = (
        f'<li><a href="{address}{escape(release.version)}/{escape(name, quote=True)}">{escape(name)}</a></li>'
        for name in release.files
    )
    return [
        f"<h2>{escape(release.version)}</h2><p>{escape(release.day)}</p>{notes}",
        "<ul>",
        *items,
        "</ul>",
    ]
