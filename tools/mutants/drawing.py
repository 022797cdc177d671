"""Which small faults there can be in the core, and a drawing of them that is spread over its folders.

The faults are those of cosmic-ray: operators, comparisons, numbers, branches and what is answered. Left out is what
changes no computation: annotations, texts and what is raised, the sizes of memories and limits.
"""

import ast
import random
import re
from collections import defaultdict
from dataclasses import dataclass
from itertools import zip_longest
from pathlib import Path

from cosmic_ray.ast import ast_nodes, get_ast
from cosmic_ray.mutating import mutate_code
from cosmic_ray.plugins import get_operator, operator_names

from heimat.local.install import ROOT

CORE = ROOT / "src" / "heimat" / "core"
_KINDS = re.compile(
    r"core/(ReplaceBinaryOperator_(Add_Sub|Sub_Add|Mul_Div|Div_Mul|Pow_Mul|FloorDiv_Div|Mod_Div)"
    r"|ReplaceComparisonOperator_(Lt_LtE|LtE_Lt|Gt_GtE|GtE_Gt|Lt_GtE|Gt_LtE|Eq_NotEq|NotEq_Eq|Is_IsNot|IsNot_Is|In_NotIn)"
    r"|ReplaceUnaryOperator_(USub_UAdd|Delete_Not)|NumberReplacer|AddNot|ReplaceAndWithOr|ReplaceOrWithAnd"
    r"|ReplaceTrueWithFalse|ReplaceFalseWithTrue|ReplaceBreakWithContinue|ReplaceContinueWithBreak|ZeroIterationForLoop)"
)
_NO_COMPUTATION = re.compile(
    r"remembered\(|Memory\(|Field\(|^_?(MOST|LONGEST|REMEMBERED|LATEST)\w* ="
)


@dataclass(frozen=True)
class Mutant:
    """One fault: in a file, by an operator of cosmic-ray, at its place among all that the operator could change there.

    `line` counts from 1; `was` and `becomes` are the lines that differ.
    """

    file: str
    line: int
    operator: str
    occurrence: int
    was: str
    becomes: str

    def text(self) -> str:
        """The whole file with the fault in it."""
        changed = mutate_code(
            (ROOT / self.file).read_text(), get_operator(self.operator)(), self.occurrence
        )
        if changed is None:
            raise RuntimeError(f"{self.file} has changed since it was drawn from")
        return str(changed)


def drawn(count: int, seed: int) -> list[Mutant]:
    """As many faults, the same for the same seed, as many from each folder as its share of all places asks."""
    chance = random.Random(seed)
    places = {file: _places(file) for file in sorted(CORE.rglob("*.py"))}
    folders: dict[str, list[tuple[Path, int, str, int]]] = defaultdict(list)
    for file, found in places.items():
        folder = file.relative_to(CORE).parts[0] if file.parent != CORE else ""
        folders[folder] += [(file, *place) for place in found]
    every = sum(map(len, folders.values()))
    mutants: list[Mutant] = []
    for folder in sorted(folders):
        wanted = max(round(count * len(folders[folder]) / every), 1)
        mutants += _some(folders[folder], wanted, chance)
    return sorted(mutants, key=lambda each: (each.file, each.line))


def _some(
    places: list[tuple[Path, int, str, int]], wanted: int, chance: random.Random
) -> list[Mutant]:
    """Some of the places of a folder, of each sort in turn: numbers are many. Of a line no more than one."""
    chance.shuffle(places)
    by_sort: dict[str, list[tuple[Path, int, str, int]]] = defaultdict(list)
    for place in places:
        by_sort[_sort(place[2])].append(place)
    in_turn = [
        each for group in zip_longest(*by_sort.values()) for each in group if each is not None
    ]
    found: list[Mutant] = []
    lines: set[tuple[Path, int]] = set()
    for file, line, operator, occurrence in in_turn:
        if len(found) == wanted:
            break
        if (file, line) in lines:
            continue
        before = file.read_text()
        after = mutate_code(before, get_operator(operator)(), occurrence)
        if after is None:
            continue
        lines.add((file, line))
        was, becomes = _difference(before, str(after))
        found.append(Mutant(str(file.relative_to(ROOT)), line, operator, occurrence, was, becomes))
    return found


def _sort(operator: str) -> str:
    """Of what sort an operator of cosmic-ray is: the words before what it puts in the place of what."""
    return (
        operator.split("_")[0]
        if "Operator" in operator
        else {"core/NumberReplacer": "number"}.get(operator, "branch")
    )


def _difference(before: str, after: str) -> tuple[str, str]:
    pairs = [
        pair
        for pair in zip(before.splitlines(), after.splitlines(), strict=False)
        if pair[0] != pair[1]
    ]
    return pairs[0][0].strip(), pairs[0][1].strip()


def _places(file: Path) -> list[tuple[int, str, int]]:
    """Line, operator and occurrence of all that can be changed in a file."""
    text = file.read_text()
    left_out = _left_out(text)
    nodes = list(ast_nodes(get_ast(text)))
    found = []
    for name in sorted(operator_names()):
        if not _KINDS.fullmatch(name):
            continue
        operator = get_operator(name)()
        occurrence = 0
        for node in nodes:
            for start, _ in operator.mutation_positions(node):
                if not any(low <= start <= high for low, high in left_out):
                    found.append((start[0], name, occurrence))
                occurrence += 1
    return found


def _left_out(text: str) -> list[tuple[tuple[int, int], tuple[int, int]]]:
    """Where nothing is computed, from a line and column to another, both inclusive."""
    found = []
    for node in ast.walk(ast.parse(text)):
        parts: list[ast.AST | None] = []
        if isinstance(node, ast.Raise | ast.JoinedStr | ast.Assert):
            parts.append(node)
        elif isinstance(node, ast.AnnAssign | ast.arg):
            parts.append(node.annotation)
        elif isinstance(node, ast.FunctionDef | ast.ClassDef):
            parts += [getattr(node, "returns", None), *node.decorator_list]
        for part in parts:
            if part is not None:
                found.append(
                    (
                        (part.lineno, part.col_offset),
                        (part.end_lineno or 0, part.end_col_offset or 0),
                    )
                )
    for number, line in enumerate(text.splitlines(), 1):
        if _NO_COMPUTATION.search(line):
            found.append(((number, 0), (number, len(line))))
    return found
