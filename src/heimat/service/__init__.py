"""Use cases and their transactions: open, edit, undo, publish; and the view that the page paints."""
