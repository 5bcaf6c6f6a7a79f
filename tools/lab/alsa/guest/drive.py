"""Drives an engine by a time table; prints what it says, a JSON row a line.

Usage: drive.py FILE SONG ACTS

ACTS is a file with a line an act, SECONDS ACTION [WORDS]; an action is begin [SECTION], halt,
status, or sh COMMAND. Times count from when the project is loaded; a second after the last the
engine ends. Rows: [seconds, what, ...] with what one of notice, port (device, state, problem),
hearing (what), running, status (running, heard bpm, bpm, overruns), figures (device, sent, late ms
at the most).
"""

from __future__ import annotations

import json
import subprocess
import sys
import time
from pathlib import Path

sys.path[:0] = ["/grebe/src", "/grebe/.venv/lib/python3.11/site-packages"]

from grebe.app.live.perform import private_engine, settled_report
from grebe.core.player.commands import Begin, Halt
from grebe.core.player.plan import make_plan
from grebe.formats.project import read_project
from grebe.protocols.link.messages import Notice, Status

TURN_S = 0.02


class Driven:
    """What it has said so far, so that only news is printed."""

    def __init__(self) -> None:
        self.begun = time.monotonic()
        self.last: Status | None = None
        self._told: dict[str, object] = {}

    def say(self, *row: object) -> None:
        """Print a row."""
        print(json.dumps([round(time.monotonic() - self.begun, 3), *row]), flush=True)

    def news(self, key: str, *row: object) -> None:
        """Print a row where it is another than the last of its kind."""
        if self._told.get(key) != row:
            self._told[key] = row
            self.say(*row)

    def take(self, message: object) -> None:
        """Take in what the engine says."""
        if isinstance(message, Notice):
            self.say("notice", message.level, message.text)
        elif isinstance(message, Status):
            self.last = message
            self.news("running", "running", message.running)
            self.news("hearing", "hearing", message.hearing)
            for device in message.devices:
                problem = device.line_problem or device.detail
                self.news(device.id, "port", device.id, device.port, problem)


def main() -> None:
    """Drive it."""
    project = read_project(Path(sys.argv[1])).project
    plan = make_plan(project, project.song_named(sys.argv[2]))
    acts = [said.split(" ", 2) for said in Path(sys.argv[3]).read_text().splitlines()]
    driven = Driven()
    with private_engine(plan, project) as (client, welcome):
        driven.begun = time.monotonic()
        driven.say("priority", welcome.priority)
        ends = max(float(act[0]) for act in acts) + 1.0
        while time.monotonic() - driven.begun < ends:
            while acts and time.monotonic() - driven.begun >= float(acts[0][0]):
                _, action, *words = acts.pop(0)
                if action == "begin":
                    client.send(Begin(section="".join(words)))
                elif action == "halt":
                    client.send(Halt())
                elif action == "status" and driven.last is not None:
                    last = driven.last
                    driven.say("status", last.running, last.heard_bpm, last.bpm, last.overruns)
                elif action == "sh":
                    subprocess.Popen(words[0], shell=True, stdout=subprocess.DEVNULL)
            for message in client.pump():
                driven.take(message)
            time.sleep(TURN_S)
        for row in settled_report(client).devices:
            driven.say("figures", row.device, row.ticks_sent, max(map(abs, row.send_ms), default=0))


if __name__ == "__main__":
    main()
