"""Scales: a hue's ordered steps on the ladder, and the promises that they keep together."""

from heimat.core.scales.generate import Scale, ScaleRequest, generate
from heimat.core.scales.generator_rules import GENERATORS, LATEST_GENERATOR
from heimat.core.scales.ladder import READY_MADE, Ladder, LadderStep
from heimat.core.scales.promises import Promise, promises

__all__ = [
    "GENERATORS",
    "LATEST_GENERATOR",
    "READY_MADE",
    "Ladder",
    "LadderStep",
    "Promise",
    "Scale",
    "ScaleRequest",
    "generate",
    "promises",
]
