"""`./heimat shots`: the pictures in docs/screenshots, made from the demo's data."""

import json
import tempfile
import urllib.request
from pathlib import Path

from selenium.webdriver import Chrome
from selenium.webdriver.support.ui import WebDriverWait

from heimat.local.install import ROOT
from tools.browser import browser
from tools.running import RunningHeimat, temporary_database

FOLDER = ROOT / "docs" / "screenshots"
_BRINEMARK = "/systems/brinemark"
# Name, address, chrome.
_SHOTS = (
    ("systems", "/", "light"),
    ("sources", f"{_BRINEMARK}/sources?at=hue:tidewater", "light"),
    ("scales", f"{_BRINEMARK}/scales?at=step:tidewater/s600", "light"),
    ("scales-deutan", f"{_BRINEMARK}/scales?at=step:kelp/s500&seen=deutan", "light"),
    ("scales-dark", f"{_BRINEMARK}/scales?at=step:shingle/s300", "dark"),
    ("tokens", f"{_BRINEMARK}/tokens?at=token:text-late", "light"),
    ("legibility", f"{_BRINEMARK}/legibility?at=token:status-success", "light"),
    ("releases", f"{_BRINEMARK}/releases?at=hue:heather", "light"),
)


def _post(address: str, path: str, body: dict[str, object]) -> None:
    data = json.dumps(body).encode()
    request = urllib.request.Request(address + path, data, {"Content-Type": "application/json"})
    urllib.request.urlopen(request).close()


def _prepare(address: str) -> None:
    """A release, and a change since, so that there is something to publish."""
    at = f"/api{_BRINEMARK}"
    _post(address, f"{at}/releases", {"revision": 1, "version": "1.0.0", "notes": "The first one: routes and board."})
    edits = [
        {"type": "set_source", "hue": "heather", "color": "#7F6BAE"},
        {"type": "rename_token", "token": "text-late", "name": "text.delay"},
    ]
    _post(address, f"{at}/edits", {"base": 1, "edits": edits})


def _settled(driver: Chrome) -> bool:
    """Whether the page has its heading, its fonts, and nothing on the way."""
    return bool(
        driver.execute_script(
            "return document.querySelector('h1') !== null && document.fonts.status === 'loaded'"
            " && (location.pathname === '/' || document.querySelector('[data-testid=slip-name]') !== null)"
            " && (!location.pathname.endsWith('releases') || document.querySelector('[data-testid=change]') !== null)"
            " && (location.pathname !== '/' || document.querySelectorAll('main a').length > 1)"
        )
    )


def main() -> None:
    """Take all pictures."""
    FOLDER.mkdir(parents=True, exist_ok=True)
    with tempfile.TemporaryDirectory(prefix="heimat-shots-") as folder:
        database = temporary_database(Path(folder))
        heimat = RunningHeimat(database)
        try:
            heimat.start()
            with browser() as driver:
                for name, path, chrome in _SHOTS:
                    if name == "releases":
                        _prepare(heimat.address)
                    _take(driver, heimat.address, name, path, chrome)
        finally:
            heimat.stop()
            database.stop()


def _take(driver: Chrome, address: str, name: str, path: str, chrome: str) -> None:
    driver.get(f"{address}/mark.svg")
    kept = {"state": {"chrome": chrome, "surround": "black" if chrome == "dark" else "white"}, "version": 0}
    driver.execute_script("localStorage.setItem('heimat', arguments[0])", json.dumps(kept))
    driver.get(address + path)
    WebDriverWait(driver, 20).until(_settled)
    driver.save_screenshot(str(FOLDER / f"{name}.png"))
    print(f"docs/screenshots/{name}.png")


if __name__ == "__main__":
    main()
