"""The API's own description: besides its routes, the constants, the shape of problems, and the feeds."""

from collections.abc import Sequence
from functools import cache
from typing import Any

from fastapi import APIRouter, FastAPI
from pydantic import TypeAdapter

from heimat.api import feeds_routes
from heimat.api.constants import CONSTANTS, NAME
from heimat.api.encoding import describing
from heimat.api.problems import Problem

FEED_PATH = "/feeds/{slug}/{version}/{name}"
_SCHEMAS = "#/components/schemas/{model}"


def describe(app: FastAPI, routers: Sequence[APIRouter]) -> None:
    """Let an application describe itself whole; `routers` hold its operations."""

    @cache
    def whole() -> dict[str, Any]:
        twin = FastAPI(title=app.title, version=app.version)
        with describing():
            for router in routers:
                twin.include_router(router)
            described = twin.openapi()
        problem = TypeAdapter(Problem).json_schema(ref_template=_SCHEMAS)
        schemas = described.setdefault("components", {}).setdefault("schemas", {})
        schemas |= problem.pop("$defs")
        schemas["Problem"] = problem
        described["paths"][FEED_PATH] = feeds_routes.DESCRIPTION
        described[NAME] = CONSTANTS
        return described

    app.openapi = whole  # type: ignore[method-assign]
