"""Errors as problem details (RFC 9457), in words a designer understands."""

import json
import logging
import re
import secrets
from collections.abc import Callable
from typing import Any

import orjson
from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from sqlalchemy.exc import InterfaceError, OperationalError
from sqlalchemy.exc import TimeoutError as PoolTimeout
from starlette.exceptions import HTTPException
from starlette.responses import Response
from starlette.types import Scope
from typing_extensions import TypedDict

from heimat.core.errors import DomainError, NotFound
from heimat.service.failures import (
    Busy,
    Conflict,
    KeyRefused,
    NotYet,
    ReadOnly,
    TooLarge,
    TooOften,
    TooSlow,
    Unreadable,
)

MEDIA_TYPE = "application/problem+json"
_log = logging.getLogger(__name__)
_KEY = re.compile(r"/key/[^/]*/")
"""In a path: the key of a feed, which no log holds."""


class FieldProblem(TypedDict):
    """What is wrong with one field: its dotted path, what kind of wrong it is, and a sentence."""

    field: str
    code: str
    message: str


class ConflictProblem(TypedDict):
    """The two changes that met."""

    yours: str
    theirs: str
    person: str
    at: str
    head: int


class Problem(TypedDict, total=False):
    """A problem: a short title, a sentence, and the fields or the conflict it is about."""

    type: str
    title: str
    status: int
    detail: str
    errors: list[FieldProblem]
    conflict: ConflictProblem


def problem(
    status: int, title: str, detail: str, headers: dict[str, str] | None = None, **more: Any
) -> Response:
    """A problem response."""
    body: dict[str, Any] = {
        "type": "about:blank",
        "title": title,
        "status": status,
        "detail": detail,
        **more,
    }
    return Response(
        _encoded(body), status, {"Cache-Control": "no-store", **(headers or {})}, MEDIA_TYPE
    )


def _encoded(body: dict[str, Any]) -> bytes:
    try:
        return orjson.dumps(body)
    except TypeError:
        # What is quoted may hold signs that no text can hold.
        return json.dumps(body).encode()


def _domain(_: Request, error: DomainError) -> Response:
    errors = [{"field": error.field, "code": error.code, "message": error.message}]
    return problem(422, "That cannot be done", error.message, errors=errors)


_WORDS: dict[str, str] = {
    "missing": "This is needed.",
    "extra_forbidden": "This is not known here.",
    "string_too_long": "At most {max_length} characters.",
    "string_too_short": "At least {min_length} characters.",
    "too_long": "At most {max_length}; here are {actual_length}.",
    "too_short": "At least {min_length}.",
    "less_than_equal": "At most {le}.",
    "less_than": "Less than {lt}.",
    "greater_than_equal": "At least {ge}.",
    "greater_than": "More than {gt}.",
    "literal_error": "One of {expected}.",
    "string_pattern_mismatch": "This is no id.",
    "int_parsing": "A whole number.",
    "int_type": "A whole number.",
    "int_from_float": "A whole number.",
    "float_parsing": "A number.",
    "float_type": "A number.",
    "finite_number": "A number.",
    "string_type": "A text.",
    "bool_parsing": "Yes or no.",
    "bool_type": "Yes or no.",
    "list_type": "A list.",
    "dict_type": "An object.",
}
"""Limits and kinds in words; whatever else is wrong is told as the validating library tells it."""


def _in_words(item: Any) -> str:
    words = _WORDS.get(str(item["type"]))
    if words is None:
        return str(item["msg"]).removeprefix("Value error, ")
    try:
        return words.format(**item.get("ctx", {}))
    except KeyError:
        return str(item["msg"]).removeprefix("Value error, ")


def _invalid(_: Request, error: RequestValidationError) -> Response:
    errors = [
        {
            "field": ".".join(str(part) for part in item["loc"] if part != "body"),
            "code": str(item["type"]),
            "message": _in_words(item),
        }
        for item in error.errors()
    ][:20]
    first = errors[0] if errors else {"field": "body", "message": "The request cannot be read."}
    field = first["field"].rpartition(".")[2].replace("_", " ").capitalize()
    return problem(422, "That cannot be read", f"{field}: {first['message']}", errors=errors)


def _missing(_: Request, error: NotFound) -> Response:
    return problem(404, "Not there", error.message)


def _not_yet(_: Request, error: NotYet) -> Response:
    return problem(202, "Not there yet", error.message, {"Retry-After": "5"})


def _read_only(_: Request, error: ReadOnly) -> Response:
    return problem(403, "Only to be read", error.message)


def _key_refused(_: Request, error: KeyRefused) -> Response:
    return problem(
        401, "A key is needed", error.message, {"WWW-Authenticate": 'Bearer realm="feed"'}
    )


def _conflict(_: Request, error: Conflict) -> Response:
    both = {
        "yours": error.yours,
        "theirs": error.theirs,
        "person": error.person,
        "at": error.at.isoformat() + "Z",
        "head": error.head,
    }
    return problem(409, "Somebody was faster", error.message, conflict=both)


def _database_away(_: Request, __: Exception) -> Response:
    return problem(
        503,
        "The database is away",
        "The database does not answer. Nothing typed is lost; Heimat tries again by itself.",
        {"Retry-After": "2"},
    )


def _busy(_: Request, __: Exception) -> Response:
    return problem(
        503,
        "Busy",
        "Others hold what this needs. Nothing typed is lost; Heimat tries again by itself.",
        {"Retry-After": "1"},
    )


def _often(_: Request, error: TooOften) -> Response:
    words = (
        f"That was asked for {error.amount} times within a minute. Wait {error.seconds} seconds."
    )
    return problem(429, "Too often", words, {"Retry-After": str(error.seconds)})


def _slow(_: Request, error: TooSlow) -> Response:
    if error.clock:
        words = f"The server was too busy to do this within {error.seconds:.0f} seconds. Try it again in a while."
        return problem(422, "That takes too long", words)
    words = f"This takes more than {error.seconds:.0f} seconds of the processor’s time, which is the limit. Nothing was"
    return problem(
        422,
        "That takes too long",
        f"{words} stored. Send less at once: part it, or leave out what is large.",
    )


def _large(_: Request, __: Exception) -> Response:
    words = "This needs more memory than there is for one piece of work. Nothing was stored. Send less at once."
    return problem(422, "That is too large", words)


def _unreadable(_: Request, error: Unreadable) -> Response:
    return problem(500, "This system cannot be read", error.message)


def _unexpected(request: Request, error: Exception) -> Response:
    mark = secrets.token_hex(4)
    path = _KEY.sub("/key/…/", request.url.path)
    _log.error("%s: %s %s", mark, request.method, path, exc_info=error)
    words = f"Heimat met something that it was not made for. Nothing of this was stored. The log tells it as {mark}."
    return problem(500, "Something went wrong", words)


_TITLES = {404: "Not there", 405: "Not that way", 422: "That cannot be read"}


def _http(_: Request, error: HTTPException) -> Response:
    title = _TITLES.get(error.status_code, str(error.detail))
    return problem(error.status_code, title, str(error.detail), dict(error.headers or {}))


_HANDLERS: dict[type[Exception], Callable[[Request, Any], Response]] = {
    DomainError: _domain,
    RequestValidationError: _invalid,
    NotFound: _missing,
    NotYet: _not_yet,
    ReadOnly: _read_only,
    KeyRefused: _key_refused,
    Conflict: _conflict,
    OperationalError: _database_away,
    InterfaceError: _database_away,
    PoolTimeout: _database_away,
    HTTPException: _http,
    Busy: _busy,
    TooOften: _often,
    TooSlow: _slow,
    TooLarge: _large,
    Unreadable: _unreadable,
}


def answer_error(scope: Scope, error: Exception) -> Response:
    """The answer to an error that no route has answered."""
    found = next(
        (_HANDLERS[kind] for kind in type(error).__mro__ if kind in _HANDLERS), _unexpected
    )
    return found(Request(scope), error)


def add_handlers(app: FastAPI) -> None:
    """Answer every error of the program as a problem."""
    for kind, handler in _HANDLERS.items():
        app.add_exception_handler(kind, handler)
