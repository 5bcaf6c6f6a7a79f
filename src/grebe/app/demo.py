"""The demo set: shipped read-only, copied to a scratch place so that it can be changed freely."""

from __future__ import annotations

from importlib.resources import files
from pathlib import Path

from grebe.app.recovery import recovery_path
from grebe.formats.atomic import write_atomic
from grebe.process.places import state_dir

DEMO_NAME = "night-ferry.grebe"
LOOPS = ("gravel.wav",)
"""Audio that the demo plays, beside it."""


def demo_bytes() -> bytes:
    """The demo project as shipped."""
    return (files("grebe.data") / "demo" / DEMO_NAME).read_bytes()


def copy_demo(path: Path) -> None:
    """Write the demo under this name, and its loops beside it."""
    path.parent.mkdir(exist_ok=True, parents=True)
    write_atomic(path, demo_bytes())
    for name in LOOPS:
        write_atomic(path.with_name(name), (files("grebe.data") / "demo" / name).read_bytes())


def fresh_demo() -> Path:
    """Copy the demo to its scratch place, in place of an older copy; its path."""
    path = state_dir() / "demo" / DEMO_NAME
    copy_demo(path)
    recovery_path(path).unlink(missing_ok=True)
    return path
