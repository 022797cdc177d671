"""Answers are what the API's description says, for every way of looking; and what is promised as a limit can be had."""

import itertools

import pytest
from pydantic import TypeAdapter

from heimat.core.document.order import keys
from heimat.core.document.system import MOST_HUES, MOST_TOKENS, ColorSystem
from heimat.core.document.tokens import StepAlias, Token
from heimat.core.document.upgrades import read_document
from heimat.core.edits import apply, apply_all
from heimat.core.edits.hue_edits import AddHues
from heimat.core.edits.scale_edits import SetWide
from heimat.core.edits.token_edits import AddToken
from heimat.core.edits.token_name_edits import RenameToken
from heimat.core.errors import DomainError
from heimat.core.filling.starter import DAY
from heimat.core.publication.building import publication
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import merrow_light
from heimat.formats.write import css
from heimat.view.look import Look, LookOptions, Where
from heimat.view.parts import PART_NAMES, Parts, parts_of
from tests.core.test_edits import FULL
from tests.core.test_themes import NIGHT, STORM, THREE
from tests.looking import look_at
from tests.systems import brinemark_in_one_theme as brinemark

PLACE = Where("brinemark", 1, None, None)
WIDE = apply(FULL, SetWide(hue="buoy", wide=True))
SYSTEMS = {
    "full": FULL,
    "wide": WIDE,
    "three themes": THREE,
    "first day": merrow_light(),
    "empty": ColorSystem(name="empty"),
}
SELECTED = [
    None,
    "hue:buoy",
    "step:shingle/s150",
    "token:text-late",
    "token:nothing",
    "step:buoy/s999",
]
ANSWER = TypeAdapter(Parts)


@pytest.mark.parametrize("system", SYSTEMS.values(), ids=SYSTEMS)
def test_every_part_has_the_shape_that_is_described(system):
    """Strictly: a number of another library is no number, and a field that is not described is not sent."""
    resolved = resolve(system)
    themes = [None, *system.themes]
    for select, vision, theme in itertools.product(SELECTED, ("typical", "achromat"), themes):
        options = LookOptions(
            select=select, vision=vision, theme=theme, notation="oklch", ground="token:surface-card"
        )
        found = parts_of(Look(resolved, PLACE, options), PART_NAMES)
        assert set(found) == set(PART_NAMES)
        ANSWER.validate_python(found, strict=True, extra="forbid")


def test_a_theme_that_is_looked_at_is_shown_in_every_part():
    day, night = (
        look_at(THREE, theme=theme, select="token:surface-page") for theme in (DAY, NIGHT)
    )
    for name in ("tokens", "pairings", "slip"):
        assert day[name] != night[name], name
    for name in ("scales", "promises", "hues", "ladder"):
        assert day[name] == night[name], name
    page = next(token for token in night["tokens"] if token["id"] == "surface-page")
    shown = next(
        step
        for scale in night["scales"]
        for step in scale["steps"]
        if step["key"] == "step:shingle/s900"
    )
    assert page["hex"] == shown["hex"] == night["slip"]["hex"]
    storm = look_at(THREE, theme=STORM)
    card, ground = (
        next(t for t in storm["tokens"] if t["id"] == key)
        for key in ("surface-card", "surface-page")
    )
    assert card["hex"] == ground["hex"]


def test_a_theme_that_is_not_there_is_the_first():
    assert look_at(THREE, theme="gone")["tokens"] == look_at(THREE, theme=DAY)["tokens"]


def crowded() -> ColorSystem:
    """A system with as many tokens as there can be."""
    system = brinemark()
    left = MOST_TOKENS - len(system.tokens)
    last = max(token.order for token in system.tokens.values())
    more = {
        f"t{number}": Token(
            id=f"t{number}",
            order=order,
            name=f"many.n{number}",
            values={DAY: StepAlias(hue="kelp", step="s500")},
        )
        for number, order in enumerate(keys(left, last))
    }
    return system.model_copy(update={"tokens": {**system.tokens, **more}})


def test_two_thousand_tokens_are_stored_changed_undone_shown_and_published():
    system = read_document(crowded().model_dump(mode="json", by_alias=True))
    assert len(system.tokens) == MOST_TOKENS
    applied = apply_all(system, [RenameToken(token="t100", name="many.renamed")])
    assert apply(applied.system, applied.inverse) == system
    assert len(look_at(applied.system, ["tokens"])["tokens"]) == MOST_TOKENS
    written = css.write(publication(resolve(applied.system)), "1.0.0").decode()
    assert written.count("--many-") == MOST_TOKENS - len(brinemark().tokens)
    with pytest.raises(DomainError, match=r"2,?000"):
        apply(
            system,
            AddToken(
                id="one", name="one.more", theme=DAY, value=StepAlias(hue="kelp", step="s500")
            ),
        )


def test_two_hundred_hues_are_stored_shown_and_published():
    system = brinemark()
    wanted = [
        {
            "id": f"h{number}",
            "name": f"h{number}",
            "color": f"oklch({0.3 + number % 7 / 10} 0.09 {number * 7 % 360})",
        }
        for number in range(MOST_HUES - len(system.hues))
    ]
    full = read_document(apply(system, AddHues(hues=wanted)).model_dump(mode="json", by_alias=True))
    shown = look_at(full, ["hues", "scales"])
    assert len(shown["hues"]) == len(shown["scales"]) == MOST_HUES
    published = {token.name: token.value(DAY).hex for token in publication(resolve(full)).tokens}
    names = {hue["id"]: hue["name"] for hue in shown["hues"]}
    for scale in shown["scales"]:
        for step in scale["steps"]:
            assert published[f"{names[scale['hue']]}.{step['label']}"] == step["hex"]
