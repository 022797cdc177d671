"""Plain names, names in CSS, and documents that do not hold together."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.color.color_text import parse
from heimat.core.color.naming import plain_name, unique_name
from heimat.core.document.consistency import check_system
from heimat.core.document.hues import TintedSource
from heimat.core.document.names import check_token_name, css_name, scale_token_name
from heimat.core.document.tokens import StepAlias, TokenAlias
from heimat.core.errors import DomainError
from heimat.core.filling.starter import DAY
from heimat.demo.demo_systems import brinemark

SYSTEM = brinemark()


@pytest.mark.parametrize(
    ("text", "name"),
    [
        ("#000000", "black"),
        ("#FFFFFF", "white"),
        ("#808080", "gray"),
        ("#FF0000", "red"),
        ("#FF8800", "orange"),
        ("#FFD700", "yellow"),
        ("#2E8B57", "green"),
        ("#0B6E6E", "teal"),
        ("#2F6DB5", "blue"),
        ("#7A2F8F", "violet"),
        ("#FF69B4", "pink"),
    ],
)
def test_plain_names(text, name):
    assert plain_name(parse(text)) == name


def test_unique_names():
    assert unique_name("teal", []) == "teal"
    assert unique_name("teal", ["Teal"]) == "teal 2"
    assert unique_name("teal", ["teal", "teal 2", "teal 4"]) == "teal 3"


@given(st.text(min_size=1, max_size=30))
def test_every_allowed_name_is_a_css_name(text):
    try:
        check_token_name(text, "name")
    except DomainError:
        return
    name = css_name(text)
    assert name
    assert all(sign.isalnum() or sign in "-_" for sign in name)


def test_patterns():
    assert scale_token_name("color.{hue}.{step}", "sea green", "100") == "color.sea green.100"
    assert css_name("color.sea green.100") == "color-sea-green-100"


def with_token(token_id, **change):
    token = SYSTEM.tokens[token_id].model_copy(update=change)
    return SYSTEM.model_copy(update={"tokens": {**SYSTEM.tokens, token_id: token}})


def with_hue(hue_id, **change):
    hue = SYSTEM.hues[hue_id].model_copy(update=change)
    return SYSTEM.model_copy(update={"hues": {**SYSTEM.hues, hue_id: hue}})


BROKEN = [
    (with_token("link-text", values={}), "needs a value"),
    (
        with_token("link-text", values={"dusk": StepAlias(hue="kelp", step="s500")}),
        "theme is not there",
    ),
    (
        with_token("link-text", values={DAY: StepAlias(hue="gone", step="s500")}),
        "step it should stand for",
    ),
    (
        with_token("link-text", values={DAY: StepAlias(hue="kelp", step="s55")}),
        "step it should stand for",
    ),
    (with_token("link-text", values={DAY: TokenAlias(token="gone")}), "token it should stand for"),
    (with_token("link-text", values={DAY: TokenAlias(token="link-text")}), "loop"),
    (with_hue("shingle", source=TintedSource(hue="gone")), "needs a hue"),
    (with_hue("shingle", source=TintedSource(hue="shingle")), "cannot follow itself"),
    (with_hue("kelp", pins={"s55": parse("#123456")}), "no step of that label"),
    (SYSTEM.model_copy(update={"tokens": {}}), "checked is not there"),
    (with_hue("kelp", name="flare"), "taken"),
]


@pytest.mark.parametrize(("system", "words"), BROKEN, ids=[words for _, words in BROKEN])
def test_documents_that_do_not_hold_together(system, words):
    with pytest.raises(DomainError) as refused:
        check_system(system, "edit")
    assert words in refused.value.message


def test_the_demo_holds_together():
    check_system(SYSTEM, "edit")
