"""What happened, kept on disk: rehearsals and sync checks."""
