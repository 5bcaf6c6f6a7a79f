"""Pulses in and out of an audio interface."""
