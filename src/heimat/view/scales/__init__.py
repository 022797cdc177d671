"""What Scales shows."""
