"""Grebe: clock, patterns, scenes and songs for a live electronic performer."""

__version__ = "0.1.0"
