"""Quick presses on every number field there is, while answers take their time: each counts, and nothing falls back."""

from collections.abc import Iterator
from contextlib import contextmanager

import pytest

from tests.browser.page import Page

AT = "/systems/brinemark"
PRESSES = 10
# Each place where a number is put, by its address and its field.
FIELDS = [
    ("sources?at=hue:shingle", "Strength of the tint, as a number"),
    ("sources?at=hue:buoy", "Lightness, as a number"),
    ("sources?at=hue:buoy&area=even", "Chroma of the even set, as a number"),
    ("sources?at=hue:buoy&area=mix", "Between, as a number"),
    ("scales?at=hue:tidewater&area=ladder", "L* aimed at by 500"),
    ("scales?at=hue:tidewater&area=curves", "Lightness on the way to the light end, as a number"),
    ("scales?at=hue:tidewater&area=curves", "Hue drift, light end, as a number"),
    ("scales?at=hue:tidewater&area=fewer", "Steps of the smaller ladder"),
    ("scales?at=hue:tidewater&area=overlay", "Alpha, as a number"),
    ("tokens?at=token:text-late", "Lightness changed by, as a number"),
    ("tokens?at=token:text-late", "Opaque in percent, as a number"),
    ("legibility?area=matrix", "Our aim"),
    ("legibility?area=told-apart", "Threshold of status"),
    ("legibility?area=conditions", "Reader: age of the lens, years"),
    ("legibility?area=conditions", "Light: veiling, cd/m²"),
    ("legibility?area=text-on-picture", "Size of the text, px"),
    ("legibility?area=text-on-picture", "Share that may fall short, percent"),
    ("legibility?area=pictures-seen", "Distance that neighbors are to keep, CIEDE2000"),
    ("legibility?at=token:text-late&area=two-colors", "L* of the foreground"),
    ("charts?at=palette:routes", "How far apart the palette asks its colors to be"),
    ("charts?at=palette:delay", "The value at the middle"),
    ("charts?at=palette:load", "L* of the dark end"),
    (
        "charts?at=palette:load",
        "Where stop 1 stands, from 0 at the light end to 100 at the dark one",
    ),
    ("charts?at=palette:routes&area=generate", "Contrast on the ground"),
    ("releases", "CIEDE2000 below which a change of color is a patch"),
]
# What only looks, and keeps nothing, makes no revision.
LOOKING = (
    "even",
    "mix",
    "ladder",
    "fewer",
    "overlay",
    "text-on-picture",
    "pictures-seen",
    "two-colors",
    "generate",
)
WATCH = """
window.asking = 0; window.kept = 0; window.seen = [];
const ask = window.fetch;
window.fetch = async (...given) => {
  window.asking += 1;
  const request = given[0];
  if (request instanceof Request && request.method === 'POST' && request.url.endsWith('/edits')) window.kept += 1;
  await new Promise(done => setTimeout(done, LATENCY));
  try { return await ask(...given); } finally { window.asking -= 1; window.answered = performance.now(); }
};
"""
PRESS = """
const [label, key, count] = arguments, done = arguments[arguments.length - 1];
const field = () => [...document.querySelectorAll('[role=spinbutton]')].find(each => each.ariaLabel === label);
const shown = [field().value];
field().focus();
(async () => {
  for (let turn = 0; turn < count; turn += 1) {
    for (const type of ['keydown', 'keyup'])
      field().dispatchEvent(new KeyboardEvent(type, {key, bubbles: true, cancelable: true}));
    await new Promise(next => setTimeout(next, 15));
    shown.push(field().value);
  }
  window.answered = performance.now();
  window.watching = setInterval(() => window.seen.push(field()?.value), 5);
  done(shown);
})();
"""
NUMBER = "[role=spinbutton][aria-label={!r}]"


@contextmanager
def slow(page: Page, latency: int) -> Iterator[None]:
    """A page whose server answers so many milliseconds later."""
    with page.with_script(WATCH.replace("LATENCY", str(latency))):
        yield


def reads(page: Page, label: str, text: str) -> None:
    page.wait(lambda: page.find(NUMBER.format(label)).get_attribute("value") == text)


def number_of(text: str) -> float:
    return float(text.rstrip("°%px \N{NO-BREAK SPACE}"))


def latencies(long: bool) -> tuple[int, ...]:
    return (20, 90, 300) if long else (90,)


@pytest.mark.parametrize(("path", "label"), FIELDS)
def test_every_press_counts_and_no_answer_sets_a_field_back(
    page: Page, path: str, label: str, long: bool
) -> None:
    for latency in latencies(long):
        with slow(page, latency):
            page.open(f"{AT}/{path}")
            field = page.find(NUMBER.format(label))
            page.wait(lambda: page.script("return window.asking === 0"))
            high = float(field.get_attribute("aria-valuemax"))
            value = float(field.get_attribute("aria-valuenow"))
            low = float(field.get_attribute("aria-valuemin"))
            key = "ArrowUp" if high - value >= value - low else "ArrowDown"
            before = page.script("return window.kept")
            shown = page.driver.execute_async_script(PRESS, label, key, PRESSES)
            numbers = [number_of(text) for text in shown]
            step = abs(numbers[1] - numbers[0])
            assert step > 0, shown
            # Each press is a step, up to an end.
            for at, number in enumerate(numbers):
                reached = abs(number - numbers[0])
                assert reached == pytest.approx(at * step, abs=0.51 * step) or number in (
                    low,
                    high,
                ), shown
            page.wait(
                lambda: page.script(
                    "return window.asking === 0 && performance.now() - window.answered > 600"
                )
            )
            seen = page.script("clearInterval(window.watching); return [...new Set(window.seen)]")
            # What a color of 8 bits comes to may be a tenth beside what was asked for.
            assert all(abs(number_of(text) - numbers[-1]) <= 0.11 * step for text in seen), (
                shown,
                seen,
            )
            last = page.find(NUMBER.format(label)).get_attribute("value")
            kept = page.script("return window.kept") - before
            assert kept == (0 if any(path.endswith(f"area={area}") for area in LOOKING) else 1)
        if kept == 1:
            page.open(f"{AT}/{path}")
            reads(page, label, last)
            page.press("Undo")
            reads(page, label, shown[0])
