"""One client of the ALSA sequencer with a port for each box, and a thread that listens.

The sending call is made at the deadline. What comes in is stamped by the thread as it comes; it
also hears what becomes of others' ports, so that nobody has to look: what is there is known, and
a port that went away is known to have gone even where it was back at once.
"""

from __future__ import annotations

import select
import threading

from grebe.errors import PortLost
from grebe.protocols.midi.message_filter import MessageFilter
from grebe.protocols.standin.reports import StandinReport
from grebe.transports.alsa.client import Appeared, Came, Left, Sequencer, SequencerClient
from grebe.transports.alsa.names import Address, SequencerPort, lasting_names, meant
from grebe.transports.base import Heard
from grebe.transports.clock import raw_ns
from grebe.transports.inbox import Inbox

_WAKE_MS = 500
LEFT_OUT = frozenset((0xF0, 0xFE))
"""System exclusive and Active Sensing: nothing is routed of them."""


class AlsaWire:
    """Our client, what it is connected to, and the ports that there are."""

    def __init__(self, sequencer: Sequencer | None = None) -> None:
        """PortLost where there is no sequencer."""
        self.sequencer: Sequencer = SequencerClient() if sequencer is None else sequencer
        self._ports = {p.address: p for p in self.sequencer.ports()}
        """Replaced, never changed: the thread does, the engine reads."""
        self._open: dict[int, AlsaEnd] = {}
        """By number of our own port. Replaced, never changed: the thread reads it."""
        self._known_as: dict[str, str] = {}
        """By a name that was asked for, the lasting one of the port that it meant first."""
        self.has_news = False
        """A port came or went since this was set back."""
        self._over = threading.Event()
        self._thread = threading.Thread(target=self._listen, name="ALSA", daemon=True)
        self._thread.start()

    def open_output(self, box: str, wanted: str) -> AlsaPort:
        """A port of our own, called after a box and connected to the one that is meant.

        PortLost where it is not there, or could be several.
        """
        port = self._meant(wanted, input_=False)
        opened = AlsaPort(self, self.sequencer.new_port(box, input_=False), wanted)
        self._connect(opened, port, input_=False)
        return opened

    def open_input(self, box: str, wanted: str) -> AlsaInput:
        """The same, to hear."""
        port = self._meant(wanted, input_=True)
        own = self.sequencer.new_port(f"from {box}", input_=True)
        opened = AlsaInput(self, own, wanted)
        self._connect(opened, port, input_=True)
        return opened

    def _connect(self, opened: AlsaEnd, port: SequencerPort, *, input_: bool) -> None:
        try:
            opened.other = port.address
            self._open = {**self._open, opened.own: opened}
            self.sequencer.join(opened.own, port.address, input_=input_)
        except PortLost:
            opened.gone = True
            opened.let_go()
            raise

    def _meant(self, wanted: str, *, input_: bool) -> SequencerPort:
        """Which port a name means; the device that it meant first, while we run."""
        ports = [p for p in self._ports.values() if (p.sends if input_ else p.takes)]
        others = {name for asked, name in self._known_as.items() if asked != wanted}
        port = meant(self._known_as.get(wanted, wanted), ports, others)
        self._known_as[wanted] = lasting_names(ports)[port.address]
        return port

    def forget(self, port: AlsaEnd) -> None:
        """One of our ports is not needed any more. Where the other end went the name keeps what it
        means: it may come back."""
        self._open = {n: other for n, other in self._open.items() if n != port.own}
        self.sequencer.drop(port.own)
        if not port.gone and all(port.name != other.name for other in self._open.values()):
            self._known_as.pop(port.name, None)

    def _listen(self) -> None:
        waited = select.poll()
        waited.register(self.sequencer.fileno(), select.POLLIN)
        while not self._over.is_set():
            if not waited.poll(_WAKE_MS):
                continue
            at_ns = raw_ns()
            for news in self.sequencer.receive():
                if isinstance(news, Came):
                    port = self._open.get(news.own)
                    if isinstance(port, AlsaInput) and news.data[0] not in LEFT_OUT:
                        port.inbox.put(at_ns, news.data)
                elif isinstance(news, Appeared):
                    self._appeared(news.address)
                else:
                    self._left(news)

    def _appeared(self, address: Address) -> None:
        port = self.sequencer.port(address)
        if port is not None:
            self._ports = {**self._ports, address: port}
            self.has_news = True

    def _left(self, news: Left) -> None:
        client, number = news.address
        gone = {a for a in self._ports if a.client == client and number in (-1, a.port)}
        self._ports = {a: port for a, port in self._ports.items() if a not in gone}
        for port in self._open.values():
            if port.other.client == client and number in (-1, port.other.port):
                port.say_gone()
                self.has_news = True

    def close(self) -> None:
        """Leave the sequencer."""
        self._over.set()
        self._thread.join(2 * _WAKE_MS / 1000)
        self.sequencer.close()


class AlsaEnd:
    """One of our ports, and the one of somebody else's that it is connected to."""

    def __init__(self, wire: AlsaWire, own: int, name: str) -> None:
        self._wire = wire
        self.own = own
        self.name = name
        self.other = Address(-1, -1)
        self.gone = False

    def say_gone(self) -> None:
        """Called by the wire's thread: the other end went, even if it is there again."""
        self.gone = True

    def must_be_there(self) -> None:
        """PortLost once the sequencer has said that the other end went: it goes on taking messages
        for one that was pulled."""
        if self.gone:
            raise PortLost(f"ALSA port {self.name} went away")

    def let_go(self) -> None:
        """Give our port back."""
        self._wire.forget(self)


class AlsaPort(AlsaEnd):
    """An open connection to one ALSA port."""

    stamped = False

    def send(self, data: bytes, due_ns: int) -> None:
        """Send now."""
        del due_ns
        try:
            self._wire.sequencer.send(self.own, data)
        except PortLost as error:
            raise PortLost(f"ALSA port {self.name} went away ({error})") from error

    def discard(self) -> list[bytes]:
        """Nothing is handed over early."""
        return []

    def reports(self) -> list[StandinReport]:
        """Real devices do not report."""
        return []

    def check(self) -> None:
        """Whether the other end is there."""
        self.must_be_there()

    def late_ms(self) -> list[float]:
        """The engine does the sending."""
        return []

    def close(self) -> None:
        """Let go of the port."""
        self.let_go()


class AlsaInput(AlsaEnd):
    """An open connection from one ALSA port; the wire's thread stamps what comes."""

    def __init__(self, wire: AlsaWire, own: int, name: str) -> None:
        super().__init__(wire, own, name)
        self.inbox = Inbox()

    def say_gone(self) -> None:
        """The engine is woken to hear of it, too."""
        super().say_gone()
        self.inbox.wake()

    def fileno(self) -> int:
        """The descriptor the thread wakes the engine by."""
        return self.inbox.fileno()

    def receive(self) -> list[Heard]:
        """What has come in; PortLost once all of it was taken and the other end is gone."""
        came = self.inbox.take()
        if not came:
            self.must_be_there()
        return came

    def check_input(self) -> None:
        """Whether the other end is there."""
        self.must_be_there()

    def has_passed(self, message_filter: MessageFilter) -> bool:
        """The engine passes it on."""
        del message_filter
        return False

    def let_go(self) -> None:
        """Give our port back, and what woke the engine."""
        super().let_go()
        self.inbox.close()

    def close_input(self) -> None:
        """Let go of the port."""
        self.let_go()
