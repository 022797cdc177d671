"""The checks that a build runs, in Python and in Node: what they find, what they answer with, and that they agree."""

import json
import os
import random
import re
import resource
import subprocess
import sys
from pathlib import Path

import pytest

from heimat.core.document.tokens import Deprecation
from heimat.core.edits import apply
from heimat.core.edits.token_care_edits import DeprecateToken
from heimat.core.publication.building import publication
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark
from heimat.formats import write_all
from heimat.formats.check_text import check
from heimat.formats.checkers.check import pairs_in
from tests.formats.programs import NODE

LATE = Deprecation(replacement="text-strong", reason="one ink")
PUBLISHED = publication(
    resolve(apply(brinemark(), DeprecateToken(token="text-late", deprecated=LATE)))
)
FILES = {file.name: file.content for file in write_all(PUBLISHED, "1.2.0")}
SHEET = """/* var(--not-there) #123456 */
:root { --own: #0B6E6E; }
.head { background: var(--surface-brand); color: var(--text-strong, #000); }
.head a { color: var(--text-late); }
.card { background-color: var(--surface-card); .title { color: var(--text-strong) } }
.word { color: var(--text-stong); border-color: #0b6e6eff; outline-color: var(--own) } // #ABC
.far { fill: #F0F; background: none; color: var(--text-strong) }
"""
PAGE = """<p style="color: var(--text-plain); background: var(--surface-page)">x</p>
<p style='background: var(--surface-board); color: var(--text-plain)'>y</p>
"""


@pytest.fixture(scope="module")
def release(tmp_path_factory: pytest.TempPathFactory) -> Path:
    folder = tmp_path_factory.mktemp("release")
    for name in ("check.py", "check.mjs", "contract.json", "tokens.plain.json", "palettes.css"):
        (folder / name).write_bytes(FILES[name])
    return folder


def ran(release: Path, which: str, *arguments: str, cwd: Path) -> subprocess.CompletedProcess[str]:
    program = (
        [sys.executable, "-I", str(release / "check.py")]
        if which == "python"
        else [NODE, str(release / "check.mjs")]
    )
    environment = {key: value for key, value in os.environ.items() if key != "FEED_KEY"}
    return subprocess.run(
        [*program, *arguments],
        capture_output=True,
        text=True,
        cwd=cwd,
        env=environment,
        timeout=240,
        check=False,
    )


@pytest.fixture
def site(tmp_path: Path) -> Path:
    (tmp_path / "src" / "node_modules").mkdir(parents=True)
    (tmp_path / "src" / "site.scss").write_text(SHEET)
    (tmp_path / "src" / "page.html").write_text(PAGE)
    (tmp_path / "src" / "notes.txt").write_text("#123456")
    (tmp_path / "src" / "node_modules" / "other.css").write_text("a { color: #123456 }")
    return tmp_path


def test_pairs_are_those_of_one_rule_or_of_the_ground_around_it() -> None:
    assert pairs_in(SHEET) == [
        (3, "text-strong", "surface-brand"),
        (5, "text-strong", "surface-card"),
    ]
    assert pairs_in(PAGE) == [(1, "text-plain", "surface-page"), (2, "text-plain", "surface-board")]
    assert pairs_in(".a { color: var(--x); background: linear-gradient(red, var(--y)) }") == []
    assert pairs_in(".a { background: var(--y); background: #fff; color: var(--x) }") == []
    assert pairs_in("color: var(--x); background: var(--y)") == []
    assert pairs_in(".a { background: var(--y); color: var(--x)") == [(1, "x", "y")]
    assert pairs_in('.a { content: "}"; background: var(--y); color: var(--x) }') == [(1, "x", "y")]


@pytest.mark.parametrize("which", ["python", "node"])
def test_what_is_wrong_is_told_by_line_and_stops_the_build(
    release: Path, site: Path, which: str
) -> None:
    done = ran(release, which, "--json", "src", cwd=site)
    assert done.returncode == 1, done.stderr
    told = json.loads(done.stdout)
    assert (told["system"], told["version"], told["files"], told["holds"]) == (
        "Brinemark",
        "1.2.0",
        2,
        False,
    )
    found = [(each["file"], each["line"], each["kind"]) for each in told["found"]]
    assert found == [
        ("src/page.html", 2, "undeclared"),
        ("src/site.scss", 2, "by hand"),
        ("src/site.scss", 3, "outside"),
        ("src/site.scss", 3, "undeclared"),
        ("src/site.scss", 4, "deprecated"),
        ("src/site.scss", 6, "by hand"),
        ("src/site.scss", 6, "unknown"),
        ("src/site.scss", 7, "outside"),
    ]
    words = {each["kind"]: each["words"] for each in told["found"]}
    assert words["deprecated"] == "--text-late is on its way out: use text.strong"
    assert "was never declared; it reads" in words["undeclared"]
    plainly = ran(release, which, "src/site.scss", cwd=site)
    assert "src/site.scss:6: unknown: --text-stong is not in the release" in plainly.stdout
    assert "7 places in 1 files, against Brinemark 1.2.0." in plainly.stdout


@pytest.mark.parametrize("which", ["python", "node"])
def test_what_is_only_advised_stops_none_but_a_strict_build(
    release: Path, tmp_path: Path, which: str
) -> None:
    (tmp_path / "a.css").write_text(".a { color: var(--text-late) }")
    assert ran(release, which, "a.css", cwd=tmp_path).returncode == 0
    assert ran(release, which, "--strict", "a.css", cwd=tmp_path).returncode == 1
    (tmp_path / "b.css").write_text(
        ".a { color: var(--text-strong); background: var(--surface-card) }"
    )
    clean = ran(release, which, "--strict", "b.css", cwd=tmp_path)
    assert (clean.returncode, clean.stdout) == (
        0,
        "Nothing to say in 1 files, against Brinemark 1.2.0.\n",
    )
    for arguments, words in (
        (("nowhere",), "nowhere is not there"),
        ((), "Usage:"),
        (("--fast", "a.css"), "unknown: --fast"),
        (("--from", "nowhere", "a.css"), "Nothing was checked"),
        (("--report", "a.css"), "give its address with --from"),
    ):
        refused = ran(release, which, *arguments, cwd=tmp_path)
        assert refused.returncode == 2, arguments
        assert words in refused.stderr


def test_both_say_the_same_of_whatever_they_are_given(release: Path, tmp_path: Path) -> None:
    chance = random.Random(7)
    names = [
        name.replace(".", "-")
        for name in ("text.strong", "text.late", "surface.card", "surface.brand", "nobody")
    ]
    pieces = [
        *(
            "{",
            "}",
            ";",
            ":",
            " ",
            "\n",
            "/*",
            "*/",
            "//",
            "'",
            '"',
            "<!--",
            "-->",
            "é",
            "🎨",
            "\r\n",
            "\t",
        ),
        *(
            "color",
            "background",
            "background-color",
            "fill",
            "style=",
            "@media",
            "#0B6E6E",
            "#abc",
            "#12",
            "!important",
        ),
        *(f"var(--{name})" for name in names),
        *(f"{prop}: var(--{name});" for prop in ("color", "background") for name in names),
    ]
    for number in range(60):
        text = "".join(chance.choice(pieces) for _ in range(chance.randrange(4, 160)))
        (tmp_path / f"{number:02}.css").write_text(text, encoding="utf-8", newline="")
    one, other = (ran(release, which, "--json", ".", cwd=tmp_path) for which in ("python", "node"))
    assert one.returncode == other.returncode == 1
    assert one.stdout == other.stdout
    assert len({each["kind"] for each in json.loads(one.stdout)["found"]}) >= 5


def test_the_page_and_the_build_find_the_same_names_and_pairs(release: Path, site: Path) -> None:
    told = json.loads(ran(release, "python", "--json", "src/site.scss", cwd=site).stdout)["found"]
    kinds = ("unknown", "undeclared", "deprecated")
    plain = SHEET.replace("var(--not-there) #123456", "")
    here = [(each.line, each.kind) for each in check(plain, PUBLISHED).found if each.kind in kinds]
    assert here == [(each["line"], each["kind"]) for each in told if each["kind"] in kinds]


def test_every_name_that_a_release_defines_is_known_to_its_checks(
    release: Path, tmp_path: Path
) -> None:
    """Labels on colors of palettes and ramps too: none is unknown, and none is taken for its own fill."""
    defined = [
        name
        for file in ("tokens.css", "palettes.css")
        for name in re.findall(r"^\s*--([\w-]+):", FILES[file].decode(), re.M)
    ]
    assert {name.rpartition("-")[2] for name in defined} >= {"label", "ramp"}
    text = "\n".join(
        f".a{place} {{ fill: var(--{name}) }}" for place, name in enumerate(dict.fromkeys(defined))
    )
    (tmp_path / "all.css").write_text(text)
    for which in ("python", "node"):
        told = json.loads(ran(release, which, "--json", "all.css", cwd=tmp_path).stdout)["found"]
        assert {each["kind"] for each in told} <= {"deprecated"}
    here = check(text, PUBLISHED)
    assert {each.kind for each in here.found} <= {"deprecated"}
    instead = [
        line for line in here.patch.splitlines() if line.startswith("+") and "label" not in line
    ]
    assert not any("chart-" in line for line in instead)


@pytest.mark.parametrize("which", ["python", "node"])
def test_hostile_files_are_checked_in_time(release: Path, tmp_path: Path, which: str) -> None:
    texts = (
        "{" * 300_000,
        "/*" * 200_000,
        'style="' * 100_000,
        "var(--" * 100_000,
        "#" * 500_000,
        "<!--" * 100_000,
    )
    for number, text in enumerate(
        (*texts, "a:b;" * 200_000, "//" * 200_000, " " * 500_000, "color:" * 100_000)
    ):
        (tmp_path / f"{number}.css").write_text(text)
    before = resource.getrusage(resource.RUSAGE_CHILDREN)
    assert ran(release, which, ".", cwd=tmp_path).returncode in (0, 1)
    after = resource.getrusage(resource.RUSAGE_CHILDREN)
    assert after.ru_utime - before.ru_utime < 15.0
