"""Reading files from outside: bounded by what is read, whatever they say they are."""

from __future__ import annotations

import os
import threading
from pathlib import Path

import pytest

from grebe.errors import ProjectError
from grebe.formats.project import parse_project, read_project
from grebe.formats.reading import json_values, read_bounded, read_file


def refused(path: Path, most: int = 1000) -> str:
    with pytest.raises(ProjectError) as raised:
        read_bounded(path, most, "a project", ProjectError)
    return str(raised.value)


def test_pipes_devices_and_folders_are_refused_at_once(tmp_path: Path) -> None:
    """A pipe would be waited for, /dev/zero never ends, a socket says nothing."""
    os.mkfifo(tmp_path / "pipe")
    for path in (tmp_path / "pipe", Path("/dev/zero"), Path("/dev/null")):
        assert "no file that can be read to its end" in refused(path)
    assert "it is a folder" in refused(tmp_path)
    assert "is not there" in refused(tmp_path / "nothing")
    assert "no name of a file" in refused(Path("a\0b"))


def test_what_is_read_counts_not_what_it_says(tmp_path: Path) -> None:
    """Exactly as much as may be is read, a byte more is refused, also where a file says it is
    empty, as those under /proc do."""
    path = tmp_path / "x"
    path.write_bytes(b"x" * 1000)
    assert read_bounded(path, 1000, "a project", ProjectError) == b"x" * 1000
    path.write_bytes(b"x" * 1001)
    assert "too large for a project" in refused(path)
    assert Path("/proc/self/status").stat().st_size == 0
    assert read_file(Path("/proc/self/status"), 100_000)
    with pytest.raises(OSError, match="too large"):
        read_file(Path("/proc/self/status"), 10)


def test_a_pipe_somebody_writes_to_is_refused_too(tmp_path: Path) -> None:
    """Not read to a random end."""
    pipe = tmp_path / "pipe"
    os.mkfifo(pipe)
    handle = os.open(pipe, os.O_RDWR)
    writer = threading.Thread(target=os.write, args=(handle, b"{}"))
    writer.start()
    assert "no file" in refused(pipe)
    writer.join()
    os.close(handle)


def test_many_values_are_refused_before_they_are_read(tmp_path: Path) -> None:
    """Sixty megabytes of `{},` in a field nobody knows: a gigabyte and a half once read."""
    assert json_values(b'{"a":[1,2,{}]}') >= 6
    with pytest.raises(ProjectError, match="over 8 million values"):
        parse_project(b'{"schema": 3, "x": [' + b"{}," * 4_000_001 + b"{}]}", "x")


@pytest.mark.parametrize(
    "data",
    [
        b"[" * 3000,
        b'{"schema": 1, "x": ' + b"[" * 3000 + b"]" * 3000 + b"}",
        b'{"schema": 3, "name": "\xff\xfe"}',
        b'{"schema": 1, "rig": {"devices": 5}}',
        b'{"schema": 1, "rig": {"devices": [[]], "cables": [{"source": {}}]}}',
        b'{"schema": 1, "rig": {"devices": [{"id": []}], "cables": [{"source": []}]}}',
        b'{"schema": 1, "rig": {"leader": {}, "cables": [{"source": 1}]}}',
        b'{"schema": 2, "sets": [{"songs": 7}]}',
        b'{"schema": 2, "sets": [{"songs": [{}], "id": {}}]}',
        b'{"schema": 1e400}',
        b'{"schema": 3, "songs": [{"bpm": 1e999}]}',
        b"\x00" * 100,
        b"null",
    ],
)
def test_whatever_a_project_holds_one_sentence_says_it(data: bytes) -> None:
    """Also wrong types in old schemas; nothing else comes out."""
    with pytest.raises(ProjectError) as raised:
        parse_project(data, "x.grebe")
    assert "x.grebe" in str(raised.value)
    assert "Traceback" not in str(raised.value)


def test_a_backup_is_advised_only_where_there_is_one(tmp_path: Path) -> None:
    """And by its name."""
    path = tmp_path / "x.grebe"
    path.write_text("{")
    with pytest.raises(ProjectError) as without:
        read_project(path)
    assert "x.grebe~" not in str(without.value)
    (tmp_path / "x.grebe~").write_text("{}")
    with pytest.raises(ProjectError, match=r"Open the copy kept beside it as x\.grebe~"):
        read_project(path)


def test_a_name_that_is_no_utf_8(tmp_path: Path) -> None:
    """It is read and written; what is wrong with it can be printed."""
    from grebe.formats.project import write_project
    from tests import build

    path = tmp_path / os.fsdecode(b"caf\xe9.grebe")
    write_project(path, build.two_boxes())
    assert read_project(path).project.name
    path.write_text("{")
    with pytest.raises(ProjectError) as raised:
        read_project(path)
    assert str(raised.value).encode()
