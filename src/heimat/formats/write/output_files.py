"""Files of outputs: the tokens under the names of the code that takes them, and the colors of fixed places."""

import json
from collections.abc import Callable
from dataclasses import replace

from heimat.core.document.outputs import OutputForm
from heimat.core.publication.publication import Publication, PublishedToken, PublishedValue
from heimat.core.publication.published_outputs import PublishedOutput, file_of
from heimat.formats.write import css, plain, scss, typescript
from heimat.formats.write.plain_values import hex_text, theme_names, title_of

Writer = Callable[[Publication, str], bytes]
_FORMS: dict[OutputForm, tuple[str, Writer]] = {
    "css": ("text/css; charset=utf-8", css.write),
    "scss": ("text/plain; charset=utf-8", scss.write),
    "json": ("application/json", plain.write),
    "typescript": ("text/plain; charset=utf-8", typescript.write),
}


def write(publication: Publication, version: str) -> list[tuple[str, str, bytes]]:
    """The files of all outputs: name, media type, bytes."""
    files: list[tuple[str, str, bytes]] = []
    tokens = {token.id: token for token in publication.with_palettes()}
    for output in publication.outputs:
        name = file_of(output)
        if output.form is not None:
            media_type, writer = _FORMS[output.form]
            files.append((name, media_type, writer(renamed(publication, output), version)))
        else:
            files.append((name, "application/json", _places(publication, output, tokens, version)))
            swatches = _swatches(publication, output, tokens, version)
            files.append(
                (f"{name.removesuffix('.json')}.gpl", "text/plain; charset=utf-8", swatches)
            )
    return files


def renamed(publication: Publication, output: PublishedOutput) -> Publication:
    """What goes out in an output, under its names; what stands for something that has none goes with its value."""
    tokens = {token.id: token for token in publication.with_palettes()}
    called: dict[str, str] = {}
    for name, of in output.names:
        called.setdefault(tokens[of].name, name)

    def value(known: PublishedValue) -> PublishedValue:
        return known if known.alias is None else replace(known, alias=called.get(known.alias))

    def token(name: str, known: PublishedToken) -> PublishedToken:
        values = {theme: value(each) for theme, each in known.values.items()}
        gone = known.deprecated
        if gone is not None:
            gone = replace(gone, replacement=called.get(gone.replacement or ""))
        return replace(known, name=name, values=values, deprecated=gone)

    kept = tuple(token(name, tokens[of]) for name, of in output.names)
    return replace(publication, tokens=kept, palettes=(), selections=(), outputs=())


def _places(
    publication: Publication,
    output: PublishedOutput,
    tokens: dict[str, PublishedToken],
    version: str,
) -> bytes:
    """System, version, and in every theme the rows of places: null for an empty one."""
    names = theme_names(publication)
    places = [
        {
            "place": number + 1,
            "row": number // output.columns + 1,
            "meaning": meaning or None,
            "token": tokens[of].name if of else None,
            "values": {name: hex_text(tokens[of].value(theme)) for theme, name in names.items()}
            if of
            else None,
        }
        for number, (meaning, of) in enumerate(output.places)
    ]
    content = {
        "system": publication.name,
        "version": version,
        "output": output.name,
        "columns": output.columns,
        "places": places,
    }
    return (json.dumps(content, indent=2, ensure_ascii=False) + "\n").encode()


def _swatches(
    publication: Publication,
    output: PublishedOutput,
    tokens: dict[str, PublishedToken],
    version: str,
) -> bytes:
    """The filled places in the first theme as swatches, with their meanings in the names."""
    title = title_of(publication, version)
    first = publication.themes[0].id
    lines = [
        "GIMP Palette",
        f"Name: {title}, {output.name}",
        f"Columns: {output.columns}",
        f"# {title}",
    ]
    for meaning, of in output.places:
        if of is not None:
            red, green, blue = bytes.fromhex(tokens[of].value(first).hex[1:])
            said = f" ({' '.join(meaning.split())})" if meaning else ""
            lines.append(f"{red:3} {green:3} {blue:3}\t{' '.join(tokens[of].name.split())}{said}")
    return ("\n".join(lines) + "\n").encode()
