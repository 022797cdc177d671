"""Identity: ids that stay, whatever a thing is called and wherever it stands."""

import secrets
from typing import Annotated

from pydantic import Field

Id = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9_-]{0,39}$")]


def new_id() -> str:
    """A new id: a letter and 12 random hexadecimal digits."""
    return "i" + secrets.token_hex(6)
