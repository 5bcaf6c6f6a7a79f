"""A report of a problem: what somebody who helps would ask for first, in one file to be sent on.

Nothing leaves the machine by itself, no passphrase is in it, the home folder and user's name are
written as ``~`` and ``USER``. The project is in it only where that was asked for.
"""

from __future__ import annotations

import getpass
import io
import json
import platform
import re
import resource
import subprocess
import sys
import tempfile
import zipfile
from collections.abc import Callable
from importlib.metadata import distributions
from pathlib import Path
from typing import NamedTuple

from grebe import __version__
from grebe.errors import GrebeError
from grebe.formats.atomic import write_atomic
from grebe.formats.project import MAX_FILE_BYTES
from grebe.formats.reading import read_bounded, read_file
from grebe.process import children
from grebe.process.log import LOG, log_files
from grebe.process.places import shown
from grebe.words import tr

MOST_LOG_BYTES = 2_000_000
"""Of each log file, from its end."""
PORTS_WITHIN_S = 15.0


class ReportFile(NamedTuple):
    """One file of a report."""

    name: str
    what: str
    """What it is, for people."""
    data: bytes


class ReportError(GrebeError):
    """A report that could not be written."""


def gather(project: Path | None = None, ports: str | None = None) -> list[ReportFile]:
    """All parts of a report; the project's file among them where one is given. Ports are those that
    were found, or are looked for now, which takes seconds: a project that cannot be read is said
    before."""
    saved = (
        [] if project is None
        else [ReportFile(f"project/{shown(project.name)}", "the project itself",
                         read_bounded(project, MAX_FILE_BYTES, "a project", ReportError))]
    )  # fmt: skip
    parts = [
        ReportFile("versions.txt", tr("Grebe, Python, libraries, system"), _text(_versions)),
        ReportFile("ports.json", tr("MIDI, audio and network ports found"),
             _text(lambda: _laid_out(_ports() if ports is None else ports))),
        ReportFile("priority.txt", tr("priority: what is allowed, what Grebe's processes have"),
             _text(_priority)),
    ]  # fmt: skip
    for path in log_files():
        try:
            data = read_file(path, 1 << 30)[-MOST_LOG_BYTES:]
        except OSError as error:
            data = f"could not be read: {error.strerror}\n".encode()
        if data:
            text = private(data.decode("utf-8", "replace"))
            parts.append(ReportFile(f"log/{path.name}", "what happened", text.encode()))
    if LOG.problem:
        parts.append(ReportFile("log/missing.txt", "why there is no log", LOG.problem.encode()))
    parts += saved
    listed = "".join(f"{p.name}: {p.what}, {len(p.data)} bytes\n" for p in parts)
    return [ReportFile("README.txt", "what is in this report", listed.encode()), *parts]


def write_report(path: Path, parts: list[ReportFile]) -> None:
    """Write a report as a ZIP file. ReportError where it cannot be."""
    packed = io.BytesIO()
    with zipfile.ZipFile(packed, "w", zipfile.ZIP_DEFLATED) as file:
        for part in parts:
            file.writestr(part.name, part.data)
    try:
        write_atomic(path, packed.getvalue(), private=True)
    except OSError as error:
        raise _not_there(path, error) from error


def check_place(path: Path) -> None:
    """ReportError where a report could not be written there: said before it is gathered."""
    try:
        with tempfile.TemporaryFile(dir=path.parent):
            pass
    except OSError as error:
        raise _not_there(path, error) from error


def _not_there(path: Path, error: OSError) -> ReportError:
    return ReportError(
        f"{shown(path)} could not be written: {error.strerror}. Choose another place."
    )


def private(text: str) -> str:
    """Text without this person's home folder, user name and computer's name."""
    out = text.replace(str(Path.home()), "~") if str(Path.home()) != "/" else text
    for name, stands_for in ((_user(), "USER"), (platform.node(), "COMPUTER")):
        if len(name) > 2:
            out = re.sub(rf"\b{re.escape(name)}\b", stands_for, out)
    return out


def _user() -> str:
    try:
        name = getpass.getuser()
    except (KeyError, OSError, ImportError):
        return ""
    return "" if name == "root" else name


def _text(make: Callable[[], str]) -> bytes:
    """A part that cannot be made says why: the others are worth having without it."""
    try:
        return private(make()).encode("utf-8", "replace")
    except Exception as error:
        return f"could not be found out: {type(error).__name__}: {error}\n".encode()


def _versions() -> str:
    system = platform.uname()
    rows = [
        f"grebe {__version__}",
        f"python {sys.version}",
        f"system {system.system} {system.release} {system.version} {system.machine}",
    ]
    try:
        rows.append(platform.freedesktop_os_release().get("PRETTY_NAME", ""))
    except OSError:
        rows.append("no /etc/os-release")
    known = {d.metadata["Name"]: d.version for d in distributions() if d.metadata["Name"]}
    rows += [f"{name} {known[name]}" for name in sorted(known, key=str.lower)]
    return "\n".join(rows) + "\n"


def _ports() -> str:
    done = subprocess.run(
        [sys.executable, "-m", "grebe.transports"],
        capture_output=True,
        timeout=PORTS_WITHIN_S,
        check=False,
    )
    return (done.stdout or done.stderr).decode("utf-8", "replace")


def _laid_out(told: str) -> str:
    """JSON on lines of its own, to be read; what is none as it is."""
    try:
        return json.dumps(json.loads(told), indent=1) + "\n"
    except ValueError:
        return told


def _priority() -> str:
    limits = {"rtprio": resource.RLIMIT_RTPRIO, "memlock": resource.RLIMIT_MEMLOCK,
              "rttime": resource.RLIMIT_RTTIME}  # fmt: skip
    rows = [f"{name}: {resource.getrlimit(limit)}" for name, limit in limits.items()]
    for process in children.running():
        status = Path(f"/proc/{process}")
        words = (status / "cmdline").read_bytes().replace(b"\0", b" ").decode("utf-8", "replace")
        fields = (status / "stat").read_text().rpartition(")")[2].split()
        rows.append(f"process {process}: policy {fields[38]} priority {fields[37]} {words}")
    governors = sorted(
        {p.read_text().strip() for p in Path("/sys/devices/system/cpu").glob(
            "cpu*/cpufreq/scaling_governor")}
    )  # fmt: skip
    rows.append(f"governors: {', '.join(governors) or 'not said'}")
    return "\n".join(rows) + "\n"
