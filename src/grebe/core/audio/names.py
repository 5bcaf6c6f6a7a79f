"""Numbers that sound and messages share."""

LEVEL, CUTOFF = 7, 74
"""Controllers that stand-ins hear: channel volume and brightness (MIDI 1.0)."""
ALL_SOUND_OFF, ALL_NOTES_OFF = 120, 123
USUAL_BRIGHT = 64
