"""The network process: a peer of a session, OSC, and the stage for others to see.

It stands between the engine and the network so that nothing that comes over
the network can cost the engine time: it talks to the engine as a window does.
"""
