"""``python -m grebe.peers``: a peer as a process of its own; what it is, as JSON on stdin."""

from __future__ import annotations

import sys

from grebe.peers.alone import be
from grebe.peers.lines import first_line

if __name__ == "__main__":
    sys.exit(be(first_line(sys.stdin.fileno())))
