from __future__ import annotations

import socket
from pathlib import Path

import pytest

from grebe.process.first_window import MAX_WISH_BYTES, Wish, own_socket, raised, read_wish


def test_nobody_is_there() -> None:
    assert not raised(Wish())


def test_what_a_killed_window_left_is_cleared_away() -> None:
    with socket.socket(socket.AF_UNIX) as left:
        left.bind(str(own_socket()))
    assert not raised(Wish())
    assert not own_socket().exists()


def test_a_window_that_says_nothing_is_left_alone(monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr("grebe.process.first_window.ANSWER_S", 0.05)
    with socket.socket(socket.AF_UNIX) as hung:
        hung.bind(str(own_socket()))
        hung.listen()
        assert not raised(Wish())
        assert own_socket().exists()


@pytest.mark.parametrize(
    "line",
    [b"", b"nothing", b"\xff\xfe", b"[" * 9000, b'{"project": 1}', b"x" * MAX_WISH_BYTES * 2],
)
def test_what_is_no_wish(line: bytes) -> None:
    assert read_wish(line) is None


def test_a_wish() -> None:
    assert read_wish(b'{"project": "/a.grebe", "more": 1}\n') == Wish("/a.grebe")
    assert Path(own_socket()).parent.stat().st_mode & 0o077 == 0
