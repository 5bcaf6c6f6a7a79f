"""Lists the ports found, by transport: ``python -m grebe.wires`` prints JSON."""

from __future__ import annotations

import json

from grebe.errors import PortLost
from grebe.wires.alsa import alsa_ports
from grebe.wires.jack import open_client


def _jack_ports() -> dict[str, list[str]]:
    client = open_client("grebe-look", None)
    try:
        ports = client.get_ports()
        return {
            "midi": [p.name for p in ports if p.is_midi and p.is_input],
            "midi_in": [p.name for p in ports if p.is_midi and p.is_output],
            "audio": [p.name for p in ports if p.is_audio and p.is_input],
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
    return out


if __name__ == "__main__":
    print(json.dumps(found()))
