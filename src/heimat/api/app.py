"""The application: routes, errors, limits, and the page."""

from fastapi import FastAPI
from sqlalchemy import Engine

from heimat import __version__
from heimat.api import (
    routes_areas,
    routes_gallery,
    routes_people,
    routes_pictures,
    routes_reading,
    routes_releases,
    routes_scales,
    routes_systems,
)
from heimat.api.context import Context
from heimat.api.limits import BodyLimit, CompressAllButFeeds
from heimat.api.page import add_page
from heimat.api.problems import add_handlers, problem


def create_app(engine: Engine) -> FastAPI:
    """The application on a database. It keeps nothing that another process would miss."""
    app = FastAPI(title="Heimat", version=__version__, docs_url=None, redoc_url=None, openapi_url="/api/openapi.json")
    app.state.context = Context.of(engine)
    add_handlers(app)
    routers = (
        routes_people.router,
        routes_releases.router,
        routes_reading.router,
        routes_scales.router,
        routes_areas.router,
        routes_pictures.router,
        routes_gallery.router,
        routes_systems.router,
        routes_releases.feeds,
    )
    for router in routers:
        app.include_router(router)

    def nothing(path: str) -> object:
        return problem(404, "Not there", f"There is nothing at {path}.")

    for part in ("api", "feeds"):
        methods = ["GET", "POST", "PUT", "DELETE", "PATCH"]
        app.add_api_route(f"/{part}/{{path:path}}", nothing, methods=methods, include_in_schema=False)

    add_page(app)
    app.add_middleware(BodyLimit)
    app.add_middleware(CompressAllButFeeds)
    return app
