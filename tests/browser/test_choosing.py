"""Several steps at once: choosing, copying, nudging and holding; one scale, one column; too many colors."""

from selenium.webdriver import ActionChains, Keys

from tests.browser.page import Page
from tests.browser.test_scales import AT, cell

READ = "const done = arguments[0]; navigator.clipboard.readText().then(done, error => done(String(error)))"
GRANTED = {"permissions": ["clipboardReadWrite", "clipboardSanitizedWrite"]}


def click_with(page: Page, key: str, at: str) -> None:
    ActionChains(page.driver).key_down(key).click(cell(page, at)).key_up(key).perform()


def press_with_shift(page: Page, key: str) -> None:
    ActionChains(page.driver).key_down(Keys.SHIFT).send_keys(key).key_up(Keys.SHIFT).perform()


def chosen(page: Page) -> list[str]:
    return page.script(
        "return [...document.querySelectorAll('[role=gridcell][aria-selected=true]')].map(each => each.dataset.key)"
    )


def test_steps_are_chosen_copied_nudged_and_put_back(page: Page) -> None:
    page.driver.execute_cdp_cmd("Browser.grantPermissions", {"origin": page.address, **GRANTED})
    page.open(f"{AT}?at=step:kelp/s300")
    before = {hue: page.steps(hue) for hue in ("kelp", "flare", "lamp")}
    click_with(page, Keys.SHIFT, "step:flare/s400")
    page.says("[aria-label='What is chosen']", "4 steps of 2 scales chosen")
    click_with(page, Keys.CONTROL, "step:lamp/s400")
    page.says("[aria-label='What is chosen']", "5 steps of 3 scales chosen, 1 fixed")
    page.press("Copy as rows")
    wanted = f"kelp 300\t{before['kelp'][2]}\nkelp 400\t{before['kelp'][3]}\nflare 300\t{before['flare'][2]}"
    page.wait(lambda: page.driver.execute_async_script(READ).startswith(wanted))
    page.leave_fields()
    page.keys("c")
    page.wait(lambda: page.driver.execute_async_script(READ).splitlines()[0] == before["kelp"][2])
    page.keys("-", "-")
    page.wait(lambda: page.steps("flare")[3] != before["flare"][3])
    # The hue's own color stays; all others went together, and one key brings them back.
    page.wait(lambda: page.steps("lamp") == before["lamp"])
    kelp = page.steps("kelp")
    assert [step for step in kelp if step not in before["kelp"]] == kelp[2:4]
    page.wait(lambda: page.button("Back to generated").is_enabled())
    page.keys(Keys.BACKSPACE)
    page.wait(lambda: all(page.steps(hue) == before[hue] for hue in before))
    page.press("Clear")
    page.wait(lambda: chosen(page) == ["step:kelp/s300"])


def test_choosing_by_keys_and_by_rows(page: Page) -> None:
    page.open(f"{AT}?at=step:kelp/s300")
    cell(page, "step:kelp/s300").send_keys(Keys.SHIFT, Keys.ARROW_RIGHT)
    page.wait(lambda: chosen(page) == ["step:kelp/s300", "step:kelp/s400"])
    page.keys(Keys.ESCAPE)
    page.wait(lambda: chosen(page) == ["step:kelp/s300"])
    row = page.find("[data-row=lamp] button")
    ActionChains(page.driver).key_down(Keys.SHIFT).click(row).key_up(Keys.SHIFT).perform()
    page.says("[aria-label='What is chosen']", "27 steps of 3 scales chosen")
    page.choose("Anchor nearest label", "no step: guide only")
    page.wait(lambda: "#BF3650" not in page.steps("flare"))
    assert "#3F8F4F" not in page.steps("kelp")
    page.press("Undo")
    page.wait(lambda: "#BF3650" in page.steps("flare"))
    cell(page, "step:gorse/s500").click()
    page.wait(lambda: chosen(page) == ["step:gorse/s500"])


def test_what_is_held_stays_while_the_ladder_of_all_changes(page: Page) -> None:
    page.open(f"{AT}?at=hue:gorse&area=scale")
    gorse = page.steps("gorse")
    page.press("Free to change")
    page.says("[data-row=gorse]", "held")
    page.wait(
        lambda: (
            page.find("[role=slider][aria-label='Lightness']").get_attribute("aria-disabled")
            == "true"
        )
    )
    page.choose("Anchor of gorse nearest label", "no step: guide only")
    page.says("[data-testid=notice]", "gorse is held")
    page.press("Ladder")
    page.choose("Ready made usual, 9", "long, 11")
    page.wait(lambda: page.button("Use this ladder").is_enabled())
    page.press("Use this ladder")
    page.wait(lambda: page.button("Undo").get_attribute("title").endswith("1 held stays"))
    page.wait(lambda: len(page.steps("kelp")) == 11)
    page.wait(lambda: page.steps("gorse") == gorse)


def test_one_scale_and_one_column(page: Page) -> None:
    page.open(f"{AT}?at=step:gorse/s600")
    page.choose("Show all scales", "one scale")
    page.wait(lambda: len(page.all("[data-row]")) == 1)
    page.says("[data-key='step:gorse/s600']", "C 0.108")
    cell(page, "step:gorse/s600").send_keys(Keys.ARROW_LEFT)
    page.says("[data-testid=slip-name]", "gorse 500")
    page.choose("Show one scale", "one column")
    page.says("[data-testid=column]", "All 500. L* from")
    page.wait(lambda: len(page.all("[data-testid=column] [role=option]")) == 9)
    page.find("[role=option][aria-selected=true]").send_keys(Keys.ARROW_RIGHT)
    page.says("[data-testid=slip-name]", "heather 500")


def test_a_smaller_ladder_a_cap_and_a_selection(page: Page) -> None:
    page.open(f"{AT}?at=step:kelp/s500&area=fewer")
    page.says("[data-testid=area]", "85 colors are published.")
    page.says("[data-testid=unused]", "Every published label is used on some scale.")
    page.says("[data-testid=alike]", "shingle 50 and 100, CIEDE2000 0.9")
    page.press("Set one")
    page.type("Colors at most", "60", enter=True)
    page.says("[data-testid=area]", "25 over the cap of 60")
    page.says("[data-testid=smaller]", "instead of 85")
    page.says("[data-testid=ladder-losses]", "moves from")
    page.press("Try it on the sheet")
    page.wait(lambda: len(page.steps("kelp")) == 5)
    page.press("As it was")
    page.wait(lambda: len(page.steps("kelp")) == 9)
    page.press("Keep the 0 chosen")
    page.says("[data-testid=selections]", "A selection needs a name.")
    click_with(page, Keys.SHIFT, "step:flare/s600")
    page.type("Name of the selection", "content editors", enter=True)
    page.says("[data-testid=selections]", "content editors 4 colors")
    page.press("Clear")
    page.press("Show content editors")
    page.says("[aria-label='What is chosen']", "4 steps of 2 scales chosen")
    page.open("/systems/brinemark/legibility")
    page.says("main", "85 colors would be published; the cap is 60.")
    page.open("/systems/brinemark/releases")
    page.choose("File tokens.css", "tokens.content-editors.css")
    page.says("main", "--kelp-500: #3F8F4F;")
    # All of it is undone, back to the start.
    page.open(f"{AT}?at=step:kelp/s500&area=fewer")
    for left in ("Publish at most 60 colors", "Publish at most 85 colors"):
        page.press("Undo")
        page.wait(lambda left=left: page.button("Undo").get_attribute("title") == f"Undo: {left}")
    page.press("Undo")
    page.wait(lambda: not page.button("Undo").is_enabled())
    page.says("[data-testid=area]", "85 colors are published.")
    assert not page.all("[aria-label='Show content editors']")


def test_values_are_copied_one_after_another_and_colors_as_named_shapes(page: Page) -> None:
    page.driver.execute_cdp_cmd("Browser.grantPermissions", {"origin": page.address, **GRANTED})
    page.open(f"{AT}?at=step:kelp/s800")
    kelp = page.steps("kelp")
    for place in (7, 8):
        press_with_shift(page, "c")
        page.says(
            "[data-testid=said]", f"{place + 1} of 9, kelp {place + 1}00: {kelp[place]} copied."
        )
        page.wait(lambda place=place: page.driver.execute_async_script(READ) == kelp[place])
    page.says("[data-testid=said]", "It was the last.")
    page.says("[data-testid=slip-name]", "kelp 100")
    page.press("Sources")
    page.click("[data-hue=shingle]")
    page.leave_fields()
    press_with_shift(page, "c")
    page.says("[data-testid=said]", "9 of 9, shingle")
    page.open(f"{AT}?at=step:kelp/s100")
    page.find("[data-key='step:kelp/s100']").click()
    click_with(page, Keys.SHIFT, "step:kelp/s900")
    page.press("Copy as shapes")
    page.says("[aria-label='What is chosen']", "9 copied")
    svg = page.driver.execute_async_script(READ)
    assert svg.startswith("<svg")
    assert svg.count("<rect") == 9
    assert '<g id="kelp">' in svg
    assert 'id="kelp 900"' in svg


def test_a_color_is_taken_from_the_screen_where_the_browser_offers_it(page: Page) -> None:
    offered = "window.EyeDropper = class { async open() { return {sRGBHex: '#12a4b6'}; } };"
    with page.with_script(offered):
        page.open("/systems/brinemark/sources")
        page.press("From the screen")
        page.wait(lambda: page.find("#reading-line").get_attribute("value") == "#12a4b6")
    with page.with_script("delete window.EyeDropper"):
        page.open("/systems/brinemark/sources")
        page.find("#reading-line")
        assert "From the screen" not in page.texts("main button")
