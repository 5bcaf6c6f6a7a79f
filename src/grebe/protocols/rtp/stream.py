"""A stream of MIDI over RTP, sending and receiving, without sockets.

Stamps are of when each message is due, so a receiver can take the network's
jitter out of a clock. The journal is trimmed by what receivers report (the
closed-loop policy of RFC 6295); with no report it reaches back to the start.
"""

from __future__ import annotations

from collections import deque

from grebe.protocols.midi import messages as midi
from grebe.protocols.rtp.commands import Command, CommandSection, decode_section, encode_section
from grebe.protocols.rtp.journal import History
from grebe.protocols.rtp.packets import (
    PAYLOAD_TYPE,
    Reception,
    Rtp,
    decode_receptions,
    decode_rtp,
    encode_reception,
    encode_rtp,
)

RATE = 48_000
"""Ticks of the RTP clock a second."""
NEW_STREAM_GAP = 3_000
"""A sequence number farther off than this is another stream's (RFC 3550's MAX_DROPOUT)."""
WINDOW_NS = 5_000_000_000
"""Arrivals against stamps are compared over so long: skew is a quarter millisecond in it."""
MOST_KEPT = 2_000
Timed = tuple[int, bytes]
"""(CLOCK_MONOTONIC_RAW in ns, whole MIDI message)."""


class Sender:
    """One stream out: makes packets, each with the journal that makes up for lost ones."""

    def __init__(
        self, ssrc: int, first_seq: int = 0, first_stamp: int = 0, rate: int = RATE
    ) -> None:
        self.ssrc = ssrc
        self._rate = rate
        self._next = first_seq
        """Extended number of the next packet."""
        self._stamp = first_stamp
        self._base_ns: int | None = None
        self._checkpoint = first_seq
        self._first = first_seq
        self._history = History()

    def packet(self, messages: list[Timed]) -> bytes:
        """A packet of messages in order of when they are due. Those of the past keep their time."""
        if self._base_ns is None:
            self._base_ns = messages[0][0]
        stamps = [self._ticks(at_ns) for at_ns, _ in messages]
        base = stamps[0]
        commands = tuple(
            Command(max(0, stamp - base), data)
            for stamp, (_, data) in zip(stamps, messages, strict=True)
        )
        number = self._next
        journal = b""
        if number > self._first:
            journal = self._history.journal(min(self._checkpoint, number - 1), number)
        payload = encode_section(CommandSection(commands, journal))
        for _, data in messages:
            self._history.take(data, number)
        self._next += 1
        stamp = (self._stamp + base) & 0xFFFFFFFF
        return encode_rtp(Rtp(True, PAYLOAD_TYPE, number & 0xFFFF, stamp, self.ssrc, payload))

    def hear(self, data: bytes) -> None:
        """A receiver reports. ProtocolError for what is no report."""
        for report in decode_receptions(data):
            if report.source == self.ssrc:
                got = self._first + (report.highest - self._first & 0xFFFFFFFF)
                self._has_come(got)

    def has_come(self, seq: int) -> None:
        """All up to a packet has come, as a session's feedback says it: by its 16 bit number."""
        last = self._next - 1
        self._has_come(last - (last - seq & 0xFFFF))

    def _has_come(self, number: int) -> None:
        if self._checkpoint <= number < self._next:
            self._checkpoint = number

    def _ticks(self, at_ns: int) -> int:
        assert self._base_ns is not None
        return round((at_ns - self._base_ns) * self._rate / 1e9)


class Receiver:
    """One stream in, whoever sends it."""

    def __init__(self, own_ssrc: int, rate: int = RATE) -> None:
        self.own_ssrc = own_ssrc
        self._rate = rate
        self.source: int | None = None
        self.received = self.lost = self.repaired = 0
        """Packets; those that never came; messages made up for them."""
        self._history = History()
        self._highest = self._first = 0
        self._stamp = 0
        """The latest stamp, extended."""
        self._arrivals: deque[tuple[int, int]] = deque(maxlen=MOST_KEPT)
        """(when it came, when it came less its stamp), both in ns, least of the latter in front."""
        self._last_clock_ns: int | None = None
        self._reported = (0, 0)

    def receive(self, data: bytes, at_ns: int) -> list[Timed]:
        """Messages of a packet, and those that make up for lost ones. ProtocolError for a bad one.

        Packets that come late or twice are left out: the journal has made up for them.
        """
        packet = decode_rtp(data)
        section = decode_section(packet.payload)
        out: list[Timed] = []
        if packet.ssrc != self.source:
            out += self._begin(packet, at_ns)
            behind = 0
        else:
            behind = (packet.seq - self._highest + 0x8000 & 0xFFFF) - 0x8000
            if behind <= 0 and behind > -NEW_STREAM_GAP:
                return out
            if abs(behind) > NEW_STREAM_GAP:
                out += self._begin(packet, at_ns)
                behind = 0
        number = self._highest + behind
        gone = behind - 1 if behind else 0
        base_ns = self._due_ns(packet.timestamp, at_ns)
        if gone or not behind:
            out += self._mend(section, number, base_ns, gone)
        self._highest = number
        self.received += 1
        self.lost += gone
        for after, message in section.commands:
            due = base_ns + round(after * 1e9 / self._rate)
            self._history.take(message, number)
            if message[0] == midi.TIMING_CLOCK:
                self._last_clock_ns = due
            out.append((due, message))
        return out

    def _begin(self, packet: Rtp, at_ns: int) -> list[Timed]:
        """Another stream: what sounded of the one before is ended."""
        ends = self._silence(at_ns)
        self.source, self._history = packet.ssrc, History()
        self._highest = self._first = packet.seq
        self._stamp = packet.timestamp
        self._arrivals.clear()
        self.received = self.lost = 0
        return ends

    def _silence(self, at_ns: int) -> list[Timed]:
        return [
            (at_ns, bytes((midi.NOTE_OFF | number, note, 64)))
            for number, channel in self._history.channels.items()
            for note in channel.notes
        ]

    def _mend(self, section: CommandSection, number: int, base_ns: int, gone: int) -> list[Timed]:
        if not section.journal:
            return self._silence(base_ns) if gone else []
        made = self._history.repair(section.journal, number)
        self.repaired += len(made) if gone else 0
        clocks = sum(m[0] == midi.TIMING_CLOCK for m in made)
        begin = self._last_clock_ns
        if begin is None or any(m[0] in (midi.START, midi.CONTINUE) for m in made):
            return [(base_ns, m) for m in made]
        out = [(base_ns, m) for m in made if m[0] != midi.TIMING_CLOCK]
        step = (base_ns - begin) / (clocks + 1)  # where they would have been, not all at once
        out += [(round(begin + step * (i + 1)), b"\xf8") for i in range(clocks)]
        return sorted(out, key=lambda timed: timed[0])

    def _due_ns(self, timestamp: int, at_ns: int) -> int:
        """When a stamp is due here: as late after it as the quickest packet of late was."""
        self._stamp += (timestamp - self._stamp + 0x80000000 & 0xFFFFFFFF) - 0x80000000
        stamp_ns = round(self._stamp * 1e9 / self._rate)
        late = at_ns - stamp_ns
        kept = self._arrivals
        while kept and kept[0][0] < at_ns - WINDOW_NS:
            kept.popleft()
        while kept and kept[-1][1] >= late:
            kept.pop()
        kept.append((at_ns, late))
        return stamp_ns + kept[0][1]

    @property
    def highest(self) -> int:
        """Extended number of the latest packet."""
        return self._highest

    def report(self) -> bytes | None:
        """What to tell the sender; None while nothing has come."""
        if self.source is None:
            return None
        expected = self._highest - self._first + 1
        lost = max(0, expected - self.received)
        before_expected, before_received = self._reported
        interval = expected - before_expected
        missing = interval - (self.received - before_received)
        share = max(0, min(255, 256 * missing // interval)) if interval > 0 else 0
        self._reported = (expected, self.received)
        found = Reception(self.own_ssrc, self.source, share, lost, self._highest & 0xFFFFFFFF, 0)
        return encode_reception(found, b"grebe")
