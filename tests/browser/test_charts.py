"""Charts in the page: made apart, some held and the rest anew, drawn on one's own data, mended, reversed."""

import json
import re

from selenium.webdriver.common.actions.action_builder import ActionBuilder
from selenium.webdriver.common.keys import Keys

from tests.browser.page import Page

AT = "/systems/brinemark/charts"
DROPPED = """const held = new DataTransfer();
held.items.add(new File([arguments[0]], arguments[1], {type: "text/csv"}));
window.dispatchEvent(new DragEvent("drop", {dataTransfer: held, bubbles: true, cancelable: true}));"""
PASTED = """const held = new DataTransfer();
held.setData("text/plain", arguments[0]);
window.dispatchEvent(new ClipboardEvent("paste", {clipboardData: held, bubbles: true, cancelable: true}));"""
FILLS = """return [...document.querySelectorAll('[data-testid=drawn] svg')].map(chart =>
  [...chart.querySelectorAll('rect, path')].map(mark => getComputedStyle(mark)[arguments[0]]))"""


def strip(page: Page, palette: str) -> list[str]:
    """The published colors of a palette, as its strip shows them."""
    cells = "document.querySelectorAll(`[data-palette='${arguments[0]}'] [data-hex]`)"
    return page.wait(
        lambda: page.script(f"return [...{cells}].map(cell => cell.dataset.hex)", palette)
    )


def test_colors_are_made_apart_held_added_to_and_taken_back(page: Page) -> None:
    page.open(f"{AT}?area=generate")
    page.says("[data-testid=reached]", "nearest pair")
    page.press("Add as a palette")
    made = page.wait(lambda: strip(page, "categories"))
    assert (made[0], len(made)) == ("#0B6E6E", 6)
    page.click("[data-palette=categories] [data-key]:nth-of-type(3)")
    page.press("Hold 3")
    page.wait(
        lambda: (
            "held"
            in page.all("[data-palette=categories] [data-key]")[2].get_attribute("aria-label")
        )
    )
    page.press("Another search")
    page.press("Make the rest of categories anew")
    page.wait(lambda: made[2] in (anew := strip(page, "categories"))[:2] and anew != made)
    anew = strip(page, "categories")
    assert anew[0] == made[0]
    page.press("Add one to categories")
    page.wait(lambda: strip(page, "categories")[:6] == anew and len(strip(page, "categories")) == 7)
    for expected in (anew, made):
        page.press("Undo")
        page.wait(lambda expected=expected: strip(page, "categories") == expected)


def test_farther_from_the_brand_has_its_price_before_it_is_chosen(page: Page) -> None:
    page.open(f"{AT}?area=generate")
    page.find("[data-testid=reaches] [role=radio]")
    prices = [float(each.split()[-2]) for each in page.texts("[data-testid=reaches] [role=radio]")]
    assert prices == sorted(prices)
    page.press("as far as can be")
    page.says("[data-testid=reached]", f"nearest pair {prices[-1]}")
    page.type("Contrast on the ground", "99", enter=True)
    page.wait(lambda: page.field("Contrast on the ground").get_attribute("value") == "7.0")


def test_ones_own_data_are_dropped_drawn_and_a_category_is_given_its_color(page: Page) -> None:
    page.open(f"{AT}?at=palette:routes")
    page.find("[data-testid=drawn] svg")
    rows = "\n".join(
        f"2026-05-{day:02},{quay},{day * size}" for day in range(1, 29) for quay, size in QUAYS
    )
    page.script(DROPPED, f"day,quay,waiting\n{rows}\n", "quays.csv")
    page.says("[data-testid=brought-data]", "quays: 84 rows, 3 columns.")
    page.says("[data-testid=suits-data]", "for quay (3 categories):")
    page.says("[data-testid=suits-data]", "for waiting (1 to 84):")
    page.press("load, a palette for these data")
    page.says("[data-testid=legend]", "waiting")
    page.press("routes, a palette for these data")
    page.says("[aria-label=Categories]", "Merrow")
    page.says("[data-testid=drawn]", "Sum of waiting")
    page.click("[data-palette=routes] [data-key='palette:routes/routes-4']")
    page.type("What color 4 stands for", "Pellan", enter=True)
    place = "Sum of waiting, by"
    chart = page.find(f"[data-testid=drawn] svg[aria-label^='{place}']")
    page.wait(lambda: "stroke-3" in chart.get_attribute("innerHTML"))
    color = strip(page, "routes")[3]
    red, green, blue = (int(color[at : at + 2], 16) for at in (1, 3, 5))
    page.wait(lambda: f"rgb({red}, {green}, {blue})" in json.dumps(page.script(FILLS, "stroke")))
    page.script(PASTED, "only,words\nA,B\nC,D\n")
    page.says("[data-testid=brought-data][role=alert]", "nothing to draw")
    page.choose("Data quays", "Remove quays")
    page.press("Keep it")
    page.choose("Data quays", "Remove quays")
    page.says("main", "Remove quays with its 84 rows? It does not come back.")
    page.press("Remove quays")
    page.says("[aria-label=Categories]", "Skarvik–Tarnsey")
    page.press("Undo")


QUAYS = (("Merrow", 3), ("Pellan", 2), ("Oldhaven", 1))


def nearest(page: Page) -> float:
    """How far apart the nearest two of the palette are, under whichever vision."""
    return min(float(each) for each in page.texts("[data-vision] strong"))


def test_a_confusable_pair_is_seen_mended_and_every_pair_stands_behind_the_line(page: Page) -> None:
    page.open(f"{AT}?at=palette:routes/routes-4")
    page.find("[data-vision=deutan]")
    whole = strip(page, "routes")
    before = int(page.text("header").split("Legibility\n")[1].split()[0])
    apart = nearest(page)
    page.type("Value of color 4", "kelp 600", enter=True)
    page.says(
        "[aria-label='Findings on routes']",
        "routes 1 (Skarvik–Tarnsey) and routes 4 (Holm Ness–Skarvik) look alike",
    )
    page.wait(lambda: int(page.text("header").split("Legibility\n")[1].split()[0]) > before)
    kelp = strip(page, "routes")[3]
    page.press("Let routes 4 (Holm Ness–Skarvik) be ")
    page.wait(lambda: strip(page, "routes")[3] not in (kelp, whole[3]))
    page.press("Undo")
    page.wait(lambda: strip(page, "routes")[3] == kelp)
    page.press("Make 4 anew")
    page.wait(lambda: "look alike" not in "".join(page.texts("[aria-label='Findings on routes']")))
    page.wait(lambda: nearest(page) >= apart)
    for _ in range(2):
        page.press("Undo")
    page.wait(lambda: strip(page, "routes") == whole)


def test_a_map_of_delays_is_reversed_and_its_middle_set(page: Page) -> None:
    page.open(f"{AT}?at=palette:delay/1")
    page.find("[data-testid=legend]")
    before = strip(page, "delay")
    page.press("Reversed")
    page.wait(lambda: strip(page, "delay") == before[::-1])
    page.press("Undo")
    page.type("The value at the middle", "5", enter=True)
    page.wait(lambda: page.field("The value at the middle").get_attribute("value") == "5.0")
    page.type("The value at the middle", "4000", enter=True)
    page.says("[data-testid=drawn] [role=alert]", "lies outside the data")
    page.press("Undo")
    page.choose("Breaks equal intervals", "typed")
    page.wait(
        lambda: len(page.field("Breaks, with spaces between").get_attribute("value").split()) == 8
    )
    page.wait(lambda: page.texts("[data-testid=drawn] [role=alert]") == [])
    page.type("Breaks, with spaces between", "-2 0 nine", enter=True)
    page.says("[data-testid=palette-tools]", "“nine” is no number")
    page.type("Breaks, with spaces between", "-2 0 9", enter=True)
    page.wait(lambda: len(strip(page, "delay")) == 4)


def test_charts_stand_beside_each_other_as_designed_and_in_another_palette(page: Page) -> None:
    page.open(f"{AT}?at=palette:routes&seen=deutan")
    page.find("[data-testid=drawn] svg")
    page.choose("Beside nothing", "as designed")
    page.says("[data-testid=beside-drawn]", "above, as seen by deutan")
    colors = "return getComputedStyle(arguments[0].querySelector('path.stroke-1')).stroke"
    both = page.wait(lambda: page.all("[data-testid=drawn] svg[aria-label*=', by ']"))
    seen, designed = (page.script(colors, chart) for chart in both)
    assert seen != designed
    red, green, blue = (int(strip(page, "routes")[1][at : at + 2], 16) for at in (1, 3, 5))
    assert designed == f"rgb({red}, {green}, {blue})"
    page.choose("Beside as designed", "fares")
    page.says("[data-testid=beside-drawn]", "In fares")
    page.choose("Also points", "each alone")
    page.find("[data-testid=drawn] svg[aria-label$='one chart a category']")


def test_keys_walk_the_strips_and_say_where_they_end(page: Page) -> None:
    page.open(f"{AT}?at=palette:routes/routes-1")
    page.find("[data-key='palette:routes/routes-1']").send_keys(Keys.ARROW_RIGHT)
    page.says("[data-testid=slip-name]", "routes 2")
    page.keys(Keys.ARROW_DOWN)
    page.says("[data-testid=slip-name]", "fares 2")
    page.keys(Keys.END)
    page.says("[data-testid=slip-name]", "fares 5")
    page.keys(Keys.ARROW_RIGHT)
    page.says("main", "This is the last color of its palette.")
    page.keys("c")


def test_a_set_is_told_what_it_suits_and_two_ends_are_offered(page: Page) -> None:
    page.open(f"{AT}?area=from-a-set")
    page.choose("Take from what is there", "gallery: Low tide")
    page.says("[data-testid=suits]", "sequential")
    page.type("One color a line", "")
    page.field("One color a line").send_keys(
        "tidewater 100\ntidewater 400\ntidewater 800\nno such thing"
    )
    page.says("[data-testid=area] [role=alert]", "no such thing")
    page.field("One color a line").send_keys(Keys.BACKSPACE * len("\nno such thing"))
    page.says("[data-testid=suits]", "Lightness goes one way")
    page.press("Add as a sequential palette")
    page.wait(lambda: strip(page, "set"))
    page.open(f"{AT}?area=two-ends&at=palette:delay")
    page.find("[data-testid=partners-found] button").click()
    page.wait(lambda: page.all("[data-palette=delay] [data-key]"))
    page.press("Undo")
    page.press("Undo")


DRAGGED = """const held = new DataTransfer();
const at = name => document.querySelector(`[data-category='${name}']`);
const tell = (to, type) => to.dispatchEvent(
  new DragEvent(type, {dataTransfer: held, bubbles: true, cancelable: true}));
tell(at(arguments[0]), "dragstart");
return new Promise(done => requestAnimationFrame(() => {
  tell(at(arguments[1]), "dragover");
  requestAnimationFrame(() => { tell(at(arguments[1]), "drop"); tell(at(arguments[0]), "dragend"); done(); });
}));"""


def test_categories_exchange_their_colors_by_drag_and_take_one_by_choice(page: Page) -> None:
    page.open(f"{AT}?at=palette:routes/routes-1")
    page.find("[data-category='Merrow–Pellan']")
    aria = "return [...document.querySelectorAll('[data-palette=routes] [data-key]')].map(one => one.ariaLabel)"
    page.script(DRAGGED, "Skarvik–Tarnsey", "Merrow–Pellan")
    page.wait(
        lambda: (
            ", Merrow–Pellan" in page.script(aria)[0]
            and ", Skarvik–Tarnsey" in page.script(aria)[4]
        )
    )
    page.choose("Merrow–Pellan", "Oldhaven–Merrow")
    page.wait(
        lambda: (
            ", Oldhaven–Merrow" in page.script(aria)[0]
            and ", Merrow–Pellan" in page.script(aria)[2]
        )
    )
    page.press("Undo")
    page.press("Undo")
    page.wait(lambda: ", Skarvik–Tarnsey" in page.script(aria)[0])


# Where a pointer meets the bars or cells of a chart, by the words that its label ends with.
MET = """const chart = document.querySelector(`[data-testid=drawn] svg[aria-label$='${arguments[0]}']`);
chart?.scrollIntoView({block: 'center'});
const box = chart?.getBoundingClientRect();
for (let y = box?.bottom - 30; box && y > box.top + 30; y -= 3)
  for (let x = box.left + 60; x < box.right - 10; x += 3)
    if (document.elementFromPoint(x, y)?.matches('[class^=fill-]')) return [Math.round(x), Math.round(y)];"""


def test_a_mark_says_what_it_stands_for_where_the_pointer_is(page: Page) -> None:
    route = r"(Skarvik–Tarnsey|Tarnsey–Oldhaven|Oldhaven–Merrow|Holm Ness–Skarvik|Merrow–Pellan|Pellan–Holm Ness)"
    for palette, chart, said in (
        ("routes", "bars", f"{route}, .+: [0-9.]+K?"),
        ("load", "by weekday", ".+, .+: [0-9.]+"),
    ):
        page.open(f"{AT}?at=palette:{palette}")
        x, y = page.wait(lambda chart=chart: page.script(MET, chart))
        pointer = ActionBuilder(page.driver)
        pointer.pointer_action.move_to_location(x - 1, y).move_to_location(x, y)
        pointer.perform()
        told = f"return document.querySelector(`[data-testid=drawn] svg[aria-label$='{chart}'] g > title`).textContent"
        page.wait(lambda told=told, said=said: re.fullmatch(said, page.script(told)))


def test_stops_are_added_moved_and_taken_out_and_ends_are_exact(page: Page) -> None:
    page.open(f"{AT}?at=palette:load")
    before = strip(page, "load")
    page.type("A further stop of load: a name or a color", "no such", enter=True)
    page.says("[data-testid=through]", "no such")
    page.type("A further stop of load: a name or a color", "gorse", enter=True)
    page.wait(lambda: strip(page, "load") != before)
    added = strip(page, "load")
    page.type(
        "Where stop 2 stands, from 0 at the light end to 100 at the dark one", "60", enter=True
    )
    page.wait(lambda: strip(page, "load") != added)
    page.press("Let stop 2 stand at its own lightness")
    page.wait(lambda: strip(page, "load") == added)
    page.press("Take stop 2 out")
    page.wait(lambda: strip(page, "load") == before)
    page.press("Undo")
    page.wait(lambda: strip(page, "load") == added)
    page.click("[data-palette=delay] button")
    page.press("Ends exact")
    page.wait(
        lambda: strip(page, "delay")[0] == "#0B6E6E" and strip(page, "delay")[-1] == "#DF5A33"
    )
    page.says("[aria-label='How even']", "varies by")


def test_a_palette_in_use_settles_findings_colors_the_specimen_and_is_delivered(page: Page) -> None:
    page.open(f"{AT}?at=palette:routes/routes-4&area=in-use")
    page.says("[data-testid=bound]", "chart.series.6")
    page.type("What is missing in routes", "tidewater", enter=True)
    page.says("[aria-label='Findings on routes']", "What is missing could be taken for routes 1")
    page.press("Let what is missing follow its token")
    page.wait(lambda: not page.all("[aria-label='Findings on routes']"))
    page.press("A gap where they touch")
    page.says("[aria-label='Findings on routes']", "touch, with")
    page.press("Part what touches by a gap")
    page.wait(lambda: not page.all("[aria-label='Findings on routes']"))
    page.click("[data-palette=fares] button")
    page.says("[data-testid=bound]", "No token stands on it.")
    page.press("Let chart.series be its colors")
    page.says("[data-testid=bound]", "chart.series.5")
    fares = strip(page, "fares")
    page.open("/systems/brinemark/releases")
    page.press("Publish 1.0.0")
    page.says("[role=status]", "1.0.0 is out.")
    loaded = """const text = await (await fetch("/feeds/brinemark/1.0.0/" + arguments[0])).text();
const sheet = new CSSStyleSheet();
sheet.replaceSync(text);
document.adoptedStyleSheets = [sheet];
const found = arguments[1].map(name => getComputedStyle(document.documentElement).getPropertyValue(name).trim());
document.adoptedStyleSheets = [];
return found;"""
    of_palette = page.script(
        loaded, "palettes.css", [f"--chart-fares-{number}" for number in range(1, 6)]
    )
    of_tokens = page.script(
        loaded, "tokens.css", [f"--chart-series-{number}" for number in range(1, 6)]
    )
    assert [each.upper() for each in of_palette] == [each.upper() for each in of_tokens] == fares


def test_a_palette_is_found_by_its_name(page: Page) -> None:
    page.open("/systems/brinemark/scales")
    page.find("[data-testid=scales] [data-hex]")
    page.keys("/")
    finder = page.find("[aria-label='Find a color, a token, a place or a command']")
    finder.send_keys("delay")
    page.says("[role=listbox]", "diverging palette")
    finder.send_keys(Keys.ENTER)
    page.wait(lambda: page.all("[data-palette=delay][data-shown]"))


QUICK = """for (const words of arguments)
  [...document.querySelectorAll('button')].find(each => each.textContent.trim().startsWith(words)).click()"""


def test_quick_presses_count_all_and_each_is_undone_alone(page: Page) -> None:
    page.open(f"{AT}?at=palette:routes/routes-1&area=in-use")
    page.button("Later")
    before = strip(page, "routes")

    def moved(place: int) -> list[str]:
        return [*before[1 : place + 1], before[0], *before[place + 1 :]]

    # Faster than any answer: each press goes on from what the one before has made.
    page.script(QUICK, "Later", "Later", "Later")
    page.wait(lambda: strip(page, "routes") == moved(3))
    told = page.texts("[data-testid=area] [aria-checked=true]")
    page.script(QUICK, "Dashes", "An outline", "Shapes", "Dashes")
    added = {"An outline", "Shapes"}
    page.wait(lambda: set(page.texts("[data-testid=area] [aria-checked=true]")) == {*told, *added})
    for _ in range(4):
        page.press("Undo")
    page.wait(lambda: page.texts("[data-testid=area] [aria-checked=true]") == told)
    for place in (2, 1, 0):
        page.press("Undo")
        page.wait(lambda place=place: strip(page, "routes") == moved(place))


def test_typed_breaks_go_on_from_those_that_stand(page: Page) -> None:
    page.open(f"{AT}?at=palette:load")
    page.says("[data-testid=legend]", "0.813")
    page.choose("Breaks", "typed")
    typed = page.field("Breaks, with spaces between").get_attribute("value").split()
    assert (len(typed), typed[0], typed[-1]) == (8, "0.253", "0.907")
    page.type("Breaks, with spaces between", "0,5; late", enter=True)
    page.says("[data-testid=palette-tools]", "“late” is no number")
    page.type("Breaks, with spaces between", "0,5; 0,8", enter=True)
    page.says("[data-palette=load]", "3 classes")
    legend = "return [...document.querySelectorAll('[data-testid=legend] text')].map(each => each.textContent)"
    page.wait(lambda: {"0.5", "0.8"} <= set(page.script(legend)))
