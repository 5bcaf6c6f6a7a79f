"""Lists the ports found, by transport: ``python -m grebe.transports`` prints JSON."""

from __future__ import annotations

import json
import signal
import subprocess
import sys
from functools import partial

from grebe.errors import PortLost
from grebe.process.children import end_with_parent
from grebe.transports.alsa import alsa_ports
from grebe.transports.jack.midi import open_client
from grebe.transports.pulses.portaudio import interfaces
from grebe.transports.udp import interfaces as net_interfaces

ONLY_JACK = "--only-jack"
JACK_S = 4
"""A JACK that does not answer for so long does not."""
LOOK_S = 8
"""A look that takes longer is ended: a JACK that hangs must not leave processes behind."""


def _jack_ports() -> dict[str, list[str]]:
    """By a process of its own: where a server died, its library can hang or end the process."""
    try:
        done = subprocess.run(
            [sys.executable, "-m", "grebe.transports", ONLY_JACK],
            capture_output=True,
            timeout=JACK_S,
            check=False,
            # One that is killed with its question open cannot see to it.
            preexec_fn=partial(end_with_parent, signal.SIGKILL),
        )
        ports: dict[str, list[str]] = json.loads(done.stdout)
    except subprocess.TimeoutExpired as error:
        raise PortLost("JACK does not answer") from error
    except json.JSONDecodeError as error:
        raise PortLost("JACK's library ended, as it does after its server was killed") from error
    if "reason" in ports:
        raise PortLost(str(ports["reason"]))
    return ports


def _ask_jack() -> dict[str, list[str] | str]:
    try:
        return {**_list_jack()}
    except PortLost as error:
        return {"reason": str(error)}


def _list_jack() -> dict[str, list[str]]:
    client = open_client("grebe-look", None)
    try:
        ports = client.get_ports()
        return {
            "midi": [p.name for p in ports if p.is_midi and p.is_input],
            "midi_in": [p.name for p in ports if p.is_midi and p.is_output],
            "audio": [p.name for p in ports if p.is_audio and p.is_input],
            "audio_in": [p.name for p in ports if p.is_audio and p.is_output],
        }
    finally:
        client.close()


def found() -> dict[str, dict[str, object]]:
    """Ports by transport, each with the reason when there are none."""
    out: dict[str, dict[str, object]] = {}
    try:
        out["jack"] = {"available": True, **_jack_ports()}
    except PortLost as error:
        out["jack"] = {"available": False, "reason": str(error), "midi": [], "audio": []}
    try:
        out["alsa"] = {
            "available": True,
            "midi": alsa_ports(),
            "midi_in": alsa_ports(input_=True),
        }
    except PortLost as error:
        out["alsa"] = {"available": False, "reason": str(error), "midi": []}
    try:
        out["sound"] = {
            "available": True,
            "audio": _channels(interfaces()),
            "audio_in": _channels(interfaces(input_=True)),
        }
    except PortLost as error:
        out["sound"] = {"available": False, "reason": str(error), "audio": []}
    out["network"] = {
        "available": True,
        "interfaces": [
            f"{name} ({', '.join(addresses)})" for name, _, addresses in net_interfaces()
        ],
    }
    return out


def _channels(found: dict[str, int]) -> list[str]:
    """Every channel of every interface as one word: "2 of NAME"."""
    return [f"{n} of {name}" for name, count in found.items() for n in range(1, count + 1)]


if __name__ == "__main__":
    signal.alarm(LOOK_S)
    print(json.dumps(_ask_jack() if ONLY_JACK in sys.argv else found()))
