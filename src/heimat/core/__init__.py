"""The computation: documents, edits and everything that follows from them. No interface, no storage."""
