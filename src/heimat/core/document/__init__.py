"""The document: one color system, its entities, and what must hold of it."""
