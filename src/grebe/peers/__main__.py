"""``python -m grebe.peers``: a peer as a process of its own; what it is, as JSON on stdin.

With ``--beside-engine`` it serves this user's engine instead; with
``--display`` it watches another computer's stage.
"""

from __future__ import annotations

import logging
import sys

from grebe.peers.alone import be
from grebe.peers.bridge import beside_engine
from grebe.peers.display import display
from grebe.peers.lines import first_line

if __name__ == "__main__":
    logging.disable(logging.WARNING)  # of damaged packets libraries would write a line each
    if sys.argv[1:] == ["--beside-engine"]:
        sys.exit(beside_engine())
    if sys.argv[1:] == ["--display"]:
        sys.exit(display(first_line(sys.stdin.fileno())))
    sys.exit(be(first_line(sys.stdin.fileno())))
