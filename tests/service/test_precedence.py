"""What can wait gives way to what a hand waits for, and comes to an end all the same."""

import threading

import pytest

from heimat.service import precedence
from heimat.service.precedence import Precedence

_A_WHILE = 0.05
_LONG = 60.0


def _giving_way(turns: Precedence) -> threading.Thread:
    thread = threading.Thread(target=turns.give_way, daemon=True)
    thread.start()
    return thread


def test_what_can_wait_goes_on_once_nothing_goes_first(monkeypatch):
    monkeypatch.setattr(precedence, "MOST_SECONDS", _LONG)
    turns = Precedence()
    with turns.first():
        with turns.first():
            waiting = _giving_way(turns)
        waiting.join(_A_WHILE)
        assert waiting.is_alive()
    waiting.join(_LONG)
    assert not waiting.is_alive()
    with pytest.raises(ValueError, match="inside"), turns.first():
        raise ValueError("inside")
    after_a_failure = _giving_way(turns)
    after_a_failure.join(_LONG / 2.0)
    assert not after_a_failure.is_alive()


def test_it_does_not_give_way_for_ever(monkeypatch):
    monkeypatch.setattr(precedence, "MOST_SECONDS", _A_WHILE)
    turns = Precedence()
    with turns.first():
        waiting = _giving_way(turns)
        waiting.join(_LONG)
        assert not waiting.is_alive()
