"""The files of a release: what they say, and that they say it as their formats ask."""

import json
import re

import tinycss2

from heimat.core.document.tokens import LiteralColor, StepAlias
from heimat.core.edits import apply
from heimat.core.edits.hue_edits import RemoveHue, RenameHue
from heimat.core.edits.source_edits import SetSource
from heimat.core.edits.token_edits import AddToken, SetTokenValue
from heimat.core.edits.token_name_edits import RenameToken
from heimat.core.filling.starter import DAY
from heimat.core.publication.building import publication
from heimat.core.publication.changes import compare, next_version
from heimat.core.publication.plain_publication import plain_of, publication_of
from heimat.core.resolve.resolved import resolve
from heimat.formats import FORMATS
from heimat.formats.write import css, design_tokens
from tests.systems import brinemark_in_one_theme as brinemark

SYSTEM = brinemark()
PUBLISHED = publication(resolve(SYSTEM))


def changed(*edits):
    system = SYSTEM
    for edit in edits:
        system = apply(system, edit)
    return publication(resolve(system))


def properties(text):
    """Custom properties of the one rule, by a real parser."""
    rules = tinycss2.parse_stylesheet(text, skip_comments=True, skip_whitespace=True)
    assert [tinycss2.serialize(rule.prelude).strip() for rule in rules] == [":root"]
    found = tinycss2.parse_declaration_list(
        rules[0].content, skip_comments=True, skip_whitespace=True
    )
    assert all(item.type == "declaration" for item in found)
    values = {item.name: tinycss2.serialize(item.value).strip() for item in found}
    assert values.pop("color-scheme", "light") == "light"
    return values


def test_css_gives_every_token_its_published_value():
    found = properties(css.write(PUBLISHED, "1.0.0").decode())
    assert len(found) == len(PUBLISHED.tokens)
    for token in PUBLISHED.tokens:
        value = found[css.property_name(token.name)]
        while (reference := re.fullmatch(r"var\((--[\w-]+)\)", value)) is not None:
            value = found[reference[1]]
        assert value == token.value(DAY).hex


def test_design_tokens_format():
    root = json.loads(design_tokens.write(PUBLISHED, "1.0.0"))

    def at(path):
        node = root
        for part in path.split("."):
            node = node[part]
        return node

    for token in PUBLISHED.tokens:
        node = at(token.name)
        assert node["$type"] == "color"
        value = node["$value"]
        while isinstance(value, str):
            value = at(value.strip("{}"))["$value"]
        assert value["colorSpace"] == "srgb"
        assert value["hex"] == token.value(DAY).hex.lower()
        assert "alpha" not in value
        levels = [round(component * 255, 2) for component in value["components"]]
        assert levels == [float(level) for level in bytes.fromhex(token.value(DAY).hex[1:])]
    assert list(root["tidewater"]) == [str(label) for label in range(100, 1000, 100)]


def test_alpha_is_written_where_it_is_not_one():
    veil = changed(
        AddToken(id="veil", name="veil", theme=DAY, value=LiteralColor(color="rgb(0 0 0 / 40%)"))
    )
    assert json.loads(design_tokens.write(veil, "1"))["veil"]["$value"]["alpha"] == 0.4
    assert properties(css.write(veil, "1").decode())["--veil"] == "#00000066"


def test_the_same_publication_gives_the_same_bytes():
    again = publication_of(json.loads(json.dumps(plain_of(PUBLISHED))))
    assert again == PUBLISHED
    for kind in FORMATS:
        assert kind.write(again, "1.0.0") == kind.write(PUBLISHED, "1.0.0")


def test_what_changed_and_the_version_proposed():
    assert next_version(None, compare(None, PUBLISHED)).version == "1.0.0"
    recolored = compare(PUBLISHED, changed(SetSource(hue="heather", color="#8A6FA9")))
    assert {change.change for change in recolored} == {"changed"}
    assert all(change.distance and change.distance > 0 for change in recolored)
    assert next_version("1.2.3", recolored).version == "1.2.4"

    later = AddToken(
        id="later", name="text.later", theme=DAY, value=StepAlias(hue="buoy", step="s600")
    )
    added = compare(PUBLISHED, changed(later))
    assert [(change.change, change.after.name) for change in added] == [("added", "text.later")]
    assert next_version("1.2.3", added).version == "1.3.0"

    renamed = compare(PUBLISHED, changed(RenameToken(token="text-late", name="text.delay")))
    assert [(change.before.name, change.after.name) for change in renamed] == [
        ("text.late", "text.delay")
    ]
    assert next_version("1.2.3", renamed).version == "2.0.0"


def test_pointed_elsewhere_is_told_with_the_distance():
    elsewhere = SetTokenValue(
        token="text-late", theme=DAY, value=StepAlias(hue="buoy", step="s700")
    )
    found = compare(PUBLISHED, changed(elsewhere))
    assert [
        (change.change, change.before.value(DAY).alias, change.after.value(DAY).alias)
        for change in found
    ] == [("repointed", "buoy.500", "buoy.700")]
    assert found[0].distance > 20
    assert next_version("1.2.3", found).version == "1.3.0"


def test_an_alias_that_follows_a_new_name_has_not_been_pointed_elsewhere():
    renamed = compare(PUBLISHED, changed(RenameHue(hue="buoy", name="beacon")))
    assert {change.change for change in renamed} == {"renamed"}
    same_color = SetTokenValue(
        token="text-on-brand", theme=DAY, value=LiteralColor(color="#FFFFFF")
    )
    assert compare(PUBLISHED, changed(same_color)) == []


def test_of_several_that_go_the_first_is_named_and_the_others_are_counted():
    one = compare(PUBLISHED, changed(RemoveHue(hue="heather")))
    why = next_version("1.2.3", one).why
    gone = [each for each in one if each.change == "removed"]
    assert f"{gone[0].before.name} and {len(gone) - 1} more will not be found" in why
