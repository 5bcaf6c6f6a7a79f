"""A session of computers on one beat: clocks compared, tempo agreed, who is there. No sockets."""
