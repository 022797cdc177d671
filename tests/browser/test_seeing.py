"""Seen as and surround: the whole workspace through other eyes, with colors that the server computed."""

import numpy as np

from heimat.core.color.hex_notation import hex_of
from heimat.core.color.vision import simulate
from tests.browser.page import Page
from tools.browser import resize

AT = "/systems/brinemark/scales?at=hue:kelp"

PAINTED = """return [...document.querySelectorAll('[data-hex]')].map(cell =>
  [cell.dataset.hex, getComputedStyle(cell).backgroundColor.match(/[0-9]+/g).slice(0, 3).map(Number)])"""


def seen(value: str, vision: str, severity: float) -> str:
    levels = np.array(list(bytes.fromhex(value[1:]))) / 255.0
    return hex_of(np.rint(simulate(levels, vision, severity) * 255).astype(np.uint8))


def test_every_step_is_painted_as_the_vision_sees_it(page: Page) -> None:
    for vision, severity in (("protan", 1.0), ("deutan", 0.6), ("tritan", 1.0), ("achromat", 1.0)):
        page.open(f"{AT}&seen={vision}&severity={severity}")
        painted = page.wait(lambda: page.script(PAINTED))
        assert len(painted) == 85
        for value, levels in painted:
            assert hex_of(np.array(levels, dtype=np.uint8)) == seen(value, vision, severity)
    filters = "return [...document.querySelectorAll('*')].filter(e => getComputedStyle(e).filter !== 'none').length"
    assert page.script(filters) == 0


def test_specimen_tokens_and_findings_are_recolored_too(page: Page) -> None:
    page.open("/systems/brinemark/legibility?seen=achromat")
    colors = """return [...document.querySelectorAll('[data-testid=specimen] [data-sample] *')]
      .map(e => getComputedStyle(e).backgroundColor).filter(c => !c.includes('0, 0, 0, 0)'))
      .map(c => c.match(/[0-9]+/g).slice(0, 3))"""
    page.wait(lambda: page.script(colors))
    assert all(len(set(levels)) == 1 for levels in page.script(colors))


def test_keys_and_menus(page: Page) -> None:
    page.open(AT)
    page.leave_fields()
    page.keys("v")
    page.says("header", "protan")
    page.press("Seen as protan")
    page.press("tritan")
    page.says("header", "tritan")
    field = page.find("[aria-label='Severity']")
    field.clear()
    field.send_keys("7\n")
    page.wait(lambda: page.find("[aria-label='Severity']").get_attribute("value") == "1.0")
    page.press("black")
    page.wait(lambda: page.find("main").get_attribute("data-surround") == "black")


def test_small_rooms(page: Page) -> None:
    resize(page.driver, 1024, 768)
    page.open(AT)
    assert not page.all("[data-testid=specimen]")
    page.press("Seen as typical")
    page.press("deutan")
    page.says("header", "deutan")
    resize(page.driver, 640, 400)
    page.open(AT)
    page.says("[data-testid=slip]", "kelp")
    page.press("All about it")
    page.find("[role=slider][aria-label='Chroma']")
    page.choose("Stage Scales", "Legibility, 11 to settle")
    page.says("h1", "Legibility")
    width = page.script("return [document.documentElement.scrollWidth, innerWidth]")
    assert width[0] <= width[1]
