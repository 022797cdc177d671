"""The frame: one request at a time while dragging, an address that can be shared, and marks of what is unpublished."""

import json
import urllib.request

from selenium.webdriver import ActionChains, Keys

from tests.browser.page import Page

AT = "/systems/brinemark/scales"

# Counts the previews on their way, how many there were at most, and in all; and what was kept.
COUNT = """
window.flights = {now: 0, most: 0, all: 0, kept: 0};
const send = window.fetch;
window.fetch = (...given) => {
  const asked = String(given[0]?.url ?? given[0]);
  if (asked.endsWith('/edits')) return send(...given).finally(() => { window.flights.kept += 1; });
  if (!asked.endsWith('/preview')) return send(...given);
  window.flights.now += 1;
  window.flights.all += 1;
  window.flights.most = Math.max(window.flights.most, window.flights.now);
  return send(...given).finally(() => { window.flights.now -= 1; });
};
"""


def post(page: Page, path: str, body: dict) -> None:
    request = urllib.request.Request(
        page.address + path, json.dumps(body).encode(), {"Content-Type": "application/json"}
    )
    urllib.request.urlopen(request).close()


def test_a_drag_asks_once_at_a_time_and_ends_with_the_newest(page: Page) -> None:
    # The client captures fetch when it is made, so the count has to stand before the page's own script.
    with page.with_script(COUNT):
        page.open(f"{AT}?at=hue:sound")
        slider = page.find("[role=slider][aria-label='Chroma']")
        drag = ActionChains(page.driver, duration=10).move_to_element(slider).click_and_hold()
        for _ in range(30):
            drag.move_by_offset(-2, 0)
        drag.release().perform()
        page.wait(lambda: page.script("return window.flights.kept") == 1)
        page.drawn()
        flights = page.script("return window.flights")
        assert flights["most"] == 1
        assert flights["all"] > 1
        # What is kept is where the pointer was let go, not where an answer was late.
        shown = page.find("[aria-label='Chroma, as a number']").get_attribute("value")
        page.open(f"{AT}?at=hue:sound")
        page.wait(
            lambda: page.find("[aria-label='Chroma, as a number']").get_attribute("value") == shown
        )


# Holds back what is kept until it is let go, counts what was answered, and remembers every value that a hue has shown.
HELD = """
window.answered = 0;
window.sent = 0;
window.seen = [];
const gate = new Promise(open => { window.letGo = open; });
const send = window.fetch;
window.fetch = async (...given) => {
  if (!String(given[0]?.url ?? given[0]).endsWith('/edits')) return send(...given);
  window.sent += 1;
  await gate;
  const answer = await send(...given);
  window.answered += 1;
  return answer;
};
"""
WATCH = """
const band = document.querySelector('[data-hue=sound]');
new MutationObserver(() => window.seen.push(band.dataset.value)).observe(band, {attributeFilter: ['data-value']});
"""


def test_a_gesture_that_began_before_the_last_was_kept_is_not_disturbed_by_its_answer(
    page: Page,
) -> None:
    with page.with_script(HELD):
        page.open("/systems/brinemark/sources?at=hue:sound")
        slider = page.find("[role=slider][aria-label='Lightness']")
        page.script(WATCH)
        page.script("arguments[0].focus()", slider)
        ActionChains(page.driver).key_down(Keys.ARROW_RIGHT).perform()
        page.wait(lambda: len(page.script("return window.seen")) == 1)
        ActionChains(page.driver).key_up(Keys.ARROW_RIGHT).perform()
        page.wait(lambda: page.script("return window.sent") == 1)
        ActionChains(page.driver).key_down(Keys.ARROW_RIGHT).perform()
        page.wait(lambda: len(page.script("return window.seen")) == 2)
        assert page.script("return window.answered") == 0
        page.script("window.letGo()")
        page.wait(lambda: page.script("return window.answered") == 1)
        ActionChains(page.driver).key_up(Keys.ARROW_RIGHT).perform()
        page.wait(lambda: page.script("return window.answered") == 2)
        page.wait(lambda: page.button("Undo").get_attribute("title").startswith("Undo: Move sound"))
        seen = page.script("return window.seen")
        assert len(set(seen)) == 2, "each gesture shows its own"
        assert seen == sorted(seen, key=seen.index), "and none goes back to the one before"
    page.open("/systems/brinemark/sources?at=hue:sound")
    assert page.wait(lambda: page.find("[data-hue=sound]").get_attribute("data-value")) == seen[-1]


def test_the_address_holds_how_one_looks(page: Page) -> None:
    page.open(f"{AT}?at=step:flare/s700&seen=deutan&severity=0.8&ground=black")
    page.says("header", "deutan 0.8")
    page.says("[data-testid=slip-name]", "flare 700")
    page.says("main", "where 4.5 on black begins")
    page.press("Tokens")
    page.says("h1", "Tokens")
    page.says("[data-testid=slip-name]", "flare 700")
    assert "seen=deutan" in page.driver.current_url
    page.driver.back()
    page.says("h1", "Scales")


def test_an_address_that_names_nothing_is_no_dead_end(page: Page) -> None:
    page.driver.get(f"{page.address}/systems/nowhere/scales")
    page.says("h1", "There is no system at “nowhere”.")
    page.press("To the list of systems")
    page.says("h1", "Systems")
    page.open(f"{AT}?at=hue:gone&seen=purple&severity=9&ground=step:x/y")
    page.says("[data-testid=slip]", "Select a hue, a step or a token")
    page.says("main", "where 4.5 on white begins")


def test_what_is_changed_and_not_published_is_marked(page: Page) -> None:
    at = "/api/systems/brinemark"
    post(page, f"{at}/releases", {"revision": 1, "version": "1.0.0"})
    page.open("/systems/brinemark/tokens?at=token:text-late")
    assert not page.all("[aria-label='changed, not published']")
    page.click("[aria-label^='buoy 700']")
    page.wait(lambda: len(page.all("[aria-label='changed, not published']")) == 2)
    page.press("Releases")
    page.says("[data-testid=change]", "text.late stands for buoy.700, was buoy.500")
    page.type("Version", "0.9.0")
    page.press("Publish 0.9.0")
    page.says("[role=status]", "1.0.0 is out already")
    page.type("Version", "1.1.0")
    page.press("Publish 1.1.0")
    page.says("[role=status]", "1.1.0 is out.")
    page.wait(lambda: not page.all("[aria-label='changed, not published']"))
    page.press("Fetch it")
    page.says("[role=status]", "text/css")


def test_the_acting_person_and_the_dark_interface_are_kept(page: Page) -> None:
    page.open(AT)
    page.click("[aria-label*='acting as']")
    page.press("Oke Lindt")
    page.find("[aria-label='OL: acting as Oke Lindt']")
    page.click("[aria-label*='acting as']")
    page.press("Dark interface")
    page.wait(lambda: page.find("main").get_attribute("data-surround") == "black")
    page.open(AT)
    page.find("[aria-label='OL: acting as Oke Lindt']")
    assert page.script("return document.documentElement.classList.contains('dark')")
