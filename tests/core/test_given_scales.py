"""A scale that is given as lines is one hue: its steps under its labels, to the bit, wherever it comes from."""

import pytest

from heimat.core.color.color_lines import read_lines
from heimat.core.color.exact_color import rgb8_of
from heimat.core.color.hex_notation import hex_of
from heimat.core.document.system import ladder_of
from heimat.core.edits import apply_all
from heimat.core.importing.given_scales import edits_for, given_scales, started
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark

VIOLET = {"100": "#F6F1FF", "300": "#C9B3FA", "500": "#8A5CF0", "700": "#5A2FB8", "900": "#2A1160"}
WAYS = {
    "slashes": "\n".join(f"violet/{label} {value}" for label, value in VIOLET.items()),
    "colons, in any order": "\n".join(
        f"violet-{label}: {value}" for label, value in reversed(VIOLET.items())
    ),
    "a row": ", ".join(f"violet {label} {value}" for label, value in VIOLET.items()),
    "custom properties": "\n".join(
        f"  --violet-{label}: {value};" for label, value in VIOLET.items()
    ),
}


def lines(text):
    return [(line.name, line.color) for line in read_lines(text) if line.color]


def steps_of(system, name):
    """The published values of a scale by label, and the label of the hue's own color."""
    hue = next(hue for hue in resolve(system).hue_list if hue.name == name)
    labels = ladder_of(system, hue.hue).labels()
    values = {label: hex_of(rgb8) for label, rgb8 in zip(labels, hue.rgb8, strict=True)}
    return values, hue.hue


@pytest.mark.parametrize("text", WAYS.values(), ids=WAYS)
def test_lines_become_one_hue_with_those_steps_and_generated_gaps(text: str):
    (scale,) = given_scales(lines(f"buoy #DF5A33\n{text}\nkelp #3F8F4F"))
    system = brinemark()
    made = apply_all(system, edits_for(scale, system)).system
    assert len(made.hues) == len(system.hues) + 1
    values, hue = steps_of(made, "violet")
    assert {label: values[label] for label in VIOLET} == VIOLET
    assert list(values) == system.ladder.labels(), "the system's ladder has all of its labels"
    assert hex_of(rgb8_of(hue.source.color)) == VIOLET["500"]
    assert hue.anchor.mode == "label"
    light = [int(value[1:3], 16) for value in values.values()]
    assert light == sorted(light, reverse=True), "what is generated between lies between"


def test_other_labels_are_a_ladder_of_its_own_and_a_start_takes_scales_too():
    given = {"50": "#FFF7E0", "150": "#FFE29A", "450": "#E0A100", "850": "#4A3300"}
    text = "\n".join(f"amber.{label} {value}" for label, value in given.items())
    system = started("Skerry", lines(f"lantern #7A3E9D\n{text}"))
    assert [hue.name for hue in resolve(system).hue_list][:2] == ["lantern", "amber"]
    values, hue = steps_of(system, "amber")
    assert values == given
    assert hex_of(rgb8_of(hue.source.color)) == "#E0A100", "the strongest, where none is 500"
    assert system.tokens, "all else is as a start makes it"


def test_what_is_no_scale_stays_what_it_is():
    apart = "\n".join(("primary 1 #123456", "primary 2 #F0E0D0", "primary 3 #456789"))
    assert given_scales(lines(apart)) == [], "lightness neither rises nor falls"
    assert given_scales(lines("tidewater #0B6E6E\nbuoy #DF5A33\ngorse #DFAF3A")) == []
    assert given_scales(lines("violet-100 #F6F1FF\nviolet-500 #8A5CF0")) == [], "two are no scale"
