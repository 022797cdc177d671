"""Status hues proposed from the brand."""

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.color.ciede2000 import TOLD_APART
from heimat.core.color.color_text import parse
from heimat.core.color.contrast import ratio
from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.color.solved import solved
from heimat.core.color.spaces import srgb_to_oklch
from heimat.core.color.told_apart import distances
from heimat.core.document.tokens import StepAlias
from heimat.core.edits import apply_all
from heimat.core.edits.hue_edits import RemoveHue
from heimat.core.edits.token_edits import SetTokenValue
from heimat.core.filling.start import start_system
from heimat.core.filling.starter import DAY
from heimat.core.planning.status_hues import status_edits, status_hues
from heimat.core.resolve.resolved import resolve
from heimat.core.sources.conventions import (
    STATUS_AIMS,
    STATUS_CONVENTIONS,
    STATUS_HUES,
    STATUS_NOTES,
    STATUSES,
)
from heimat.core.sources.status import Brand, propose
from tests.examples import examples
from tests.systems import brinemark_in_one_theme as brinemark

KELP, FLARE = np.array([63, 143, 79]), np.array([191, 54, 80])


@examples(40)
@given(st.lists(st.tuples(*[st.integers(0, 255)] * 3), max_size=3))
def test_every_pair_keeps_its_distance_for_any_brand(colors):
    proposal = propose(Brand.of(np.array(colors, dtype=np.uint8).reshape(-1, 3)))
    assert proposal.reached
    pairs = distances(proposal.colors, TOLD_APART)
    assert len(pairs) == 6
    assert min(pair.least for pair in pairs) == pytest.approx(proposal.least)
    assert proposal.least >= TOLD_APART
    for status, (_, chroma, hue) in zip(
        STATUSES, srgb_to_oklch(proposal.colors / 255.0), strict=True
    ):
        low, high = STATUS_HUES[status]
        assert chroma > 0.03
        # Eight bits turn the hue of dark colors by up to two degrees.
        assert low - 3.0 <= hue <= high + 3.0


def test_proposals_sit_with_the_brand():
    strong = propose(Brand.of(np.array([[223, 90, 51]], dtype=np.uint8)))
    weak = propose(Brand.of(np.array([[110, 120, 125]], dtype=np.uint8)))
    chroma = [srgb_to_oklch(each.colors / 255.0)[:, 1].mean() for each in (strong, weak)]
    assert chroma[0] > chroma[1] + 0.04
    again = propose(Brand.of(np.array([[223, 90, 51]], dtype=np.uint8)))
    assert (again.colors == strong.colors).all()


def test_what_is_held_stays_and_the_others_make_way():
    brand = Brand.of(np.array([[11, 110, 110]], dtype=np.uint8))
    held = propose(brand, {"success": KELP})
    assert held.colors[0].tolist() == KELP.tolist()
    assert held.reached
    # The demo's own success and error look alike to deutan eyes: held both, nothing can be done, and it is said.
    both = propose(brand, {"success": KELP, "error": FLARE})
    assert not both.reached
    assert both.least == pytest.approx(3.2, abs=0.2)
    assert (both.colors[0].tolist(), both.colors[2].tolist()) == (KELP.tolist(), FLARE.tolist())


def test_each_status_is_explained():
    for status in STATUSES:
        assert STATUS_NOTES[status]
        assert len(STATUS_CONVENTIONS[status]) > 60


NEW = {"success": "#2E7D5B", "warning": "#C98A00", "error": "#B02A5B", "information": "#2A5FB0"}


def test_status_colors_that_are_taken_bring_their_tokens_along():
    """Tokens that are told apart stand, after the change, on the very colors that were found to be told apart."""
    system = brinemark()
    edits = status_edits(
        system, {status: parse(color) for status, color in NEW.items()}, {"error": "cancelled"}
    )
    after = apply_all(system, edits).system
    resolved = resolve(after)
    for status, color in NEW.items():
        token = resolved.theme().tokens[f"status-{status}"]
        assert hex_of(token.rgb8) == color
        assert token.step is not None
    assert status_hues(after)["error"].note == "cancelled"
    assert status_hues(after)["success"].id == status_hues(system)["success"].id
    # Undone, all of it is as it was; done again, there is nothing left to do.
    assert (
        status_edits(
            after, {status: parse(color) for status, color in NEW.items()}, {"error": "cancelled"}
        )
        == []
    )


def test_a_status_without_a_hue_gets_one_and_a_token_moved_by_hand_elsewhere_stays():
    system = apply_all(
        brinemark(),
        [
            SetTokenValue(
                token="status-warning", theme=DAY, value=StepAlias(hue="gorse", step="s300")
            ),
            RemoveHue(hue="flare"),
        ],
    ).system
    after = apply_all(
        system, status_edits(system, {status: parse(color) for status, color in NEW.items()}, {})
    ).system
    assert status_hues(after)["error"].name == "error"
    assert after.tokens["status-warning"].values[DAY] == StepAlias(hue="gorse", step="s300")


@pytest.mark.parametrize(
    "brand", ["#0B6E6E", "#F2C200", "#7A1FA2", "#E8E8E8", "#FF8FA3", "#123456"]
)
def test_what_is_fitted_alone_is_seen_on_white(brand):
    """3:1, as parts of an interface need; where what is held leaves room for it, as here."""
    fitted = propose(Brand.of(rgb8_of(parse(brand))[None])).fitted
    assert ratio(fitted, (255, 255, 255)).min() >= 3.0


@pytest.mark.parametrize("brand", ["#C97A88", "#0A0F14", "#FFE600", "#0B6E6E", "#7B2CBF"])
def test_a_start_has_statuses_that_sit_with_its_brand_and_are_told_apart(brand):
    system = start_system("sea", [("brand", parse(brand))])
    own = Brand.of(rgb8_of(parse(brand))[None])
    rgb8 = np.array(
        [
            rgb8_of(hue.source.color)
            for status in STATUSES
            for hue in system.hues.values()
            if hue.status == status
        ]
    )
    assert len(rgb8) == 4
    assert min(pair.least for pair in distances(rgb8, TOLD_APART)) >= TOLD_APART
    chroma = srgb_to_oklch(rgb8 / 255.0)[:, 1]
    fixed = srgb_to_oklch(np.array([rgb8_of(solved(*STATUS_AIMS[s])) for s in STATUSES]) / 255.0)
    off = np.abs(chroma - own.chroma).mean()
    assert off <= np.abs(fixed[:, 1] - own.chroma).mean() + 0.005
    assert off < 0.05
