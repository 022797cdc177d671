"""axe-core on every screen, in light and dark; only samples that show a pair as it is are left out."""

import json
from pathlib import Path

import pytest
from selenium.webdriver import Keys

from heimat.local.install import PAGE, WEB
from tests.browser.page import Page
from tools.browser import resize

AXE = (WEB / "node_modules" / "axe-core" / "axe.min.js").read_text()
RUN = """
const done = arguments[0];
axe.run({exclude: [['[data-sample]']]}, {
  runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'],
  resultTypes: ['violations'],
}).then(
  found => done(found.violations.map(
    rule => [rule.id, rule.nodes.slice(0, 3).map(node => node.html.slice(0, 160) + ' ' + node.failureSummary)])),
  error => done([['error', String(error)]]))
"""
SMALL = """
return [...document.querySelectorAll('button, a, input, [role=slider], [role=gridcell]')]
  .filter(e => e.offsetParent !== null && !e.closest('[data-sample]'))
  .map(e => [e.outerHTML.slice(0, 120), e.getBoundingClientRect()])
  .filter(([, box]) => box.width > 0 && (box.width < 24 || box.height < 24))
  .map(([html, box]) => `${html} ${box.width}x${box.height}`)
"""

# Every two controls have two names, or a voice could not say which is meant.
TWICE = """
const name = e => e.getAttribute('aria-label')
  || (e.getAttribute('aria-labelledby') || '')
    .split(' ').map(id => document.getElementById(id)?.textContent || '').join(' ').trim()
  || [...(e.labels || [])].map(label => label.textContent).join(' ').trim()
  || e.textContent.trim().replace(/\\s+/g, ' ') || e.title;
const controls = 'button, a[href], input, textarea, select, [role=slider], [role=gridcell]';
const names = [...document.querySelectorAll(controls)].filter(e => e.getClientRects().length > 0).map(name);
return names.filter((each, place) => !each || names.indexOf(each) !== place);
"""

# What shows that a work area has its answer.
AREA_READY = (
    "[data-testid=ladder-rows], [data-curve], [data-testid=selections],"
    " [data-method], [data-overlay], [data-testid=measures],"
    " [data-testid=partners], [data-testid=even-words], [data-mix], [data-main], [data-status],"
    " [data-testid=add-token], [data-testid=theme-proposal] button, [data-testid=renaming], [data-testid=refill],"
    " [data-testid=alternatives] button, [data-testid=split],"
    " [data-testid=mending], [data-testid=uses], [data-cell], [data-testid=severity], [data-testid=standing-field],"
    " [data-testid=condition], [data-testid=behind], [data-testid=merging], [aria-label='Pairings'] table,"
    " [data-testid=report], [data-testid=reaches] [role=radio], [aria-label='Hues on the way'],"
    " [data-testid=partners-found] button, [data-testid=glance], [data-testid=other-colors], [data-testid=check-said],"
    " [data-testid=resting] p, [data-testid=keys], [data-testid=no-outputs],"
    " [data-testid=area] textarea,"
    " [data-testid=area] input[type=file][accept*=svg],"
    " [data-set], [data-testid=plan], [data-testid=area] [aria-label^='The scale of the neutral']"
)
SCREENS = [
    "/",
    "/systems/brinemark/sources",
    "/systems/brinemark/sources?at=hue:buoy",
    "/systems/brinemark/scales?at=step:gorse/s300",
    "/systems/brinemark/scales?at=step:shingle/s150&seen=deutan&ground=black",
    "/systems/brinemark/tokens?at=token:text-late",
    "/systems/brinemark/tokens?at=token:chart-series-1&theme=night",
    "/systems/brinemark/tokens?show=swatches",
    "/systems/brinemark/tokens?show=specimen",
    "/systems/brinemark/legibility",
    "/systems/brinemark/releases",
    "/systems/brinemark/charts?at=palette:routes/routes-3",
    "/systems/brinemark/charts?at=palette:delay&theme=night",
    "/systems/merrow-light/charts",
    "/systems/merrow-light/legibility",
    "/systems/nowhere/sources",
]

# Work areas are built of the same parts, so each is looked at in one chrome, in turn.
AREAS = (
    [
        (f"/systems/brinemark/sources?at=hue:buoy&area={area}", "light" if place % 2 else "dark")
        for place, area in enumerate(
            ("harmony", "even", "mix", "picture", "status", "neutral", "gallery", "text")
        )
    ]
    + [
        (f"/systems/brinemark/scales?at=hue:tidewater&area={area}", chrome)
        for area, chrome in (
            ("ladder", "light"),
            ("method", "dark"),
            ("curves", "light"),
            ("scale", "light"),
            ("overlay", "dark"),
            ("fewer", "dark"),
            ("curves&show=scale", "dark"),
            ("scale&show=column", "light"),
        )
    ]
    + [
        (f"/systems/brinemark/tokens?at={at}&area={area}", chrome)
        for area, at, chrome in (
            ("add-tokens", "hue:kelp", "dark"),
            ("themes", "hue:kelp", "light"),
            ("names", "hue:kelp", "dark"),
            ("rules", "token:text-faint", "light"),
            ("alternatives", "hue:kelp", "dark"),
            ("standing", "token:action-main-fill", "light"),
        )
    ]
    + [
        (f"/systems/brinemark/legibility?at=token:text-late&area={area}", chrome)
        for area, chrome in (
            ("mend", "dark"),
            ("two-colors", "light"),
            ("matrix", "dark"),
            ("told-apart", "light"),
            ("standing-here", "dark"),
            ("conditions", "light"),
            ("text-on-picture", "dark"),
            ("pictures-seen", "light"),
            ("drawing", "dark"),
            ("pairings", "light"),
            ("report", "dark"),
        )
    ]
    + [
        (f"/systems/brinemark/charts?at=palette:{at}&area={area}", chrome)
        for area, at, chrome in (
            ("generate", "routes/routes-2", "light"),
            ("from-a-set", "fares", "dark"),
            ("one-hue", "load/2", "light"),
            ("two-ends", "delay", "dark"),
            ("in-use", "routes", "light"),
            ("glance", "routes", "light"),
        )
    ]
    + [
        (f"/systems/brinemark/releases?area={area}", chrome)
        for area, chrome in (
            ("check", "dark"),
            ("outputs", "light"),
            ("feed", "dark"),
            ("resting", "light"),
        )
    ]
)


def violations(page: Page) -> list:
    if not page.script("return 'axe' in window"):
        page.script(AXE)
    return page.driver.execute_async_script(RUN)


def check(page: Page) -> None:
    found = violations(page)
    assert found == [], json.dumps(found, indent=1)
    assert page.script(TWICE) == []


@pytest.mark.parametrize("path", SCREENS)
def test_nothing_is_found_in_light_and_in_dark(page: Page, path: str) -> None:
    page.open(path)
    page.says("body", "no system" if "nowhere" in path else "Heimat")
    page.wait(lambda: path == "/" or "nowhere" in path or page.all("[data-testid=slip]"))
    check(page)
    page.click("[aria-label*='acting as']")
    page.press("Dark interface")
    page.find(".dark")
    page.keys(Keys.ESCAPE)
    page.wait(lambda: not page.all("[role=menu][data-state=open]"))
    check(page)
    # The guidelines allow small targets with room around them; here none is small.
    assert page.script(SMALL) == []


@pytest.mark.parametrize(("path", "chrome"), AREAS)
def test_nothing_is_found_in_work_areas(page: Page, path: str, chrome: str) -> None:
    kept = {
        "state": {"chrome": chrome, "surround": "white" if chrome == "light" else "black"},
        "version": 0,
    }
    page.script("localStorage.setItem('heimat', arguments[0])", json.dumps(kept))
    page.open(path)
    page.wait(lambda: page.all(AREA_READY))
    check(page)
    assert page.script(SMALL) == []


def test_nothing_is_found_on_gray_in_menus_sheets_and_small_rooms(page: Page) -> None:
    page.open("/systems/brinemark/scales?at=hue:kelp")
    page.press("mid-gray")
    check(page)
    page.press("Brinemark")
    page.find("[data-testid=history]")
    check(page)
    page.open("/systems/brinemark/tokens")
    page.press("Add")
    page.find("[data-testid=add-token]")
    check(page)
    page.leave_fields()
    page.keys("?")
    page.find("[role=dialog]")
    check(page)
    resize(page.driver, 640, 400)
    page.open("/systems/brinemark/scales?at=hue:kelp")
    page.press("All about it")
    check(page)


def test_a_failing_pair_in_the_chrome_is_caught(page: Page) -> None:
    page.open("/systems/brinemark/legibility")
    check(page)
    page.script("document.querySelector('h1').style.color = '#BBBBBB'")
    assert "color-contrast" in [found[0] for found in violations(page)]


def test_fonts_and_scripts_come_with_the_application(page: Page) -> None:
    page.open("/systems/brinemark/scales")
    names = page.script("return performance.getEntriesByType('resource').map(entry => entry.name)")
    assert names
    assert all(name.startswith(page.address) for name in names)
    assert page.script("return document.fonts.check(`13px 'Atkinson Hyperlegible Next Variable'`)")
    built = Path(PAGE / "index.html").read_text()
    assert "http" not in built.replace("http://www.w3.org", "")


def test_nothing_is_found_in_the_guide_of_a_release_and_on_the_page_of_a_feed(page: Page) -> None:
    page.open("/systems/brinemark/releases")
    page.press("Publish 1.0.0")
    page.says("[role=status]", "1.0.0 is out.")
    for path in ("/feeds/brinemark/1.0.0/guide.html", "/feeds/brinemark/"):
        page.driver.get(page.address + path)
        for scheme in ("light", "dark"):
            media = {"features": [{"name": "prefers-color-scheme", "value": scheme}]}
            page.driver.execute_cdp_cmd("Emulation.setEmulatedMedia", media)
            check(page)
        # On a phone nothing is scrolled sideways, and no value is broken.
        resize(page.driver, 390, 844)
        assert page.script("return document.documentElement.scrollWidth") == 390
        broken = (
            "return [...document.querySelectorAll('td code')]"
            ".filter(each => each.getClientRects().length > 1).map(each => each.innerText)"
        )
        assert page.script(broken) == []
        resize(page.driver, 1280, 800)
    page.driver.execute_cdp_cmd("Emulation.setEmulatedMedia", {"features": []})


@pytest.mark.parametrize(
    ("chrome", "surround"), [("dark", "white"), ("dark", "gray"), ("light", "black")]
)
def test_nothing_is_found_where_the_sheet_is_of_another_light_than_the_chrome(
    page: Page, chrome: str, surround: str
) -> None:
    kept = {"state": {"chrome": chrome, "surround": surround}, "version": 0}
    page.script("localStorage.setItem('heimat', arguments[0])", json.dumps(kept))
    page.open("/systems/brinemark/tokens?area=alternatives")
    page.type("A new alternative, from what stands here", "calmer", enter=True)
    page.press("Share calmer by a link")
    page.find("[data-testid=share-link]")
    check(page)
    for path in (
        "legibility?area=report",
        "releases?area=outputs",
        "sources?at=hue:kelp",
        "charts?at=palette:routes",
    ):
        page.open(f"/systems/brinemark/{path}")
        page.find("[data-testid=slip]")
        check(page)
