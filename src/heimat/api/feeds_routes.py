"""The feeds: files of releases, the same bytes for ever, answered before anything else of the application is asked."""

import re
from typing import Any

from starlette.concurrency import run_in_threadpool
from starlette.responses import Response
from starlette.types import ASGIApp, Receive, Scope, Send

from heimat.api.problems import answer_error, problem
from heimat.formats.packing import PackedFile
from heimat.service.feeds import Feeds, Served

PREFIX = "/feeds/"
_A_YEAR = b"max-age=31536000, immutable"
_EVERY_TIME = b"no-cache"
_METHODS = ("GET", "HEAD")
_KEY = r"(?:/key/([A-Za-z0-9_-]{1,100}))?"
"""A stylesheet's link sends no header: there the key stands in the path."""
_ADDRESS = re.compile(
    rf"/feeds/([a-z0-9-]{{1,80}}){_KEY}/([0-9a-z.-]{{1,60}})/([^/\x00-\x1f\x7f]{{1,300}})"
)
_ROOT = re.compile(rf"/feeds/([a-z0-9-]{{1,80}}){_KEY}/?")
_REPORTS = re.compile(r"/feeds/[a-z0-9-]{1,80}/reports")
PAGE_POLICY = "default-src 'none'; style-src 'unsafe-inline'; base-uri 'none'; form-action 'none'"
_REFUSED = re.compile(r"(?:^|,)\s*(gzip|br)\s*;\s*q=0(?:\.0*)?\s*(?=,|$)")

DESCRIPTION: dict[str, Any] = {
    "get": {
        "operationId": "fetchFile",
        "tags": ["feeds"],
        "summary": "A file of a release: the same bytes for ever, named by a strong ETag.",
        "parameters": [
            {"name": name, "in": "path", "required": True, "schema": {"type": "string"}}
            for name in ("slug", "version", "name")
        ],
        "responses": {
            "200": {
                "description": "The file",
                "content": {"*/*": {"schema": {"type": "string", "format": "binary"}}},
            },
            "304": {"description": "What is known is still so"},
            "401": {
                "description": "The feed asks for a key",
                "content": {"application/problem+json": {}},
            },
            "404": {
                "description": "There is no such file",
                "content": {"application/problem+json": {}},
            },
            "503": {
                "description": "The database is away",
                "content": {"application/problem+json": {}},
            },
        },
    }
}


class FeedsFirst:
    """Answer what is asked of the feeds; hand on everything else."""

    def __init__(self, app: ASGIApp, feeds: Feeds) -> None:
        self._app = app
        self._feeds = feeds

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Answer or hand on, by the path."""
        if (
            scope["type"] != "http"
            or not scope["path"].startswith(PREFIX)
            or _REPORTS.fullmatch(scope["path"])
        ):
            await self._app(scope, receive, send)
            return
        answer = await self._answer(scope)
        if isinstance(answer, Response):
            await answer(scope, receive, send)
            return
        await _send(answer, scope, send)

    async def _answer(self, scope: Scope) -> Served | Response:
        if scope["method"] not in _METHODS:
            return problem(
                405, "Not that way", "A feed is only read.", {"Allow": ", ".join(_METHODS)}
            )
        root = _ROOT.fullmatch(scope["path"])
        if root is not None:
            return await self._page(scope, root[1], root[2] or bearer(scope))
        address = _ADDRESS.fullmatch(scope["path"])
        if address is None:
            return problem(404, "Not there", "A file’s address is /feeds/system/version/file.")
        slug, in_path, version, name = address.groups()
        key = in_path or bearer(scope)
        try:
            known = self._feeds.remembered(slug, version, name, key)
            if known is not None:
                return known
            return await run_in_threadpool(self._feeds.find, slug, version, name, key)
        except Exception as error:
            return answer_error(scope, error)

    async def _page(self, scope: Scope, slug: str, key: str | None) -> Response:
        host = next(
            (value.decode("latin-1") for key, value in scope["headers"] if key == b"host"),
            "localhost",
        )
        try:
            origin, path = (
                f"{scope.get('scheme', 'http')}://{host}",
                scope["path"].rstrip("/") + "/",
            )
            page, private = await run_in_threadpool(self._feeds.page, slug, origin, key, path)
        except Exception as error:
            return answer_error(scope, error)
        headers = {
            "Cache-Control": _caching(private, fixed=False).decode(),
            "Content-Security-Policy": PAGE_POLICY,
        }
        return Response(page, media_type="text/html", headers=headers)


def bearer(scope: Scope) -> str | None:
    """The key in the header of a request, if there is one."""
    for name, value in scope["headers"]:
        if name == b"authorization" and value[:7].lower() == b"bearer ":
            return str(value[7:].strip().decode("latin-1")) or None
    return None


def _caching(private: bool, *, fixed: bool) -> bytes:
    return (b"private, " if private else b"public, ") + (_A_YEAR if fixed else _EVERY_TIME)


async def _send(served: Served, scope: Scope, send: Send) -> None:
    file = served.file
    matching = accepted = b""
    for key, value in scope["headers"]:
        if key == b"if-none-match":
            matching = value
        elif key == b"accept-encoding":
            accepted = value
    coding, content = _coded(file, accepted.decode("latin-1"))
    etag = b'"' + file.digest.encode() + (b"-" + coding if coding else b"") + b'"'
    headers = [
        (b"etag", etag),
        (b"cache-control", _caching(served.private, fixed=served.fixed)),
        (b"vary", b"Accept-Encoding, Authorization" if served.private else b"Accept-Encoding"),
        *([] if served.private else [(b"access-control-allow-origin", b"*")]),
        (b"cross-origin-resource-policy", b"cross-origin"),
    ]
    known = (
        {part.strip().removeprefix(b"W/") for part in matching.split(b",")} if matching else set()
    )
    if etag in known or b"*" in known:
        await send({"type": "http.response.start", "status": 304, "headers": headers})
        await send({"type": "http.response.body", "body": b""})
        return
    if file.media_type.startswith("text/html"):
        headers.append((b"content-security-policy", PAGE_POLICY.encode()))
    headers += [
        (b"content-type", file.media_type.encode()),
        (b"content-length", str(len(content)).encode()),
    ]
    if coding:
        headers.append((b"content-encoding", coding))
    await send({"type": "http.response.start", "status": 200, "headers": headers})
    await send(
        {"type": "http.response.body", "body": b"" if scope["method"] == "HEAD" else content}
    )


def _coded(file: PackedFile, accepted: str) -> tuple[bytes, bytes]:
    """How the file is sent to who accepts what: the coding, empty for none, and the bytes."""
    if accepted:
        named = {part.partition(";")[0].strip() for part in accepted.split(",")} - set(
            _REFUSED.findall(accepted)
        )
        if file.brotli is not None and "br" in named:
            return b"br", file.brotli
        if file.gzip is not None and "gzip" in named:
            return b"gzip", file.gzip
    return b"", file.content
