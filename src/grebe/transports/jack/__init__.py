"""JACK: MIDI at exact frames, pulses drawn into blocks, and its transport."""
