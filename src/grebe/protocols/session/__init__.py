"""What computers of a session say to each other, as bytes."""
