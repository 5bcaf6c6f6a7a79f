"""Which JACK there is, and whose library speaks to it.

Two servers answer to JACK's name: jackd, and PipeWire. Each has a library of its own under one
name, and a process keeps the first that it loads. So what runs is looked at before: jackd where it
does, for somebody started it; else PipeWire. ``GREBE_JACK`` says otherwise.
"""

from __future__ import annotations

import ctypes
import logging
import os
import sysconfig
from pathlib import Path
from types import ModuleType

from grebe.errors import PortLost

CHOICE = "GREBE_JACK"
"""`jackd` or `pipewire`; anything else leaves it to what runs."""
JACKD, PIPEWIRE = "jackd", "PipeWire"
STOPPED = "JACK stopped"
"""Said of whatever depends on a server that has gone."""
_SOCKETS = Path("/proc/net/unix")
_SONAME = "libjack.so.0"
_log = logging.getLogger(__name__)


def jackd_runs(server: str | None = None) -> bool:
    """Whether somebody listens where this user's clients look for a jackd of this name."""
    wanted = f"/jack_{server or _default_server()}_{os.getuid()}_0"
    try:
        return any(line.endswith(wanted) for line in _SOCKETS.read_text().splitlines())
    except OSError:
        return False


def _default_server() -> str:
    return os.environ.get("JACK_DEFAULT_SERVER", "default")


def pipewire_runs() -> bool:
    """Whether PipeWire has its socket where its own clients look for it."""
    remote = os.environ.get("PIPEWIRE_REMOTE", "pipewire-0")
    folders = (os.environ.get(key, "") for key in ("PIPEWIRE_RUNTIME_DIR", "XDG_RUNTIME_DIR"))
    return any(folder and (Path(folder) / remote).is_socket() for folder in folders)


def pipewire_library() -> Path | None:
    """PipeWire's own libjack, where distributions put it beside jackd's; None where it is not."""
    kind = sysconfig.get_config_var("MULTIARCH") or ""
    for folder in (f"/usr/lib/{kind}", "/usr/lib64", "/usr/lib"):
        for found in sorted(Path(folder).glob(f"pipewire-*/jack/{_SONAME}"), reverse=True):
            return found
    return None


def wanted(server: str | None) -> str:
    """The server whose library this process should load. Only jackd's have names of their own."""
    chosen = os.environ.get(CHOICE, "").lower()
    for known in (JACKD, PIPEWIRE):
        if chosen == known.lower():
            return known
    named = (server or _default_server()) != "default"
    return JACKD if named or jackd_runs() or not pipewire_runs() else PIPEWIRE


def loaded() -> str:
    """The server that this process's library speaks to; "" before there is one."""
    try:
        mapped = Path("/proc/self/maps").read_text()
    except OSError:
        return ""
    names = {line.rpartition(" ")[2] for line in mapped.splitlines() if "libjack" in line}
    if not names:
        return ""
    return (
        PIPEWIRE if any("pipewire" in Path(name).resolve().as_posix() for name in names) else JACKD
    )


def choose(server: str | None = None) -> None:
    """Load the library of the server that runs, so that whoever asks for libjack gets that one.

    To be called before anything that brings libjack with it, which PortAudio does. The loader
    knows a library by the name it was built with, whatever file it came from.
    """
    if loaded():
        return
    found = pipewire_library() if wanted(server) == PIPEWIRE else None
    if found is not None:
        try:
            ctypes.CDLL(str(found), mode=ctypes.RTLD_GLOBAL)
        except OSError as error:
            _log.warning("PipeWire's %s does not load: %s", found, error)


def jack_module(server: str | None = None) -> ModuleType:
    """The `jack` module, on the library of the server that runs. PortLost when there is none."""
    choose(server)
    try:
        import jack  # noqa: PLC0415 - needs libjack, which not every machine has
    except (ImportError, OSError) as error:
        raise PortLost("JACK is not installed (Debian: libjack-jackd2-0)") from error
    module: ModuleType = jack
    return module


def why_none(server: str | None) -> str:
    """Why no server was found, with what mends it where another one runs."""
    none = "no JACK server is running"
    if loaded() == PIPEWIRE and jackd_runs(server):
        other, how = JACKD, _REPLACED
    elif loaded() != PIPEWIRE and wanted(server) == PIPEWIRE:
        other, how = PIPEWIRE, _REPLACED if pipewire_library() else "install pipewire-jack"
    elif os.environ.get(CHOICE) and pipewire_runs() and loaded() != PIPEWIRE:
        other, how = PIPEWIRE, f"{CHOICE} keeps Grebe from it"
    else:
        return none
    return f"{none}; {other} is: {how}"


_REPLACED = "end Grebe's engine (grebe stop), the next one takes it"
"""A process keeps the library that it loaded first."""
