"""Routes, errors, and who is acting."""
