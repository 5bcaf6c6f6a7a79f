"""This computer in a session of others, and OSC, as a performer turns them on and off."""

from __future__ import annotations

import subprocess
from collections import deque
from collections.abc import Sequence

import msgspec

from grebe.app.actions.keymap import told
from grebe.app.document.store import Store
from grebe.app.engine.link import Link
from grebe.app.engine.supervisor import rtp_ports, start_display, start_laptop
from grebe.app.live.notices import Notices
from grebe.app.live.position import Position
from grebe.app.live.selection import Selection
from grebe.app.passphrases import passphrase_of
from grebe.core.rig.model import GREBE_ID, PEERS_ID, Cable, Device, Port, Rig
from grebe.core.session.use import OscUse, SessionUse
from grebe.core.showing import without_hits
from grebe.errors import EditError
from grebe.formats.project import project_bytes
from grebe.process.children import end_input, let_go
from grebe.protocols.link.messages import Status
from grebe.protocols.link.session import (
    AcceptPeer,
    CarryRtp,
    Join,
    Osc,
    PeerRow,
    Peers,
    Propose,
    RtpPort,
    ShowDocument,
)
from grebe.words import tr

SEEN = "peer-"
"""Before the id of a computer that is in the session and not in the rig."""
SHOW_EVERY_NS = 500_000_000
KEPT = 240
"""Offsets of each peer that are remembered, four a second."""


def _with_computers(rig: Rig, others: Sequence[PeerRow]) -> Rig:
    if not others:
        return rig
    devices = tuple(
        Device(id=SEEN + r.id, name=r.name, kind="computer", label=tr("computer in the session"),
               plays="own", port=Port(wire="peer"))
        for r in others
    )  # fmt: skip
    cables = tuple(Cable(source=GREBE_ID, target=d.id, medium="network") for d in devices)
    return msgspec.structs.replace(
        rig, devices=(*rig.devices, *devices), cables=(*rig.cables, *cables)
    )


class Laptops:
    """Computers of the rig that stand-ins take the place of; they leave when nobody talks to them
    any more."""

    def __init__(self) -> None:
        self._processes: list[subprocess.Popen[bytes]] = []

    def start(self, rig: Rig, use: SessionUse, bpm: float) -> None:
        """Start them anew."""
        self.end()
        self._processes = [
            start_laptop(device.name, use, passphrase_of(use.name), bpm)
            for device in rig.devices
            if device.port.is_peer
        ]

    def end(self) -> None:
        """Let go of them."""
        for process in self._processes:
            end_input(process)
            let_go(process)
        self._processes.clear()


class Networking:
    """Off until it is asked for; on again by itself when the engine or its helper was lost."""

    def __init__(
        self,
        store: Store,
        link: Link,
        notices: Notices,
        selection: Selection,
        position: Position,
    ) -> None:
        self._store = store
        self._link = link
        self._notices = notices
        self._selection = selection
        self._position = position
        self.joined: SessionUse | None = None
        """What this window has joined."""
        self.osc: OscUse | None = None
        self.offsets: dict[str, deque[tuple[int, float]]] = {}
        """By peer: (CLOCK_MONOTONIC_RAW in ns, ms late against ours)."""
        self.laptops = Laptops()
        """Stand-ins that are peers of their own."""
        self._rig: tuple[Rig, tuple[tuple[str, str], ...], Rig] | None = None
        self._ports: tuple[RtpPort, ...] = ()
        self._stale = True
        """Whether the document has changed since it was shown."""
        self._shown_ns = 0
        self._asked: set[tuple[str, float]] = set()
        self._seen: dict[str, str] | None = None

    @property
    def peers(self) -> Peers | None:
        """The session as it is seen from here; None while none was asked for."""
        status = self._position.status
        return status.peers if status is not None else None

    @property
    def rows(self) -> tuple[PeerRow, ...]:
        """The other computers."""
        peers = self.peers
        return peers.rows if peers is not None else ()

    def row_of(self, device: Device) -> PeerRow | None:
        """The computer that a device of the rig is, by its name; None for none."""
        if device.id.startswith(SEEN):
            return next((r for r in self.rows if SEEN + r.id == device.id), None)
        return next((r for r in self.rows if r.name.casefold() == device.name.casefold()), None)

    def shown_rig(self) -> Rig:
        """The rig with the session's computers that it does not name: to be drawn, not kept."""
        rig = self._store.project.rig
        names = {d.name.casefold() for d in rig.devices}
        others = [r for r in self.rows if r.standing == "here" and r.name.casefold() not in names]
        key = tuple((r.id, r.name) for r in others)
        if self._rig is None or self._rig[0] is not rig or self._rig[1] != key:
            self._rig = (rig, key, _with_computers(rig, others))
        return self._rig[2]

    @property
    def on(self) -> bool:
        """Whether a session was asked for, by this window or another."""
        peers = self.peers
        return self.joined is not None or (peers is not None and peers.state != "off")

    @property
    def osc_on(self) -> bool:
        """Whether OSC was asked for, by this window or another."""
        peers = self.peers
        return self.osc is not None or (peers is not None and peers.osc is not None)

    @property
    def leads(self) -> bool:
        """Whether the session leads what plays here."""
        status = self._position.status
        return status is not None and status.follows == PEERS_ID

    def join(self) -> None:
        """Join the session that the rig names."""
        if self._link.state != "on":
            raise EditError(tr("there is no engine yet to join with"))
        self.joined = self._store.project.rig.network
        self._send_join()
        self._join_laptops()
        self._show_now()
        sealed = bool(passphrase_of(self.joined.name))
        how = tr("with its passphrase") if sealed else tr("open: others' tempi wait to be accepted")
        self._notices.say(
            "info",
            tr("Joining {joined}, {how}. {tempo}", joined=self.joined.name, how=how,
               tempo=self.tempo_words),
        )  # fmt: skip

    @property
    def tempo_words(self) -> str:
        """Whose tempo it will be, in a sentence: said before anything is done."""
        bpm = self._position.written_bpm
        if self._store.project.rig.network.brings_tempo:
            return tr("Run brings all of them to this song's {bpm:g} BPM.", bpm=bpm)
        return tr("What runs here takes their tempo, not the song's {bpm:g} BPM.", bpm=bpm)

    def leave(self) -> None:
        """Leave it; what plays goes on."""
        self.joined = None
        self.offsets.clear()
        self._seen = None
        self.laptops.end()
        self._link.tell(Join())
        self._notices.say("info", tr("The session was left. What plays here goes on."))

    def toggle(self) -> None:
        """Join or leave."""
        if self.on:
            self.leave()
        else:
            self.join()

    def toggle_osc(self) -> None:
        """Listen to remote surfaces, or no longer."""
        if self.osc_on:
            self.osc = None
            self._notices.say("info", tr("OSC is off."))
        else:
            self.osc = self._store.project.rig.osc
            where = tr("others, too") if self.osc.senders else tr("this computer only")
            self._notices.say(
                "info",
                tr("OSC listens at port {port}, to {where}.", port=self.osc.port, where=where),
            )
        self._link.tell(Osc(use=self.osc))
        self._show_now()

    def renew(self) -> None:
        """Another engine is there: it is told what is on."""
        self._ports = ()
        if self.joined is not None:
            self._send_join()
        if self.osc is not None:
            self._link.tell(Osc(use=self.osc))
        self._tell_ports()
        self._show_now()

    def _send_join(self) -> None:
        use = self.joined
        assert use is not None
        self._link.tell(
            Join(use=use, passphrase=passphrase_of(use.name), bpm=self._position.written_bpm)
        )

    def passphrase_changed(self) -> None:
        """Another passphrase was typed: what is joined is joined anew with it."""
        if self.joined is not None:
            self._send_join()
            self._join_laptops()

    def _join_laptops(self) -> None:
        assert self.joined is not None
        self.laptops.start(self._store.project.rig, self.joined, self._position.written_bpm)

    def settings_changed(self) -> None:
        """The rig's settings are others: what is on takes them."""
        rig = self._store.project.rig
        if self.joined is not None and rig.network != self.joined:
            self.joined = rig.network
            self._send_join()
            self._join_laptops()
        if self.osc is not None and rig.osc != self.osc:
            self.osc = rig.osc
            self._link.tell(Osc(use=self.osc))

    def document_sent(self) -> None:
        """The engine has been given the document as it is now: so are those that name things by
        it, and ports on the network."""
        self._tell_ports()
        self._stale = True

    def _tell_ports(self) -> None:
        ports = rtp_ports(self._store.project.rig.devices)
        if ports != self._ports:
            self._ports = ports
            self._link.tell(CarryRtp(ports=ports))

    def _show_now(self) -> None:
        """The document, where anybody wants it."""
        if not self.on and not self.osc_on:
            return
        self._stale, self._shown_ns = False, self._position.now_ns()
        self._link.tell(
            ShowDocument(
                project=project_bytes(without_hits(self._store.project)),
                song=self._selection.song_id,
                set=self._selection.set_id,
                whole_set=self._selection.whole_set,
            )
        )

    def watch(self, name: str) -> None:
        """Another computer's stage, in a window of its own."""
        let_go(start_display(self._store.project.rig.network, name))

    def accept(self, peer: str) -> None:
        """A peer's word counts from now on."""
        self._link.tell(AcceptPeer(peer=peer))

    def accept_next(self) -> None:
        """Accept the first that waits. EditError where nobody does."""
        row = next((r for r in self.rows if not r.accepted), None)
        if row is None:
            raise EditError(tr("nobody waits to be accepted"))
        self.accept(row.id)
        self._notices.say("info", tr("{row}'s tempo and starts count from now on.", row=row.name))

    def takes_tempo(self, bpm: float) -> bool:
        """Give a tempo to the session, where songs do not bring theirs; whether it was given."""
        if not self.leads or self._store.project.rig.network.brings_tempo:
            return False
        self._link.tell(Propose(bpm=bpm))
        return True

    def take(self, status: Status) -> None:
        """Remember offsets; say who came, who went, who asks for what."""
        peers = status.peers
        if peers is None:
            return
        if self._stale and status.at_ns - self._shown_ns > SHOW_EVERY_NS:
            self._show_now()  # all of it is written out for that: not with every key
        here = {r.id: r.name for r in peers.rows if r.standing == "here"}
        for row in peers.rows:
            if row.offset_ms is not None:
                kept = self.offsets.setdefault(row.id, deque(maxlen=KEPT))
                if not kept or kept[-1][1] != row.offset_ms:
                    kept.append((status.at_ns, row.offset_ms))
            wish = (row.id, row.asks_bpm)
            if row.asks_bpm and wish not in self._asked:
                self._asked.add(wish)
                text = tr(
                    "{row} would have {asks_bpm:g} BPM: {accept_peer} accepts it.",
                    row=row.name,
                    asks_bpm=row.asks_bpm,
                    accept_peer=told("accept_peer"),
                )
                self._notices.say("warn", text)
        if peers.state == "in":
            known = self._seen
            if known is not None:
                for came in here.keys() - known.keys():
                    self._notices.say("info", tr("{here} is in the session.", here=here[came]))
                for went in known.keys() - here.keys():
                    self._notices.say(
                        "warn", tr("{known} has left the session.", known=known[went])
                    )
                    self.offsets.pop(went, None)
            self._seen = here
