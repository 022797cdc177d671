"""The matrix: any foregrounds against any grounds in a theme, all at once."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal, get_args

import numpy as np

from heimat.core.color.arrays import Bytes, Floats
from heimat.core.color.contrast import ratio_of_luminances, relative_luminance
from heimat.core.document.keys import token_key
from heimat.core.document.matrices import MatrixOrder
from heimat.core.document.order import in_order
from heimat.core.errors import DomainError
from heimat.core.resolve.resolved import Resolved
from heimat.core.resolve.theme import ResolvedTheme

_Named = tuple[str, str, Bytes]
"""Key, name and 8-bit color (3,)."""
MatrixSet = Literal["steps", "neutrals", "texts", "grounds", "tokens"]


@dataclass(frozen=True)
class MatrixSide:
    """One side of a matrix: keys and names of its colors, and the 8-bit colors (n, 3), translucent ones left out."""

    keys: tuple[str, ...]
    names: tuple[str, ...]
    rgb8: Bytes


@dataclass(frozen=True)
class Declared:
    """A declared pairing among the cells: row, column, the ratio that its use needs, and whether it holds."""

    row: int
    column: int
    needed: float | None
    holds: bool | None


def side(
    resolved: Resolved, theme: ResolvedTheme, wanted: MatrixSet | str, order: MatrixOrder
) -> MatrixSide:
    """The colors of a set: all steps, those of neutrals or of one hue (`hue:ID`), or tokens by what they are for.

    Raises DomainError for what is no set.
    """
    if wanted not in get_args(MatrixSet) and not wanted.startswith("hue:"):
        raise DomainError(f"“{wanted[:40]}” is no set of colors.", "rows", "unknown")
    of_steps = wanted in ("steps", "neutrals") or wanted.startswith("hue:")
    found = _steps(resolved, wanted) if of_steps else _tokens(resolved, theme, wanted)
    rgb8 = np.array([each[2] for each in found], dtype=np.uint8).reshape(-1, 3)
    places = (
        np.argsort(-relative_luminance(rgb8), kind="stable")
        if order == "luminance"
        else np.arange(len(found))
    )
    return MatrixSide(
        tuple(found[place][0] for place in places),
        tuple(found[place][1] for place in places),
        rgb8[places],
    )


def _steps(resolved: Resolved, wanted: str) -> list[_Named]:
    """The opaque steps of all scales, of those of neutrals, or of one (`hue:ID`)."""
    found: list[_Named] = []
    for hue in resolved.hue_list:
        is_wanted = wanted in ("steps", f"hue:{hue.id}") or (
            wanted == "neutrals" and hue.hue.kind == "neutral"
        )
        steps = range(len(hue.steps)) if is_wanted and hue.source.alpha == 1.0 else ()
        found += [(hue.step_key(place), hue.step_name(place), hue.rgb8[place]) for place in steps]
    return found


def _tokens(resolved: Resolved, theme: ResolvedTheme, wanted: str) -> list[_Named]:
    """The opaque tokens that pairings have as foregrounds or as grounds, or all of them."""
    pairings = resolved.system.pairings.values()
    chosen = {
        "texts": {each.foreground for each in pairings},
        "grounds": {each.ground for each in pairings},
    }.get(wanted, set(resolved.system.tokens))
    found: list[_Named] = []
    for token in in_order(resolved.system.tokens):
        color = theme.tokens.get(token.id)
        if token.id in chosen and color is not None and color.alpha == 1.0:
            found.append((token_key(token.id), token.name, color.rgb8))
    return found


def ratios(rows8: Bytes, columns8: Bytes) -> Floats:
    """The contrast of every row (n, 3) on every column (m, 3): shape (n, m)."""
    return ratio_of_luminances(
        relative_luminance(rows8)[:, None], relative_luminance(columns8)[None, :]
    )


def hundredths(values: Floats) -> np.ndarray[tuple[int, ...], np.dtype[np.int64]]:
    """Ratios in hundredths, of the same shape, cut and never rounded up: 4.499 is 449."""
    cut = np.floor(values * 100.0).astype(np.int64)
    cut += (cut + 1) / 100.0 <= values
    cut -= cut / 100.0 > values
    return cut


def declared(theme: ResolvedTheme, rows: Sequence[str], columns: Sequence[str]) -> list[Declared]:
    """The declared pairings that stand in a matrix of these keys."""
    at_row, at_column = ({key: place for place, key in enumerate(keys)} for keys in (rows, columns))
    found = []
    for result in theme.pairings:
        row = at_row.get(token_key(result.pairing.foreground))
        column = at_column.get(token_key(result.pairing.ground))
        if row is not None and column is not None:
            found.append(Declared(row, column, result.needed, result.holds))
    return found
