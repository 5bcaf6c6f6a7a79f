"""Bytes to values and back. Incremental, bounded, without any I/O."""
