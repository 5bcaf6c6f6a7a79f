"""Patterns: what each box plays."""
