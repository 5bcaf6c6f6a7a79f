"""MIDI 1.0: messages, and what is let through."""
