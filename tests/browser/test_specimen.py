"""The specimen and alternatives: parts split in place, versions compared, a page of the team's own, shares."""

import re

import numpy as np
from selenium.webdriver.common.by import By
from selenium.webdriver.common.keys import Keys

from heimat.core.color.contrast import ratio
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark
from tests.browser.page import Page
from tools.browser import resize

AT = "/systems/brinemark/tokens"
SHEET = "[data-testid=specimen-sheet]"


def background(page: Page, css: str) -> str:
    return page.find(css).value_of_css_property("background-color")


def test_letting_one_part_differ_takes_two_clicks_and_moves_no_other(page: Page) -> None:
    page.open(f"{AT}?show=specimen")
    page.click(f"{SHEET} [data-place=seat-map] [data-colors='text.strong']")
    page.says("[data-testid=picked-colors]", "text.strong")
    page.press("Let this one differ in seat map")
    page.says("[data-testid=slip-name]", "text.strong-seat-map")
    page.type("Or a color, or a name", "#B03020", enter=True)
    here = f"{SHEET} [data-place=seat-map] [data-colors='text.strong']"
    page.wait(lambda: page.find(here).value_of_css_property("color") == "rgba(176, 48, 32, 1)")
    time = f"{SHEET} [data-place=sailing] [data-colors='text.strong']"
    assert page.find(time).value_of_css_property("color") == "rgba(19, 25, 25, 1)"


def test_an_alternative_is_made_changed_compared_and_taken_over(page: Page) -> None:
    page.open(f"{AT}?area=alternatives")
    page.type("A new alternative, from what stands here", "bold", enter=True)
    page.says("[data-testid=alternatives]", "bold")
    page.click("[data-testid=alternatives] a[href*='brinemark~bold']")
    page.wait(lambda: "brinemark~bold" in page.driver.current_url)
    page.press("Close")
    page.click("[data-token='text.late']")
    page.click("[aria-label^='buoy 700']")
    page.says("[data-testid=token-editor]", "text.late is buoy 700")
    page.open(f"{AT}?area=alternatives")
    page.says("[data-testid=differences]", "buoy 500 to buoy 700 in day")
    # Side by side, then in the same place, while a key is held.
    page.open(f"{AT}?show=specimen")
    page.choose("Specimen ticket page", "operations board")
    page.choose("Beside it nothing", "alternative bold")
    late = f"{SHEET} [data-colors='text.late']"
    page.wait(lambda: len({each.value_of_css_property("color") for each in page.all(late)}) == 2)
    page.press("In the same place")
    page.wait(lambda: len({each.value_of_css_property("color") for each in page.all(late)}) == 1)
    before = page.find(late).value_of_css_property("color")
    page.script(
        "document.dispatchEvent(new KeyboardEvent('keydown', { code: 'KeyX', bubbles: true }))"
    )
    page.wait(lambda: page.find(late).value_of_css_property("color") != before)
    page.script(
        "document.dispatchEvent(new KeyboardEvent('keyup', { code: 'KeyX', bubbles: true }))"
    )
    page.wait(lambda: page.find(late).value_of_css_property("color") == before)
    page.open(f"{AT}?area=alternatives")
    page.press("Take over")
    page.says("[data-testid=differences]", "bold is the same.")
    page.press("Undo")
    page.says("[data-testid=differences]", "buoy 500 to buoy 700 in day")


def test_the_sheet_of_an_alternative_stands_beside_this_one_and_follows_how_it_is_looked_at(
    page: Page,
) -> None:
    page.open(f"{AT}?area=alternatives")
    page.type("A new alternative, from what stands here", "calmer", enter=True)
    page.press("Its sheet beside this one")
    frame = page.find("iframe[title='The sheet of calmer']")
    page.driver.switch_to.frame(frame)
    page.click("[data-token='text.strong']")
    page.type("Or a color, or a name", "TIDEWATER 900", enter=True)
    page.says("[data-testid=token-editor]", "text.strong is tidewater 900")
    assert not page.all("[data-testid=slip]")
    page.driver.switch_to.default_content()
    page.press("Scales")
    page.click("[data-testid=scales] [data-key='step:flare/s300']")
    page.driver.switch_to.frame(frame)
    page.wait(
        lambda: page.find("[aria-selected=true]").get_attribute("data-key") == "step:flare/s300"
    )
    page.driver.switch_to.default_content()
    page.press("Close calmer")
    page.wait(lambda: not page.all("iframe"))
    # What was changed beside it is not changed here.
    page.open(f"{AT}?at=token:text-strong")
    page.says("[data-testid=token-editor]", "text.strong is shingle 900")


def test_a_link_shows_an_alternative_beside_the_main_one_and_nothing_to_change(page: Page) -> None:
    page.open(f"{AT}?area=alternatives")
    page.type("A new alternative, from what stands here", "calm", enter=True)
    page.press("Share calm by a link")
    page.click("[data-testid=share-link]")
    page.says("main", "calm")
    page.wait(lambda: len(page.all("[data-specimen]")) == 2)
    assert not page.all("[data-testid=slip]")
    resize(page.driver, 390, 844)
    page.wait(lambda: page.script("return document.documentElement.scrollWidth") == 390)


def test_a_page_of_the_teams_own_is_recolored_live_and_runs_nothing(page: Page) -> None:
    page.open(f"{AT}?show=specimen&at=token:action-main-fill")
    page.choose("Specimen ticket page", "a page of our own")
    markup = (
        "<title>before</title><script>document.title='ran'</script><b style='background:var(--action-main-fill)'>x</b>"
        "<i data-theme=night style='color:var(--text-strong)'>x</i><u style='color:var(--chart-routes-2)'>x</u>"
    )
    page.put("[data-testid=own-page-paste] textarea", markup)
    page.press("Show it")
    frame = page.wait(lambda: page.driver.find_element(By.CSS_SELECTOR, "[data-testid=own-page]"))

    def inside() -> tuple[str, str]:
        page.driver.switch_to.frame(frame)
        try:
            part = page.driver.find_element(By.TAG_NAME, "b")
            return part.value_of_css_property("background-color"), page.script(
                "return document.title"
            )
        finally:
            page.driver.switch_to.default_content()

    page.wait(lambda: inside()[0] == "rgba(11, 110, 110, 1)")
    assert inside()[1] == "before"
    page.driver.switch_to.frame(frame)
    night, series = (
        page.driver.find_element(By.TAG_NAME, tag).value_of_css_property("color")
        for tag in ("i", "u")
    )
    page.driver.switch_to.default_content()
    assert [int(each) > 200 for each in re.findall(r"\d+", night)[:3]] == [True] * 3
    second = next(iter(resolve(brinemark()).palettes.values()))[0].rgb8[1]
    assert series == f"rgba({', '.join(map(str, second))}, 1)"
    page.click("[data-testid=token-editor] [aria-label^='flare 600']")
    page.wait(lambda: inside()[0] not in ("rgba(11, 110, 110, 1)", "rgba(0, 0, 0, 0)"))


def test_shares_of_the_specimen_and_of_a_screenshot(page: Page) -> None:
    page.open(f"{AT}?show=specimen")
    page.choose("Shares of nothing", "this specimen")
    page.says("[data-testid=shares]", "by rule of thumb about 60")
    page.says("[data-testid=shares]", "of the accent is on things to act on")
    page.choose("Shares of this specimen", "picture dashboard.png")
    page.says("[data-testid=shares]", "is no token’s color")


def test_a_hue_that_is_used_goes_with_a_replacement_for_each_token(page: Page) -> None:
    page.open("/systems/brinemark/sources?at=hue:heather")
    page.press("Remove")
    page.click("[title*='link.text-visited']")
    page.wait(lambda: not page.all("[data-hue=heather]"))
    page.press("Undo")
    page.find("[data-hue=heather]")
    page.press("Redo")
    page.wait(lambda: not page.all("[data-hue=heather]"))
    page.open("/systems/brinemark/legibility")
    page.find("[data-testid=finding]")
    assert "is gone" not in page.text("main")


def test_tokens_by_keys_alone(page: Page) -> None:
    """From load to a chosen step without a pointer: the first stop in the sheet is a token."""
    page.open(AT)
    page.find("[data-band='surface.page']")
    page.keys("h")
    page.wait(lambda: page.script("return document.activeElement.closest('[data-sheet]') !== null"))
    page.keys(Keys.TAB if page.script("return !document.activeElement.dataset.token") else "")
    page.wait(lambda: page.script("return Boolean(document.activeElement.dataset.token)"))
    page.keys(Keys.ENTER)
    page.find("[data-testid=token-editor]")


_START = """
const done = arguments[arguments.length - 1];
const ask = (at, body) => fetch(at, {
  method: "POST", headers: {"content-type": "application/json"}, body: JSON.stringify(body),
}).then((answer) => answer.json());
(async () => {
  const {slug} = await ask("/api/systems", {name: "Skerry", colors: arguments[0]});
  const at = `/api/systems/${slug}`;
  const proposal = {source: "day", id: "night", scheme: "dark"};
  const plan = await ask(`${at}/theme-proposal`, proposal);
  await ask(`${at}/edits`, {base: 1, edits: [plan.edit], view: {parts: ["head"]}});
  done(slug);
})();
"""

_TEXTS = """
const opaque = (element) => {
  for (let at = element; at; at = at.parentElement) {
    const ground = getComputedStyle(at).backgroundColor;
    if (!/rgba\\(.*, 0\\)/.test(ground)) return ground;
  }
};
const sheet = document.querySelector("[data-specimen]");
const walk = document.createTreeWalker(sheet, NodeFilter.SHOW_TEXT);
const found = [];
while (walk.nextNode()) {
  const element = walk.currentNode.parentElement;
  if (!walk.currentNode.data.trim() || element.closest("svg")) continue;
  const style = getComputedStyle(element);
  const purposes = [];
  for (let at = element; at !== sheet; at = at.parentElement) purposes.push(at.dataset.colors ?? "");
  found.push([walk.currentNode.data, style.color, opaque(element), parseFloat(style.fontSize),
    Number(style.fontWeight), purposes.join(" | ")]);
}
return found;
"""


def levels(css: str) -> list[int]:
    return [int(each) for each in re.findall(r"[\d.]+", css)[:3]]


def test_every_text_of_every_specimen_reads_on_what_it_stands_on_in_a_start(page: Page) -> None:
    """No text stands on a ground that nobody has declared, and falls short there."""
    page.open(AT)
    for brand in ("#0B6E6E", "#E3B23C", "#14181C"):
        slug = page.driver.execute_async_script(_START, brand)
        for theme in ("day", "night"):
            page.open(f"/systems/{slug}/tokens?show=specimen&theme={theme}")
            for shown in ("ticket page", "operations board", "quay display", "all parts"):
                page.wait(lambda: page.all(f"{SHEET} [data-specimen]"))
                now = page.find(f"{SHEET} [data-specimen]").get_attribute("data-specimen")
                now = now.partition(",")[0]
                if now != shown:
                    page.choose(f"Specimen {now}", shown)
                page.wait(lambda shown=shown: page.all(f"{SHEET} [data-specimen^='{shown}']"))
                texts = page.script(_TEXTS)
                assert len(texts) > 5
                for words, ink, ground, size, weight, purposes in texts:
                    if "disabled" in purposes:
                        continue
                    large = size >= 24 or (size >= 18.66 and weight >= 700)
                    reads = float(ratio(np.array(levels(ink)), np.array(levels(ground))))
                    assert reads >= (3.0 if large else 4.5), (
                        f"{words!r} reads {reads:.2f} on {shown} in {theme} of {brand}: {purposes}"
                    )


def test_a_part_that_lacks_its_tokens_says_so_and_adds_them(page: Page) -> None:
    page.open(AT)
    page.script(
        """fetch("/api/systems/brinemark/edits", {
          method: "POST", headers: {"content-type": "application/json"},
          body: JSON.stringify({base: 1, view: {parts: ["head"]},
            edits: [{type: "remove_token", token: "selection-fill"}]}),
        }).then(() => document.body.dataset.gone = "yes")"""
    )
    page.wait(lambda: page.all("body[data-gone]"))
    page.open(f"{AT}?show=specimen")
    page.choose("Specimen ticket page", "all parts")
    page.says("[data-testid=lacking]", "selection.fill")

    def added() -> bool:
        if "selection.fill" not in "".join(page.texts("[data-testid=lacking]")):
            return True
        # What is drawn above may still move the button away from under a click; a second one adds nothing twice.
        for button in page.all("[data-testid=lacking] button"):
            button.click()
        return False

    page.wait(added)
    assert "selection.fill" not in "".join(page.texts("[data-testid=lacking]"))
