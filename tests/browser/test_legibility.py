"""Legibility in the page: find, read, repair, accept, take back; two colors, matrix, conditions, text on a picture."""

import base64
import io
import re
from pathlib import Path

import numpy as np
from PIL import Image
from selenium.webdriver.common.keys import Keys

from heimat.core.color.contrast import cut, ratio
from heimat.core.color.hex_notation import bytes_of, hex_of
from heimat.local.install import WEB
from tests.browser.page import Page
from tests.browser.test_accessibility import AXE
from tools.browser import resize

AT = "/systems/brinemark/legibility"
FINDINGS = "[aria-label=Findings]"
TRAP = "status.success and status.error look alike for deutan vision."
HATCHED = """return [...document.querySelectorAll('[data-key]')]
  .filter(cell => cell.style.background.includes('45deg')).length"""


def count(page: Page) -> int:
    """What the top strip says is to settle."""
    return int(page.text("header [aria-current=page]").split()[-1])


def test_the_demos_trap_and_its_repair(page: Page) -> None:
    page.open(AT)
    page.says("[data-testid=finding]", TRAP)
    page.says("[data-testid=finding]", "CIEDE2000 65.3 for typical vision, 3.2 for deutan")
    page.says(FINDINGS, "text.late on surface.card reads 3.71; body text needs 4.5.")
    before = count(page)
    page.press("Let status.success be kelp 400")
    page.wait(lambda: count(page) == before - 1)
    page.press("Undo")
    page.wait(lambda: count(page) == before)


def test_a_repair_that_breaks_is_seen_another_chosen_and_what_is_left_accepted(page: Page) -> None:
    page.open(AT)
    page.says(FINDINGS, TRAP)
    before = count(page)
    page.press("Let status.success be kelp 400: CIEDE2000 13.1 mends 3, breaks 2")
    page.wait(lambda: count(page) == before - 1)
    page.press("Undo")
    page.wait(lambda: count(page) == before)
    page.press(f"Accept: {TRAP} In day.")
    page.keys("a word stands beside the color", Keys.ENTER)
    page.says("[data-testid=exceptions]", "a word stands beside the color")
    page.says("[data-testid=exceptions]", "Ines Vahl")
    page.wait(lambda: count(page) == before - 1)
    page.press("Undo")
    page.wait(lambda: not page.all("[data-testid=exceptions]"))
    page.wait(lambda: count(page) == before)


def test_an_exception_without_a_reason_is_refused_at_its_place_and_keeps_what_was_typed(
    page: Page,
) -> None:
    page.open(AT)
    page.press(f"Accept: {TRAP} In day.")
    page.type("Evidence, such as a reading test", "seven readers")
    page.press("Accept it")
    page.says("form [role=alert]", "Say why")
    assert page.field("Evidence, such as a reading test").get_attribute("value") == "seven readers"
    page.keys(Keys.ESCAPE)
    page.wait(lambda: not page.all("form [role=alert]"))


def test_all_that_breaks_nothing_is_mended_as_one_change(page: Page) -> None:
    page.open(f"{AT}?area=mend")
    page.says("[data-testid=mending]", "These break nothing")
    before = count(page)
    page.says("main", "together; the farthest is")
    page.press("Mend all 5")
    page.wait(lambda: count(page) < before - 4)
    page.press("Undo")
    page.wait(lambda: count(page) == before)


def test_two_colors_are_read_and_moved_by_keys_on_one_axis(page: Page) -> None:
    page.open(f"{AT}?area=two-colors&at=token:text-late")
    page.says("[data-testid=uses]", "3.71")
    page.find("[aria-label='Lightness of the foreground']").send_keys(*[Keys.ARROW_LEFT] * 7)
    page.wait(lambda: page.text("[data-testid=uses]").startswith("4."))
    page.press("Back to what was typed")
    page.says("[data-testid=uses]", "3.71")
    page.type("Ground: a name or a color", "no such thing")
    page.says("[data-testid=area] [role=alert]", "no such thing")
    page.type("Ground: a name or a color", "TEXT.STRONG")
    page.wait(lambda: not page.all("[data-testid=area] [role=alert]"))


def test_two_points_of_a_picture_are_read_and_samples_set_in_a_typeface_of_ones_own(
    page: Page,
) -> None:
    page.open(f"{AT}?area=two-colors&at=token:text-late")
    page.press("From a picture")
    page.find("[aria-label^='Point of the foreground']").send_keys(Keys.ARROW_RIGHT)
    page.wait(
        lambda: str(page.field("Foreground: a name or a color").get_attribute("value")).startswith(
            "#"
        )
    )
    page.find("[aria-label^='Point of the ground']").send_keys(Keys.SHIFT + Keys.ARROW_UP)
    page.wait(
        lambda: str(page.field("Ground: a name or a color").get_attribute("value")).startswith("#")
    )
    font = next(
        (WEB / "node_modules/@fontsource-variable").glob("**/*mono-latin-wght-normal.woff2")
    )
    page.driver.find_element("css selector", "[aria-label='A font file']").send_keys(str(font))
    page.button(f"Set in {font.name}")
    family = (
        "return getComputedStyle(document.querySelector('[data-testid=polarities]')).fontFamily"
    )
    page.wait(lambda: page.script(family).startswith("own-"))
    page.press(f"Remove {font.name}")
    page.wait(lambda: not page.script(family).startswith("own-"))


def test_a_kept_ground_is_what_every_selection_is_read_on(page: Page) -> None:
    page.open("/systems/brinemark/scales?at=step:shingle/s900")
    page.says("[data-testid=slip-name]", "shingle 900")
    page.leave_fields()
    page.keys("g")
    page.says("[aria-label='Contrast on grounds']", "shingle 900")
    page.click("[data-testid=scales] [data-key='step:gorse/s300']")
    page.says("[aria-label='Contrast on grounds']", "L* to spare for 4.5")
    page.keys("g")
    page.wait(lambda: "to spare" not in page.text("[aria-label='Contrast on grounds']"))


def test_the_matrix_is_walked_by_keys_and_takes_a_pair_to_the_slip(page: Page) -> None:
    page.open(f"{AT}?area=matrix")
    page.wait(lambda: len(page.all("[data-cell]")) > 50)

    def label() -> str:
        return str(page.find("[data-testid=matrix]").get_attribute("aria-label"))

    page.find("[data-testid=matrix]").send_keys(Keys.ARROW_DOWN, Keys.ARROW_RIGHT)
    page.find("[data-testid=matrix]").send_keys(Keys.ENTER)
    page.says("[data-testid=slip-name]", label().split(". ", 1)[1].split(" on ")[0])
    page.choose("Rows foregrounds of pairings", "all steps")
    page.choose("on grounds of pairings", "all steps")
    page.wait(lambda: "Matrix, 85 by 85" in label())
    assert len(page.all("[data-cell]")) < 1200
    page.press("Declared only")
    page.wait(lambda: all(each == "" for each in page.texts("[data-cell]")))


def test_a_condition_is_applied_to_every_pairing_and_changed(page: Page) -> None:
    page.open(f"{AT}?area=conditions")
    page.says(
        "[data-testid=condition]", "In quay in sunlight 4 of 72 declared pairings no longer hold."
    )
    page.find("[aria-label^='Light: on the screen']").send_keys(Keys.CONTROL + "a")
    page.keys("1000", Keys.ENTER)
    page.says("[data-testid=condition]", "In quay in sunlight 1 of 72")
    page.press("Undo")
    page.says("[data-testid=condition]", "In quay in sunlight 4 of 72")


def test_what_may_stand_here_is_hatched_in_the_sheet_of_scales(page: Page) -> None:
    page.open(f"{AT}?area=standing-here&at=token:surface-page")
    page.says("[data-testid=standing-field]", "4.5 is reached up to L* 47.8, whatever the hue")
    page.press("In the sheet of scales")
    page.wait(lambda: page.script(HATCHED) > 30)
    page.press("Hatched falls short of 4.5 on surface.page")
    page.wait(lambda: page.script(HATCHED) == 0)


def test_text_is_moved_over_a_picture_by_keys(page: Page) -> None:
    page.open(f"{AT}?area=text-on-picture")
    page.says("[data-testid=behind]", "of the area behind it falls short of 4.5")
    before = page.text("[data-testid=behind] tbody")
    page.find("[data-testid=text-block]").send_keys(*[Keys.ARROW_RIGHT] * 30)
    page.wait(lambda: page.text("[data-testid=behind] tbody") != before)
    here = str(page.find("[data-testid=text-block]").get_attribute("aria-label"))
    page.press("Find the best place")
    page.wait(lambda: page.find("[data-testid=text-block]").get_attribute("aria-label") != here)
    page.says("[data-testid=behind]", "#FFFFFF reaches 4.5 on every pixel behind it")
    page.wait(lambda: "Least scrim" in page.text("[data-testid=behind]"))
    page.wait(
        lambda: (
            page.script("return document.querySelector('[data-testid=text-map]')?.naturalWidth")
            or 0 > 100
        )
    )


def test_a_page_is_read_pair_by_pair_and_what_is_of_tokens_declared(
    page: Page, tmp_path: Path
) -> None:
    page.open(f"{AT}?area=drawing")
    markup = """<body style="margin: 0; background: var(--surface-card)">
      <p style="color: var(--status-warning)">Gate B from 12:05</p>
      <svg width="120" height="60"><rect width="120" height="60" fill="#0B6E6E"/>
        <text x="8" y="34" fill="#DF5A33" font-size="16">12 min</text></svg></body>"""
    file = tmp_path / "page.html"
    file.write_text(markup)
    page.wait(lambda: page.all("[data-testid=area] input[type=file]"))
    page.driver.find_element("css selector", "[data-testid=area] input[type=file]").send_keys(
        str(file)
    )
    page.says("[data-testid=drawn-pairs]", "status.warning on surface.card: Gate B from 12:05")
    page.says("[data-testid=drawn-pairs]", "text.late on surface.brand: 12 min")
    page.says("[data-testid=drawn-pairs]", "1.62 of 4.5")
    page.press("Declare")
    page.says("[data-testid=drawn-pairs]", "4.06 of 4.5, declared")
    page.press("Undo")


BANDS = [
    ("#0B6E6E", "#DF5A33"),
    ("#111111", "#333333"),
    ("#FFF3D6", "#8A6FA8"),
    ("#2F6DB5", "#FFFFFF"),
]


def test_what_lies_far_down_a_page_is_read_on_its_own_ground_and_what_is_not_known_has_no_ratio(
    page: Page, tmp_path: Path
) -> None:
    """Bands below the window; and what is painted through groups, gradients and copies, never on white."""
    bands = "".join(
        f'<p style="margin:0;height:60px;background:{BANDS[place % 4][0]};color:{BANDS[place % 4][1]}">band {place}</p>'
        for place in range(30)
    )
    unknown = {
        "group": '<div style="opacity:.5;background:#000"><p style="color:#fff">group</p></div>',
        "slope": '<p style="color:#777;background:linear-gradient(#fff,#000)">slope</p>',
        "thin": '<svg width="90" height="30"><text y="20" fill="#000" fill-opacity=".2">thin</text></svg>',
        "copy": '<svg width="90" height="30"><defs><rect id="r" width="90" height="30"/></defs>'
        '<use href="#r"/><text y="20" fill="#333">copy</text></svg>',
        "shade": '<p style="color:#777;filter:invert(1)">shade</p>',
        "hid": '<div style="height:20px;overflow:hidden"><p style="margin-top:90px">hid</p></div>',
    }
    through = (
        '<div style="background:#111;pointer-events:none"><p style="color:#333">through</p></div>'
    )
    file = tmp_path / "page.html"
    file.write_text(
        f'<body style="margin:0;background:#fff">{bands}{"".join(unknown.values())}{through}</body>'
    )
    page.open(f"{AT}?area=drawing")
    page.wait(lambda: page.all("[data-testid=area] input[type=file]"))
    page.driver.find_element("css selector", "[data-testid=area] input[type=file]").send_keys(
        str(file)
    )
    for ground, ink in BANDS:
        reached = float(ratio(bytes_of(ink), bytes_of(ground)))
        page.says("[data-testid=drawn-pairs]", f"{cut(reached)} of 4.5")
    known = page.text("[data-testid=drawn-pairs]").split("not known")[0]
    # Each band counts on its ground: eight of two colors, seven of the others, and one that no pointer meets.
    assert [known.count(f"and {more} more") for more in (6, 7, 8)] == [2, 1, 1]
    left = page.text("[data-testid=not-known]")
    for words, why in (
        ("group", "opacity"),
        ("slope", "a gradient"),
        ("thin", "opacity"),
        ("copy", "a copied drawing"),
    ):
        assert f"{words}: {why}" in left
    assert "shade: a filter" in left
    assert "hid: outside of what is laid out" in left
    assert not any(f": {words}" in known for words in unknown)
    assert "6 not known" in left


def test_the_browsers_own_checker_and_ours_agree_pair_by_pair(page: Page) -> None:
    """axe-core's contrast rule over random opaque pairs: the same ratio and the same verdict."""
    rng = np.random.default_rng(11)
    pairs = rng.integers(0, 256, (80, 2, 3), dtype=np.uint8)
    page.open("/")
    page.script(
        """document.body.innerHTML = arguments[0].map(([ink, ground], place) =>
          `<p id="pair-${place}" class="pair">12 min to Gate B</p>`).join("");
        const sheet = new CSSStyleSheet();
        sheet.replaceSync(".pair { font-size: 16px; margin: 0; } html, body { overflow: auto; height: auto; }" +
          arguments[0].map(([ink, ground], place) =>
            `#pair-${place} { color: ${ink}; background: ${ground}; }`).join(""));
        document.adoptedStyleSheets = [sheet];""",
        [[hex_of(ink), hex_of(ground)] for ink, ground in pairs],
    )
    page.script(AXE)
    found = page.driver.execute_async_script(
        """const done = arguments[arguments.length - 1];
        const only = {runOnly: {type: 'rule', values: ['color-contrast']}, resultTypes: ['passes', 'violations']};
        axe.run(document.body, only)
          .then(result => done(["passes", "violations"].flatMap(kind => result[kind].flatMap(rule =>
            rule.nodes.map(node => [node.target[0], node.any[0].data.contrastRatio, kind === "passes"])))));"""
    )
    told = {target: (reached, passes) for target, reached, passes in found}
    assert len(told) == len(pairs)
    for place, (ink, ground) in enumerate(pairs):
        ours = float(ratio(ink, ground))
        reached, passes = told[f"#pair-{place}"]
        assert abs(ours - reached) <= 0.011
        assert passes == (ours >= 4.5)


def test_a_pairing_is_declared_once_by_hand_and_a_second_time_says_why_not(page: Page) -> None:
    page.open(f"{AT}?area=pairings")
    page.choose("Declare a token", "text.late")
    page.choose("on a ground", "surface.page")
    page.press("Declare it")
    page.says("[aria-label=Pairings]", "text.late on surface.page")
    page.wait(lambda: count(page) > 11)
    page.choose("Declare a token", "text.late")
    page.says("[data-testid=area] [role=alert]", "declared already")
    page.press("Remove text.late on surface.page, body text")
    page.wait(lambda: not page.all("[data-testid=area] [role=alert]"))
    page.wait(lambda: count(page) == 11)


PASTED = """const held = new DataTransfer();
const bytes = Uint8Array.from(atob(arguments[0]), sign => sign.charCodeAt(0));
held.items.add(new File([bytes], "quay.png", {type: "image/png"}));
window.dispatchEvent(new ClipboardEvent("paste", {clipboardData: held, bubbles: true, cancelable: true}));"""


def test_a_picture_pasted_here_opens_with_a_point_for_each_of_two_colors(page: Page) -> None:
    page.open(AT)
    page.says(FINDINGS, TRAP)
    halves = np.zeros((20, 60, 3), dtype=np.uint8)
    halves[:, :30], halves[:, 30:] = (255, 255, 255), (223, 90, 51)
    file = io.BytesIO()
    Image.fromarray(halves).save(file, "PNG")
    page.script(PASTED, base64.b64encode(file.getvalue()).decode())
    page.find("[data-testid=points]")
    page.find("[aria-label^='Point of the foreground']").send_keys(Keys.SHIFT + Keys.ARROW_RIGHT)
    page.find("[aria-label^='Point of the ground']").send_keys(Keys.SHIFT + Keys.ARROW_LEFT)
    page.says("[data-testid=uses]", "3.71")
    assert "/legibility" in page.driver.current_url


def test_what_is_held_is_moved_by_no_repair_and_says_so(page: Page) -> None:
    page.open(f"{AT}?area=mend")
    page.choose("Moves as usual text.late", "not at all")
    page.wait(
        lambda: (
            page.find("[data-testid=moving-order] li:last-child").get_attribute("data-moving")
            == "text.late"
        )
    )
    page.press("Close Mend all")
    page.press("text.late on surface.card reads 3.71")
    page.says(FINDINGS, "text.late is held against repairs.")
    assert not any(
        "Let text.late be" in each for each in page.texts("[data-testid=finding] button")
    )
    page.press("Undo")
    page.wait(
        lambda: not any("held against" in each for each in page.texts("[data-testid=finding]"))
    )


def test_where_eye_and_rule_disagree_people_read_and_their_count_is_evidence(page: Page) -> None:
    page.open(AT)
    late = "text.late on surface.card reads 3.71; body text needs 4.5. In day."
    page.press("text.late on surface.card reads 3.71")
    page.press(f"Accept: {late}")
    page.press("Copy the link of a reading test")
    page.says("form", "nobody has read it yet")
    link = page.wait(lambda: re.search(r"http\S+/reading/\S+", page.text("form"))).group()
    resize(page.driver, 390, 844)
    page.driver.get(link)
    page.says("label", "1 of 6")
    assert page.script("return document.documentElement.scrollWidth") == 390, (
        "nothing is scrolled sideways"
    )
    for place in range(6):
        page.says("label", f"{place + 1} of 6")
        shown = page.text("[data-testid=figure]")
        page.keys("1" if place == 2 else shown, Keys.ENTER)
    page.says("h1", "That was all")
    resize(page.driver, 1280, 800)
    page.open(AT)
    page.press("text.late on surface.card reads 3.71")
    page.press(f"Accept: {late}")
    page.keys("read well enough on the board")
    page.press("5 of 6 read: use as evidence")
    page.press("Accept it")
    page.says(
        "[data-testid=exceptions]", "Evidence: Reading test at 16 px: 1 reader read 5 of 6 figures."
    )
    page.press("Undo")
    page.wait(lambda: not page.all("[data-testid=exceptions]"))


def test_a_matrix_is_kept_under_a_name(page: Page) -> None:
    page.open(f"{AT}?area=matrix")
    page.type("Name of this matrix", "texts on their grounds", enter=True)
    page.says("[data-testid=area]", "Remove texts on their grounds")
    page.choose("Rows foregrounds of pairings", "all steps")
    page.choose("Matrix not kept", "texts on their grounds")
    page.button("Rows foregrounds of pairings")
    page.press("Remove texts on their grounds")
    page.wait(lambda: "Remove texts" not in page.text("[data-testid=area]"))
