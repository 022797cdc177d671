"""The application: routes, errors, limits, and the page."""

from collections.abc import AsyncIterator, Iterable
from contextlib import asynccontextmanager

from fastapi import FastAPI
from sqlalchemy import Engine

from heimat import __version__
from heimat.api import (
    alternatives_routes,
    areas_routes,
    charts_routes,
    documents_routes,
    feed_access_routes,
    gallery_routes,
    imports_routes,
    legibility_routes,
    own_page_routes,
    people_routes,
    pictures_routes,
    reading_tests_routes,
    releases_routes,
    resting_routes,
    safe_ranges_routes,
    scales_routes,
    sources_routes,
    systems_routes,
    tokens_routes,
    typeface_routes,
)
from heimat.api.context import Context
from heimat.api.description import describe
from heimat.api.feeds_routes import FeedsFirst
from heimat.api.guard import Guard
from heimat.api.limits import BodyLimit, Compress
from heimat.api.nothing import add_nothing
from heimat.api.page import add_page
from heimat.api.problems import add_handlers
from heimat.api.rights import rights_of
from heimat.service.workers import Workers, shared_workers

STAGES = (
    people_routes,
    systems_routes,
    documents_routes,
    alternatives_routes,
    sources_routes,
    areas_routes,
    pictures_routes,
    gallery_routes,
    imports_routes,
    scales_routes,
    tokens_routes,
    own_page_routes,
    typeface_routes,
    legibility_routes,
    reading_tests_routes,
    charts_routes,
    releases_routes,
    feed_access_routes,
    resting_routes,
    safe_ranges_routes,
)
"""Every file of operations. No route hides another: they may stand in any order."""


def create_app(
    engine: Engine,
    hosts: Iterable[str] = (),
    workers: Workers | None = None,
    *,
    printed: bool = True,
) -> FastAPI:
    """The application on a database. It keeps nothing that another process would miss.

    It is served under the names of this machine, and under `hosts`; what takes long is done by `workers`, or by those
    that all applications of a process share. Releases get their guide as PDF too, unless `printed` is False.
    """
    costly = workers or shared_workers()
    context = Context.of(engine, costly, printed=printed)

    @asynccontextmanager
    async def lifespan(_: FastAPI) -> AsyncIterator[None]:
        costly.start()
        if printed:
            context.printing.start()
        yield
        context.printing.close()
        costly.close()
        context.feeds.write_uses()

    app = FastAPI(
        title="Heimat",
        version=__version__,
        docs_url=None,
        redoc_url=None,
        openapi_url="/api/openapi.json",
        lifespan=lifespan,
    )
    app.state.context = context
    add_handlers(app)
    rights_of(each.router for each in STAGES)
    for each in STAGES:
        # As they are: to include a router makes each of its routes anew, which takes longer than all else here.
        app.router.routes.extend(each.router.routes)
    describe(app, [each.router for each in STAGES])
    add_nothing(app)
    add_page(app)
    # The last one added is the first that a request meets.
    app.add_middleware(BodyLimit)
    app.add_middleware(Compress)
    app.add_middleware(FeedsFirst, feeds=context.feeds)
    app.add_middleware(Guard, hosts=hosts)
    return app
