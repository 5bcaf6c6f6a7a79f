"""Simulated devices with settable faults, each reached over a port as a real box is."""
