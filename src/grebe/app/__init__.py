"""Use cases without Qt: the document with undo, commands, the engine's supervisor and client."""
