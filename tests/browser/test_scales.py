"""Scales: walking by keys, grounds, anchors, pins, nudges, and what the slip tells."""

from selenium.webdriver import ActionChains, Keys

from tests.browser.page import Page

AT = "/systems/brinemark/scales"


def cell(page: Page, key: str):
    return page.find(f"[data-key='{key}']")


def test_arrows_walk_and_the_slip_tells(page: Page) -> None:
    page.open(AT)
    page.click("[data-key='step:tidewater/s600']")
    page.says("[data-testid=slip-name]", "tidewater 600")
    page.says(
        "[data-testid=slip-why]",
        "The hue’s own color, to the bit. Its lightness 41.8 is nearest to 600",
    )
    page.keys(Keys.ARROW_RIGHT)
    page.says("[data-testid=slip-name]", "tidewater 700")
    page.keys(Keys.ARROW_DOWN)
    page.says("[data-testid=slip-name]", "buoy 700")
    page.keys(Keys.END)
    page.says("[data-testid=slip-name]", "buoy 900")
    page.keys(Keys.HOME)
    page.says("[data-testid=slip-name]", "buoy 100")
    page.says("[data-testid=slip-why]", "Aimed at L* 97.0")
    # The whole selected row and column print their contrast; a step elsewhere prints one line.
    for key in ("step:buoy/s300", "step:kelp/s100"):
        printed, label = cell(page, key).text.split(), cell(page, key).get_attribute("aria-label")
        assert f"{printed[1]} on white, under 3" in label
    page.wait(lambda: cell(page, "step:kelp/s300").text == "#88C790")
    for notation in ("hex", "rgb", "oklch"):
        page.says("[data-testid=slip]", notation)


def test_the_ground_moves_the_line_of_what_passes(page: Page) -> None:
    page.open(AT)
    page.choose("Print values", "contrast")
    page.wait(lambda: cell(page, "step:buoy/s500").text.startswith("3.71"))
    page.choose("Ground white", "black")
    page.wait(lambda: cell(page, "step:buoy/s500").text.startswith("5.64"))
    page.says("main", "where 4.5 on black begins")
    page.click("[data-key='step:shingle/s900']")
    page.says("[data-testid=slip-name]", "shingle 900")
    page.choose("Ground black", "shingle 900")
    page.says("main", "where 4.5 on shingle 900 begins")


def test_the_anchor_can_be_chosen(page: Page) -> None:
    page.open(f"{AT}?at=hue:flare&area=scale")
    page.choose("Anchor of flare nearest label", "800")
    page.wait(lambda: page.steps("flare")[7] == "#BF3650")
    page.choose("Anchor of flare 800", "no step: guide only")
    page.wait(lambda: "#BF3650" not in page.steps("flare"))
    page.says("[data-testid=measures]", "The source is on no step")


def test_pins_by_key_and_back(page: Page) -> None:
    page.open(f"{AT}?at=step:tidewater/s500")
    page.wait(lambda: page.steps("tidewater")[4] == "#2A8C82")
    page.says("[data-testid=slip-why]", "Pinned at #2A8C82")
    page.leave_fields()
    page.keys(Keys.BACKSPACE)
    page.wait(lambda: page.steps("tidewater")[4] != "#2A8C82")
    generated = page.steps("tidewater")[4]
    page.keys("p")
    page.says("[data-testid=slip-why]", f"Pinned at {generated}")


def test_nudges_by_key_and_back(page: Page) -> None:
    page.open(f"{AT}?at=step:kelp/s300")
    before = page.steps("kelp")
    page.says("[data-testid=slip-why]", "Aimed at L* 74.8")
    page.leave_fields()
    page.keys("=", "=")
    page.says("[data-testid=slip-why]", "nudged 2.0 lighter")
    after = page.steps("kelp")
    assert after[:2] + after[3:] == before[:2] + before[3:]
    assert "nudged" in cell(page, "step:kelp/s300").get_attribute("aria-label")
    assert "+" in cell(page, "step:kelp/s300").text
    # It is listed beside what would be generated, and each is one step of undo.
    page.click("[data-row=kelp] button")
    page.press("One scale")
    page.says("[data-testid=pins]", f"300 nudged {after[2]}, ")
    page.says("[data-testid=pins]", f"from the generated {before[2]}")
    page.press("300 back to generated")
    page.wait(lambda: page.steps("kelp") == before)
    page.press("Undo")
    page.wait(lambda: page.steps("kelp") == after)
    page.click("[data-key='step:kelp/s300']")
    page.says("[data-testid=slip-name]", "kelp 300")
    page.leave_fields()
    page.keys(Keys.BACKSPACE)
    page.wait(lambda: page.steps("kelp") == before)


def test_copying_in_the_notation_chosen(page: Page) -> None:
    page.open(f"{AT}?at=step:kelp/s500")
    grant = {
        "origin": page.address,
        "permissions": ["clipboardReadWrite", "clipboardSanitizedWrite"],
    }
    page.driver.execute_cdp_cmd("Browser.grantPermissions", grant)
    page.click("[title^='Copy oklch']")
    page.says("[data-testid=slip]", "copied")
    page.leave_fields()
    page.keys("c")
    read = "const done = arguments[0]; navigator.clipboard.readText().then(done, error => done(String(error)))"
    page.wait(lambda: page.driver.execute_async_script(read).startswith("oklch(0.5"))


def test_finding_by_a_few_letters(page: Page) -> None:
    page.open(AT)
    page.leave_fields()
    page.keys("/")
    page.find("[aria-label='Find a color, a token, a place or a command']").send_keys(
        "flare 7", Keys.ENTER
    )
    page.says("[data-testid=slip-name]", "flare 700")


def test_all_keys_are_shown_and_can_be_switched_off(page: Page) -> None:
    page.open(AT)
    page.leave_fields()
    page.keys("?")
    page.says("[role=dialog]", "Next vision")
    page.keys(Keys.ESCAPE)
    page.wait(lambda: not page.all("[role=dialog]"))
    page.leave_fields()
    page.keys("3")
    page.says("h1", "Tokens")
    page.click("[aria-label*='acting as']")
    page.press("Keys of a single character")
    page.keys(Keys.ESCAPE)
    page.leave_fields()
    page.keys("2")
    # A key that does nothing is shown by one that does: undo still answers.
    page.says("h1", "Tokens")
    page.find("body").send_keys(Keys.CONTROL, "z")
    page.says("[data-testid=notice]", "nothing of yours to undo")
    page.wait(lambda: page.text("h1") == "Tokens")


def test_a_step_is_nudged_by_the_slip_and_escape_leaves_it(page: Page) -> None:
    page.open(f"{AT}?at=step:sound/s300")
    before = page.steps("sound")
    chroma = page.find("[role=slider][aria-label='Chroma']")
    drag = ActionChains(page.driver).move_to_element(chroma).click_and_hold().move_by_offset(-50, 0)
    drag.perform()
    page.wait(lambda: page.steps("sound")[2] != before[2])
    page.keys(Keys.ESCAPE)
    ActionChains(page.driver).release().perform()
    page.type("Lightness, as a number", "80", enter=True)
    page.says("[data-testid=slip-why]", "lighter")
    page.wait(
        lambda: page.find("[aria-label='Lightness, as a number']").get_attribute("value") == "80.0"
    )
    typed = page.steps("sound")
    assert typed[:2] + typed[3:] == before[:2] + before[3:]
    # The hue moves, and the nudge goes along on top of what is generated.
    page.click("[data-row=sound] button")
    page.wait(lambda: page.text("[data-testid=slip-name]") == "sound")
    page.leave_fields()
    page.keys("=")
    page.wait(lambda: page.steps("sound")[5] != typed[5])
    page.click("[data-key='step:sound/s300']")
    page.says("[data-testid=slip-why]", "nudged")


def test_a_pinned_step_says_why_it_cannot_be_moved(page: Page) -> None:
    page.open(f"{AT}?at=step:tidewater/s500")
    page.wait(
        lambda: (
            page.find("[role=slider][aria-label='Lightness']").get_attribute("aria-disabled")
            == "true"
        )
    )
    page.leave_fields()
    page.keys("=")
    page.press("tidewater 500: back to generated")
    page.says("[data-testid=slip-why]", "Aimed at L* 52.5")
    page.wait(
        lambda: (
            page.find("[role=slider][aria-label='Lightness']").get_attribute("aria-disabled")
            == "false"
        )
    )
    page.keys("=")
    page.says("[data-testid=slip-why]", "nudged 1.0 lighter")
    page.press("To its hue")
    page.says("[data-testid=slip-name]", "tidewater")


# A click and a key in one breath, before anything has been answered.
CLICK_AND_KEYS = """
const [cell, codes] = arguments;
document.querySelector(cell).click();
for (const code of codes) {
  const key = {Minus: "-", KeyP: "p", Backspace: "Backspace"}[code];
  for (const type of ["keydown", "keyup"])
    window.dispatchEvent(new KeyboardEvent(type, {key, code, bubbles: true}));
}
"""


def test_a_key_after_a_click_acts_on_what_was_clicked(page: Page) -> None:
    def said(key: str) -> str:
        return cell(page, key).get_attribute("aria-label") or ""

    heather, gorse = "step:heather/s200", "step:gorse/s700"
    page.open(f"{AT}?at=step:kelp/s300")
    page.says("[data-testid=slip-name]", "kelp 300")
    before = page.steps("kelp")
    page.script(CLICK_AND_KEYS, f"[data-key='{heather}']", ["Minus", "Minus", "Minus"])
    page.says("[data-testid=slip-name]", "heather 200")
    page.wait(lambda: "nudged" in said(heather))
    assert page.steps("kelp") == before
    # Three presses are one gesture of three.
    page.press("Undo")
    page.wait(lambda: "nudged" not in said(heather) and not page.button("Undo").is_enabled())
    page.script(CLICK_AND_KEYS, f"[data-key='{gorse}']", ["KeyP"])
    page.wait(lambda: "pinned" in said(gorse))
    page.click(f"[data-key='{heather}']")
    page.says("[data-testid=slip-name]", "heather 200")
    page.script(CLICK_AND_KEYS, f"[data-key='{gorse}']", ["Backspace"])
    page.wait(lambda: "pinned" not in said(gorse))
    assert page.steps("kelp") == before
    assert "nudged" not in said("step:kelp/s300")
