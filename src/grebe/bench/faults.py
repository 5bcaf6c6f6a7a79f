"""What happens when something is killed, stopped, flooded or full: each fault, when it comes, what
must hold, and how long it takes until all is well again.

One table serves `grebe bench --only faults`, which runs it whole, and the tests, which do so in
short.
"""

from __future__ import annotations

import errno
import os
import random
import signal
import socket
import sys
import tempfile
import time
from collections.abc import Callable
from contextlib import suppress
from itertools import pairwise
from pathlib import Path
from typing import Any, NamedTuple

import msgspec

from grebe.app.document.demo import demo_bytes
from grebe.app.document.recovery import Keeper, open_recovered
from grebe.app.engine.client import EngineClient, connect_when_ready
from grebe.app.engine.supervisor import (
    StandinsProcess,
    load_message,
    start_engine,
    start_network,
)
from grebe.app.live.perform import settled_report
from grebe.bench.engine import kill_windows
from grebe.bench.fault_stage import (
    BPM,
    CONTINUE,
    SONG_POSITION,
    STOP,
    UNDER_WAY,
    PlayingEngine,
    end_process_now,
    fault_project,
    playing,
    until,
)
from grebe.core.player.commands import Begin, Hold
from grebe.core.player.plan import make_plan
from grebe.core.session.use import OscUse
from grebe.core.time.ticks import CLOCK_TICKS
from grebe.formats.atomic import last_of, write_atomic
from grebe.formats.project import write_project
from grebe.process.children import end_child
from grebe.process.places import engine_socket, override_runtime_dir
from grebe.protocols.link.messages import Welcome
from grebe.protocols.link.session import Osc

PLANTED = """
import sys
import grebe.engine.transport as transport, grebe.engine.__main__ as main
was, left = transport.Transport.plan_ahead, [120]
def fails(self, *arguments):
    left[0] -= self.running
    if left[0] < 0:
        raise RuntimeError("planted")
    return was(self, *arguments)
transport.Transport.plan_ahead = fails
sys.argv = ["engine", "--socket", sys.argv[1]]
sys.exit(main.main())
"""


def _ended(run: PlayingEngine, end: Callable[[], object]) -> dict[str, Any]:
    """An engine that is made to end: how long it takes, what is left sounding."""
    began = time.monotonic()
    end()
    status = run.engine.wait(10)
    took = time.monotonic() - began
    time.sleep(0.1)  # the last packets are read
    stopped = all(b.first(STOP, began) is not None for b in run.boxes.values())
    return {"status": status, "ended_ms": round(1000 * took, 1), "hanging": run.hanging,
            "stopped": stopped}  # fmt: skip


def engine_told_to_end(number: signal.Signals) -> dict[str, Any]:
    """SIGTERM, SIGHUP: Stop, note ends and all sound off reach every box first."""
    with playing() as run:
        return _ended(run, lambda: run.engine.send_signal(number))


def engine_fails() -> dict[str, Any]:
    """An exception in the engine's own loop: the same, and the window is told why."""
    command = lambda: [sys.executable, "-c", PLANTED, str(engine_socket())]  # noqa: E731
    with playing(command) as run:
        out = _ended(run, lambda: run.wait(lambda: run.engine.poll() is not None))
        with suppress(Exception):
            run.pump()
        return {**out, "told": any("RuntimeError" in text for text in run.notices)}


def engine_killed() -> dict[str, Any]:
    """SIGKILL: what it left sounding is silenced by the next engine before anything else."""
    with playing() as run:
        run.engine.kill()
        run.engine.wait()
        left = run.hanging
        began = time.monotonic()
        before = {d: len(b.came) for d, b in run.boxes.items()}
        run.engine = start_engine()
        run.meet()
        run.wait(lambda: all(len(b.came) > before[d] + 64 for d, b in run.boxes.items()))
        first = [b.came[before[d] : before[d] + 65] for d, b in run.boxes.items()]
        silenced_first = all(
            rows[0][1][0] == STOP and all(d[0] & 0xF0 in (0xB0, 0xE0) for _, d in rows[1:])
            for rows in first
        )
        run.plays(24, began)
        return {"left_sounding": left, "silenced_first": silenced_first,
                "plays_again_ms": round(1000 * (time.monotonic() - began), 1)}  # fmt: skip


def engine_stopped(seconds: float = 3.0) -> dict[str, Any]:
    """SIGSTOP for a while: it says for how long, pours nothing out, and every box is told its
    place to come in on the next bar."""
    with playing() as run:
        run.engine.send_signal(signal.SIGSTOP)
        time.sleep(seconds)
        began = time.monotonic()
        run.engine.send_signal(signal.SIGCONT)
        boxes = run.boxes.values()
        run.wait(lambda: all(b.first(CONTINUE, began) is not None for b in boxes))
        back = time.monotonic() - began
        time.sleep(0.5)
        run.pump()
        told = next((text for text in run.notices if "stood still" in text), "")
        placed = all(b.first(SONG_POSITION, began) is not None for b in boxes)
        burst = max(
            sum(begin <= at < begin + 0.1 for at in b.clocks(began))
            for b in boxes
            for begin in b.clocks(began)
        )
        return {"stood_s": seconds, "told": told, "placed": placed,
                "back_on_the_bar_ms": round(1000 * back, 1),
                "most_clocks_in_100_ms": burst,
                "usual_clocks_in_100_ms": round(BPM / 60 * 24 / 10, 1)}  # fmt: skip


def standins_killed() -> dict[str, Any]:
    """The host of the stand-ins is killed while it plays: measured again once it is back."""
    project = fault_project()
    plan = make_plan(project, project.songs[0], "faults")
    with (
        tempfile.TemporaryDirectory(prefix="grebe-", ignore_cleanup_errors=True) as folder,
        override_runtime_dir(folder),
    ):
        host, engine = StandinsProcess(plan.devices), start_engine()
        client: EngineClient | None = None
        try:
            host.wait_ready()
            client = connect_when_ready()
            client.wait_for(Welcome, 5)
            client.send(load_message(project, plan))
            client.send(Begin())
            until(client, lambda s: min((d.received for d in s.devices), default=0) > 48)
            client.send(Hold(on=True))
            end_process_now(host.process)
            began = time.monotonic()
            gone = until(client, lambda s: all(d.port == "gone" for d in s.devices))
            host = StandinsProcess(plan.devices)
            host.wait_ready()
            had = {d.id: d.received for d in gone.devices}
            until(client, lambda s: all(d.received > had[d.id] + 96 for d in s.devices))
            took = time.monotonic() - began
            last = settled_report(client).devices
            return {"missed": sum(r.missed for r in last),
                    "ticks": sum(r.ticks_sent for r in last),
                    "measured_again_ms": round(1000 * took, 1)}  # fmt: skip
        finally:
            if client is not None:
                client.close()
            for process in (engine, host.process):
                end_child(process)


def _steady(run: PlayingEngine, since: float) -> dict[str, Any]:
    """Whether the clock went on as if nothing were: clocks of this run that were not sent by the
    place it is at, and the longest time between two as a box read them."""
    time.sleep(0.2)
    run.pump()
    time.sleep(0.1)
    status = next(s for s in reversed(run.pump()) if s.running)
    due = int(status.tick) // CLOCK_TICKS
    lost = sum(max(0, due - d.sent - UNDER_WAY) for d in status.devices)
    gap = 0.0
    for box in run.boxes.values():
        clocks = box.clocks(since)
        gap = max(gap, *(b - a for a, b in pairwise(clocks)))
    return {"clocks": sum(d.sent for d in status.devices), "lost": lost,
            "longest_gap_ms": round(1000 * gap, 1)}  # fmt: skip


def network_killed() -> dict[str, Any]:
    """The network process is killed: the clock does not notice, and another comes."""
    with playing() as run:
        port = _free_port()
        run.client.send(Osc(use=OscUse(port=port)))
        processes = [start_network()]
        try:
            with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as rude:
                rude.connect(("127.0.0.1", port))

                def refused() -> bool:
                    with suppress(OSError):  # nobody listens yet
                        rude.send(b"?")
                    return _osc_refused(run) > 0

                run.wait(refused)
            began = time.monotonic()
            end_process_now(processes[0])
            processes.append(start_network())
            back = run.wait(lambda: _osc_refused(run) == 0)  # another, which counts anew
            return {"back_ms": round(1000 * back, 1), **_steady(run, began)}
        finally:
            for process in processes:
                end_child(process)


def _osc_is_on(run: PlayingEngine) -> bool:
    states = [s.peers.osc for s in run.pump() if s.peers is not None]
    return bool(states) and states[-1] is not None and states[-1].port > 0


def _osc_refused(run: PlayingEngine) -> int:
    """Packets that the network process has refused; -1 while it does not say."""
    states = [s.peers.osc for s in run.pump() if s.peers is not None]
    return states[-1].refused if states and states[-1] is not None else -1


def _free_port() -> int:
    with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as probe:
        probe.bind(("127.0.0.1", 0))
        return int(probe.getsockname()[1])


def osc_flood(seconds: float) -> dict[str, Any]:
    """As many OSC packets as one process can send, half of them damaged; floats without end."""
    port = _free_port()
    packets = [
        b"/grebe/tempo\0\0\0\0,f\0\0" + b"\x7f\x80\0\0", b"/grebe/launch\0\0\0,f\0\0\x7f\x80\0\0",
        b"/grebe/run\0\0,f\0\0\xff\xc0\0\0", b"/grebe/mute/99999999\0\0\0\0,i\0\0\0\0\0\1",
        b"#bundle\0" + b"\0" * 8 + b"\xff" * 4, b"/\xff\xfe\0\0,s\0\0\xff\0\0\0", b"\0" * 64,
    ]  # fmt: skip
    with playing() as run:
        run.client.send(Osc(use=OscUse(port=port)))
        process = start_network()
        try:
            run.wait(lambda: _osc_is_on(run))
            rng, sent, began = random.Random(1), 0, time.monotonic()
            with socket.socket(socket.AF_INET, socket.SOCK_DGRAM) as out:
                while time.monotonic() - began < seconds:
                    for _ in range(50):
                        packet = bytearray(rng.choice(packets))
                        if rng.random() < 0.5:
                            packet[rng.randrange(len(packet))] = rng.randrange(256)
                        out.sendto(packet, ("127.0.0.1", port))
                        sent += 1
                    run.pump()
                    time.sleep(0.002)
            return {"packets": sent, "network_process_lives": process.poll() is None,
                    **_steady(run, began)}  # fmt: skip
        finally:
            end_child(process)


def edit_flood(seconds: float) -> dict[str, Any]:
    """An edit of what plays, as fast as they can be made."""
    with playing() as run:
        began, edits, project = time.monotonic(), 0, run.project
        while time.monotonic() - began < seconds:
            edits += 1
            first = project.patterns[0]
            voice = first.content.voices[0]
            hits = tuple(msgspec.structs.replace(h, velocity=1 + edits % 127) for h in voice.hits)
            voices = (msgspec.structs.replace(voice, hits=hits),)
            changed = msgspec.structs.replace(
                first, content=msgspec.structs.replace(first.content, voices=voices)
            )
            project = msgspec.structs.replace(project, patterns=(changed, *project.patterns[1:]))
            run.load(project)
            run.pump()
            time.sleep(0.001)
        return {"edits": edits, **_steady(run, began)}


def link_attacked(count: int) -> dict[str, Any]:
    """Connections to the engine's socket that say anything but what they should."""
    rng = random.Random(2)
    rude = [b"\x81\xa4type\xa5hello", b"\xc1", b"\x91" * 3000, b"\xa5\xff\xfe\xfd\xfc\xfb",
            b"\xff\xff\xff\xff", b"", rng.randbytes(300)]  # fmt: skip
    with playing() as run:
        began = time.monotonic()
        idle = []
        for number in range(count):
            made = socket.socket(socket.AF_UNIX, socket.SOCK_STREAM)
            made.setblocking(False)
            body = rude[number % len(rude)]
            with suppress(OSError):
                made.connect(str(engine_socket()))
                made.send(len(body).to_bytes(4, "little") + body)
            idle.append(made)
            if number % 8 == 0:
                run.pump()
                time.sleep(0.005)
        other = connect_when_ready()
        heard = isinstance(other.wait_for(Welcome, 5), Welcome)
        other.close()
        for made in idle:
            made.close()
        return {"connections": count, "engine_lives": run.engine.poll() is None,
                "a_window_comes_in": heard, **_steady(run, began)}  # fmt: skip


def saves_killed(count: int) -> dict[str, Any]:
    """A save killed at a random moment: the file is whole, and so is the one before it."""
    rng, data = random.Random(3), demo_bytes()
    broken = without_last = 0
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "night.grebe"
        write_atomic(path, data)
        write_atomic(path, data, keep_last=True)
        for _ in range(count):
            child = os.fork()
            if child == 0:
                while True:
                    write_atomic(path, data, keep_last=True)
            time.sleep(rng.uniform(0.0, 0.006))
            os.kill(child, signal.SIGKILL)
            os.waitpid(child, 0)
            broken += path.read_bytes() != data
            without_last += not last_of(path).exists() or last_of(path).read_bytes() != data
        write_atomic(path, data, keep_last=True)
        left = len(os.listdir(folder)) - 2
    return {"saves": count, "broken": broken, "without_the_last": without_last, "left_over": left}


def work_lost(count: int) -> dict[str, Any]:
    """A window's document killed at a random moment of editing and saving: what the next one finds
    is never older than what had been kept or saved."""
    rng, lost = random.Random(4), 0
    with tempfile.TemporaryDirectory() as folder:
        before = os.environ.get("XDG_STATE_HOME")
        os.environ["XDG_STATE_HOME"] = folder
        try:
            path = Path(folder) / "x.grebe"
            write_project(path, fault_project())
            number = 0
            for _ in range(count):
                number = _edited_and_killed(path, number, rng)
                found = open_recovered(path)
                kept = _number_of(found.store.project.rig.name)
                lost += kept < number
                number = kept
                if found.claim is not None:
                    Keeper(found.store, found.claim).save()
                    found.claim.release()
        finally:
            del os.environ["XDG_STATE_HOME"]
            if before is not None:
                os.environ["XDG_STATE_HOME"] = before
    return {"kills": count, "older_than_kept": lost}


def _number_of(name: str) -> int:
    """The number of the edit that gave a rig its name; 0 where it was killed before the first."""
    number = name.removeprefix("Rig").strip()
    return int(number) if number else 0


def _edited_and_killed(path: Path, number: int, rng: random.Random) -> int:
    """Edit, keep and save in a process that is killed; the last number known to be on a disk."""
    ours, theirs = os.pipe()
    child = os.fork()
    if child == 0:
        found = open_recovered(path)
        keeper, store = Keeper(found.store, found.claim), found.store
        at = number
        while True:
            at += 1
            name = f"Rig {at}"
            store.apply("x", lambda p, name=name: msgspec.structs.replace(  # type: ignore[misc]
                p, rig=msgspec.structs.replace(p.rig, name=name)))  # fmt: skip
            if at % 3:
                keeper.keep_now()
            else:
                keeper.save()
            os.write(theirs, at.to_bytes(8, "little"))
    os.close(theirs)
    time.sleep(rng.uniform(0.02, 0.08))
    os.kill(child, signal.SIGKILL)
    os.waitpid(child, 0)
    said = b""
    while part := os.read(ours, 65_536):
        said += part
    os.close(ours)
    whole = len(said) // 8 * 8
    return int.from_bytes(said[whole - 8 : whole], "little") if whole else number


def disk_full() -> dict[str, Any]:
    """No room: said, and what was saved before stays. Where no small disk can be made, a file size
    limit stands for it."""
    with tempfile.TemporaryDirectory() as folder:
        path = Path(folder) / "night.grebe"
        write_atomic(path, b"saved before")
        child = os.fork()
        if child == 0:
            import resource  # noqa: PLC0415 - in the child only

            signal.signal(signal.SIGXFSZ, signal.SIG_IGN)
            resource.setrlimit(resource.RLIMIT_FSIZE, (1000, 1000))
            try:
                write_atomic(path, demo_bytes(), keep_last=True)
            except OSError as error:
                os._exit(0 if error.errno in (errno.EFBIG, errno.ENOSPC) else 2)
            os._exit(1)
        _, status = os.waitpid(child, 0)
        whole = path.read_bytes() == b"saved before"
        return {"said": os.waitstatus_to_exitcode(status) == 0, "whole": whole,
                "left_over": len(os.listdir(folder)) - 1}  # fmt: skip


class Fault(NamedTuple):
    """A row of the table: what is done, when, what must hold; in short for tests, or whole."""

    name: str
    when: str
    holds: str
    short: Callable[[], dict[str, Any]]
    whole: Callable[[], dict[str, Any]]
    well: Callable[[dict[str, Any]], bool]
    """Whether what must hold does."""


def _silent(row: dict[str, Any]) -> bool:
    return row["hanging"] == 0 and bool(row["stopped"])


FAULTS: tuple[Fault, ...] = (
    Fault("engine SIGTERM", "while it plays", "Stop and all sound off on every box first",
          lambda: engine_told_to_end(signal.SIGTERM), lambda: engine_told_to_end(signal.SIGTERM),
          lambda r: _silent(r) and r["status"] == 0),
    Fault("engine SIGHUP", "while it plays", "the same",
          lambda: engine_told_to_end(signal.SIGHUP), lambda: engine_told_to_end(signal.SIGHUP),
          lambda r: _silent(r) and r["status"] == 0),
    Fault("engine error", "in its loop, while it plays", "the same, and the window is told",
          engine_fails, engine_fails, lambda r: _silent(r) and r["status"] == 1 and r["told"]),
    Fault("engine SIGKILL", "while it plays", "the next one silences every box first",
          engine_killed, engine_killed, lambda r: r["left_sounding"] > 0 and r["silenced_first"]),
    Fault("engine SIGSTOP", "while it plays, 3 s", "said; no burst; boxes back on their bar",
          lambda: engine_stopped(1.0), engine_stopped,
          lambda r: "stood still" in r["told"] and r["placed"]
          and r["most_clocks_in_100_ms"] <= 2 * r["usual_clocks_in_100_ms"]),
    Fault("stand-ins SIGKILL", "while it plays", "measured again when they are back",
          standins_killed, standins_killed, lambda r: r["missed"] <= 48),
    Fault("network process SIGKILL", "while it plays", "no clock lost; it comes back",
          network_killed, network_killed, lambda r: r["lost"] == 0),
    Fault("flood of OSC", "while it plays", "no clock lost; the process lives",
          lambda: osc_flood(0.7), lambda: osc_flood(10.0),
          lambda r: r["lost"] == 0 and r["network_process_lives"]),
    Fault("flood of edits", "while it plays", "no clock lost",
          lambda: edit_flood(0.7), lambda: edit_flood(10.0), lambda r: r["lost"] == 0),
    Fault("rude connections", "while it plays", "the engine lives, a window comes in",
          lambda: link_attacked(70), lambda: link_attacked(700),
          lambda r: r["engine_lives"] and r["a_window_comes_in"] and r["lost"] == 0),
    Fault("save SIGKILL", "at any moment", "file and last file are whole",
          lambda: saves_killed(40), lambda: saves_killed(1000),
          lambda r: not (r["broken"] or r["without_the_last"] or r["left_over"])),
    Fault("window SIGKILL", "while editing, keeping, saving", "nothing kept or saved is lost",
          lambda: work_lost(8), lambda: work_lost(100), lambda r: r["older_than_kept"] == 0),
    Fault("window SIGKILL, playing", "again and again while the demo plays", "no clock lost",
          lambda: kill_windows(1), lambda: kill_windows(100), lambda r: r["missed"] == 0),
    Fault("disk full", "while saving", "said; what was saved stays; nothing left over",
          disk_full, disk_full, lambda r: r["said"] and r["whole"] and not r["left_over"]),
)  # fmt: skip


def measure_faults() -> dict[str, Any]:
    """The table, whole: what happened at each, and whether what must hold did."""
    out: dict[str, Any] = {}
    for fault in FAULTS:
        row = fault.whole()
        out[fault.name] = {"when": fault.when, "holds": fault.holds, "well": fault.well(row), **row}
    return out
