"""The rig: devices, the cables between them, and the clock tree they make."""
