"""Files: the project, Standard MIDI Files. Checked at the border, written atomically."""
