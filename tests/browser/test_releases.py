"""Releases in the page: what breaks and why a version is proposed, rules that stop one, a stylesheet checked."""

from tests.browser.page import Page

AT = "/systems/brinemark/releases"


def published(page: Page, version: str) -> None:
    page.press(f"Publish {version}")
    page.says("[role=status]", f"{version} is out.")


def test_what_breaks_is_told_first_and_two_releases_are_compared(page: Page) -> None:
    page.open(AT)
    published(page, "1.0.0")
    page.open("/systems/brinemark/tokens?at=token:text-late")
    page.type("Name", "text.behind", enter=True)
    page.wait(lambda: page.all("[data-token='text.behind']"))
    page.open(AT)
    page.says("[data-testid=breaks]", "text.late is gone: use text.behind.")
    page.says("main", "Major: text.late will not be found any more.")
    page.press("Draft the notes")
    page.wait(
        lambda: (
            "text.late is called text.behind" in (page.field("Notes").get_attribute("value") or "")
        )
    )
    published(page, "2.0.0")
    page.choose("From 2.0.0", "1.0.0")
    page.choose("to now", "2.0.0")
    page.says("[data-testid=breaks]", "text.late is gone")
    page.choose("File tokens.css", "tokens.scss")
    page.says("[data-testid=file-text]", "$text-behind:")


def test_rules_stop_a_release_until_they_are_met(page: Page) -> None:
    page.open(AT)
    page.press("while findings are open")
    page.says("[data-testid=stops]", "11 findings are open.")
    assert not page.button("Publish 1.0.0").is_enabled()
    page.press("Undo")
    page.wait(lambda: page.button("Publish 1.0.0").is_enabled())


def test_a_stylesheet_is_checked_against_what_is_out(page: Page) -> None:
    page.open(f"{AT}?area=check")
    page.field("Paste a stylesheet").send_keys(
        ".late { color: #DF5A33; fill: var(--text-stong); stroke: #FF00FF }"
    )
    page.press("Check it")
    page.says("[data-testid=check-said]", "Nothing is published yet to check against.")
    page.press("Close Check a stylesheet")
    published(page, "1.0.0")
    page.press("Check a stylesheet")
    page.press("Check it")
    page.says("[data-testid=check-said]", "3 places, against 1.0.0.")
    page.says("[data-testid=checked]", "text.strong is meant")
    page.says("[data-testid=checked]", "none of the release")
    page.button("Download the patch")


def test_what_was_released_is_put_back_thing_by_thing(page: Page) -> None:
    page.open(AT)
    published(page, "1.0.0")
    page.open("/systems/brinemark/sources?at=hue:tidewater")
    page.type("Color, in any notation", "#304FA0", enter=True)
    page.says("[data-testid=slip]", "#304FA0")
    page.open(AT)
    page.press("Go back to it: 1.0.0")
    page.press("Put back tidewater as it was in 1.0.0")
    page.says("[data-testid=since]", "Nothing is otherwise since.")
    page.type("Begin an alternative from 1.0.0, called", "calm", enter=True)
    page.wait(lambda: "/systems/brinemark~calm/scales" in page.driver.current_url)
