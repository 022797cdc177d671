"""Themes: what a document says does not hang on the order in which it was typed, and leaves with a value in each."""

import json
import random
from itertools import permutations, product

import numpy as np
import pytest
import tinycss2
from hypothesis import given, settings
from hypothesis import strategies as st

from heimat.core.color.hex_notation import hex_of
from heimat.core.document.names import scale_token_names
from heimat.core.document.order import key_between, keys
from heimat.core.document.system import COLLECTIONS, ColorSystem
from heimat.core.document.themes import Theme
from heimat.core.document.tokens import Deprecation, LiteralColor, StepAlias, TokenAlias
from heimat.core.document.upgrades import read_document
from heimat.core.edits import apply, apply_all
from heimat.core.edits.ladder_edits import PublishScales
from heimat.core.edits.token_care_edits import DeprecateToken, KeepTokensInternal
from heimat.core.edits.token_edits import SetTokenValue
from heimat.core.edits.token_name_edits import RenameToken
from heimat.core.filling.starter import DAY
from heimat.core.legibility.findings import findings
from heimat.core.publication.building import publication
from heimat.core.publication.changes import compare, same
from heimat.core.publication.plain_publication import plain_of, publication_of
from heimat.core.publication.publication import Publication, PublishedTheme
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark as brinemark_in_all_themes
from heimat.formats import ARCHIVE, write_all
from heimat.formats.write import css, design_tokens
from tests.examples import examples
from tests.looking import look_at
from tests.systems import brinemark_in_one_theme as brinemark

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
            SetTokenValue(
                token="surface-page", theme=NIGHT, value=StepAlias(hue="shingle", step="s900")
            ),
            SetTokenValue(
                token="text-strong", theme=NIGHT, value=StepAlias(hue="shingle", step="s100")
            ),
            SetTokenValue(
                token="surface-card", theme=STORM, value=TokenAlias(token="surface-page")
            ),
            SetTokenValue(
                token="text-on-brand", theme=STORM, value=LiteralColor(color="#FFFFFF80")
            ),
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


@examples(12, usual=4)
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
                STORM: THREE.themes[STORM].model_copy(
                    update={"order": key_between(None, _DAY_ORDER)}
                ),
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
    assert publication_of(json.loads(json.dumps(plain_of(published)))) == published


def declared(sheet: bytes) -> dict[str, dict[str, str]]:
    """The properties of each rule of a stylesheet, by its selector."""
    found: dict[str, dict[str, str]] = {}
    for rule in tinycss2.parse_stylesheet(sheet.decode(), skip_comments=True, skip_whitespace=True):
        if rule.type != "qualified-rule":
            continue
        inside = tinycss2.parse_blocks_contents(
            rule.content, skip_comments=True, skip_whitespace=True
        )
        assert all(each.type == "declaration" for each in inside)
        found[tinycss2.serialize(rule.prelude).strip()] = {
            each.name: tinycss2.serialize(each.value).strip() for each in inside
        }
    return found


def shown(rules: dict[str, dict[str, str]], selectors: list[str], name: str) -> str:
    """What a custom property comes to where some rules hold, later ones over earlier ones."""
    properties = {key: value for selector in selectors for key, value in rules[selector].items()}
    value = properties[name]
    return shown(rules, selectors, value[4:-1]) if value.startswith("var(") else value


@pytest.mark.parametrize("outer", [DAY, NIGHT, STORM])
@pytest.mark.parametrize("inner", [DAY, NIGHT, STORM])
def test_css_of_a_theme_holds_wherever_it_begins(outer: str, inner: str):
    """Also within another theme: what differs between any two, or stands for such a one, is declared again."""
    published = publication(resolve(THREE))
    rules = declared(css.write(published, "1.0.0"))
    first = ':root, [data-theme="day"]'
    assert list(rules)[:2] == [first, '[data-theme="night"]']
    assert len(rules) == 3
    selectors = dict(zip((DAY, NIGHT, STORM), rules, strict=True))
    assert all(rule["color-scheme"] == "light" for rule in rules.values())
    # An outer theme resolves its references where it begins: what is not declared again inside arrives as a color.
    around = {
        name: shown(rules, list(dict.fromkeys([first, selectors[outer]])), name)
        for name in rules[first]
        if name[:2] == "--"
    }
    inside = rules[selectors[inner]]
    for token in published.tokens:
        value = css.property_name(token.name)
        while value[:2] == "--":
            value = inside.get(value) or around[value]
            value = value[4:-1] if value.startswith("var(") else value
        assert value[:7] == token.value(inner).hex, token.name


def test_css_follows_what_readers_prefer_where_no_theme_is_chosen():
    sheet = css.write(publication(resolve(brinemark_in_all_themes())), "1.0.0").decode()
    media = [
        (
            tinycss2.serialize(rule.prelude).strip(),
            tinycss2.serialize(rule.content).split("{")[0].strip(),
        )
        for rule in tinycss2.parse_stylesheet(sheet, skip_comments=True, skip_whitespace=True)
        if rule.type == "at-rule"
    ]
    assert media == [
        ("(prefers-color-scheme: dark)", ":root:not([data-theme])"),
        ("(prefers-contrast: more) and (prefers-color-scheme: light)", ":root:not([data-theme])"),
    ]
    assert sheet.count("color-scheme: dark;") == 2


def worn(published: Publication, scheme: str, contrast: str) -> PublishedTheme:
    """The theme that a reader of these preferences gets, where none is chosen."""
    asked = {f"(prefers-color-scheme: {scheme})"}
    asked |= {"(prefers-contrast: more)"} if contrast == "more" else set()
    holds = [
        block.theme
        for block in css.blocks(published)
        if block.selector.startswith(":root")
        and set(block.media.split(" and ") if block.media else ()) <= asked
    ]
    return holds[-1]


ALL_KINDS = [
    PublishedTheme(f"{scheme}-{contrast}", f"{scheme}-{contrast}", scheme, contrast)
    for scheme in ("light", "dark")
    for contrast in ("usual", "more")
]


@pytest.mark.parametrize("count", [2, 3, 4])
def test_who_asks_for_a_scheme_gets_it_wherever_there_is_one_and_more_contrast_within_it(count):
    for themes in permutations(ALL_KINDS, count):
        published = Publication("sea", themes, ())
        for scheme, contrast in product(("light", "dark"), ("usual", "more")):
            found = worn(published, scheme, contrast)
            of_scheme = [each for each in themes if each.scheme == scheme]
            if contrast == "more" and of_scheme:
                assert found.scheme == scheme
                assert found.contrast == "more" or all(e.contrast == "usual" for e in of_scheme)
            if contrast == "usual" and any(each.contrast == "usual" for each in of_scheme):
                assert (found.scheme, found.contrast) == (scheme, "usual") or found is themes[0]


def test_what_was_released_before_keeps_the_blocks_that_it_had():
    themes = (ALL_KINDS[0], ALL_KINDS[2], ALL_KINDS[1])
    plain = plain_of(Publication("sea", themes, ()))
    before = publication_of({**plain, "format": 7})
    assert [block.media for block in css.blocks(before)][3:] == [
        "(prefers-color-scheme: dark)",
        "(prefers-contrast: more)",
    ]
    assert plain_of(before)["format"] == 7
    assert worn(publication_of(plain), "dark", "more") == ALL_KINDS[2]


def test_a_resolver_gives_every_theme_what_it_has():
    published = publication(resolve(brinemark_in_all_themes()))
    files = {
        each.name: json.loads(each.content)
        for each in write_all(published, "1.0.0")
        if "json" in each.media_type
    }
    resolver = files["tokens.resolver.json"]
    assert resolver["version"] == "2025.10"
    assert resolver["resolutionOrder"] == [{"$ref": "#/sets/base"}, {"$ref": "#/modifiers/theme"}]
    (base,) = resolver["sets"]["base"]["sources"]
    for theme in published.themes:
        merged = _flat(files[base["$ref"]])
        for context in resolver["modifiers"]["theme"]["contexts"][theme.name]:
            merged |= _flat(context)
        for token in published.tokens:
            at = merged[token.name]
            while isinstance(at, str):
                at = merged[at[1:-1]]
            assert at["hex"] == token.value(theme.id).hex.lower(), (theme.name, token.name)


def _flat(group: dict, way: str = "") -> dict[str, object]:
    found: dict[str, object] = {}
    for name, inner in group.items():
        if name.startswith("$"):
            continue
        at = f"{way}.{name}" if way else name
        found |= {at: inner["$value"]} if "$value" in inner else _flat(inner, at)
    return found


@settings(max_examples=25)
@given(
    st.sets(st.sampled_from(sorted(brinemark_in_all_themes().tokens)), min_size=1), st.booleans()
)
def test_no_internal_name_leaves_the_house(internal: set[str], scales: bool):
    """Not by itself, not as an alias, not as a replacement, in no file."""
    system = apply_all(
        brinemark_in_all_themes(),
        [
            DeprecateToken(token="text-late", deprecated=Deprecation(replacement="text-strong")),
            KeepTokensInternal(tokens=tuple(internal), internal=True),
            PublishScales(published=scales),
        ],
    ).system
    out = publication(resolve(system))
    hidden = {system.tokens[key].name for key in internal}
    hidden |= (
        set() if scales else {name for _, names in scale_token_names(system) for name in names}
    )
    assert hidden.isdisjoint(token.name for token in out.tokens)
    known = {token.name for token in out.tokens}
    for token in out.tokens:
        assert {value.alias for value in token.values.values()} - {None} <= known
    colors = resolve(system).themes
    for token in out.tokens:
        for theme, value in token.values.items():
            assert token.id not in system.tokens or value.hex == hex_of(
                colors[theme].tokens[token.id].rgb8
            )
    for file in write_all(out, "1.0.0"):
        if file.media_type == ARCHIVE:
            continue
        text = file.content.decode()
        assert not any(
            f"{css.property_name(name)}:" in text or f"{css.property_name(name)})" in text
            for name in hidden
        )
        assert not any("{" + name + "}" in text or f"Use {name}." in text for name in hidden)


def test_a_name_with_quotes_stays_one_string():
    selectors = list(declared(css.write(publication(resolve(THREE)), "1.0.0")))
    (string,) = (
        part
        for part in tinycss2.parse_one_component_value(selectors[2]).content
        if part.type == "string"
    )
    assert string.value == 'storm "9"'


FORMAT_1 = {
    "format": 1,
    "name": "Brinemark",
    "tokens": [
        {
            "id": "tidewater/s600",
            "name": "tidewater.600",
            "hex": "#0B6E6E",
            "alpha": 1.0,
            "note": "",
        },
        {
            "id": "action-main-fill",
            "name": "action.main.fill",
            "hex": "#0B6E6E",
            "alpha": 1.0,
            "alias": "tidewater.600",
            "note": "the one thing to do",
        },
        {
            "id": "veil",
            "name": "veil",
            "hex": "#001C1C",
            "alpha": 0.5,
            "p3": [0.1, 0.2, 0.3],
            "note": "",
        },
    ],
}


def test_a_release_of_format_1_is_read_whole():
    read = publication_of(FORMAT_1)
    assert [(token.name, token.value(DAY).hex, token.note) for token in read.tokens] == [
        ("tidewater.600", "#0B6E6E", ""),
        ("action.main.fill", "#0B6E6E", "the one thing to do"),
        ("veil", "#001C1C", ""),
    ]
    assert read.tokens[1].value(DAY).alias == "tidewater.600"
    assert (read.tokens[2].value(DAY).alpha, read.tokens[2].value(DAY).p3) == (0.5, (0.1, 0.2, 0.3))
    assert b"--action-main-fill: var(--tidewater-600);" in css.write(read, "1.0.0")
    assert (
        json.loads(design_tokens.write(read, "1.0.0"))["action"]["main"]["fill"]["$value"]
        == "{tidewater.600}"
    )


def test_a_release_of_format_1_is_the_same_as_what_it_was_made_of():
    """Nobody is told of changes because the form in which releases are kept has changed."""
    now = publication(resolve(brinemark()))
    tokens = [
        {
            "id": each.id,
            "name": each.name,
            "note": each.note,
            "alpha": 1.0,
            "hex": each.value(DAY).hex,
            "alias": each.value(DAY).alias,
        }
        for each in now.tokens
    ]
    before = publication_of({"format": 1, "name": now.name, "tokens": tokens})
    assert same(before, now)
    assert compare(before, now) == []
    changed = publication(
        resolve(apply(brinemark(), RenameToken(token="text-late", name="text.delay")))
    )
    assert [each.change for each in compare(before, changed)] == ["renamed"]
    # A theme that came since says something of every token; what it says otherwise is told.
    told = compare(before, publication(resolve(THREE)))
    assert {each.after.id for each in told} == {
        "surface-page",
        "text-strong",
        "surface-card",
        "text-on-brand",
    }


def test_what_a_theme_does_not_change_is_resolved_once():
    resolved = resolve(THREE)
    assert [theme.theme.id for theme in resolved.themes.values()] == [DAY, NIGHT, STORM]
    assert np.array_equal(resolved.steps.rgb8, resolve(brinemark()).steps.rgb8)
