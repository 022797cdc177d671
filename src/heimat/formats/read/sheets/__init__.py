"""Readers of whole sheets of tokens, with themes and aliases, one form each. None raises for what it is given."""
