"""The stack's floor: the same server answering the same bytes, with nothing of Heimat in it."""

import sys

import uvicorn
from starlette.applications import Starlette
from starlette.requests import Request
from starlette.responses import Response
from starlette.routing import Route


def main() -> None:
    """Serve so many bytes at every address of a port until ended."""
    port, size = int(sys.argv[1]), int(sys.argv[2])
    content = b"a" * size

    async def answer(_: Request) -> Response:
        return Response(content, headers={"ETag": '"fixed"'}, media_type="text/css")

    app = Starlette(routes=[Route("/{path:path}", answer)])
    uvicorn.run(app, host="127.0.0.1", port=port, log_level="warning", access_log=False)


if __name__ == "__main__":
    main()
