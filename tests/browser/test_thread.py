"""The whole path in the real page: from a pasted hue to the feed."""

import re
import urllib.request

from tests.browser.page import Page


def test_from_a_brand_hue_to_the_feed(page: Page) -> None:
    page.open("/")
    page.type("Name", "Holm Ness")
    page.type("Brand colors", "pier #7A4B1E")
    page.says("[data-testid=read-lines]", "#7A4B1E")
    page.press("Start")

    page.says("h1", "Sources")
    page.says("[data-testid=slip-name]", "pier")
    page.press("Scales")
    page.says("h1", "Scales")
    assert "#7A4B1E" in page.steps("pier")
    page.click("[data-hex='#7A4B1E']")
    page.says("[data-testid=slip-name]", "pier")
    page.says("[data-testid=slip-why]", "to the bit")
    # By hand: Y = 0.2126 × 0.1946 + 0.7152 × 0.0704 + 0.0722 × 0.0130 = 0.0927, and 1.05 / 0.1427 = 7.36.
    page.says("[data-testid=slip]", "7.36")

    page.press("Sources")
    page.click("[data-hue=pier]")
    page.type("Name", "jetty", enter=True)
    page.find("[data-hue=jetty]")

    page.press("Tokens")
    page.click("[data-token='link.text']")
    page.find("[data-testid=token-editor]")
    page.click("[aria-label^='jetty 800']")
    page.says("[data-testid=token-editor]", "link.text is jetty 800")

    # Scale tokens stay in the house until somebody lets developers have them.
    page.press("Names")
    page.press("Internal: developers")
    page.press("Scales")
    shown = page.wait(lambda: page.steps("jetty"))
    page.press("Releases")
    page.wait(lambda: "jetty-800" in page.text("[data-testid=file-text]"))
    page.type("Notes", "The first one")
    page.press("Publish 1.0.0")
    page.says("[role=status]", "1.0.0 is out.")
    page.says("[data-testid=release]", "The first one")

    address = page.wait(lambda: page.find("[data-testid=feed-address] a").get_attribute("href"))
    css = urllib.request.urlopen(address).read().decode()
    found = dict(re.findall(r"--([\w-]+): ([^;]+);", css))
    labels = [str(label) for label in range(100, 1000, 100)]
    assert [found[f"jetty-{label}"] for label in labels] == shown
    assert found["link-text"] == "var(--jetty-800)"
