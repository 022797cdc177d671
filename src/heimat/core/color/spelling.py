"""Spelling is forgiven where words are looked for: colour finds color, grey gray."""

SPELLINGS: tuple[tuple[str, str], ...] = (
    ("colour", "color"),
    ("grey", "gray"),
    ("centre", "center"),
    ("harbour", "harbor"),
)
"""Other spellings, each with the one that is searched in."""


def plainly_spelled(text: str) -> str:
    """A text in lower case and one spelling."""
    found = text.casefold()
    for other, plain in SPELLINGS:
        found = found.replace(other, plain)
    return found
