"""The frozen messages between window and engine, their version and their limits."""
