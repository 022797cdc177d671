"""Alternatives: make, list, remove, compare, take over, share by a link."""

from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import Field
from starlette.responses import Response
from typing_extensions import TypedDict

from heimat.api.bodies import Body, Looking, RequestKey
from heimat.api.context import Acting, Uses, head_resolved
from heimat.api.documents_routes import parts_at
from heimat.api.encoding import answer, described, described_empty
from heimat.api.rights import needs
from heimat.service.alternatives import LONGEST_ALTERNATIVE
from heimat.view.alternatives_view import DifferencesView, differences_view
from heimat.view.eyes import Eyes, SeenAs
from heimat.view.look import Look, LookOptions, Where
from heimat.view.parts import Parts
from heimat.view.tokens.specimen import SpecimenPart, specimen_part

router = APIRouter(prefix="/api", tags=["alternatives"])
Address = Annotated[str, Field(max_length=200)]


class AlternativeView(TypedDict):
    """An alternative: its name, its address, when it was changed last, and the key of its link, if it is shared."""

    name: str
    slug: str
    changed: str
    here: bool
    share_key: str | None


class AddedView(TypedDict):
    """The address of an alternative that was made."""

    slug: str


class SharedAlternativeView(TypedDict):
    """An alternative as a link shows it."""

    name: str
    specimen: SpecimenPart


class SharedView(TypedDict):
    """What a link shows: the name of the system and of the alternative, beside the main one."""

    system: str
    alternatives: list[SharedAlternativeView]


class LinkView(TypedDict):
    """The key of a link; null where there is none."""

    key: str | None


class NewAlternativeBody(Body):
    """The name of an alternative to make from what stands here."""

    name: Annotated[str, Field(min_length=1, max_length=LONGEST_ALTERNATIVE * 2)]


class ShareBody(Body):
    """Whether whoever has the link may look."""

    shared: bool


class TakeOverBody(Body):
    """Things to put as they stand in another alternative, by the ids of the differences, on a revision."""

    other: Address
    ids: Annotated[
        list[Annotated[str, Field(max_length=120)]], Field(min_length=1, max_length=5000)
    ]
    base: Annotated[int, Field(ge=1)]
    key: RequestKey
    view: Looking = Looking()


@router.get(
    "/systems/{slug}/alternatives",
    operation_id="listAlternatives",
    **described(list[AlternativeView]),
)
@needs("look")
def list_alternatives(slug: str, uses: Uses) -> Response:
    found: list[AlternativeView] = [
        {
            "name": each.name,
            "slug": each.address,
            "changed": each.changed_at.isoformat() + "Z",
            "here": each.here,
            "share_key": each.share_key,
        }
        for each in uses.alternatives.all(slug)
    ]
    return answer(found)


@router.post(
    "/systems/{slug}/alternatives", operation_id="addAlternative", **described(AddedView, 201)
)
@needs("edit")
def add_alternative(slug: str, body: NewAlternativeBody, uses: Uses, person: Acting) -> Response:
    return answer({"slug": uses.alternatives.add(slug, body.name, person.id)}, 201)


@router.delete("/systems/{slug}/alternative", operation_id="removeAlternative", **described_empty())
@needs("edit")
def remove_alternative(slug: str, uses: Uses) -> Response:
    uses.alternatives.remove(slug)
    return Response(status_code=204)


@router.get(
    "/systems/{slug}/differences", operation_id="readDifferences", **described(DifferencesView)
)
@needs("look")
def read_differences(
    slug: str,
    uses: Uses,
    other: Annotated[Address, Query()],
    vision: SeenAs = "typical",
    severity: Annotated[float, Query(ge=0.0, le=1.0)] = 1.0,
) -> Response:
    here, there = head_resolved(uses, slug), head_resolved(uses, other)
    return answer(
        differences_view(here, there, Eyes(vision, severity), uses.alternatives.start(slug, other))
    )


@router.post("/systems/{slug}/merges", operation_id="mergeAlternative", **described(Parts))
@needs("edit")
def take_over(slug: str, body: TakeOverBody, uses: Uses, person: Acting) -> Response:
    head = uses.alternatives.take_over(slug, body.other, body.ids, body.base, person.id, body.key)
    return answer(parts_at(uses, slug, head, person, body.view))


@router.post("/systems/{slug}/share", operation_id="shareAlternative", **described(LinkView))
@needs("administer")
def share_alternative(slug: str, body: ShareBody, uses: Uses) -> Response:
    return answer({"key": uses.alternatives.share(slug, body.shared)})


@router.get("/shared/{key}", operation_id="readShared", **described(SharedView))
@needs("nothing")
def read_shared(key: Annotated[str, Field(max_length=60)], uses: Uses) -> Response:
    found: list[SharedAlternativeView] = []
    system = ""
    for name, address in uses.alternatives.shared(key):
        resolved = head_resolved(uses, address)
        system = system or resolved.system.name
        found.append(
            {
                "name": name,
                "specimen": specimen_part(Look(resolved, Where(address, 1), LookOptions())),
            }
        )
    return answer({"system": system, "alternatives": found})
