"""Edits: pure, total, and always with a way back."""

import json
from typing import get_args

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from heimat.core.color.color_text import parse
from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.notation import format
from heimat.core.color.spaces import srgb_to_oklch
from heimat.core.document.conditions import Quantities
from heimat.core.document.guide_settings import Guide
from heimat.core.document.hues import GivenSource, Hue, QuantityChange, StepRef, TintedSource
from heimat.core.document.order import in_order, key_between, keys
from heimat.core.document.outputs import NamedOutput, OutputName, PlacedOutput
from heimat.core.document.palettes import Categorical, Diverging, PaletteColor, Sequential
from heimat.core.document.release_rules import ReleaseRules
from heimat.core.document.resting import RestsOn
from heimat.core.document.system import COLLECTIONS, FIELDS, ColorSystem
from heimat.core.document.tokens import (
    Deprecation,
    DerivedColor,
    HueAlias,
    LiteralColor,
    StepAlias,
    Token,
    TokenAlias,
)
from heimat.core.document.upgrades import read_document
from heimat.core.edits import Applied, UserEdit, apply, apply_all, conflict
from heimat.core.edits.candidate_edits import (
    AddCandidates,
    JoinCandidates,
    RemoveCandidates,
    SetCandidate,
)
from heimat.core.edits.condition_edits import KeepCondition, RemoveCondition, SetAim, SetDuty
from heimat.core.edits.exception_edits import AcceptFinding, EndException
from heimat.core.edits.generator_edits import SetGenerator
from heimat.core.edits.guide_edits import SetGuide
from heimat.core.edits.holding_edits import HoldHues
from heimat.core.edits.hue_edits import (
    AddHues,
    DuplicateHue,
    MoveHue,
    PinStep,
    RemoveHue,
    RenameHue,
    SetAnchor,
    SetHueKind,
    SetHueNote,
)
from heimat.core.edits.ladder_edits import (
    PublishScales,
    RenameSystem,
    SetHueLadder,
    SetLadder,
    SetScalePattern,
    losses,
)
from heimat.core.edits.matrix_edits import KeepMatrix, RemoveMatrix
from heimat.core.edits.output_edits import AddOutput, RemoveOutput, SetOutput
from heimat.core.edits.pairing_edits import (
    AddPairings,
    KeepToldApart,
    RemovePairing,
    RemoveToldApart,
)
from heimat.core.edits.palette_edits import (
    AddPalette,
    DescribePalette,
    MovePalette,
    PlacePalette,
    RemovePalette,
    RenamePalette,
    SetOtherColor,
    SetPalette,
)
from heimat.core.edits.release_rule_edits import SetReleaseRules
from heimat.core.edits.reserve_edits import SetReserve
from heimat.core.edits.resting_edits import LeaveBase, LetBack, Override, RestOn
from heimat.core.edits.scale_edits import (
    AimCurve,
    AimStep,
    NudgeSteps,
    SetCurves,
    SetMethod,
    SetPinNeighbours,
    SetWide,
)
from heimat.core.edits.selection_edits import KeepSelection, RemoveSelection, SetCap
from heimat.core.edits.source_edits import AimSource, FollowHue, LetGo, SetSource
from heimat.core.edits.splitting_edits import SplitToken
from heimat.core.edits.stop_edits import KeepStops, RemoveStops
from heimat.core.edits.theme_edits import AddTheme, MoveTheme, RemoveTheme, RenameTheme, SetTheme
from heimat.core.edits.token_care_edits import (
    DeprecateToken,
    DescribeToken,
    KeepTokensInternal,
    LetRepairsMove,
)
from heimat.core.edits.token_edits import (
    AddToken,
    AddTokens,
    LetTokenFollow,
    MoveTokens,
    RemoveToken,
    RemoveTokens,
    SetTokenValue,
    SetTokenValues,
)
from heimat.core.edits.token_name_edits import RenameToken, RenameTokens
from heimat.core.errors import DomainError
from heimat.core.filling.start import start_system
from heimat.core.filling.starter import DAY
from heimat.core.hues.source import source_color
from heimat.core.publication.building import publication
from heimat.core.resolve.resolved import resolve
from heimat.core.scales.anchors import Anchor
from heimat.core.scales.curves import Curves
from heimat.core.scales.methods import Method
from heimat.core.scales.methods.contrast_targets import ContrastTargets
from heimat.core.scales.methods.settings import Typed
from heimat.core.scales.methods.white_and_black import WhiteBlack
from heimat.core.scales.shaping import ShapedLadder, ShapedStep
from heimat.demo.demo_systems import merrow_light
from tests.examples import examples
from tests.systems import brinemark_in_one_theme as brinemark

SYSTEM = brinemark()
TEAL = parse("#0B6E7E")

OWN = ShapedLadder(
    steps=(
        ShapedStep(id="s100", label="100", lightness=96.0),
        ShapedStep(label="150", lightness=90.0, between=True),
        ShapedStep(id="s200", label="soft", lightness=85.0, internal=True),
        ShapedStep(id="s600", label="600", lightness=41.0),
        ShapedStep(id="s900", label="900", lightness=9.0),
    )
)

PLACES = PlacedOutput(
    id="board", order="a", name="quay board", count=4, meanings=("late",), holds=("text-late", None)
)
PAGE = NamedOutput(
    id="page", order="a", name="ticket page", names=(OutputName(name="ink", of="text-strong"),)
)
TAKEN = RestOn(
    rests_on=RestsOn(
        address="line",
        name="Line",
        version="1.0.0",
        hues={"moss": "moss"},
        tokens={"moss-1": "a", "moss-2": "b"},
    ),
    hues=(
        Hue(
            id="moss",
            order="a",
            name="moss",
            kind="accent",
            source=GivenSource(color=TEAL),
            ladder=SYSTEM.ladder,
            method=SYSTEM.method,
            curves=SYSTEM.curves,
        ),
    ),
    tokens=tuple(
        Token(id=f"moss-{n}", order="a", name=f"moss-{n}", values={DAY: LiteralColor(color=TEAL)})
        for n in (1, 2)
    ),
)
"""What was taken from another system: a hue, and a token that has a value of its own here."""
DARKEST = StepAlias(hue="shingle", step="s900")
SHIFTED = QuantityChange(how="shifted", by=20.0)
EVERY_EDIT = [
    AddHues(
        hues=[{"id": "dusk", "name": "dusk", "color": "#443355"}, {"id": "x1", "color": "#FFCC00"}]
    ),
    DuplicateHue(hue="tidewater"),
    DuplicateHue(hue="shingle"),
    RemoveHue(hue="buoy"),
    RemoveHue(hue="tidewater"),
    RenameHue(hue="kelp", name="weed"),
    SetHueKind(hue="gorse", kind="status", status="warning"),
    SetHueNote(hue="gorse", note="from the poster"),
    MoveHue(hue="sound", before="tidewater"),
    MoveHue(hue="tidewater", before=None),
    SetSource(hue="tidewater", color="oklch(0.5 0.1 200)"),
    AimSource(hue="buoy", lightness=60.0, chroma=0.15, angle=45.0),
    AimSource(hue="shingle", lightness=50.0, chroma=0.02, angle=194.83),
    FollowHue(hue="shingle", source=TintedSource(hue="sound", chroma=0.02)),
    SetAnchor(hue="flare", anchor=Anchor(mode="label", step="s500")),
    SetAnchor(hue="flare", anchor=Anchor(mode="guide")),
    PinStep(hue="sound", step="s300", color="#123456"),
    PinStep(hue="tidewater", step="s500", color=None),
    SetLadder(ladder="long"),
    SetLadder(ladder=OWN),
    SetHueLadder(hue="kelp", ladder="short"),
    SetHueLadder(hue="shingle", ladder=None),
    SetMethod(
        method=Method(
            name="mix", mix=WhiteBlack(space="oklab", targets=(Typed(step="s100", value=80.0),))
        )
    ),
    SetMethod(hue="gorse", method=Method(name="contrast")),
    SetCurves(curves=Curves(dark_taper=0.5)),
    SetCurves(hue="gorse", curves=Curves(dark_drift=-10.0)),
    AimStep(hue="kelp", step="s300", lightness=76.0, chroma=0.1, angle=148.0),
    SetPinNeighbours(hue="tidewater", smooth=True),
    AimCurve(shown="gorse", hues=("gorse", "lamp"), curve="chroma", at=0.5, value=0.1),
    AimCurve(curve="lightness", at=-1.0, value=0.9),
    NudgeSteps(
        steps=(StepRef(hue="kelp", step="s300"), StepRef(hue="sound", step="s300")), lightness=-3.0
    ),
    SetWide(hue="buoy", wide=True),
    HoldHues(hues=("gorse", "kelp"), held=True),
    SetCap(cap=60),
    SetGenerator(generator=1),
    SetReserve(hue="gorse", step="s200", reason="for the winter timetable"),
    KeepSelection(id="few", name="few", steps=(StepRef(hue="kelp", step="s300"),)),
    SetScalePattern(pattern="color.{hue}.{step}"),
    RenameSystem(name="Brinemark lines"),
    AddToken(id="late2", name="text.later", theme=DAY, value=StepAlias(hue="buoy", step="s600")),
    SetTokenValue(token="link-text", theme=DAY, value=TokenAlias(token="text-strong")),
    SetTokenValue(token="text-on-brand", theme=DAY, value=LiteralColor(color="#FFFFFF80")),
    RenameToken(token="text-late", name="text.delay"),
    RemoveToken(token="action-main-fill"),
    RemoveToken(token="status-error"),
    RemoveToken(token="action-main-fill", replacement="link-text"),
    RemoveTokens(tokens=("link-text", "surface-brand")),
    AddTokens(
        tokens=(
            {
                "id": "ring",
                "name": "focus.ring",
                "values": {"night": StepAlias(hue="sound", step="s600")},
            },
        )
    ),
    SetTokenValue(token="link-text", theme="night", value=HueAlias(hue="sound")),
    SetTokenValue(
        token="link-text", theme=DAY, value=DerivedColor(of=HueAlias(hue="sound"), turn=SHIFTED)
    ),
    SetTokenValues(
        what="Fill",
        values=(
            {"token": "link-text", "theme": DAY, "value": TokenAlias(token="text-strong")},
            {"token": "surface-page", "theme": "night", "value": None},
        ),
    ),
    LetTokenFollow(token="surface-page", theme="night"),
    MoveTokens(tokens=("text-late", "link-text"), before="text-strong"),
    MoveTokens(tokens=("text-strong",)),
    SplitToken(
        token="text-late", id="split", name="text.delay", pairings=("text-late--surface-card",)
    ),
    RenameTokens(
        names={"text-late": "text.delay", "link-text": "link.plain"}, keep={"text-late": "old1"}
    ),
    DescribeToken(token="text-late", note="how late", usage="on the board alone"),
    KeepTokensInternal(tokens=("text-late", "link-text"), internal=True),
    LetRepairsMove(tokens=("text-late",), moving="never"),
    DeprecateToken(
        token="text-late", deprecated=Deprecation(replacement="text-strong", reason="too many")
    ),
    AddTheme(
        id="quay",
        name="quay",
        base=DAY,
        contrast="more",
        values={"link-text": HueAlias(hue="kelp")},
    ),
    RenameTheme(theme="night", name="bridge"),
    SetTheme(theme="night", scheme="light", contrast="more", base=None),
    MoveTheme(theme="night", before=DAY),
    RemoveTheme(theme="night"),
    RemoveTheme(theme=DAY),
    AddPairings(
        pairings=(
            {"id": "p1", "foreground": "text-late", "ground": "surface-page", "use": "large"},
        )
    ),
    RemovePairing(pairing="text-late--surface-card"),
    KeepToldApart(id="acts", name="acts", tokens=("link-text", "text-late"), threshold=12.0),
    RemoveToldApart(set="status"),
    AcceptFinding(
        id="e2",
        finding="pairing:day:x",
        said="It stays.",
        colors=("#000000", "#FFFFFF"),
        reason="known",
    ),
    EndException(exception="e1"),
    KeepCondition(id="sun", name="in sunlight", quantities=Quantities(lux=60000.0)),
    RemoveCondition(condition="night"),
    KeepMatrix(id="texts", name="texts on cards", rows="texts", columns="hue:kelp", by="own"),
    RemoveMatrix(matrix="whole"),
    AddPalette(
        id="p1",
        name="vessels",
        make=Sequential(sources=(HueAlias(hue="kelp"),)),
        ground="surface-page",
    ),
    SetPalette(palette="load", make=Sequential(sources=(HueAlias(hue="kelp"),), reversed=True)),
    RenamePalette(palette="load", name="how full"),
    PlacePalette(palette="routes", ground=None),
    DescribePalette(palette="fares", column="fare", note="who is aboard"),
    AddOutput(id="o9", name="kiosk"),
    SetOutput(output={**PLACES.model_dump(), "columns": 4}),
    RemoveOutput(output="page"),
    SetGuide(guide=Guide(width=900, columns=2)),
    Override(token="moss-1"),
    LetBack(token="moss-2"),
    LeaveBase(),
    SetReleaseRules(rules=ReleaseRules(refuse_open=True, patch_below=1.0)),
    SetOtherColor(palette="routes", role="missing", value=StepAlias(hue="shingle", step="s400")),
    SetOtherColor(palette="load", role="muted", value=HueAlias(hue="kelp")),
    MovePalette(palette="delay", before="routes"),
    MovePalette(palette="routes"),
    RemovePalette(palette="fares"),
    SetAim(aim=5.0),
    SetDuty(duty="The ferry authority asks for level AA."),
    PublishScales(published=False),
    LetGo(hue="shingle"),
    AddCandidates(
        candidates=[
            {"id": "c9", "color": "#8A8A20"},
            {"id": "c8", "color": "#204A8A", "kind": "brand"},
        ]
    ),
    SetCandidate(candidate="c1", name="rust", kind="brand"),
    RemoveCandidates(candidates=("c2",)),
    JoinCandidates(candidates=("c1", "c2")),
    KeepStops(id="dawn", name="dawn", colors=("#102030", "#C0A080"), difference=2.5),
    RemoveStops(stops="sea"),
    RemoveSelection(selection="poster"),
]

FULL = apply_all(
    SYSTEM,
    [
        AddCandidates(
            candidates=[
                {"id": "c1", "color": "#A0522D"},
                {"id": "c2", "name": "foam", "color": "#DDEEEE"},
            ]
        ),
        KeepStops(id="sea", name="sea", colors=("#0A2A3A", "#7FB0B8", "#EAF4F4"), difference=3.0),
        KeepSelection(id="poster", name="poster", steps=(StepRef(hue="buoy", step="s500"),)),
        AimStep(hue="kelp", step="s400", lightness=63.0, chroma=0.1, angle=148.0),
        AcceptFinding(
            id="e1",
            finding="pairing:day:y",
            said="So be it.",
            colors=("#102030", "#FFFFFF"),
            reason="known",
        ),
        AddPalette(
            id="routes",
            name="routes",
            make=Categorical(
                colors=(PaletteColor(id="a", value=HueAlias(hue="kelp"), category="x", held=True),)
            ),
            ground="surface-page",
        ),
        AddPalette(
            id="fares", name="fares", make=Sequential(sources=(StepAlias(hue="kelp", step="s500"),))
        ),
        AddPalette(
            id="load",
            name="load",
            make=Sequential(sources=(TokenAlias(token="text-late"),)),
            column="load",
        ),
        AddPalette(
            id="delay",
            name="delay",
            make=Diverging(low=HueAlias(hue="kelp"), high=HueAlias(hue="flare")),
        ),
        AddOutput(id="page", name="page"),
        SetOutput(output=PAGE),
        AddOutput(id="board", name="board", kind="places"),
        TAKEN,
        Override(token="moss-2"),
        KeepMatrix(id="whole", name="everything", rows="steps", columns="steps"),
        KeepCondition(id="night", name="bridge at night", quantities=Quantities(white=5.0)),
        AddTheme(
            id="night",
            name="night",
            base=DAY,
            scheme="dark",
            values={"surface-page": StepAlias(hue="shingle", step="s900")},
        ),
    ],
).system
"""The demo's system with everything in it that a system can hold."""


def test_the_edits_above_are_all_that_a_person_can_do():
    (union, _) = get_args(UserEdit)
    assert {type(edit) for edit in EVERY_EDIT} == set(get_args(union))


def test_what_can_be_put_back_is_all_that_a_document_holds():
    """A new field is known to undo at once, or nothing of the document would be compared or restored there."""
    assert {*COLLECTIONS, *FIELDS, "schema_version"} == set(ColorSystem.model_fields)
    assert all(getattr(FULL, collection) for collection in COLLECTIONS)


@pytest.mark.parametrize("edit", EVERY_EDIT, ids=lambda edit: edit.type)
def test_every_edit_changes_only_what_it_says_and_can_be_taken_back(edit):
    before = FULL.model_dump_json()
    applied = apply_all(FULL, [edit])
    assert FULL.model_dump_json() == before
    assert applied.writes
    assert applied.sentence
    back = apply_all(applied.system, [applied.inverse])
    assert back.system == FULL
    again = apply_all(back.system, [back.inverse])
    assert again.system == applied.system
    # What is stored is what was meant, and it resolves.
    assert read_document(json.loads(applied.system.model_dump_json())) == applied.system
    resolve(applied.system)


@examples(40)
@given(st.lists(st.sampled_from(EVERY_EDIT), min_size=1, max_size=6))
def test_any_chain_of_edits_can_be_taken_back(edits):
    at, inverses = FULL, []
    for edit in edits:
        try:
            applied = apply_all(at, [edit])
        except DomainError:
            continue
        inverses.append((at, applied.inverse))
        at = applied.system
    for before, inverse in reversed(inverses):
        at = apply(at, inverse)
        assert at == before


def own(place, **change):
    """The ladder above with one of its steps changed."""
    steps = [
        step.model_copy(update=change) if at == place else step for at, step in enumerate(OWN.steps)
    ]
    return ShapedLadder(steps=tuple(steps))


REFUSED = [
    (RenameHue(hue="kelp", name=""), "name", "needs a name"),
    (RenameHue(hue="kelp", name="flare"), "name", "taken"),
    (RenameHue(hue="kelp", name="FLARE"), "name", "one name in CSS"),
    (RenameHue(hue="kelp", name="k" * 81), "name", "at most 80"),
    (RenameHue(hue="kelp", name="$kelp"), "name", "$"),
    (RenameHue(hue="kelp", name="ke{lp}"), "name", "braces"),
    (RenameHue(hue="kelp", name="ke.lp"), "name", "period"),
    (RenameHue(hue="kelp", name="!!"), "name", "letter"),
    (RenameHue(hue="kelp", name="text"), "name", None),
    (RenameHue(hue="gone", name="x"), "hue", "not there"),
    (RenameToken(token="text-late", name="text.strong"), "name", "taken"),
    (RenameToken(token="text-late", name="text"), "name", "group"),
    (RenameToken(token="text-late", name="text.strong.bold"), "name", "group"),
    (
        RenameToken(token="text-late", name="text..late"),
        "name",
        "In “text..late” a period stands beside no name",
    ),
    (RenameToken(token="text-late", name="tidewater.600"), "name", "taken"),
    (RenameToken(token="text-late", name="text-strong"), "name", "one name in CSS"),
    (SetScalePattern(pattern="{hue}"), "pattern", "{hue} and {step}"),
    (SetScalePattern(pattern="text.{hue}.$d.{step}"), "pattern", "$"),
    (
        SetTokenValue(token="action-main-fill", theme=DAY, value=TokenAlias(token="surface-brand")),
        "value",
        "loop",
    ),
    (
        SetTokenValue(
            token="action-main-fill", theme=DAY, value=TokenAlias(token="action-main-fill")
        ),
        "value",
        "loop",
    ),
    (
        SetTokenValue(
            token="action-main-fill", theme=DAY, value=StepAlias(hue="kelp", step="s950")
        ),
        "value",
        "no such step",
    ),
    (SetAnchor(hue="kelp", anchor=Anchor(mode="label", step="s950")), "anchor.step", "labels"),
    (SetSource(hue="kelp", color="#11223344"), "color", "opaque"),
    (SetLadder(ladder="rope"), "ladder", "usual"),
    (SetLadder(ladder=own(1, label="100")), "ladder.steps.1.label", "there twice"),
    (SetLadder(ladder=own(1, label=" ")), "ladder.steps.1.label", "needs a label"),
    (SetLadder(ladder=own(2, lightness=95.0)), "ladder.steps.2.lightness", "at most L* 89.9"),
    (SetLadder(ladder=own(0, lightness=101.0)), "ladder.steps.0.lightness", "could be 100"),
    (SetLadder(ladder=own(4, between=True)), "ladder", "stands between no others"),
    (SetLadder(ladder=ShapedLadder(steps=OWN.steps[:1])), "ladder", "3 to 24 steps"),
    (SetMethod(method=None), "method", "need a method"),
    (
        SetMethod(
            method=Method(contrast=ContrastTargets(targets=(Typed(step="s900", value=22.0),)))
        ),
        "method.contrast.targets.0.value",
        "nearest is 21.00",
    ),
    (
        SetMethod(method=Method(mix=WhiteBlack(targets=(Typed(step="s900", value=-120.0),)))),
        "method.mix.targets.0.value",
        "nearest is -100",
    ),
    (
        SetMethod(
            method=Method(
                name="contrast", contrast=ContrastTargets(targets=(Typed(step="s300", value=9.0),))
            )
        ),
        "method.contrast.targets",
        "it stands between",
    ),
    (
        SetMethod(
            hue="gorse",
            method=Method(name="mix", mix=WhiteBlack(targets=(Typed(step="s100", value=20.0),))),
        ),
        "method.mix.targets",
        "100 of gorse cannot be 20: beside it stands",
    ),
    (
        AimStep(hue="tidewater", step="s500", lightness=50.0, chroma=0.1, angle=1.0),
        "step",
        "pinned",
    ),
    (
        AimStep(hue="tidewater", step="s600", lightness=50.0, chroma=0.1, angle=1.0),
        "step",
        "own color",
    ),
    (
        AimStep(hue="tidewater", step="s950", lightness=50.0, chroma=0.1, angle=1.0),
        "step",
        "no such step",
    ),
    (FollowHue(hue="tidewater", source=TintedSource(hue="shingle")), "source.hue", "loop"),
    (RenameSystem(name="  "), "name", "needs a name"),
    (AddHues(hues=[{"id": "x1", "name": "kelp", "color": "#123456"}]), "hues.0.name", "taken"),
]


@pytest.mark.parametrize(("edit", "field", "words"), REFUSED, ids=lambda value: str(value)[:40])
def test_what_is_refused_is_said_at_the_field(edit, field, words):
    if words is None:
        # A hue called like a group of tokens is fine as long as no token and group share a whole name.
        apply(SYSTEM, edit)
        return
    with pytest.raises(DomainError) as refused:
        apply(SYSTEM, edit)
    assert refused.value.field == field
    assert words in refused.value.message


def test_the_loop_is_named():
    with pytest.raises(DomainError) as refused:
        apply(
            SYSTEM,
            SetTokenValue(
                token="action-main-fill", theme=DAY, value=TokenAlias(token="surface-brand")
            ),
        )
    assert "surface.brand is action.main.fill is surface.brand" in refused.value.message


def test_unreadable_color_is_blamed_on_the_color():
    with pytest.raises(DomainError) as refused:
        SetSource(hue="kelp", color="tealish")
    assert refused.value.field == "color"


def test_hue_and_chroma_are_remembered_through_white_and_gray():
    before = srgb_to_oklch(rgb8_of(source_color(SYSTEM, SYSTEM.hues["tidewater"])) / 255.0)
    white = apply(
        SYSTEM,
        AimSource(
            hue="tidewater", lightness=100.0, chroma=float(before[1]), angle=float(before[2])
        ),
    )
    assert format(source_color(white, white.hues["tidewater"]), "hex") == "#FFFFFF"
    recall = white.hues["tidewater"].recall
    back = apply(
        white, AimSource(hue="tidewater", lightness=41.8, chroma=recall.chroma, angle=recall.hue)
    )
    after = srgb_to_oklch(rgb8_of(source_color(back, back.hues["tidewater"])) / 255.0)
    assert abs(after - before)[:2].max() < 0.005
    assert abs(after - before)[2] < 1.5
    gray = apply(SYSTEM, SetSource(hue="tidewater", color="#808080"))
    assert gray.hues["tidewater"].recall.hue == pytest.approx(before[2], abs=1e-6)


def test_a_tinted_neutral_follows_its_hue():
    green = apply(SYSTEM, SetSource(hue="tidewater", color="#208040"))
    old, new = (source_color(system, system.hues["shingle"]) for system in (SYSTEM, green))
    assert srgb_to_oklch(rgb8_of(new) / 255.0)[2] == pytest.approx(
        float(srgb_to_oklch(rgb8_of(source_color(green, green.hues["tidewater"])) / 255.0)[2]),
        abs=6.0,
    )
    assert old != new


def test_removing_a_hue_keeps_the_colors_of_what_stood_on_it():
    before, after = resolve(SYSTEM), resolve(apply(SYSTEM, RemoveHue(hue="tidewater")))
    for token, color in before.theme().tokens.items():
        assert (after.theme().tokens[token].rgb8 == color.rgb8).all()
    assert (after.hues["shingle"].scale.rgb8 == before.hues["shingle"].scale.rgb8).all()


def test_removing_a_token_keeps_the_colors_of_its_aliases():
    after = resolve(apply(SYSTEM, RemoveToken(token="action-main-fill")))
    assert (
        after.theme().tokens["surface-brand"].rgb8
        == resolve(SYSTEM).theme().tokens["surface-brand"].rgb8
    ).all()
    assert not any(
        "action-main-fill" in (result.pairing.foreground, result.pairing.ground)
        for result in after.theme().pairings
    )


def test_a_shorter_ladder_moves_aliases_to_the_nearest_step():
    long = apply(SYSTEM, SetLadder(ladder="long"))
    on_edge = apply(
        long,
        SetTokenValue(token="link-text", theme=DAY, value=StepAlias(hue="tidewater", step="s950")),
    )
    back = apply(on_edge, SetLadder(ladder="usual"))
    assert back.tokens["link-text"].values[DAY].step == "s900"
    assert back.hues["tidewater"].pins == SYSTEM.hues["tidewater"].pins


@given(st.lists(st.integers(0, 30), min_size=1, max_size=60))
def test_fractional_keys_keep_any_order(places):
    keys: list[str] = []
    for place in places:
        at = min(place, len(keys))
        new = key_between(keys[at - 1] if at else None, keys[at] if at < len(keys) else None)
        keys.insert(at, new)
        assert keys == sorted(keys)
        assert len(set(keys)) == len(keys)


def test_keys_hardly_grow_with_what_is_appended():
    """Fifty thousand tokens one after another, or always in front of the first, still have short keys."""
    behind = keys(50_000)
    assert behind == sorted(set(behind))
    assert max(map(len, behind)) <= 9
    before = first = key_between(None, None)
    for _ in range(5_000):
        first = key_between(None, before)
        assert first < before
        before = first
    assert len(first) <= 9


def test_order_follows_moves():
    moved = apply(SYSTEM, MoveHue(hue="sound", before="buoy"))
    assert [hue.id for hue in in_order(moved.hues)][:3] == ["tidewater", "sound", "buoy"]


def _meet(one: Applied, other: Applied) -> bool:
    return conflict(one.writes, one.reads, other.writes, other.reads) is not None


@pytest.mark.parametrize(
    ("one", "other", "meets"),
    [
        (RenameHue(hue="kelp", name="weed"), SetSource(hue="kelp", color="#3F8F50"), False),
        (RenameHue(hue="kelp", name="weed"), RenameHue(hue="kelp", name="moss"), True),
        (SetSource(hue="kelp", color=TEAL), SetSource(hue="flare", color="#AA3344"), False),
        (RemoveHue(hue="kelp"), SetSource(hue="kelp", color=TEAL), True),
        (
            RemoveHue(hue="heather"),
            SetTokenValue(
                token="link-text", theme=DAY, value=StepAlias(hue="heather", step="s600")
            ),
            True,
        ),
        (
            SetLadder(ladder="long"),
            SetAnchor(hue="kelp", anchor=Anchor(mode="label", step="s500")),
            True,
        ),
        (
            SetScalePattern(pattern="c.{hue}.{step}"),
            RenameToken(token="text-late", name="text.delay"),
            False,
        ),
    ],
    ids=["other field", "same field", "other hue", "gone", "alias of gone", "ladder read", "apart"],
)
def test_when_two_changes_meet(one, other, meets):
    assert _meet(apply_all(SYSTEM, [one]), apply_all(SYSTEM, [other])) is meets
    assert _meet(apply_all(SYSTEM, [other]), apply_all(SYSTEM, [one])) is meets


def test_what_a_ladder_takes_away_is_told_before():
    pinned = apply(
        SYSTEM, AimStep(hue="kelp", step="s300", lightness=76.0, chroma=0.1, angle=148.0)
    )
    fixed = apply(pinned, SetAnchor(hue="flare", anchor=Anchor(mode="label", step="s700")))
    after = apply(fixed, SetLadder(ladder=OWN))
    told = losses(fixed, after)
    assert told[:3] == [
        "The pin at tidewater 500 goes.",
        "The nudge at kelp 300 goes.",
        "flare stands at the nearest label, not at 700 any more.",
    ]
    assert "status.success moves from kelp 500 to kelp 600." in told
    assert losses(fixed, apply(fixed, SetLadder(ladder="long"))) == []
    # What is internal is not published, and what counts is counted without the step between.
    labels = [
        token.name for token in publication(resolve(after)).tokens if token.name.startswith("kelp.")
    ]
    assert labels == ["kelp.100", "kelp.150", "kelp.600", "kelp.900"]
    assert after.ladder.positions(after.ladder.lightness())[2:].tolist() == [1.0, 2.0, 3.0]


def test_a_nudge_is_kept_on_top_of_what_is_generated():
    nudged = apply(
        SYSTEM, AimStep(hue="kelp", step="s300", lightness=80.0, chroma=0.1, angle=148.0)
    )
    moved = apply(nudged, AimSource(hue="kelp", lightness=50.0, chroma=0.12, angle=140.0))
    nudge = nudged.hues["kelp"].nudges["s300"]
    plain = apply(moved, PinStep(hue="kelp", step="s300", color=None))
    with_it, without = (resolve(system).hues["kelp"].scale for system in (moved, plain))
    assert with_it.lightness[2] - without.lightness[2] == pytest.approx(nudge.lightness, abs=1e-5)
    assert plain.hues["kelp"].nudges == {}
    same = resolve(SYSTEM).hues["kelp"].scale
    back = {"lightness": same.lightness[2], "chroma": same.chroma[2], "angle": same.hue[2] % 360.0}
    assert apply(nudged, AimStep(hue="kelp", step="s300", **back)).hues["kelp"].nudges == {}


def test_limits():
    many = [{"name": f"h{number}", "color": "#123456"} for number in range(192)]
    with pytest.raises(DomainError, match="at most 200"):
        apply(SYSTEM, AddHues(hues=many))


@settings(max_examples=30)
@given(st.lists(st.tuples(*[st.integers(0, 255)] * 3), min_size=1, max_size=5))
def test_a_new_system_from_any_colors_is_whole(levels):
    colors = [("", parse("rgb({} {} {})".format(*level))) for level in levels]
    system = start_system("Pellan", colors)
    resolved = resolve(system)
    assert len(system.hues) == len(colors) + 5
    for hue, level in zip(in_order(system.hues), levels, strict=False):
        assert list(level) in resolved.hues[hue.id].scale.rgb8.tolist()
    # The status colors that come with it are told apart by everyone, and text holds on its grounds.
    assert all(
        pair.least >= 10.0 for result in resolved.theme().told_apart for pair in result.pairs
    )
    texts = [result for result in resolved.theme().pairings if result.pairing.use == "body"]
    assert texts
    assert all(result.holds for result in texts)


def test_the_first_day():
    system = merrow_light()
    assert len(system.hues) == 2
    assert not system.told_apart
    assert not any(token.purpose.startswith("status.") for token in system.tokens.values())
    resolve(system)
