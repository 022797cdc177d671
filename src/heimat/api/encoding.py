"""Answers are encoded once, by a fast encoder, and not validated a second time."""

from typing import Any

import orjson
from pydantic import BaseModel
from starlette.responses import Response

from heimat.api.problems import Problem


def _plain(value: Any) -> Any:
    """What the encoder does not know: edits, curves and methods are models."""
    if isinstance(value, BaseModel):
        return value.model_dump(mode="json")
    raise TypeError(type(value).__name__)


def answer(data: Any, status: int = 200) -> Response:
    """A JSON answer of plain data."""
    return Response(orjson.dumps(data, _plain), status, {"Cache-Control": "no-store"}, "application/json")


def described(model: Any, status: int = 200) -> dict[str, Any]:
    """Route options that describe an answer without validating it."""
    return {
        "response_model": None,
        "status_code": status,
        "responses": {status: {"model": model}, "4XX": {"model": Problem}},
    }
