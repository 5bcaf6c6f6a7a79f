"""``python -m grebe.network.phone``: Stage to be read on phones of the local network.

One page, one socket. What is to be shown comes as lines of JSON on the standard input, who asks
goes out on the standard output; nothing is written down, here or there. Nobody sees anything
without the word, and without having been accepted by the performer.
"""

from __future__ import annotations

import asyncio
import logging
import secrets
import sys
from contextlib import suppress
from dataclasses import dataclass, field
from http import HTTPStatus
from importlib.resources import files
from typing import Any

import msgspec
from jinja2 import Environment, StrictUndefined
from markupsafe import Markup
from websockets.asyncio.server import Server, ServerConnection, broadcast, serve
from websockets.datastructures import Headers
from websockets.exceptions import ConnectionClosed
from websockets.http11 import Request, Response

from grebe.network.limits import Bucket
from grebe.network.lines import first_line
from grebe.process.log import start_log
from grebe.transports.clock import raw_ns
from grebe.transports.udp import addresses_here, is_near, near_networks
from grebe.words import language, tr

PORTS = range(8437, 8447)
"""The first that is free is taken: a bookmark, or a firewall's rule, stays good."""
MOST_PHONES, MOST_STRANGERS = 24, 12
"""That see something; that have still to say the word."""
WORD_S = 30.0
"""So long a phone may take to say the word."""
MOST_BYTES = 512
A_SECOND, BURST = 10.0, 40.0
"""Requests and connections of one address."""
SAID_A_SECOND, SAID_BURST = 4.0, 8.0
"""What a phone may say: it asks what time it is, every other second."""
TRIES, TRIES_BURST = 0.1, 5.0
"""Wrong words of one address: five, then one in ten seconds."""
MOST_ADDRESSES = 512
WRONG_WORD, REFUSED, TOO_MUCH = 4401, 4403, 4408
_log = logging.getLogger(__name__)


class WindowSays(msgspec.Struct):
    """A line from the window."""

    state: dict[str, Any] | None = None
    accept: int | None = None
    refuse: int | None = None


class PhoneSays(msgspec.Struct):
    """All that a phone can say."""

    word: str = ""
    token: str = ""
    echo: float | None = None


@dataclass
class Phone:
    """One that said the word."""

    number: int
    address: str
    socket: ServerConnection
    accepted: bool = False
    token: str = field(default_factory=lambda: secrets.token_urlsafe(18))


class PhoneServer:
    """Serves while its standard input is open."""

    def __init__(self, word: str) -> None:
        self._word = word
        self._phones: dict[int, Phone] = {}
        self._tokens: set[str] = set()
        """Of phones that were accepted: they come back without asking."""
        self._next = 1
        self._strangers = 0
        self._requests: dict[str, Bucket] = {}
        self._tries: dict[str, Bucket] = {}
        self._state = b""
        self._networks = near_networks()

    async def run(self) -> int:
        """Serve until the window closes; the exit status."""
        server = await self._listen()
        if server is None:
            self._tell({"problem": tr("no port from {first} to {last} is free",
                                      first=PORTS[0], last=PORTS[-1])})  # fmt: skip
            return 2
        port = next(iter(server.sockets)).getsockname()[1]
        here, _ = addresses_here("")
        urls = [f"http://{address}:{port}/" for address in here] or [f"http://127.0.0.1:{port}/"]
        self._tell({"urls": urls})
        await self._read()
        server.close()
        return 0

    async def _listen(self) -> Server | None:
        for port in PORTS:
            with suppress(OSError):
                return await serve(
                    self._phone, "0.0.0.0", port, process_request=self._request,  # noqa: S104
                    max_size=MOST_BYTES, max_queue=4, open_timeout=5, ping_interval=5,
                    ping_timeout=10, compression=None, logger=_log, server_header=None,
                )  # fmt: skip
        return None

    # From the window

    async def _read(self) -> None:
        reader = asyncio.StreamReader(limit=1 << 20)
        loop = asyncio.get_running_loop()
        await loop.connect_read_pipe(lambda: asyncio.StreamReaderProtocol(reader), sys.stdin)
        while line := await reader.readline():
            try:
                self._told(msgspec.json.decode(line, type=WindowSays))
            except msgspec.MsgspecError:
                _log.warning("a line of the window cannot be read")

    def _told(self, told: WindowSays) -> None:
        if told.state is not None:
            self._state = msgspec.json.encode(told.state)
            seeing = [phone.socket for phone in self._phones.values() if phone.accepted]
            broadcast(seeing, self._state.decode())
        for number, accepts in ((told.accept, True), (told.refuse, False)):
            phone = self._phones.get(number) if number is not None else None
            if phone is not None:
                self._spawn(self._welcome(phone) if accepts else self._send_away(phone))

    def _spawn(self, what: Any) -> None:
        task = asyncio.get_running_loop().create_task(what)
        self._tasks.add(task)
        task.add_done_callback(self._tasks.discard)

    _tasks: set[asyncio.Task[None]] = set()

    def _tell(self, row: dict[str, Any]) -> None:
        sys.stdout.buffer.write(msgspec.json.encode(row) + b"\n")
        sys.stdout.buffer.flush()

    def _tell_phones(self) -> None:
        rows = [{"number": p.number, "address": p.address, "accepted": p.accepted}
                for p in self._phones.values()]  # fmt: skip
        self._tell({"phones": rows})

    # From phones

    @staticmethod
    def _bucket(buckets: dict[str, Bucket], address: str, rate: float, burst: float) -> Bucket:
        if address not in buckets and len(buckets) >= MOST_ADDRESSES:
            buckets.pop(next(iter(buckets)))
        return buckets.setdefault(address, Bucket(rate, burst))

    def _request(self, connection: ServerConnection, request: Request) -> Response | None:
        """Answer anything but the socket; None lets it through."""
        address = _address(connection)
        asked = self._bucket(self._requests, address, A_SECOND, BURST)
        if not is_near(address, self._networks) or not asked.take(raw_ns()):
            return _answer(HTTPStatus.TOO_MANY_REQUESTS, b"")
        if request.path == "/live":
            origin = request.headers.get("Origin", "")
            own = origin.partition("//")[2] == request.headers.get("Host", "")
            full = self._strangers >= MOST_STRANGERS
            if not own or full:
                return _answer(HTTPStatus.SERVICE_UNAVAILABLE if own else HTTPStatus.FORBIDDEN, b"")
            return None
        if request.path == "/":
            nonce = secrets.token_urlsafe(12)
            return _answer(HTTPStatus.OK, page(nonce), nonce)
        return _answer(HTTPStatus.NOT_FOUND, b"")

    async def _phone(self, socket: ServerConnection) -> None:
        address = _address(socket)
        self._strangers += 1
        try:
            said = await asyncio.wait_for(self._hear(socket), WORD_S)
        except (TimeoutError, ConnectionClosed):
            return
        finally:
            self._strangers -= 1
        known = bool(said.token) and said.token in self._tokens
        if not known and not self._knows_word(said.word, address):
            await socket.close(WRONG_WORD, "")
            return
        if len(self._phones) >= MOST_PHONES:
            await socket.close(REFUSED, "")
            return
        phone = Phone(self._next, address, socket)
        self._next += 1
        self._phones[phone.number] = phone
        try:
            if known:
                phone.token = said.token
                await self._welcome(phone)
            else:
                await socket.send('{"waits": true}')
                self._tell_phones()
            await self._listen_to(phone)
        except ConnectionClosed:
            pass
        finally:
            del self._phones[phone.number]
            self._tell_phones()

    def _knows_word(self, word: str, address: str) -> bool:
        wrong = self._bucket(self._tries, address, TRIES, TRIES_BURST)
        if not wrong.holds(raw_ns()):
            return False
        knows = secrets.compare_digest(word.encode(), self._word.encode())
        if not knows:
            wrong.take(raw_ns())
        return knows

    async def _welcome(self, phone: Phone) -> None:
        phone.accepted = True
        self._tokens.add(phone.token)
        with suppress(ConnectionClosed):
            await phone.socket.send(msgspec.json.encode({"token": phone.token}).decode())
            if self._state:
                await phone.socket.send(self._state.decode())
        self._tell_phones()

    async def _send_away(self, phone: Phone) -> None:
        self._tokens.discard(phone.token)
        with suppress(ConnectionClosed):
            await phone.socket.close(REFUSED, "")

    async def _listen_to(self, phone: Phone) -> None:
        bucket = Bucket(SAID_A_SECOND, SAID_BURST)
        while True:
            said = await self._hear(phone.socket)
            if not bucket.take(raw_ns()):
                await phone.socket.close(TOO_MUCH, "")
                return
            if said.echo is not None and phone.accepted:
                told = {"echo": said.echo, "at": raw_ns() / 1e9}
                await phone.socket.send(msgspec.json.encode(told).decode())

    @staticmethod
    async def _hear(socket: ServerConnection) -> PhoneSays:
        """What it says. ConnectionClosed where that is nothing it may say."""
        data = await socket.recv()
        try:
            return msgspec.json.decode(data, type=PhoneSays)
        except msgspec.MsgspecError:
            await socket.close(TOO_MUCH, "")
            await socket.wait_closed()
            return await PhoneServer._hear(socket)


def _address(connection: ServerConnection) -> str:
    peer = connection.remote_address
    return str(peer[0]) if peer else ""


def _answer(status: HTTPStatus, body: bytes, nonce: str = "") -> Response:
    own = f"'nonce-{nonce}'" if nonce else "'none'"
    headers = Headers({
        "Content-Type": "text/html; charset=utf-8", "Content-Length": str(len(body)),
        "Content-Security-Policy": f"default-src 'none'; script-src {own}; style-src {own}; "
        "connect-src 'self'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'",
        "Cache-Control": "no-store", "Referrer-Policy": "no-referrer",
        "X-Content-Type-Options": "nosniff", "Connection": "close",
    })  # fmt: skip
    return Response(status.value, status.phrase, headers, body)


def page(nonce: str) -> bytes:
    """The page; its script and style are its own, by this word."""
    words = {
        "title": tr("Stage"), "connecting": tr("Connecting."),
        "type_word": tr("The word that Grebe shows"), "go": tr("Show it"),
        "scan": tr("Scan the code that Grebe shows, or type its word."),
        "wrong": tr("That is not the word. Look at Grebe's window again."),
        "refused": tr("The performer does not show it here."),
        "waits": tr("Waiting until the performer accepts this phone."),
        "lost": tr("The connection is lost; counting on alone, and trying again."),
        "stopped": tr("Nothing plays"), "nothing": tr("nothing more"), "next": tr("Next"),
        "moves": tr("To do"), "whose": tr("Of"), "everybody": tr("all boxes"),
        "free": tr("hands free"), "bar_beat": tr("Bar and beat"), "left": tr("in {n} bars"),
    }  # fmt: skip
    made = Environment(undefined=StrictUndefined, autoescape=True)
    text = (files("grebe.data") / "phone" / "stage.html").read_text()
    data = msgspec.json.encode(words).decode().replace("<", "\\u003c")
    template = made.from_string(text)
    return template.render(
        nonce=nonce,
        language=language(),
        words=words,
        words_json=Markup(data),  # noqa: S704
    ).encode()


def main() -> int:
    """Serve; the word is the first line of the standard input."""
    start_log("phone")
    word = first_line(sys.stdin.fileno()).decode().strip()
    return asyncio.run(PhoneServer(word).run())


if __name__ == "__main__":
    sys.exit(main())
