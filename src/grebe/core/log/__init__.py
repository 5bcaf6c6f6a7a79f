"""What happened, and what keeps going wrong: runs, checks and rehearsals, and what they come to."""
