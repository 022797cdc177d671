"""Answers are encoded once, by a fast encoder, and not validated a second time."""

from typing import Any

import orjson
from starlette.responses import Response

from heimat.api.problems import Problem


def answer(data: Any, status: int = 200) -> Response:
    """A JSON answer of plain data."""
    return Response(orjson.dumps(data), status, {"Cache-Control": "no-store"}, "application/json")


def described(model: Any, status: int = 200) -> dict[str, Any]:
    """Route options that describe an answer without validating it."""
    return {
        "response_model": None,
        "status_code": status,
        "responses": {status: {"model": model}, "4XX": {"model": Problem}},
    }
