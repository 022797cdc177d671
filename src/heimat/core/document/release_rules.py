"""What the team asks of its releases: what makes a version, and what stops one."""

from typing import Annotated

from pydantic import Field

from heimat.core.document.part import Part

SMALL_CHANGE = 2.0
"""CIEDE2000 up to which a changed color is a patch: about what half of observers accept (1.8), a little rounded up."""


class ReleaseRules(Part):
    """A color that changes by less than `patch_below` (CIEDE2000) is a patch, by more a minor version.

    A release is refused while findings are open (`refuse_open`), and where a name goes that no release before has told
    to be on its way out (`refuse_sudden`).
    """

    patch_below: Annotated[float, Field(ge=0.0, le=100.0)] = SMALL_CHANGE
    refuse_open: bool = False
    refuse_sudden: bool = False
