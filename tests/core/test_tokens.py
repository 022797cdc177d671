"""Tokens: what they stand for in every theme, what they are called, and what stays when something goes."""

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from heimat.core.color.exact_color import Color, rgb8_of
from heimat.core.document.hues import QuantityChange
from heimat.core.document.tokens import (
    Deprecation,
    DerivedColor,
    HueAlias,
    LiteralColor,
    PaletteAlias,
    StepAlias,
    TokenAlias,
    base_of,
)
from heimat.core.edits import apply, apply_all
from heimat.core.edits.hue_edits import RemoveHue
from heimat.core.edits.theme_edits import AddTheme, RemoveTheme, SetTheme
from heimat.core.edits.token_care_edits import DeprecateToken
from heimat.core.edits.token_edits import LetTokenFollow, RemoveToken, SetTokenValue
from heimat.core.edits.token_name_edits import RenameTokens
from heimat.core.errors import DomainError
from heimat.core.legibility.change_ramps import change_ramps
from heimat.core.publication.building import publication
from heimat.core.resolve.resolved import Resolved, resolve
from heimat.core.values.derived_color import derived_color
from heimat.demo.demo_systems import brinemark
from tests.examples import examples

SYSTEM = brinemark()
TOKENS, THEMES, HUES = sorted(SYSTEM.tokens), sorted(SYSTEM.themes), sorted(SYSTEM.hues)


def by_hand(resolved: Resolved, token: str, theme: str) -> tuple[list[int], float]:
    """The color of a token, the chain followed one alias after another from the document."""
    system = resolved.system
    themes, at = [theme], system.themes[theme].base
    while at:
        themes.append(at)
        at = system.themes[at].base
    themes += sorted(system.themes, key=lambda key: system.themes[key].order)
    value = next(
        system.tokens[token].values[each] for each in themes if each in system.tokens[token].values
    )
    base = base_of(value)
    if isinstance(base, TokenAlias):
        levels, alpha = by_hand(resolved, base.token, theme)
    elif isinstance(base, LiteralColor):
        levels, alpha = rgb8_of(base.color).tolist(), base.color.alpha
    elif isinstance(base, PaletteAlias):
        (shown,) = [each for each in resolved.palettes[theme] if each.palette.id == base.palette]
        ids = [color.id for color in getattr(shown.palette.make, "colors", ())]
        at_place = (
            ids.index(base.color) if base.color else round(base.along * (len(shown.rgb8) - 1))
        )
        levels, alpha = shown.rgb8[at_place].tolist(), 1.0
    else:
        hue = resolved.hues[base.hue]
        place = hue.place(base.step) if isinstance(base, StepAlias) else None
        levels = (rgb8_of(hue.color) if place is None else hue.rgb8[place]).tolist()
        alpha = hue.source.alpha
    if isinstance(value, DerivedColor):
        color = Color(space="srgb", components=tuple(level / 255 for level in levels), alpha=alpha)
        made = derived_color(color, value)
        return rgb8_of(made).tolist(), made.alpha
    return levels, alpha


changes = st.builds(
    DerivedColor,
    of=st.one_of(
        st.builds(HueAlias, hue=st.sampled_from(HUES)),
        st.builds(TokenAlias, token=st.sampled_from(TOKENS)),
    ),
    lightness=st.builds(QuantityChange, how=st.just("shifted"), by=st.floats(-40, 40)),
    alpha=st.builds(
        QuantityChange, how=st.sampled_from(["kept", "set"]), by=st.sampled_from([0.25, 0.5, 1.0])
    ),
)
values = st.one_of(st.builds(TokenAlias, token=st.sampled_from(TOKENS)), changes)


@examples(60)
@given(
    st.lists(
        st.tuples(st.sampled_from(TOKENS), st.sampled_from(THEMES), values), min_size=1, max_size=8
    )
)
def test_resolving_is_following_the_chain_by_hand(moves):
    system = SYSTEM
    for token, theme, value in moves:
        try:
            system = apply(system, SetTokenValue(token=token, theme=theme, value=value))
        except DomainError as refusal:
            assert refusal.code == "loop"  # noqa: PT017 - nothing else may be refused
    resolved = resolve(system)
    for theme, shown in resolved.themes.items():
        for token, color in shown.tokens.items():
            levels, alpha = by_hand(resolved, token, theme)
            assert color.rgb8.tolist() == levels
            assert color.alpha == pytest.approx(alpha, abs=0.003)


@settings(max_examples=25)
@given(
    st.dictionaries(st.sampled_from(TOKENS), st.integers(0, 500), min_size=1, max_size=40),
    st.booleans(),
)
def test_renames_never_change_a_value(numbers: dict[str, int], keep: bool):
    names = {
        key: f"renamed.{number}.{place}" for place, (key, number) in enumerate(numbers.items())
    }
    kept = {key: f"old-{place}" for place, key in enumerate(names)} if keep else {}
    after = apply(SYSTEM, RenameTokens(names=names, keep=kept))
    before, now = resolve(SYSTEM), resolve(after)
    for theme in THEMES:
        for token, color in before.themes[theme].tokens.items():
            assert now.themes[theme].tokens[token].rgb8.tolist() == color.rgb8.tolist()
            old = now.themes[theme].tokens.get(kept.get(token, ""))
            assert old is None or old.rgb8.tolist() == color.rgb8.tolist()
    if keep:
        published = {token.name: token for token in publication(now).tokens}
        for token, name in names.items():
            old = published[SYSTEM.tokens[token].name]
            assert old.deprecated.replacement == name
            assert {value.alias for value in old.values.values()} == {name}


def test_a_circle_through_themes_is_refused_with_its_names():
    """In night alone: page is card there, and card is page by what day says of it."""
    system = apply(
        SYSTEM,
        SetTokenValue(token="surface-card", theme="day", value=TokenAlias(token="surface-page")),
    )
    night = SetTokenValue(
        token="surface-page", theme="night", value=TokenAlias(token="surface-lifted")
    )
    raised = SetTokenValue(
        token="surface-lifted", theme="night", value=TokenAlias(token="surface-card")
    )
    card = LetTokenFollow(token="surface-card", theme="night")
    with pytest.raises(DomainError) as refusal:
        apply_all(system, [night, raised, card])
    assert "in night" in refusal.value.message
    assert "surface.page is surface.lifted is surface.card is surface.page" in refusal.value.message
    assert refusal.value.code == "loop"


def test_themes_that_rest_on_each_other_are_refused_with_their_names():
    with pytest.raises(DomainError, match="day, which rests on night, which rests on day"):
        apply(SYSTEM, SetTheme(theme="day", scheme="light", contrast="usual", base="night"))


def test_two_themes_that_would_be_one_in_files_are_refused():
    with pytest.raises(DomainError, match="“night” is taken"):
        apply(SYSTEM, AddTheme(name=" night "))
    with pytest.raises(DomainError, match="too alike"):
        apply(SYSTEM, AddTheme(name="Night"))
    with pytest.raises(DomainError, match="needs a name"):
        apply(SYSTEM, AddTheme(name="  "))


@pytest.mark.parametrize("theme", THEMES)
def test_what_rests_on_a_theme_that_goes_keeps_its_colors(theme: str):
    system = apply(SYSTEM, AddTheme(id="deck", name="deck", base="night"))
    before, after = resolve(system), resolve(apply(system, RemoveTheme(theme=theme)))
    for key, shown in after.themes.items():
        for token, color in shown.tokens.items():
            assert color.rgb8.tolist() == before.themes[key].tokens[token].rgb8.tolist(), (
                key,
                token,
            )


def test_a_hue_that_goes_leaves_its_last_colors_and_what_they_were():
    before = resolve(SYSTEM)
    after = apply(SYSTEM, RemoveHue(hue="tidewater"))
    fill = after.tokens["action-main-fill"].values["day"]
    assert (fill.kind, fill.was) == ("literal", "tidewater itself")
    now = resolve(after)
    for theme, shown in before.themes.items():
        for token, color in shown.tokens.items():
            if color.hue != "shingle":
                assert now.themes[theme].tokens[token].rgb8.tolist() == color.rgb8.tolist()


def test_what_stood_on_a_token_that_goes_stands_on_its_replacement():
    after = apply(SYSTEM, RemoveToken(token="action-main-fill", replacement="link-text"))
    assert after.tokens["surface-brand"].values["day"] == TokenAlias(token="link-text")
    assert after.tokens["action-main-fill-hovered"].values["day"].of == TokenAlias(
        token="link-text"
    )
    with pytest.raises(DomainError, match="cannot stand in for itself"):
        apply(SYSTEM, RemoveToken(token="link-text", replacement="link-text"))


def test_replacements_never_run_in_a_circle():
    out = apply(
        SYSTEM, DeprecateToken(token="link-text", deprecated=Deprecation(replacement="text-plain"))
    )
    with pytest.raises(DomainError, match="cannot stand in for itself"):
        apply(
            out, DeprecateToken(token="text-plain", deprecated=Deprecation(replacement="link-text"))
        )


def test_names_that_only_differ_in_case_or_separator_are_refused_together():
    with pytest.raises(DomainError, match="would be one name in CSS"):
        apply(SYSTEM, RenameTokens(names={"link-text": "Text.strong"}))
    swapped = apply(
        SYSTEM, RenameTokens(names={"link-text": "text.plain", "text-plain": "link.text"})
    )
    assert swapped.tokens["link-text"].name == "text.plain"


@pytest.mark.parametrize("token", ["link-text-hovered", "surface-lifted"])
def test_a_ramp_of_changes_shows_what_each_change_comes_to(token: str):
    resolved = resolve(SYSTEM)
    theme = resolved.theme("day")
    white = np.full(3, 255, dtype=np.uint8)
    ramps = {ramp.of: ramp for ramp in change_ramps(resolved, theme, token, white)}
    assert set(ramps) == {"lightness", "chroma", "turn", "alpha"}
    value = SYSTEM.tokens[token].values["day"]
    for of in ("lightness", "chroma", "turn"):
        ramp = ramps[of]
        for place in (0, 7, len(ramp.rgb8) - 1):
            by = ramp.low + (ramp.high - ramp.low) * place / (len(ramp.rgb8) - 1)
            derived = DerivedColor(of=value, **{of: QuantityChange(how="shifted", by=by)})
            edit = SetTokenValue(token=token, theme="day", value=derived)
            made = resolve(apply(SYSTEM, edit)).theme("day").tokens[token].rgb8
            assert made.tolist() == ramp.rgb8[place].tolist(), (of, by)
    assert ramps["alpha"].rgb8[0].tolist() == white.tolist()
    assert ramps["alpha"].rgb8[-1].tolist() == theme.tokens[token].rgb8.tolist()
