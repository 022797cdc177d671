"""Order keys: short however often something moves, in order whatever is taken back."""

from unittest.mock import patch

import pytest
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.document.order import LONG_KEY, behind, in_order, key_between, spread
from heimat.core.document.system import ColorSystem
from heimat.core.document.upgrades import read_document
from heimat.core.edits import Restore, SpreadOrder, apply, apply_all, carried_over, grown
from heimat.core.edits.hue_edits import AddHues, DuplicateHue, MoveHue, NewHue, SetHueKind
from heimat.demo.demo_systems import brinemark

FIRST = [hue.id for hue in in_order(brinemark().hues)][:3]


def crowd(system: ColorSystem, moves: int) -> ColorSystem:
    """Two hues moved in turn before a third."""
    for turn in range(moves):
        system = apply(system, MoveHue(hue=FIRST[turn % 2], before=FIRST[2]))
    return system


def names(system: ColorSystem) -> list[str]:
    return [hue.id for hue in in_order(system.hues)]


def test_a_key_grows_in_one_gap_and_is_made_short_without_moving_anything():
    system = crowd(brinemark(), 260)
    assert grown(system)
    short = apply(system, SpreadOrder())
    assert names(short) == names(system)
    assert max(len(hue.order) for hue in short.hues.values()) == 1
    assert not grown(short)
    # What has short ones keeps its keys.
    assert short.tokens == system.tokens


def test_a_stored_document_with_keys_of_any_length_can_be_read():
    system = crowd(brinemark(), 1300)
    assert max(len(hue.order) for hue in system.hues.values()) > 5 * LONG_KEY
    assert read_document(system.model_dump(mode="json")) == system


def test_two_thousand_appended_keys_stay_short():
    """As long as in the document that is promised to hold them."""
    made = behind({}, 2000)
    assert max(len(key) for key in made) <= 5
    assert made == sorted(made)
    hues = {
        str(n): brinemark().hues[FIRST[0]].model_copy(update={"id": str(n), "order": key})
        for n, key in enumerate(made)
    }
    again = list(spread(hues).values())
    assert again == sorted(set(again))
    assert len({len(key) for key in again}) == 1
    assert not any(key.endswith("0") for key in again)


@given(
    st.lists(st.tuples(st.integers(0, 8), st.integers(0, 8)), min_size=1, max_size=12),
    st.integers(0, 11),
)
def test_moves_are_taken_back_across_a_spreading(moves, spread_after):
    """Undone one by one from the last, each brings back the order that was there before it."""
    system = brinemark()
    ids = names(system)
    orders, inverses, spreadings = [names(system)], [], []
    for turn, (hue, before) in enumerate(moves):
        applied = apply_all(system, [MoveHue(hue=ids[hue], before=ids[before])])
        system = applied.system
        inverses.append(applied.inverse)
        orders.append(names(system))
        if turn == spread_after:
            before = system
            with patch("heimat.core.document.order.LONG_KEY", 0):
                system = apply(system, SpreadOrder())
            spreadings.append((len(inverses), before, system))
    for turn in reversed(range(len(inverses))):
        restore: Restore = inverses[turn]
        for at, before, after in spreadings:
            if turn < at:
                restore = carried_over(restore, before, after)
        system = apply(system, restore)
        assert names(system) == orders[turn]


def test_hues_that_share_a_key_are_parted_when_one_moves_between():
    system = brinemark()
    a, b, c = FIRST
    same = {**system.hues, b: system.hues[b].model_copy(update={"order": system.hues[a].order})}
    system = system.model_copy(update={"hues": same})
    first, second = names(system)[:2]
    assert names(apply(system, MoveHue(hue=c, before=second)))[:3] == [first, c, second]
    assert names(apply(system, DuplicateHue(hue=first, id="copy")))[:3] == [first, "copy", second]


def test_there_is_no_key_between_a_key_and_itself():
    with pytest.raises(ValueError, match="does not come before"):
        key_between("i", "i")


def test_a_hue_joins_those_of_its_kind_and_goes_to_them_when_it_is_sorted_anew():
    system = brinemark()

    def kinds(now):
        return [hue.kind for hue in in_order(now.hues)]

    grouped = kinds(system)
    new = [
        NewHue(id=f"n{kind}", kind=kind, color="#123456") for kind in ("neutral", "brand", "accent")
    ]
    added = apply(system, AddHues(hues=tuple(new)))
    assert kinds(added) == sorted([*grouped, "neutral", "brand", "accent"], key=grouped.index)
    names = [hue.id for hue in in_order(added.hues)]
    assert names.index("nbrand") == names.index("buoy") + 1
    moved = apply(added, SetHueKind(hue="buoy", kind="accent"))
    assert kinds(moved) == sorted(kinds(moved), key=grouped.index)
    same = apply(added, SetHueKind(hue="kelp", kind="status", status="information"))
    assert [hue.id for hue in in_order(same.hues)] == names, (
        "what stays of its kind stays where it is"
    )
