"""What comes in: limits of a body's size, time and number, and JSON that says the same to everyone who reads it."""

import asyncio
import re
import time
from dataclasses import dataclass

import orjson
from starlette.middleware.gzip import GZipMiddleware
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from heimat.api.problems import problem

MOST_BODY_BYTES = 1 << 20
BODY_SECONDS = 60.0
"""How long a body may take to arrive."""
MOST_UPLOADS = 8
"""Larger files that arrive at once."""
_UPLOADS = (
    (re.compile(r"/api/systems/[^/]+/pictures"), 20_000_000, "A picture has at most 20 MB."),
    (re.compile(r"/api/systems/[^/]+/own-page"), 5_000_000, "A page has at most 5 MB."),
    (
        re.compile(r"/api/systems/[^/]+/data"),
        10_000_000,
        "A table has at most 10 MB. Give a part of it.",
    ),
    (re.compile(r"/api/systems/[^/]+/typeface"), 2_000_000, "A font has at most 2 MB."),
    (
        re.compile(r"/api/systems/[^/]+/(?:check|outputs/read)"),
        5_000_000,
        "A stylesheet has at most 5 MB. Give a part of it.",
    ),
    (
        re.compile(r"/api/imports(?:/read)?"),
        20_000_000,
        "Files have at most 20 MB together. Bring fewer.",
    ),
    (
        re.compile(r"/api/reading"),
        5_000_000,
        "A stylesheet or list has at most 5 MB. Give a part of it.",
    ),
)
"""The kinds of files that may be larger: the path they go to, their limit in bytes, and what is said beyond it."""
_STREAMED = re.compile(r"/api/imports(?:/read)?")
"""What is handed on piece by piece, for whoever reads it puts files where they take no memory."""
_COMPRESSION = 3
"""Low: a drag waits for it, and the answer shrinks to a sixth already."""
_CONTROL = re.compile(
    rb"(?:[^\\]|\A)(?:\\\\)*\\(?:[bf]|u00(?:0[0-8bcef]|1[0-9a-f]|7f|[89][0-9a-f])|u202[89a-e]|u206[6-9])"
    rb"|\x7f|\xc2[\x80-\x9f]|\xe2\x80[\xa8-\xae]|\xe2\x81[\xa6-\xa9]",
    re.I,
)
"""Control characters in JSON but tabs and breaks, and signs that turn the direction of what follows."""


@dataclass(frozen=True)
class _Limit:
    most: int
    words: str
    upload: bool


class _RefusedError(Exception):
    """A body that is not handed on: the status, the title and the sentence."""

    def __init__(
        self, status: int, title: str, words: str, headers: dict[str, str] | None = None
    ) -> None:
        super().__init__(words)
        self.answer = problem(status, title, words, headers)


class BodyLimit:
    """Refuse bodies that are too large, too slow or too many, also where no length was announced, and JSON that cannot
    be kept as it stands."""

    def __init__(self, app: ASGIApp, seconds: float = BODY_SECONDS) -> None:
        self._app = app
        self._seconds = seconds
        self._uploads = 0

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Read the body up to the limit, then hand it on."""
        if scope["type"] != "http" or scope["method"] in ("GET", "HEAD", "OPTIONS"):
            await self._app(scope, receive, send)
            return
        limit = _limit(scope["path"])
        if _STREAMED.fullmatch(scope["path"]):
            await self._streamed(scope, receive, send, limit)
            return
        try:
            messages = await self._body(scope, receive, limit)
        except _RefusedError as refused:
            await refused.answer(scope, receive, send)
            return
        if messages is None:
            # Whoever sent it is gone.
            return

        async def replay() -> Message:
            return messages.pop(0) if messages else await receive()

        await self._app(scope, replay, send)

    async def _streamed(self, scope: Scope, receive: Receive, send: Send, limit: _Limit) -> None:
        """Hand a body on as it arrives; beyond the limit it ends, and what is answered is why."""
        try:
            self._refuse(dict(scope["headers"]), limit)
        except _RefusedError as refused:
            await refused.answer(scope, receive, send)
            return
        self._uploads += 1
        stream = _Stream(receive, limit, self._seconds)
        try:
            await self._app(scope, stream.receive, stream.answering(scope, send))
        finally:
            self._uploads -= 1

    async def _body(self, scope: Scope, receive: Receive, limit: _Limit) -> list[Message] | None:
        headers = dict(scope["headers"])
        self._refuse(headers, limit)
        self._uploads += limit.upload
        try:
            async with asyncio.timeout(self._seconds):
                messages = await _whole(receive, limit)
        except TimeoutError as late:
            raise _too_slow(self._seconds) from late
        finally:
            self._uploads -= limit.upload
        if (
            messages is not None
            and not limit.upload
            and b"json" in headers.get(b"content-type", b"json").lower()
        ):
            _check_json(b"".join(message.get("body", b"") for message in messages))
        return messages

    def _refuse(self, headers: dict[bytes, bytes], limit: _Limit) -> None:
        announced = headers.get(b"content-length", b"0")
        if not announced.isdigit() or int(announced[:20]) > limit.most:
            raise _RefusedError(413, "Too large", limit.words)
        if limit.upload and self._uploads >= MOST_UPLOADS:
            raise _RefusedError(
                429,
                "Too many at once",
                "Others are sending files. Try again soon.",
                {"Retry-After": "2"},
            )


class _Stream:
    """A body that is read by whoever answers, and counted on its way."""

    def __init__(self, receive: Receive, limit: _Limit, seconds: float) -> None:
        self._receive = receive
        self._limit = limit
        self._seconds = seconds
        self._until = time.monotonic() + seconds
        self._size = 0
        self._whole = False
        self._refused: _RefusedError | None = None

    async def receive(self) -> Message:
        """The next piece; the end, where it is too large or too late."""
        if self._whole:
            return await self._receive()
        try:
            async with asyncio.timeout(max(self._until - time.monotonic(), 0.0)):
                message = await self._receive()
        except TimeoutError:
            return self._end(_too_slow(self._seconds))
        self._size += len(message.get("body", b""))
        self._whole = not message.get("more_body", False)
        if self._size > self._limit.most:
            return self._end(_RefusedError(413, "Too large", self._limit.words))
        return message

    def answering(self, scope: Scope, send: Send) -> Send:
        """Answers with what was refused, in place of what is said of a body that ended early."""
        answered = False

        async def answer(message: Message) -> None:
            nonlocal answered
            if self._refused is None:
                await send(message)
            elif not answered:
                answered = True
                await self._refused.answer(scope, self._receive, send)

        return answer

    def _end(self, refused: _RefusedError) -> Message:
        self._refused, self._whole = refused, True
        return {"type": "http.disconnect"}


def _too_slow(seconds: float) -> _RefusedError:
    return _RefusedError(
        408, "Too slow", f"This did not arrive within {seconds:.0f} seconds. Try again."
    )


async def _whole(receive: Receive, limit: _Limit) -> list[Message] | None:
    """All of a body; None where it breaks off."""
    messages: list[Message] = []
    size, more = 0, True
    while more:
        message = await receive()
        if message["type"] == "http.disconnect":
            return None
        messages.append(message)
        size += len(message.get("body", b""))
        more = message.get("more_body", False)
        if size > limit.most:
            raise _RefusedError(413, "Too large", limit.words)
    return messages


def _check_json(body: bytes) -> None:
    if not body:
        return
    try:
        orjson.loads(body)
    except orjson.JSONDecodeError as error:
        raise _RefusedError(
            422, "That cannot be read", f"This is not JSON that everyone reads alike: {error}."
        ) from error
    if _CONTROL.search(body):
        words = "This holds control characters, or signs that turn the direction of a text. Leave them out."
        raise _RefusedError(422, "That cannot be read", words)


def _limit(path: str) -> _Limit:
    found = (
        _Limit(most, words, upload=True)
        for pattern, most, words in _UPLOADS
        if pattern.fullmatch(path)
    )
    return next(found, _Limit(MOST_BODY_BYTES, "A request holds at most 1 MiB.", upload=False))


class Compress(GZipMiddleware):
    """Compress answers of some size."""

    def __init__(self, app: ASGIApp) -> None:
        super().__init__(app, minimum_size=1024, compresslevel=_COMPRESSION)
