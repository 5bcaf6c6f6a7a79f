"""MIDI over RTP (RFC 6295), with its journal."""
