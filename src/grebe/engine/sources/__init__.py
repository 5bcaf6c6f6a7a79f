"""Who gives the time: Grebe itself, a box, JACK's transport, a session of computers."""
