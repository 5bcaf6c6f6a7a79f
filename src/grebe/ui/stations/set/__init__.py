"""Set: the songs in running order."""
