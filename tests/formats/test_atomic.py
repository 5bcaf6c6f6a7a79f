"""Writing a file: always a whole one, and the one before beside it."""

from __future__ import annotations

import errno
import os
import random
import signal
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest

from grebe.formats import atomic
from grebe.formats.atomic import last_of, write_atomic
from tests.long import tries

OLD, NEW, OLDER = b"old" * 1000, b"new" * 1200, b"older"


def no_links(*_: object, **__: object) -> None:
    """As FAT answers."""
    raise PermissionError(errno.EPERM, "Operation not permitted")


@pytest.fixture(params=["links", "no links"])
def target(request: pytest.FixtureRequest, tmp_path: Path, monkeypatch: Any) -> Path:
    """A file with one before it, on a file system with hard links and on one without."""
    path = tmp_path / "night.grebe"
    path.write_bytes(OLD)
    last_of(path).write_bytes(OLDER)
    if request.param == "no links":
        monkeypatch.setattr(os, "link", no_links)
    return path


def test_the_file_and_the_one_before(target: Path) -> None:
    """Both as they should be, nothing else in the folder; modes kept."""
    target.chmod(0o640)
    write_atomic(target, NEW, keep_last=True)
    assert (target.read_bytes(), last_of(target).read_bytes()) == (NEW, OLD)
    assert sorted(os.listdir(target.parent)) == ["night.grebe", "night.grebe~"]
    assert target.stat().st_mode & 0o777 == 0o640
    assert last_of(target).stat().st_mode & 0o777 == 0o640


def test_a_symbolic_link_stays_one(tmp_path: Path) -> None:
    """The file it points to is replaced, and the one before lies beside that."""
    (tmp_path / "stick").mkdir()
    real = tmp_path / "stick" / "real.grebe"
    real.write_bytes(OLD)
    link = tmp_path / "link.grebe"
    link.symlink_to(real)
    write_atomic(link, NEW, keep_last=True)
    assert link.is_symlink()
    assert (real.read_bytes(), last_of(link).read_bytes()) == (NEW, OLD)
    assert last_of(link) == real.with_name("real.grebe~")


def test_private_files_and_read_only_ones(tmp_path: Path, monkeypatch: Any) -> None:
    """Nobody else reads a private one, whoever could before; one set read-only is not replaced."""
    path = tmp_path / "secret"
    path.write_bytes(OLD)
    write_atomic(path, NEW, private=True)
    assert path.stat().st_mode & 0o777 == 0o600
    monkeypatch.setattr(os, "access", lambda *_: False)  # as for anybody but root
    with pytest.raises(PermissionError, match="read only"):
        write_atomic(path, OLD)
    assert path.read_bytes() == NEW


def test_what_a_kill_left_is_cleared_by_the_next(tmp_path: Path) -> None:
    """Its own scratch files, not those that somebody writes just now, nor anybody else's."""
    path = tmp_path / "night.grebe"
    handle, busy = atomic._scratch(path)
    other, left = atomic._scratch(path)
    os.close(other)  # the process that made it is gone
    stranger = tmp_path / ".grebe-000000000000-abc.part"
    stranger.touch()
    write_atomic(path, NEW)
    assert not left.exists()
    assert busy.exists()
    assert stranger.exists()
    os.close(handle)
    write_atomic(path, OLD)
    assert not busy.exists()


def test_a_full_disk_leaves_both(target: Path, monkeypatch: Any) -> None:
    """The error comes out, the old file and the one before are there, and nothing more."""

    def full(handle: int) -> None:
        raise OSError(errno.ENOSPC, "No space left on device")

    monkeypatch.setattr(os, "fsync", full)
    with pytest.raises(OSError, match="No space left"):
        write_atomic(target, NEW, keep_last=True)
    assert (target.read_bytes(), last_of(target).read_bytes()) == (OLD, OLDER)
    assert sorted(os.listdir(target.parent)) == ["night.grebe", "night.grebe~"]


CALLS = ("open", "fsync", "link", "replace", "unlink", "fchmod", "close", "stat", "access")


def killed_at(path: Path, call: int, *, links: bool) -> bool:
    """Save in a process of its own that is killed before its system call number `call`; whether
    it got that far."""
    child = os.fork()
    if child == 0:
        left = [call]

        def counting(real: Callable[..., Any]) -> Callable[..., Any]:
            def counted(*arguments: Any, **named: Any) -> Any:
                left[0] -= 1
                if left[0] < 0:
                    os.kill(os.getpid(), signal.SIGKILL)
                return real(*arguments, **named)

            return counted

        for name in CALLS:
            setattr(os, name, counting(getattr(os, name)))
        if not links:
            os.link = no_links  # type: ignore[assignment]
        write_atomic(path, NEW, keep_last=True)
        os._exit(0)
    _, status = os.waitpid(child, 0)
    return os.WIFSIGNALED(status)


@pytest.mark.parametrize("links", [True, False])
def test_killed_at_every_call_both_are_there(tmp_path: Path, *, links: bool) -> None:
    """Before each system call of a save: the file is the old or the new one, the one before is
    there at every instant, and the next save clears what was left."""
    path = tmp_path / "night.grebe"
    call = 0
    while True:
        last_of(path).unlink(missing_ok=True)  # the two may be one file, after a kill in between
        path.write_bytes(OLD)
        last_of(path).write_bytes(OLDER)
        killed = killed_at(path, call, links=links)
        assert path.read_bytes() in (OLD, NEW)
        assert last_of(path).read_bytes() in (OLDER, OLD)
        if path.read_bytes() == NEW:
            assert last_of(path).read_bytes() == OLD
        if not killed:
            break
        call += 1
    assert call > 15  # it was cut at that many places
    write_atomic(path, OLD, keep_last=True)
    assert sorted(os.listdir(tmp_path)) == ["night.grebe", "night.grebe~"]


def test_killed_at_random_moments(tmp_path: Path) -> None:
    """The same by the clock, wherever that falls."""
    rng = random.Random(16)
    path = tmp_path / "night.grebe"
    path.write_bytes(OLD)
    for _ in range(tries(60)):
        child = os.fork()
        if child == 0:
            while True:
                write_atomic(path, NEW, keep_last=True)
                write_atomic(path, OLD, keep_last=True)
        signal.sigtimedwait([], rng.uniform(0.0, 0.01))
        os.kill(child, signal.SIGKILL)
        os.waitpid(child, 0)
        assert path.read_bytes() in (OLD, NEW)
        assert not last_of(path).exists() or last_of(path).read_bytes() in (OLD, NEW)
