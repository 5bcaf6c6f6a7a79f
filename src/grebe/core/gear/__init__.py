"""What the performer knows about gear: notes and tries, found again in any project that has it."""
