"""Rig: what is connected, who leads, will it lock."""
