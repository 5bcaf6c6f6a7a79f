"""The probe at real JACK ports, against boxes that it is not told of. Two minutes each."""

from __future__ import annotations

import dataclasses
import json
import os
import shutil
import subprocess
import sys
import time
from collections.abc import Iterator

import pytest

from grebe.app.probing import ProbePorts, probe
from grebe.core.probe.taking import offset_of, taken_over
from grebe.core.rig.blank import profile_of
from grebe.core.rig.edits import device_from
from tests.core.probe.boxes import FORBIDDEN, Box, drawn
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


PORTS = ProbePorts("jack:box:in", "jack:box:out", "jack:box:audio")
THREE_MINUTES_S = 180.0


def secret(seed: int) -> Box:
    """A box that nobody is told of; what the client cannot play is as usual."""
    return dataclasses.replace(
        drawn(seed), clock=True, transport=True, sends_clock="never", by_hand=False,
        held=False, first=0, slow_ms=0.0, slowest=20.0, fastest=400.0,
    )  # fmt: skip


def left_on(sent: list[bytes]) -> set[tuple[int, int]]:
    """Notes that were begun and not ended; nothing that is forbidden was among what was sent."""
    on = set()
    for data in sent:
        assert data[0] not in FORBIDDEN
        if data[0] & 0xF0 == 0x90 and data[2]:
            on.add((data[0] & 0xF, data[1]))
        elif data[0] & 0xF0 in (0x80, 0x90):
            on.discard((data[0] & 0xF, data[1]))
    return on


@pytest.mark.timeout(400)
@pytest.mark.parametrize("seed", SEEDS)
def test_a_box_with_secret_abilities_gets_its_profile_and_offset(server: Server, seed: int) -> None:
    """A box that is in no list: in under three minutes nothing is wrong, its profile and offset are
    right, no note is left on and nothing forbidden was sent."""
    box = secret(seed)
    process = client("jack_box.py", server.name, "box", json.dumps(dataclasses.asdict(box)))
    begun = time.monotonic()
    found = probe(PORTS, permits=lambda _: True)
    took_s = time.monotonic() - begun
    sent = [bytes.fromhex(row) for row in json.loads(process.communicate(b"")[0])]
    print(f"{took_s:.0f} s", box, found)
    right = {
        "clock": True, "start": True, "stop": True, "goes_on": True, "channels": (box.channel,),
        "song_position": box.song_position, "thru": box.thru, "sends_clock": "never",
        "program": box.program or None, "program_at": box.change_at,
        "velocity_levels": 1 if box.levels == 1 else 128, "pitched": len(box.notes) == 128,
    }  # fmt: skip
    wrong = {k: getattr(found, k) for k, v in right.items() if getattr(found, k) not in (v, None)}
    assert wrong == {}
    assert left_on(sent) == set()
    assert took_s < THREE_MINUTES_S
    blank = device_from(profile_of({"name": "Stranger"}).profile, "Stranger", set())
    made = taken_over(blank, found, "2026-11-30").device
    assert made.channel == box.channel
    assert made.spec.obeys.song_position is (found.song_position is True)
    assert "obeys.clock" not in made.spec.guessed
    period_ms = server.period / 48
    late_ms = offset_of(made, found)
    assert late_ms is not None
    assert made.offset_ms == pytest.approx(-late_ms, abs=0.06)
    assert -1.5 < late_ms - box.latency_ms < period_ms + 1.5


@pytest.mark.timeout(400)
def test_the_command_says_the_same(server: Server) -> None:
    """As JSON, with its keys, and how it ends."""
    box = secret(3)
    process = client("jack_box.py", server.name, "box", json.dumps(dataclasses.asdict(box)))
    command = [sys.executable, "-m", "grebe", "probe", "--out", PORTS.out, "--in", PORTS.back,
               "--audio", PORTS.audio, "--yes", "--json"]  # fmt: skip
    done = subprocess.run(command, capture_output=True, text=True, timeout=300)
    process.communicate(b"")
    found = json.loads(done.stdout)
    assert (found["clock"], found["start"], found["channels"]) == (True, True, [box.channel])
    assert done.returncode == (1 if found["unsure"] else 0)
