"""The stand-in product beside Heimat: a publication arrives there; the checker finds the slips in its stylesheet."""

from heimat.core.publication.building import publication
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark
from heimat.formats.check_text import check
from heimat.local.site import SITE, site
from tests.browser.page import Page

AT = "/systems/brinemark/releases"
FILL = "return getComputedStyle(document.querySelector(arguments[0])).backgroundColor"


def publish(page: Page, version: str) -> None:
    page.open(AT)
    page.type("Version", version)
    page.press(f"Publish {version}")
    page.says("[role=status]", f"{version} is out.")


def test_a_publication_arrives_in_the_product_that_uses_it(page: Page) -> None:
    with site(page.address) as address:
        publish(page, "1.0.0")
        page.driver.get(f"{address}/")
        page.wait(lambda: page.script(FILL, "button") == "rgb(11, 110, 110)")
        ground = page.script(FILL, "body")
        page.driver.get(f"{address}/board.html")
        page.wait(lambda: page.script(FILL, "body") not in (ground, "rgba(0, 0, 0, 0)"))
        page.open("/systems/brinemark/sources?at=hue:tidewater")
        page.type("Color, in any notation", "#304FA0", enter=True)
        page.says("[data-testid=slip]", "#304FA0")
        publish(page, "2.0.0")
        page.driver.get(f"{address}/")
        page.wait(lambda: page.script(FILL, "button") == "rgb(48, 79, 160)")
        assert page.driver.get(f"{address}/../launcher.py") is None
        page.says("body", "404")


def test_the_checker_finds_the_two_slips_of_its_stylesheet_and_no_more() -> None:
    found = check((SITE / "site.css").read_text(), publication(resolve(brinemark()))).found
    assert [(each.kind, each.text) for each in found] == [
        ("unknown", "var(--surface-crad"),
        ("outside", "#df5a32"),
    ]
    assert [each.token.name for each in found if each.token] == ["surface.card", "text.late"]
    for name in ("index.html", "board.html", "quay.html"):
        assert check((SITE / name).read_text(), publication(resolve(brinemark()))).found == ()
