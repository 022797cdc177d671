"""Strangers: names that Heimat is not served under, pages of others that write, frames; and errors nobody foresaw."""

import ipaddress
import logging
from collections.abc import Iterable

from starlette.datastructures import MutableHeaders
from starlette.requests import ClientDisconnect
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from heimat.api.problems import answer_error, problem

HOSTS = "HEIMAT_HOSTS"
_READING = frozenset({"GET", "HEAD", "OPTIONS"})
_OWN_SITES = frozenset({"same-origin", "none"})
_NO_PAGE = "default-src 'none'; frame-ancestors 'none'; base-uri 'none'"
_HEADERS = {
    "X-Content-Type-Options": "nosniff",
    "X-Frame-Options": "DENY",
    "Referrer-Policy": "same-origin",
    "Cross-Origin-Opener-Policy": "same-origin",
    "Cross-Origin-Resource-Policy": "same-origin",
    "Content-Security-Policy": _NO_PAGE,
}
"""Of every answer that says nothing else. What is no page holds nothing that a browser should run or load."""
_log = logging.getLogger(__name__)


def hosts_of(text: str) -> frozenset[str]:
    """The names of a list parted by commas, in lower case."""
    return frozenset(name.strip().lower() for name in text.split(",") if name.strip())


class Guard:
    """The first that a request meets, and the last that its answer does."""

    def __init__(self, app: ASGIApp, hosts: Iterable[str] = ()) -> None:
        """Heimat is served under the names of this machine itself, and under `hosts`."""
        self._app = app
        self._hosts = frozenset(hosts)

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Refuse what comes from strangers; answer what nobody else has answered."""
        if scope["type"] != "http":
            await self._app(scope, receive, send)
            return
        begun = False

        async def guarded(message: Message) -> None:
            nonlocal begun
            if message["type"] == "http.response.start":
                begun = True
                headers = MutableHeaders(scope=message)
                for name, value in _HEADERS.items():
                    headers.setdefault(name, value)
            await send(message)

        refused = self._refused(scope)
        if refused is not None:
            await refused(scope, receive, guarded)
            return
        try:
            await self._app(scope, receive, guarded)
        except ClientDisconnect:
            # Whoever asked is gone.
            return
        except Exception as error:
            if begun:
                _log.exception("broken off: %s %s", scope["method"], scope["path"])
                return
            await answer_error(scope, error)(scope, receive, guarded)

    def _refused(self, scope: Scope) -> ASGIApp | None:
        given = {
            name: value.decode("latin-1") for name, value in scope["headers"] if name in _ASKED
        }
        host = given.get(b"host", "").lower()
        if not self._served_under(host):
            words = f"Heimat is not served under “{host[:80]}”. Whoever runs it can add the name to {HOSTS}."
            return problem(421, "Not served here", words)
        if scope["method"] in _READING:
            return None
        site, origin = given.get(b"sec-fetch-site", "none"), given.get(b"origin")
        if site not in _OWN_SITES or (
            origin is not None and origin.partition("://")[2].lower() != host
        ):
            return problem(403, "Not from there", "Only Heimat’s own page changes things here.")
        return None

    def _served_under(self, host: str) -> bool:
        name = (
            host.rpartition("]")[0][1:] if host.startswith("[") else host.rpartition(":")[0] or host
        )
        if name in self._hosts or name == "localhost" or name.endswith(".localhost"):
            return True
        try:
            return ipaddress.ip_address(name).is_loopback
        except ValueError:
            return False


_ASKED = frozenset({b"host", b"origin", b"sec-fetch-site"})
