"""What ships with Heimat and is others': a notice for each package, and the list of all as CycloneDX 1.5.

    PYTHONPATH=src .venv/bin/python -m tools.notices

Both are made from the two lock files, and lie beside the page, which carries them into the wheel. What the page's
scripts and fonts are made of is shipped: it stands with its whole license. Python's packages are installed beside
Heimat, each with its own license: they are named.
"""

import json
import re
from importlib.metadata import distribution
from pathlib import Path
from typing import Any, NamedTuple

from heimat.local.install import ROOT, WEB

NOTICES, LIST = WEB / "public" / "third-party.txt", WEB / "public" / "packages.cdx.json"
_LICENSE_FILE = re.compile(r"^(?:licen[cs]e|copying|ofl|notice)(?:[.-].*)?$", re.I)
_RULE = "\n" + "-" * 80 + "\n"


class Package(NamedTuple):
    """A package as a lock file has it: where it is from (`npm` or `pypi`), name, version, license, and its text."""

    source: str
    name: str
    version: str
    license: str
    text: str = ""


def of_the_page() -> list[Package]:
    """The packages that the page is made of; those that only build or test it are not among them."""
    locked = json.loads((WEB / "package-lock.json").read_text())["packages"]
    found = []
    for path, told in sorted(locked.items()):
        if path and not (
            told.get("dev") or told.get("optional") or told.get("devOptional") or told.get("peer")
        ):
            name = path.rpartition("node_modules/")[2]
            found.append(
                Package("npm", name, told["version"], told.get("license", ""), _text(WEB / path))
            )
    return sorted(set(found))


def _text(folder: Path) -> str:
    files = sorted(
        each for each in folder.iterdir() if each.is_file() and _LICENSE_FILE.match(each.name)
    )
    return "\n\n".join(each.read_text(errors="replace").strip() for each in files)


def of_the_server() -> list[Package]:
    """The Python packages that Heimat runs on."""
    lines = (ROOT / "requirements.lock").read_text().splitlines()
    pinned = [
        match
        for line in lines
        if (match := re.match(r"([A-Za-z0-9._-]+)(?:\[[^\]]*\])?==([^ \\;]+)", line))
    ]
    return sorted(Package("pypi", match[1], match[2], _license_of(match[1])) for match in pinned)


def _license_of(name: str) -> str:
    told = distribution(name).metadata
    classified = [
        each.rpartition(":: ")[2]
        for each in told.get_all("Classifier") or ()
        if each.startswith("License ::")
    ]
    return (
        told.get("License-Expression")
        or ", ".join(classified)
        or (told.get("License") or "").split("\n")[0]
    )


def notices(page: list[Package], server: list[Package]) -> str:
    """The notices as text."""
    head = "Heimat's page is made with the packages below. Each stands under its own license.\n"
    parts = [f"{each.name} {each.version}\n{each.license}\n\n{each.text}\n" for each in page]
    named = "\n".join(f"{each.name} {each.version}: {each.license}" for each in server)
    tail = f"Heimat's server runs on these Python packages, installed beside it with their own licenses:\n\n{named}\n"
    return _RULE.join([head, *parts, tail])


def listed(packages: list[Package]) -> dict[str, Any]:
    """All packages as CycloneDX 1.5, the same for the same lock files."""
    components = [
        {
            "type": "library",
            "name": each.name,
            "version": each.version,
            "purl": f"pkg:{each.source}/{each.name.replace('@', '%40')}@{each.version}",
            "licenses": [{"license": {"name": each.license}}],
        }
        for each in packages
    ]
    return {"bomFormat": "CycloneDX", "specVersion": "1.5", "version": 1, "components": components}


def made() -> dict[Path, str]:
    """Both files, by their paths, as they are to be."""
    page, server = of_the_page(), of_the_server()
    return {
        NOTICES: notices(page, server),
        LIST: json.dumps(listed(page + server), indent=1) + "\n",
    }


if __name__ == "__main__":
    for path, content in made().items():
        path.write_text(content)
