"""A window's end of the engine: the processes, the socket, the plan that is sent."""
