"""Work that takes long, for somebody who waits for it: who has left lets the process go."""

import asyncio
import threading
from collections.abc import Callable
from typing import Any

from fastapi import Request
from starlette.concurrency import run_in_threadpool

from heimat.service.workers import Lane

_LISTEN_SECONDS = 0.1
"""How often it is asked whether anybody waits still."""


async def listened(request: Request, lane: Lane, work: Callable[..., Any], *given: Any) -> Any:
    """What some work gives that is done beside this process, while the one who asked for it waits.

    It is ended where nobody waits for it any more. Raises as `Lane.run` does.
    """
    future = await run_in_threadpool(lane.begin, work, *given)
    done, loop = asyncio.Event(), asyncio.get_running_loop()
    future.add_done_callback(lambda _: loop.call_soon_threadsafe(done.set))
    while not future.done():
        try:
            await asyncio.wait_for(done.wait(), _LISTEN_SECONDS)
        except TimeoutError:
            if await request.is_disconnected():
                future.cancel()  # type: ignore[no-untyped-call]
    return lane.result(future)


async def heard(request: Request, work: Callable[[threading.Event], Any]) -> Any:
    """What some work gives that waits for others by itself; `left` is set once the one who asked has left."""
    left = threading.Event()
    waiting = asyncio.ensure_future(run_in_threadpool(work, left))
    while not waiting.done():
        await asyncio.wait([waiting], timeout=_LISTEN_SECONDS)
        if not left.is_set() and await request.is_disconnected():
            left.set()
    return waiting.result()
