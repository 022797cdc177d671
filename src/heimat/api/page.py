"""The built front end, served by the same process."""

import secrets
from pathlib import Path

from fastapi import FastAPI
from fastapi.responses import FileResponse
from fastapi.staticfiles import StaticFiles
from starlette.responses import HTMLResponse, Response

BUILT = Path(__file__).resolve().parents[1] / "page"
_ASSETS = "/assets"
NONCE = "heimat-nonce"
"""What stands in the built page for the number used once that lets the page's own styles in."""
_POLICY = "; ".join(
    (
        "default-src 'none'",
        "script-src 'self'",
        "style-src 'self' 'nonce-{nonce}'",
        "font-src 'self'",
        "img-src 'self' data: blob:",
        "connect-src 'self'",
        "frame-src 'self'",
        "base-uri 'none'",
        "form-action 'none'",
        "frame-ancestors {around}",
    )
)
"""What the page may load and run: its own files alone, and no code or style that somebody has written into it."""


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
    template = (built / "index.html").read_text()
    beside = {
        file.name: file for file in built.iterdir() if file.is_file() and file.name != "index.html"
    }

    @app.api_route("/{path:path}", methods=["GET", "HEAD"], include_in_schema=False)
    def page(path: str, bare: bool = False) -> Response:
        if path in beside:
            return FileResponse(beside[path], headers={"Cache-Control": "no-cache"})
        nonce = secrets.token_urlsafe(16)
        # A bare sheet stands beside another alternative's sheet, within the page itself; nothing else is ever framed.
        around = "'self'" if bare else "'none'"
        headers = {
            "Cache-Control": "no-store",
            "Content-Security-Policy": _POLICY.format(nonce=nonce, around=around),
            "X-Frame-Options": "SAMEORIGIN" if bare else "DENY",
        }
        return HTMLResponse(template.replace(NONCE, nonce), headers=headers)
