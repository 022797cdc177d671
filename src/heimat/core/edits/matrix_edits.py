"""Edits of named matrices."""

from typing import Annotated, ClassVar, Literal

from pydantic import Field

from heimat.core.document.ids import Id, new_id
from heimat.core.document.matrices import MOST_MATRICES, ColorSet, MatrixOrder, NamedMatrix
from heimat.core.document.order import behind
from heimat.core.document.part import Name
from heimat.core.document.system import ColorSystem
from heimat.core.edits.base import EditBase
from heimat.core.edits.collection import Collection, RemoveOne
from heimat.core.errors import DomainError

_MATRICES = Collection("matrices", "matrix", "matrix")


class KeepMatrix(EditBase):
    """Name a matrix: a new one, or another name or other sets of one."""

    type: Literal["keep_matrix"] = "keep_matrix"
    blames: ClassVar[str] = "name"
    id: Annotated[Id, Field(default_factory=new_id)]
    name: Name
    rows: ColorSet
    columns: ColorSet
    by: MatrixOrder = "luminance"

    def change(self, system: ColorSystem) -> ColorSystem:
        name = self.name.strip()
        if not name:
            raise DomainError("A matrix is kept under a name.", "name", "empty")
        if any(
            each.name.lower() == name.lower() and key != self.id
            for key, each in system.matrices.items()
        ):
            raise DomainError(f"“{name}” is taken.", "name", "taken")
        known = system.matrices.get(self.id)
        if known is None and len(system.matrices) >= MOST_MATRICES:
            raise DomainError(
                f"A system has at most {MOST_MATRICES} named matrices.", "matrices", "limit"
            )
        order = known.order if known else behind(system.matrices)[0]
        kept = NamedMatrix(
            id=self.id, order=order, name=name, rows=self.rows, columns=self.columns, by=self.by
        )
        return system.model_copy(update={"matrices": {**system.matrices, self.id: kept}})

    def sentence(self, system: ColorSystem) -> str:
        return (
            f"{'Change' if self.id in system.matrices else 'Keep'} the matrix {self.name.strip()}"
        )


class RemoveMatrix(RemoveOne):
    """Remove a named matrix."""

    type: Literal["remove_matrix"] = "remove_matrix"
    matrix: Id
    collection: ClassVar[Collection] = _MATRICES
