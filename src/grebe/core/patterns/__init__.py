"""Patterns: voices of steps, what they sound like, and edits to them."""
