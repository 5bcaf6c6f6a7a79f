"""What does a probe's experiments at real JACK ports: hits by time, and silence at any end."""

from __future__ import annotations

import json
import shutil
import signal
import subprocess
import sys
import time
from typing import Any

import pytest

from tests.engine.jackd import Server, client

pytestmark = [
    pytest.mark.jack,
    pytest.mark.skipif(shutil.which("jackd") is None, reason="jackd is not installed"),
]
BOX = {"channel": 3, "latency_ms": 10.0, "jitter_ms": 0.0, "thru": "notes"}
PROBE = [sys.executable, "-m", "grebe.transports.probing", "--out", "jack:box:in",
         "--in", "jack:box:out", "--audio", "jack:box:audio"]  # fmt: skip


@pytest.mark.real_time("judges milliseconds of a server that a busy host stops")
def test_an_experiment_is_done_and_a_kill_leaves_nothing_on(server: Server) -> None:
    """Three notes: each heard when its box sounds, in its own colour, and back by its thru. One is
    held when the probe is ended: its box is sent its end, and Stop."""
    box = client("jack_box.py", server.name, "box", json.dumps(BOX))
    probing = subprocess.Popen(PROBE, stdin=subprocess.PIPE, stdout=subprocess.PIPE, text=True)
    assert probing.stdin is not None
    assert probing.stdout is not None
    try:
        assert json.loads(probing.stdout.readline()) == {"ready": True}
        sends: list[list[Any]] = [
            [0.2 + 0.3 * n, f"92{note:02x}64"] for n, note in enumerate((36, 42, 36))
        ]
        sends += [[at + 0.1, data.replace("92", "82", 1)] for at, data in sends[:2]]
        asked = {"sends": sorted(sends), "seconds": 1.3}
        probing.stdin.write(json.dumps(asked) + "\n")
        probing.stdin.flush()
        told = json.loads(probing.stdout.readline())
        hits = told["hits"]
        assert len(hits) == 3
        period = 256 / 48_000
        for (at_s, *_), due in zip(hits, (0.2, 0.5, 0.8), strict=True):
            assert -0.0015 < at_s - due - 0.010 < period + 0.0015
        assert hits[0][2] == hits[2][2] != hits[1][2]
        assert next(data for _, data in told["back"]) == "922464"
        assert len(told["back"]) == 5
        probing.send_signal(signal.SIGTERM)
        probing.wait(5)
    finally:
        probing.kill()
        probing.communicate()
    time.sleep(0.2)
    sent = json.loads(box.communicate(b"")[0])
    assert sent[-2:] == ["822440", "fc"]


def test_a_port_that_is_missing_is_said(server: Server) -> None:
    """Exit 2, which one, and nothing was sent."""
    del server
    command = [sys.executable, "-m", "grebe", "probe", "--out", "jack:nobody:in", "--yes"]
    done = subprocess.run(command, capture_output=True, text=True, timeout=30)
    assert done.returncode == 2
    assert "there is no JACK port 'nobody:in'" in done.stderr
