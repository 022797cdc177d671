"""A place on the page: found anew whenever it is used, so that nothing is held across a repaint."""

from collections.abc import Callable
from typing import Any

from selenium.webdriver import Chrome
from selenium.webdriver.remote.webelement import WebElement

READ = """const read = element =>
  element.checkVisibility({visibilityProperty: true, opacityProperty: true})
    ? (element.innerText ?? element.textContent).trim() : '';"""
"""A script's function for what can be read of an element. The driver's own takes up to forty times as long."""


class Spot(WebElement):
    """The first element that a look-up gives, whenever it is asked: an element that React replaces is no other one."""

    def __init__(
        self, driver: Chrome, look: Callable[[], list[WebElement]], wait: Callable[..., Any]
    ) -> None:
        """`look` finds elements now; `wait` waits for a condition, and tries again where an element has gone."""
        self._parent = driver
        self._look = look
        self._wait = wait

    @property
    def _id(self) -> str:
        return self._wait(lambda: self._look()[0]).id

    @property
    def text(self) -> str:
        """What can be read of it."""
        return self._wait(
            lambda: (
                self._parent.execute_script(f"{READ} return read(arguments[0])", self._look()[0]),
            )
        )[0]

    def _execute(self, command: str, params: dict | None = None) -> Any:
        # What is answered may be false; that it was answered is not.
        return self._wait(lambda: (super(Spot, self)._execute(command, dict(params or {})),))[0]
