"""From a document to everything that can be seen, checked or published."""
