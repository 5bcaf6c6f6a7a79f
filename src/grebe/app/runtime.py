"""Where the engine's socket and the stand-ins' sockets lie, and where scratch copies go."""

from __future__ import annotations

import os
import stat
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path

from grebe.errors import EngineError

_VARIABLE = "GREBE_RUNTIME_DIR"


def runtime_dir() -> Path:
    """A folder only its owner can enter, made when it is not there.

    ``GREBE_RUNTIME_DIR`` overrides it (tests, several engines side by side).
    EngineError when somebody else owns it.
    """
    chosen = os.environ.get(_VARIABLE)
    if chosen:
        path = Path(chosen)
    elif session := os.environ.get("XDG_RUNTIME_DIR"):
        path = Path(session) / "grebe"
    else:
        path = Path("/tmp") / f"grebe-{os.getuid()}"  # noqa: S108 - owner is checked below
    path.mkdir(mode=0o700, parents=True, exist_ok=True)
    found = path.lstat()
    if not stat.S_ISDIR(found.st_mode) or found.st_uid != os.getuid():
        raise EngineError(f"{path} belongs to somebody else; set GREBE_RUNTIME_DIR to another")
    path.chmod(0o700)
    return path


@contextmanager
def override_runtime_dir(folder: str) -> Iterator[None]:
    """Use another runtime folder in this process and those it starts."""
    before = os.environ.get(_VARIABLE)
    os.environ[_VARIABLE] = folder
    try:
        yield
    finally:
        if before is None:
            del os.environ[_VARIABLE]
        else:
            os.environ[_VARIABLE] = before


def engine_socket() -> Path:
    """Path of the engine's socket."""
    return runtime_dir() / "engine.sock"


def standin_socket(device_id: str) -> Path:
    """Path of a stand-in's socket."""
    return runtime_dir() / f"standin-{device_id}.sock"


def data_dir() -> Path:
    """Folder of what is the performer's own."""
    base = os.environ.get("XDG_DATA_HOME") or Path.home() / ".local" / "share"
    return Path(base) / "grebe"


def own_profiles_dir() -> Path:
    """Folder of the performer's own device profiles."""
    return data_dir() / "profiles"


def state_dir() -> Path:
    """Folder for what is kept between starts: the last project, the demo's scratch copy."""
    base = os.environ.get("XDG_STATE_HOME") or str(Path.home() / ".local" / "state")
    path = Path(base) / "grebe"
    path.mkdir(parents=True, exist_ok=True)
    return path
