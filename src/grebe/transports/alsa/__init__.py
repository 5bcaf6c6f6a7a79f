"""MIDI through the ALSA sequencer: ports by names that last, a client, a wire with a port a box."""
