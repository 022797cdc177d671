"""Pictures: decoding them, and finding their colors."""
