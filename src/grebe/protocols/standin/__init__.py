"""What stand-ins report, and what their speaker is told."""
