"""Draws the house for the docs: `python -m tools.draw_house`.

The storeys are those of the contracts of imports, in the packages' own words.
"""

import ast
import tomllib
from xml.sax.saxutils import escape

from heimat.local.install import ROOT

STOREYS, EDIT = ROOT / "docs" / "house-storeys.svg", ROOT / "docs" / "house-edit.svg"
_WIDE, _HIGH, _GAP, _EDGE, _INSET = 860, 46, 8, 16, 24
_LETTER = 6.4
"""About how wide a letter of the words is, in pixels."""
_INK, _PAPER, _WALL, _FAINT = "#1B1B1B", "#FFFFFF", "#F1F1F1", "#4A4A4A"
_WAY = (
    (
        "web/src/workspace/Workspace.ts",
        "a gesture becomes one edit, shown at once and sent when its turn comes",
    ),
    ("src/heimat/api/documents_routes.py", "the edit is read, typed, with the right that it needs"),
    (
        "src/heimat/service/editing.py",
        "in one transaction: the newest document, and what came in between",
    ),
    (
        "src/heimat/core/edits/conflicts.py",
        "what both wrote or read meets: a conflict, told with both sides",
    ),
    (
        "src/heimat/core/edits/__init__.py",
        "apply: a new document, or a sentence with the field at fault",
    ),
    (
        "src/heimat/store/revision_rows.py",
        "the revision is kept: edit, document, person, what it takes back",
    ),
    (
        "src/heimat/core/resolve/resolved.py",
        "resolve: scales, tokens, pairings and palettes of every theme",
    ),
    ("src/heimat/view/parts.py", "the parts of the screen that were asked for"),
    (
        "web/src/workspace/PartsCache.ts",
        "what changed is painted; the windows of others hear of it",
    ),
)


def storeys() -> str:
    """The layers of Heimat and the storeys of its core, those above resting on those below."""
    contracts = tomllib.loads((ROOT / "pyproject.toml").read_text())["tool"]["importlinter"][
        "contracts"
    ]
    rows = [(0, layer.replace("heimat.", ""), "") for layer in contracts[0]["layers"]]
    rows += [(1, storey, "core") for storey in contracts[1]["layers"]]
    boxes = []
    for place, (inset, names, below) in enumerate(rows):
        beside = names.split(" | ")
        left = _EDGE + _INSET * inset
        wide = (_WIDE - _EDGE - left + _GAP) / len(beside)
        boxes += [
            _box(left + at * wide, place, wide - _GAP, name, _words(name, below))
            for at, name in enumerate(beside)
        ]
    return _drawing(boxes, len(rows))


def way_of_an_edit() -> str:
    """The files that an edit passes, from a gesture to what others see. Raises FileNotFoundError where one is gone."""
    boxes = []
    for place, (file, words) in enumerate(_WAY):
        if not (ROOT / file).is_file():
            raise FileNotFoundError(file)
        boxes.append(_box(_EDGE, place, _WIDE - 2 * _EDGE, file.removeprefix("src/heimat/"), words))
        if place:
            y = _EDGE + place * (_HIGH + _GAP)
            boxes.append(f'<path d="M{_WIDE // 2 - 5} {y - _GAP}h10l-5 {_GAP}z"/>')
    return _drawing(boxes, len(_WAY))


def _words(name: str, below: str) -> str:
    """What a package says of itself in its first sentence."""
    at = ROOT / "src" / "heimat" / below / name
    file = at / "__init__.py" if at.is_dir() else at.with_suffix(".py")
    said = ast.get_docstring(ast.parse(file.read_text())) or ""
    return said.splitlines()[0].split(". ")[0].rstrip(".")


def _box(x: float, place: int, wide: float, name: str, words: str) -> str:
    y = _EDGE + place * (_HIGH + _GAP)
    most = int((wide - 20) / _LETTER)
    shown = words if len(words) <= most else words[: most - 1].rsplit(" ", 1)[0].rstrip(",:") + " …"
    return (
        f'<rect x="{x:g}" y="{y}" width="{wide:g}" height="{_HIGH}" fill="{_WALL}" stroke="{_INK}"/>'
        f'<text x="{x + 10:g}" y="{y + 18}" font-weight="700">{escape(name)}</text>'
        f'<text x="{x + 10:g}" y="{y + 36}" fill="{_FAINT}">{escape(shown)}</text>'
    )


def _drawing(boxes: list[str], count: int) -> str:
    high = 2 * _EDGE + count * (_HIGH + _GAP) - _GAP
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {_WIDE} {high}" width="{_WIDE}" height="{high}" '
        f'font-family="sans-serif" font-size="13" fill="{_INK}">\n<rect width="100%" height="100%" fill="{_PAPER}"/>\n'
        + "\n".join(boxes)
        + "\n</svg>\n"
    )


def main() -> None:
    """Write both."""
    STOREYS.write_text(storeys())
    EDIT.write_text(way_of_an_edit())


if __name__ == "__main__":
    main()
