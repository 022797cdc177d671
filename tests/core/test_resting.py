"""A system on another: what is taken is what was published, stays so, is overridden by name, and follows a version."""

import pytest

from heimat.core.color.color_text import parse
from heimat.core.document.hues import GivenSource
from heimat.core.document.system import ColorSystem
from heimat.core.document.tokens import HueAlias, LiteralColor, StepAlias, TokenAlias
from heimat.core.edits import apply, apply_all
from heimat.core.edits.generator_edits import SetGenerator
from heimat.core.edits.hue_edits import RemoveHue, RenameHue
from heimat.core.edits.ladder_edits import SetLadder, SetScalePattern
from heimat.core.edits.resting_edits import LeaveBase, LetBack, Override
from heimat.core.edits.source_edits import SetSource
from heimat.core.edits.theme_edits import AddTheme, RemoveTheme
from heimat.core.edits.token_edits import AddTokens, NewToken, RemoveToken, SetTokenValue
from heimat.core.edits.token_name_edits import RenameToken
from heimat.core.errors import DomainError
from heimat.core.publication.building import publication
from heimat.core.publication.taking import Release, offered, part_of, taking
from heimat.core.resolve.resolved import resolve
from heimat.core.scales.shaping import ShapedLadder, ShapedStep
from heimat.demo.demo_systems import brinemark, merrow_shop

LINE = brinemark()
CHOSEN = ("shingle", "kelp", "flare", "lamp", "sound")


def released(document: ColorSystem, version: str = "1.0.0") -> Release:
    return Release("brinemark", version, document, publication(resolve(document)))


FIRST = released(LINE)
SHOP = merrow_shop()


def rested(
    system: ColorSystem = SHOP, release: Release = FIRST, hues: tuple[str, ...] = CHOSEN
) -> ColorSystem:
    return apply_all(system, [taking(system, release, hues).edit]).system


RESTED = rested()


def test_what_is_taken_is_what_was_published_to_the_bit() -> None:
    there = {token.name: token for token in FIRST.content.tokens}
    here = {token.name: token for token in publication(resolve(RESTED)).tokens}
    for hue in CHOSEN:
        for name, token in there.items():
            if token.id.startswith(f"{hue}/"):
                assert here[name].value("day").hex == token.value("day").hex, name
    taken = [RESTED.tokens[key].name for key in RESTED.rests_on.tokens] if RESTED.rests_on else []
    assert len(taken) > 30
    for name in taken:
        assert here[name].value("day").hex == there[name].value("day").hex, name
        assert here[name].value("day").alias == there[name].value("day").alias, name
    # Nothing that stands on a hue that was not chosen is taken.
    assert "action.main.fill" in {token.name for token in SHOP.tokens.values()}
    assert {"link.text", "surface.lifted", "text.late"} & set(taken) == {"surface.lifted"}


def test_what_is_beyond_srgb_is_taken_as_it_is_where_both_gamuts_come_to_the_same() -> None:
    wide = {key: hue.model_copy(update={"wide": True}) for key, hue in LINE.hues.items()}
    there = released(LINE.model_copy(update={"hues": wide}))
    here = {token.name: token for token in publication(resolve(rested(release=there))).tokens}
    found = []
    for token in there.content.tokens:
        value = token.value("day")
        if token.id.partition("/")[0] in CHOSEN and value.p3 is not None:
            taken = here[token.name].value("day")
            assert taken.hex == value.hex
            assert taken.p3 in (value.p3, None)
            found.append(taken.p3 is not None)
    assert len(found) > 10
    assert sum(found) > 0.8 * len(found)


def test_whatever_is_changed_here_what_was_taken_stays_and_says_why() -> None:
    ladder = ShapedLadder(
        steps=tuple(
            ShapedStep(id=f"n{n}", label=str(n), lightness=100.0 - 12 * n) for n in range(1, 6)
        )
    )
    before = {token.name: token.values for token in publication(resolve(RESTED)).tokens}
    taken = {
        name for name in before if not name.startswith(("lantern", "action.", "surface.brand"))
    }
    for edit in (
        SetLadder(ladder=ladder),
        SetGenerator(generator=1),
        SetSource(hue="lantern", color=parse("#30A0A0")),
    ):
        after = {
            token.name: token.values for token in publication(resolve(apply(RESTED, edit))).tokens
        }
        assert all(after[name] == before[name] for name in taken), edit.type
    kelp = "kelp is taken from Brinemark 1.0.0: it is changed there."
    strong = "text.strong is taken from Brinemark 1.0.0: override it first to change it here."
    for refused, words in (
        (SetSource(hue="kelp", color=parse("#123456")), kelp),
        (RenameHue(hue="kelp", name="weed"), kelp),
        (RemoveHue(hue="kelp"), kelp),
        (RenameToken(token="text-strong", name="text.bold"), strong),
        (SetTokenValue(token="text-strong", theme="day", value=HueAlias(hue="lantern")), strong),
        (RemoveToken(token="text-strong"), strong),
    ):
        with pytest.raises(DomainError) as told:
            apply(RESTED, refused)
        assert told.value.message == words


def test_a_token_is_overridden_and_let_back_and_an_own_name_stands_before_a_taken_one() -> None:
    lantern = HueAlias(hue="lantern")
    own = apply_all(
        RESTED,
        [
            Override(token="text-strong"),
            SetTokenValue(token="text-strong", theme="day", value=lantern),
        ],
    ).system
    assert own.tokens["text-strong"].values["day"] == lantern
    later = rested(own, released(LINE, "1.1.0"))
    assert later.tokens["text-strong"].values["day"] == lantern
    back = apply(later, LetBack(token="text-strong"))
    assert back.tokens["text-strong"].values == RESTED.tokens["text-strong"].values
    named = apply(
        SHOP, AddTokens(tokens=(NewToken(id="mine", name="text.strong", values={"day": lantern}),))
    )
    plan = taking(named, FIRST, CHOSEN)
    assert plan.own == ("text.strong", "action.main.label")
    assert apply_all(named, [plan.edit]).system.tokens["mine"].name == "text.strong"
    with pytest.raises(DomainError, match="own already"):
        apply(RESTED, Override(token="main-fill"))
    with pytest.raises(DomainError, match="not overridden"):
        apply(RESTED, LetBack(token="text-strong"))


def test_a_later_version_moves_what_was_taken_and_what_stood_on_what_is_gone_keeps_its_color() -> (
    None
):
    standing = apply_all(
        RESTED,
        [
            AddTokens(
                tokens=(
                    NewToken(
                        id="a", name="shop.a", values={"day": StepAlias(hue="kelp", step="s500")}
                    ),
                    NewToken(
                        id="b", name="shop.b", values={"day": TokenAlias(token="status-error")}
                    ),
                )
            )
        ],
    ).system
    was = {token.name: token.value("day").hex for token in publication(resolve(standing)).tokens}
    changed = apply_all(
        LINE, [SetSource(hue="lamp", color=parse("#C07000")), RemoveToken(token="status-error")]
    ).system
    second = released(changed, "2.0.0")
    moved = rested(standing, second)
    now = {token.name: token.value("day").hex for token in publication(resolve(moved)).tokens}
    assert now["lamp.500"] != was["lamp.500"]
    assert "status.error" not in now
    assert (now["shop.b"], now["shop.a"]) == (was["shop.b"], was["shop.a"])
    fewer = rested(moved, second, ("shingle",))
    left = {token.name: token.value("day").hex for token in publication(resolve(fewer)).tokens}
    assert "kelp.500" not in left
    assert left["shop.a"] == was["shop.a"]
    value = fewer.tokens["a"].values["day"]
    assert isinstance(value, LiteralColor)
    assert value.was == "kelp 500"
    # What differs is told of what is taken alone, in the themes that are here.
    one, other = (part_of(standing, each, CHOSEN) for each in (FIRST, second))
    assert [theme.name for theme in one.themes] == ["day"]
    assert {token.id.partition("/")[0] for token in one.tokens if "/" in token.id} == set(CHOSEN)
    assert len(other.tokens) == len(one.tokens) - 1


def test_it_lets_go_as_its_own_and_is_undone_whole() -> None:
    edit = taking(SHOP, FIRST, CHOSEN).edit
    applied = apply_all(SHOP, [edit])
    assert apply_all(applied.system, [applied.inverse]).system == SHOP
    alone = apply(RESTED, LeaveBase())
    assert alone.rests_on is None
    assert publication(resolve(alone)).tokens == publication(resolve(RESTED)).tokens
    assert (
        apply(alone, RenameToken(token="text-strong", name="text.bold")).tokens["text-strong"].name
        == "text.bold"
    )


def test_themes_of_the_same_name_meet_and_others_take_the_most_like() -> None:
    two = apply(
        SHOP, AddTheme(id="after-dark", name="after dark", base="day", scheme="dark", values={})
    )
    made = rested(two)
    here = {token.name: token for token in publication(resolve(made)).tokens}
    there = {token.name: token for token in FIRST.content.tokens}
    assert here["text.strong"].value("after-dark").hex == there["text.strong"].value("night").hex
    # A theme goes, with its values, also those of what was taken; another comes.
    assert (
        "after-dark"
        not in apply(made, RemoveTheme(theme="after-dark")).tokens["text-strong"].values
    )
    apply(made, AddTheme(id="third", name="third", base="day", values={}))


def test_ids_and_names_that_are_here_already_are_not_mixed_up() -> None:
    renamed = apply(SHOP, RenameHue(hue="lantern", name="kelp"))
    with pytest.raises(DomainError, match="Both systems have a hue called kelp"):
        taking(renamed, FIRST, CHOSEN)
    same_id = SHOP.model_copy(
        update={
            "hues": {
                **SHOP.hues,
                "kelp": SHOP.hues["lantern"].model_copy(
                    update={
                        "id": "kelp",
                        "order": "z",
                        "name": "lamp oil",
                        "source": GivenSource(color=parse("#403010")),
                    }
                ),
            }
        }
    )
    made = rested(same_id)
    assert made.hues["kelp"].name == "lamp oil"
    assert made.hues["kelp-2"].name == "kelp"
    assert rested(made, released(LINE, "1.0.1")).hues.keys() == made.hues.keys()


def test_only_published_scales_are_offered() -> None:
    hidden = LINE.model_copy(update={"scales_published": False})
    assert offered(released(hidden)) == []
    assert [hue.name for hue in offered(FIRST)][:2] == ["tidewater", "buoy"]
    for hues in ((), ("nobody",), ("kelp", "nobody")):
        with pytest.raises(DomainError, match="Choose at least one"):
            taking(SHOP, FIRST, hues)
    with pytest.raises(DomainError, match="no theme yet"):
        taking(SHOP.model_copy(update={"themes": {}, "tokens": {}}), FIRST, CHOSEN)
    # Names made by another pattern here are told where they clash, and nothing is half done.
    clashing = apply(SHOP, SetScalePattern(pattern="text.{hue}-{step}"))
    rested(clashing)
