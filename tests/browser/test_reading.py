"""The reading line: lists, stylesheets and pictures; adding, waiting, replacing, pinning; and the set as text."""

import itertools

from selenium.webdriver import Keys
from selenium.webdriver.support.ui import Select

from heimat.demo.demo_pictures import demo_pictures
from tests.browser.page import Page
from tests.browser.test_sources import AT, band_value, bands
from tests.pictures import encoded, fields

LIST = "harbor light #F2C66D\nprimary: rgb(11 110 110)\nlost words\ndusk oklch(0.4 0.06 300)\ncmyk(0 20 40 0)"


def lines(page: Page) -> list[str]:
    return page.script(
        "return [...document.querySelectorAll('[data-read]')].map(line => line.dataset.read)"
    )


def test_a_list_with_two_bad_lines(page: Page) -> None:
    page.open(AT)
    page.put("#reading-line", LIST)
    page.says("[data-testid=read-summary]", "Read as a list: 3 colors, 2 lines not read")
    page.says("[data-testid=read-lines]", "No color found in “lost words”")
    page.says("[data-testid=read-lines]", "Print colors depend on paper")
    page.says("[data-testid=read-lines]", "the same as tidewater")
    # What is there already is left out until it is taken in.
    page.says("[data-testid=add-read]", "Add 2 hues")
    page.put("[aria-label^='Name of #F2C66D,']", "lamp room")
    page.put("[data-read] input[value=dusk]", "")
    page.click("[data-testid=add-read]")
    page.wait(lambda: bands(page)[2:6] == ["gorse", "heather", "lamp room", "violet"])
    # The lines that could not be read stay, to be mended; one undo takes all back.
    page.wait(
        lambda: page.find("#reading-line").get_attribute("value") == "lost words\ncmyk(0 20 40 0)"
    )
    page.press("Undo")
    page.wait(lambda: "lamp room" not in bands(page) and "violet" not in bands(page))
    assert not page.button("Undo").is_enabled()


def test_lines_are_left_out_and_enter_adds_the_rest(page: Page) -> None:
    page.open(AT)
    page.put("#reading-line", "#112233, #445566")
    page.wait(lambda: lines(page) == ["#112233", "#445566"])
    page.click("[aria-label^='Take #112233,']")
    page.says("[data-testid=add-read]", "Add 1 hue")
    page.find("#reading-line").send_keys(Keys.ENTER)
    page.wait(lambda: [hue for hue in bands(page) if band_value(page, hue) == "#445566"])
    assert "#112233" not in [band_value(page, hue) for hue in bands(page)]
    page.wait(lambda: page.find("#reading-line").get_attribute("value") == "")


def test_what_is_read_waits_beside_the_set_until_it_joins_or_goes(page: Page) -> None:
    page.open(AT)
    page.put("#reading-line", "foam #EEF1EC\ntar #2E2925")
    page.says("[data-testid=wait-read]", "Let 2 wait")
    page.click("[data-testid=wait-read]")
    page.wait(lambda: len(page.all("[data-candidate]")) == 2)
    # Edge to edge: the candidate's own color touches every hue of the set, without a gap.
    edges = page.script(
        "return [...document.querySelector('[data-candidate]').children]"
        ".map(child => child.getBoundingClientRect()).map(box => [box.left, box.right, box.top, box.bottom])"
    )
    assert len(edges) == 10
    for one, other in itertools.pairwise(edges):
        assert abs(one[1] - other[0]) < 0.6
        assert (one[2], one[3]) == (other[2], other[3])
    page.click("[data-candidate='#EEF1EC']")
    page.type("Name of the candidate", "spray", enter=True)
    page.press("Let it join")
    page.wait(lambda: "spray" in bands(page) and len(page.all("[data-candidate]")) == 1)
    page.press("Let all go")
    page.wait(lambda: not page.all("[data-candidate]"))
    for _ in range(4):
        page.press("Undo")
    page.wait(lambda: not page.button("Undo").is_enabled())
    assert not page.all("[data-candidate]")
    assert "spray" not in bands(page)


def test_values_are_replaced_with_every_before_and_after_shown(page: Page) -> None:
    page.open(AT)
    page.put("#reading-line", "buoy #E2703A\n#115577")
    page.wait(lambda: len(lines(page)) == 2)
    page.press("Replace values")
    page.says("[data-testid=read-lines]", "#DF5A33 until now, matched by name")
    page.says("[data-testid=read-lines]", "#0B6E6E until now, matched by order")
    page.press("Replace 2 values")
    page.wait(
        lambda: (band_value(page, "buoy"), band_value(page, "tidewater")) == ("#E2703A", "#115577")
    )
    page.press("Undo")
    page.wait(
        lambda: (band_value(page, "buoy"), band_value(page, "tidewater")) == ("#DF5A33", "#0B6E6E")
    )


def test_existing_colors_are_pinned_where_they_fit(page: Page) -> None:
    page.open(AT)
    page.put("#reading-line", "old red #B02A44")
    page.wait(lambda: len(lines(page)) == 1)
    page.press("Pin to scales")
    page.says("[data-testid=read-lines]", "flare 600")
    page.press("Pin 1 color")
    # What was read goes, and with it the bands move: only then they are clicked.
    page.wait(lambda: not lines(page))
    page.click("[data-hue=flare]")
    page.says("[data-testid=pins]", "#B02A44")
    page.says("[data-testid=pins]", "from the generated #BF3650")
    page.press("600 back to generated")
    page.wait(lambda: not page.all("[data-testid=pins]"))


def test_a_dropped_stylesheet_and_what_is_too_large(page: Page) -> None:
    page.open(AT)
    css = b":root { --kelp-new: #2F7D3F; --mixed: color-mix(in srgb, red, blue) } .a { color: #BF3650; fill: #BF3650 }"
    page.drop("h1", "old.css", "text/css", css)
    page.says("[data-testid=read-summary]", "Read as a stylesheet: 2 colors, 1 line not read")
    page.says(
        "[data-testid=read-lines]", "color-mix(in srgb, red, blue) is computed by the browser"
    )
    page.says("[data-testid=read-lines]", "the same as flare")
    page.click("[data-testid=add-read]")
    page.wait(lambda: "kelp-new" in bands(page))
    page.says("[data-hue=kelp-new]", "from old.css")
    page.drop("h1", "huge.css", "text/css", b" " * 5_000_001)
    page.says("main", "“huge.css” has 5 MB; a stylesheet or list has at most 5 MB.")


BROUGHT = """
const [files, text] = arguments, data = new DataTransfer();
for (const [name, type, content] of files) data.items.add(new File([content], name, {type}));
if (text) data.setData('text/plain', text);
const at = document.querySelector('main');
if (text) at.dispatchEvent(new ClipboardEvent('paste', {bubbles: true, cancelable: true, clipboardData: data}));
else for (const what of ['dragover', 'drop'])
  at.dispatchEvent(new DragEvent(what, {bubbles: true, cancelable: true, dataTransfer: data}));
"""


def test_what_is_pasted_or_dropped_anywhere_is_read_one_after_another(page: Page) -> None:
    page.open("/systems/brinemark/scales")
    page.script(BROUGHT, [], "mist #88AAAA")
    page.says("h1", "Sources")
    page.wait(lambda: lines(page) == ["#88AAAA"])
    page.press("Scales")
    page.says("h1", "Scales")
    css, table, zipped = (
        ["a.css", "text/css", ".x { color: #112233 }"],
        ["b.csv", "text/csv", "name,hex\nfoam,#DDEEEE"],
        ["c.zip", "application/zip", "PK"],
    )
    page.script(BROUGHT, [css, table, zipped], "")
    page.says("main", "then b.csv")
    page.says("main", "“c.zip” is neither a text nor a picture that Heimat reads.")
    page.wait(lambda: lines(page) == ["#112233"])
    page.press("Close the file")
    page.wait(lambda: lines(page) == ["#DDEEEE"])
    page.press("Close the file")
    page.wait(lambda: page.find("#reading-line").get_attribute("value") == "mist #88AAAA")


def test_lines_go_where_they_are_sent_and_what_goes_nowhere_stays(page: Page) -> None:
    page.open(AT)
    page.put("#reading-line", "sea #115577\nglow #E2A03A\nbank #445566")
    page.wait(lambda: len(lines(page)) == 3)
    page.press("Replace values")
    targets = page.all("[aria-label^='Whose value']")
    page.script("arguments[0].focus()", targets[1])
    page.wait(lambda: len(targets[1].find_elements("tag name", "option")) > 9)
    Select(targets[1]).select_by_visible_text("gorse")
    page.script("arguments[0].focus()", targets[2])
    Select(targets[2]).select_by_visible_text("gorse")
    page.says("main", "Two lines go to one place")
    assert not page.find("[data-testid=add-read]").is_enabled()
    Select(targets[2]).select_by_visible_text("nothing")
    page.press("Replace 2 values")
    page.wait(
        lambda: (band_value(page, "tidewater"), band_value(page, "gorse")) == ("#115577", "#E2A03A")
    )
    page.wait(lambda: page.find("#reading-line").get_attribute("value") == "bank: #445566")


def test_what_was_read_is_taken_by_kind_ordered_and_grouped(page: Page) -> None:
    page.open(AT)
    sheet = ":root { --error: #BF3652; --veil: #00000080; --slate: #777777 }\n.card { color: #112233; fill: #112233 }"
    page.drop("h1", "ship.css", "text/css", sheet.encode())
    page.wait(lambda: len(lines(page)) == 4)
    page.choose("Grouped by nothing", "by place in the file")
    page.says("[data-testid=read-lines]", ".card, 1")
    page.choose("In order as read", "by use")
    page.press("Take none")
    page.says("[data-testid=add-read]", "Add 0 hues")
    page.choose("Take by kind", "only neutrals")
    page.says("[data-testid=add-read]", "Add 2 hues")
    # A translucent color can stay so: as a token.
    kind = page.find("[aria-label^='Kind of veil']")
    Select(
        page.driver.find_element("css selector", "[aria-label^='Kind of veil']")
    ).select_by_visible_text("overlay token")
    assert kind.get_attribute("value") == "overlay"
    page.press("Add 2 hues")
    page.find("[data-hue=slate]")
    page.press("Tokens")
    page.says("main", "overlay.veil")


def test_a_dropped_picture_opens_and_what_is_none_is_explained(page: Page) -> None:
    page.open(AT)
    page.drop(
        "h1", "board.png", "image/png", encoded(fields(((11, 110, 110), 60), ((223, 90, 51), 30)))
    )
    page.wait(lambda: {"#0B6E6E", "#DF5A33"} <= main_colors(page))
    page.press("Close")
    page.drop("h1", "boat.png", "image/png", b"no picture at all")
    page.says("main", "“boat.png” is not a picture that Heimat can read. Give it as PNG")


def main_colors(page: Page) -> set[str]:
    return set(
        page.script(
            "return [...document.querySelectorAll('[data-main]')].map(color => color.dataset.main)"
        )
    )


def test_the_harbor_picture_from_drop_to_hue_by_keyboard(page: Page) -> None:
    harbor = next(each for each in demo_pictures() if each.name == "harbor.png").content
    page.open("/systems/merrow-light/sources")
    page.drop("h1", "harbor.png", "image/png", harbor)
    page.wait(lambda: "#C8321F" in main_colors(page))
    # The buoy's region is lit and the crosshair stands on it; from there it is taken again, two pixels on.
    page.click("[data-main='#C8321F']")
    page.find("[data-testid=dimming]")
    x, y = page.find("[data-cross]").get_attribute("data-cross").split(",")
    canvas = page.find("[data-testid=canvas]")
    page.script("arguments[0].focus()", canvas)
    page.keys(Keys.ARROW_DOWN, Keys.ARROW_DOWN, Keys.ARROW_LEFT)
    page.says("[data-testid=taken]", f"at {int(x) - 1}, {int(y) + 2}")
    taken = page.find("[data-taken]").get_attribute("data-taken")
    page.keys(Keys.ENTER)
    page.says("[data-testid=main-colors]", "taken again")
    assert taken in main_colors(page)
    # Everything else is left out; the one color is added under a plain name, with its origin.
    for color in main_colors(page) - {taken}:
        if page.find(f"[aria-label='Take {color}']").is_selected():
            page.click(f"[aria-label='Take {color}']")
    page.press("Add 1 hue")
    page.wait(lambda: "red" in bands(page))
    page.wait(lambda: band_value(page, "red") == taken)
    page.wait(lambda: "from harbor.png" in str(page.find("[data-hue=red]").get_attribute("title")))
    page.press("Undo")
    page.wait(lambda: "red" not in bands(page))


def test_the_set_is_edited_as_text(page: Page) -> None:
    page.open(f"{AT}?area=text")
    area = "textarea[aria-label='The set as text']"
    page.wait(lambda: "tidewater: #0B6E6E" in page.find(area).get_attribute("value"))
    text = page.find(area).get_attribute("value")
    page.put(
        area, text.replace("gorse: #DFAF3A\nheather: #8A6FA8", "ling: #8A6FA8\ngorse: #E0B040")
    )
    for words in ("ling renamed", "gorse changed, #DFAF3A to #E0B040", "moved"):
        page.says("[data-testid=plan]", words)
    page.press("Read back 3 changes")
    page.wait(lambda: bands(page)[2:4] == ["ling", "gorse"])
    page.wait(lambda: band_value(page, "gorse") == "#E0B040")
    page.press("Undo")
    page.wait(lambda: bands(page)[2:4] == ["gorse", "heather"])
    page.put(area, "nonsense\n" + text)
    page.says("[data-testid=plan]", "Not read.")
    assert not page.find("[data-testid=read-back]").is_enabled()


def test_enter_adds_what_stands_there_not_what_was_read_before(page: Page) -> None:
    page.open(AT)
    page.put("#reading-line", "#112233")
    page.wait(lambda: lines(page) == ["#112233"])
    field = page.find("#reading-line")
    field.send_keys(Keys.BACKSPACE * 6 + "445566" + Keys.ENTER)
    page.wait(lambda: [hue for hue in bands(page) if band_value(page, hue) == "#445566"])
    assert "#112233" not in [band_value(page, hue) for hue in bands(page)]
    # Pressed again and again, on what stands there and on nothing: each color is added once.
    field.send_keys("#667788")
    page.wait(lambda: lines(page) == ["#667788"])
    field.send_keys(Keys.ENTER * 3)
    page.wait(lambda: [hue for hue in bands(page) if band_value(page, hue) == "#667788"])
    page.wait(lambda: page.find("#reading-line").get_attribute("value") == "")
    field.send_keys(Keys.ENTER * 2)
    page.open(AT)
    values = [band_value(page, hue) for hue in bands(page)]
    assert (values.count("#667788"), values.count("#445566")) == (1, 1)


def test_a_name_that_is_taken_or_cannot_be_stops_no_other(page: Page) -> None:
    page.open(AT)
    page.put("#reading-line", "lamp #112233\n$brand.main #445566\nglass rgb(0 0 0 / 0.5)")
    page.wait(lambda: lines(page) == ["#112233", "#445566", "#808080"])
    names = "return [...document.querySelectorAll('[data-read] input[aria-label^=Name]')].map(field => field.value)"
    assert page.script(names) == ["lamp 2", "brand main", "glass"]
    page.says("[data-testid=read-lines]", "#00000080 as it looks on white")
    page.click("[data-testid=add-read]")
    page.wait(lambda: {"lamp 2", "brand main", "glass"} <= set(bands(page)))


def test_what_is_typed_survives_another_stage_and_a_reload(page: Page) -> None:
    page.open(AT)
    page.put("#reading-line", "half a thought #1122")
    page.open("/systems/brinemark/tokens")
    page.open(AT)
    page.wait(lambda: page.find("#reading-line").get_attribute("value") == "half a thought #1122")


def test_a_system_starts_with_what_was_read_and_keeps_the_lines_that_were_not(page: Page) -> None:
    page.open("/")
    page.put("textarea", "nothing here")
    page.press("Start")
    page.says("form", "No color found in “nothing here”")
    page.put("textarea", "tide #0B6E6E\nodd line\nbuoy, 223, 90, 51")
    page.press("Start")
    page.wait(lambda: bands(page)[:2] == ["tide", "buoy"])
    page.wait(lambda: page.find("#reading-line").get_attribute("value") == "odd line")


_LADDER = "\n".join(
    (
        "violet/100 #F6F1FF",
        "violet/300 #C9B3FA",
        "violet/500 #8A5CF0",
        "violet/700 #5A2FB8",
        "violet/900 #2A1160",
        "ember #E8A33D",
    )
)


def test_a_ladder_that_is_pasted_is_one_scale_unless_its_steps_are_wanted(page: Page) -> None:
    page.open(AT)
    page.put("#reading-line", _LADDER)
    page.says("[data-testid=add-read]", "Add 1 scale and 1 hue")
    page.says("[data-read-scale=violet]", "5 steps, 100 to 900; its own color at 500")
    assert len(page.all("[data-testid=read-lines] [data-hex], [data-testid=read-lines] li")) <= 1
    page.press("violet as one scale")
    page.says("[data-testid=add-read]", "Add 6 hues")
    page.press("violet: its 5 steps as hues")
    page.says("[data-testid=add-read]", "Add 1 scale and 1 hue")
    page.find("#reading-line").send_keys(Keys.ENTER)
    page.find("[data-hue=violet]")
    page.find("[data-hue=ember]")
    page.press("Scales")
    steps = page.wait(lambda: page.steps("violet"))
    assert [steps[place] for place in (0, 2, 4, 6, 8)] == [
        line.split()[1] for line in _LADDER.splitlines()[:5]
    ]
    page.press("Undo")
    page.wait(lambda: not page.all("[data-row=violet]") and not page.all("[data-row=ember]"))
