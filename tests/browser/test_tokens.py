"""Tokens and legibility: aliases, names, findings and their repairs."""

from tests.browser.page import Page

AT = "/systems/brinemark/tokens"


def test_changing_an_alias(page: Page) -> None:
    page.open(AT)
    page.click("[data-token='text.late']")
    page.says("[data-testid=token-editor]", "text.late is buoy 500")
    page.click("[aria-label^='buoy 700']")
    page.says("[data-testid=token-editor]", "text.late is buoy 700")
    page.choose("Or as another token", "text.strong")
    page.says("[data-testid=token-editor]", "text.late is text.strong, shingle 900")
    page.type("Or a color of its own", "#B03020", enter=True)
    page.says("[data-testid=token-editor]", "text.late is #B03020")


def test_a_loop_is_refused_and_named(page: Page) -> None:
    page.open(f"{AT}?at=token:action-main-fill")
    page.choose("Or as another token", "surface.brand")
    page.says("[data-testid=token-editor]", "That would be a loop: surface.brand is action.main.fill is surface.brand.")


def test_adding_and_renaming(page: Page) -> None:
    page.open(AT)
    page.press("Add token")
    page.type("Name, parts joined by periods", "text.strong")
    page.click("[data-testid=add-token] button")
    page.says("[data-testid=add-token]", "Choose the step")
    page.click("[data-testid=add-token] [aria-label^='sound 700']")
    page.click("[data-testid=add-token] button")
    page.says("[data-testid=add-token]", "“text.strong” is taken")
    page.type("Name, parts joined by periods", "text", enter=True)
    page.says("[data-testid=add-token]", "cannot be a token and")
    page.type("Name, parts joined by periods", "text.gate", enter=True)
    page.says("[data-testid=token-editor]", "text.gate is sound 700")
    page.type("Name", "text.gates", enter=True)
    page.find("[data-token='text.gates']")


def test_the_pattern_of_scale_tokens(page: Page) -> None:
    page.open(AT)
    page.type("Pattern of the scale tokens", "{hue}", enter=True)
    page.says("main", "A pattern holds {hue} and {step}")
    page.type("Pattern of the scale tokens", "color.{hue}.{step}", enter=True)
    page.press("Releases")
    page.wait(lambda: "--color-tidewater-600: #0B6E6E;" in page.text("[data-testid=file-text]"))


def test_the_demos_trap_and_its_repair(page: Page) -> None:
    page.open("/systems/brinemark/legibility")
    page.says("[data-testid=finding]", "status.success and status.error look alike for deutan vision.")
    page.says("[data-testid=finding]", "CIEDE2000 65.3 for typical vision, 3.2 for deutan")
    page.says("[data-testid=finding]", "text.late on surface.card reads 3.71; body text needs 4.5.")
    page.press("Let status.error be flare 700")
    page.wait(lambda: len(page.all("[data-testid=finding]")) == 3)
    assert not any("status.error" in finding.text for finding in page.all("[data-testid=finding]"))
    page.press("Undo")
    page.wait(lambda: len(page.all("[data-testid=finding]")) == 4)
