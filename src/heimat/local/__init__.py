"""What the launcher does on this machine: install, start a database, run. Standard library only."""
