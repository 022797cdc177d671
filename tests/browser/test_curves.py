"""Curves drawn by their handles, by mouse, by keys and typed; safe ranges; scales beyond sRGB."""

from selenium.webdriver import ActionChains, Keys

from tests.browser.page import Page
from tests.browser.test_scales import AT


def handle(page: Page, curve: str, at: str):
    page.wait(lambda: page.all("[data-curve]"))
    if not page.all(f"[data-curve={curve}]"):
        page.press(curve.capitalize())
    return page.find(f"[data-curve={curve}] [data-at='{at}']")


def value(page: Page, curve: str, at: str) -> float:
    return float(handle(page, curve, at).get_attribute("aria-valuenow"))


def undone(page: Page, words: str) -> None:
    """Wait until a gesture is kept: what could be undone is told."""
    page.wait(lambda: page.button("Undo").get_attribute("title").startswith(f"Undo: {words}"))


def test_a_handle_is_dragged_and_all_scales_follow_while_it_moves(page: Page) -> None:
    page.open(f"{AT}?at=hue:gorse&area=curves")
    gorse, kelp = page.steps("gorse"), page.steps("kelp")
    start = value(page, "chroma", "0.5")
    drag = (
        ActionChains(page.driver)
        .click_and_hold(handle(page, "chroma", "0.5"))
        .move_by_offset(0, 60)
    )
    drag.perform()
    # Before it is let go: the sheet shows it, and nothing is kept.
    page.wait(lambda: page.steps("gorse")[6] != gorse[6])
    page.wait(lambda: page.steps("kelp")[6] != kelp[6])
    assert not page.button("Undo").is_enabled()
    page.keys(Keys.ESCAPE)
    ActionChains(page.driver).release().perform()
    ActionChains(page.driver).click_and_hold(handle(page, "chroma", "0.5")).move_by_offset(
        0, 60
    ).release().perform()
    undone(page, "Chroma of all scales toward the dark end")
    assert value(page, "chroma", "0.5") < start
    moved = page.steps("gorse")
    # The source, and what lies on its other side, stay.
    assert moved[:3] == gorse[:3]
    assert moved[2] == "#DFAF3A"
    page.press("Undo")
    page.wait(lambda: page.steps("gorse") == gorse)
    page.wait(lambda: page.steps("kelp") == kelp)


def test_a_curve_of_one_scale_by_keys_typed_and_back(page: Page) -> None:
    page.open(f"{AT}?at=hue:heather&area=curves")
    heather, kelp = page.steps("heather"), page.steps("kelp")
    page.choose("For all scales", "heather")
    before = value(page, "lightness", "-0.5")
    handle(page, "lightness", "-0.5").send_keys(Keys.ARROW_UP, Keys.ARROW_UP)
    page.wait(lambda: value(page, "lightness", "-0.5") == before + 2)
    undone(page, "Lightness of heather toward the light end")
    page.press("Hue")
    page.type("Hue at the dark end, as a number", "290", enter=True)
    undone(page, "Hue of heather at the dark end")
    page.wait(lambda: page.steps("heather")[8] != heather[8])
    page.wait(lambda: page.steps("kelp") == kelp)
    page.says("[data-testid=area]", "heather has curves of its own.")
    # Backspace on a handle puts it back; the rest goes with one press.
    handle(page, "lightness", "-0.5").send_keys(Keys.BACKSPACE)
    page.wait(lambda: value(page, "lightness", "-0.5") == before)
    page.press("As all scales")
    page.wait(lambda: page.steps("heather") == heather)
    # What crosses its neighbors is brought to where it can be.
    page.press("Lightness")
    page.type("Lightness on the way to the dark end, as a number", "99", enter=True)
    page.wait(lambda: page.steps("heather") != heather)
    shown = handle(page, "lightness", "0.5")
    assert (
        float(shown.get_attribute("aria-valuenow"))
        <= float(shown.get_attribute("aria-valuemax")) + 0.01
    )


def test_a_key_held_until_everything_has_followed_is_kept_when_it_is_let_go(page: Page) -> None:
    page.open(f"{AT}?at=hue:heather&area=curves")
    for curve in ("lightness", "chroma", "hue"):
        before, place = page.steps("heather"), value(page, curve, "-0.5")
        page.script("arguments[0].focus()", handle(page, curve, "-0.5"))
        ActionChains(page.driver).key_down(Keys.SHIFT).key_down(Keys.ARROW_UP).perform()
        page.wait(lambda before=before: page.steps("heather") != before)
        moved = value(page, curve, "-0.5")
        assert moved > place
        ActionChains(page.driver).key_up(Keys.ARROW_UP).key_up(Keys.SHIFT).perform()
        undone(page, f"{curve.capitalize()} of all scales")
        page.open(f"{AT}?at=hue:heather&area=curves")
        assert page.wait(lambda curve=curve: value(page, curve, "-0.5")) == moved


def test_tapers_by_keys_for_chosen_scales(page: Page) -> None:
    page.open(f"{AT}?at=step:heather/s300")
    kelp, heather, gorse = (page.steps(hue) for hue in ("kelp", "heather", "gorse"))
    cell = page.find("[data-key='step:gorse/s300']")
    ActionChains(page.driver).key_down(Keys.CONTROL).click(cell).key_up(Keys.CONTROL).perform()
    page.press("Curves")
    page.says("[data-strip]", "2 steps of 2 scales chosen")
    page.choose("For all scales", "the 2 chosen")
    taper = page.find("[data-testid=ends] input[type=range]")
    taper.send_keys(Keys.ARROW_LEFT, Keys.ARROW_LEFT)
    undone(page, "Chroma of")
    page.wait(lambda: page.steps("heather") != heather)
    page.wait(lambda: page.steps("gorse") != gorse)
    page.wait(lambda: page.steps("kelp") == kelp)


def test_the_safe_range_is_drawn_and_told_before_anyone_drags(page: Page) -> None:
    page.ask_for_safe_ranges(True)
    page.open(f"{AT}?at=hue:heather")
    page.find("[data-testid=safe]")
    ActionChains(page.driver).move_to_element(
        page.find("[role=slider][aria-label='Lightness']")
    ).perform()
    page.says(
        "[data-testid=safe-words]",
        "Above 55.3: link.text-visited on surface.well reads 4.48; body text needs 4.5, in day",
    )
    # As it says: within, as many findings as before; beyond, others.
    findings = page.text("a[href*=legibility]")
    page.type("Lightness, as a number", "55", enter=True)
    undone(page, "Move heather")
    assert page.text("a[href*=legibility]") == findings
    page.type("Lightness, as a number", "57", enter=True)
    page.wait(lambda: page.text("a[href*=legibility]") != findings)
    # Two statuses of the demo are as far apart as is asked, to the level: no move of them is safe.
    page.open(f"{AT}?at=hue:kelp")
    page.find("[data-testid=safe]")
    ActionChains(page.driver).move_to_element(
        page.find("[role=slider][aria-label='Hue']")
    ).perform()
    page.says("[data-testid=safe-words]", "Any move may change what is found.")
    page.open(f"{AT}?at=step:tidewater/s700&area=curves")
    handle(page, "lightness", "0.5").click()
    page.says("[data-testid=safe-handle-words]", "look alike for ")


def test_a_source_beyond_srgb_is_published_in_both(page: Page) -> None:
    page.open(f"{AT}?at=step:buoy/s800&area=scale")
    assert not page.all("[data-testid=wide]")
    page.choose("Gamut as its source", "display-p3 too")
    page.says("[data-testid=wide]", "steps are stronger in display-p3")
    page.says("[data-testid=slip]", "p3")
    page.choose("Gamut display-p3 too", "sRGB alone")
    page.wait(lambda: not page.all("[data-testid=wide]"))
    page.open("/systems/brinemark/sources?at=hue:tidewater")
    page.type("Color", "color(display-p3 0 0.46 0.45)", enter=True)
    page.open("/systems/brinemark/releases")
    page.says("main", "@media (color-gamut: p3)")
    page.says("main", "--tidewater-600: color(display-p3 0 0.46 0.45);")
