"""What Sources shows."""
