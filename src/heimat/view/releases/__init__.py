"""What Releases shows."""
