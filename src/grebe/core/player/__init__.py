"""The sans-I/O performer: given a plan and a window of beats, the messages due in it."""
