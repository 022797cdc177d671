"""Tokens: names, aliases, and the starter set."""
