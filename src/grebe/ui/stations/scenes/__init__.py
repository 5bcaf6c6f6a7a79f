"""The Scenes station: a continuity chart and what changes in it."""
