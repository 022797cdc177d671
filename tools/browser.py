"""A headless Chromium, driven through Selenium and ChromeDriver."""

import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from selenium.webdriver import Chrome, ChromeOptions, ChromeService

from heimat.local.install import find_program

_FLAGS = (
    "--headless",
    "--no-sandbox",
    "--disable-gpu",
    "--disable-quic",
    "--disable-dev-shm-usage",
    "--no-first-run",
    "--disable-background-networking",
    "--disable-component-update",
    "--disable-sync",
    "--force-prefers-reduced-motion",
    "--hide-scrollbars",
    "--force-color-profile=srgb",
    "--lang=en-US",
)
WIDTH, HEIGHT = 1280, 800


@contextmanager
def browser(width: int = WIDTH, height: int = HEIGHT) -> Iterator[Chrome]:
    """A browser with a profile of its own and a page of the given size; ended afterwards."""
    with tempfile.TemporaryDirectory(
        prefix="heimat-browser-", ignore_cleanup_errors=True
    ) as profile:
        options = ChromeOptions()
        for flag in (
            *_FLAGS,
            f"--user-data-dir={Path(profile) / 'profile'}",
            f"--window-size={width},{height}",
        ):
            options.add_argument(flag)
        options.set_capability("goog:loggingPrefs", {"browser": "SEVERE"})
        options.binary_location = find_program("chromium") or ""
        driver = Chrome(options=options, service=ChromeService(find_program("chromedriver")))
        try:
            resize(driver, width, height)
            yield driver
        finally:
            driver.quit()


def resize(driver: Chrome, width: int, height: int) -> None:
    """Give the page itself, not the window around it, a size in CSS pixels."""
    driver.execute_cdp_cmd(
        "Emulation.setDeviceMetricsOverride",
        {"width": width, "height": height, "deviceScaleFactor": 1, "mobile": False},
    )
