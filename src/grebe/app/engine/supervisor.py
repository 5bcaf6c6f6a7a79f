"""Starting the engine and the stand-ins as processes of their own, by module name.

They are detached: closing or killing the window leaves them running.
"""

from __future__ import annotations

import subprocess
import sys
from collections.abc import Sequence

import msgspec

from grebe.app.document.loop_files import folder_of, loop_path
from grebe.core.document import Project
from grebe.core.player.commands import ReplacePlan
from grebe.core.player.plan import Plan
from grebe.core.rig.model import Device
from grebe.core.rig.standin import setups
from grebe.core.session.use import SessionUse
from grebe.errors import EngineError
from grebe.process import children
from grebe.process.places import engine_socket, read_back, runtime_dir, standin_socket
from grebe.protocols.link.messages import Load
from grebe.protocols.link.session import RtpPort
from grebe.words import tr


def start_engine(*, realtime: bool = True) -> subprocess.Popen[bytes]:
    """Start an engine at this user's socket. Returns at once; connect until it answers."""
    without = () if realtime else ("--no-realtime",)
    return children.start(children.ENGINE, "--socket", str(engine_socket()), *without)


def start_laptop(
    name: str, use: SessionUse, passphrase: str, bpm: float
) -> subprocess.Popen[bytes]:
    """Start a laptop stand-in: a peer that plays along until its standard input is closed."""
    told = {
        "use": {
            "name": use.name,
            "peer": name,
            "span": use.quantum_beats,
            "interface": use.interface,
        },
        "passphrase": passphrase,
        "bpm": bpm,
        "output": "none",
        "runs": True,
        "accepts": True,
    }
    process = children.start(children.PEERS, stdin=subprocess.PIPE)
    children.tell(process, msgspec.json.encode(told) + b"\n")
    return process


def display_command() -> list[str]:
    """What watches another computer's stage, as a command; told by `display_words`."""
    return [sys.executable, "-m", "grebe.network", "--display"]


def display_words(use: SessionUse, passphrase: str, of: str) -> bytes:
    """Its first line: which session, whose stage."""
    told = {"use": msgspec.to_builtins(use), "passphrase": passphrase, "of": of}
    return msgspec.json.encode(told) + b"\n"


def start_display(use: SessionUse, of: str) -> subprocess.Popen[bytes]:
    """Start a window that shows another computer's stage; its passphrase is the one kept here."""
    where = [w for a in use.addresses for w in ("--at", a)]
    where += ["--interface", use.interface] if use.interface else []
    return children.start(children.COMMAND, "display", "--session", use.name, "--of", of, *where)


def start_network() -> subprocess.Popen[bytes]:
    """Start the network process beside this user's engine. Returns at once."""
    return children.start(children.PEERS, "--beside-engine")


def standin_devices(devices: Sequence[Device]) -> list[Device]:
    """The devices that a stand-in takes the place of."""
    return [d for d in devices if d.port.is_standin]


class StandinsProcess:
    """The process holding all stand-ins of a rig."""

    def __init__(self, devices: Sequence[Device], *, announced: bool = True) -> None:
        """Start them. `wait_ready` can be called only when they are `announced`."""
        self.devices = standin_devices(devices)
        seating = [
            {"device": device, "path": str(standin_socket(device.id))} for device in self.devices
        ]
        stdout = subprocess.PIPE if announced else subprocess.DEVNULL
        self.process = children.start(children.STANDINS, stdin=subprocess.PIPE, stdout=stdout)
        children.tell(self.process, msgspec.json.encode(seating))
        children.end_input(self.process)

    def wait_ready(self) -> None:
        """Wait until all of them listen. EngineError when they do not."""
        assert self.process.stdout is not None
        if self.process.stdout.readline() != b"ready\n":
            raise EngineError(tr("the stand-ins did not start"))


SESSION = "session"
"""First word of a network port that is in a session; an address after it is invited."""


def rtp_ports(devices: Sequence[Device]) -> tuple[RtpPort, ...]:
    """Devices that are reached or heard by MIDI over the network, and how."""
    out: list[RtpPort] = []
    for device in devices:
        target = device.port.name if device.port.wire == "rtp" else ""
        listen = device.input.name if device.input.wire == "rtp" else ""
        session = next((s for s in (target, listen) if s.split(" ")[0] == SESSION), "")
        if session:
            path, at = str(runtime_dir() / f"rtp-{device.id}.sock"), session[len(SESSION) :].strip()
            out.append(
                RtpPort(
                    device=device.id, path=path, target=at, name=f"Grebe {device.name}",
                    session="invites" if at else "waits",
                )
            )  # fmt: skip
        elif target or listen:
            path = str(runtime_dir() / f"rtp-{device.id}.sock")
            number = int(listen) if listen.isdecimal() and int(listen) < 65_535 else 0
            out.append(RtpPort(device=device.id, path=path, target=target, listen=number))
    return tuple(out)


def load_message(project: Project, plan: Plan) -> Load:
    """What the engine needs to play a plan: the plan, where the stand-ins are, what they are.

    Loops are found beside the plan's source.
    """
    folder = folder_of(read_back(plan.source) if plan.source else None)
    loops = {loop.id: str(loop_path(loop, folder)) for loop in project.loops}
    paths = {device.id: str(standin_socket(device.id)) for device in standin_devices(plan.devices)}
    handed = {p.device: p.path for p in rtp_ports(plan.devices)}
    boxes = setups(project, paths, plan.song.bpm, loops)
    return Load(plan=ReplacePlan(plan=plan), standins={**paths, **handed}, setups=boxes)
