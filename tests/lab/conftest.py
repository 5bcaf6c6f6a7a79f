"""The ALSA lab: a small Linux of its own, with ports and cards that can be pulled."""

from __future__ import annotations

import json
import os
import subprocess
from itertools import pairwise
from pathlib import Path

import pytest

from grebe.core.document import Project
from grebe.formats.project import project_bytes

ROOT = Path(__file__).parents[2]
COMMAND = ROOT / "tools/lab/alsa/lab"
HOME = Path(os.environ.get("LAB", Path.home() / ".cache/grebe-lab"))
collect_ignore_glob = [] if "GREBE_LAB" in os.environ else ["test_*.py"]


class Driven:
    """What an engine in the lab said, and what came out at the far end."""

    def __init__(self, said: str, captured: str) -> None:
        self.rows = [json.loads(line) for line in said.splitlines() if line.startswith("[")]
        self.captured = [line.split() for line in captured.splitlines()]

    def of(self, what: str) -> list[list]:
        """Rows of a kind, [seconds, ...]."""
        return [[row[0], *row[2:]] for row in self.rows if row[1] == what]

    @property
    def notices(self) -> list[str]:
        """What the performer was told."""
        return [text for _, _, text in self.of("notice")]

    def when(self, words: str) -> float:
        """When a notice with these words came."""
        found = [at for at, _, text in self.of("notice") if words in text]
        assert found, self.notices
        return float(found[0])

    def messages(self, box: str) -> list[tuple[float, str]]:
        """(ms, bytes in hex) of what a box got, and OPEN and GONE."""
        return [(int(ns) / 1e6, data) for ns, name, data in self.captured if name == box]

    def hanging(self, box: str) -> set[str]:
        """Notes that the box was told to begin and not to end, note off by note off."""
        on: set[str] = set()
        for _, data in self.messages(box):
            if data[0] == "9" and data[4:] != "00":
                on.add(data[1:4])
            elif data[0] in "89":
                on.discard(data[1:4])
        return on

    def gaps_of_clock(self, box: str) -> list[float]:
        """Between clocks of a box, in ms."""
        at = [ms for ms, data in self.messages(box) if data == "f8"]
        return [b - a for a, b in pairwise(at)]


class Lab:
    """The lab while it is up."""

    def run(self, commands: str, seconds: float = 60) -> str:
        """What commands print, run as root in there."""
        done = subprocess.run(
            [COMMAND, "run", "-t", str(round(seconds)), commands],
            capture_output=True, text=True, check=False, timeout=seconds + 20,
        )  # fmt: skip
        assert done.returncode != 99, f"still running: {commands}\n{done.stdout[-2000:]}"
        return done.stdout

    def afresh(self) -> None:
        """Cards as at the beginning, nothing left of another case."""
        self.run("bash /lab/cards.sh")

    def drive(self, project: Project, *acts: str, captures: str, **environment: str) -> Driven:
        """Load a project, do these at their times, capture `NAME=CARD,DEVICE` meanwhile."""
        (HOME / "share/w/case.grebe").write_bytes(project_bytes(project))
        seconds = max(float(act.split()[0]) for act in acts) + 20
        (HOME / "share/w/case.acts").write_text("\n".join(acts))
        (HOME / "share/w/case.sh").write_text(
            "cd /share/w; . /etc/profile.d/grebe.sh; "
            + "".join(f"export {name}={value}; " for name, value in environment.items())
            + f"python3 /lab/drive.py case.grebe '{project.songs[0].name}' case.acts"
        )
        said = self.run(
            f"""rm -f case.cap; . /etc/profile.d/grebe.sh
            python3 /lab/capture.py case.cap {seconds} {captures} & CAPTURE=$!
            sleep 1; bash /share/w/case.sh 2>&1
            sleep .5; kill $CAPTURE""",
            seconds + 20,
        )
        captured = HOME / "share/w/case.cap"
        return Driven(said, captured.read_text() if captured.exists() else "")


@pytest.fixture
def fresh() -> Lab:
    """The lab, which `make lab` starts, with its cards as at the beginning."""
    if os.environ["GREBE_LAB"] != "up":
        pytest.skip(
            "the ALSA lab is not up: tools/lab/alsa/build.sh makes it, as root on Debian 12"
        )
    lab = Lab()
    lab.afresh()
    return lab
