"""What Tokens shows."""
