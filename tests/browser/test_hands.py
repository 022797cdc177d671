"""Fast hands, keys without a mouse, and work that is left in the middle."""

from selenium.webdriver import ActionChains, Keys

from tests.browser.page import Page

AT = "/systems/brinemark/scales"
SOURCES = "/systems/brinemark/sources"
ROWS = "return [...document.querySelectorAll('[data-row]')].map(row => row.dataset.row)"
BANDS = "return [...document.querySelectorAll('[data-hue]')].map(band => band.dataset.hue)"
# Every change is held back until it is let go, as by a database that is away; what a page asks for goes on.
HELD = """
const send = window.fetch;
const gate = new Promise(open => { window.letGo = open; });
window.sent = 0;
window.fetch = async (...given) => {
  if (!String(given[0]?.url ?? given[0]).endsWith('/edits')) return send(...given);
  window.sent += 1;
  await gate;
  return send(...given);
};
"""


def focused(page: Page) -> str:
    return page.script(
        "const at = document.activeElement; return at.getAttribute('aria-label') || at.textContent"
    )


def step(page: Page, key: str) -> str:
    return page.find(f"[data-key='{key}']").get_attribute("data-hex")


def said(page: Page, words: str) -> None:
    page.says("[data-testid=said]", words)


def test_quick_taps_are_one_change_of_what_is_selected_at_that_moment(page: Page) -> None:
    page.open(f"{AT}?at=step:kelp/s300")
    page.says("[data-testid=slip-name]", "kelp 300")
    before = {key: step(page, key) for key in ("step:kelp/s300", "step:sound/s300")}
    ActionChains(page.driver).click(
        page.driver.find_element("css selector", "[data-key='step:sound/s300']")
    ).perform()
    page.keys(*["-"] * 20)
    page.wait(lambda: page.button("Undo").get_attribute("title") == "Undo: Nudge sound 300")
    page.says("[data-testid=slip-why]", "nudged 20.0 darker")
    page.press("Undo")
    page.wait(lambda: {key: step(page, key) for key in before} == before)
    assert page.button("Undo").get_attribute("title") == "Nothing of yours to undo"


def test_undo_takes_a_run_along_that_still_rests(page: Page) -> None:
    page.open(f"{AT}?at=step:kelp/s300")
    page.says("[data-testid=slip-name]", "kelp 300")
    before = step(page, "step:kelp/s300")
    ActionChains(page.driver).send_keys("-").key_down(Keys.CONTROL).send_keys("z").key_up(
        Keys.CONTROL
    ).perform()
    page.wait(lambda: page.button("Redo").get_attribute("title") == "Redo: Nudge kelp 300")
    assert step(page, "step:kelp/s300") == before


def test_a_key_that_does_nothing_says_why(page: Page) -> None:
    page.open(f"{SOURCES}?at=hue:tidewater")
    page.says("[data-testid=slip-name]", "tidewater")
    page.keys("p")
    said(page, "Only a step of a scale can be pinned")
    page.keys("c")
    said(page, "#0B6E6E copied.")
    page.press("Free to change")
    page.wait(lambda: page.button("Undo").get_attribute("title") == "Undo: Hold tidewater")
    page.wait(
        lambda: (
            page.find("[role=slider][aria-label=Lightness]").get_attribute("aria-disabled")
            == "true"
        )
    )
    page.keys("-")
    said(page, "tidewater is held: let it go to move tidewater.")
    page.open(f"{AT}?at=step:kelp/s300")
    page.says("[data-testid=slip-name]", "kelp 300")
    page.keys("a")
    said(page, "No work area is open here.")
    page.keys(Keys.BACKSPACE)
    said(page, "kelp 300 is as it is generated")
    page.click("[aria-label^='kelp'][aria-label*='own color']")
    page.says("[data-testid=slip-why]", "The hue’s own color")
    page.keys("-")
    said(
        page, f"{page.text('[data-testid=slip-name]')} is the hue’s own color: the hue itself moves"
    )
    page.find("[data-key='step:tidewater/s100']").click()
    page.keys(Keys.ARROW_UP)
    said(page, "No scale above has a step here.")


def test_choosing_what_lies_apart_by_keys(page: Page) -> None:
    page.open(f"{AT}?at=step:kelp/s300")
    page.find("[data-key='step:kelp/s300']").click()
    walk = ActionChains(page.driver).key_down(Keys.CONTROL)
    walk.send_keys(Keys.ARROW_RIGHT, Keys.ARROW_RIGHT, Keys.ARROW_DOWN).key_up(
        Keys.CONTROL
    ).send_keys(" ").perform()
    page.wait(lambda: len(page.all("[role=gridcell][aria-selected=true]")) == 2)
    chosen = [
        cell.get_attribute("data-key") for cell in page.all("[role=gridcell][aria-selected=true]")
    ]
    assert chosen == ["step:kelp/s300", "step:flare/s500"]


def test_hues_move_tap_by_tap_and_by_hand_to_any_place(page: Page) -> None:
    page.open(f"{AT}?at=step:tidewater/s300")
    page.find("[data-key='step:tidewater/s300']").click()
    taps = ActionChains(page.driver).key_down(Keys.ALT)
    taps.send_keys(Keys.ARROW_DOWN, Keys.ARROW_DOWN, Keys.ARROW_DOWN).key_up(Keys.ALT).perform()
    page.wait(lambda: page.script(ROWS)[3] == "tidewater")
    page.wait(lambda: page.button("Undo").is_enabled())
    page.press("Undo")
    page.wait(lambda: page.script(ROWS)[0] == "tidewater")

    def head(hue: str):
        return page.driver.find_element(
            "css selector", f"[data-row='{hue}'] [role=rowheader] button"
        )

    below = (
        ActionChains(page.driver).click_and_hold(head("tidewater")).move_to_element(head("buoy"))
    )
    below.move_to_element_with_offset(head("shingle"), 0, 10).move_by_offset(
        0, 1
    ).release().perform()
    page.wait(lambda: page.script(ROWS)[-1] == "tidewater")
    page.press("Group by kind")
    page.wait(lambda: page.script(ROWS)[:2] == ["buoy", "tidewater"])
    page.open(SOURCES)
    band = "[data-hue='{}']".format
    gorse = page.driver.find_element("css selector", band("gorse"))
    drag = ActionChains(page.driver).click_and_hold(
        page.driver.find_element("css selector", band("tidewater"))
    )
    drag.move_to_element(gorse).move_to_element_with_offset(gorse, -100, 8).release().perform()
    page.wait(lambda: page.all("[aria-label=Accent] [data-hue=tidewater]"))
    assert page.script(BANDS)[:3] == ["buoy", "gorse", "tidewater"]


def test_the_focus_stays_where_the_work_goes_on(page: Page) -> None:
    page.open(SOURCES)
    page.keys(Keys.TAB)
    assert focused(page) == "To the sheet"
    page.keys(Keys.ENTER)
    page.wait(lambda: page.script("return document.activeElement.dataset.hue") == "tidewater")
    page.keys("l")
    page.wait(lambda: page.script("return document.activeElement.id") == "reading-line")
    page.open(f"{SOURCES}?at=hue:kelp")
    page.press("Remove")
    page.wait(lambda: focused(page) == "Keep kelp")
    page.keys(Keys.ESCAPE)
    page.wait(lambda: focused(page) == "Remove kelp, asking first")
    page.press("Remove")
    page.press("Remove kelp")
    page.wait(lambda: page.script("return document.activeElement.dataset.hue") == "flare")
    page.says("[data-testid=slip-name]", "flare")
    page.press("Derive a hue from flare")
    page.wait(
        lambda: (
            page.script("return document.activeElement.dataset.hue")
            == page.text("[data-testid=slip-name]")
        )
    )
    page.press("Mix")
    page.find("[data-testid=area]")
    page.keys("h")
    page.wait(lambda: page.script("return document.activeElement.dataset.hue"))
    page.keys("a")
    page.wait(lambda: page.script("return document.activeElement.dataset.testid") == "area")
    page.keys(Keys.ESCAPE)
    page.wait(lambda: focused(page) == "Mix")
    assert not page.all("[data-testid=area]")
    page.keys("3")
    page.says("h1", "Tokens")
    page.wait(lambda: page.script("return document.activeElement !== document.body"))
    page.keys("/")
    page.find("input[aria-label^=Find]").send_keys("sound 300", Keys.ENTER)
    page.says("[data-testid=slip-name]", "sound 300")
    page.wait(
        lambda: page.script(
            "return document.querySelector('main').contains(document.activeElement)"
        )
    )


_AT_ONCE = """
const field = document.querySelector("input[aria-label^=Find]");
const type = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value").set;
for (const text of ["so", "sound 3", "sound 300"]) {
  type.call(field, text);
  field.dispatchEvent(new Event("input", { bubbles: true }));
}
field.dispatchEvent(new KeyboardEvent("keydown", { key: "Enter", bubbles: true, cancelable: true }));
"""


def test_what_is_found_is_what_stands_in_the_field_however_fast_the_hand(page: Page) -> None:
    """Letters and Enter within one moment: what is listed still is what the letters before have found."""
    page.open(SOURCES)
    page.keys("/")
    page.find("input[aria-label^=Find]").send_keys("gorse")
    page.find("[role=option]")
    page.script(_AT_ONCE)
    page.says("[data-testid=slip-name]", "sound 300")


_SLOW = """
const fetched = window.fetch;
window.fetch = (...asked) => new Promise((go) => setTimeout(go, 700)).then(() => fetched(...asked));
"""


def test_an_enter_before_anything_is_found_counts(page: Page) -> None:
    page.open("/systems/brinemark/tokens")
    page.says("h1", "Tokens")
    page.script(_SLOW)
    page.keys("/")
    page.find("input[aria-label^=Find]").send_keys("sound 300", Keys.ENTER)
    page.says("[data-testid=slip-name]", "sound 300")
    assert not page.all("input[aria-label^=Find]")


def test_what_is_typed_and_shaped_survives_a_stage_and_a_reload(page: Page) -> None:
    page.open("/systems/brinemark/releases")
    page.type("Version", "4.0.0")
    page.type("Notes", "All grays are new.")
    page.press("Scales")
    page.press("Ladder")
    page.click("[aria-label='300 is internal']")
    page.wait(lambda: page.find("[aria-label='300 is internal']").is_selected())
    page.driver.refresh()
    page.wait(lambda: page.find("[aria-label='300 is internal']").is_selected())
    page.press("Releases")
    assert page.field("Version").get_attribute("value") == "4.0.0"
    assert page.field("Notes").get_attribute("value") == "All grays are new."
    page.type("Version", "")
    page.wait(lambda: page.field("Version").get_attribute("value") == "")


def test_a_change_on_its_way_survives_a_reload(page: Page) -> None:
    with page.with_script(HELD):
        page.open(f"{AT}?at=step:kelp/s300")
        page.says("[data-testid=slip-name]", "kelp 300")
        before = step(page, "step:kelp/s300")
        page.keys("-")
        page.wait(lambda: page.script("return window.sent") == 1)
        # It is shown as it will be, though no answer comes.
        shown = page.wait(lambda: (now := step(page, "step:kelp/s300")) != before and now)
    page.driver.refresh()
    page.wait(lambda: step(page, "step:kelp/s300") == shown)
    page.wait(lambda: page.button("Undo").get_attribute("title") == "Undo: Nudge kelp 300")
    assert page.script("return JSON.stringify({...sessionStorage})") == "{}"


def test_an_area_left_open_in_another_stage_is_none_here(page: Page) -> None:
    page.open("/systems/brinemark/legibility?area=matrix")
    page.keys("1")
    page.click("[data-hue=kelp]")
    page.find("[data-testid=hue-editor]")
    page.driver.get(page.address + "/systems/brinemark/sources?at=hue:kelp&area=ladder")
    page.find("[data-testid=hue-editor]")


def test_what_is_dragged_here_is_not_brought_and_no_text_is_marked_by_it(page: Page) -> None:
    page.open("/systems/brinemark/charts?at=palette:routes")
    page.find("[data-testid=drawn]")
    page.keys("s")
    chip, specimen = page.find("[draggable=true]"), page.find("[aria-label='Specimen']")
    drop = """
      const [from, onto] = arguments, data = new DataTransfer();
      data.setData('text/plain', 'Skarvik–Tarnsey');
      const fire = (at, kind) => at.dispatchEvent(
        new DragEvent(kind, {bubbles: true, cancelable: true, dataTransfer: data}));
      if (from) fire(from, 'dragstart');
      for (const kind of ['dragover', 'drop']) fire(onto, kind);
      if (from) fire(from, 'dragend');
    """
    page.script(drop, chip, specimen)
    page.drawn()
    assert "/charts" in page.driver.current_url
    # The same from outside is brought.
    page.script(drop, None, specimen)
    page.wait(lambda: "/sources" in page.driver.current_url)
    page.open("/systems/brinemark/legibility?at=token:text-late&area=two-colors")
    handle = page.find("[data-testid=area] [role=slider]")
    page.wait(lambda: page.all("[role=spinbutton]"))
    for way in (60, -40):
        ActionChains(page.driver).click_and_hold(handle).move_by_offset(way, 70).release().perform()
        assert page.script("return String(getSelection())") == ""
        assert "/legibility" in page.driver.current_url


def test_escape_while_a_handle_of_the_ladder_is_held_takes_the_drag_back_and_closes_nothing(
    page: Page,
) -> None:
    page.open("/systems/brinemark/scales?at=hue:kelp&area=ladder")
    before = page.texts("[data-testid=ladder-rows] [role=spinbutton]")
    values = [
        field.get_attribute("value")
        for field in page.all("[data-testid=ladder-rows] [role=spinbutton]")
    ]
    handle = page.find("[data-testid=ladder-plot] [aria-label='L* of 500']")
    ActionChains(page.driver).click_and_hold(handle).move_by_offset(0, 14).perform()
    at = "[role=spinbutton][aria-label='L* aimed at by 500']"
    page.wait(lambda: page.find(at).get_attribute("value") != values[4])
    page.keys(Keys.ESCAPE)
    page.wait(lambda: page.find(at).get_attribute("value") == values[4])
    ActionChains(page.driver).release().perform()
    assert page.all("[data-testid=ladder-plot]")
    assert page.texts("[data-testid=ladder-rows] [role=spinbutton]") == before


def test_each_label_that_a_plus_makes_is_one_that_the_ladder_takes(page: Page) -> None:
    page.open("/systems/brinemark/scales?at=hue:kelp&area=ladder")
    for _ in range(5):
        page.click("[aria-label^='A step between 200 and']")
    for end in ("dark", "light"):
        page.script("document.querySelector('[data-testid=area]').scrollTop = 0")
        page.click(f"[aria-label='A step beyond the {end} end']")
    page.wait(lambda: len(page.all("[data-testid=ladder-rows] [role=spinbutton]")) == 16)
    labels = page.all("[data-testid=ladder-rows] input[aria-label^='Label of step']")
    assert len({label.get_attribute("value") for label in labels}) == 16
    page.wait(lambda: page.button("Use this ladder").is_enabled())
    page.press("Use this ladder")
    page.wait(lambda: len(page.all("[data-row=kelp] [data-hex]")) == 16)


def test_after_a_start_the_focus_is_in_the_sheet(page: Page) -> None:
    page.open("/")
    page.type("Name", "Merrow Ferries")
    page.type("Brand colors", "#0B6E6E")
    page.press("Start")
    page.find("[data-testid=slip]")
    page.wait(
        lambda: page.script("return document.activeElement?.closest('[data-sheet]') !== null")
    )


def test_publishing_is_cancelled_while_files_are_written(page: Page) -> None:
    slow = """
      const ask = window.fetch;
      window.fetch = async (request, ...more) => {
        if (request instanceof Request && request.method === 'POST' && request.url.endsWith('/releases'))
          await new Promise((done, end) => {
            const gone = () => end(new DOMException('gone', 'AbortError'));
            request.signal.addEventListener('abort', gone);
          });
        return ask(request, ...more);
      };
    """
    with page.with_script(slow):
        page.open("/systems/brinemark/releases")
        page.press("Publish 1.0.0")
        page.press("Cancel")
        page.says("[role=status]", "Writing was cancelled: nothing is out.")
        assert page.button("Publish 1.0.0").is_enabled()
