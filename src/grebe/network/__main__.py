"""``python -m grebe.network``: a peer as a process of its own; what it is, as JSON on stdin.

With ``--beside-engine`` it serves this user's engine instead; with
``--display`` it watches another computer's stage.
"""

from __future__ import annotations

import logging
import sys

import msgspec

from grebe.errors import NetworkError
from grebe.network.alone import Alone, PeerMonitor
from grebe.network.bridge import beside_engine
from grebe.network.display import StageViewer, WatchRequest
from grebe.network.lines import first_line
from grebe.process.log import start_log


def told(*, display: bool) -> int:
    """Be what the first line says: a peer, or one that watches a stage; the exit status."""
    start_log("display" if display else "peer")
    config = first_line(sys.stdin.fileno())
    try:
        if display:
            StageViewer(msgspec.json.decode(config, type=WatchRequest)).run()
        else:
            PeerMonitor(msgspec.json.decode(config, type=Alone)).run()
    except (NetworkError, msgspec.MsgspecError) as error:
        sys.stderr.write(f"grebe {'display' if display else 'peer'}: {error}\n")
        return 2
    return 0


if __name__ == "__main__":
    for library in ("zeroconf", "asyncio"):  # of damaged packets they would write a line each
        logging.getLogger(library).setLevel(logging.CRITICAL)
    if sys.argv[1:] == ["--beside-engine"]:
        sys.exit(beside_engine())
    sys.exit(told(display=sys.argv[1:] == ["--display"]))
