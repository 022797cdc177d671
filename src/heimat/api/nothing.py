"""Addresses of the API at which there is nothing, or nothing in that way."""

import re
from collections import defaultdict

from fastapi import FastAPI
from fastapi.routing import iter_route_contexts
from starlette.requests import Request
from starlette.responses import Response

from heimat.api.problems import problem

_EVERYWHERE = "/api/{path:path}"
_EVERY_METHOD = ["GET", "HEAD", "POST", "PUT", "DELETE", "PATCH", "OPTIONS"]
_PARAMETER = re.compile(r"\\\{[^/]+?\\\}")


def add_nothing(app: FastAPI) -> None:
    """Say of every other address under /api whether it is none, or how it is asked instead. Comes after all routes."""
    known: list[tuple[re.Pattern[str], list[str]]] = []

    def nothing(request: Request) -> Response:
        if not known:
            known.extend(_known(app))
        path = request.url.path
        allowed = sorted(
            {method for pattern, methods in known if pattern.fullmatch(path) for method in methods}
        )
        if allowed:
            words = f"{request.method} does nothing at {path[:200]}."
            return problem(405, "Not that way", words, {"Allow": ", ".join(allowed)})
        return problem(404, "Not there", f"There is nothing at {path[:200]}.")

    app.add_api_route(_EVERYWHERE, nothing, methods=_EVERY_METHOD, include_in_schema=False)


def _known(app: FastAPI) -> list[tuple[re.Pattern[str], list[str]]]:
    ways: dict[str, set[str]] = defaultdict(set)
    for route in iter_route_contexts(app.routes):
        if route.path_format and route.path != _EVERYWHERE:
            ways[route.path_format] |= set(route.methods or ())
    return [
        (re.compile(_PARAMETER.sub("[^/]+", re.escape(path))), sorted(methods))
        for path, methods in ways.items()
    ]
