"""What the stage Charts shows."""
