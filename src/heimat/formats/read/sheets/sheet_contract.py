"""The contract of a release, beside its tokens: which tokens meet for what, and which are to be told apart."""

from typing import Any, get_args

from heimat.core.document.pairings import Use
from heimat.core.document.words import counted
from heimat.core.importing.sheet import MOST_SHEET_TOKENS, Sheet, SheetPairing, SheetToldApart

_USES: tuple[Use, ...] = get_args(Use)
_MOST_TOGETHER = 200


def is_contract(root: dict[str, Any]) -> bool:
    """Whether JSON is a contract."""
    return isinstance(root.get("pairings"), list) and isinstance(root.get("told_apart"), list)


def read(root: dict[str, Any]) -> Sheet:
    """What a contract declares. Ratios and promises follow from the colors and are not read."""
    pairings = tuple(
        SheetPairing(
            str(each.get("foreground", ""))[:200], str(each.get("ground", ""))[:200], each["use"]
        )
        for each in root["pairings"][:MOST_SHEET_TOKENS]
        if isinstance(each, dict) and each.get("use") in _USES
    )
    told_apart = tuple(
        SheetToldApart(
            str(each.get("name", ""))[:80],
            tuple(str(name)[:200] for name in names[:_MOST_TOGETHER]),
            far,
        )
        for each in root["told_apart"][:_MOST_TOGETHER]
        if isinstance(each, dict)
        and isinstance(names := each.get("tokens"), list)
        and isinstance(far := each.get("threshold"), int | float)
        and 0.0 <= far <= 100.0
    )
    accepted = root.get("exceptions")
    count = len(accepted) if isinstance(accepted, list) else 0
    verb = "is" if count == 1 else "are"
    words = f"{counted(count, 'accepted exception')} {verb} not taken over: what was accepted is found anew."
    told = (words,) if count else ()
    return Sheet(
        "contract",
        (),
        (),
        told,
        str(root.get("system", ""))[:80],
        pairings=pairings,
        told_apart=told_apart,
    )
