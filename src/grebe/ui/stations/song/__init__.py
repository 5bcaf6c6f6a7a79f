"""Song: how it goes, how long it is."""
