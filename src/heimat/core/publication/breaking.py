"""What a release breaks for who uses the one before: names that go, themes, pairings, promises and sets that held."""

from typing import Any

from heimat.core.color.ciede2000 import distance_words
from heimat.core.publication.changes import TokenChange
from heimat.core.publication.frame import frame_changes
from heimat.core.publication.publication import Publication
from heimat.core.publication.published_outputs import names_lost


def broken(before: Publication | None, after: Publication, changes: list[TokenChange]) -> list[str]:
    """What breaks, each in a sentence: themes and the package first, then names."""
    if before is None:
        return []
    names = {token.name for token in after.with_palettes()}
    found = [change.words for change in frame_changes(before, after) if change.breaks]
    for change in changes:
        if change.before is not None and change.before.name not in names:
            was = change.before
            instead = was.deprecated.replacement if was.deprecated else None
            to = change.after.name if change.after else instead
            found.append(
                f"{was.name} is gone{f': use {to}' if to else '; nothing stands in for it'}."
            )
    lost = names_lost(before.outputs, after.outputs)
    found += [f"{output} gives nothing as {name} any more." for output, name in lost]
    return found + _pairings(before, after) + _promises(before, after) + _sets(before, after)


def _pairings(before: Publication, after: Publication) -> list[str]:
    held = {_pair(each): each for each in before.contract["pairings"]}
    found = []
    for now in after.contract["pairings"]:
        was, needed = held.get(_pair(now)), now["needed"]
        if was is None or needed is None:
            continue
        for theme, ratio in now["ratios"].items():
            if ratio < needed <= was["ratios"].get(theme, 0.0):
                words = f"{now['foreground']} on {now['ground']} falls from {was['ratios'][theme]:.2f} to {ratio:.2f}"
                found.append(f"{words} in {theme}; {needed:g} is needed.")
    return found


def _pair(pairing: dict[str, Any]) -> tuple[str, str, str]:
    return pairing["foreground"], pairing["ground"], pairing["use"]


def _promises(before: Publication, after: Publication) -> list[str]:
    now = {each["aim"]: each["apart"] for each in after.contract["promises"]}
    found = []
    for was in before.contract["promises"]:
        apart = now.get(was["aim"])
        if apart is None:
            found.append(
                f"No two steps any more reach {was['aim']:g} by their distance; {was['apart']} apart they did."
            )
        elif apart > was["apart"]:
            found.append(
                f"Steps reach {was['aim']:g} from {apart} apart on; it was {was['apart']}."
            )
    return found


def _sets(before: Publication, after: Publication) -> list[str]:
    held = {each["name"]: each for each in before.contract["told_apart"]}
    found = []
    for now in after.contract["told_apart"]:
        was = held.get(now["name"])
        for theme, least in now["least"].items():
            if was is not None and least < now["threshold"] <= was["least"].get(theme, 0.0):
                words = f"The nearest two of {now['name']} come as near as {distance_words(least)} in {theme}"
                found.append(f"{words}; {now['threshold']:g} is asked for.")
    return found
