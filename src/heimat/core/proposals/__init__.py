"""What answers with edits, or with a document to begin with."""
