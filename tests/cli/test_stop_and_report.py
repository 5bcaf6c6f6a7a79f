"""`grebe stop` and `grebe report`, whatever state things are in; mistakes in one line."""

from __future__ import annotations

import json
import os
import signal
import subprocess
import sys
import zipfile
from pathlib import Path

import pytest

from grebe.app.engine.client import connect_when_ready
from grebe.app.engine.supervisor import StandinsProcess, start_engine
from grebe.cli import calc
from grebe.cli.main import MISTAKE, main
from grebe.process import children
from grebe.process.places import engine_socket, log_dir, runtime_dir
from tests import build


def grebe(*words: str) -> subprocess.CompletedProcess[str]:
    return subprocess.run(
        [sys.executable, "-m", "grebe", *words], capture_output=True, text=True, check=False
    )


@pytest.mark.parametrize("state", ["as it should be", "no sockets", "stopped", "engine killed"])
def test_stop_ends_all_of_it(state: str) -> None:
    """Engine and stand-ins, also where their sockets are gone or a process stands still; nothing
    is left in the runtime folder."""
    host, engine = StandinsProcess(build.two_boxes().rig.devices), start_engine()
    host.wait_ready()
    connect_when_ready().close()
    if state == "no sockets":
        for path in runtime_dir().glob("*.sock"):
            path.unlink()
    elif state == "stopped":
        for process in (engine, host.process):
            process.send_signal(signal.SIGSTOP)
    elif state == "engine killed":
        engine.kill()
        engine.wait()
    assert len(list(children.running())) == (1 if state == "engine killed" else 2)
    done = grebe("stop")
    assert done.returncode == 0, done
    assert "The engine has ended." in done.stdout
    for process in (engine, host.process):
        process.wait(5)
    assert host.process.stdout is not None
    host.process.stdout.close()
    assert list(runtime_dir().iterdir()) == []
    assert list(children.running()) == []
    assert grebe("stop").returncode == 1


def test_what_others_run_is_left_alone(own_folders: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    """An engine of another runtime folder is not ours to end."""
    engine = start_engine()
    connect_when_ready().close()
    with monkeypatch.context() as elsewhere:
        elsewhere.setenv("GREBE_RUNTIME_DIR", str(own_folders / "other"))
        assert grebe("stop").returncode == 1
    assert engine.poll() is None
    assert grebe("stop").returncode == 0
    engine.wait(5)


def test_two_hosts_never_run_at_once() -> None:
    """The second hands its boxes over; a path that somebody cleared is listened at again."""
    devices = build.two_boxes().rig.devices
    first = StandinsProcess(devices[:1])
    first.wait_ready()
    second = StandinsProcess(devices)
    second.wait_ready()
    assert second.process.wait(5) == 0
    socket_path = runtime_dir() / f"standin-{devices[1].id}.sock"
    assert socket_path.exists()
    socket_path.unlink()
    third = StandinsProcess(devices)
    third.wait_ready()
    assert socket_path.exists()
    assert third.process.wait(5) == 0
    assert list(children.running((children.STANDINS,))) == [first.process.pid]
    grebe("stop")
    for process in (first, second, third):
        process.process.wait(5)
        assert process.process.stdout is not None
        process.process.stdout.close()


def test_an_engine_by_hand_ends_with_control_c() -> None:
    """`grebe engine` in a terminal."""
    engine = subprocess.Popen([sys.executable, "-m", "grebe", "engine"])
    connect_when_ready().close()
    engine.send_signal(signal.SIGINT)
    assert engine.wait(5) == 0
    assert not engine_socket().exists()


def test_a_report(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    """Versions, ports, priority, logs; nobody's name or home; no project unless it is asked for."""
    home = tmp_path / "home of somebody"
    (log_dir() / "engine.log").write_text(f"{home}/night.grebe by margit on x\n")
    environment = os.environ | {"HOME": str(home), "LOGNAME": "margit", "USER": "margit"}
    words = [sys.executable, "-m", "grebe", "report", "--to", str(tmp_path / "p.zip"), "--json"]
    done = subprocess.run(words, env=environment, capture_output=True, check=True)
    names = [row["name"] for row in json.loads(done.stdout)["parts"]]
    with zipfile.ZipFile(tmp_path / "p.zip") as made:
        assert made.namelist() == names
        assert {"README.txt", "versions.txt", "ports.json", "priority.txt"} <= set(names)
        assert "numpy" in made.read("versions.txt").decode()
        assert "alsa" in json.loads(made.read("ports.json"))
        text = made.read("log/engine.log").decode()
        assert text == "~/night.grebe by USER on x\n"
    assert (tmp_path / "p.zip").stat().st_mode & 0o777 == 0o600
    project = tmp_path / "night.grebe"
    project.write_bytes(b"{}")
    assert grebe("report", "--to", str(tmp_path / "q.zip"), "--project", str(project)).stdout
    with zipfile.ZipFile(tmp_path / "q.zip") as made:
        assert made.read("project/night.grebe") == b"{}"
    refused = grebe("report", "--to", str(tmp_path / "nowhere" / "p.zip"))
    assert (refused.returncode, refused.stdout) == (2, "")
    assert "Choose another place" in refused.stderr


def test_a_mistake_of_ours_is_one_line(
    monkeypatch: pytest.MonkeyPatch, capsys: pytest.CaptureFixture[str]
) -> None:
    """And stands in the log with its place in the code."""
    import logging

    handlers = list(logging.getLogger().handlers)

    def fail(*_: object, **__: object) -> int:
        raise ZeroDivisionError("planted")

    monkeypatch.setattr(calc, "_say", fail)
    with monkeypatch.context() as patched:
        for name in ("excepthook", "unraisablehook"):
            patched.setattr(sys, name, getattr(sys, name))
        assert main(["calc", "ramp", "--from", "120", "--to", "140", "--bars", "8"]) == MISTAKE
    assert capsys.readouterr().err.count("\n") == 1
    assert "ZeroDivisionError: planted" in (log_dir() / "command.log").read_text()
    for handler in list(logging.getLogger().handlers):
        if handler not in handlers:
            logging.getLogger().removeHandler(handler)
            handler.close()


@pytest.mark.parametrize(
    ("environment", "words"),
    [({}, "no screen"), ({"DISPLAY": ":4077"}, "the screen :4077 cannot be reached"),
     ({"DISPLAY": "127.0.0.1:4077"}, "cannot be reached")],
)  # fmt: skip
def test_no_screen_is_said(environment: dict[str, str], words: str) -> None:
    """In a sentence, also where one is named that nobody is at."""
    plain = {k: v for k, v in os.environ.items() if k not in ("DISPLAY", "QT_QPA_PLATFORM",
                                                              "WAYLAND_DISPLAY")}  # fmt: skip
    done = subprocess.run([sys.executable, "-m", "grebe", "demo"], env=plain | environment,
                          capture_output=True, text=True, check=False)  # fmt: skip
    assert done.returncode == 2
    assert words in done.stderr
    assert done.stderr.count("\n") == 1


def test_the_window_without_its_libraries() -> None:
    """As after `pip install` alone: the packages are named."""
    code = (
        "import sys, builtins\n"
        "real = builtins.__import__\n"
        "def without(name, *rest):\n"
        "    if name.startswith('PyQt6'): raise ImportError('libEGL.so.1: cannot open shared '\n"
        "        'object file: No such file or directory')\n"
        "    return real(name, *rest)\n"
        "builtins.__import__ = without\n"
        "from grebe.cli.main import main\n"
        "sys.exit(main(['demo']))\n"
    )
    done = subprocess.run([sys.executable, "-c", code], capture_output=True, text=True, check=False)
    assert done.returncode == 2
    assert "libEGL.so.1" in done.stderr
    assert "sudo apt-get install libegl1" in done.stderr
    assert "Traceback" not in done.stderr
