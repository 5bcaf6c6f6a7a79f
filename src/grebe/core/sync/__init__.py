"""Time from others: following a clock, and measuring how far off one is."""
