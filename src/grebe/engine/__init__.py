"""The real-time process: loop, look-ahead, counters, its socket server.

No Qt, no project files, no disk in the loop.
"""
