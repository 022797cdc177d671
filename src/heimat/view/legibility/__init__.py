"""What Legibility shows."""
