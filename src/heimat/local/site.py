"""The made-up ferry line's own site, which takes its colors from a feed, on an address of its own beside Heimat."""

import threading
from collections.abc import Iterator
from contextlib import contextmanager
from functools import partial
from http.server import BaseHTTPRequestHandler, ThreadingHTTPServer
from pathlib import Path

SITE = Path(__file__).parents[1] / "demo" / "site"
SYSTEM = "brinemark"
_TYPES = {".html": "text/html; charset=utf-8", ".css": "text/css; charset=utf-8"}
_NO_CACHE = "no-cache"


class _Site(BaseHTTPRequestHandler):
    """Answers with the files of the site; pages get the address of the feed."""

    def __init__(self, feed: str, *given: object) -> None:
        self._feed = feed
        super().__init__(*given)  # type: ignore[arg-type]

    def do_GET(self) -> None:
        """Answer with a file."""
        name = self.path.partition("?")[0].lstrip("/") or "index.html"
        files = {file.name: file for file in SITE.iterdir()}
        file = files.get(name)
        if file is None or file.suffix not in _TYPES:
            self.send_error(404)
            return
        content = file.read_text(encoding="utf-8").replace("{feed}", self._feed).encode()
        self.send_response(200)
        self.send_header("Content-Type", _TYPES[file.suffix])
        self.send_header("Content-Length", str(len(content)))
        self.send_header("Cache-Control", _NO_CACHE)
        self.end_headers()
        self.wfile.write(content)

    def log_request(self, *given: object) -> None:
        """Nothing is said of what is asked."""
        del given


@contextmanager
def site(heimat: str, port: int = 0) -> Iterator[str]:
    """Serve the site beside a Heimat at an address, on a port of 127.0.0.1 (any free one for 0), and give its address.

    Raises OSError where the port is taken.
    """
    handler = partial(_Site, f"{heimat}/feeds/{SYSTEM}/latest/")
    server = ThreadingHTTPServer(("127.0.0.1", port), handler)
    thread = threading.Thread(target=server.serve_forever, daemon=True)
    thread.start()
    try:
        yield f"http://127.0.0.1:{server.server_port}"
    finally:
        server.shutdown()
        server.server_close()
        thread.join()
