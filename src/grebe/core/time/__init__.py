"""Musical time: exact ticks, note values, metres, tempo maps, song position, tapping."""
