"""The window's frame: rail, waterline, notices, its file, and what the system asks of it."""
