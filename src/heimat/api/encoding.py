"""Answers are encoded once, by a fast encoder, and not validated a second time."""

from collections.abc import Iterator
from contextlib import contextmanager
from contextvars import ContextVar
from typing import Any

import orjson
from pydantic import BaseModel
from starlette.responses import Response

from heimat.api.problems import MEDIA_TYPE

_PROBLEM_WORDS: dict[int | str, str] = {
    403: "A page of somebody else asks",
    404: "There is no such thing",
    408: "The request did not arrive in time",
    409: "It meets what somebody else has changed",
    413: "It is too large",
    421: "Heimat is not served under this name",
    422: "It cannot be read, or cannot be done",
    429: "It was asked for too often",
    500: "Something went wrong that was not foreseen",
    503: "The database is away, or others hold what is needed",
}
PROBLEMS: dict[int | str, dict[str, Any]] = {
    status: {
        "description": words,
        "content": {MEDIA_TYPE: {"schema": {"$ref": "#/components/schemas/Problem"}}},
    }
    for status, words in _PROBLEM_WORDS.items()
}
"""Every answer that a request may get instead of what it asks for."""


def _plain(value: Any) -> Any:
    """What the encoder does not know: edits, curves and methods are models."""
    if isinstance(value, BaseModel):
        return value.model_dump(mode="json")
    raise TypeError(type(value).__name__)


def encode(data: Any) -> bytes:
    """Plain data as JSON."""
    return orjson.dumps(data, _plain)


def answer(data: Any, status: int = 200) -> Response:
    """A JSON answer of plain data, or of what is encoded already."""
    return Response(
        data if isinstance(data, bytes) else encode(data),
        status,
        {"Cache-Control": "no-store"},
        "application/json",
    )


_DESCRIBING: ContextVar[bool] = ContextVar("describing", default=False)


class _Answer(dict[str, Any]):
    """What an answer is, for the description alone: to a route that only answers it tells nothing. To build the
    schemas of all answers takes longer than to start all else."""

    def __init__(self, model: Any) -> None:
        super().__init__()
        self._model = model

    def get(self, key: str, default: Any = None) -> Any:
        if key == "model" and _DESCRIBING.get():
            return self._model
        return super().get(key, default)


@contextmanager
def describing() -> Iterator[None]:
    """Routes that are made within know what they answer."""
    before = _DESCRIBING.set(True)
    try:
        yield
    finally:
        _DESCRIBING.reset(before)


def described(model: Any, status: int = 200) -> dict[str, Any]:
    """Route options that describe an answer without validating it."""
    return {
        "response_model": None,
        "status_code": status,
        "responses": {status: _Answer(model), **PROBLEMS},
    }


def described_bytes(media_type: str, status: int = 200) -> dict[str, Any]:
    """Route options that describe an answer of bytes."""
    content = {media_type: {"schema": {"type": "string", "format": "binary"}}}
    return {
        "status_code": status,
        "response_class": Response,
        "responses": {status: {"content": content}, **PROBLEMS},
    }


def described_empty() -> dict[str, Any]:
    """Route options that describe an answer without a body."""
    return {"status_code": 204, "responses": PROBLEMS}
