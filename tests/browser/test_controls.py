"""How much asks for attention at once: the controls that are in sight, by what they are to a browser."""

import pytest

from tests.browser.page import Page

_AT_REST, _CHOSEN = 60, 90
"""The most controls in sight on a stage at 1280 by 800 pixels, and with a thing chosen; colors are not counted."""
_IN_SIGHT = """
const CONTROLS = 'button, a[href], input, select, textarea, [role=slider], [role=tab], [role=spinbutton]';
const COLORS = '[data-hex], [data-token], [data-drag], [data-place], [data-category], [data-vision] *,'
  + ' [data-sheet] [data-key]';
const reached = each => {
  const at = each.getBoundingClientRect();
  const [x, y] = [at.x + at.width / 2, at.y + at.height / 2];
  if (at.width < 2 || at.height < 2 || x < 0 || y < 0 || x > innerWidth || y > innerHeight) return false;
  const top = document.elementFromPoint(x, y);
  return top !== null && (each.contains(top) || top.contains(each));
};
return [...document.querySelectorAll(CONTROLS)]
  .filter(each => !each.disabled && !each.matches(COLORS) && reached(each))
  .map(each => each.getAttribute('aria-label') || each.innerText || each.tagName);
"""


@pytest.mark.parametrize(
    "stage", ["sources", "scales", "tokens", "legibility", "charts", "releases"]
)
def test_a_stage_asks_for_few_things_at_once(page: Page, stage: str) -> None:
    page.open(f"/systems/brinemark/{stage}")
    page.find("[aria-label='Work areas'] button")
    found = page.script(_IN_SIGHT)
    assert "Undo" not in found, "what cannot be pressed is not counted"
    assert {"Sources", "Scales"} <= set(found)
    assert len(found) <= _AT_REST, found


@pytest.mark.parametrize(
    "path",
    ["sources?at=hue:tidewater", "tokens?at=token:text-late", "charts?at=palette:routes/routes-1"],
)
def test_a_chosen_thing_brings_no_crowd(page: Page, path: str) -> None:
    page.open(f"/systems/brinemark/{path}")
    page.find("[data-testid=slip] [role=slider]")
    found = page.script(_IN_SIGHT)
    assert len(found) <= _CHOSEN, found


def test_no_stage_has_more_than_seven_openers_and_the_open_one_is_told(page: Page) -> None:
    def places() -> list[float]:
        return page.script(
            "return [...document.querySelectorAll(\"[aria-label='Work areas'] button\")]"
            ".map(each => each.getBoundingClientRect().left)"
        )

    for stage in ("sources", "scales", "tokens", "legibility", "charts", "releases"):
        page.open(f"/systems/brinemark/{stage}")
        openers = page.wait(lambda: page.texts("[aria-label='Work areas'] button"))
        assert 3 < len(openers) <= 7, openers
        before = places()
        page.press(openers[0])
        page.find("[data-testid=area]")
        assert places() == before, "opening one moves no other"
        page.press(openers[-1])
        page.says("[aria-label='Work areas'] [aria-pressed=true]", openers[-1])
        assert len(page.all("[aria-label='Work areas'] [aria-pressed=true]")) == 1
        page.press("Close")
        page.wait(lambda: not page.all("[data-testid=area]"))
        assert page.script("return document.activeElement.innerText") == openers[-1]
