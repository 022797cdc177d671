"""Two browsers on one system; and a database that goes away."""

from collections.abc import Iterator
from pathlib import Path

import pytest
from selenium.webdriver import Chrome, Keys

from heimat.local.mariadb import LocalMariaDB
from tests.browser.conftest import fresh
from tests.browser.page import Page
from tools.browser import browser
from tools.running import RunningHeimat

AT = "/systems/brinemark/sources?at=hue:kelp"


@pytest.fixture(scope="module")
def second_chromium() -> Iterator[Chrome]:
    with browser() as driver:
        yield driver


@pytest.fixture
def tomke(page: Page, second_chromium: Chrome) -> Page:
    """A second browser, in which the data designer acts."""
    other = fresh(Page(second_chromium, page.address))
    other.open(AT)
    other.click("[aria-label*='acting as']")
    other.press("Tomke Rasch")
    other.find("[aria-label='TR: acting as Tomke Rasch']")
    return other


def hues(page: Page) -> list[str]:
    return page.script(
        "return [...document.querySelectorAll('[data-hue]')].map(band => band.dataset.hue)"
    )


def value(page: Page, hue: str) -> str:
    return page.find(f"[data-hue='{hue}']").get_attribute("data-value")


def test_each_undoes_their_own(page: Page, tomke: Page) -> None:
    page.open(AT)
    page.type("Name", "weed", enter=True)
    page.find("[data-hue=weed]")
    tomke.find("[data-hue=weed]")  # seen without a reload
    tomke.click("[data-hue=heather]")
    tomke.wait(lambda: tomke.field("Name").get_attribute("value") == "heather")
    tomke.type("Color, in any notation", "#775599", enter=True)
    tomke.wait(lambda: value(tomke, "heather") == "#775599")
    page.wait(lambda: value(page, "heather") == "#775599")
    # What can be undone is kept across a reload, per person.
    page.open(AT)
    assert page.button("Undo").get_attribute("title") == "Undo: Rename kelp to weed"
    assert tomke.button("Undo").get_attribute("title") == "Undo: Set heather to #775599"
    page.press("Undo")
    page.find("[data-hue=kelp]")
    assert value(page, "heather") == "#775599"
    tomke.press("Undo")
    tomke.wait(lambda: value(tomke, "heather") == "#8A6FA8")
    tomke.find("[data-hue=kelp]")
    page.press("Brinemark")
    page.says("[data-testid=history]", "Tomke Rasch")


def test_a_collision_tells_both_and_loses_neither(page: Page, tomke: Page) -> None:
    page.open(AT)
    # Hold the second browser's polling, so that it edits an older revision, as on a slow line.
    tomke.driver.execute_cdp_cmd("Network.enable", {})
    tomke.driver.execute_cdp_cmd("Network.setBlockedURLs", {"urls": ["*/head"]})
    page.type("Name", "weed", enter=True)
    page.find("[data-hue=weed]")
    tomke.type("Name", "moss", enter=True)
    tomke.says(
        "[data-testid=notice]", "Ines Vahl has changed the same since: “Rename kelp to weed”"
    )
    tomke.says("[data-testid=notice]", "Yours was “Rename kelp to moss”")
    tomke.find("[data-hue=weed]")
    tomke.press("Apply mine on top")
    tomke.find("[data-hue=moss]")
    page.find("[data-hue=moss]")
    tomke.driver.execute_cdp_cmd("Network.setBlockedURLs", {"urls": []})


@pytest.fixture
def own(tmp_path: Path) -> Iterator[tuple[LocalMariaDB, RunningHeimat]]:
    """An application on a database that may be stopped."""
    database = LocalMariaDB(tmp_path)
    database.start()
    heimat = RunningHeimat(database)
    heimat.start()
    yield database, heimat
    heimat.stop()
    database.stop()


def test_the_database_goes_away_and_comes_back(
    own: tuple[LocalMariaDB, RunningHeimat], chromium: Chrome
) -> None:
    database, heimat = own
    page = fresh(Page(chromium, heimat.address))
    page.open(AT)
    page.find("[data-testid=hue-editor]")
    database.stop()
    page.type("Name", "weed", enter=True)
    page.says("[data-testid=away]", "The database is away")
    assert page.field("Name").get_attribute("value") == "weed"
    # What is done meanwhile is shown as it will be, and told to wait.
    page.type("Color, in any notation", "#2F7F3F", enter=True)
    page.says("[data-hue=weed]", "waiting")
    assert value(page, "weed") == "#2F7F3F"
    database.start()
    page.wait(lambda: not page.all("[data-testid=away]"))
    page.wait(lambda: "waiting" not in page.text("[data-hue=weed]"))
    page.open(AT)
    page.find("[data-hue=weed]")


def test_what_somebody_types_stays_beside_what_another_has_put_there(
    page: Page, tomke: Page
) -> None:
    page.open(AT)
    tomke.click("[data-hue=kelp]") if not tomke.all("[data-testid=hue-editor]") else None
    field = tomke.field("Name")
    field.send_keys(" bed")
    page.type("Name", "weed", enter=True)
    tomke.says("[data-testid=hue-editor]", "Changed meanwhile to “weed”")
    assert field.get_attribute("value") == "kelp bed"
    tomke.leave_fields()
    tomke.find("[data-hue=weed]")
    # An Enter right then was meant for what stood there before; once it can have been read, it replaces that.
    tomke.field("Name").send_keys(Keys.ENTER)

    def replaced() -> bool:
        tomke.field("Name").send_keys(Keys.ENTER)
        return bool(page.all("[data-hue='kelp bed']"))

    page.wait(replaced)


def test_a_removal_by_another_is_said_with_the_way_back(page: Page, tomke: Page) -> None:
    page.open(AT)
    page.press("Remove")
    page.press("Remove kelp")
    tomke.says("[data-testid=notice]", "Ines Vahl has removed kelp.")
    tomke.press("Bring it back")
    tomke.find("[data-hue=kelp]")
    page.find("[data-hue=kelp]")
    assert (
        tomke.button("Undo")
        .get_attribute("title")
        .startswith("Undo: Bring back what Ines Vahl changed")
    )


def test_half_typed_words_survive_a_removal_and_its_return(page: Page, tomke: Page) -> None:
    page.open(AT)
    tomke.click("[data-hue=kelp]") if not tomke.all("[data-testid=hue-editor]") else None
    tomke.type("Origin and reason", "from the shore at low t")
    page.press("Remove")
    page.press("Remove kelp")
    tomke.says("[data-testid=notice]", "Ines Vahl has removed kelp.")
    tomke.press("Bring it back")
    tomke.find("[data-hue=kelp]")
    tomke.wait(lambda: tomke.click("[data-hue=kelp]") or tomke.all("[data-testid=hue-editor]"))
    tomke.wait(
        lambda: tomke.field("Origin and reason").get_attribute("value") == "from the shore at low t"
    )
    tomke.field("Origin and reason").send_keys("ide", Keys.ENTER)
    page.click("[data-hue=kelp]")
    page.wait(
        lambda: (
            page.field("Origin and reason").get_attribute("value") == "from the shore at low tide"
        )
    )


def test_what_cannot_be_undone_is_said_and_passed_over(page: Page, tomke: Page) -> None:
    page.open(AT)
    page.type("Color, in any notation", "#3F8F50", enter=True)
    page.wait(lambda: value(page, "kelp") == "#3F8F50")
    page.press("Remove")
    page.press("Remove kelp")
    tomke.says("[data-testid=notice]", "Ines Vahl has removed kelp.")
    tomke.press("Bring it back")
    page.find("[data-hue=kelp]")
    page.press("Undo")
    page.says("[data-testid=notice]", "Tomke Rasch has changed the same since")
    page.press("Leave it, and undo what was before")
    page.wait(lambda: page.all("[data-hue=kelp]") and value(page, "kelp") == "#3F8F4F")


def test_a_theme_that_goes_under_ones_hands_is_said_and_another_is_chosen(
    page: Page, tomke: Page
) -> None:
    tomke.open("/systems/brinemark/tokens?theme=night")
    tomke.find("[data-testid=slip]")
    page.open("/systems/brinemark/tokens?area=themes")
    page.press("Remove night")
    tomke.says(
        "[data-testid=notice]", "The theme night is there no more: it was removed. This is day."
    )
    tomke.wait(lambda: "theme=night" not in tomke.driver.current_url)


def test_the_second_who_publishes_keeps_the_notes(page: Page, tomke: Page) -> None:
    for each in (page, tomke):
        each.open("/systems/brinemark/releases")
        each.wait(lambda each=each: each.button("Publish 1.0.0").is_enabled())
    page.type("Notes", "of Ines")
    tomke.type("Notes", "of Tomke, long and thought through")
    page.press("Publish 1.0.0")
    page.says("[role=status]", "1.0.0 is out.")
    tomke.press("Publish 1.0.0")
    tomke.wait(lambda: tomke.all("[data-testid=release]"))
    assert tomke.field("Notes").get_attribute("value") == "of Tomke, long and thought through"


def test_taking_over_compares_three_ways(page: Page, tomke: Page) -> None:
    """What both have changed since is shown with both values, and no newer work goes with what is taken unasked."""
    page.open("/systems/brinemark/tokens?area=alternatives")
    page.type("A new alternative, from what stands here", "calmer", enter=True)
    page.says("[data-testid=alternatives]", "calmer")
    tomke.open("/systems/brinemark~calmer/sources?at=hue:kelp")
    tomke.type("Color, in any notation", "#3F8F60", enter=True)
    tomke.wait(lambda: value(tomke, "kelp") == "#3F8F60")
    tomke.click("[data-hue=heather]")
    tomke.wait(lambda: tomke.field("Name").get_attribute("value") == "heather")
    tomke.type("Color, in any notation", "#775599", enter=True)
    tomke.wait(lambda: value(tomke, "heather") == "#775599")
    page.open(AT)
    page.type("Color, in any notation", "#3F8F70", enter=True)
    page.wait(lambda: value(page, "kelp") == "#3F8F70")
    page.click("[data-hue=gorse]")
    page.wait(lambda: page.field("Name").get_attribute("value") == "gorse")
    page.type("Name", "furze", enter=True)
    page.find("[data-hue=furze]")
    page.open("/systems/brinemark/tokens?area=alternatives")
    page.says("[data-testid=changed-both]", "color: #3F8F70 here, #3F8F60 there")
    page.says("[data-testid=changed-here]", "furze")
    page.says("[data-testid=changed-there]", "heather")
    page.press("Take over the 1 changed there")
    page.wait(lambda: not page.all("[data-testid=changed-there]"))
    page.open(AT)
    page.wait(lambda: value(page, "heather") == "#775599")
    assert value(page, "kelp") == "#3F8F70"
    assert page.all("[data-hue=furze]")
