"""What if this goes? What is lost with a box or a cable, and what could be played without it."""
