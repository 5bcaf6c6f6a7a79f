"""Grebe beside a real kernel: its sequencer, USB boxes, sound cards. Run by `make lab`."""
