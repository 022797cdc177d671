"""Releases: publishing the demo with all its files, comparing many tokens, checking a stylesheet of a megabyte."""

from datetime import date

import tinycss2

from heimat.core.color.notation import Color
from heimat.core.document.system import MOST_TOKENS
from heimat.core.document.tokens import StepAlias
from heimat.core.edits import apply_all
from heimat.core.edits.sources import SetSource
from heimat.core.edits.tokens import AddTokens, NewToken
from heimat.core.publication.changes import compare
from heimat.core.publication.publication import publication
from heimat.core.resolve.resolved import resolve
from heimat.demo.systems import brinemark
from heimat.formats import write_all
from heimat.formats.check import check
from heimat.formats.write import guide, guide_pdf
from heimat.service.publishing import made_to_publish
from tools.bench.timing import measure, note, report


def run() -> None:
    """Measure and print."""
    system = brinemark()
    day = date(2026, 1, 1)
    without = measure(lambda: made_to_publish(system, "1.0.0", day, False), 5)
    report("the demo published, all files but the PDF", without, "1 s")
    report(
        "its guide as PDF",
        measure(lambda: guide_pdf.set_pages(guide.write(publication(resolve(system)), "1.0.0").decode()), 3),
        "5 s",
    )
    published = publication(resolve(system))
    report("its files written", measure(lambda: write_all(published, "1.0.0"), 10), "none stated")
    files = write_all(published, "1.0.0")
    note("files, and their bytes", f"{len(files)}, {sum(len(file.content) for file in files) / 1000:.0f} kB", "none")
    value = StepAlias(hue="tidewater", step="s600")
    count = MOST_TOKENS - len(system.tokens)
    new = tuple(NewToken(id=f"many{at}", name=f"many.part{at}", values={"day": value}) for at in range(count))
    many = apply_all(system, [AddTokens(tokens=new)]).system
    moved = apply_all(many, [SetSource(hue="tidewater", color=Color.of_bytes((11, 90, 130)))]).system
    before, after = publication(resolve(many)), publication(resolve(moved))
    report(f"two releases of {MOST_TOKENS:,} tokens compared", measure(lambda: compare(before, after), 10), "100 ms")
    text = ".a { color: #123456; background: #0B6E6E; fill: var(--text-strong) }\n" * 15_000
    report("a stylesheet of 1 MB checked", measure(lambda: check(text, published), 5), "1.5 s")
    report("the same parsed by a general library", measure(lambda: tinycss2.parse_stylesheet(text), 2), "")
