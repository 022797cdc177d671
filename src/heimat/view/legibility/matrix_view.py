"""The matrix as the page draws it."""

from typing_extensions import TypedDict

from heimat.core.document.matrices import MatrixOrder
from heimat.core.document.order import in_order
from heimat.core.errors import NotFound
from heimat.core.legibility.matrix import MatrixSide, declared, hundredths, ratios, side
from heimat.core.resolve.resolved import Resolved
from heimat.view.eyes import Eyes, SwatchView
from heimat.view.look import Look


class SideColorView(SwatchView):
    """A color at a side of the matrix."""

    key: str
    name: str


class DeclaredView(TypedDict):
    """A declared pairing in a cell: what it needs, null for decoration, and whether it holds."""

    row: int
    column: int
    needed: float | None
    holds: bool | None


class MatrixView(TypedDict):
    """All foregrounds, all grounds, and the contrast of each on each, row by row, in hundredths cut.

    Under a vision the ratios are those of the colors as they are seen. `aim` is the team's own, if it has one.
    """

    rows: list[SideColorView]
    columns: list[SideColorView]
    ratios: list[list[int]]
    declared: list[DeclaredView]
    aim: float | None


class NamedMatrixView(TypedDict):
    """A matrix that the team keeps under a name: its two sets and their order."""

    id: str
    name: str
    rows: str
    columns: str
    by: MatrixOrder


def matrices_part(look: Look) -> list[NamedMatrixView]:
    """The named matrices, in order."""
    return [
        {
            "id": each.id,
            "name": each.name,
            "rows": each.rows,
            "columns": each.columns,
            "by": each.by,
        }
        for each in in_order(look.system.matrices)
    ]


def matrix_view(
    resolved: Resolved,
    theme_id: str | None,
    wanted: tuple[str, str],
    order: MatrixOrder,
    eyes: Eyes,
) -> MatrixView:
    """The matrix of two sets in a theme. Raises NotFound where there is no theme."""
    theme = resolved.theme(theme_id)
    if theme is None:
        raise NotFound("There is no theme yet: add tokens first.")
    rows, columns = (side(resolved, theme, each, order) for each in wanted)
    found = ratios(eyes.see(rows.rgb8), eyes.see(columns.rgb8))
    return {
        "rows": _colors(rows, eyes),
        "columns": _colors(columns, eyes),
        "ratios": hundredths(found).tolist(),
        "declared": [
            {"row": each.row, "column": each.column, "needed": each.needed, "holds": each.holds}
            for each in declared(theme, rows.keys, columns.keys)
        ],
        "aim": resolved.system.aim,
    }


def _colors(one: MatrixSide, eyes: Eyes) -> list[SideColorView]:
    return [
        {**swatch, "key": key, "name": name}
        for key, name, swatch in zip(one.keys, one.names, eyes.swatches(one.rgb8), strict=True)
    ]
