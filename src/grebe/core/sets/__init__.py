"""Sets: songs in running order, what lies between them, and in what order they might go."""
