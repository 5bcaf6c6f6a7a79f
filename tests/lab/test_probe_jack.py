"""The probe at real JACK ports, against boxes that it is not told of. Two minutes each."""

from __future__ import annotations

import dataclasses
import json
import os
import shutil
import subprocess
import sys
from collections.abc import Iterator

import pytest

from tests.core.probe.boxes import drawn
from tests.engine.jackd import Server, client, end_clients

SEEDS = range(int(os.environ.get("GREBE_PROBES", "6")))


@pytest.fixture
def server(monkeypatch: pytest.MonkeyPatch) -> Iterator[Server]:
    if shutil.which("jackd") is None:
        pytest.skip("jackd is not installed")
    made = Server(256)
    monkeypatch.setenv("JACK_DEFAULT_SERVER", made.name)
    yield made
    made.stop()
    end_clients()


@pytest.mark.timeout(400)
@pytest.mark.parametrize("seed", SEEDS)
def test_a_box_with_secret_abilities_comes_out_right(server: Server, seed: int) -> None:
    """Nothing wrong, no note left on, nothing forbidden; latency within a period of the truth."""
    box = dataclasses.replace(
        drawn(seed), clock=True, transport=True, sends_clock="never", by_hand=False,
        held=False, first=0, slow_ms=0.0, slowest=20.0, fastest=400.0,
    )  # fmt: skip
    process = client("jack_box.py", server.name, "box", json.dumps(dataclasses.asdict(box)))
    command = [sys.executable, "-m", "grebe", "probe", "--out", "jack:box:in", "--in",
               "jack:box:out", "--audio", "jack:box:audio", "--yes", "--json"]  # fmt: skip
    done = subprocess.run(command, capture_output=True, text=True, timeout=300)
    sent = [bytes.fromhex(row) for row in json.loads(process.communicate(b"")[0])]
    found = json.loads(done.stdout)
    print(box, found)
    heard = {
        "clock": True, "start": True, "stop": True, "continue": True, "channels": [box.channel],
        "song_position": box.song_position, "thru": box.thru, "sends_clock": "never",
        "velocity_levels": 1 if box.levels == 1 else 128,
    }  # fmt: skip
    wrong = {k: found[k] for k, v in heard.items() if found[k] not in (v, None, [])}
    assert wrong == {}
    assert found["program"]["obeyed"] in (box.program or None, None)
    assert found["program"]["at"] in (box.change_at, None)
    period_ms = 256 / 48
    for key in ("latency_ms", "clock_latency_ms"):
        if found[key] is not None:
            assert -1.5 < found[key] - box.latency_ms < period_ms + 1.5
    assert done.returncode == (1 if found["unsure"] else 0)
    on = set()
    for data in sent:
        assert data[0] not in (0xF0, 0xF1, 0xF6, 0xFE, 0xFF)
        if data[0] & 0xF0 == 0x90 and data[2]:
            on.add((data[0] & 0xF, data[1]))
        elif data[0] & 0xF0 in (0x80, 0x90):
            on.discard((data[0] & 0xF, data[1]))
    assert on == set()
