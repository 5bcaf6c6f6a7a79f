"""The open document: undo, its file, unsaved work, and what is written from it."""
