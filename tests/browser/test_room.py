"""Room: a work area has the sheet to itself under a strip of what it changes, and gives it back where it stood."""

import pytest
from selenium.webdriver import ActionChains, Keys

from tests.browser.page import Page
from tools.browser import resize

_HEIGHT = "return document.querySelector(arguments[0]).getBoundingClientRect().height"
_LEAST = 320
"""Pixels of height at 1280 by 800 under which nothing is that one works on."""


def _area(page: Page) -> float:
    return page.script(_HEIGHT, "[data-testid=area]")


@pytest.mark.parametrize(
    ("path", "strip"),
    [
        ("sources?area=harmony&at=hue:tidewater", "[data-strip] [data-hue]"),
        ("scales?area=ladder", "[data-strip] [data-row]"),
        ("scales?area=curves&at=hue:tidewater", "[data-strip] [data-row='tidewater']"),
        ("tokens?area=themes", "[data-strip] [aria-label='Grounds'] button"),
        ("legibility?area=told-apart", "[data-strip] [aria-label='Finding']"),
        ("charts?area=one-hue", "[data-strip] [data-palette]"),
        ("releases?area=outputs", "[data-strip]"),
    ],
)
def test_what_one_works_on_has_room_and_what_it_changes_stays_in_sight(
    page: Page, path: str, strip: str
) -> None:
    page.open(f"/systems/brinemark/{path}")
    assert page.find(strip).is_displayed()
    assert _area(page) >= _LEAST
    assert page.script(_HEIGHT, "[data-strip]") < 220


def test_the_divider_brings_the_sheet_back_and_gives_it_away_again(page: Page) -> None:
    page.open("/systems/brinemark/scales?area=overlay&at=step:kelp/s100")
    page.find("[data-strip] [data-row='kelp']")
    tall = _area(page)
    divider = page.find("[role=separator]")
    ActionChains(page.driver).drag_and_drop_by_offset(divider, 0, 200).perform()
    page.wait(lambda: not page.all("[data-strip]"))
    page.find("[data-row='tidewater']")
    assert _area(page) < tall - 100
    set_so = _area(page)
    page.open("/systems/brinemark/scales?area=ladder&at=step:kelp/s100")
    page.open("/systems/brinemark/scales?area=overlay&at=step:kelp/s100")
    page.wait(lambda: abs(_area(page) - set_so) < 2)
    page.find("[role=separator]").send_keys(Keys.HOME)
    page.find("[data-strip] [data-row='kelp']")
    page.wait(lambda: abs(_area(page) - tall) < 2)
    page.find("[role=separator]").send_keys(Keys.ESCAPE)
    page.wait(lambda: not page.all("[data-testid=area]"))


def test_the_sheet_stands_where_it_stood_once_an_area_is_closed(page: Page) -> None:
    resize(page.driver, 1280, 600)
    page.open("/systems/brinemark/legibility")
    page.find("[data-testid=finding-line]")
    stood = page.script(
        "const sheet = document.querySelector('[aria-label=Checks]'); sheet.scrollTop = 160;"
        "return sheet.scrollTop"
    )
    assert stood > 100
    page.press("Every pair")
    page.find("[data-testid=matrix]")
    page.press("Close Every pair")
    page.find("[data-testid=finding]")
    page.wait(
        lambda: (
            page.script("return document.querySelector('[aria-label=Checks]').scrollTop") == stood
        )
    )


def test_findings_are_gone_through_and_settled_in_the_strip(page: Page) -> None:
    page.open("/systems/brinemark/legibility?area=told-apart")
    page.says("[data-strip]", "1 of 11")
    first = page.text("[data-strip] p")
    page.press("Later")
    page.says("[data-strip]", "2 of 11")
    assert page.text("[data-strip] p") != first
    page.press("Earlier")
    page.says("[data-strip] p", first)
    page.wait(lambda: len(page.all("[data-strip] [aria-label*='so that it is settled']")) == 1)
    page.find("[data-strip] [aria-label*='so that it is settled']").click()
    page.wait(lambda: "of 11" not in page.text("[data-strip]"))
    page.press("Undo")
    page.says("[data-strip]", "of 11")


def test_every_name_in_the_matrix_is_whole(page: Page) -> None:
    page.open("/systems/brinemark/legibility?area=matrix")
    page.find("[role=gridcell][data-cell]")
    cut = page.script(
        "return [...document.querySelectorAll('[data-testid=matrix] [role=columnheader],"
        " [data-testid=matrix] [aria-hidden] span')]"
        ".filter(each => each.scrollWidth > each.clientWidth + 1 || each.scrollHeight > each.clientHeight + 1)"
        ".map(each => each.innerText)"
    )
    assert cut == []
    grid = page.find("[role=grid][data-testid=matrix]")
    grid.send_keys(Keys.ARROW_RIGHT)
    page.wait(
        lambda: page.script(
            "const grid = document.querySelector('[role=grid][data-testid=matrix]');"
            "const cell = document.getElementById(grid.getAttribute('aria-activedescendant'));"
            "return cell?.getAttribute('aria-selected') === 'true' && cell.ariaColIndex === '2'"
        )
    )


@pytest.mark.parametrize(
    ("stage", "told"),
    [
        ("sources", "tidewater"),
        ("scales", "tidewater"),
        ("tokens", "tidewater"),
        ("legibility", "status.success"),
        ("charts", "routes 1"),
    ],
)
def test_something_is_always_told_of_in_the_slip(page: Page, stage: str, told: str) -> None:
    page.open(f"/systems/brinemark/{stage}")
    page.says("[data-testid=slip-name]", told)


def test_a_name_that_code_writes_otherwise_says_how(page: Page) -> None:
    page.open("/systems/brinemark/sources?at=hue:kelp")
    assert not page.all("[data-testid=in-code]")
    page.type("Name", "deep kelp", enter=True)
    page.says("[data-testid=in-code]", "--deep-kelp-100")


def test_charts_are_read_as_tables_and_shown_as_such_on_demand(page: Page) -> None:
    page.open("/systems/brinemark/charts?at=palette:routes")
    page.find("[data-testid=figures]")
    row, figure = page.script(
        "const row = document.querySelector('[data-testid=figures] tbody tr');"
        "return [row.querySelector('th').innerText, row.querySelector('td').innerText]"
    )
    assert "–" in row
    assert float(figure) > 0
    assert not page.all("section[aria-label='Figures']")
    page.press("Figures")
    assert page.find("section[aria-label='Figures'] table").is_displayed()
    # What is hidden from the eye makes no room to scroll into.
    page.press("Figures")
    page.wait(lambda: not page.all("section[aria-label='Figures']"))
    assert (
        page.script(
            "const main = document.querySelector('main'); return main.scrollHeight - main.clientHeight"
        )
        == 0
    )


def test_a_change_of_a_token_is_moved_on_its_ramp_as_one_gesture_and_announced(page: Page) -> None:
    page.open("/systems/brinemark/tokens?at=token:link-text-hovered")
    ramp = page.find(
        "[data-testid=token-changes] input[type=range][aria-label='Lightness changed by']"
    )
    page.wait(lambda: "gradient" in ramp.value_of_css_property("background-image"))
    ramp.send_keys(*[Keys.ARROW_LEFT] * 3)
    page.says("[data-testid=token-editor]", "link.text-hovered is tidewater 700, 3 darker")
    page.says("[data-testid=announced]", "Kept: ")
    page.press("Undo")
    page.says("[data-testid=announced]", "Undone: ")
    page.wait(lambda: page.button("Redo").is_enabled())
    page.says("[data-testid=token-editor]", "link.text-hovered is tidewater 700.")
