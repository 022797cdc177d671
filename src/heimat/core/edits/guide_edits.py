"""Edits of how the guide is made."""

from typing import Literal

from heimat.core.document.guide_settings import Guide
from heimat.core.document.system import ColorSystem
from heimat.core.edits.base import EditBase


class SetGuide(EditBase):
    """Say how wide the guide is, in how many columns, in which notations, and which parts it has in which order."""

    type: Literal["set_guide"] = "set_guide"
    guide: Guide

    def change(self, system: ColorSystem) -> ColorSystem:
        return system.model_copy(update={"guide": self.guide})

    def sentence(self, system: ColorSystem) -> str:
        return "Change how the guide is made"
