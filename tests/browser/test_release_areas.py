"""What stands around releases, in the page: names and places, keys and previews, resting, reading an old one, files."""

import urllib.error
import urllib.request
from pathlib import Path

import pytest

from tests.browser.page import Page
from tests.browser.test_accessibility import check, violations

AT = "/systems/brinemark/releases"


def fetched(page: Page, path: str, key: str = "") -> bytes:
    request = urllib.request.Request(
        page.address + path, headers={"Authorization": f"Bearer {key}"} if key else {}
    )
    with urllib.request.urlopen(request, timeout=20) as answer:
        return bytes(answer.read())


def publish(page: Page, version: str) -> None:
    page.open(AT)
    page.type("Version", version)
    page.press(f"Publish {version}")
    page.says("[role=status]", f"{version} is out.")


def test_names_of_the_code_are_read_filled_and_published(page: Page) -> None:
    page.open(f"{AT}?area=outputs")
    page.type("called", "ticket page", enter=True)
    page.field("Code that has the names").send_keys(
        ".late { color: var(--text-late) } :root { --mood: #123456 }"
    )
    page.press("Read the names")
    page.says("[data-testid=names-said]", "1 have nothing yet")
    page.press("Close Names and places")
    page.says("[data-testid=told]", "ticket page has nothing for mood.")
    page.press("Names and places")
    page.type("What goes out as mood", "nothing like it", enter=True)
    page.says("[data-testid=code-names]", "Nothing published is called “nothing like it”.")
    page.type("What goes out as mood", "surface.brand", enter=True)
    page.wait(lambda: "nothing yet" not in page.find("[data-testid=code-names]").text)
    page.press("All others by a pattern")
    page.says("[data-testid=names-said]", "2 names go out")
    check(page)
    publish(page, "1.0.0")
    css = fetched(page, "/feeds/brinemark/1.0.0/names.ticket-page.css").decode()
    assert "--mood: #0B6E6E;" in css
    assert "--text-strong" not in css


def test_places_are_filled_and_moved_by_keys_and_clicks(page: Page) -> None:
    page.open(f"{AT}?area=outputs")
    page.choose("Add one of", "places")
    page.type("called", "quay board", enter=True)
    page.says("[data-testid=places-said]", "12 of 12 places are empty")
    page.type("What stands in place 1", "text.strong", enter=True)
    page.says("[data-testid=places-said]", "11 of 12 places are empty")
    page.type("It is there for", "ink", enter=True)
    page.wait(lambda: page.all("[aria-label='Place 1, ink']"))
    check(page)
    page.press("Later")
    page.wait(lambda: page.all("[aria-label='Place 2, text.strong']"))
    page.press("Undo")
    page.wait(lambda: page.all("[aria-label='Place 1, ink']"))


def test_a_key_is_told_once_opens_the_feed_and_is_revoked(page: Page) -> None:
    publish(page, "1.0.0")
    page.open(f"{AT}?area=feed")
    page.type("Make a key for", "ticket page", enter=True)
    page.says("[data-testid=made-key]", "told this once")
    key = page.find("[data-testid=made-key] code").text
    check(page)
    page.press("Only with a key")
    page.wait(lambda: page.button("Only with a key").get_attribute("aria-checked") == "true")
    with pytest.raises(urllib.error.HTTPError):
        fetched(page, "/feeds/brinemark/latest/tokens.css")
    assert fetched(page, "/feeds/brinemark/latest/tokens.css", key) == fetched(
        page, f"/feeds/brinemark/key/{key}/1/tokens.css"
    )
    page.press("Revoke the key of ticket page")
    page.says("[data-testid=keys]", "revoked")
    with pytest.raises(urllib.error.HTTPError):
        fetched(page, "/feeds/brinemark/latest/tokens.css", key)
    page.type("Put what is here now out as", "Next", enter=True)
    page.says("[data-testid=area]", "A preview’s name is part of its address")
    page.type("Put what is here now out as", "next", enter=True)
    page.says("[data-testid=area]", "/feeds/brinemark/preview-next/tokens.css")


def test_a_site_rests_on_its_company_and_overrides_one_token(page: Page) -> None:
    publish(page, "1.0.0")
    page.open("/systems/merrow-light/releases?area=resting")
    page.says("[data-testid=resting-plan]", "5 hues and ")
    check(page)
    page.press("Rest on it")
    page.says("[data-testid=resting]", "Rests on Brinemark 1.0.0: 5 hues")
    page.open("/systems/merrow-light/sources")
    page.says("main", "Taken from Brinemark 1.0.0.")
    page.open("/systems/merrow-light/tokens?at=token:text-on-board")
    page.says("[data-testid=taken]", "Taken from Brinemark 1.0.0")
    page.type("Or a color, or a name", "#123456", enter=True)
    page.says("main", "override it first to change it here")
    page.press("Override it here")
    page.says("[data-testid=taken]", "Stands in place of what was taken")
    page.type("Or a color, or a name", "#123456", enter=True)
    page.says("[data-testid=slip]", "#123456")
    page.press("Let it be as it was taken")
    page.wait(lambda: "#123456" not in page.find("[data-testid=slip]").text)


def test_an_old_release_is_read_as_it_was_and_nothing_in_it_changes(page: Page) -> None:
    publish(page, "1.0.0")
    page.open("/systems/brinemark/sources?at=hue:tidewater")
    page.type("Color, in any notation", "#304FA0", enter=True)
    page.says("[data-testid=slip]", "#304FA0")
    page.open(AT)
    page.find("a[href*='%401.0.0/scales']").click()
    page.says("[data-testid=released]", "1.0.0 as it was released, to be read")
    page.wait(lambda: "#0B6E6E" in page.find("main").text)
    check(page)
    page.find("[data-step='tidewater/s600'], [aria-label*='tidewater 600']").click()
    page.keys("-")
    page.says("body", "This is 1.0.0 as it was released, and nothing in it changes.")
    page.press("Begin an alternative from it")
    page.wait(lambda: "from-1-0-0" in page.driver.current_url)
    page.wait(lambda: "#0B6E6E" in page.find("main").text)


def test_the_files_of_a_release_come_back_as_a_system(page: Page, tmp_path: Path) -> None:
    publish(page, "1.0.0")
    archive = tmp_path / "package.tgz"
    archive.write_bytes(fetched(page, "/feeds/brinemark/1.0.0/package.tgz"))
    page.open("/")
    page.find("[data-testid=import] input[type=file]").send_keys(str(archive))
    page.says("[data-testid=understood]", "9 scales, 4 palettes, 89 tokens in day, night, quay")
    check(page)
    page.type("Name of this system", "Read again", enter=True)
    page.wait(lambda: page.driver.current_url.endswith("/systems/read-again/tokens"))
    page.says("main", "89 semantic, 3 themes")
    page.open("/systems/read-again/charts")
    page.says("[data-testid=palettes]", "delay")
    page.says("main", "4 palettes")


def test_the_guide_is_shaped_and_looked_at_before_it_is_out(page: Page) -> None:
    page.open(AT)
    page.choose("File tokens.css", "guide.html")
    page.press("oklch")
    page.says("[data-testid=file-text]", "oklch(")
    page.type("Columns of tokens", "3", enter=True)
    page.says("[data-testid=file-text]", "columns:3")
    page.press("Palettes earlier")

    def order() -> list[str]:
        return page.texts("[data-testid=guide-form] [aria-checked=true]")

    page.wait(lambda: order().index("Palettes") < order().index("Tokens"))
    check(page)
    page.driver.get(f"{page.address}/api/systems/brinemark/guide")
    page.says("main", "Tokens")
    assert violations(page) == []
