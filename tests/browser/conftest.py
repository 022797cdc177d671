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
def page(heimat: RunningHeimat, chromium: Chrome, engine: Engine) -> Page:
    """The browser of somebody who comes for the first time, before any page is opened; the data are the demo's."""
    resize(chromium, 1280, 800)
    return fresh(Page(chromium, heimat.address))


def fresh(page: Page) -> Page:
    """Forget what this browser remembers."""
    page.driver.get(page.address + "/mark.svg")
    page.driver.delete_all_cookies()
    page.script("localStorage.clear()")
    return page
