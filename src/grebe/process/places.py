"""Where Grebe's folders and sockets lie, and how a path is written down."""

from __future__ import annotations

import os
import stat
from collections.abc import Iterator, Mapping
from contextlib import contextmanager, suppress
from pathlib import Path
from urllib.parse import quote_from_bytes, unquote_to_bytes

from platformdirs import user_data_path, user_state_path

from grebe.errors import EngineError

NAME = "grebe"

WINDOW_LIBRARIES = (
    "libegl1 libgl1 libfontconfig1 libglib2.0-0 libdbus-1-3 libxkbcommon-x11-0 libxcb-cursor0 "
    "libxcb-icccm4 libxcb-image0 libxcb-keysyms1 libxcb-randr0 libxcb-render-util0 libxcb-shape0 "
    "libxcb-xinerama0 libxcb-xkb1"
)
"""What Qt's Python packages leave to the system, by Debian's names."""
RUNTIME_VARIABLE = "GREBE_RUNTIME_DIR"


def runtime_path(environment: Mapping[str, str]) -> Path:
    """Where the runtime folder of a process of this user with this environment lies.

    By hand: `platformdirs` knows this process's environment, not another's.
    """
    if chosen := environment.get(RUNTIME_VARIABLE):
        return Path(chosen)
    if session := environment.get("XDG_RUNTIME_DIR"):
        return Path(session) / NAME
    return Path("/tmp") / f"grebe-{os.getuid()}"  # noqa: S108 - runtime_dir checks the owner


def runtime_dir() -> Path:
    """A folder only its owner can enter, made when it is not there.

    ``GREBE_RUNTIME_DIR`` overrides it (tests, several engines side by side).
    EngineError when somebody else owns it.
    """
    path = runtime_path(os.environ)
    try:
        path.mkdir(mode=0o700, parents=True, exist_ok=True)
        found = path.lstat()
        if not stat.S_ISDIR(found.st_mode) or found.st_uid != os.getuid():
            raise EngineError(f"{path} belongs to somebody else; set GREBE_RUNTIME_DIR to another")
        path.chmod(0o700)
    except OSError as error:
        raise EngineError(
            f"{path} cannot be used for sockets ({error.strerror}); set GREBE_RUNTIME_DIR to "
            "another folder"
        ) from error
    return path


@contextmanager
def override_runtime_dir(folder: str) -> Iterator[None]:
    """Use another runtime folder in this process and those it starts."""
    before = os.environ.get(RUNTIME_VARIABLE)
    os.environ[RUNTIME_VARIABLE] = folder
    try:
        yield
    finally:
        if before is None:
            del os.environ[RUNTIME_VARIABLE]
        else:
            os.environ[RUNTIME_VARIABLE] = before


def engine_socket() -> Path:
    """Path of the engine's socket."""
    return runtime_dir() / "engine.sock"


def standin_socket(device_id: str) -> Path:
    """Path of a stand-in's socket."""
    return runtime_dir() / f"standin-{device_id}.sock"


def data_dir() -> Path:
    """Folder of what is the performer's own."""
    return user_data_path(NAME)


def own_profiles_dir() -> Path:
    """Folder of the performer's own device profiles."""
    return data_dir() / "profiles"


def state_dir() -> Path:
    """Folder for what is kept between starts: settings, recovery, copies of the demo, the log.

    Made where it can be; where it cannot, whoever writes there says so.
    """
    path = user_state_path(NAME)
    with suppress(OSError):
        path.mkdir(mode=0o700, parents=True, exist_ok=True)
    return path


def log_dir() -> Path:
    """Folder of the log, readable by its owner only; made where it can be."""
    path = state_dir() / "log"
    with suppress(OSError):
        path.mkdir(mode=0o700, exist_ok=True)
    return path


def written(path: Path) -> str:
    """A path as text that can stand in a message or a file; `read_back` makes it a path again.

    A name that is no UTF-8 is written as a ``file:`` address, its bytes in percent.
    """
    text = str(path)
    try:
        text.encode()
    except UnicodeEncodeError:
        return "file://" + quote_from_bytes(os.fsencode(path))
    return text


def read_back(text: str) -> Path:
    """The path that `written` wrote."""
    if text.startswith("file://"):
        return Path(os.fsdecode(unquote_to_bytes(text.removeprefix("file://"))))
    return Path(text)


def shown(path: Path | str) -> str:
    """A path or name for people to read: bytes that are no UTF-8 as U+FFFD."""
    return os.fsencode(path).decode("utf-8", "replace")
