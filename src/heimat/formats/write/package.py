"""All files of a release in one archive, which npm and pip install by its address.

A gzipped tar with one folder. For npm there is a `package.json`; for pip a `pyproject.toml` whose build backend lies in
the archive itself (PEP 517, `backend-path`), so that nothing is asked of any registry. The same release gives the same
bytes.
"""

import gzip
import io
import json
import re
import tarfile
from collections.abc import Sequence

from heimat.core.publication.frame import package_name
from heimat.core.publication.publication import Publication
from heimat.formats.checkers import NODE
from heimat.formats.write.plain_values import title_of

FILE = "package.tgz"
_FOLDER = "package"
_TRIED = re.compile(r"-[a-z0-9-]+\.(\d+)$")
"""The end of the version of a preview, which Python writes otherwise (PEP 440)."""
_BACKEND = '''"""Builds the wheel of this release: its files as data of one package. Standard library alone."""

import base64
import hashlib
import pathlib
import zipfile

NAME, VERSION, FILES = {name!r}, {version!r}, {files!r}
MODULE = NAME.replace("-", "_")
INFO = f"{{MODULE}}-{{VERSION}}.dist-info"


def build_wheel(wheel_directory, config_settings=None, metadata_directory=None):
    """Write the wheel and answer with its name (PEP 517)."""
    here = pathlib.Path(__file__).parent
    entries = {{f"{{MODULE}}/{{file}}": (here / file).read_bytes() for file in FILES}}
    lines = (
        "from importlib.resources import files",
        "",
        f"version = {{VERSION!r}}",
        "",
        "",
        "def path(name):",
        "    return files(__name__) / name",
        "",
    )
    entries[f"{{MODULE}}/__init__.py"] = "\\n".join(lines).encode()
    entries[f"{{INFO}}/METADATA"] = f"Metadata-Version: 2.1\\nName: {{NAME}}\\nVersion: {{VERSION}}\\n".encode()
    command = f"[console_scripts]\\n{{NAME}}-check = {{MODULE}}.check:main\\n"
    entries[f"{{INFO}}/entry_points.txt"] = command.encode()
    about = ("Wheel-Version: 1.0", "Generator: release", "Root-Is-Purelib: true", "Tag: py3-none-any", "")
    entries[f"{{INFO}}/WHEEL"] = "\\n".join(about).encode()
    record = [f"{{name}},sha256={{_digest(content)}},{{len(content)}}" for name, content in entries.items()]
    entries[f"{{INFO}}/RECORD"] = "\\n".join([*record, f"{{INFO}}/RECORD,,", ""]).encode()
    wheel = f"{{MODULE}}-{{VERSION}}-py3-none-any.whl"
    with zipfile.ZipFile(pathlib.Path(wheel_directory) / wheel, "w", zipfile.ZIP_DEFLATED) as archive:
        for name, content in entries.items():
            archive.writestr(name, content)
    return wheel


def _digest(content):
    return base64.urlsafe_b64encode(hashlib.sha256(content).digest()).rstrip(b"=").decode()
'''


def write(publication: Publication, version: str, files: Sequence[tuple[str, bytes]]) -> bytes:
    """The archive of files: name and bytes."""
    name = package_name(publication)
    names = [file for file, _ in files]
    python_version = _TRIED.sub(r".dev\1", version)
    about = {
        "name": name,
        "version": version,
        "description": title_of(publication, version),
        "files": names,
        "exports": {".": f"./{names[0]}", **{f"./{file}": f"./{file}" for file in names}}
        if names
        else {},
        "style": "tokens.css",
        "bin": {f"{name}-check": f"./{NODE}"} if NODE in names else {},
    }
    project = (
        '[build-system]\nrequires = []\nbuild-backend = "release_backend"\nbackend-path = ["."]\n\n'
        f"[project.scripts]\n{name}-check = {json.dumps(f'{name.replace(chr(45), chr(95))}.check:main')}\n\n"
        f"[project]\nname = {json.dumps(name)}\nversion = {json.dumps(python_version)}\n"
    )
    backend = _BACKEND.format(name=name, version=python_version, files=names)
    entries = [
        ("package.json", json.dumps(about, indent=2, ensure_ascii=False).encode()),
        ("pyproject.toml", project.encode()),
        ("release_backend.py", backend.encode()),
        *files,
    ]
    packed = io.BytesIO()
    with tarfile.open(fileobj=packed, mode="w", format=tarfile.PAX_FORMAT) as archive:
        for path, content in entries:
            info = tarfile.TarInfo(f"{_FOLDER}/{path}")
            info.size, info.mode, info.mtime = len(content), 0o644, 0
            archive.addfile(info, io.BytesIO(content))
    return gzip.compress(packed.getvalue(), 9, mtime=0)
