"""Grebe's place in a Linux desktop: menu entry, icons, the kind of its files, the manual.

The files are those of `grebe.data.desktop`; freedesktop.org's specifications say where each lies.
"""

from __future__ import annotations

import shlex
import shutil
import subprocess
import sys
from contextlib import suppress
from importlib.resources import files
from pathlib import Path

from platformdirs import user_data_path

from grebe.errors import GrebeError
from grebe.formats.atomic import write_atomic
from grebe.words import tr

PLACES = {
    "grebe.desktop": "applications/grebe.desktop",
    "grebe.svg": "icons/hicolor/scalable/apps/grebe.svg",
    "application-x-grebe.svg": "icons/hicolor/scalable/mimetypes/application-x-grebe.svg",
    "grebe-mime.xml": "mime/packages/grebe.xml",
    "grebe.metainfo.xml": "metainfo/grebe.metainfo.xml",
    "grebe.1": "man/man1/grebe.1",
    "grebe.bash": "bash-completion/completions/grebe",
    "_grebe": "zsh/site-functions/_grebe",
}
"""Each file below a ``share`` folder."""
CACHES = (
    ("update-desktop-database", "applications"),
    ("update-mime-database", "mime"),
    ("gtk-update-icon-cache", "icons/hicolor"),
)
"""What tells a desktop of them, where it is there."""
CACHE_S = 30


def share_of_user() -> Path:
    """The ``share`` folder of this user."""
    return user_data_path()


def command_here() -> str:
    """How this Grebe is started, by its whole path."""
    beside = Path(sys.executable).with_name("grebe")
    named = Path(sys.argv[0]).absolute()
    for path in (beside, named):
        if path.name == "grebe" and path.is_file():
            return str(path)
    return shutil.which("grebe") or "grebe"


def text_of(name: str) -> str:
    """One of the files, as shipped."""
    return (files("grebe.data") / "desktop" / name).read_text(encoding="utf-8")


def install(share: Path, command: str, *, tell: bool = True) -> tuple[Path, ...]:
    """Put all of it below a ``share`` folder, started as `command`; the files that were written.

    `tell` the desktop's caches. GrebeError where it cannot be written.
    """
    written = []
    for name, place in PLACES.items():
        text = text_of(name)
        if name == "grebe.desktop":
            text = text.replace("Exec=grebe", f"Exec={quoted(command)}")
        path = share / place
        try:
            path.parent.mkdir(parents=True, exist_ok=True)
            write_atomic(path, text.encode())
        except OSError as error:
            raise GrebeError(
                tr(
                    "{path} cannot be written ({strerror}): name another folder with --to",
                    path=path,
                    strerror=error.strerror,
                )
            ) from error
        written.append(path)
    if tell:
        tell_caches(share)
    return tuple(written)


def remove(share: Path, *, tell: bool = True) -> tuple[Path, ...]:
    """Take it away again; the files that were there. Nothing else is touched."""
    gone = []
    for place in PLACES.values():
        path = share / place
        try:
            path.unlink()
        except FileNotFoundError:
            continue
        except OSError as error:
            raise GrebeError(
                tr("{path} cannot be taken away: {strerror}", path=path, strerror=error.strerror)
            ) from error
        gone.append(path)
    if tell:
        tell_caches(share)
    return tuple(gone)


def tell_caches(share: Path) -> None:
    """Have the desktop read what is there; without its tools it does so by itself."""
    for tool, folder in CACHES:
        found, below = shutil.which(tool), share / folder
        if found is None or not below.is_dir():
            continue
        options = ["-q", "-t", "-f"] if tool.startswith("gtk") else []
        with suppress(OSError, subprocess.TimeoutExpired):
            subprocess.run(
                [found, *options, str(below)], check=False, capture_output=True, timeout=CACHE_S
            )


def quoted(command: str) -> str:
    """A command as a key ``Exec`` has it: in double quotes where it has more than plain letters."""
    if shlex.quote(command) == command:
        return command
    for mark in ("\\", '"', "`", "$"):
        command = command.replace(mark, f"\\{mark}")
    return '"' + command.replace("%", "%%").replace("\\", "\\\\") + '"'
