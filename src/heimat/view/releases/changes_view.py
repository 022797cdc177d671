"""What a release changes, token by token."""

from collections.abc import Sequence

import numpy as np
from typing_extensions import TypedDict

from heimat.core.color.ciede2000 import distance_text
from heimat.core.publication.changes import ChangeKind, TokenChange
from heimat.core.publication.publication import PublishedTheme, PublishedToken, PublishedValue
from heimat.core.publication.telling import ChangeGroup
from heimat.view.eyes import Eyes, SwatchView


class ChangeView(TypedDict):
    """How one token differs from the latest release; `theme` names the one it is told in, where there are several."""

    change: ChangeKind
    theme: str | None
    before_name: str | None
    before: SwatchView | None
    before_alias: str | None
    after_name: str | None
    after: SwatchView | None
    after_alias: str | None
    distance: str | None


class ChangeGroupView(TypedDict):
    """Changes of one kind that belong together, told in a line."""

    kind: ChangeKind
    words: str
    changes: list[ChangeView]


def group_view(group: ChangeGroup, themes: Sequence[PublishedTheme], eyes: Eyes) -> ChangeGroupView:
    """A group of changes."""
    changes = [change_view(change, themes, eyes) for change in group.changes]
    return {"kind": group.kind, "words": group.words, "changes": changes}


def change_view(change: TokenChange, themes: Sequence[PublishedTheme], eyes: Eyes) -> ChangeView:
    """A change, in the theme in which it differs most."""
    theme = change.theme or themes[0].id
    before = change.before.value(theme) if change.before else None
    after = change.after.value(theme) if change.after else None
    named = next((each.name for each in themes if each.id == change.theme), None)
    return {
        "change": change.change,
        "theme": named if len(themes) > 1 else None,
        "before_name": _name(change.before),
        "before": _swatch(before, eyes),
        "before_alias": before.alias if before else None,
        "after_name": _name(change.after),
        "after": _swatch(after, eyes),
        "after_alias": after.alias if after else None,
        "distance": distance_text(change.distance) if change.distance is not None else None,
    }


def _name(token: PublishedToken | None) -> str | None:
    return token.name if token else None


def _swatch(value: PublishedValue | None, eyes: Eyes) -> SwatchView | None:
    return (
        eyes.swatch(np.frombuffer(bytes.fromhex(value.hex[1:]), dtype=np.uint8)) if value else None
    )
