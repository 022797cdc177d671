"""Tokens and legibility: aliases, names, themes, starter sets, what uses what, findings and their repairs."""

import json

from selenium.webdriver.common.action_chains import ActionChains
from selenium.webdriver.common.keys import Keys

from tests.browser.page import Page

AT = "/systems/brinemark/tokens"
EDITOR = "[data-testid=token-editor]"


def test_changing_an_alias(page: Page) -> None:
    page.open(AT)
    page.click("[data-token='text.late']")
    page.says(EDITOR, "text.late is buoy 500")
    page.click("[aria-label^='buoy 700']")
    page.says(EDITOR, "text.late is buoy 700")
    page.choose("Or as another token", "text.strong")
    page.says(EDITOR, "text.late is text.strong, shingle 900")
    page.type("Or a color, or a name", "#B03020", enter=True)
    page.says(EDITOR, "text.late is #B03020")


def test_enter_on_a_token_leads_into_its_editor_and_escape_back(page: Page) -> None:
    def focused(what: str) -> bool:
        return page.script("return document.activeElement.matches(arguments[0])", what)

    page.open(AT)
    page.find("[data-band='surface.card'] [data-token='text.late']").send_keys(Keys.ENTER)
    page.wait(lambda: focused(f"{EDITOR} *"))
    # It stands under the ground on which the token was chosen; the other grounds are a line each.
    page.find(f"[data-band='surface.card'] {EDITOR}")
    assert not page.all("[data-band='surface.page'] [data-token='text.plain']")
    assert "all hold" in page.text("[data-band='surface.page']")
    page.keys(Keys.ESCAPE)
    page.wait(lambda: focused("[data-token='text.late']"))
    page.keys(Keys.ENTER)
    page.wait(lambda: focused(f"{EDITOR} *"))
    page.press("Unfold")
    page.find("[data-band='surface.page'] [data-token='text.plain']").click()
    page.find(f"[data-band='surface.page'] {EDITOR}")
    assert "1 short of what is needed" in page.text("[data-band='surface.card']")


def test_a_step_is_tried_by_arrows_given_back_by_escape_and_kept_by_enter(page: Page) -> None:
    page.open(f"{AT}?at=token:text-late")
    # The hardest pairing stands beside it; every step prints what it would read there.
    page.says(EDITOR, "text.late on surface.card: body text, 4.5")
    page.find("[aria-label='buoy 500, #DF5A33, 3.71, falls short']").click()
    sample = "[data-token='text.late'] [data-sample]"
    before = page.find(sample).value_of_css_property("color")
    page.keys(Keys.ARROW_RIGHT, Keys.ARROW_RIGHT)
    page.wait(lambda: page.find(sample).value_of_css_property("color") != before)
    page.keys(Keys.ESCAPE)
    page.wait(lambda: page.find(sample).value_of_css_property("color") == before)
    page.keys(Keys.ARROW_RIGHT, Keys.ENTER)
    page.wait(
        lambda: (
            "falls short"
            not in (
                page.find(f"{EDITOR} [aria-pressed=true][data-row]").get_attribute("aria-label")
                or "falls short"
            )
        )
    )


def test_a_loop_is_refused_and_named(page: Page) -> None:
    page.open(f"{AT}?at=token:action-main-fill")
    page.choose("Or as another token", "surface.brand")
    page.says(
        EDITOR, "That would be a loop in day: surface.brand is action.main.fill is surface.brand."
    )


def test_adding_and_renaming(page: Page) -> None:
    page.open(f"{AT}?area=add-tokens")
    page.type("Its name, parts joined by periods", "text.strong")
    page.click("[data-testid=add-token] button")
    page.says("[data-testid=add-token]", "Choose the step")
    page.click("[data-testid=add-token] [aria-label^='sound 700']")
    page.click("[data-testid=add-token] button")
    page.says("[data-testid=add-token]", "“text.strong” is taken")
    page.type("Its name, parts joined by periods", "text", enter=True)
    page.says("[data-testid=add-token]", "cannot be a token and")
    page.type("Its name, parts joined by periods", "text.gate", enter=True)
    page.press("Close")
    page.says(EDITOR, "text.gate is sound 700")
    page.type("Name", "text.gates", enter=True)
    page.find("[data-token='text.gates']")


def test_a_starter_set_is_shown_before_it_comes_and_taken_back_whole(page: Page) -> None:
    page.open("/systems/merrow-light/tokens?area=add-tokens")
    page.says("h1 + *", "41 semantic")
    page.choose("Add one token", "a starter set")
    page.choose("Which product, 57", "dashboard, 88")
    page.says("[data-testid=addition]", "chart.series.1")
    page.says("[data-testid=addition]", "wait for a status hue")
    page.press("Add all 31")
    page.says("h1 + *", "72 semantic")
    page.press("Undo")
    page.says("h1 + *", "41 semantic")


def test_a_dark_theme_is_proposed_added_and_shown(page: Page) -> None:
    page.open("/systems/merrow-light/tokens?area=themes")
    page.says("[data-testid=theme-proposal]", "Every pairing keeps what it needs.")
    page.press("Add the theme")
    page.says("h1 + *", "2 themes")
    page.wait(lambda: "theme=" in page.driver.current_url)
    page.press("Close")
    ground = page.find("[data-band='surface.page']").value_of_css_property("background-color")
    assert max(int(part) for part in ground.removeprefix("rgba(").split(",")[:3]) < 60
    # The brand stays the brand, with the step that keeps its contrast one click away.
    page.click("[data-token='action.main.fill']")
    page.says(EDITOR, "lantern itself")
    page.says("[data-testid=token-themes]", "night is lantern itself")


def test_breaking_a_pairing_and_mending_it(page: Page) -> None:
    page.open(f"{AT}?at=token:text-plain")
    page.click(f"{EDITOR} [aria-label^='shingle 300']")
    page.says(EDITOR, "text.plain is shingle 300")
    page.find("[data-token='text.plain'] [role=img]")
    page.press("Fill again")
    page.choose("Of all tokens", "text.plain")
    page.press("Fill 1 in day")
    page.wait(lambda: not page.all("[data-token='text.plain'] [role=img]"))


def test_renaming_many_by_a_pattern_shows_every_name_and_refuses_what_clashes(page: Page) -> None:
    page.open(f"{AT}?area=names")
    page.type("Find", "action.main.label")
    page.type("Replace by", "text.plain")
    page.says("[data-testid=renaming]", "“text.plain” is taken")
    assert page.button("Rename 2").get_attribute("disabled") is not None
    page.type("Find", "action.main")
    page.type("Replace by", "act.first")
    page.says("[data-testid=renaming]", "act.first.fill-hovered")
    page.press("Old names live on")
    page.type("Replace by", "act.first", enter=True)
    page.press("Close")
    page.find("[data-token='act.first.fill']")
    page.find("[data-token='action.main.fill']")
    page.press("Releases")
    page.wait(
        lambda: "--action-main-fill: var(--act-first-fill);" in page.text("[data-testid=file-text]")
    )
    # Whatever it is called, the specimen finds it.
    assert (
        page.find("[data-specimen='ticket page'] button").value_of_css_property("background-color")
        == "rgba(11, 110, 110, 1)"
    )


def test_the_pattern_of_scale_tokens(page: Page) -> None:
    page.open(f"{AT}?area=names")
    page.type("Pattern of the scale tokens", "{hue}")
    page.says("[data-testid=scale-names]", "A pattern holds {hue} and {step}")
    page.type("Pattern of the scale tokens", "text.{hue}-{step}")
    page.says("[data-testid=scale-names]", "text.tidewater-600")
    page.type("Pattern of the scale tokens", "color.{hue}.{step}", enter=True)
    page.press("Releases")
    page.wait(lambda: "--color-tidewater-600: #0B6E6E;" in page.text("[data-testid=file-text]"))


def test_what_uses_a_hue_is_told_with_a_replacement_for_each_before_it_goes(page: Page) -> None:
    page.open(f"{AT}?at=hue:heather&area=standing")
    page.says("[data-testid=standing]", "link.text-visited")
    page.says("[data-testid=standing]", "is heather 600 in day")
    page.press("Put all 3 on the nearest step")
    page.says("[data-testid=standing]", "Nothing stands on it: it can go.")


def test_a_click_in_the_specimen_says_which_tokens_color_it(page: Page) -> None:
    page.open(AT)
    page.click("[data-specimen='ticket page'] [data-colors*='action.main.fill action.main.label']")
    page.says("[data-testid=picked-colors]", "action.main.fill")
    page.says("[data-testid=slip-name]", "action.main.fill")


def test_css_of_every_theme_is_in_the_browser_what_was_resolved(page: Page) -> None:
    """The stylesheet itself, in a page of its own, with themes nested in each other."""
    page.open("/systems/brinemark/releases")
    css = page.wait(lambda: page.text("[data-testid=file-text]"))
    parts = page.script(
        "const slug='brinemark'; const got = await (await fetch(`/api/systems/${slug}?parts=specimen`)).json();"
        "return got.specimen;"
    )
    page.driver.get("about:blank")
    found = page.script(
        """
        document.documentElement.innerHTML = '<body></body>';
        const style = document.createElement('style'); style.textContent = arguments[0]; document.head.append(style);
        const themes = arguments[1].themes; const got = {};
        for (const outer of themes) for (const inner of themes) {
          const box = document.createElement('div'); box.dataset.theme = outer.name;
          const inside = document.createElement('div'); inside.dataset.theme = inner.name;
          box.append(inside); document.body.append(box);
          for (const name of Object.keys(inner.colors)) {
            inside.style.color = `var(${name})`;
            (got[`${outer.name} ${inner.name}`] ??= {})[name] = getComputedStyle(inside).color;
          }
        }
        return got;
        """,
        css,
        parts,
    )
    themes = {theme["name"]: theme["colors"] for theme in parts["themes"]}
    assert len(found) == 9
    for pair, colors in found.items():
        expected = themes[pair.split()[1]]
        for name, color in colors.items():
            numbers = [
                float(part)
                for part in color[color.index("(") + 1 : -1]
                .replace(",", " ")
                .replace("/", " ")
                .split()
            ]
            levels = [int(expected[name][at : at + 2], 16) for at in (1, 3, 5)]
            assert [round(number) for number in numbers[:3]] == levels, (
                pair,
                name,
                json.dumps(color),
            )


def test_many_tokens_are_chosen_moved_and_removed_at_once_in_the_swatches(page: Page) -> None:
    page.open("/systems/brinemark/tokens?show=swatches")

    def names() -> list[str | None]:
        return [each.get_attribute("data-token") for each in page.all("[data-token]")]

    before = names()
    page.choose("Choose by their first word", "link")
    page.says("[aria-label='Chosen tokens']", "3 chosen")
    page.choose("Move before another token", "surface.page")
    page.wait(
        lambda: (
            names()[:4] == ["link.text", "link.text-hovered", "link.text-visited", "surface.page"]
        )
    )
    page.press("Remove 3")
    page.wait(lambda: len(names()) == len(before) - 3)
    page.press("Undo")
    page.wait(lambda: len(names()) == len(before))
    page.press("Undo")
    page.wait(lambda: names() == before)
    page.click("[data-token='text.strong']")
    last = page.driver.find_element("css selector", "[data-token='text.faint']")
    ActionChains(page.driver).key_down(Keys.SHIFT).click(last).key_up(Keys.SHIFT).perform()
    page.says("[aria-label='Chosen tokens']", "3 chosen")
