"""The small calculators, as data: see `table`."""
