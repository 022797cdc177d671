"""From a value in the document to its color: derived values, and the colors of palettes."""
