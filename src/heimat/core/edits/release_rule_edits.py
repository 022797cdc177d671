"""Edits of what the team asks of its releases."""

from typing import ClassVar, Literal

from heimat.core.document.release_rules import ReleaseRules
from heimat.core.document.system import ColorSystem
from heimat.core.edits.base import EditBase, Right


class SetReleaseRules(EditBase):
    """Say what makes a version, and what stops a release."""

    type: Literal["set_release_rules"] = "set_release_rules"
    right: ClassVar[Right] = "publish"
    rules: ReleaseRules

    def change(self, system: ColorSystem) -> ColorSystem:
        return system.model_copy(update={"release_rules": self.rules})

    def sentence(self, system: ColorSystem) -> str:
        before, now = system.release_rules, self.rules
        if before.refuse_open != now.refuse_open:
            return f"{'Refuse' if now.refuse_open else 'Allow'} releases while findings are open"
        if before.refuse_sudden != now.refuse_sudden:
            return (
                f"{'Refuse' if now.refuse_sudden else 'Allow'} removals that no release has told of"
            )
        return f"Let a change below {now.patch_below:g} be a patch"
