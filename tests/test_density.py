"""Functions that a reader takes in at one go: branches are counted wherever they stand, in comprehensions too."""

import ast
from collections.abc import Iterator
from pathlib import Path

from heimat.local.install import ROOT

MOST = 19
_BRANCHES = (ast.If, ast.For, ast.While, ast.IfExp, ast.ExceptHandler, ast.match_case)
_LATER = {"view/charts/drawn.py:_ramp": 32, "formats/checkers/check.py:main": 25}
"""What is drawn anew with the charts; and what releases hold word for word."""


def test_no_function_has_more_branches_than_a_reader_follows() -> None:
    found = dict(_counted())
    assert len(found) > 2000
    assert {name: count for name, count in found.items() if count > MOST} == _LATER


def _counted() -> Iterator[tuple[str, int]]:
    source = ROOT / "src" / "heimat"
    for file in sorted(source.rglob("*.py")):
        for node in ast.walk(ast.parse(file.read_text())):
            if isinstance(node, ast.FunctionDef | ast.AsyncFunctionDef):
                yield f"{Path(file).relative_to(source)}:{node.name}", 1 + _branches(node)


def _branches(node: ast.AST) -> int:
    """Those below a node; functions within are counted for themselves."""
    count = 0
    for child in ast.iter_child_nodes(node):
        if isinstance(child, ast.FunctionDef | ast.ClassDef):
            continue
        count += isinstance(child, _BRANCHES)
        if isinstance(child, ast.comprehension):
            count += 1 + len(child.ifs)
        if isinstance(child, ast.BoolOp):
            count += len(child.values) - 1
        count += _branches(child)
    return count
