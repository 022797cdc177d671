"""Limits of rate: what costs much is done only so often for one person. Edits and previews are exempt."""

import time

from limits import RateLimitItem, RateLimitItemPerMinute
from limits.storage import MemoryStorage
from limits.strategies import MovingWindowRateLimiter

from heimat.service.failures import TooOften

SENDING = RateLimitItemPerMinute(120, namespace="sending")
"""Pictures, new systems, sets for the gallery, and releases."""
COMPUTING = RateLimitItemPerMinute(600, namespace="computing")
"""Texts to read, main colors, safe ranges, promises: what the page asks for by itself while somebody works."""


class Rates:
    """What was asked for lately in this process."""

    def __init__(self) -> None:
        self._limiter = MovingWindowRateLimiter(MemoryStorage())

    def take(self, item: RateLimitItem, person_id: str) -> None:
        """Count one request of a person. Raises TooOften where it is one too many."""
        if not self._limiter.hit(item, person_id):
            reset = self._limiter.get_window_stats(item, person_id).reset_time
            raise TooOften(item.amount, max(1, round(reset - time.time())))
