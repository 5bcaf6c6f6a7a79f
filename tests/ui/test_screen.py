"""The window on a real X server, where there is one to start."""

from __future__ import annotations

import json
import os
import shutil
import subprocess
import sys

import pytest

from grebe.app.document.demo import fresh_demo


@pytest.mark.skipif(shutil.which("Xvfb") is None, reason="Xvfb is not installed")
def test_on_an_x_server() -> None:
    """It opens, paints every view and closes again, with the platform a desktop has."""
    read, write = os.pipe()
    command = ["Xvfb", "-displayfd", str(write), "-screen", "0", "1280x900x24", "-nolisten", "tcp"]
    server = subprocess.Popen(command, pass_fds=[write], stderr=subprocess.DEVNULL)
    os.close(write)
    try:
        with os.fdopen(read) as answer:
            display = answer.readline().strip()
        environment = {**os.environ, "DISPLAY": f":{display}", "QT_QPA_PLATFORM": "xcb"}
        done = subprocess.run(
            [sys.executable, "-m", "grebe.bench.window_probe", str(fresh_demo()), "1"],
            env=environment, capture_output=True, timeout=60,
        )  # fmt: skip
        assert done.returncode == 0, done.stderr
        views = {"rig", "sync", "patterns", "pattern_edit", "scenes", "scenes_scroll", "song",
                 "song_scroll", "set", "stage", "log", "tools", "patterns_key_to_edit",
                 "menu_opens", "scenes_key_to_edit", "song_key_to_edit",
                 "finder_of_5000"}  # fmt: skip
        assert set(json.loads(done.stdout)) == views
    finally:
        server.terminate()
        server.wait(10)


def test_without_a_screen() -> None:
    """One line, status 2, no crash."""
    environment = {
        key: value
        for key, value in os.environ.items()
        if key not in ("DISPLAY", "WAYLAND_DISPLAY", "QT_QPA_PLATFORM")
    }
    done = subprocess.run(
        [sys.executable, "-m", "grebe", "demo"], env=environment, capture_output=True, timeout=60
    )
    assert done.returncode == 2
    assert b"no screen" in done.stderr
    assert done.stderr.count(b"\n") == 1
