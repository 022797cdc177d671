"""What the core says of itself: public functions give the shapes of arrays, and the errors that they raise."""

import ast
import re
from collections.abc import Iterator
from pathlib import Path

from heimat.local.install import ROOT

CORE = ROOT / "src" / "heimat" / "core"
ARRAYS = re.compile(r"\b(?:Bytes|Floats|NDArray|Mask|ArrayLike)\b")
SHAPE = re.compile(r"\((?:(?:\.\.\.|[a-z0-9]+'?),[^)]*|\.\.\.)\)|\bshapes?\b")
TOLD_ELSEWHERE = ("change", "sentence", "reads")
"""What every edit has: EditBase says it of all."""


def functions() -> Iterator[tuple[Path, ast.FunctionDef]]:
    """Every public function and method of the core, but for the shapes of one function that are typed apart."""
    for path in sorted(CORE.rglob("*.py")):
        bodies: list[list[ast.stmt]] = [ast.parse(path.read_text()).body]
        while bodies:
            for node in bodies.pop():
                if isinstance(node, ast.ClassDef) and not node.name.startswith("_"):
                    bodies.append(node.body)
                if (
                    isinstance(node, ast.FunctionDef)
                    and not node.name.startswith("_")
                    and not is_overload(node)
                ):
                    yield path, node


def is_overload(node: ast.FunctionDef) -> bool:
    return any(ast.unparse(each) == "overload" for each in node.decorator_list)


def said(node: ast.FunctionDef) -> str:
    return ast.get_docstring(node) or ""


def test_arrays_have_shapes() -> None:
    every = list(functions())
    assert len(every) > 800
    unsaid = []
    for path, node in every:
        types = [
            each.annotation for each in (*node.args.args, *node.args.kwonlyargs) if each.annotation
        ]
        typed = " ".join(map(ast.unparse, [*types, *([node.returns] if node.returns else [])]))
        if ARRAYS.search(typed) and not SHAPE.search(said(node)):
            unsaid.append(f"{path.relative_to(CORE)}:{node.lineno} {node.name}")
    assert unsaid == []


def test_errors_are_told() -> None:
    unsaid = [
        f"{path.relative_to(CORE)}:{node.lineno} {node.name}"
        for path, node in functions()
        if node.name not in TOLD_ELSEWHERE
        and any(isinstance(each, ast.Raise) for each in ast.walk(node))
        and not re.search(r"\b(?:Raises?|DomainError)\b", said(node))
    ]
    assert unsaid == []
