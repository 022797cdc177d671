"""The document that a designer edits: one color system, whole."""

from typing import Annotated

from pydantic import ConfigDict, Field

from heimat.core.document.candidates import Candidate, Stops
from heimat.core.document.cases import Case
from heimat.core.document.conditions import MOST_CONDITIONS, Condition
from heimat.core.document.exceptions import MOST_EXCEPTIONS, AcceptedException
from heimat.core.document.guide_settings import Guide
from heimat.core.document.hues import Hue
from heimat.core.document.ids import Id
from heimat.core.document.matrices import MOST_MATRICES, NamedMatrix
from heimat.core.document.outputs import MOST_OUTPUTS, Output
from heimat.core.document.pairings import Pairing, ToldApartSet
from heimat.core.document.palettes import MOST_PALETTES, Palette
from heimat.core.document.part import LONGEST_NAME, Name, Note, Part
from heimat.core.document.release_rules import ReleaseRules
from heimat.core.document.resting import RestsOn
from heimat.core.document.selections import MOST_COLORS, NamedSelection
from heimat.core.document.themes import Theme
from heimat.core.document.tokens import Token
from heimat.core.scales.curves import Curves
from heimat.core.scales.generator_rules import LATEST_GENERATOR
from heimat.core.scales.ladder import USUAL, Ladder
from heimat.core.scales.methods import Method

SCHEMA = 13
"""The form in which documents are stored now; `upgrades` says what each form before it lacked."""
MOST_HUES = 200
MOST_TOKENS = 2000
MOST_THEMES = 24
MOST_CANDIDATES = 400
MOST_STOP_ROWS = 100
MOST_SELECTIONS = 50


class ColorSystem(Part):
    """The whole editable document for one product. Entities are kept by id; their order is in their keys.

    `cap` is the number of colors that the team wants to publish at most. Scale tokens stay in the house unless
    `scales_published`; those of a named selection are published for its readers. `aim` is the contrast that the team
    asks for beside the standard's, `duty` the law or rule that binds it, in its own words; `release_rules` say what
    makes a version and what stops one, `outputs` under which names and in which places code takes it, `rests_on` what
    was taken from another system.
    """

    model_config = ConfigDict(
        frozen=True, extra="forbid", populate_by_name=True, serialize_by_alias=True
    )

    schema_version: Annotated[int, Field(alias="schema")] = SCHEMA
    generator: int = LATEST_GENERATOR
    name: Name
    ladder: Ladder = USUAL
    method: Method = Method()
    curves: Curves = Curves()
    scale_pattern: Annotated[str, Field(max_length=LONGEST_NAME)] = "{hue}.{step}"
    scale_case: Case = "kept"
    scales_published: bool = False
    hues: Annotated[dict[Id, Hue], Field(max_length=MOST_HUES)] = {}
    candidates: Annotated[dict[Id, Candidate], Field(max_length=MOST_CANDIDATES)] = {}
    stops: Annotated[dict[Id, Stops], Field(max_length=MOST_STOP_ROWS)] = {}
    cap: Annotated[int | None, Field(ge=1, le=MOST_COLORS)] = None
    selections: Annotated[dict[Id, NamedSelection], Field(max_length=MOST_SELECTIONS)] = {}
    themes: dict[Id, Theme] = {}
    tokens: Annotated[dict[Id, Token], Field(max_length=MOST_TOKENS)] = {}
    pairings: Annotated[dict[Id, Pairing], Field(max_length=MOST_TOKENS)] = {}
    told_apart: dict[Id, ToldApartSet] = {}
    palettes: Annotated[dict[Id, Palette], Field(max_length=MOST_PALETTES)] = {}
    exceptions: Annotated[dict[Id, AcceptedException], Field(max_length=MOST_EXCEPTIONS)] = {}
    conditions: Annotated[dict[Id, Condition], Field(max_length=MOST_CONDITIONS)] = {}
    matrices: Annotated[dict[Id, NamedMatrix], Field(max_length=MOST_MATRICES)] = {}
    aim: Annotated[float | None, Field(ge=1.0, le=21.0)] = None
    duty: Note = ""
    release_rules: ReleaseRules = ReleaseRules()
    outputs: Annotated[dict[Id, Output], Field(max_length=MOST_OUTPUTS)] = {}
    guide: Guide = Guide()
    rests_on: RestsOn | None = None


COLLECTIONS: tuple[str, ...] = tuple(
    name
    for name, field in ColorSystem.model_fields.items()
    if getattr(field.annotation, "__origin__", None) is dict
)
"""The fields of the document that hold entities by id."""
FIELDS: tuple[str, ...] = tuple(
    name
    for name in ColorSystem.model_fields
    if name not in COLLECTIONS and name != "schema_version"
)
"""All others that an edit can change; the form of the document is no edit's business."""


def ladder_of(system: ColorSystem, hue: Hue) -> Ladder:
    """The ladder that a hue's scale stands on: its own, or the system's."""
    return hue.ladder or system.ladder


def method_of(system: ColorSystem, hue: Hue) -> Method:
    """The method that a hue's scale is made by: its own, or the system's."""
    return hue.method or system.method


def curves_of(system: ColorSystem, hue: Hue) -> Curves:
    """The curves that a hue's scale follows: its own, or the system's."""
    return hue.curves or system.curves
