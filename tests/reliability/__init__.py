"""Bad days: what is killed, frozen, crowded, hostile or very old."""
