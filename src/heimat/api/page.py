"""The built front end, served by the same process."""

from pathlib import Path

from fastapi import FastAPI
from fastapi.responses import FileResponse
from fastapi.staticfiles import StaticFiles
from starlette.responses import Response

BUILT = Path(__file__).resolve().parents[1] / "page"
_ASSETS = "/assets"


class _Immutable(StaticFiles):
    """Files whose names change with their contents."""

    def file_response(self, *args: object, **kwargs: object) -> Response:
        response = super().file_response(*args, **kwargs)  # type: ignore[arg-type]
        response.headers["Cache-Control"] = "public, max-age=31536000, immutable"
        return response


def add_page(app: FastAPI, built: Path = BUILT) -> None:
    """Serve the page at every address that nothing else answers. Without a build, there is none."""
    if not (built / "index.html").is_file():
        return
    app.mount(_ASSETS, _Immutable(directory=built / "assets"))

    @app.get("/{path:path}", include_in_schema=False)
    def page(path: str) -> Response:
        file = built / path
        inside = built in file.resolve().parents
        named = file if path and inside and file.is_file() else built / "index.html"
        return FileResponse(named, headers={"Cache-Control": "no-cache"})
