"""Asking one address again and again over a few kept connections, with as little work of one's own as can be."""

import asyncio
import time
from dataclasses import dataclass


@dataclass(frozen=True)
class Load:
    """How many answers a second, and how long each took, in milliseconds."""

    rate: float
    times: list[float]


async def _ask(
    port: int, request: bytes, until: float, times: list[float], statuses: tuple[bytes, ...]
) -> None:
    reader, writer = await asyncio.open_connection("127.0.0.1", port)
    try:
        while time.perf_counter() < until:
            begun = time.perf_counter()
            writer.write(request)
            head = await reader.readuntil(b"\r\n\r\n")
            status, _, rest = head.partition(b"\r\n")
            if not any(each in status for each in statuses):
                raise RuntimeError(status.decode())
            length = rest.lower().partition(b"content-length: ")[2].partition(b"\r\n")[0]
            if length:
                await reader.readexactly(int(length))
            times.append((time.perf_counter() - begun) * 1000.0)
    finally:
        writer.close()


_FILE = (b" 200 ", b" 304 ")
NOT_THERE = (b" 404 ",)


def load(
    port: int,
    path: str,
    *,
    seconds: float = 4.0,
    connections: int = 16,
    headers: str = "",
    statuses: tuple[bytes, ...] = _FILE,
) -> Load:
    """Ask an address of this machine for a while. Raises RuntimeError where it answers with anything but a file, or the
    statuses that are meant."""
    request = f"GET {path} HTTP/1.1\r\nHost: 127.0.0.1:{port}\r\n{headers}\r\n".encode()
    times: list[float] = []

    async def all_of_them() -> float:
        begun = time.perf_counter()
        await asyncio.gather(
            *(_ask(port, request, begun + seconds, times, statuses) for _ in range(connections))
        )
        return time.perf_counter() - begun

    took = asyncio.run(all_of_them())
    return Load(len(times) / took, sorted(times))
