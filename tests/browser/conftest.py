"""A running Heimat with the demo's data, and browsers on it."""

from collections.abc import Iterator

import pytest

from tests.browser.page import Page
from tools.browser import browser
from tools.running import RunningHeimat, temporary_database


@pytest.fixture(scope="module")
def heimat(tmp_path_factory: pytest.TempPathFactory) -> Iterator[RunningHeimat]:
    """An application of the module's own, so that tests of different modules never meet."""
    database = temporary_database(tmp_path_factory.mktemp("heimat"))
    running = RunningHeimat(database)
    running.start()
    yield running
    running.stop()
    database.stop()


@pytest.fixture(scope="module")
def chromium() -> Iterator[object]:
    with browser() as driver:
        yield driver


@pytest.fixture
def page(heimat: RunningHeimat, chromium: object) -> Page:
    opened = Page(chromium, heimat.address)  # type: ignore[arg-type]
    opened.driver.delete_all_cookies()
    opened.open("/")
    opened.script("localStorage.clear()")
    return opened
