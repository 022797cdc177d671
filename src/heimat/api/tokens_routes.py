"""The work areas of Tokens: names, sets, filling, themes, what stands on a color."""

from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import Field
from starlette.responses import Response

from heimat.api.bodies import Body, ColorKey, Seeing
from heimat.api.context import Acting, Uses, head_resolved, head_system
from heimat.api.encoding import answer, described
from heimat.api.rights import needs
from heimat.core.document.cases import Case
from heimat.core.document.ids import Id, new_id
from heimat.core.document.part import LONGEST_NAME
from heimat.core.document.purposes import Family, Form, State
from heimat.core.document.system import MOST_TOKENS
from heimat.core.document.themes import Scheme, Wanted
from heimat.core.errors import NotFound
from heimat.core.filling.sets import SetName
from heimat.core.planning.renaming import NamePattern
from heimat.view.eyes import Eyes, SeenAs
from heimat.view.look import Look, LookOptions, Where
from heimat.view.tokens.named_view import NamedValueView, named_value
from heimat.view.tokens.specimen import SpecimenPart, released_specimen
from heimat.view.tokens.token_plans import (
    AdditionView,
    RefillView,
    RenamingPlanView,
    ScaleNamesPlanView,
    StandingPlanView,
    ThemePlanView,
    family_plan,
    purposes_plan,
    refill_plan,
    renaming_plan,
    scale_names_plan,
    set_plan,
    standing_plan,
    state_plan,
    theme_plan,
)

router = APIRouter(prefix="/api/systems/{slug}", tags=["tokens"])

NameText = Annotated[str, Field(max_length=LONGEST_NAME)]
LONGEST_VALUE = 400
TokenIds = Annotated[list[Id], Field(max_length=MOST_TOKENS)]


class NamesBody(Body):
    """How the names of some tokens, or of all, shall change."""

    tokens: TokenIds | None = None
    find: NameText = ""
    replace: NameText = ""
    case: Case = "kept"
    order: Annotated[list[Annotated[int, Field(ge=1, le=20)]], Field(max_length=20)] = []
    prefix: NameText = ""


class ScaleNamesBody(Body):
    """A pattern for the names of scale tokens, and their case."""

    pattern: NameText
    case: Case = "kept"


class SetBody(Seeing):
    """A starter set to add."""

    set: SetName


class PurposesBody(Seeing):
    """Purposes that a screen needs, each of which a token shall be there for."""

    purposes: Annotated[tuple[Annotated[str, Field(max_length=80)], ...], Field(max_length=200)]


class FamilyBody(Seeing):
    """A family of actions to add, in a form."""

    family: Family
    form: Form


class StateBody(Seeing):
    """A state to add to every action that lacks it."""

    state: State


class RefillBody(Seeing):
    """Tokens to fill anew in a theme."""

    theme: Id
    tokens: TokenIds


class ThemeBody(Seeing):
    """A theme to propose from another one; without a name it gets a plain one."""

    source: Id
    id: Annotated[Id, Field(default_factory=new_id)]
    name: NameText = ""
    scheme: Scheme = "dark"
    contrast: Wanted = "usual"


@router.post("/token-names", operation_id="planNames", **described(RenamingPlanView))
@needs("look")
def plan_names(slug: str, body: NamesBody, uses: Uses) -> Response:
    pattern = NamePattern(
        body.find, body.replace, body.case, tuple(dict.fromkeys(body.order)), body.prefix
    )
    return answer(renaming_plan(head_system(uses, slug), body.tokens, pattern))


@router.post("/scale-names", operation_id="planScaleNames", **described(ScaleNamesPlanView))
@needs("look")
def plan_scale_names(slug: str, body: ScaleNamesBody, uses: Uses) -> Response:
    return answer(scale_names_plan(head_system(uses, slug), body.pattern, body.case))


@router.post("/token-set", operation_id="planSet", **described(AdditionView))
@needs("look")
def plan_set(slug: str, body: SetBody, uses: Uses) -> Response:
    return answer(set_plan(head_resolved(uses, slug), body.set, body.eyes()))


@router.post("/purposes", operation_id="planPurposes", **described(AdditionView))
@needs("look")
def plan_purposes(slug: str, body: PurposesBody, uses: Uses) -> Response:
    return answer(purposes_plan(head_resolved(uses, slug), body.purposes, body.eyes()))


@router.post("/family", operation_id="planFamily", **described(AdditionView))
@needs("look")
def plan_family(slug: str, body: FamilyBody, uses: Uses) -> Response:
    return answer(family_plan(head_resolved(uses, slug), body.family, body.form, body.eyes()))


@router.post("/action-state", operation_id="planState", **described(AdditionView))
@needs("look")
def plan_state(slug: str, body: StateBody, uses: Uses) -> Response:
    return answer(state_plan(head_resolved(uses, slug), body.state, body.eyes()))


@router.post("/fill-plan", operation_id="planFill", **described(RefillView))
@needs("look")
def plan_refill(slug: str, body: RefillBody, uses: Uses) -> Response:
    return answer(refill_plan(head_resolved(uses, slug), body.theme, body.tokens, body.eyes()))


@router.post("/theme-proposal", operation_id="planTheme", **described(ThemePlanView))
@needs("look")
def plan_theme(slug: str, body: ThemeBody, uses: Uses) -> Response:
    resolved = head_resolved(uses, slug)
    return answer(
        theme_plan(
            resolved, body.source, body.id, body.name, body.scheme, body.contrast, body.eyes()
        )
    )


@router.get("/released-specimen", operation_id="readReleasedSpecimen", **described(SpecimenPart))
@needs("look")
def read_released_specimen(
    slug: str,
    uses: Uses,
    person: Acting,
    vision: SeenAs = "typical",
    severity: Annotated[float, Query(ge=0.0, le=1.0)] = 1.0,
) -> Response:
    published = uses.editing.place_in_history(slug, person.id).published
    if published is None:
        raise NotFound("Nothing of this system has been released yet.")
    look = Look(head_resolved(uses, slug), Where(slug, 1), LookOptions(vision, severity))
    return answer(released_specimen(published, look))


@router.get("/value-named", operation_id="readValueNamed", **described(NamedValueView))
@needs("look")
def read_value_named(
    slug: str, uses: Uses, text: Annotated[str, Query(max_length=LONGEST_VALUE)]
) -> Response:
    """What a token would be by what is typed: a step, a hue or a token by name, or a color in any notation."""
    return answer(named_value(head_resolved(uses, slug), text))


@router.get("/dependents", operation_id="readDependents", **described(StandingPlanView))
@needs("look")
def read_standing(
    slug: str,
    uses: Uses,
    key: Annotated[ColorKey, Query()],
    vision: SeenAs = "typical",
    severity: Annotated[float, Query(ge=0.0, le=1.0)] = 1.0,
) -> Response:
    return answer(standing_plan(head_resolved(uses, slug), key, Eyes(vision, severity)))
