"""Requests made up from the API's own description, with ids that are there: none is answered with 500, and every answer
is one that the description knows."""

import random
from typing import Any

import pytest
import schemathesis
from fastapi import FastAPI
from hypothesis import HealthCheck, Phase, given, settings
from sqlalchemy import Engine, create_engine
from starlette.testclient import TestClient

from heimat.api.app import create_app
from heimat.demo.demo_systems import brinemark
from heimat.service.rates import Rates
from tests.api.asking import ADDRESS, AT, client_of
from tests.template import Template

_DESCRIBED: FastAPI = create_app(create_engine("mysql+pymysql://", pool_pre_ping=False))
_SCHEMA = schemathesis.openapi.from_dict(_DESCRIBED.openapi())
OPERATIONS = {found.ok().label: found.ok() for found in _SCHEMA.get_all_operations()}
SYSTEM = brinemark()
IDS: dict[str, list[str]] = {
    "hue": list(SYSTEM.hues),
    "before": list(SYSTEM.hues),
    "shown": list(SYSTEM.hues),
    "token": list(SYSTEM.tokens),
    "step": [step.id for step in SYSTEM.ladder.steps],
    "theme": list(SYSTEM.themes),
    "select": ["hue:kelp", "step:kelp/s500", f"token:{next(iter(SYSTEM.tokens))}"],
    "ground": ["white", "step:shingle/s100"],
    "person": ["ines", "tomke"],
}
"""What is there, by the names of the fields that ask for it."""
FEW, MANY = 3, 60


def real(value: Any, choose: random.Random, name: str = "") -> Any:
    """A made-up value with ids in it that are there, three times of four."""
    if isinstance(value, dict):
        return {key: real(inner, choose, key) for key, inner in value.items()}
    if isinstance(value, list):
        return [real(inner, choose, name.removesuffix("s")) for inner in value]
    if name == "base" and choose.random() < 0.75:
        return 1
    if isinstance(value, str) and name in IDS and choose.random() < 0.75:
        return choose.choice(IDS[name])
    return value


@pytest.fixture(scope="module")
def client(migrated: Engine, template: Template) -> TestClient:
    """One for all: whatever was stored before must not matter."""
    template.restore()
    return client_of(migrated)


@pytest.mark.parametrize("label", OPERATIONS)
def test_made_up_requests_are_answered_as_described(
    label: str, client: TestClient, long: bool, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setattr(Rates, "take", lambda *_: None)
    operation = OPERATIONS[label]
    known = {str(status) for status in operation.definition.raw["responses"]}
    picture = next((each["id"] for each in client.get(f"{AT}/pictures").json()), 1)
    choose = random.Random(label)

    @settings(
        max_examples=MANY if long else FEW,
        deadline=None,
        derandomize=True,
        database=None,
        suppress_health_check=list(HealthCheck),
        phases=[Phase.generate],
    )
    @given(case=operation.as_strategy())
    def ask(case: schemathesis.Case) -> None:
        if "slug" in case.path_parameters and choose.random() < 0.9:
            case.path_parameters["slug"] = "brinemark"
        if "picture" in case.path_parameters and choose.random() < 0.75:
            case.path_parameters["picture"] = picture
        case.query = real(case.query, choose)
        if isinstance(case.body, dict | list):
            case.body = real(case.body, choose)
        plain = case.as_transport_kwargs(base_url=ADDRESS)
        try:
            request = client.build_request(
                plain["method"],
                plain["url"],
                params=plain.get("params"),
                json=plain.get("json"),
                content=plain.get("data"),
                headers={"cookie": "heimat_person=ines"},
            )
        except (UnicodeError, ValueError, TypeError):
            # No client can send this.
            return
        answer = client.send(request)
        assert str(answer.status_code) in known or answer.status_code in (404, 405), (
            answer.status_code,
            answer.text,
        )
        assert answer.status_code not in (500, 503), answer.text
        if answer.status_code >= 400:
            assert answer.headers["content-type"] == "application/problem+json"

    ask()
