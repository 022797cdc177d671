"""Work that takes long, for somebody who waits for it: who has left lets the process go."""

import asyncio
from collections.abc import Callable
from typing import Any

from fastapi import Request
from starlette.concurrency import run_in_threadpool

from heimat.service.workers import Workers

_LISTEN_SECONDS = 0.1
"""How often it is asked whether anybody waits still."""


async def listened(request: Request, workers: Workers, work: Callable[..., Any], *given: Any) -> Any:
    """What some work gives that is done beside this process, while the one who asked for it waits.

    It is ended where nobody waits for it any more. Raises as `Workers.run` does.
    """
    future = await run_in_threadpool(workers.begin, work, *given)
    done, loop = asyncio.Event(), asyncio.get_running_loop()
    future.add_done_callback(lambda _: loop.call_soon_threadsafe(done.set))
    while not future.done():
        try:
            await asyncio.wait_for(done.wait(), _LISTEN_SECONDS)
        except TimeoutError:
            if await request.is_disconnected():
                future.cancel()  # type: ignore[no-untyped-call]
    return workers.result(future)
