"""Themes: what a document says does not hang on the order in which it was typed, and leaves with a value in each."""

import json
import random

import numpy as np
import pytest
import tinycss2
from hypothesis import given, settings
from hypothesis import strategies as st

from heimat.core.color.notation import hex_of
from heimat.core.document.order import key_between, keys
from heimat.core.document.system import COLLECTIONS, ColorSystem
from heimat.core.document.themes import Theme
from heimat.core.document.tokens import LiteralColor, StepAlias, TokenAlias
from heimat.core.document.upgrades import read_document
from heimat.core.edits import RenameToken, SetTokenValue, apply, apply_all
from heimat.core.legibility.findings import findings
from heimat.core.proposals.starter import DAY
from heimat.core.publication.changes import compare, same
from heimat.core.publication.publication import Publication, publication
from heimat.core.resolve.resolved import resolve
from heimat.demo.systems import brinemark
from heimat.formats.write import css, design_tokens
from tests.looking import look_at

_DAY_ORDER = brinemark().themes[DAY].order
_LATE = keys(2, _DAY_ORDER)
NIGHT, STORM = "night", "storm"


def _three() -> ColorSystem:
    """The demo's system with two more themes, which say otherwise of a few tokens."""
    system = brinemark()
    themes = {
        **system.themes,
        NIGHT: Theme(id=NIGHT, order=_LATE[0], name="night"),
        STORM: Theme(id=STORM, order=_LATE[1], name='storm "9"'),
    }
    system = system.model_copy(update={"themes": themes})
    return apply_all(
        system,
        [
            SetTokenValue(token="surface-page", theme=NIGHT, value=StepAlias(hue="shingle", step="s900")),
            SetTokenValue(token="text-strong", theme=NIGHT, value=StepAlias(hue="shingle", step="s100")),
            SetTokenValue(token="surface-card", theme=STORM, value=TokenAlias(token="surface-page")),
            SetTokenValue(token="text-on-brand", theme=STORM, value=LiteralColor(color="#FFFFFF80")),
        ],
    ).system


THREE = _three()


def shuffled(system: ColorSystem, seed: int) -> ColorSystem:
    """The same document with everything inserted in another order."""
    mixed = random.Random(seed)
    data = system.model_dump(mode="json", by_alias=True)
    for collection in COLLECTIONS:
        items = list(data[collection].items())
        mixed.shuffle(items)
        data[collection] = dict(items)
    for token in data["tokens"].values():
        values = list(token["values"].items())
        mixed.shuffle(values)
        token["values"] = dict(values)
    return read_document(data)


@settings(max_examples=12)
@given(st.integers(0, 10_000))
def test_equal_documents_are_seen_and_published_alike(seed):
    other = shuffled(THREE, seed)
    assert other == THREE
    for theme in (DAY, NIGHT, STORM):
        assert look_at(other, theme=theme) == look_at(THREE, theme=theme)
    assert publication(resolve(other)) == publication(resolve(THREE))


def test_undo_of_a_theme_s_value_gives_what_was_there():
    """What is put back comes last in its document; what it stands for must not hang on that."""
    edit = SetTokenValue(token="surface-page", theme=DAY, value=StepAlias(hue="kelp", step="s100"))
    applied = apply_all(THREE, [edit])
    back = apply(applied.system, applied.inverse)
    assert back == THREE
    assert publication(resolve(back)) == publication(resolve(THREE))


def test_a_token_without_a_value_in_a_theme_has_that_of_the_first_theme_that_says_one():
    resolved = resolve(THREE)
    for theme in (DAY, NIGHT, STORM):
        steps = {key: color.step for key, color in resolved.themes[theme].tokens.items()}
        assert steps["link-text"] == resolve(brinemark()).theme().tokens["link-text"].step
    # An alias is followed in the theme that asks, to what its target is there.
    card, page = (resolved.themes[STORM].tokens[key] for key in ("surface-card", "surface-page"))
    assert (card.rgb8 == page.rgb8).all()
    moved = THREE.model_copy(
        update={
            "themes": {
                **THREE.themes,
                STORM: THREE.themes[STORM].model_copy(update={"order": key_between(None, _DAY_ORDER)}),
            }
        }
    )
    assert resolve(moved).themes[NIGHT].tokens["text-on-brand"].alpha == pytest.approx(128 / 255)


def test_findings_name_their_theme():
    found = findings(resolve(THREE))
    assert {finding.theme for finding in found if finding.id.startswith("pairing:")} >= {NIGHT}
    assert len({finding.id for finding in found}) == len(found)
    for finding in found:
        if finding.id.startswith("pairing:"):
            assert finding.id.split(":")[1] == finding.theme


def test_a_publication_holds_a_value_for_each_theme_and_comes_back_from_what_is_stored():
    published = publication(resolve(THREE))
    resolved = resolve(THREE)
    for token in published.tokens:
        for theme, value in token.values.items():
            if token.id in THREE.tokens:
                assert value.hex == hex_of(resolved.themes[theme].tokens[token.id].rgb8)
    assert Publication.from_plain(json.loads(json.dumps(published.plain()))) == published


def declared(sheet: bytes) -> dict[str, dict[str, str]]:
    """The properties of each rule of a stylesheet, by its selector."""
    found: dict[str, dict[str, str]] = {}
    for rule in tinycss2.parse_stylesheet(sheet.decode(), skip_comments=True, skip_whitespace=True):
        if rule.type != "qualified-rule":
            continue
        inside = tinycss2.parse_blocks_contents(rule.content, skip_comments=True, skip_whitespace=True)
        assert all(each.type == "declaration" for each in inside)
        found[tinycss2.serialize(rule.prelude).strip()] = {
            each.name: tinycss2.serialize(each.value).strip() for each in inside
        }
    return found


def test_css_states_in_each_further_theme_what_differs_there():
    """Read as a browser would: the first rule, and over it the theme's own."""
    published = publication(resolve(THREE))
    sheets = declared(css.write(published, "1.0.0"))
    assert next(iter(sheets)) == ":root"
    assert len(sheets) == 3
    for theme, own in zip(published.themes, ({}, *list(sheets.values())[1:]), strict=True):
        properties = {**sheets[":root"], **own}
        for token in published.tokens:
            at = token.name
            name = css.property_name(at)
            while (value := properties[name]).startswith("var("):
                name = value[4:-1]
            assert value[:7] == token.value(theme.id).hex, (theme.id, at)
        # What stands for something that differs here is stated here too: it may be set on any element.
        differing = {css.property_name(each.name) for each in published.tokens if _differs(each, theme.id)}
        assert set(own) == differing


def _differs(token, theme):
    return token.value(theme) != token.value(DAY)


def test_a_name_with_quotes_stays_one_string():
    selectors = list(declared(css.write(publication(resolve(THREE)), "1.0.0")))
    (string,) = (part for part in tinycss2.parse_one_component_value(selectors[2]).content if part.type == "string")
    assert string.value == 'storm "9"'


FORMAT_1 = {
    "format": 1,
    "name": "Brinemark",
    "tokens": [
        {"id": "tidewater/s600", "name": "tidewater.600", "hex": "#0B6E6E", "alpha": 1.0, "note": ""},
        {
            "id": "action-main-fill",
            "name": "action.main.fill",
            "hex": "#0B6E6E",
            "alpha": 1.0,
            "alias": "tidewater.600",
            "note": "the one thing to do",
        },
        {"id": "veil", "name": "veil", "hex": "#001C1C", "alpha": 0.5, "p3": [0.1, 0.2, 0.3], "note": ""},
    ],
}


def test_a_release_of_format_1_is_read_whole():
    read = Publication.from_plain(FORMAT_1)
    assert [(token.name, token.value(DAY).hex, token.note) for token in read.tokens] == [
        ("tidewater.600", "#0B6E6E", ""),
        ("action.main.fill", "#0B6E6E", "the one thing to do"),
        ("veil", "#001C1C", ""),
    ]
    assert read.tokens[1].value(DAY).alias == "tidewater.600"
    assert (read.tokens[2].value(DAY).alpha, read.tokens[2].value(DAY).p3) == (0.5, (0.1, 0.2, 0.3))
    assert b"--action-main-fill: var(--tidewater-600);" in css.write(read, "1.0.0")
    assert json.loads(design_tokens.write(read, "1.0.0"))["action"]["main"]["fill"]["$value"] == "{tidewater.600}"


def test_a_release_of_format_1_is_the_same_as_what_it_was_made_of():
    """Nobody is told of changes because the form in which releases are kept has changed."""
    now = publication(resolve(brinemark()))
    tokens = [
        {"id": each.id, "name": each.name, "note": each.note, "alpha": 1.0, **each.value(DAY).plain()}
        for each in now.tokens
    ]
    before = Publication.from_plain({"format": 1, "name": now.name, "tokens": tokens})
    assert same(before, now)
    assert compare(before, now) == []
    changed = publication(resolve(apply(brinemark(), RenameToken(token="text-late", name="text.delay"))))
    assert [each.change for each in compare(before, changed)] == ["renamed"]
    # A theme that came since says something of every token; what it says otherwise is told.
    told = compare(before, publication(resolve(THREE)))
    assert {each.after.id for each in told} == {"surface-page", "text-strong", "surface-card", "text-on-brand"}


def test_what_a_theme_does_not_change_is_resolved_once():
    resolved = resolve(THREE)
    assert [theme.theme.id for theme in resolved.themes.values()] == [DAY, NIGHT, STORM]
    assert np.array_equal(resolved.steps.rgb8, resolve(brinemark()).steps.rgb8)
