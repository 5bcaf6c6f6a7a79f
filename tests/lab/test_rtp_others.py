"""A session with the open-source library `pymidi`, which somebody else wrote: it is invited.

It is no dependency of Grebe's: PYTHONPATH says where it is, else this is left out.
"""

from __future__ import annotations

import select
import socket
import threading
import time
from pathlib import Path

import pytest

from grebe.network.session_port import SessionPort
from grebe.protocols.link.session import RtpPort
from grebe.transports.clock import raw_ns
from grebe.transports.rtp import HandedPort

pytest.importorskip("pymidi", reason="pymidi is not installed: PYTHONPATH=where it is")


def free_port() -> int:
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as found:
        found.bind(("127.0.0.1", 0))
        return int(found.getsockname()[1]) // 2 * 2


def test_a_server_of_others_is_invited_and_played(own_folders: Path) -> None:
    """It accepts, hears every note and no clock twice, and sees us leave."""
    from pymidi import server

    said: list[str] = []
    notes: list[tuple[str, int, int]] = []

    class Handler(server.Handler):  # type: ignore[misc]
        def on_peer_connected(self, peer: object) -> None:
            said.append(f"connected {peer.name}")  # type: ignore[attr-defined]

        def on_peer_disconnected(self, peer: object) -> None:
            said.append("left")

        def on_midi_commands(self, peer: object, commands: list) -> None:
            notes.extend(
                (c.command, int(c.params.key), c.params.velocity)
                for c in commands if c.command in ("note_on", "note_off")
            )  # fmt: skip

    number = free_port()
    other = server.Server([("127.0.0.1", number)])
    other.add_handler(Handler())
    threading.Thread(target=other.serve_forever, daemon=True).start()
    time.sleep(0.2)
    port = SessionPort(
        RtpPort(device="a", path=f"{own_folders}/a", session="invites", name="Grebe Smew",
                target=f"127.0.0.1:{number}")
    )  # fmt: skip
    engine = HandedPort(f"{own_folders}/a")

    def turn(seconds: float) -> None:
        until = time.monotonic() + seconds
        while time.monotonic() < until:
            ready, _, _ = select.select(port.sockets(), [], [], 0.005)
            port.take(ready)
            port.turn(raw_ns())

    turn(1.5)
    assert said == ["connected Grebe Smew"]
    assert port.state().problem == ""
    played = []
    for n in range(20):
        played += [("note_on", 40 + n, 100), ("note_off", 40 + n, 64)]
        engine.send(bytes((0x90, 40 + n, 100)), raw_ns())
        turn(0.01)
        engine.send(bytes((0x80, 40 + n, 64)), raw_ns())
        turn(0.01)
    turn(0.2)
    assert notes == played
    port.close()
    engine.close()
    time.sleep(0.3)
    assert said[-1] == "left"
