#!/usr/bin/env python3
"""PipeWire without a desktop: a server, its session manager and a sink into nothing, of its own.

    tools/lab/pipewire.py COMMAND...    run a command beside it, `pw-jack grebe ports` for one

Everything lies in a folder that is deleted afterwards, with a D-Bus session of its own, so that it
neither meets nor disturbs a PipeWire that runs here already. Debian's packages: pipewire,
pipewire-jack, wireplumber, dbus-daemon.
"""

from __future__ import annotations

import os
import shutil
import signal
import subprocess
import sys
import tempfile
import time
from collections.abc import Callable
from pathlib import Path
from types import TracebackType

NEEDED = ("pipewire", "wireplumber", "pw-jack", "pw-cli", "pw-metadata", "dbus-daemon")
SINK = "Table"
"""What the sink into nothing is called."""
SINK_SETUP = f"""context.objects = [ {{ factory = adapter args = {{
    factory.name = support.null-audio-sink node.name = "{SINK}" node.description = "{SINK}"
    media.class = Audio/Sink object.linger = true audio.position = [ FL FR ]
    priority.session = 1000 }} }} ]
"""
COMES_UP_S = 10.0
LEAVES_S = 3.0


def missing() -> list[str]:
    """The programs that PipeWire's lab needs and this machine lacks."""
    return [name for name in NEEDED if shutil.which(name) is None]


class PipeWireLab:
    """A PipeWire that is there inside a ``with``."""

    def __init__(self) -> None:
        self.folder = Path(tempfile.mkdtemp(prefix="pw"))
        """Short: sockets have 108 bytes for their path."""
        self._processes: dict[str, subprocess.Popen[bytes]] = {}
        own = ("XDG_RUNTIME_DIR", "PIPEWIRE_RUNTIME_DIR", "PIPEWIRE_REMOTE", "JACK_DEFAULT_SERVER")
        self.environment = {k: v for k, v in os.environ.items() if k not in own}
        """What a program needs to meet it."""
        self.environment |= {
            "XDG_RUNTIME_DIR": str(self.folder),
            "XDG_CONFIG_HOME": str(self.folder / "config"),
            "XDG_STATE_HOME": str(self.folder / "state"),
            "DBUS_SESSION_BUS_ADDRESS": f"unix:path={self.folder}/bus",
        }

    def __enter__(self) -> PipeWireLab:
        try:
            setup = self.folder / "config/pipewire/pipewire.conf.d/sink.conf"
            setup.parent.mkdir(parents=True)
            setup.write_text(SINK_SETUP)
            bus = ("dbus-daemon", "--session", "--nofork", "--nopidfile")
            self._start("bus", *bus, f"--address=unix:path={self.folder}/bus")
            self.start_server()
        except BaseException:
            self.close()
            raise
        return self

    def __exit__(
        self,
        kind: type[BaseException] | None,
        error: BaseException | None,
        where: TracebackType | None,
    ) -> None:
        self.close()

    def start_server(self) -> None:
        """Start the server and its session manager. TimeoutError when they do not come up."""
        self._start("pipewire", "pipewire")
        self._await((self.folder / "pipewire-0").is_socket, "PipeWire")
        self._start("wireplumber", "wireplumber")
        self._await(lambda: "default.audio.sink" in self.metadata(), "its session manager")

    def metadata(self) -> str:
        """What the session manager has settled, as `pw-metadata` tells it."""
        return self.ask("pw-metadata", "0")

    def kill_server(self) -> None:
        """As a crash would: at once, without a word to anybody."""
        for name in ("wireplumber", "pipewire"):
            self._end(name, signal.SIGKILL)
        (self.folder / "pipewire-0").unlink(missing_ok=True)

    def quantum(self, frames: int) -> None:
        """Have every period be so many frames, as another program can; 0 lets go of that."""
        self.ask("pw-metadata", "-n", "settings", "0", "clock.force-quantum", str(frames))

    def ask(self, *command: str) -> str:
        """What a command beside it prints, errors left out."""
        done = subprocess.run(
            command, env=self.environment, timeout=COMES_UP_S, check=False,
            stdout=subprocess.PIPE, stderr=subprocess.DEVNULL, text=True,
        )  # fmt: skip
        return done.stdout

    def new_sink(self, name: str) -> Callable[[], None]:
        """Another sink, which is pulled by calling what this gives."""
        props = (
            f"{{ factory.name=support.null-audio-sink node.name={name} node.description={name} "
            "media.class=Audio/Sink audio.position=[FL FR] }"
        )
        held = self._start(name, "pw-cli", stdin=subprocess.PIPE)
        assert held.stdin is not None
        held.stdin.write(f"create-node adapter {props}\n".encode())
        held.stdin.flush()
        # Killed: at the end of its input it spins.
        return lambda: self._end(name, signal.SIGKILL)

    def close(self) -> None:
        """End what was started, and take the folder away."""
        for name in reversed(list(self._processes)):
            self._end(name, signal.SIGTERM)
        shutil.rmtree(self.folder, ignore_errors=True)

    def _start(
        self, name: str, *command: str, stdin: int = subprocess.DEVNULL
    ) -> subprocess.Popen[bytes]:
        started = self._processes[name] = subprocess.Popen(
            command, env=self.environment, start_new_session=True,
            stdin=stdin, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL,
        )  # fmt: skip
        return started

    def _end(self, name: str, how: signal.Signals) -> None:
        process = self._processes.pop(name, None)
        if process is None:
            return
        process.send_signal(how)
        if process.stdin is not None:
            process.stdin.close()
        try:
            process.wait(LEAVES_S)
        except subprocess.TimeoutExpired:
            process.kill()
            process.wait()

    def _await(self, there: Callable[[], bool], what: str) -> None:
        end = time.monotonic() + COMES_UP_S
        while not there():
            if time.monotonic() > end:
                raise TimeoutError(f"{what} did not come up in {COMES_UP_S:.0f} s")
            time.sleep(0.02)


def main() -> int:
    """Run a command beside it; its exit status."""
    lacking = missing()
    if lacking or len(sys.argv) < 2:
        said = f"not on this machine: {', '.join(lacking)}" if lacking else __doc__
        sys.stderr.write(f"{said}\n")
        return 2
    with PipeWireLab() as lab:
        return subprocess.run(sys.argv[1:], env=lab.environment, check=False).returncode


if __name__ == "__main__":
    sys.exit(main())
