"""Fonts, the demo set, device profiles."""
