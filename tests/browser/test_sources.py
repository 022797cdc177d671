"""Sources: colors typed, dragged, moved by keys, sorted and taken away; and wrong input."""

import pytest
from selenium.webdriver import ActionChains, Keys

from tests.browser.page import Page

AT = "/systems/brinemark/sources"


def bands(page: Page) -> list[str]:
    return page.script(
        "return [...document.querySelectorAll('[data-hue]')].map(band => band.dataset.hue)"
    )


def band_value(page: Page, hue: str) -> str:
    return page.find(f"[data-hue='{hue}']").get_attribute("data-value")


def color_of(page: Page, css: str) -> str:
    return page.script(
        "return getComputedStyle(document.querySelector(arguments[0])).backgroundColor", css
    )


def test_dragging_moves_everything_and_is_one_change(page: Page) -> None:
    page.open(f"{AT}?at=hue:tidewater")
    slider = page.find("[role=slider][aria-label='Lightness']")
    before = (
        band_value(page, "tidewater"),
        band_value(page, "shingle"),
        color_of(page, "[data-place=ticket-head]"),
    )
    drag = ActionChains(page.driver).move_to_element(slider).click_and_hold()
    drag.move_by_offset(30, 0).move_by_offset(20, 0).perform()
    # While the button is held, all that follows has moved, and nothing is kept.
    page.wait(lambda: band_value(page, "tidewater") != before[0])
    page.wait(lambda: color_of(page, "[data-place=ticket-head]") != before[2])
    assert page.button("Undo").get_attribute("title") == "Undo what moves now"
    ActionChains(page.driver).release().perform()
    # Until it is kept, what was shown last may not be all that was dragged.
    page.wait(lambda: "what moves now" not in str(page.button("Undo").get_attribute("title")))
    page.wait(lambda: page.button("Undo").is_enabled())
    moved = band_value(page, "tidewater")
    assert moved != before[0]
    page.press("Undo")
    page.wait(lambda: band_value(page, "tidewater") == before[0])
    assert not page.button("Undo").is_enabled()
    page.press("Redo")
    page.wait(lambda: band_value(page, "tidewater") == moved)


def test_sliders_and_keys_do_what_dragging_does(page: Page) -> None:
    page.open(f"{AT}?at=hue:heather")
    slider = page.find("[role=slider][aria-label='Hue']")
    slider.send_keys(Keys.ARROW_RIGHT)
    page.wait(lambda: page.button("Undo").is_enabled())
    after_slider = band_value(page, "heather")
    page.leave_fields()
    page.keys("=")
    page.wait(lambda: band_value(page, "heather") != after_slider)
    page.wait(lambda: page.button("Undo").get_attribute("title").startswith("Undo: Move heather"))
    for _ in range(2):
        page.press("Undo")
    page.wait(lambda: band_value(page, "heather") == "#8A6FA8")


def test_hue_and_chroma_are_remembered_through_white(page: Page) -> None:
    page.open(f"{AT}?at=hue:tidewater")
    page.find("[aria-label='Lightness, as a number']").send_keys(Keys.CONTROL, "a")
    page.find("[aria-label='Lightness, as a number']").send_keys("100", Keys.ENTER)
    page.wait(lambda: band_value(page, "tidewater") == "#FFFFFF")
    page.says("[data-testid=slip-why]", "are remembered")
    page.find("[aria-label='Lightness, as a number']").send_keys(Keys.CONTROL, "a")
    page.find("[aria-label='Lightness, as a number']").send_keys("41.8", Keys.ENTER)
    page.wait(lambda: band_value(page, "tidewater") == "#0C6E6E")
    page.wait(lambda: page.find("[aria-label='Hue, as a number']").get_attribute("value") == "195°")


def test_a_number_out_of_range_is_brought_to_the_nearest(page: Page) -> None:
    page.open(f"{AT}?at=hue:sound")
    field = page.find("[aria-label='Lightness, as a number']")
    field.send_keys(Keys.CONTROL, "a")
    field.send_keys("250", Keys.ENTER)
    page.wait(
        lambda: page.find("[aria-label='Lightness, as a number']").get_attribute("value") == "100.0"
    )
    page.wait(lambda: band_value(page, "sound") == "#FFFFFF")


def test_a_color_that_cannot_be_read_stays_and_is_explained(page: Page) -> None:
    page.open(f"{AT}?at=hue:buoy")
    page.type("Color, in any notation", "tealish", enter=True)
    page.says("[data-testid=hue-editor]", "“tealish” is not a color Heimat can read")
    page.says("[data-testid=hue-editor]", "#0B6E6E")
    assert page.field("Color, in any notation").get_attribute("value") == "tealish"
    page.type("Color, in any notation", "hsb(200 60% 70%)", enter=True)
    page.wait(lambda: band_value(page, "buoy") == "#478FB3")


def test_a_figure_is_stepped_by_keys_without_losing_one_and_held_as_one_change(page: Page) -> None:
    page.open(f"{AT}?at=hue:sound")
    before = band_value(page, "sound")

    def figure() -> float:
        return float(page.field("Lightness, as a number").get_attribute("value"))

    def ramp() -> float:
        return float(
            page.find("[role=slider][aria-label='Lightness']").get_attribute("aria-valuenow")
        )

    start = figure()
    held = ActionChains(page.driver).click(page.field("Lightness, as a number"))
    held.key_down(Keys.ARROW_UP).key_down(Keys.ARROW_UP).key_down(Keys.ARROW_UP).perform()
    # While the key is down, everything follows and nothing is kept; Escape goes back.
    page.wait(lambda: band_value(page, "sound") != before)
    assert page.button("Undo").get_attribute("title") == "Undo what moves now"
    page.keys(Keys.ESCAPE)
    page.wait(lambda: band_value(page, "sound") == before)
    ActionChains(page.driver).key_up(Keys.ARROW_UP).perform()
    assert not page.button("Undo").is_enabled()
    held = (
        ActionChains(page.driver)
        .key_down(Keys.ARROW_UP)
        .key_down(Keys.ARROW_UP)
        .key_down(Keys.ARROW_UP)
    )
    held.perform()
    page.wait(lambda: band_value(page, "sound") != before)
    ActionChains(page.driver).key_up(Keys.ARROW_UP).perform()
    page.wait(lambda: page.button("Undo").is_enabled())
    assert figure() == pytest.approx(start + 3.0, abs=0.1)
    page.press("Undo")
    page.wait(lambda: band_value(page, "sound") == before)
    assert not page.button("Undo").is_enabled()
    # Pressed faster than anything is answered, each press counts: in the field and on the ramp beside it.
    page.field("Lightness, as a number").send_keys(*[Keys.ARROW_DOWN] * 4)
    page.wait(lambda: abs(ramp() - (start - 4.0)) < 0.15)
    page.find("[role=slider][aria-label='Lightness']").send_keys(*[Keys.ARROW_RIGHT] * 4)
    page.wait(lambda: abs(figure() - start) < 0.15)
    page.find("[role=slider][aria-label='Lightness']").send_keys(*[Keys.ARROW_LEFT] * 4)
    page.wait(lambda: abs(figure() - (start - 4.0)) < 0.15)
    page.field("Lightness, as a number").send_keys(Keys.SHIFT, Keys.ARROW_UP)
    page.wait(lambda: abs(figure() - (start + 6.0)) < 0.15)


def test_names_that_cannot_be_are_said_at_the_field(page: Page) -> None:
    page.open(f"{AT}?at=hue:kelp")
    for wrong, words in (
        ("flare", "taken"),
        ("$kelp", "“$kelp” cannot begin with"),
        ("ke.lp", "period"),
        (" ", "needs a name"),
    ):
        page.type("Name", wrong, enter=True)
        page.says("[data-testid=hue-editor]", words)
    page.field("Name").send_keys(Keys.ESCAPE)
    assert page.field("Name").get_attribute("value") == "kelp"
    assert "kelp" in bands(page)


def test_sorting_moving_and_removing(page: Page) -> None:
    page.open(f"{AT}?at=hue:buoy")
    page.press("Move buoy up")
    page.wait(lambda: bands(page)[:2] == ["buoy", "tidewater"])
    page.find("[data-hue=buoy]").send_keys(Keys.ALT, Keys.ARROW_DOWN)
    page.wait(lambda: bands(page)[:2] == ["tidewater", "buoy"])
    page.choose("Kind brand", "accent")
    page.wait(lambda: bands(page)[:4] == ["tidewater", "buoy", "gorse", "heather"])
    page.wait(lambda: page.find("[aria-label=Accent] [data-hue=buoy]"))
    page.press("Remove")
    page.press("Remove buoy; 1 token keeps its color")
    page.wait(lambda: "buoy" not in bands(page))
    page.press("Undo")
    page.wait(lambda: "buoy" in bands(page))


def test_values_in_the_notation_chosen(page: Page) -> None:
    page.open(AT)
    page.choose("Values as", "hsl")
    page.wait(lambda: "hsl(180 81.82% 23.73%)" in page.find("[data-hue=tidewater]").text)
    page.choose("Values as", "colors only")
    page.wait(lambda: page.find("[data-hue=tidewater]").text == "")
