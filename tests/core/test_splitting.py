"""Tokens split, what stands on what, names by a pattern, alternatives' differences, shares of a picture."""

import numpy as np
import pytest

from heimat.core.document.keys import Key
from heimat.core.document.tokens import HueAlias, LiteralColor, TokenAlias
from heimat.core.edits import apply, apply_all
from heimat.core.edits.changed_things import differences, taking_over
from heimat.core.edits.hue_edits import AddHues, NewHue, RemoveHue, RenameHue
from heimat.core.edits.pairing_edits import AddPairings, NewPairing
from heimat.core.edits.source_edits import SetSource
from heimat.core.edits.splitting_edits import SplitToken
from heimat.core.edits.token_edits import AddToken, SetTokenValue
from heimat.core.errors import DomainError
from heimat.core.legibility.findings import changed_by, findings
from heimat.core.legibility.standing import instead_of, standing
from heimat.core.pictures.decoding import Pixels
from heimat.core.pictures.shares import shares_of
from heimat.core.planning.renaming import NamePattern, renaming
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark
from tests.looking import look_at

SYSTEM = brinemark()
RESOLVED = resolve(SYSTEM)


def test_a_split_takes_the_chosen_uses_along_and_changes_no_color():
    """By hand: the brand's surface goes with the new token, the hovered fill stays with the old one."""
    edit = SplitToken(
        token="action-main-fill",
        id="banner",
        name="surface.banner",
        pairings=("action-main-label--action-main-fill",),
        aliases=({"token": "surface-brand", "theme": "day"},),
    )
    after = apply(SYSTEM, edit)
    assert after.tokens["surface-brand"].values["day"] == TokenAlias(token="banner")
    assert after.tokens["action-main-fill-hovered"] == SYSTEM.tokens["action-main-fill-hovered"]
    assert after.pairings["action-main-label--action-main-fill"].ground == "banner"
    for theme, shown in resolve(after).themes.items():
        for token, color in RESOLVED.themes[theme].tokens.items():
            assert shown.tokens[token].rgb8.tolist() == color.rgb8.tolist()
    # Moved, only what went along moves.
    moved = apply(
        after, SetTokenValue(token="banner", theme="day", value=LiteralColor(color="#402010"))
    )
    shown = resolve(moved).themes["day"].tokens
    assert shown["surface-brand"].rgb8.tolist() == [0x40, 0x20, 0x10]
    assert shown["action-main-fill-hovered"].rgb8.tolist() == [0x00, 0x5C, 0x5C]
    with pytest.raises(DomainError, match="does not stand for it any more"):
        apply(
            moved, edit.model_copy(update={"id": "again", "name": "surface.again", "pairings": ()})
        )


def test_a_token_split_in_one_place_is_found_there_alone():
    after = apply(
        SYSTEM, SplitToken(token="text-faint", id="own", name="text.faint-sailing", place="sailing")
    )
    part = look_at(after, ["specimen"])["specimen"]
    assert part["keys"]["text.faint"] == "token:text-faint"
    assert part["keys"]["text.faint@sailing"] == "token:own"
    assert part["splits"] == [
        {
            "place": "sailing",
            "purpose": "text.faint",
            "property": "--text-faint",
            "instead": "--text-faint--sailing",
        }
    ]
    with pytest.raises(DomainError, match="stands there already"):
        apply(after, SplitToken(token="text-faint", id="two", name="text.other", place="sailing"))


def test_all_that_stands_on_a_hue_is_told_and_has_somewhere_to_go():
    found = standing(RESOLVED, "hue:heather")
    # By hand, from the document: every value that names heather.
    named = {
        (token.id, theme)
        for token in SYSTEM.tokens.values()
        for theme, value in token.values.items()
        if '"heather"' in value.model_dump_json()
    }
    assert {(each.token, each.theme) for each in found.direct} == named
    moves = [
        SetTokenValue(
            token=each.token,
            theme=each.theme,
            value=instead_of(RESOLVED, each, Key("hue", "heather")).value,
        )
        for each in found.direct
    ]
    after = apply_all(SYSTEM, [*moves, RemoveHue(hue="heather")]).system
    assert not [each for each in findings(resolve(after), repairs=False) if each.kind == "kept"]
    assert standing(RESOLVED, "step:tidewater/s600").direct
    assert standing(RESOLVED, "nothing").direct == ()


def test_what_stood_on_a_hue_that_is_gone_is_a_finding_with_ways_to_settle_it():
    after = resolve(apply(SYSTEM, RemoveHue(hue="heather")))
    kept = [each for each in findings(after) if each.kind == "kept"]
    assert (
        "link.text-visited stood on heather 600, which is gone; its last color, #6E558B, is kept."
        in [each.sentence for each in kept]
    )
    for finding in kept:
        for repair in finding.repairs:
            again = findings(resolve(changed_by(repair, after.system)), repairs=False)
            assert finding.id not in {each.id for each in again}


@pytest.mark.parametrize(
    ("pattern", "before", "after"),
    [
        (NamePattern(find="action", replace="act"), "action.main.fill", "act.main.fill"),
        (NamePattern(order=(2, 1)), "action.main.fill-hovered", "main.action.fill-hovered"),
        (NamePattern(order=(3, 1)), "text.strong", "text.strong"),
        (NamePattern(case="camel"), "action.main.fill-hovered", "action.main.fillHovered"),
        (NamePattern(case="upper", prefix="bm."), "text.strong", "bm.TEXT.STRONG"),
        (NamePattern(find="", replace="x"), "text.strong", "text.strong"),
    ],
)
def test_names_by_a_pattern(pattern: NamePattern, before: str, after: str):
    assert pattern.apply(before) == after


def test_names_that_cannot_be_are_listed_each_with_its_reason():
    rows = {
        row.before: row
        for row in renaming(SYSTEM, list(SYSTEM.tokens), NamePattern(find="faint", replace="plain"))
    }
    assert "is taken" in rows["text.faint"].problem
    assert "is taken" in rows["text.plain"].problem
    assert rows["text.strong"].problem is None
    group = renaming(SYSTEM, ["text-faint"], NamePattern(find=".faint", replace=""))
    assert "group of tokens" in group[0].problem
    assert "period" in renaming(SYSTEM, ["text-faint"], NamePattern(prefix="."))[0].problem


def test_taking_everything_over_makes_alternatives_equal_and_one_thing_only_that():
    other = apply_all(
        SYSTEM,
        [
            RenameHue(hue="gorse", name="broom"),
            SetTokenValue(token="text-faint", theme="night", value=TokenAlias(token="text-plain")),
            SplitToken(token="text-faint", id="own", name="text.small"),
        ],
    ).system
    found = differences(SYSTEM, other)
    assert {each.id for each in found} == {"hues/gorse", "tokens/text-faint", "tokens/own"}
    words = {each.id: each.words for each in found}
    assert words["tokens/text-faint"] == "shingle 400 to text.plain in night"
    assert words["tokens/own"] == "only there"
    one = apply(SYSTEM, taking_over(SYSTEM, other, ["tokens/text-faint"], "calmer"))
    assert one.tokens["text-faint"] == other.tokens["text-faint"]
    assert {each.id for each in differences(one, other)} == {"hues/gorse", "tokens/own"}
    every = taking_over(SYSTEM, other, [each.id for each in found], "calmer")
    assert apply(SYSTEM, every) == other
    with pytest.raises(DomainError, match="differs any more"):
        taking_over(other, other, ["tokens/own"], "calmer")


def test_shares_of_a_picture_are_what_was_painted():
    """A screen painted by hand: 60 rows of one color, 30 of another, 10 of a third one level off, the rest unknown."""
    rgb8 = np.zeros((120, 100, 3), dtype=np.uint8)
    rgb8[:60], rgb8[60:90], rgb8[90:100], rgb8[100:] = (
        (240, 248, 248),
        (30, 37, 37),
        (12, 110, 109),
        (255, 0, 255),
    )
    colors = np.array([(240, 248, 248), (30, 37, 37), (11, 110, 110), (1, 2, 3)], dtype=np.uint8)
    found = shares_of(Pixels(rgb8, None, "image/png"), colors)
    assert np.allclose(found.shares, [0.5, 0.25, 10 / 120, 0.0], atol=0.02)
    assert found.unmatched == pytest.approx(20 / 120, abs=0.02)
    assert found.others[0][0].tolist() == [255, 0, 255]
    clear = np.zeros((120, 100), dtype=np.bool_)
    clear[:60] = True
    assert shares_of(Pixels(rgb8, clear, "image/png"), colors).shares[0] == pytest.approx(1.0)


def test_taking_over_knows_what_both_were_and_names_what_is_lacking():
    """Newer work here goes with nothing that is taken over unasked; what stands on more than that says on what."""
    there = apply_all(
        SYSTEM,
        [
            SetSource(hue="kelp", color="#3F8F60"),
            AddHues(hues=(NewHue(id="moss", name="moss", kind="accent", color="#556B2F"),)),
            AddToken(id="own", name="own.moss", theme="day", value=HueAlias(hue="moss")),
            AddPairings(
                pairings=(
                    NewPairing(id="met", foreground="own", ground="surface-page", use="body"),
                )
            ),
            RenameHue(hue="lamp", name="lantern"),
        ],
    ).system
    here = apply_all(
        SYSTEM, [SetSource(hue="kelp", color="#3F8F70"), RenameHue(hue="gorse", name="furze")]
    ).system
    told = {each.id: each for each in differences(here, there, SYSTEM)}
    assert (told["hues/kelp"].since, told["hues/gorse"].since, told["hues/lamp"].since) == (
        "both",
        "here",
        "there",
    )
    assert told["hues/kelp"].words == "color: #3F8F70 here, #3F8F60 there"
    theirs = [key for key, each in told.items() if each.since == "there"]
    taken = apply(here, taking_over(here, there, theirs, "calmer", SYSTEM))
    assert (taken.hues["gorse"].name, taken.hues["lamp"].name, taken.hues["kelp"]) == (
        "furze",
        "lantern",
        here.hues["kelp"],
    )
    assert {each.since for each in differences(taken, there, SYSTEM)} == {"both", "here"}
    for wanted, lacking in (("tokens/own", "the hue moss"), ("pairings/met", "the token own.moss")):
        with pytest.raises(
            DomainError,
            match=f"needs {lacking}, which is only there. Take .* over together with it",
        ):
            taking_over(here, there, [wanted], "calmer", SYSTEM)
    gone = apply(there, RemoveHue(hue="sound", children="detach"))
    (only_here,) = [each for each in differences(here, gone, SYSTEM) if each.id == "hues/sound"]
    assert only_here.words == "only here: taking this over removes the hue with its scale"
