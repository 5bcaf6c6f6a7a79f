"""Stage on phones: a real process, asked by a library's client; strangers, floods and noise."""

from __future__ import annotations

import json
import re
import socket
import time
import urllib.error
import urllib.request
from collections.abc import Callable, Iterator
from contextlib import ExitStack, suppress
from pathlib import Path
from typing import Any

import html5lib
import pytest
from websockets.exceptions import ConnectionClosed, InvalidStatus
from websockets.sync.client import ClientConnection, connect

from grebe.app.document.store import Store
from grebe.app.live.phones import LETTERS, Phones, stage_now
from grebe.app.live.position import raw_now_ns
from grebe.app.live.session import Session
from grebe.app.live.stage_model import StageModel
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.formats.project import write_project
from grebe.network.phone import MOST_BYTES, page
from grebe.protocols.link.messages import Status
from tests.app.sessions import session_link
from tests.app.test_session import FakeClient, hear, welcome
from tests.app.test_set_play import two_songs
from tests.waiting import wait

pytestmark = pytest.mark.usefixtures("own_folders")


class Shown:
    """A performance, and the process that shows it."""

    def __init__(self, tmp_path: Path) -> None:
        path = tmp_path / "x.grebe"
        write_project(path, two_songs())
        self.client = FakeClient()
        self.session = Session(Store.open(path))
        session_link(self.session).client = self.client  # type: ignore[assignment]
        hear(self.session, self.client, welcome())
        self.phones = Phones(self.session, StageModel(self.session))

    def turn(self) -> None:
        self.phones.follow(time.monotonic())
        time.sleep(0.005)

    def until(self, true: Callable[[], object]) -> None:
        wait(true, turn=self.turn, why=lambda: f"{self.phones.problem} {self.phones.rows}")

    def play(self) -> None:
        beat = TICKS_PER_QUARTER
        status = Status(at_ns=raw_now_ns(), running=True, tick=5.0 * beat, bpm=126.0, section="s1",
                        section_tick=0, next_section="s2", boundary=8 * beat)  # fmt: skip
        hear(self.session, self.client, status)

    @property
    def at(self) -> str:
        port = self.phones.urls[0].rstrip("/").rpartition(":")[2]
        return f"127.0.0.1:{port}"

    def phone(self, origin: str = "") -> ClientConnection:
        return connect(f"ws://{self.at}/live", origin=origin or f"http://{self.at}", proxy=None)  # type: ignore[arg-type]


@pytest.fixture
def shown(tmp_path: Path) -> Iterator[Shown]:
    made = Shown(tmp_path)
    assert not made.phones.on
    made.phones.start()
    made.until(lambda: made.phones.urls)
    yield made
    made.phones.stop()


def say(phone: ClientConnection, **row: object) -> None:
    phone.send(json.dumps(row))


def read(phone: ClientConnection) -> dict[str, Any]:
    told: dict[str, Any] = json.loads(phone.recv(timeout=20))
    return told


def accepted(shown: Shown, phone: ClientConnection) -> str:
    """Say the word, be accepted; what one comes back with."""
    say(phone, word=shown.phones.word)
    assert read(phone) == {"waits": True}
    shown.until(lambda: shown.phones.waiting)
    shown.phones.accept(shown.phones.waiting[0].number)
    token: str = read(phone)["token"]
    shown.until(lambda: any(row.accepted for row in shown.phones.rows))
    return token


def test_who_says_the_word_and_is_accepted_sees_stage(shown: Shown) -> None:
    """Within its beat, by the clock that both read; whoever comes back after a lost network is not
    asked again."""
    assert set(shown.phones.word) <= set(LETTERS)
    shown.play()
    with shown.phone() as phone:
        token = accepted(shown, phone)
        shown.until(lambda: shown.phones._told_s)
        told = read(phone)
        assert (told["song"], told["scene"], told["next"], told["running"]) == (
            "Song",
            "a",
            "b",
            True,
        )
        assert (told["bars"], told["beats"]) == (2, 4)
        assert any("Echo" in move["words"] for move in told["moves"])
        status = shown.session.status
        assert status is not None
        passed = told["at"] - status.at_ns / 1e9
        assert told["beat"] == pytest.approx(5.0 + passed * 126 / 60, abs=0.01)
        say(phone, echo=1.5)
        for _ in range(50):
            answer = read(phone)
            if "echo" in answer:
                break
        assert answer["echo"] == 1.5
        assert answer["at"] == pytest.approx(raw_now_ns() / 1e9, abs=20.0)
    shown.until(lambda: not shown.phones.rows)
    with shown.phone() as again:
        say(again, token=token)
        assert read(again) == {"token": token}
        shown.until(lambda: [row.accepted for row in shown.phones.rows] == [True])
        shown.phones.accept(shown.phones.rows[0].number, accepts=False)
        with pytest.raises(ConnectionClosed):
            for _ in range(200):
                read(again)
    with shown.phone() as away:
        say(away, token=token)
        with pytest.raises(ConnectionClosed):
            read(away)


def test_who_does_not_know_the_word_sees_nothing(shown: Shown) -> None:
    """Nor who guesses on: after some tries the right word is none either."""
    for _ in range(7):
        with shown.phone() as phone:
            say(phone, word="guess")
            with pytest.raises(ConnectionClosed):
                read(phone)
    with shown.phone() as phone:
        say(phone, word=shown.phones.word)
        with pytest.raises(ConnectionClosed):
            read(phone)
    shown.turn()
    assert shown.phones.rows == []


def test_the_page_is_whole_and_brings_nothing_from_elsewhere(shown: Shown) -> None:
    """Valid by a strict parser; its policy allows its own script, and nothing else; no cookie."""
    opener = urllib.request.build_opener(urllib.request.ProxyHandler({}))
    with opener.open(f"http://{shown.at}/") as answer:
        text = answer.read().decode()
        policy = answer.headers["Content-Security-Policy"]
        assert answer.headers["Cache-Control"] == "no-store"
        assert answer.headers["Set-Cookie"] is None
    html5lib.HTMLParser(strict=True).parse(text)
    nonce = re.search(r"script-src 'nonce-([\w-]+)'", policy)
    assert nonce is not None
    assert text.count(f'nonce="{nonce[1]}"') == 2
    assert "default-src 'none'" in policy
    assert shown.phones.word not in text
    assert not re.search(r"https?://(?!\$)", text)
    assert "localStorage" not in text
    assert page("a") != page("b")
    with pytest.raises(urllib.error.HTTPError, match="404"):
        opener.open(f"http://{shown.at}/other")
    with pytest.raises(InvalidStatus):
        shown.phone(origin="http://elsewhere.example")


def test_floods_and_noise_end_nothing(shown: Shown) -> None:
    """What is no request, too long, too much or too often is closed; who was accepted sees on."""
    shown.play()
    host, _, port = shown.at.partition(":")
    with shown.phone() as phone:
        accepted(shown, phone)
        for noise in (b"\x00" * 5000, b"GET /\r\n" * 400, b"POST / HTTP/1.1\r\n\r\n", b"\xff\xfe"):
            with socket.create_connection((host, int(port))) as raw, suppress(OSError):
                raw.sendall(noise)
        for _ in range(40):
            with suppress(OSError, urllib.error.URLError):
                urllib.request.build_opener(urllib.request.ProxyHandler({})).open(
                    f"http://{shown.at}/"
                ).read()
        shown.until(lambda: "beat" in read(phone))
        for words in ("x" * (MOST_BYTES + 1), "no json", '{"word": 7}'):
            phone.send(words)
            break
        with pytest.raises(ConnectionClosed):
            for _ in range(500):
                read(phone)
    shown.until(lambda: not shown.phones.rows)
    assert shown.phones.on


def test_a_phone_that_talks_too_much_is_sent_away(shown: Shown) -> None:
    with shown.phone() as phone:
        accepted(shown, phone)
        with pytest.raises(ConnectionClosed):
            for n in range(500):
                say(phone, echo=float(n))
                read(phone)


def test_what_is_shown_while_nothing_plays(shown: Shown) -> None:
    told = stage_now(shown.session, StageModel(shown.session))
    assert (told["running"], told["scene"], told["moves"]) == (False, "", [])
    shown.phones.stop()
    assert not shown.phones.on
    assert shown.phones.link == ""


def test_a_server_that_ends_is_said(shown: Shown) -> None:
    process = shown.phones._process
    assert process is not None
    process.kill()
    shown.until(lambda: not shown.phones.on)
    assert "ended" in shown.phones.problem


def test_a_band_behind_one_address(shown: Shown) -> None:
    """Right words are no tries: more phones than wrong words are allowed, and all see it."""
    shown.play()
    with ExitStack() as open_:
        phones = [open_.enter_context(shown.phone()) for _ in range(8)]
        for phone in phones:
            say(phone, word=shown.phones.word)
            assert read(phone) == {"waits": True}
        shown.until(lambda: len(shown.phones.waiting) == len(phones))
        for row in shown.phones.waiting:
            shown.phones.accept(row.number)
        shown.until(lambda: not shown.phones.waiting)
        shown.turn()
        for phone in phones:
            assert "token" in read(phone)
            shown.until(lambda p=phone: "beat" in read(p))
