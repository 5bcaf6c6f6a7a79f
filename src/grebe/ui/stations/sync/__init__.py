"""The Sync station."""
