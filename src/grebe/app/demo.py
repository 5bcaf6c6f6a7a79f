"""The demo set: shipped read-only, copied to a scratch place so that it can be changed freely."""

from __future__ import annotations

from importlib.resources import files
from pathlib import Path

from grebe.app.recovery import recovery_path
from grebe.app.runtime import state_dir
from grebe.formats.atomic import write_atomic

DEMO_NAME = "night-ferry.grebe"


def demo_bytes() -> bytes:
    """The demo project as shipped."""
    return (files("grebe.data") / "demo" / DEMO_NAME).read_bytes()


def fresh_demo() -> Path:
    """Copy the demo to its scratch place, in place of an older copy; its path."""
    path = state_dir() / "demo" / DEMO_NAME
    path.parent.mkdir(exist_ok=True)
    write_atomic(path, demo_bytes())
    recovery_path(path).unlink(missing_ok=True)
    return path
