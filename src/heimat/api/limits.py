"""The two layers around every request: a limit on its body, and compression of what is answered."""

import re

from starlette.middleware.gzip import GZipMiddleware
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from heimat.api.problems import problem

MOST_BYTES = 1 << 20
_UPLOADS = (
    (re.compile(r"^/api/systems/[^/]+/pictures$"), 20_000_000, "A picture has at most 20 MB."),
    (re.compile(r"^/api/reading$"), 5_000_000, "A stylesheet or list has at most 5 MB. Give a part of it."),
)
"""The two kinds of files that may be larger: the path they go to, their limit in bytes, and what is said beyond it."""
_COMPRESSION = 3
"""Low: a drag waits for it, and the answer shrinks to a sixth already."""


class BodyLimit:
    """Refuse bodies over 1 MiB, or over the limit of an upload, with 413, also where no length was announced."""

    def __init__(self, app: ASGIApp) -> None:
        self._app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Read the body up to the limit, then hand it on."""
        if scope["type"] != "http":
            await self._app(scope, receive, send)
            return
        most, words = _limit(scope["path"])
        announced = dict(scope["headers"]).get(b"content-length", b"0")
        if not announced.isdigit() or int(announced) > most:
            await _refuse(words, scope, receive, send)
            return
        messages: list[Message] = []
        size, more = 0, True
        while more:
            message = await receive()
            messages.append(message)
            size += len(message.get("body", b""))
            more = message["type"] == "http.request" and message.get("more_body", False)
            if size > most:
                await _refuse(words, scope, receive, send)
                return

        async def replay() -> Message:
            return messages.pop(0) if messages else await receive()

        await self._app(scope, replay, send)


def _limit(path: str) -> tuple[int, str]:
    found = ((most, words) for pattern, most, words in _UPLOADS if pattern.match(path))
    return next(found, (MOST_BYTES, "A request holds at most 1 MiB."))


async def _refuse(words: str, scope: Scope, receive: Receive, send: Send) -> None:
    answer = problem(413, "Too large", words)
    await answer(scope, receive, send)


class CompressAllButFeeds:
    """Compress answers; but a feed's bytes are the very ones that its ETag names."""

    def __init__(self, app: ASGIApp) -> None:
        self._plain = app
        self._compressed = GZipMiddleware(app, minimum_size=1024, compresslevel=_COMPRESSION)

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Hand on, compressed or plain, by the path."""
        feed = scope["type"] == "http" and scope["path"].startswith("/feeds/")
        await (self._plain if feed else self._compressed)(scope, receive, send)
