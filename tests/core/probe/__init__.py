"""Probing simulated boxes."""
