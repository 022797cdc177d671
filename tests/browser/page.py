"""The page as a person uses it: finding by what is read, waiting for conditions, never for time."""

import base64
import inspect
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from typing import Any

from selenium.common.exceptions import (
    ElementClickInterceptedException,
    StaleElementReferenceException,
    TimeoutException,
)
from selenium.webdriver import ActionChains, Chrome, Keys
from selenium.webdriver.common.by import By
from selenium.webdriver.remote.webelement import WebElement
from selenium.webdriver.support.ui import WebDriverWait

from tests.browser.spot import READ, Spot

SECONDS = 20
POLL_SECONDS = 0.05


class Page:
    """A browser on a running Heimat."""

    def __init__(self, driver: Chrome, address: str) -> None:
        self.driver = driver
        self.address = address

    def open(self, path: str) -> None:
        self.driver.get(self.address + path)
        self.wait(lambda: self.all("h1"))
        if "area=" in path:
            self.find("[data-testid=area]")

    def ask_for_safe_ranges(self, asked: bool) -> None:
        """Whether the page gets safe ranges. They take a processor for seconds: only who tests them asks for them."""
        blocked = [] if asked else ["*/safe-ranges*"]
        self.driver.execute_cdp_cmd("Network.enable", {})
        self.driver.execute_cdp_cmd("Network.setBlockedURLs", {"urls": blocked})

    @contextmanager
    def with_script(self, source: str) -> Iterator[None]:
        """Run a script on every page that is opened, before the page's own: whatever becomes of the test."""
        added = self.driver.execute_cdp_cmd(
            "Page.addScriptToEvaluateOnNewDocument", {"source": source}
        )
        try:
            yield
        finally:
            self.driver.execute_cdp_cmd("Page.removeScriptToEvaluateOnNewDocument", added)

    def drawn(self) -> None:
        """Wait until what the page knows by now is drawn: two frames on."""
        self.script(
            "return new Promise(done => requestAnimationFrame(() => requestAnimationFrame(done)))"
        )

    def wait(self, condition: Callable[[], Any]) -> Any:
        """Wait until a condition holds; elements that React has just replaced are looked for again."""
        wait = WebDriverWait(
            self.driver,
            SECONDS,
            POLL_SECONDS,
            ignored_exceptions=[StaleElementReferenceException, IndexError],
        )
        try:
            return wait.until(lambda _: condition())
        except TimeoutException:
            raise TimeoutException(self._missed(condition)) from None

    def _missed(self, condition: Callable[[], Any]) -> str:
        """What was waited for in vain, by its source and the values in it, and what the page shows instead."""
        asked = " ".join(inspect.getsource(condition).split())
        values = {
            name: value
            for name, value in inspect.getclosurevars(condition).nonlocals.items()
            if name != "self"
        }
        shown = " ".join(self.script("return document.body.innerText").split())
        return f"waited {SECONDS} s for: {asked}, with {values!r:.300}, at {self.driver.current_url}: {shown:.1500}"

    def all(self, css: str) -> list[WebElement]:
        return self.driver.find_elements(By.CSS_SELECTOR, css)

    def find(self, css: str) -> Spot:
        """The first element, waited for now and found anew at every use."""
        self.wait(lambda: self.all(css))
        return Spot(self.driver, lambda: self.all(css), self.wait)

    def texts(self, css: str) -> list[str]:
        """What can be read now of each such element."""
        return self.script(
            f"{READ} return [...document.querySelectorAll(arguments[0])].map(read)", css
        )

    def text(self, css: str) -> str:
        """What can be read of the first such element, waited for."""
        return self.wait(lambda: (self.texts(css)[0],))[0]

    def says(self, css: str, words: str) -> None:
        """Wait until an element holds some words."""
        self.wait(lambda: any(words in text for text in self.texts(css)))

    def button(self, words: str) -> Spot:
        """A button or link by its label, or by the beginning of its text."""
        path = (
            f"//*[self::button or self::a or @role='menuitemradio' or @role='menuitem' or @role='radio'"
            f" or @role='menuitemcheckbox'][@aria-label={words!r} or starts-with(normalize-space(.), {words!r})]"
        )

        def shown() -> list[WebElement]:
            return [
                element
                for element in self.driver.find_elements(By.XPATH, path)
                if element.is_displayed()
            ]

        self.wait(shown)
        return Spot(self.driver, shown, self.wait)

    def press(self, words: str) -> None:
        def pressed() -> bool:
            try:
                self.button(words).click()
            except ElementClickInterceptedException:
                return False
            return True

        self.wait(pressed)

    def choose(self, label: str, item: str) -> None:
        """Open a menu by the beginning of its label, and choose an item by its whole text."""
        self.press(label)

        def chosen() -> bool:
            read = self.texts("[role=menuitemradio]")
            if item not in read:
                return False
            # The items may have changed since they were read: what is clicked is what was meant.
            found = self.all("[role=menuitemradio]")[read.index(item) :][:1]
            if self.texts("[role=menuitemradio]") != read or not found:
                return False
            found[0].click()
            return True

        self.wait(chosen)
        self.wait(lambda: not any(self.texts("[role=menuitemradio]")))

    def click(self, css: str) -> None:
        def clicked() -> bool:
            try:
                self.all(css)[0].click()
            except ElementClickInterceptedException:
                return False
            return True

        self.wait(clicked)

    def field(self, label: str) -> Spot:
        """A field by its label."""
        path = f"//*[@id=//label[starts-with(normalize-space(.), {label!r})]/@for] | //*[@aria-label={label!r}]"
        self.wait(lambda: self.driver.find_elements(By.XPATH, path))
        return Spot(self.driver, lambda: self.driver.find_elements(By.XPATH, path), self.wait)

    def type(self, label: str, text: str, *, enter: bool = False) -> None:
        """Replace what a field holds."""
        field = self.field(label)
        field.click()
        field.send_keys(Keys.CONTROL, "a")
        field.send_keys(Keys.DELETE)
        field.send_keys(text)
        if enter:
            field.send_keys(Keys.ENTER)

    def keys(self, *keys: str) -> None:
        """Press keys, wherever the focus is."""
        ActionChains(self.driver).send_keys(*keys).perform()

    def leave_fields(self) -> None:
        self.driver.execute_script("document.activeElement?.blur()")

    def script(self, code: str, *values: Any) -> Any:
        return self.driver.execute_script(code, *values)

    def steps(self, hue: str) -> list[str]:
        """The published values of a scale, as the sheet shows them."""
        cells = "document.querySelectorAll(`[data-row='${arguments[0]}'] [data-hex]`)"
        return self.wait(
            lambda: self.script(f"return [...{cells}].map(cell => cell.dataset.hex)", hue)
        )

    def put(self, css: str, text: str) -> None:
        """Give a field a whole text at once, as pasting does."""
        self.find(css)
        self.script(
            "const field = document.querySelector(arguments[0]);"
            "Object.getOwnPropertyDescriptor(Object.getPrototypeOf(field), 'value').set.call(field, arguments[1]);"
            "field.dispatchEvent(new Event('input', {bubbles: true}))",
            css,
            text,
        )

    def drop(self, css: str, name: str, media_type: str, content: bytes) -> None:
        """Drop a file on an element, as from a folder."""
        self.find(css)
        self.script(
            "const [css, name, type, text] = arguments;"
            "const bytes = Uint8Array.from(atob(text), sign => sign.charCodeAt(0));"
            "const data = new DataTransfer();"
            "data.items.add(new File([bytes], name, {type}));"
            "const at = document.querySelector(css);"
            "for (const kind of ['dragover', 'drop'])"
            "  at.dispatchEvent(new DragEvent(kind, {bubbles: true, cancelable: true, dataTransfer: data}))",
            css,
            name,
            media_type,
            base64.b64encode(content).decode(),
        )
