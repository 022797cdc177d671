"""`./heimat shots`: the pictures in docs/screenshots, made from the demo's data."""

import json
import tempfile
import urllib.request
from dataclasses import dataclass
from pathlib import Path

from selenium.webdriver import Chrome, Keys
from selenium.webdriver.support.ui import WebDriverWait

from heimat.local.install import ROOT
from tools.browser import browser
from tools.running import RunningHeimat, temporary_database

FOLDER = ROOT / "docs" / "screenshots"
_BRINEMARK = "/systems/brinemark"
_NEW_LINE = Keys.SHIFT + Keys.ENTER + Keys.NULL
_LIST = "harbor light #F2C66D\nprimary: rgb(11 110 110)\ndusk oklch(0.4 0.06 300)\nlost words\ncmyk(0 20 40 0)"


@dataclass(frozen=True)
class Shot:
    """One picture: what is opened, what is done there first, and the element that is there once all is."""

    name: str
    path: str
    ready: str = "[data-testid=slip-name]"
    chrome: str = "light"
    typed: str = ""
    clicked: str = ""


def _area(name: str, ready: str, **more: str) -> Shot:
    return Shot(
        f"sources-{name}", f"{_BRINEMARK}/sources?at=hue:tidewater&area={name}", ready, **more
    )


_SHOTS = (
    Shot("systems", "/", "main li a, main a[href*=brinemark]"),
    Shot("sources", f"{_BRINEMARK}/sources?at=hue:tidewater"),
    Shot("sources-reading", f"{_BRINEMARK}/sources", "[data-read]", typed=_LIST),
    _area("picture", "[data-testid=taken] [aria-label]", clicked="[data-main='#C8321F']"),
    _area("harmony", "[data-testid=partners]"),
    _area("status", "[data-status]", chrome="dark"),
    Shot("scales", f"{_BRINEMARK}/scales?at=step:tidewater/s600"),
    Shot(
        "scales-ladder",
        f"{_BRINEMARK}/scales?at=hue:tidewater&area=ladder",
        "[data-testid=ladder-rows]",
    ),
    Shot("scales-curves", f"{_BRINEMARK}/scales?at=step:gorse/s600&area=curves", "[data-curve]"),
    Shot(
        "scales-one",
        f"{_BRINEMARK}/scales?at=step:tidewater/s300&area=scale",
        "[data-testid=measures]",
    ),
    Shot(
        "scales-fewer",
        f"{_BRINEMARK}/scales?at=step:kelp/s500&area=fewer",
        "[data-testid=smaller]",
        chrome="dark",
    ),
    Shot("tokens", f"{_BRINEMARK}/tokens", "[data-token]"),
    Shot(
        "tokens-night",
        f"{_BRINEMARK}/tokens?at=token:action-main-fill&theme=night",
        "[data-testid=token-themes]",
    ),
    Shot(
        "specimen",
        f"{_BRINEMARK}/tokens?show=specimen&theme=night",
        "[data-testid=specimen-sheet] button",
    ),
    Shot(
        "legibility",
        f"{_BRINEMARK}/legibility?at=token:status-success",
        "[data-testid=finding] button[title]",
    ),
    Shot(
        "legibility-matrix",
        f"{_BRINEMARK}/legibility?at=token:text-late&area=matrix",
        "[data-cell]",
    ),
    Shot(
        "charts", f"{_BRINEMARK}/charts?at=palette:routes/routes-2", "[data-testid=drawn] svg path"
    ),
    Shot("releases", f"{_BRINEMARK}/releases?at=hue:heather", "[data-testid=change]"),
)


def _post(address: str, path: str, body: dict[str, object]) -> None:
    data = json.dumps(body).encode()
    request = urllib.request.Request(address + path, data, {"Content-Type": "application/json"})
    urllib.request.urlopen(request).close()


def _prepare(address: str) -> None:
    """A release, and a change since, so that there is something to publish."""
    at = f"/api{_BRINEMARK}"
    _post(
        address,
        f"{at}/releases",
        {"revision": 1, "version": "1.0.0", "notes": "The first one: routes and board."},
    )
    edits = [
        {"type": "set_source", "hue": "heather", "color": "#7F6BAE"},
        {"type": "rename_token", "token": "text-late", "name": "text.delay"},
    ]
    _post(address, f"{at}/edits", {"base": 1, "edits": edits})


def _settled(driver: Chrome, ready: str) -> bool:
    """Whether the page has its heading, its fonts and pictures, and the element that is there once all is."""
    return bool(
        driver.execute_script(
            "return document.querySelector('h1') !== null && document.fonts.status === 'loaded'"
            " && [...document.images].every(image => image.complete && image.naturalWidth > 0)"
            " && document.querySelector(arguments[0]) !== null",
            ready,
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
                for shot in _SHOTS:
                    if shot.name == "releases":
                        _prepare(heimat.address)
                    _take(driver, heimat.address, shot)
        finally:
            heimat.stop()
            database.stop()


def _take(driver: Chrome, address: str, shot: Shot) -> None:
    driver.get(f"{address}/mark.svg")
    kept = {
        "state": {"chrome": shot.chrome, "surround": "black" if shot.chrome == "dark" else "white"},
        "version": 0,
    }
    driver.execute_script(
        "sessionStorage.clear(); localStorage.setItem('heimat', arguments[0])", json.dumps(kept)
    )
    driver.get(address + shot.path)
    wait = WebDriverWait(driver, 20)
    if shot.typed:
        wait.until(lambda _: driver.find_elements("id", "reading-line"))[0].send_keys(
            shot.typed.replace("\n", _NEW_LINE)
        )
    if shot.clicked:
        wait.until(lambda _: driver.find_elements("css selector", shot.clicked))[0].click()
    wait.until(lambda _: _settled(driver, shot.ready))
    driver.save_screenshot(str(FOLDER / f"{shot.name}.png"))
    print(f"docs/screenshots/{shot.name}.png")


if __name__ == "__main__":
    main()
