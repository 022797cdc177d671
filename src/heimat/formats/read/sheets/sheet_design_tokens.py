"""Sheets out of Design Tokens files (2025.10) and their resolvers: groups, aliases, themes as contexts of modifiers."""

from collections.abc import Mapping
from typing import Any

from heimat.core.document.names import css_name
from heimat.core.importing.sheet import DEFAULT, Named, Sheet, SheetMaker, SheetValue
from heimat.formats.read.gate import NotJsonError, load_json
from heimat.formats.read.read_tokens import color_in

_DEEPEST = 40


def read(root: dict[str, Any]) -> Sheet:
    """The color tokens of one file, in one theme."""
    maker = SheetMaker("token file")
    _collect(root, (), None, DEFAULT, maker)
    return maker.made()


def resolve(root: dict[str, Any], files: Mapping[str, str]) -> Sheet:
    """The color tokens of a resolver's sets, in the contexts of its modifier; `files` are the texts beside it."""
    maker = SheetMaker("token files with a resolver", str(root.get("name", ""))[:80])
    modifiers = {
        key: each
        for key, each in _objects(root.get("modifiers"))
        if isinstance(each.get("contexts"), dict)
    }
    if len(modifiers) > 1:
        maker.pass_over(
            f"Of {len(modifiers)} modifiers the first one, {next(iter(modifiers))}, was read as themes."
        )
    modifier = next(iter(modifiers.values()), {})
    contexts = dict(_lists(modifier.get("contexts"))) or {DEFAULT: []}
    default = modifier.get("default")
    names = sorted(contexts, key=lambda name: name != default)
    for name in names:
        maker.theme(name[:80])
    for _, each in _objects(root.get("sets")):
        for source in each.get("sources", []):
            tokens = _source(source, files, maker)
            for name in names:
                own = [_source(part, files, maker) for part in contexts[name]]
                for part in reversed([tokens, *own]):
                    _collect(part, (), None, name[:80], maker)
    return maker.made()


def is_resolver(root: dict[str, Any]) -> bool:
    """Whether a file is a resolver rather than tokens."""
    return "resolutionOrder" in root or ("sets" in root and "modifiers" in root)


def _objects(value: Any) -> list[tuple[str, dict[str, Any]]]:
    return (
        [(key, each) for key, each in value.items() if isinstance(each, dict)]
        if isinstance(value, dict)
        else []
    )


def _lists(value: Any) -> list[tuple[str, list[Any]]]:
    return (
        [(key, each) for key, each in value.items() if isinstance(each, list)]
        if isinstance(value, dict)
        else []
    )


def _source(source: Any, files: Mapping[str, str], maker: SheetMaker) -> dict[str, Any]:
    if not isinstance(source, dict):
        return {}
    name = source.get("$ref")
    if not isinstance(name, str):
        return source
    text = files.get(name.rpartition("/")[2])
    if text is None:
        words = f"{name[:80]}, which the resolver names, was not given: bring it along."
        maker.pass_over(words)
        return {}
    try:
        found = load_json(text)
    except NotJsonError as error:
        maker.pass_over(f"{name[:80]} is not JSON: {error}.")
        return {}
    return found if isinstance(found, dict) else {}


def _collect(
    group: dict[str, Any], path: tuple[str, ...], kind: Any, theme: str, maker: SheetMaker
) -> None:
    name = ".".join(path)
    if len(path) > _DEEPEST:
        maker.pass_over(f"{'.'.join(path[:3])}: groups deeper than {_DEEPEST} were not read.")
        return
    kind = group.get("$type", kind)
    if "$value" in group:
        _token(name, group, kind, theme, maker)
        return
    for key, each in group.items():
        if isinstance(each, dict) and (not key.startswith("$") or key == "$root"):
            _collect(each, path if key == "$root" else (*path, key), kind, theme, maker)


def _token(name: str, token: dict[str, Any], kind: Any, theme: str, maker: SheetMaker) -> None:
    value = token["$value"]
    found: SheetValue | None
    if isinstance(value, str) and value.startswith("{") and value.endswith("}"):
        if kind not in (None, "color"):
            return
        found = Named(value[1:-1])
    elif kind not in (None, "color"):
        return
    else:
        color, reason = color_in(value)
        if color is None:
            if kind == "color":
                maker.pass_over(f"{name}: {reason}")
            return
        found = color
    gone = token.get("$deprecated")
    words = gone if isinstance(gone, str) else ""
    said = token.get("$description")
    maker.token(
        name,
        {theme: found},
        note=said[:400] if isinstance(said, str) else "",
        deprecated=bool(gone),
        **_instead(words),
    )


def _instead(words: str) -> dict[str, str]:
    """What stands in for a token that is on its way out, where its reason begins by saying so."""
    first, period, rest = (
        words.partition(". ") if not words.endswith(".") or ". " in words else (words[:-1], "", "")
    )
    name = first.removeprefix("Use ")
    if name != first and css_name(name) and " " not in name:
        return {"replacement": name, "reason": rest[:400] if period else ""}
    return {"reason": words[:400]}
