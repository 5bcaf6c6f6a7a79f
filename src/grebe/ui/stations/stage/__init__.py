"""Stage: now, next, when, my move."""
