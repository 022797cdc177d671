"""The work areas of Scales: shaping ladders, choosing methods by eye, one scale with its pins and measures."""

from selenium.webdriver import ActionChains, Keys

from tests.browser.page import Page
from tests.browser.test_scales import AT


def labels(page: Page) -> list[str]:
    return page.script(
        "return [...document.querySelectorAll('[data-testid=scales] [role=columnheader], [data-strip] [data-label]')]"
        ".map(head => head.firstChild.textContent.trim())"
    )


def use_it(page: Page) -> None:
    """Use the ladder once it is known what it would take away."""
    page.wait(lambda: page.button("Use this ladder").is_enabled())
    page.press("Use this ladder")
    page.wait(
        lambda: page.button("Undo").get_attribute("title").startswith(("Undo: Take", "Undo: Give"))
    )


def test_a_ready_made_ladder_with_pins_present_and_back(page: Page) -> None:
    page.open(f"{AT}?at=hue:tidewater&area=ladder")
    usual = page.steps("tidewater")
    page.choose("Ready made usual, 9", "long, 11")
    # It is tried on the sheet, and the pin stays where its label is.
    page.wait(lambda: len(page.steps("tidewater")) == 11)
    assert {"#0B6E6E", "#2A8C82"} <= set(page.steps("tidewater"))
    assert not page.button("Undo").is_enabled()
    page.press("As it was")
    page.wait(lambda: page.steps("tidewater") == usual)
    page.choose("Ready made usual, 9", "long, 11")
    use_it(page)
    page.press("Undo")
    page.wait(lambda: page.steps("tidewater") == usual)


def test_steps_put_in_and_taken_out(page: Page) -> None:
    page.open(f"{AT}?at=hue:tidewater&area=ladder")
    usual = page.steps("gorse")
    page.says("[aria-label=Promises]", "4 apart")
    page.press("A step between 100 and 200")
    page.wait(lambda: labels(page)[:3] == ["100", "150", "200"])
    # The others have not moved, and what is promised of them is not counted anew.
    assert [step for place, step in enumerate(page.steps("gorse")) if place != 1] == usual
    page.says("[aria-label=Promises]", "4 apart")
    page.press("Take out 500")
    page.says("[data-testid=ladder-losses]", "The pin at tidewater 500 goes.")
    page.says(
        "[data-testid=ladder-losses]", "focus.ring moves from tidewater 500 to tidewater 400."
    )
    use_it(page)
    page.wait(
        lambda: labels(page) == ["100", "150", "200", "300", "400", "600", "700", "800", "900"]
    )
    assert not page.all("[data-testid=ladder-losses]")
    page.press("Undo")
    page.wait(lambda: page.steps("gorse") == usual)


def test_what_cannot_be_a_ladder_is_said_at_the_label(page: Page) -> None:
    page.open(f"{AT}?at=hue:tidewater&area=ladder")
    page.put("[aria-label='Label of step 2']", "100")
    page.says("[data-testid=ladder-problem]", "The label 100 is there twice")
    page.wait(
        lambda: page.find("[aria-label='Label of step 2']").get_attribute("aria-invalid") == "true"
    )
    assert not page.button("Use this ladder").is_enabled()
    page.put("[aria-label='Label of step 2']", "")
    page.says("[data-testid=ladder-problem]", "A step needs a label")
    page.put("[aria-label='Label of step 2']", "soft")
    page.wait(lambda: labels(page)[1] == "soft")
    page.type("L* aimed at by soft", "60", enter=True)
    page.says("[data-testid=ladder-problem]", "at most L* 59.9")
    page.type("L* aimed at by soft", "90", enter=True)
    page.wait(lambda: page.button("Use this ladder").is_enabled())


def test_lightness_by_handles_and_hiding(page: Page) -> None:
    page.open(f"{AT}?at=hue:gorse&area=ladder")
    before = page.steps("sound")
    page.find("[role=slider][aria-label='L* of 800']").send_keys(Keys.ARROW_UP, Keys.ARROW_UP)
    page.wait(lambda: page.steps("sound")[7] != before[7])
    handle = page.find("[role=slider][aria-label='L* of 200']")
    ActionChains(page.driver).click_and_hold(handle).move_by_offset(0, 8).release().perform()
    page.wait(lambda: page.steps("sound")[1] != before[1])
    page.says("[data-testid=safe-rung-words]", "200: ")
    page.click("[aria-label='300 is internal']")
    use_it(page)
    page.press("Close Ladder")
    page.wait(
        lambda: "internal" in page.find("[data-key='step:sound/s300']").get_attribute("aria-label")
    )
    page.press("Undo")
    page.wait(lambda: page.steps("sound") == before)


def test_a_ladder_for_one_scale(page: Page) -> None:
    page.open(f"{AT}?at=hue:heather&area=ladder")
    page.choose("For all scales", "heather")
    page.choose("Ready made usual, 9", "short, 5")
    use_it(page)
    page.wait(lambda: len(page.steps("heather")) == 5)
    assert len(page.steps("gorse")) == 9
    page.choose("Ready made short, 5", "as all scales")
    use_it(page)
    page.wait(lambda: len(page.steps("heather")) == 9)


def test_a_method_is_chosen_by_eye_and_loses_no_setting(page: Page) -> None:
    page.open(f"{AT}?at=hue:gorse&area=method")
    even = page.steps("gorse")
    page.wait(lambda: len(page.all("[data-method]")) == 5)
    page.press("white and black mix")
    page.wait(lambda: page.steps("gorse") != even)
    page.says("[data-testid=method-sentence]", "White or black is laid over the source")
    page.type("White above 0, black below of 100", "80", enter=True)
    page.wait(lambda: page.steps("gorse")[0] == "#F9EFD8")
    page.press("HSL lightness")
    page.says("[data-testid=method-sentence]", "HSL lightness steps")
    page.wait(lambda: page.steps("gorse")[0] != "#F9EFD8")
    page.press("white and black mix")
    page.wait(lambda: page.steps("gorse")[0] == "#F9EFD8")
    page.press("even lightness")
    page.wait(lambda: page.steps("gorse") == even)


def test_a_method_for_one_scale_and_wrong_figures(page: Page) -> None:
    page.open(f"{AT}?at=hue:gorse&area=method")
    others = page.steps("sound")
    page.choose("For all scales", "gorse")
    page.press("contrast targets")
    page.says("[data-testid=method-sentence]", "ratio against a ground")
    page.wait(lambda: page.steps("sound") == others)
    page.type("Ground, in any notation", "no color", enter=True)
    page.says("[data-testid=method-settings]", "is not a color Heimat can read")
    page.type("Ground, in any notation", "#777", enter=True)
    page.type("Ratio of 900", "20", enter=True)
    page.says("[data-testid=notice]", "nothing darker reaches 20")
    page.press("gorse as all scales")
    page.wait(
        lambda: page.find("[data-method=even] button").get_attribute("aria-pressed") == "true"
    )


def test_any_color_is_pinned_at_a_step(page: Page) -> None:
    page.open(f"{AT}?at=step:flare/s300&area=scale")
    before = page.steps("flare")
    page.type("Pin 300 at, in any notation", "salmony", enter=True)
    page.says("[data-testid=area]", "is not a color Heimat can read")
    page.type("Pin 300 at, in any notation", "hsb(350 40% 95%)", enter=True)
    page.wait(lambda: page.steps("flare")[2] == "#F291A2")
    page.says("[data-testid=pins]", f"from the generated {before[2]}")
    # A label far from the source’s lightness is said to cost promises.
    page.choose("Anchor of flare nearest label", "900")
    page.says("[data-testid=measures]", "At this label")
    page.press("Undo")
    page.press("Undo")
    page.wait(lambda: page.steps("flare") == before)


def test_neighbors_pass_through_a_pin(page: Page) -> None:
    page.open(f"{AT}?at=hue:tidewater&area=scale")
    stay = page.steps("tidewater")
    page.choose("Neighbors of pins stay", "pass smoothly through")
    page.wait(lambda: page.steps("tidewater")[3] != stay[3])
    smooth = page.steps("tidewater")
    assert (smooth[4], smooth[5]) == ("#2A8C82", "#0B6E6E")
    assert smooth[6:] == stay[6:]
    page.press("Undo")
    page.wait(lambda: page.steps("tidewater") == stay)


def test_a_promise_as_a_goal(page: Page) -> None:
    page.open(f"{AT}?at=hue:tidewater&area=ladder")
    page.says("[aria-label=Promises]", "6 apart every pair reaches 7.79")
    page.choose("Promise 4.5", "3, for parts and large text")
    page.choose("of steps 5 apart", "3 apart")
    page.press("Solve the ladder")
    page.says("[data-testid=promise-words]", "The best found at 3 apart is")
    page.says("[data-testid=promise-words]", "ladder of 9 steps")
    page.choose("of steps 3 apart", "4 apart")
    page.press("Solve the ladder")
    page.says("[data-testid=promise-words]", "Any two steps 4 apart reach 3")
    page.press("As it was")
    page.says("[aria-label=Promises]", "6 apart every pair reaches 7.79")


def test_rows_move_by_keys_and_a_hue_is_duplicated(page: Page) -> None:
    page.open(f"{AT}?at=step:heather/s300")
    rows = "return [...document.querySelectorAll('[data-row]')].map(row => row.dataset.row)"
    before = page.script(rows)
    page.find("[data-key='step:heather/s300']").send_keys(Keys.ALT, Keys.ARROW_UP)
    page.wait(lambda: page.script(rows)[2:4] == ["heather", "gorse"])
    page.press("Undo")
    page.wait(lambda: page.script(rows) == before)
    page.open("/systems/brinemark/sources?at=hue:tidewater")
    page.press("Duplicate tidewater")
    page.wait(lambda: page.all("[data-hue='tidewater 2']"))
    page.open(AT)
    page.wait(lambda: page.steps("tidewater 2") == page.steps("tidewater"))


def test_a_row_is_dragged_by_the_mouse_to_another_of_its_kind_and_nothing_else_is_taken_for_one(
    page: Page,
) -> None:
    page.open(AT)
    rows = "return [...document.querySelectorAll('[data-row]')].map(row => row.dataset.row)"
    page.wait(lambda: page.steps("heather"))
    before = page.script(rows)
    assert before[2:4] == ["gorse", "heather"]

    def head(hue: str):
        return page.find(f"[data-row='{hue}'] [role=rowheader] button")

    ActionChains(page.driver).drag_and_drop(head("heather"), head("gorse")).perform()
    page.wait(lambda: page.script(rows)[2:4] == ["heather", "gorse"])
    page.press("Undo")
    page.wait(lambda: page.script(rows) == before)
    # Words dragged from elsewhere move no hue, even where they are the name of one: they are read in Sources.
    page.script(
        "const data = new DataTransfer(); data.setData('text/plain', 'kelp');"
        "for (const what of ['dragover', 'drop']) arguments[0].dispatchEvent("
        "new DragEvent(what, {bubbles: true, cancelable: true, dataTransfer: data}))",
        head("gorse"),
    )
    page.says("h1", "Sources")
    page.wait(lambda: page.find("#reading-line").get_attribute("value") == "kelp")
    page.press("Scales")
    page.wait(lambda: page.script(rows) == before)


def figures(page: Page) -> list[str]:
    return page.script(
        "return [...document.querySelectorAll('[data-overlay]')].map(line => line.dataset.overlay)"
    )


def test_overlays_and_solids_become_tokens_and_pins(page: Page) -> None:
    page.open(f"{AT}?at=step:kelp/s100&area=overlay")
    page.wait(lambda: figures(page)[:1] == ["is #F0F0F0"])
    page.wait(lambda: figures(page)[1].endswith("exact"))
    page.put("[data-overlay] input", "no color")
    page.says("[data-testid=overlay-words]", "and it is no color")
    page.put("[data-overlay] input", "#0B6E6E")
    page.type("Alpha, as a number", "20", enter=True)
    page.wait(lambda: figures(page)[0] == "is #CEE2E2")
    page.type("Token name", "text.strong")
    page.press("Overlay as token")
    page.says("[data-testid=overlay-words]", "taken")
    page.type("Token name", "overlay.hover")
    page.press("Overlay as token")
    page.says("[data-testid=overlay-words]", "overlay.hover is rgb(11 110 110 / 0.2)")
    page.press("Pin kelp 100")
    page.wait(lambda: page.steps("kelp")[0] == "#CEE2E2")
    page.press("Undo")
    page.wait(lambda: page.steps("kelp")[0] != "#CEE2E2")
