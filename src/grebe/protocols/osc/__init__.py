"""Open Sound Control 1.0."""
