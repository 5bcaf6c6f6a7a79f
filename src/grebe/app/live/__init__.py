"""What goes on while something plays: the session, rehearsals, checks, loopers, Stage."""
