"""The log: private, bounded, one for each process, and nothing of it can stop who writes it."""

from __future__ import annotations

import os
import subprocess
import sys
from pathlib import Path

import pytest

from grebe.process.log import FILES, MOST_BYTES, SAME_MOST, open_errors
from grebe.process.places import log_dir, read_back, shown, state_dir, written

WORDS = """
import logging, os, sys, threading
from grebe.process.log import LOG, end_log, start_log
start_log("probe", queued="queued" in sys.argv)
log = logging.getLogger("probe")
"""


def run(code: str, *words: str) -> subprocess.CompletedProcess[bytes]:
    return subprocess.run([sys.executable, "-c", WORDS + code, *words], capture_output=True,
                          check=False)  # fmt: skip


def text(name: str = "probe.log") -> str:
    return (log_dir() / name).read_text()


@pytest.mark.parametrize("queued", ["", "queued"])
def test_what_is_not_caught_is_logged(queued: str) -> None:
    """In the main thread, in another, where nothing can be raised; begun and ended."""
    run('log.info("caf\\u00e9 %s", 7); end_log("as asked")', queued)
    run("threading.Thread(target=lambda: 1 / 0).start()", queued)
    run("class A:\n    def __del__(self): raise KeyError('gone')\nA()", queued)
    assert run('raise ValueError("planted")', queued).returncode == 1
    found = text()
    for words in ("probe: café 7", "ends: as asked", "ZeroDivisionError", "KeyError: 'gone'",
                  'raise ValueError("planted")', "CRITICAL"):  # fmt: skip
        assert words in found, words
    assert (log_dir() / "probe.log").stat().st_mode & 0o777 == 0o600
    assert log_dir().stat().st_mode & 0o777 == 0o700


def test_a_fault_leaves_its_stack() -> None:
    """A process that is killed by its own library: where every thread stood."""
    assert run("import faulthandler; faulthandler._sigsegv()").returncode < 0
    assert "Fatal Python error: Segmentation fault" in text("probe.err")


def test_it_is_turned_over_and_bounded() -> None:
    """Five files of a megabyte at most."""
    run("for n in range(40000): log.info('%05d ' + 'x' * 300, n)")
    files = sorted(log_dir().glob("probe.log*"))
    assert len(files) == FILES
    assert all(f.stat().st_size <= MOST_BYTES for f in files)
    assert "39999 xxx" in text()


def test_the_same_again_and_again_is_counted() -> None:
    """A picture that fails sixty times a second fills no disk."""
    run("for n in range(1000): log.warning('the same')")
    assert text().count("WARNING probe: the same") == SAME_MOST


def test_two_of_a_kind_write_apart() -> None:
    """A second process while the first lives has a file of its own."""
    first = subprocess.Popen(
        [sys.executable, "-c", WORDS + "print(LOG.name, flush=True); sys.stdin.read()"],
        stdin=subprocess.PIPE, stdout=subprocess.PIPE,
    )  # fmt: skip
    assert first.stdout is not None
    assert first.stdin is not None
    with first.stdout, first.stdin:
        assert first.stdout.readline() == b"probe\n"
        assert run("print(LOG.name)").stdout == b"probe-2\n"
    first.wait()
    assert run("print(LOG.name)").stdout == b"probe\n"


@pytest.mark.parametrize("state", ["/proc/nowhere", "/dev/null/x"])
def test_where_nothing_can_be_written_it_says_so(
    state: str, monkeypatch: pytest.MonkeyPatch
) -> None:
    """And the process goes on."""
    monkeypatch.setenv("XDG_STATE_HOME", state)
    done = run("log.error('x'); print(LOG.problem)")
    assert done.returncode == 0
    assert b"No log is written" in done.stdout
    with open_errors("probe") as errors:
        errors.write(b"x")


def test_a_full_disk_loses_lines_and_nothing_else() -> None:
    """By a limit on the size of files."""
    code = (
        "import resource, signal\n"
        "signal.signal(signal.SIGXFSZ, signal.SIG_IGN)\n"
        "resource.setrlimit(resource.RLIMIT_FSIZE, (2000, 2000))\n"
        "for n in range(200): log.info('%d is written', n)\n"
        "print('goes on')"
    )
    done = run(code)
    assert done.stdout == b"goes on\n"
    assert done.stderr == b""


def test_a_log_that_waits_holds_nobody_up() -> None:
    """With a queue, whoever logs does not wait for the disk: it is a pipe that nobody reads."""
    code = (
        "import time\n"
        "handler = LOG._listener.handlers[0]\n"
        "handler.emit = lambda record: time.sleep(0.2)\n"
        "began = time.monotonic()\n"
        "for n in range(20): log.info('%d', n)\n"
        "print(time.monotonic() - began)\n"
        "sys.stdout.flush(); os._exit(0)"
    )
    assert float(run(code, "queued").stdout) < 2.0  # of four seconds, if it waited


def test_paths_are_written_and_read_back(tmp_path: Path) -> None:
    """Whatever bytes their names are; and can be printed."""
    for name in (b"plain.grebe", "n\u00e4chte.grebe".encode(), b"caf\xe9 %41.grebe", b"file:"):
        path = tmp_path / os.fsdecode(name)
        assert read_back(written(path)) == path
        assert written(path).encode()
        assert shown(path).encode()
    assert state_dir().stat().st_mode & 0o077 == 0


def test_an_error_file_does_not_grow_for_ever() -> None:
    """Begun anew at a megabyte; the last one is kept."""
    with open_errors("probe") as errors:
        errors.write(b"x" * (MOST_BYTES + 1))
    with open_errors("probe") as errors:
        errors.write(b"y")
    assert (log_dir() / "probe.err").read_bytes() == b"y"
    assert (log_dir() / "probe.err.1").stat().st_size == MOST_BYTES + 1
