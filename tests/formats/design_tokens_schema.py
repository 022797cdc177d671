"""The Design Tokens format and its resolver module (2025.10, Design Tokens Community Group) as JSON schemas.

Written out from the specifications, as far as they speak of colors.
"""

from typing import Any

_NAME = r"^[^${}.][^{}.]*$"
_SAID: dict[str, Any] = {
    "$description": {"type": "string"},
    "$deprecated": {"type": ["boolean", "string"]},
    "$extensions": {"type": "object"},
}
_DEFS: dict[str, Any] = {
    "alias": {"type": "string", "pattern": r"^\{[^${}.][^{}.]*(\.[^${}.][^{}.]*)*\}$"},
    "component": {"anyOf": [{"type": "number"}, {"const": "none"}]},
    "color": {
        "type": "object",
        "required": ["colorSpace", "components"],
        "additionalProperties": False,
        "properties": {
            "colorSpace": {
                "enum": [
                    *(
                        "srgb",
                        "srgb-linear",
                        "hsl",
                        "hwb",
                        "lab",
                        "lch",
                        "oklab",
                        "oklch",
                        "display-p3",
                    ),
                    *("a98-rgb", "prophoto-rgb", "rec2020", "xyz-d65", "xyz-d50"),
                ]
            },
            "components": {
                "type": "array",
                "minItems": 3,
                "maxItems": 3,
                "items": {"$ref": "#/$defs/component"},
            },
            "alpha": {"type": "number", "minimum": 0, "maximum": 1},
            "hex": {"type": "string", "pattern": "^#[0-9a-fA-F]{6}$"},
        },
        "if": {"properties": {"colorSpace": {"enum": ["srgb", "display-p3"]}}},
        "then": {
            "properties": {
                "components": {
                    "items": {
                        "anyOf": [{"type": "number", "minimum": 0, "maximum": 1}, {"const": "none"}]
                    }
                }
            }
        },
    },
    "token": {
        "type": "object",
        "required": ["$value", "$type"],
        "additionalProperties": False,
        "properties": {
            "$type": {"const": "color"},
            "$value": {"anyOf": [{"$ref": "#/$defs/color"}, {"$ref": "#/$defs/alias"}]},
            **_SAID,
        },
    },
    "group": {
        "type": "object",
        "not": {"required": ["$value"]},
        "properties": {"$type": {"type": "string"}, **_SAID},
        "patternProperties": {_NAME: {"$ref": "#/$defs/entry"}},
        "additionalProperties": False,
    },
    "entry": {
        "if": {"type": "object", "required": ["$value"]},
        "then": {"$ref": "#/$defs/token"},
        "else": {"$ref": "#/$defs/group"},
    },
    "reference": {
        "type": "object",
        "required": ["$ref"],
        "additionalProperties": False,
        "properties": {"$ref": {"type": "string", "minLength": 1}},
    },
    "source": {
        "if": {"type": "object", "required": ["$ref"]},
        "then": {"$ref": "#/$defs/reference"},
        "else": {"$ref": "#/$defs/group"},
    },
}
TOKENS: dict[str, Any] = {"$ref": "#/$defs/group", "$defs": _DEFS}
RESOLVER: dict[str, Any] = {
    "type": "object",
    "required": ["version", "resolutionOrder"],
    "additionalProperties": False,
    "properties": {
        "name": {"type": "string"},
        "version": {"const": "2025.10"},
        "description": {"type": "string"},
        "sets": {
            "type": "object",
            "additionalProperties": {
                "type": "object",
                "required": ["sources"],
                "additionalProperties": False,
                "properties": {
                    "description": {"type": "string"},
                    "sources": {"type": "array", "items": {"$ref": "#/$defs/source"}},
                },
            },
        },
        "modifiers": {
            "type": "object",
            "additionalProperties": {
                "type": "object",
                "required": ["contexts"],
                "additionalProperties": False,
                "properties": {
                    "description": {"type": "string"},
                    "default": {"type": "string"},
                    "contexts": {
                        "type": "object",
                        "minProperties": 2,
                        "additionalProperties": {
                            "type": "array",
                            "items": {"$ref": "#/$defs/source"},
                        },
                    },
                },
            },
        },
        "resolutionOrder": {
            "type": "array",
            "minItems": 1,
            "items": {
                "type": "object",
                "required": ["$ref"],
                "properties": {
                    "$ref": {"type": "string", "pattern": r"^#/(sets|modifiers)/[^/]+$"}
                },
            },
        },
    },
    "$defs": _DEFS,
}
