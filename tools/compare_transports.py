"""How soon a change of state is known on a lossy network: UDP said again, ZeroMQ, Zenoh.

Needs root (network namespaces) and, beside Grebe, ``pip install pyzmq eclipse-zenoh``.
For each of them, one computer makes a change every 0.3 s and another stamps when it has it, by the
same clock; the answer is the spread of that, in milliseconds, and how many never came.
What is measured for UDP is what `core/peers` does: said at once, and again after 20, 60, 140 and
300 ms until the other has answered. docs/network.md has the figures and what follows from them.
"""

from __future__ import annotations

import json
import socket
import struct
import subprocess
import sys
import time
from collections.abc import Callable
from contextlib import suppress

from grebe.bench.switch import Network

CHANGES = 120
EVERY_S = 0.3
AGAIN_S = (0.0, 0.02, 0.06, 0.14, 0.30)
PORT = 20_900
SERVER, CLIENT = "10.71.0.1", "10.71.0.2"
WARM_S = 2.0
FORMAT = struct.Struct(">Iq")


def now_ns() -> int:
    """One clock for both namespaces."""
    return time.clock_gettime_ns(time.CLOCK_MONOTONIC_RAW)


def send_udp() -> None:
    """Say it, and again until it is answered."""
    out = socket.socket(socket.AF_INET, socket.SOCK_DGRAM)
    out.bind((SERVER, PORT))
    out.setblocking(False)
    time.sleep(WARM_S)
    known = -1
    for number in range(CHANGES):
        begun, data = time.monotonic(), FORMAT.pack(number, now_ns())
        left = list(AGAIN_S)
        while time.monotonic() - begun < EVERY_S:
            with suppress(BlockingIOError):
                known = max(known, FORMAT.unpack(out.recv(64))[0])
            if left and time.monotonic() - begun >= left[0] and known < number:
                left.pop(0)
                out.sendto(data, (CLIENT, PORT))
            time.sleep(0.0005)


def hear_udp(got: Callable[[int, int], None]) -> None:
    """Take it, and answer."""
    ear = socket.socket(socket.AF_INET, socket.SOCK_DGRAM)
    ear.bind((CLIENT, PORT))
    while True:
        data = ear.recv(64)
        got(*FORMAT.unpack(data))
        ear.sendto(data, (SERVER, PORT))


def send_zmq(keys: dict[str, str]) -> None:
    """Published over TCP, sealed by CURVE."""
    import zmq

    out = zmq.Context().socket(zmq.PUB)
    out.curve_server = True
    out.curve_secretkey, out.curve_publickey = (
        keys["server_secret"].encode(),
        keys["server"].encode(),
    )
    out.bind(f"tcp://{SERVER}:{PORT}")
    time.sleep(WARM_S)
    for number in range(CHANGES):
        out.send(FORMAT.pack(number, now_ns()))
        time.sleep(EVERY_S)


def hear_zmq(got: Callable[[int, int], None], keys: dict[str, str]) -> None:
    """Subscribed."""
    import zmq

    ear = zmq.Context().socket(zmq.SUB)
    ear.curve_serverkey = keys["server"].encode()
    ear.curve_publickey, ear.curve_secretkey = (
        keys["client"].encode(),
        keys["client_secret"].encode(),
    )
    ear.connect(f"tcp://{SERVER}:{PORT}")
    ear.setsockopt(zmq.SUBSCRIBE, b"")
    while True:
        got(*FORMAT.unpack(ear.recv()))


def send_zenoh() -> None:
    """A peer that publishes, reliable, at once."""
    import zenoh

    config = zenoh.Config()
    config.insert_json5("listen/endpoints", json.dumps([f"tcp/{SERVER}:{PORT}"]))
    config.insert_json5("scouting/multicast/enabled", "false")
    with zenoh.open(config) as session:
        out = session.declare_publisher("change", express=True)
        time.sleep(WARM_S)
        for number in range(CHANGES):
            out.put(FORMAT.pack(number, now_ns()))
            time.sleep(EVERY_S)


def hear_zenoh(got: Callable[[int, int], None]) -> None:
    """A peer that subscribes."""
    import zenoh

    config = zenoh.Config()
    config.insert_json5("connect/endpoints", json.dumps([f"tcp/{SERVER}:{PORT}"]))
    config.insert_json5("scouting/multicast/enabled", "false")
    with zenoh.open(config) as session:
        session.declare_subscriber(
            "change", lambda sample: got(*FORMAT.unpack(sample.payload.to_bytes()))
        )
        time.sleep(WARM_S + CHANGES * EVERY_S + 20)


def role(which: str, side: str) -> None:
    """One end, as a process of its own; the hearing end prints what it got."""
    keys = json.loads(sys.stdin.readline())

    def got(number: int, sent_ns: int) -> None:
        sys.stdout.write(f"{number} {now_ns() - sent_ns}\n")
        sys.stdout.flush()

    if side == "send":
        {"udp": send_udp, "zmq": lambda: send_zmq(keys), "zenoh": send_zenoh}[which]()
    else:
        {"udp": lambda: hear_udp(got), "zmq": lambda: hear_zmq(got, keys),
         "zenoh": lambda: hear_zenoh(got)}[which]()  # fmt: skip


def measure(network: Network, which: str) -> dict[str, float | int]:
    """One transport on the network as it is."""
    import zmq

    server, client = zmq.curve_keypair(), zmq.curve_keypair()
    keys = dict(zip(("server", "server_secret", "client", "client_secret"),
                    (k.decode() for k in (*server, *client)), strict=True))  # fmt: skip
    ends = []
    for number, side in ((1, "hear"), (0, "send")):
        end = subprocess.Popen(
            [*network.command(number), sys.executable, __file__, which, side],
            stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True,
        )  # fmt: skip
        assert end.stdin is not None
        end.stdin.write(json.dumps(keys) + "\n")
        end.stdin.flush()
        ends.append(end)
        time.sleep(0.3)
    ends[1].wait()
    time.sleep(4.0)
    ends[0].terminate()
    assert ends[0].stdout is not None
    first: dict[int, float] = {}
    for line in ends[0].stdout:
        nth, took = line.split()
        first.setdefault(int(nth), int(took) / 1e6)
    late = sorted(first.values())
    if not late:
        return {"came": 0}
    return {
        "p50_ms": round(late[len(late) // 2], 2),
        "p95_ms": round(late[int(0.95 * len(late))], 2),
        "p99_ms": round(late[int(0.99 * (len(late) - 1))], 2),
        "max_ms": round(late[-1], 2),
        "came": len(late),
        "of": CHANGES,
    }


def main() -> None:
    """All three, on 1 ms of jitter with nothing, 5 % and 20 % lost."""
    network = Network(2)
    try:
        for loss in (0.0, 0.05, 0.2):
            network.set(kind="1", loss=loss)
            for which in ("udp", "zmq", "zenoh"):
                found = measure(network, which)
                sys.stdout.write(json.dumps({"lost": loss, "by": which, **found}) + "\n")
                sys.stdout.flush()
    finally:
        network.close()


if __name__ == "__main__":
    if len(sys.argv) == 3:
        role(sys.argv[1], sys.argv[2])
    else:
        main()
