"""What is written with keys: an editor for each kind of thing, and its settings as text."""
