"""What leaves the house, and how two releases differ."""
