"""The station Log."""
