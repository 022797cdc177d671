"""Wide gamut: display-p3 twins of steps, their luminance, what is checked and what is published of them."""

import json
from dataclasses import replace

import numpy as np
import pytest
import tinycss2
from coloraide import Color as Css
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.color.color_text import parse
from heimat.core.color.contrast import ratio, relative_luminance
from heimat.core.color.exact_color import Color, rgb8_of, srgb_of
from heimat.core.color.gamut import DISPLAY_P3, in_gamut, solve
from heimat.core.color.spaces import p3_to_srgb, srgb_to_oklch, srgb_to_p3
from heimat.core.color.wide import p3_luminance, p3_of_bytes, p3_text, published_p3
from heimat.core.document.tokens import LiteralColor
from heimat.core.edits import apply, apply_all
from heimat.core.edits.scale_edits import SetWide
from heimat.core.edits.source_edits import AimSource, SetSource
from heimat.core.edits.token_edits import SetTokenValue
from heimat.core.filling.filler import WHITE
from heimat.core.filling.starter import DAY
from heimat.core.legibility.findings import findings
from heimat.core.publication.building import publication
from heimat.core.publication.changes import compare
from heimat.core.publication.plain_publication import plain_of, publication_of
from heimat.core.resolve.checked_pairings import check_pairings
from heimat.core.resolve.resolved import resolve
from heimat.core.resolve.token_colors import TokenColor
from heimat.core.scales import ScaleRequest, generate
from heimat.core.scales.ladder import LONG
from heimat.core.scales.methods import Method
from heimat.core.scales.methods.white_and_black import WhiteBlack
from heimat.core.scales.wide_twins import WideRequest, beyond_srgb, twins
from heimat.formats.write import css, design_tokens
from tests.core.strategies import ladders
from tests.examples import examples
from tests.systems import brinemark_in_one_theme as brinemark

SYSTEM = brinemark()
BEYOND = "color(display-p3 0 0.46 0.45)"
WIDE = apply(SYSTEM, SetSource(hue="tidewater", color=BEYOND))
channels = st.floats(0.0, 1.0)


@examples(200)
@given(channels, st.floats(0.0, 0.5), st.floats(0.0, 360.0))
def test_solving_in_display_p3_keeps_luminance_and_hue(luminance, chroma, hue):
    p3 = solve(luminance, chroma, hue, DISPLAY_P3)
    assert (p3 >= 0.0).all()
    assert (p3 <= 1.0).all()
    assert float(p3_luminance(p3)) == pytest.approx(luminance, abs=1e-5)
    _, has, turn = srgb_to_oklch(p3_to_srgb(p3))
    assert has <= chroma + 1e-4
    if has > 0.02 and 0.02 < luminance < 0.98:
        assert abs((turn - hue + 180.0) % 360.0 - 180.0) < 0.2
    assert has >= float(srgb_to_oklch(solve(luminance, chroma, hue))[1]) - 1e-3, (
        "it holds all that sRGB does"
    )


def test_luminance_and_values_as_a_general_library_has_them():
    for text in (BEYOND, "color(display-p3 1 0.2 0)", "color(display-p3 0.9 0.9 0.1)"):
        theirs = Css(text)
        ours = np.array(theirs.coords())
        # Theirs is Y of D65 with exact primaries; WCAG rounds the weights to four decimals.
        assert float(p3_luminance(ours)) == pytest.approx(theirs.convert("xyz-d65")["y"], abs=2e-4)
        assert srgb_to_p3(p3_to_srgb(ours)) == pytest.approx(ours, abs=1e-9)
        assert p3_text(ours) == theirs.to_string(precision=4)


@examples(150)
@given(channels, channels, channels, ladders, st.sampled_from(["nearest", "guide"]))
def test_twins_of_any_source_have_the_contrast_of_their_steps(red, green, blue, ladder, mode):
    source = Color(space="display-p3", components=(red, green, blue))
    scale = generate([ScaleRequest(source, ladder.lightness(), anchor=mode)])[0]
    found = twins([WideRequest(scale, source)])[0]
    own = ~np.isnan(found[:, 0])
    if mode == "nearest" and beyond_srgb(source):
        assert found[scale.anchor] == pytest.approx(published_p3(source.components)), (
            "the source is itself"
        )
    made = own.copy()
    if scale.anchor is not None:
        made[scale.anchor] = False
    assert (
        np.abs(p3_luminance(found[made]) - relative_luminance(scale.rgb8[made])).max(initial=0.0)
        < 2e-4
    )
    stronger = (
        srgb_to_oklch(p3_to_srgb(found[made]))[:, 1] - srgb_to_oklch(scale.rgb8[made] / 255.0)[:, 1]
    )
    assert stronger.min(initial=1.0) > 0.003
    assert not in_gamut(p3_to_srgb(found[made])).any(), "what sRGB holds needs no twin"


@examples(80)
@given(
    channels,
    channels,
    channels,
    st.sampled_from(["mix", "hsl", "ends"]),
    st.sampled_from(["nearest", "guide"]),
)
def test_mixes_of_a_source_beyond_srgb_go_beyond_it_too(red, green, blue, name, mode):
    source = Color(space="display-p3", components=(red, green, blue))
    scale = generate([ScaleRequest(source, LONG.lightness(), mode, method=Method(name=name))])[0]
    found = twins([WideRequest(scale, source)])[0]
    made = ~np.isnan(found[:, 0])
    if scale.anchor is not None:
        made[scale.anchor] = False
    assert (
        np.abs(p3_luminance(found[made]) - relative_luminance(scale.rgb8[made])).max(initial=0.0)
        < 2e-4
    )
    assert not (made.any() and in_gamut(srgb_of(source))), (
        "what lies inside mixes to what lies inside"
    )
    lch = srgb_to_oklch(p3_to_srgb(found[made]))
    assert (lch[:, 1] <= scale.wide[made, 0] + 1e-3).all()
    assert (lch[:, 1] > srgb_to_oklch(scale.rgb8[made] / 255.0)[:, 1]).all()
    turned = np.abs((lch[:, 2] - scale.wide[made, 1] + 180.0) % 360.0 - 180.0)
    assert turned[lch[:, 1] > 0.02].max(initial=0.0) < 1.0


def test_what_a_mix_asks_of_a_wider_gamut_as_a_general_library_mixes():
    source = parse("color(display-p3 1 0.2 0)")
    theirs = Css("display-p3", source.components)
    for space, named in (("srgb", "srgb"), ("linear", "srgb-linear"), ("oklab", "oklab")):
        method = Method(name="mix", mix=WhiteBlack(space=space))
        scale = generate([ScaleRequest(source, LONG.lightness(), "guide", method=method)])[0]
        for place, percent in enumerate(scale.figures):
            mixed = theirs.mix(
                "white" if percent > 0 else "black", abs(percent) / 100.0, space=named
            )
            _, chroma, hue = mixed.convert("oklch").coords()
            assert scale.wide[place, 0] == pytest.approx(chroma, abs=1e-6)
            assert scale.wide[place, 1] % 360.0 == pytest.approx(hue, abs=1e-3)


def wide(system):
    return {hue.id for hue in resolve(system).hue_list if hue.p3 is not None}


def test_which_scales_are_wide():
    assert wide(SYSTEM) == set()
    assert wide(WIDE) == {"tidewater"}
    wished = apply(SYSTEM, SetWide(hue="buoy", wide=True))
    assert wide(wished) == {"buoy"}, "dark oranges ask for more chroma than sRGB has"
    assert wide(apply(WIDE, SetWide(hue="tidewater", wide=False))) == set()
    assert (
        apply_all(wished, [apply_all(SYSTEM, [SetWide(hue="buoy", wide=True)]).inverse]).system
        == SYSTEM
    )


def test_a_color_beyond_srgb_stays_there_while_it_is_moved():
    moved = apply(WIDE, AimSource(hue="tidewater", lightness=45.0, chroma=0.12, angle=190.0))
    color = moved.hues["tidewater"].source.color
    assert color.space == "display-p3"
    assert beyond_srgb(color)
    weak = apply(WIDE, AimSource(hue="tidewater", lightness=45.0, chroma=0.03, angle=190.0))
    assert weak.hues["tidewater"].source.color.space == "srgb"


def test_both_values_are_checked():
    pairing = next(iter(SYSTEM.pairings.values()))
    white = TokenColor(np.array([255, 255, 255], dtype=np.uint8), 1.0, (), WHITE)
    gray = rgb8_of(parse("#767676"))
    assert 4.5 <= float(ratio(gray, white.rgb8)) < 4.6
    # A twin that is a little lighter than its step falls short where the step passes.
    lighter = p3_of_bytes(gray) + 0.02
    colors = {pairing.foreground: TokenColor(gray, 1.0, (), WHITE), pairing.ground: white}
    assert check_pairings([pairing], colors)[0].holds
    assert check_pairings([pairing], colors)[0].wide is None
    colors[pairing.foreground] = TokenColor(gray, 1.0, (), WHITE, lighter)
    result = check_pairings([pairing], colors)[0]
    assert result.ratio >= 4.5 > result.wide
    assert result.holds is False
    same = replace(colors[pairing.foreground], p3=p3_of_bytes(gray))
    assert check_pairings([pairing], {**colors, pairing.foreground: same})[0].wide == pytest.approx(
        result.ratio, abs=2e-3
    )

    literal = SetTokenValue(
        token="text-late", theme=DAY, value=LiteralColor(color="color(display-p3 0.9 0.2 0.1)")
    )
    told = [each.sentence for each in findings(resolve(apply(SYSTEM, literal)), repairs=False)]
    late = next(
        each
        for each in resolve(apply(SYSTEM, literal)).theme().pairings
        if each.pairing.foreground == "text-late"
    )
    assert late.wide is not None
    assert any("text.late" in sentence for sentence in told) == (late.holds is False)


def test_wide_values_in_css_stand_behind_the_media_query():
    made = publication(resolve(WIDE))
    twin = next(token for token in made.tokens if token.name == "tidewater.600")
    assert twin.value(DAY).p3 == (0.0, 0.46, 0.45)
    assert twin.value(DAY).hex == "#017471"
    root, media = tinycss2.parse_stylesheet(
        css.write(made, "1").decode(), skip_comments=True, skip_whitespace=True
    )
    assert tinycss2.serialize(root.prelude).strip() == ":root"
    assert media.at_keyword == "media"
    assert tinycss2.serialize(media.prelude).strip() == "(color-gamut: p3)"
    inside = tinycss2.serialize(media.content)
    assert f"--tidewater-600: {BEYOND};" in inside
    assert inside.count("display-p3") == sum(
        value.p3 is not None and value.alias is None
        for value in (token.value(DAY) for token in made.tokens)
    )
    assert "display-p3" not in css.write(publication(resolve(SYSTEM)), "1").decode()


def test_wide_values_in_the_token_file_are_in_their_own_space():
    made = publication(resolve(WIDE))
    root = json.loads(design_tokens.write(made, "1"))
    value = root["tidewater"]["600"]["$value"]
    assert value == {"colorSpace": "display-p3", "components": [0.0, 0.46, 0.45], "hex": "#017471"}
    assert root["buoy"]["500"]["$value"]["colorSpace"] == "srgb"
    assert publication_of(json.loads(json.dumps(plain_of(made)))) == made
    narrow = publication(resolve(apply(WIDE, SetWide(hue="tidewater", wide=False))))
    assert {change.change for change in compare(made, narrow)} == {"changed"}
