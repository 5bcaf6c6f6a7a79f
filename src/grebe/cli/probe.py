"""``grebe probe``: what a box obeys, and how late it is."""

from __future__ import annotations

import argparse
import sys

from grebe.app.probing import PERMITS, Permit, PortMissing, ProbePorts, probe
from grebe.cli.common import Commands, add_json, command, print_json
from grebe.core.probe.model import Answers
from grebe.core.probe.taking import ANSWERS
from grebe.words import tr


def add_commands(commands: Commands) -> None:
    """Add the command of this module."""
    parser = command(
        commands,
        "probe",
        "Find out what a box obeys, and how late it is, by listening to it.",
        'grebe probe --out "alsa:Lab Box:MIDI 1" --audio "1 of Deck audio" --yes --json',
        run,
    )
    parser.add_argument(
        "--out", required=True, metavar="PORT", help="jack:CLIENT:PORT or alsa:NAME"
    )
    parser.add_argument("--in", dest="back", default="", metavar="PORT", help="MIDI from the box")
    parser.add_argument(
        "--audio", default="", metavar="PORT", help="jack:CLIENT:PORT, or CHANNEL of INTERFACE"
    )
    parser.add_argument("--yes", action="store_true", help="permit every stage that sounds")
    add_json(parser)


class _Consent:
    """Asked once, before the first experiment that sounds."""

    def __init__(self, *, given: bool) -> None:
        self._given: bool | None = True if given else None

    def __call__(self, permit: Permit) -> bool:
        del permit
        if self._given is None:
            self._given = False
            if sys.stdin.isatty():
                sys.stderr.write(tr("{text} [y/N] ", text=PERMITS["before"]))
                sys.stderr.flush()
                self._given = sys.stdin.readline().strip().lower() in ("y", "yes")
        return self._given


def _progress(text: str) -> None:
    sys.stderr.write(f"{text}\n")


def run(arguments: argparse.Namespace) -> int:
    """0 when all is sure, 1 when something is not, 2 when a port is missing."""
    try:
        answers = probe(
            ProbePorts(arguments.out, arguments.back, arguments.audio),
            permits=_Consent(given=arguments.yes),
            progress=_progress,
        )  # fmt: skip
    except PortMissing as error:
        sys.stderr.write(f"grebe: {error}\n")
        return 2
    if arguments.json:
        print_json(as_told(answers))
    else:
        for text in answers.said:
            sys.stdout.write(f"{text}\n")
        if answers.unsure:
            names = ", ".join(ANSWERS[name] for name in answers.unsure)
            sys.stdout.write(tr("Unsure: {names}.", names=names) + "\n")
    return 1 if answers.unsure else 0


def as_told(answers: Answers) -> dict[str, object]:
    """The answers under the names that others read them by."""
    return {
        "clock": answers.clock, "start": answers.start, "stop": answers.stop,
        "continue": answers.goes_on, "song_position": answers.song_position,
        "program": {"obeyed": answers.program, "at": answers.program_at},
        "channels": list(answers.channels), "latency_ms": answers.latency_ms,
        "clock_latency_ms": answers.clock_latency_ms, "velocity_levels": answers.velocity_levels,
        "thru": answers.thru, "sends_clock": answers.sends_clock, "unsure": list(answers.unsure),
    }  # fmt: skip
