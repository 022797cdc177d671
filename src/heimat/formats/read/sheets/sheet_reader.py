"""A form of files that hold sheets of tokens: how it is known, and how it is read."""

from collections.abc import Callable, Mapping
from dataclasses import dataclass

from heimat.core.importing.sheet import Sheet


@dataclass(frozen=True)
class SheetReader:
    """`takes` looks at the text, without what is blank before it, and at the ending of the file's name, in lower case.

    `read` takes that text, and the texts of all files that came with it, by name. The first that takes a text reads it.
    """

    takes: Callable[[str, str], bool]
    read: Callable[[str, Mapping[str, str]], Sheet]
