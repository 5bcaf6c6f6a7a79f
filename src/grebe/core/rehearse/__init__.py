"""Rehearsing: moves and launches timed and scored, what to practise, coming in on the one."""
