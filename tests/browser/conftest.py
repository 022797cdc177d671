"""A running Heimat with the demo's data, and a browser on it."""

from collections.abc import Iterator

import pytest
from selenium.webdriver import Chrome
from sqlalchemy import Engine

from heimat.local.mariadb import LocalMariaDB
from tests.browser.page import Page
from tools.browser import browser, resize
from tools.running import RunningHeimat


@pytest.fixture(scope="session")
def heimat(database: LocalMariaDB, migrated: Engine) -> Iterator[RunningHeimat]:
    running = RunningHeimat(database)
    running.start()
    yield running
    running.stop()


@pytest.fixture(scope="session")
def chromium() -> Iterator[Chrome]:
    with browser() as driver:
        yield driver


@pytest.fixture
def page(heimat: RunningHeimat, chromium: Chrome, engine: Engine) -> Iterator[Page]:
    """The browser of somebody who comes for the first time, before any page is opened; the data are the demo's.

    Whatever a test does there, the page neither loads nor runs anything that its own policy forbids.
    """
    resize(chromium, 1280, 800)
    chromium.get_log("browser")
    yield fresh(Page(chromium, heimat.address))
    said = [entry["message"] for entry in chromium.get_log("browser")]
    assert [message for message in said if "Content Security Policy" in message] == []


def fresh(page: Page) -> Page:
    """Forget what this browser remembers."""
    page.driver.get(page.address + "/mark.svg")
    page.driver.delete_all_cookies()
    page.ask_for_safe_ranges(False)
    page.script("localStorage.clear(); sessionStorage.clear()")
    return page
