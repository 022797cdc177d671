"""Outputs: tokens under the names that code already uses, and colors in a fixed number of places."""

import json
import re

import pytest

from heimat.core.document.outputs import NamedOutput, OutputName, PlacedOutput
from heimat.core.edits import apply_all
from heimat.core.edits.output_edits import AddOutput, RemoveOutput, SetOutput
from heimat.core.edits.token_edits import RemoveToken
from heimat.core.errors import DomainError
from heimat.core.publication.breaking import broken
from heimat.core.publication.building import publication
from heimat.core.publication.changes import compare, next_version
from heimat.core.publication.code_names import meant
from heimat.core.publication.plain_publication import plain_of, publication_of
from heimat.core.publication.publication import Publication
from heimat.core.publication.published_outputs import gap_words, names_lost
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark
from heimat.formats import write_all
from heimat.formats.read.read_code_names import names_in

SYSTEM = brinemark()
HAND = (
    OutputName(name="ink", of="text-strong"),
    OutputName(name="ink_copy", of="text-strong"),
    OutputName(name="brand-100", of="tidewater/s100"),
    OutputName(name="nobody"),
    OutputName(name="gone", of="no-such-token"),
)


def with_names(**how: object) -> Publication:
    output = NamedOutput.model_validate(
        {"id": "page", "order": "a", "name": "ticket page", "names": HAND, **how}
    )
    made = apply_all(
        SYSTEM, [AddOutput(id="page", name="ticket page"), SetOutput(output=output)]
    ).system
    return publication(resolve(made))


def files_of(published: Publication) -> dict[str, str]:
    kinds = ("names.", "places.")
    return {
        file.name: file.content.decode()
        for file in write_all(published, "1.0.0")
        if file.name.startswith(kinds)
    }


def test_only_names_by_hand_go_out_with_the_values_that_the_tokens_have() -> None:
    published = with_names(rest=False)
    css = files_of(published)["names.ticket-page.css"]
    root = css[: css.index("}")]
    assert re.findall(r"--([\w-]+):", root) == ["ink", "ink_copy", "brand-100"]
    (token,) = [token for token in published.tokens if token.id == "text-strong"]
    # What stands for a step that has no name here goes out with its value.
    assert f"--ink: {token.value(published.themes[0].id).hex};" in root
    assert "var(" not in root


def test_all_others_follow_a_pattern_and_aliases_are_called_as_they_are_here() -> None:
    published = with_names(pattern="c_{name}", case="camel", form="scss")
    scss = files_of(published)["names.ticket-page.scss"]
    assert "$ink:" in scss
    assert "$c_surface-page:" in scss
    assert "$c_text-strong:" not in scss
    names = re.findall(r"^\$([\w-]+): #", scss, re.M)
    assert len(names) == len(set(names)) == len(published.with_palettes()) + 1
    css = files_of(with_names(pattern="c_{name}"))["names.ticket-page.css"]
    # Every name that is referred to is declared.
    assert set(re.findall(r"var\(--([\w-]+)\)", css)) <= set(re.findall(r"--([\w-]+):", css))
    assert (
        json.loads(files_of(with_names(form="json"))["names.ticket-page.json"])["tokens"][0]["name"]
        == "ink"
    )
    assert '"ink_copy":' in files_of(with_names(form="typescript"))["names.ticket-page.ts"]


def test_gaps_are_told_and_names_that_go_are_major() -> None:
    output = NamedOutput(id="page", order="a", name="ticket page", names=HAND)
    added = [AddOutput(id="page", name="ticket page"), SetOutput(output=output)]
    first = apply_all(SYSTEM, added).system
    was = publication(resolve(first))
    assert gap_words(first, was.with_palettes()) == ["ticket page has nothing for nobody, gone."]
    fewer = output.model_copy(update={"names": HAND[1:]})
    now = publication(resolve(apply_all(first, [SetOutput(output=fewer)]).system))
    lost = names_lost(was.outputs, now.outputs)
    assert lost == [("ticket page", "ink")]
    assert broken(was, now, compare(was, now)) == ["ticket page gives nothing as ink any more."]
    assert next_version("1.0.0", compare(was, now), lost=lost).version == "2.0.0"
    without = publication(resolve(apply_all(first, [RemoveOutput(output="page")]).system))
    assert len(names_lost(was.outputs, without.outputs)) == len(was.outputs[0].names)


def test_places_keep_their_order_and_tell_what_is_beyond_and_what_is_empty() -> None:
    board = PlacedOutput(
        id="board",
        order="a",
        name="quay board",
        count=4,
        columns=2,
        meanings=("ink", "ground", "late"),
        holds=("text-strong", None, "no-such-token", "surface-page", "tidewater/s500"),
    )
    system = apply_all(
        SYSTEM, [AddOutput(id="board", name="b", kind="places"), SetOutput(output=board)]
    ).system
    published = publication(resolve(system))
    files = files_of(published)
    told = json.loads(files["places.quay-board.json"])
    assert [
        (each["place"], each["row"], each["meaning"], each["token"]) for each in told["places"]
    ] == [
        (1, 1, "ink", "text.strong"),
        (2, 1, "ground", None),
        (3, 2, "late", None),
        (4, 2, None, "surface.page"),
    ]
    assert set(told["places"][0]["values"]) == {"day", "night", "quay"}
    swatches = files["places.quay-board.gpl"].splitlines()
    assert swatches[2] == "Columns: 2"
    assert [line.split("\t")[1] for line in swatches[4:]] == ["text.strong (ink)", "surface.page"]
    assert gap_words(system, published.with_palettes()) == [
        "In quay board nothing stands for ground, late.",
        "quay board has no place for 1 of its colors.",
    ]


def test_what_a_release_keeps_of_outputs_is_read_again_and_lives_through_removals() -> None:
    published = with_names()
    assert publication_of(json.loads(json.dumps(plain_of(published)))) == published
    made = apply_all(
        SYSTEM,
        [
            AddOutput(id="page", name="ticket page"),
            SetOutput(output=NamedOutput(id="page", order="a", name="ticket page", names=HAND)),
            RemoveToken(token="text-strong"),
        ],
    ).system
    assert gap_words(made, publication(resolve(made)).with_palettes()) == [
        "ticket page has nothing for ink, ink_copy, nobody and 1 more."
    ]


@pytest.mark.parametrize(
    ("how", "words"),
    [
        ({"pattern": "x"}, "A pattern holds {name}"),
        ({"pattern": "{name};"}, "A pattern holds {name}"),
        ({"names": (HAND[0], HAND[0])}, "“ink” is there twice."),
        ({"name": "!!"}, "needs a name of letters or digits"),
        ({"name": "Board"}, "“Board” is taken."),
    ],
)
def test_outputs_that_cannot_be_say_why(how: dict, words: str) -> None:
    output = NamedOutput.model_validate({"id": "page", "order": "a", "name": "page", **how})
    edits = [
        AddOutput(id="page", name="page"),
        AddOutput(id="o2", name="board"),
        SetOutput(output=output),
    ]
    with pytest.raises(DomainError) as refused:
        apply_all(SYSTEM, edits)
    assert words in refused.value.message


def test_names_of_code_are_told_from_rules_by_where_they_stand():
    text = """
        @ink: #111;
        @some-rule base;
        .a { @other inline; color: @ink; border: 1px solid @line; --error: #f00; }
        /* told */ @third all;
        @media (min-width: 10em) { .b { color: $soft; background: var(--page); } }
        """
    assert names_in(text) == {
        "ink": "#111111",
        "line": None,
        "error": "#FF0000",
        "soft": None,
        "page": None,
    }


def test_what_code_calls_a_color_is_found_by_name_by_color_and_by_likeness():
    tokens = publication(resolve(brinemark())).tokens
    by_name = {token.name: token for token in tokens}
    late = by_name["text.late"]
    shown = next(iter(late.values.values())).hex
    found = meant(
        {"text-late": None, "brand-alarm": shown.lower(), "text-lates": None, "zzz": "#123456"},
        tokens,
    )
    assert [(each.of, each.why) for each in found] == [
        (late.id, "same name"),
        (late.id, "same color"),
        (late.id, "alike"),
        (None, ""),
    ]
