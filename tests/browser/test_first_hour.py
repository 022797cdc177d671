"""The first hour: what a start made and what comes next, help that is searched, and systems as a whole."""

from selenium.webdriver import Keys

from tests.browser.page import Page

_FOCUSED = "return document.activeElement?.dataset?.hue ?? ''"


def test_a_start_says_what_it_made_and_what_comes_next(page: Page) -> None:
    page.open("/")
    page.type("Name", "Skerry light")
    page.type("Brand colors", "lantern #7A3E9D")
    page.press("Start")
    page.wait(lambda: page.script(_FOCUSED) == "lantern")
    page.says("[data-testid=next]", "Start made")
    told = page.text("[data-testid=next]")
    hues = page.all("[data-sheet] [data-hue]")
    assert f"{len(hues)} hues (brand lantern; status" in told
    assert "57 tokens and 1 theme." in told
    assert told.count("Next:") == 1
    page.press("Hide what is next")
    page.wait(lambda: not page.all("[data-testid=next]"))
    page.leave_fields()
    page.keys("2")
    page.says("[data-testid=next]", "look whether every row runs evenly")
    page.driver.refresh()
    page.says("h1", "Scales")
    page.leave_fields()
    page.keys("1")
    page.says("h1", "Sources")
    page.find("[data-sheet] [data-hue]")
    assert not page.all("[data-testid=next]"), "what was closed stays closed"


def test_help_is_searched_and_leads_to_areas(page: Page) -> None:
    page.open("/systems/brinemark/scales")
    page.find("[data-key]")
    page.keys("?")
    search = page.find("[aria-label='Search the help']")
    everything = len(page.texts("[data-testid=help] dt"))
    search.send_keys("translucent")
    page.wait(lambda: len(page.texts("[data-testid=help] dt")) < everything)
    assert page.texts("[data-testid=help] dt") == ["Overlay"]
    page.click("[data-testid=help] dt button")
    page.find("section[aria-label='Work area: Overlay and solid']")
    page.wait(lambda: page.script("return document.activeElement.dataset.testid") == "area")
    page.keys(Keys.ESCAPE, "?")
    page.find("[aria-label='Search the help']").send_keys("no such word")
    page.says("[data-testid=help]", "Nothing here speaks of “no such word”.")


def test_commands_are_found_by_their_words(page: Page) -> None:
    page.open("/systems/brinemark/scales")
    page.find("[data-key]")
    page.keys("/")
    page.find("[aria-label='Find a color, a token, a place or a command']").send_keys(
        "next vision", Keys.ENTER
    )
    page.wait(lambda: "seen=protan" in page.driver.current_url)


def test_a_word_of_our_own_is_explained_where_it_stands(page: Page) -> None:
    page.open("/systems/brinemark/scales")
    page.find("[aria-label='Promises'] button").click()
    page.wait(lambda: any("so many labels apart" in each for each in page.texts("[role=tooltip]")))
    page.keys(Keys.ESCAPE)
    page.wait(lambda: not any(page.script(_SHOWN)))


_SHOWN = """return [...document.querySelectorAll('[role=tooltip]')]
.map(each => each.matches('[aria-expanded=true] + *'))"""


def test_systems_are_duplicated_put_away_and_brought_back(page: Page) -> None:
    page.open("/")
    page.says("[data-system=brinemark]", "to settle")
    page.press("Duplicate Brinemark")
    page.wait(lambda: "/systems/brinemark-copy/sources" in page.driver.current_url)
    page.says("[data-sheet]", "tidewater")
    page.open("/")
    page.find("[data-system=brinemark-copy]")
    assert page.all("[data-system]")[0].get_attribute("data-system") == "brinemark-copy", (
        "what was changed last stands first"
    )
    page.press("Put away Brinemark copy")
    page.wait(lambda: not page.all("[data-system=brinemark-copy]"))
    page.press("Show 1 put away")
    page.press("Bring back Brinemark copy")
    page.wait(
        lambda: page.all("[data-system=brinemark-copy]") and not page.all("[aria-label='Put away']")
    )


def test_from_nothing_to_a_version_in_few_tabs_and_never_on_the_page_itself(page: Page) -> None:
    page.open("/")
    tabs = 0

    def tab_to(words: str) -> None:
        nonlocal tabs
        for _ in range(20):
            page.keys(Keys.TAB)
            tabs += 1
            if page.script(_ON).startswith(words):
                return
        raise AssertionError(f"{words} is not reached: {page.script(_ON)}")

    def on_stage(key: str, title: str) -> None:
        page.keys(key)
        page.says("h1", title)
        page.wait(lambda: page.script(_IN_SHEET))

    page.find("[data-system]")
    tab_to("Name")
    page.keys("Skerry light")
    tab_to("Brand colors")
    page.keys("lantern #7A3E9D, ember #E8A33D".replace(", ", "\n"))
    tab_to("Start")
    page.keys(Keys.ENTER)
    page.wait(lambda: page.script(_FOCUSED) == "lantern")
    for key, title in (("2", "Scales"), ("3", "Tokens"), ("4", "Legibility")):
        on_stage(key, title)
    on_stage("5", "Charts")
    on_stage("6", "Releases")
    page.button("Publish 1.0.0")
    tab_to("Publish 1.0.0")
    page.keys(Keys.ENTER)
    page.says("[role=status]", "1.0.0 is out.")
    assert tabs <= 20, (
        "what is counted is less than the 35 that are allowed for a job with findings"
    )


_IN_SHEET = "return document.activeElement.closest('[data-sheet]') !== null"
_ON = """const at = document.activeElement;
return at.getAttribute('aria-label') || at.labels?.[0]?.innerText || at.innerText || at.tagName"""
