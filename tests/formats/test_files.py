"""The files of a release, each loaded by what it is for: the same tokens in all, in the designer's order."""

import csv
import hashlib
import io
import json
import os
import re
import subprocess
import sys
from pathlib import Path
from xml.etree import ElementTree

import coloraide
import jsonschema
import pytest

from heimat.core.document.names import css_name
from heimat.core.edits import apply
from heimat.core.edits.exception_edits import AcceptFinding
from heimat.core.edits.theme_edits import RenameTheme
from heimat.core.edits.token_care_edits import DescribeToken, KeepTokensInternal
from heimat.core.legibility.findings import findings
from heimat.core.publication.building import publication
from heimat.core.publication.changes import same
from heimat.core.publication.plain_publication import plain_of, publication_of
from heimat.core.resolve.resolved import resolve
from heimat.demo.demo_systems import brinemark
from heimat.formats import write_all
from heimat.local.install import WEB
from tests.formats.design_tokens_schema import RESOLVER as RESOLVER_SCHEMA
from tests.formats.design_tokens_schema import TOKENS as TOKENS_SCHEMA
from tests.formats.programs import NODE, NPM
from tests.systems import SAMPLES

SYSTEM = brinemark()
RESOLVED = resolve(SYSTEM)
PUBLISHED = publication(RESOLVED)
CONTENTS = {file.name: file.content for file in write_all(PUBLISHED, "1.2.0")}
FILES = {name: content.decode() for name, content in CONTENTS.items() if not name.endswith(".tgz")}
TOKENS = PUBLISHED.with_palettes()
NAMES = [token.name for token in TOKENS]


def expected(theme: str) -> list[str]:
    """What each token is in a theme, said by hand."""
    values = [token.value(theme) for token in TOKENS]
    return [
        value.hex.lower() + ("" if value.alpha == 1.0 else f"{round(value.alpha * 255):02x}")
        for value in values
    ]


@pytest.fixture(scope="module")
def loaded(tmp_path_factory: pytest.TempPathFactory) -> dict:
    """What Sass and TypeScript found in the files."""
    folder = tmp_path_factory.mktemp("tokens")
    for name, content in CONTENTS.items():
        (folder / name).write_bytes(content)
    command = [
        NODE,
        str(Path(__file__).with_name("load_tokens.mjs")),
        str(folder),
        str(WEB),
        "text.strong",
    ]
    done = subprocess.run(command, capture_output=True, text=True, timeout=180, check=False)
    assert done.returncode == 0, done.stderr + done.stdout
    return json.loads(done.stdout)


def test_sass_finds_every_token_in_every_theme(loaded: dict) -> None:
    compiled = loaded["compiled"].replace('"', "")
    for theme in PUBLISHED.themes:
        rules = re.findall(rf"\[theme={theme.name}\]{{--([\w-]+):([^;}}]+)}}", compiled)
        assert [name for name, _ in rules] == [css_name(name) for name in NAMES]
        assert [same_color(value) for _, value in rules] == expected(theme.id)
    first = {
        name: same_color(value)
        for name, value in re.findall(r"first{--([\w-]+):([^;}]+)}", compiled)
    }
    assert first == dict(zip(map(css_name, NAMES), expected("day"), strict=True))


def same_color(text: str) -> str:
    """A value in any notation as it stands in the files."""
    color = coloraide.Color(text.strip())
    return color.convert("srgb").to_string(hex=True, alpha=None if color.alpha() < 1.0 else False)


def test_typescript_knows_the_names_and_the_values(loaded: dict) -> None:
    for theme in PUBLISHED.themes:
        assert list(loaded["themes"][theme.name]) == NAMES
        assert list(loaded["themes"][theme.name].values()) == expected(theme.id)
    assert loaded["properties"]["text.strong"] == "--text-strong"
    assert loaded["version"] == "1.2.0"


def test_plain_forms_hold_all_in_order() -> None:
    plain = json.loads(FILES["tokens.plain.json"])
    assert [token["name"] for token in plain["tokens"]] == NAMES
    rows = list(csv.DictReader(io.StringIO(FILES["tokens.csv"])))
    assert [row["name"] for row in rows] == NAMES
    for theme in PUBLISHED.themes:
        assert [token["values"][theme.name] for token in plain["tokens"]] == expected(theme.id)
        assert [row[theme.name] for row in rows] == expected(theme.id)
    assert {(row["system"], row["version"]) for row in rows} == {("Brinemark", "1.2.0")}
    sheet = ElementTree.fromstring(FILES["swatches.svg"])
    texts = [each.text for each in sheet.iter("{http://www.w3.org/2000/svg}text")]
    assert [text for text in texts if text in NAMES] == NAMES
    lines = FILES["swatches.gpl"].split("\n")
    assert lines[0] == "GIMP Palette"
    swatches = [line.split("\t") for line in lines if "\t" in line]
    opaque = [token for token in TOKENS if token.value("day").alpha == 1.0]
    assert [name for _, name in swatches][: len(opaque)] == [token.name for token in opaque]
    assert [bytes(map(int, levels.split())).hex() for levels, _ in swatches][: len(opaque)] == [
        token.value("day").hex[1:].lower() for token in opaque
    ]


def test_every_file_says_whose_it_is_and_the_manifest_knows_its_bytes() -> None:
    manifest = json.loads(FILES["release.json"])
    assert (manifest["system"], manifest["version"]) == ("Brinemark", "1.2.0")
    listed = {each["name"]: each for each in manifest["files"]}
    assert set(listed) == CONTENTS.keys() - {"release.json", "package.tgz"}
    for name, each in listed.items():
        assert each["sha256"] == hashlib.sha256(CONTENTS[name]).hexdigest()
        assert each["bytes"] == len(CONTENTS[name])
    for name in (
        "tokens.css",
        "tokens.scss",
        "tokens.ts",
        "swatches.svg",
        "swatches.gpl",
        "contract.json",
    ):
        assert "Brinemark" in FILES[name]
        assert "1.2.0" in FILES[name]
    again = {file.name: file.content for file in write_all(PUBLISHED, "1.2.0")}
    assert again == CONTENTS


def test_the_archive_installs_with_both_package_managers_without_any_registry(
    tmp_path: Path,
) -> None:
    archive = tmp_path / "package.tgz"
    archive.write_bytes(CONTENTS["package.tgz"])
    pip = [
        sys.executable,
        "-m",
        "pip",
        "install",
        "--no-index",
        "--no-deps",
        "--quiet",
        "--target",
        str(tmp_path / "py"),
    ]
    done = subprocess.run(
        [*pip, str(archive)], capture_output=True, text=True, timeout=180, check=False
    )
    assert done.returncode == 0, done.stderr
    program = "import brinemark_tokens as t; print(t.version); print(t.path('tokens.css').read_text(), end='')"
    command = [sys.executable, "-c", program]
    found = subprocess.run(
        command, capture_output=True, text=True, cwd=tmp_path / "py", timeout=60, check=True
    ).stdout
    assert found == "1.2.0\n" + FILES["tokens.css"]
    (tmp_path / "web").mkdir()
    npm = [
        NPM,
        "install",
        "--offline",
        "--no-audit",
        "--no-fund",
        "--prefix",
        str(tmp_path / "web"),
        str(archive),
    ]
    done = subprocess.run(npm, capture_output=True, text=True, timeout=180, check=False)
    assert done.returncode == 0, done.stderr
    installed = tmp_path / "web" / "node_modules" / "brinemark-tokens"
    assert (installed / "tokens.css").read_text() == FILES["tokens.css"]
    assert json.loads((installed / "package.json").read_text())["version"] == "1.2.0"
    # Both bring the check along, which knows its own release.
    sheet = tmp_path / "a.css"
    sheet.write_text(".a { color: var(--text-strong); background: var(--nobody) }")
    from_python = [sys.executable, "-m", "brinemark_tokens.check", str(sheet)]
    from_node = [
        str(tmp_path / "web" / "node_modules" / ".bin" / "brinemark-tokens-check"),
        str(sheet),
    ]
    for each in (
        from_python,
        [str(tmp_path / "py" / "bin" / "brinemark-tokens-check"), str(sheet)],
        from_node,
    ):
        environment = {**os.environ, "PYTHONPATH": str(tmp_path / "py")}
        done = subprocess.run(
            each,
            capture_output=True,
            text=True,
            cwd=tmp_path / "py",
            env=environment,
            timeout=60,
            check=False,
        )
        assert (done.returncode, "--nobody is not in the release" in done.stdout) == (1, True), (
            done.stderr
        )


def test_token_files_are_of_the_form_that_the_standard_asks_for() -> None:
    tokens = json.loads(FILES["tokens.json"])
    jsonschema.validate(tokens, TOKENS_SCHEMA)
    jsonschema.validate(json.loads(FILES["tokens.resolver.json"]), RESOLVER_SCHEMA)
    for broken in (
        {"$value": "#0B6E6E", "$type": "color"},
        {"$value": {"colorSpace": "srgb"}, "$type": "color"},
    ):
        with pytest.raises(jsonschema.ValidationError):
            jsonschema.validate({**tokens, "broken": broken}, TOKENS_SCHEMA)
    with pytest.raises(jsonschema.ValidationError):
        jsonschema.validate({**tokens, "a.b": tokens["text"]["strong"]}, TOKENS_SCHEMA)


def test_what_was_published_is_written_as_it_was_to_the_byte() -> None:
    kept = publication_of(json.loads((SAMPLES / "publication_6.json").read_text()))
    digests = json.loads((SAMPLES / "publication_6_files.json").read_text())
    found = {
        file.name: hashlib.sha256(file.content).hexdigest() for file in write_all(kept, "1.2.0")
    }
    assert {name: found[name] for name in digests} == digests


def test_the_contract_holds_by_a_second_computation() -> None:
    found = json.loads(FILES["contract.json"])
    by_name = {token.name: token for token in PUBLISHED.tokens}
    checked = 0
    for pairing in found["pairings"]:
        for theme in PUBLISHED.themes:
            one, other = (
                by_name[pairing[side]].value(theme.id) for side in ("foreground", "ground")
            )
            if one.alpha == other.alpha == 1.0:
                ratio = coloraide.Color(one.hex).contrast(other.hex, method="wcag21")
                # Cut to two decimals; by way of XYZ the other library is up to 0.0005 off.
                assert -0.0005 <= ratio - pairing["ratios"][theme.name] < 0.0101
                checked += 1
    assert checked > 100
    assert {each["aim"] for each in found["promises"]} <= {3.0, 4.5, 7.0}
    assert [each["name"] for each in found["told_apart"]] == [
        each.name for each in SYSTEM.told_apart.values()
    ]


def test_a_contract_names_nothing_internal_and_its_change_is_worth_a_release() -> None:
    (late,) = [token.id for token in SYSTEM.tokens.values() if token.name == "text.late"]
    inside = publication(resolve(apply(SYSTEM, KeepTokensInternal(tokens=(late,), internal=True))))
    assert "text.late" not in json.dumps(inside.contract)
    open_ = next(
        each for each in findings(RESOLVED, repairs=False) if each.id.startswith("pairing")
    )
    edit = AcceptFinding(
        finding=open_.id,
        reason="on the board from afar",
        said=open_.sentence,
        colors=("#DF5A33", "#FFFFFF"),
    )
    accepted = publication(resolve(apply(SYSTEM, edit)))
    assert not same(PUBLISHED, accepted)
    assert publication_of(json.loads(json.dumps(plain_of(accepted)))) == accepted


def test_hostile_names_end_nothing() -> None:
    name = '#{1+1} "*/ -->'
    renamed = publication(resolve(apply(SYSTEM, RenameTheme(theme="night", name=name))))
    files = {file.name: file.content for file in write_all(renamed, "1.0.0")}
    assert '\\#{1+1} \\"*/ -->' in files["tokens.scss"].decode()
    assert name in json.loads(files["tokens.plain.json"])["tokens"][0]["values"]
    ElementTree.fromstring(files["swatches.svg"])


def test_the_guide_names_everything_in_order_and_refers_to_nothing_outside() -> None:
    text = FILES["guide.html"]
    assert not re.search(r"(?:src|href)=\"(?!#)|url\(|<script|@import", text)
    semantic = [token.name for token in PUBLISHED.tokens if "/" not in token.id]
    rows = re.findall(r'<tr><th scope="row">([^<]+)<br>', text)
    assert rows == semantic
    for token in PUBLISHED.tokens:
        assert token.value("day").hex.lower() in text
    assert "falls short of 4.5" in text
    assert text.index("Scales</h2>") < text.index("Tokens</h2>") < text.index("Palettes</h2>")
    hostile = apply(SYSTEM, DescribeToken(token="text-late", note="</td><script>alert(1)</script>"))
    written = {
        file.name: file.content for file in write_all(publication(resolve(hostile)), "1.0.0")
    }
    assert b"<script" not in written["guide.html"]
