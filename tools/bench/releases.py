"""Releases: publishing the demo with all its files, comparing many tokens, checking a stylesheet of a megabyte."""

import json
import random
from datetime import date

import tinycss2

from heimat.core.color.exact_color import Color
from heimat.core.document.system import MOST_TOKENS
from heimat.core.document.tokens import StepAlias
from heimat.core.edits import apply_all
from heimat.core.edits.source_edits import SetSource
from heimat.core.edits.token_edits import AddTokens, NewToken
from heimat.core.publication.building import publication
from heimat.core.publication.changes import compare
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark
from heimat.formats import write_all
from heimat.formats.check_text import check
from heimat.formats.write import guide, guide_pdf
from heimat.service.opening import imported_from
from heimat.service.publishing import prepare_release
from tools.bench.timing import measure, note, report


def run() -> None:
    """Measure and print."""
    system = brinemark()
    day = date(2026, 1, 1)
    without = measure(lambda: prepare_release(system, "1.0.0", day), 5)
    report("the demo published, all files but the PDF", without, "1 s")
    report(
        "its guide as PDF",
        measure(
            lambda: guide_pdf.set_pages(
                guide.write(publication(resolve(system)), "1.0.0").decode()
            ),
            3,
        ),
        "5 s",
    )
    published = publication(resolve(system))
    report("its files written", measure(lambda: write_all(published, "1.0.0"), 10), "none stated")
    files = write_all(published, "1.0.0")
    note(
        "files, and their bytes",
        f"{len(files)}, {sum(len(file.content) for file in files) / 1000:.0f} kB",
        "none",
    )
    value = StepAlias(hue="tidewater", step="s600")
    count = MOST_TOKENS - len(system.tokens)
    new = tuple(
        NewToken(id=f"many{at}", name=f"many.part{at}", values={"day": value})
        for at in range(count)
    )
    many = apply_all(system, [AddTokens(tokens=new)]).system
    moved = apply_all(
        many, [SetSource(hue="tidewater", color=Color.of_bytes((11, 90, 130)))]
    ).system
    before, after = publication(resolve(many)), publication(resolve(moved))
    report(
        f"two releases of {MOST_TOKENS:,} tokens compared",
        measure(lambda: compare(before, after), 10),
        "100 ms",
    )
    text = ".a { color: #123456; background: #0B6E6E; fill: var(--text-strong) }\n" * 15_000
    report("a stylesheet of 1 MB checked", measure(lambda: check(text, published), 5), "1.5 s")
    different = _of_different_colors(1_000_000)
    report(
        "one of 1 MB of different colors", measure(lambda: check(different, published), 3), "3 s"
    )
    chain = {"chain.json": _chain(4000)}
    report(
        "a chain of 4,000 aliases read",
        measure(lambda: imported_from(chain, "chain"), 2),
        "none stated",
    )
    full = publication(resolve(many))
    report(
        f"{MOST_TOKENS:,} tokens: all files but the PDF",
        measure(lambda: write_all(full, "1.0.0"), 2),
        "2.5 s",
    )
    report(
        "the same parsed by a general library",
        measure(lambda: tinycss2.parse_stylesheet(text), 2),
        "",
    )


def _of_different_colors(size: int) -> str:
    rng, lines, length = random.Random(1), [], 0
    while length < size:
        one, other = (
            f"{rng.randrange(256)} {rng.randrange(256)} {rng.randrange(256)}" for _ in range(2)
        )
        lines.append(
            f".a{len(lines)} {{ color: #{rng.randrange(1 << 24):06x}; fill: rgb({one}); stroke: rgb({other}) }}\n"
        )
        length += len(lines[-1])
    return "".join(lines)


def _chain(count: int) -> bytes:
    values = [f"{{t{place + 1}}}" for place in range(count - 1)] + ["#112233"]
    return json.dumps(
        {f"t{place}": {"$type": "color", "$value": value} for place, value in enumerate(values)}
    ).encode()
