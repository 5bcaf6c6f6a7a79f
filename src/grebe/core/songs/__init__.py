"""Scenes and songs: which pattern on which device, how many times, in what order."""
