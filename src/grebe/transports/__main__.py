"""Lists the ports found, by transport: ``python -m grebe.transports`` prints JSON."""

from __future__ import annotations

import json
import signal
import subprocess
import sys
import time
from collections.abc import Callable
from contextlib import suppress
from functools import partial

from grebe.errors import PortLost
from grebe.process.children import end_with_parent
from grebe.transports.alsa.client import alsa_ports
from grebe.transports.jack.library import CHOICE, loaded
from grebe.transports.jack.midi import open_client
from grebe.transports.pulses.devices import Interface, interfaces
from grebe.transports.sessions import offered_sessions
from grebe.transports.udp import interfaces as net_interfaces

ASK = "--ask"
HERE = "--here"
"""Only what is at this computer: asking the network takes more than a second."""
ANSWER_S = 4
"""A library that does not answer for so long does not; from when it is asked, since a busy machine
may take as long to start the process that asks."""
WAIT_S = 12.0
"""For an answer, with that process's start and end."""
READ_S = 0.5
"""To take in what has been answered by then, where another one used up the time."""
LOOK_S = 16
"""A look that takes longer is ended: a library that hangs must not leave processes behind."""
Ports = dict[str, "str | list[str]"]


def _list_jack() -> Ports:
    client = open_client("grebe-look", None)
    try:
        ports = client.get_ports()
        return {
            "server": loaded(),
            "chosen_by": CHOICE,
            "midi": [p.name for p in ports if p.is_midi and p.is_input],
            "midi_in": [p.name for p in ports if p.is_midi and p.is_output],
            "audio": [p.name for p in ports if p.is_audio and p.is_input],
            "audio_in": [p.name for p in ports if p.is_audio and p.is_output],
        }
    finally:
        client.close()


def _list_alsa() -> Ports:
    return {"midi": alsa_ports(), "midi_in": alsa_ports(input_=True)}


def _list_sound() -> Ports:
    return {"audio": _channels(interfaces()), "audio_in": _channels(interfaces(input_=True))}


def _list_sessions() -> Ports:
    return {"midi": list(offered_sessions())}


def _channels(found: list[Interface]) -> list[str]:
    """Every channel of every interface as one word: "2 of NAME"."""
    return [f"{n} of {i.name}" for i in found for n in range(1, i.channels + 1)]


LISTS: dict[str, Callable[[], Ports]] = {
    "jack": _list_jack,
    "alsa": _list_alsa,
    "sound": _list_sound,
    "sessions": _list_sessions,
}
LIBRARIES = {"jack": "JACK", "alsa": "ALSA", "sound": "PortAudio", "sessions": "DNS-SD"}
OFFERS = {"jack": ("midi", "audio"), "alsa": ("midi",), "sound": ("audio",), "sessions": ("midi",)}
"""Lists that are there, empty, also where there is a reason instead."""


def asking(wire: str) -> list[str]:
    """The command that asks one library for its ports."""
    return [sys.executable, "-m", "grebe.transports", ASK, wire]


def _answer(wire: str, asked: subprocess.Popen[bytes], until: float) -> dict[str, object]:
    """What a library said of its ports in time, or the reason why it did not."""
    silent: dict[str, object] = {"reason": f"{LIBRARIES[wire]} does not answer"}
    try:
        text, _ = asked.communicate(timeout=max(READ_S, until - time.monotonic()))
        said: dict[str, object] = json.loads(text)
    except subprocess.TimeoutExpired:
        asked.kill()
        with suppress(subprocess.TimeoutExpired):
            asked.communicate(timeout=READ_S)
        said = silent
    except json.JSONDecodeError:
        # JACK's does so after its server was killed.
        words = f"{LIBRARIES[wire]}'s library ended the process that asked it"
        said = silent if asked.returncode == -signal.SIGALRM else {"reason": words}
    if "reason" in said:
        return {"available": False, **said, **{kind: [] for kind in OFFERS[wire]}}
    return {"available": True, **said}


def found(*, here: bool = False) -> dict[str, dict[str, object]]:
    """Ports by transport, each with the reason when there are none.

    Every library is asked by a process of its own, all at the same time: one that hangs or
    ends the process that asks it loses none of the others' ports.
    """
    until = time.monotonic() + WAIT_S
    asked = {
        wire: subprocess.Popen(
            asking(wire),
            stdout=subprocess.PIPE,
            stderr=subprocess.DEVNULL,
            # One that is killed with its questions open cannot see to them.
            preexec_fn=partial(end_with_parent, signal.SIGKILL),  # noqa: PLW1509 - one thread
        )
        for wire in LISTS
        if not (here and wire == "sessions")
    }
    return {
        **{wire: _answer(wire, process, until) for wire, process in asked.items()},
        "network": {
            "available": True,
            "interfaces": [
                f"{name} ({', '.join(addresses)})" for name, _, addresses in net_interfaces()
            ],
        },
    }


def _ask(wire: str) -> Ports:
    try:
        return LISTS[wire]()
    except PortLost as error:
        return {"reason": str(error)}


def main(words: list[str]) -> None:
    """Ask one library, or all of them by processes of their own; prints what there is as JSON."""
    asks = words[:1] == [ASK]
    signal.alarm(ANSWER_S if asks else LOOK_S)
    print(json.dumps(_ask(words[1]) if asks else found(here=HERE in words)))


if __name__ == "__main__":
    main(sys.argv[1:])
