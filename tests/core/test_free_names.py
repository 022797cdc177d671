"""Hues that come from outside get names that can be, and one name stops no other hue."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from heimat.core.color.color_text import parse
from heimat.core.document.free_names import FreeNames, plain_part
from heimat.core.edits import apply
from heimat.core.edits.hue_edits import AddHues, NewHue
from heimat.core.edits.token_edits import AddToken
from heimat.core.errors import DomainError
from heimat.core.filling.start import start_system
from heimat.demo.demo_systems import brinemark
from tests.examples import examples


def added(*names: str) -> list[str]:
    hues = tuple(NewHue.model_validate({"name": name, "color": "#8A6FA8"}) for name in names)
    system = apply(brinemark(), AddHues(hues=hues, nearest=True))
    return [system.hues[hue.id].name for hue in hues]


@pytest.mark.parametrize(
    ("wanted", "name"),
    [
        ("lamp", "lamp 2"),
        ("LAMP", "LAMP 2"),
        ("$tide", "tide"),
        ("brand.primary", "brand primary"),
        ("{alias}", "alias"),
        ("two\nlines\u202e", "two lines"),
        ("…", "violet"),
        ("", "violet"),
        ("x" * 200, "x" * 72),
    ],
)
def test_the_nearest_plain_name_that_is_free(wanted: str, name: str):
    assert added(wanted) == [name]


def test_a_list_with_taken_and_repeated_names_goes_in_whole():
    assert added("lamp", "lamp", "new tide", "tidewater", "lamp 2") == [
        "lamp 2",
        "lamp 3",
        "new tide",
        "tidewater 2",
        "lamp 2 2",
    ]


def test_a_name_that_tokens_have_taken_is_not_free():
    system = brinemark()
    theme = next(iter(system.themes))
    value = {"kind": "literal", "color": "#123456"}
    for token in ("mint.100", "rose", "sand.200.soft"):
        system = apply(system, AddToken(name=token, theme=theme, value=value))
    free = FreeNames(system)
    assert [free.take(name, "violet") for name in ("mint", "rose", "sand", "fern")] == [
        "mint 2",
        "rose 2",
        "sand 2",
        "fern",
    ]


@examples(60)
@given(st.lists(st.text(max_size=90), min_size=1, max_size=12))
def test_any_names_go_in_and_what_is_shown_before_is_what_they_get(names: list[str]):
    free = FreeNames(brinemark())
    shown = [free.take(name, "violet") for name in names]
    assert added(*names) == shown
    assert all(
        not plain_part(name) or plain_part(name)[:60] in got
        for name, got in zip(names, shown, strict=True)
    )


def test_what_somebody_types_is_refused_in_words_however_long():
    for name, words in (
        ("lamp", "taken"),
        ("a.b", "period"),
        ("x" * 81, "at most 80"),
        ("x" * 100_000, "at most 80"),
    ):
        with pytest.raises(DomainError, match=words):
            apply(
                brinemark(),
                AddHues(hues=(NewHue.model_validate({"name": name, "color": "#8A6FA8"}),)),
            )


def test_a_system_starts_with_names_that_nobody_could_have():
    system = start_system(
        "New",
        [("$tide", parse("#0B6E6E")), ("a.b", parse("#DF5A33")), ("success", parse("#3F8F4F"))],
    )
    assert [hue.name for hue in list(system.hues.values())[:3]] == ["tide", "a b", "success"]
