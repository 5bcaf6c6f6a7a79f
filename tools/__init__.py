"""What the developers run."""
