"""The newest generator in the page: before and after, the move and the way back; options and figures of methods."""

from selenium.webdriver import Keys

from tests.browser.page import Page
from tests.browser.test_scales import AT

_BACK = """
const done = arguments[arguments.length - 1];
const edits = [{type: "set_generator", generator: 1}];
fetch("/api/systems/brinemark/edits", {
  method: "POST",
  headers: {"content-type": "application/json"},
  body: JSON.stringify({base: 1, edits, view: {parts: ["head"]}}),
}).then((answer) => done(answer.status));
"""


def typed(page: Page, label: str, text: str) -> None:
    field = page.find(f"input[aria-label='{label}']")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys(text, Keys.ENTER)


def test_a_system_is_moved_to_the_newest_generator_and_back(page: Page) -> None:
    page.open(f"{AT}?at=hue:buoy")
    assert not page.all("[data-area=generator]")
    newest = page.steps("buoy")
    assert page.driver.execute_async_script(_BACK) == 200
    page.open(f"{AT}?at=hue:buoy&area=generator")
    page.wait(lambda: page.steps("buoy") != newest)
    before = page.steps("buoy")
    page.says("main", "steps change. Every hue’s own color, pins, nudges, tokens and names stay.")
    page.says("[data-testid=generators]", "8 of 9 change, 200 most, by CIEDE2000 0.8")
    page.press("Move to generator 3")
    page.wait(lambda: page.steps("buoy") == newest)
    page.says("main", "All scales are made by generator 3, the newest there is.")
    page.press("Undo")
    page.wait(lambda: page.steps("buoy") == before)


def test_a_contrast_asked_for_is_published_or_it_is_said_why_not(page: Page) -> None:
    page.open(f"{AT}?at=hue:buoy&area=method")
    page.press("contrast targets")
    page.wait(lambda: page.all("input[aria-label='Ratio of 600']"))
    typed(page, "Ratio of 500", "4.5")
    page.says("[data-testid=short-of]", "500: 4.5 typed, 3.71 published; buoy itself stands there.")
    typed(page, "Ratio of 600", "7")
    page.says("[data-testid=method-settings]", "7.0")
    assert "600" not in page.find("[data-testid=short-of]").text
    # What is refused does not stay, and what was said of it goes with the next figure that can be.
    shown = page.find("input[aria-label='Ratio of 300']").get_attribute("value")
    typed(page, "Ratio of 300", "15")
    page.says("main", "300 cannot be 15: it stands between")
    page.wait(lambda: page.find("input[aria-label='Ratio of 300']").get_attribute("value") == shown)
    typed(page, "Ratio of 300", "2.4")
    page.wait(lambda: "300 cannot be 15" not in page.find("main").text)


def test_stops_between_ends_and_an_end_on_the_wrong_side(page: Page) -> None:
    page.open(f"{AT}?at=hue:buoy&area=method")
    page.press("between two ends")
    page.wait(lambda: page.all("[data-testid=stops-between]"))
    page.type("Stop at 300", "#FFD0A0", enter=True)
    page.wait(lambda: page.steps("buoy")[2] == "#FFD0A0")
    page.type("Light end, empty for even lightness", "#402010", enter=True)
    page.says("[data-testid=method-settings]", "The light end is darker than buoy itself")


def test_a_mix_that_holds_the_hue(page: Page) -> None:
    page.open(f"{AT}?at=hue:sound&area=method")
    page.press("white and black mix")
    page.wait(lambda: "Hold the hue" in page.find("main").text)
    plain = page.steps("sound")
    page.find("[data-testid=method-settings] input[type=checkbox]").click()
    page.wait(lambda: page.steps("sound") != plain)
    page.press("Undo")
    page.wait(lambda: page.steps("sound") == plain)
