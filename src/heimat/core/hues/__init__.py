"""From a hue in the document to its color, its derivation and its scale."""
