"""What runs the files that others get: the machine's own Node, which may be older than the one that builds the page."""

from heimat.local.install import VENV, find_program

NODE = find_program("node") or str(VENV / "bin" / "node")
NPM = find_program("npm") or str(VENV / "bin" / "npm")
