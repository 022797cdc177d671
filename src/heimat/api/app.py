"""The application: routes, errors, limits, and the page."""

from fastapi import FastAPI
from sqlalchemy import Engine

from heimat import __version__
from heimat.api import (
    areas,
    documents,
    feeds,
    gallery,
    legibility,
    people,
    pictures,
    releases,
    scales,
    sources,
    systems,
)
from heimat.api.constants import describe_constants
from heimat.api.context import Context
from heimat.api.limits import BodyLimit, CompressAllButFeeds
from heimat.api.page import add_page
from heimat.api.problems import add_handlers, problem


def create_app(engine: Engine) -> FastAPI:
    """The application on a database. It keeps nothing that another process would miss."""
    app = FastAPI(title="Heimat", version=__version__, docs_url=None, redoc_url=None, openapi_url="/api/openapi.json")
    app.state.context = Context.of(engine)
    add_handlers(app)
    # No route hides another: they may stand in any order.
    for stage in (people, systems, documents, sources, areas, pictures, gallery, scales, legibility, releases, feeds):
        app.include_router(stage.router)

    def nothing(path: str) -> object:
        return problem(404, "Not there", f"There is nothing at {path}.")

    for part in ("api", "feeds"):
        methods = ["GET", "POST", "PUT", "DELETE", "PATCH"]
        app.add_api_route(f"/{part}/{{path:path}}", nothing, methods=methods, include_in_schema=False)

    describe_constants(app)
    add_page(app)
    app.add_middleware(BodyLimit)
    app.add_middleware(CompressAllButFeeds)
    return app
