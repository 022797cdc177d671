"""Which tokens are marked as not yet published: told without the whole publication, and the same by it."""

from heimat.core.color.color_text import parse
from heimat.core.document.tokens import StepAlias
from heimat.core.edits import apply_all
from heimat.core.edits.palette_edits import SetOtherColor
from heimat.core.edits.source_edits import SetSource
from heimat.core.edits.token_care_edits import DescribeToken, KeepTokensInternal
from heimat.core.edits.token_name_edits import RenameToken
from heimat.core.publication.building import publication, told_by_marks
from heimat.core.publication.changes import changed_ids
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark

SYSTEM = brinemark()
BEFORE = publication(resolve(SYSTEM))


def test_marks_are_those_that_the_whole_publication_tells_of() -> None:
    told = set()
    for edits in (
        [SetSource(hue="tidewater", color=parse("#0C6F6F"))],
        [SetSource(hue="gorse", color=parse("#E0B040"))],
        [RenameToken(token="text-late", name="text.behind")],
        [DescribeToken(token="text-late", usage="From afar.")],
        [KeepTokensInternal(tokens=("text-faint",), internal=True)],
        [
            SetOtherColor(
                palette="routes", role="missing", value=StepAlias(hue="shingle", step="s300")
            )
        ],
    ):
        resolved = resolve(apply_all(SYSTEM, edits).system)
        marked = changed_ids(BEFORE, told_by_marks(resolved))
        assert marked == changed_ids(BEFORE, publication(resolved))
        assert marked
        told |= marked
    assert any(key.startswith("palette/") for key in told)
    assert changed_ids(BEFORE, told_by_marks(resolve(SYSTEM))) == frozenset()
