"""The commands: everything the window computes, without a window."""
