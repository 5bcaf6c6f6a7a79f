"""The recovery journal of MIDI over RTP (RFC 6295, section 5 and appendix A and B).

What a receiver has to know to be where the sender is, whatever got lost since
the checkpoint: chapters P (program and bank), C (controllers), W (wheel),
N (notes), T (channel pressure) of every channel, and Q (clock, start, stop) of
the system. Enough for all that Grebe sends or routes but poly pressure, parameter numbers
and system exclusive.
"""

from __future__ import annotations

import struct
from collections.abc import Iterable, Iterator
from dataclasses import dataclass, field

from grebe.errors import ProtocolError
from grebe.protocols.midi import messages as midi

S, Y, A, H = 0x80, 0x40, 0x20, 0x10
CHAPTERS = "PCMWNETA"
CLOCKS_PER_SIXTEENTH = 6
MOST_CLOCKS = 24
"""So many lost ones are made up for one by one; after more, a position is told."""


@dataclass
class ChannelState:
    """One channel, as far as it was ever set. Numbers of packets are extended ones."""

    program: tuple[int, int | None, int | None] | None = None
    """Program, bank MSB, bank LSB as they held when it was chosen."""
    controllers: dict[int, int] = field(default_factory=dict)
    wheel: tuple[int, int] | None = None
    pressure: int | None = None
    notes: dict[int, int] = field(default_factory=dict)
    """Velocity of what sounds."""
    ended: set[int] = field(default_factory=set)
    """Notes that were ended, to be ended again for those that missed it."""
    when: dict[tuple[str, int], int] = field(default_factory=dict)
    """The packet each thing was set in last."""


@dataclass
class ClockState:
    """The sequencer: whether it runs and where, in MIDI clocks."""

    running: bool = False
    downbeat: bool = False
    """Whether the first clock after the start has been."""
    clocks: int = 0
    known: bool = False
    when: int = -1


@dataclass
class History:
    """All that has been sent, or heard."""

    channels: dict[int, ChannelState] = field(default_factory=dict)
    clock: ClockState = field(default_factory=ClockState)

    def take(self, message: bytes, packet: int) -> None:
        """One message, in a packet of this extended number."""
        status = message[0]
        if status >= 0xF0:
            self._take_system(message, packet)
            return
        channel = self.channels.setdefault(status & 15, ChannelState())
        kind, first = status & 0xF0, message[1]
        if kind == midi.NOTE_ON and message[2]:
            channel.notes[first] = message[2]
            channel.ended.discard(first)
            channel.when["N", first] = packet
        elif kind in (midi.NOTE_ON, midi.NOTE_OFF):
            channel.notes.pop(first, None)
            channel.ended.add(first)
            channel.when["N", first] = packet
        elif kind == midi.CONTROL_CHANGE:
            channel.controllers[first] = message[2]
            channel.when["C", first] = packet
            if first in (midi.ALL_NOTES_OFF, midi.ALL_SOUND_OFF):
                channel.notes.clear()
        elif kind == midi.PROGRAM_CHANGE:
            controllers = channel.controllers
            channel.program = (first, controllers.get(0), controllers.get(32))
            channel.when["P", 0] = packet
        elif kind == 0xE0:
            channel.wheel = (first, message[2])
            channel.when["W", 0] = packet
        elif kind == 0xD0:
            channel.pressure = first
            channel.when["T", 0] = packet

    def _take_system(self, message: bytes, packet: int) -> None:
        clock, status = self.clock, message[0]
        if status == midi.START:
            clock.running, clock.downbeat, clock.clocks = True, False, 0
        elif status == midi.CONTINUE:
            clock.running, clock.downbeat = True, False
        elif status == midi.STOP:
            clock.running = False
        elif status == midi.SONG_POSITION:
            clock.clocks = (message[1] | message[2] << 7) * CLOCKS_PER_SIXTEENTH
        elif status == midi.TIMING_CLOCK and clock.running:
            clock.clocks += clock.downbeat
            clock.downbeat = True
        else:
            return
        clock.known, clock.when = True, packet

    # Writing

    def journal(self, checkpoint: int, packet: int) -> bytes:
        """What packet `packet` has to carry of all that packets from the checkpoint on have set."""
        channels = [
            made
            for number in sorted(self.channels)
            if (made := self._channel(number, checkpoint, packet - 1))
        ]
        system = self._system(checkpoint, packet - 1)
        recent = [made for made in (*channels, system) if made and not made[0] & S]
        flags = 0 if recent else S
        if system:
            flags |= Y
        if channels:
            flags |= A | len(channels) - 1
        head = struct.pack(">BH", flags, checkpoint & 0xFFFF)
        return head + system + b"".join(channels)

    def _system(self, checkpoint: int, last: int) -> bytes:
        clock = self.clock
        if not clock.known or clock.when < checkpoint:
            return b""
        old = S if clock.when < last else 0
        top, low = clock.clocks >> 16 & 7, clock.clocks & 0xFFFF
        flags = old | (0x40 if clock.running else 0) | (0x20 if clock.downbeat else 0) | 0x10 | top
        chapter = struct.pack(">BH", flags, low)
        return struct.pack(">H", (old | 0x10) << 8 | len(chapter) + 2) + chapter

    def _channel(self, number: int, checkpoint: int, last: int) -> bytes:
        state = self.channels[number]
        fresh = {key for key, when in state.when.items() if when >= checkpoint}
        if not fresh:
            return b""
        parts = {
            "P": self._program(state, fresh, last),
            "C": self._controllers(state, fresh, last),
            "W": self._wheel(state, fresh, last),
            "N": self._notes(state, fresh, last),
            "T": self._pressure(state, fresh, last),
        }
        table = sum(0x80 >> i for i, name in enumerate(CHAPTERS) if parts.get(name))
        body = b"".join(parts.get(name, b"") for name in CHAPTERS)
        length = len(body) + 3
        old = 0 if any(state.when[key] >= last for key in fresh) else S
        return bytes((old | number << 3 | length >> 8, length & 0xFF, table)) + body

    def _program(self, state: ChannelState, fresh: set[tuple[str, int]], last: int) -> bytes:
        if ("P", 0) not in fresh or state.program is None:
            return b""
        program, msb, lsb = state.program
        bank = 0x80 if msb is not None or lsb is not None else 0
        return bytes((_old(state, "P", 0, last) | program, bank | (msb or 0), lsb or 0))

    def _controllers(self, state: ChannelState, fresh: set[tuple[str, int]], last: int) -> bytes:
        numbers = sorted(n for kind, n in fresh if kind == "C")
        if not numbers:
            return b""
        logs = [bytes((_old(state, "C", n, last) | n, state.controllers[n])) for n in numbers]
        old = S if all(log[0] & S for log in logs) else 0
        return bytes((old | len(logs) - 1,)) + b"".join(logs)

    def _wheel(self, state: ChannelState, fresh: set[tuple[str, int]], last: int) -> bytes:
        if ("W", 0) not in fresh or state.wheel is None:
            return b""
        return bytes((_old(state, "W", 0, last) | state.wheel[0], state.wheel[1]))

    def _pressure(self, state: ChannelState, fresh: set[tuple[str, int]], last: int) -> bytes:
        if ("T", 0) not in fresh or state.pressure is None:
            return b""
        return bytes((_old(state, "T", 0, last) | state.pressure,))

    def _notes(self, state: ChannelState, fresh: set[tuple[str, int]], last: int) -> bytes:
        numbers = {n for kind, n in fresh if kind == "N"}
        if not numbers:
            return b""
        on = sorted(numbers & state.notes.keys())
        off = sorted(numbers & state.ended - state.notes.keys())
        logs = b""
        for n in on:
            now = state.when["N", n] >= last
            logs += bytes((_old(state, "N", n, last) | n, (0x80 if now else 0) | state.notes[n]))
        low, high = (off[0] // 8, off[-1] // 8) if off else (15, 0)
        bits = bytearray(max(0, high - low + 1))
        for n in off:
            bits[n // 8 - low] |= 0x80 >> n % 8
        recent = any(state.when["N", n] >= last for n in off)
        count = len(on)
        if count == 128:
            count, low, high = 127, 15, 0
        elif count == 127 and not off:
            high = 1
        return bytes(((0 if recent else S) | count, low << 4 | high)) + logs + bytes(bits)

    # Repairing

    def repair(self, journal: bytes, packet: int) -> list[bytes]:
        """Messages that bring a receiver to where the sender was before `packet`.

        They are taken into this history, too. ProtocolError for a damaged journal.
        """
        system, channels = parse(journal)
        out: list[bytes] = []
        for number, chapters in channels:
            out += self._repair_channel(number, chapters)
        if system is not None:
            out += self._repair_clock(system)
        for message in out:
            self.take(message, packet - 1)
        if system is not None:
            self.clock.clocks, self.clock.downbeat = system.clocks, system.downbeat
        return out

    def _repair_channel(self, number: int, found: ChannelState) -> Iterator[bytes]:
        mine = self.channels.setdefault(number, ChannelState())
        if found.program is not None:
            program, msb, lsb = found.program
            if mine.program is None or mine.program[0] != program:
                for controller, value in ((0, msb), (32, lsb)):
                    if value is not None and mine.controllers.get(controller) != value:
                        yield bytes((midi.CONTROL_CHANGE | number, controller, value))
                yield bytes((midi.PROGRAM_CHANGE | number, program))
        for controller, value in found.controllers.items():
            if mine.controllers.get(controller) != value:
                yield bytes((midi.CONTROL_CHANGE | number, controller, value))
        if found.wheel is not None and mine.wheel != found.wheel:
            yield bytes((0xE0 | number, *found.wheel))
        if found.pressure is not None and mine.pressure != found.pressure:
            yield bytes((0xD0 | number, found.pressure))
        for note in sorted(found.ended & mine.notes.keys()):
            yield bytes((midi.NOTE_OFF | number, note, 64))
        for note, velocity in found.notes.items():
            if note not in mine.notes and note in found.ended:
                continue
            if note not in mine.notes and found.when.get(("N", note)):
                yield bytes((midi.NOTE_ON | number, note, velocity))

    def _repair_clock(self, found: ClockState) -> Iterator[bytes]:
        mine = self.clock
        missing = found.clocks - mine.clocks
        if found.downbeat and not mine.downbeat:
            missing += 1  # the first clock after a start is where it starts
        if mine.running and not found.running:
            yield from [bytes((midi.TIMING_CLOCK,))] * max(0, min(MOST_CLOCKS, missing))
            yield bytes((midi.STOP,))
        elif not mine.running and not found.running:
            if missing:  # it ran and stopped meanwhile, or was put elsewhere
                yield _position(found.clocks)
        elif found.running and mine.running and found.downbeat and 0 <= missing <= MOST_CLOCKS:
            yield from [bytes((midi.TIMING_CLOCK,))] * missing
        elif found.running and (not mine.running or missing or mine.downbeat):
            if mine.running:
                yield bytes((midi.STOP,))
            yield from _start(found)


def _start(found: ClockState) -> Iterator[bytes]:
    """Start, or go on from a position, with the clocks that have been since."""
    rest = found.clocks % CLOCKS_PER_SIXTEENTH
    if found.clocks:
        yield _position(found.clocks)
        yield bytes((midi.CONTINUE,))
    else:
        yield bytes((midi.START,))
    if found.downbeat:
        yield from [bytes((midi.TIMING_CLOCK,))] * (rest + 1)


def _position(clocks: int) -> bytes:
    position = clocks // CLOCKS_PER_SIXTEENTH
    return bytes((midi.SONG_POSITION, position & 0x7F, position >> 7 & 0x7F))


def _old(state: ChannelState, kind: str, number: int, last: int) -> int:
    """The S bit: set for what the packet just before did not set."""
    return S if state.when[kind, number] < last else 0


# Reading


def parse(journal: bytes) -> tuple[ClockState | None, list[tuple[int, ChannelState]]]:
    """A journal's clock, and its channels. ProtocolError for a damaged one.

    In what is read, `when` marks notes that are to be played although late.
    """
    if len(journal) < 3:
        raise ProtocolError("a journal cut short")
    flags, rest = journal[0], journal[3:]
    system: ClockState | None = None
    if flags & Y:
        body, rest, chapters = _cut(rest, 2, "a system journal")
        system = _read_system(body, chapters)
    channels: list[tuple[int, ChannelState]] = []
    if flags & A:
        for _ in range((flags & 15) + 1):
            if len(rest) < 3:
                raise ProtocolError("a channel journal cut short")
            number, table = rest[0] >> 3 & 15, rest[2]
            length = (rest[0] & 3) << 8 | rest[1]
            body, rest = rest[3:length], rest[length:]
            if length < 3 or len(body) != length - 3:
                raise ProtocolError("a channel journal cut short")
            channels.append((number, _read_channel(body, table)))
    return system, channels


def _cut(data: bytes, head: int, what: str) -> tuple[bytes, bytes, int]:
    if len(data) < head:
        raise ProtocolError(f"{what} cut short")
    length = (data[0] & 3) << 8 | data[1]
    if length < head or length > len(data):
        raise ProtocolError(f"{what} cut short")
    return data[head:length], data[length:], data[0]


def _read_system(body: bytes, chapters: int) -> ClockState | None:
    """Chapter Q, which follows D and V; D is skipped only where it is a byte long."""
    if not chapters & 0x10:
        return None
    at = 0
    if chapters & 0x40:
        raise ProtocolError("a chapter D, which is not known here")
    if chapters & 0x20:
        at += 1
    if len(body) < at + 1:
        raise ProtocolError("chapter Q cut short")
    flags = body[at]
    clock = ClockState(bool(flags & 0x40), bool(flags & 0x20), 0, True)
    if flags & 0x10:
        if len(body) < at + 3:
            raise ProtocolError("chapter Q cut short")
        clock.clocks = (flags & 7) << 16 | body[at + 1] << 8 | body[at + 2]
    return clock


def _read_channel(body: bytes, table: int) -> ChannelState:
    state = ChannelState()
    present = [name for i, name in enumerate(CHAPTERS) if table & 0x80 >> i]
    for name in present:
        if name == "M" or name == "E" or name == "A":
            break  # not known here: what follows cannot be found
        body = _READERS[name](state, body)
    return state


def _take(body: bytes, count: int) -> tuple[bytes, bytes]:
    if len(body) < count:
        raise ProtocolError("a chapter cut short")
    return body[:count], body[count:]


def _read_program(state: ChannelState, body: bytes) -> bytes:
    chapter, rest = _take(body, 3)
    bank = chapter[1] & 0x80
    msb, lsb = (chapter[1] & 0x7F, chapter[2] & 0x7F) if bank else (None, None)
    state.program = (chapter[0] & 0x7F, msb, lsb)
    return rest


def _read_controllers(state: ChannelState, body: bytes) -> bytes:
    head, rest = _take(body, 1)
    logs, rest = _take(rest, 2 * ((head[0] & 0x7F) + 1))
    for number, value in zip(logs[::2], logs[1::2], strict=True):
        if not value & 0x80:  # a value; counts and toggles are not kept here
            state.controllers[number & 0x7F] = value
    return rest


def _read_wheel(state: ChannelState, body: bytes) -> bytes:
    chapter, rest = _take(body, 2)
    state.wheel = (chapter[0] & 0x7F, chapter[1] & 0x7F)
    return rest


def _read_pressure(state: ChannelState, body: bytes) -> bytes:
    chapter, rest = _take(body, 1)
    state.pressure = chapter[0] & 0x7F
    return rest


def _read_notes(state: ChannelState, body: bytes) -> bytes:
    head, rest = _take(body, 2)
    count, low, high = head[0] & 0x7F, head[1] >> 4, head[1] & 15
    if count == 127 and (low, high) == (15, 0):
        count = 128
    logs, rest = _take(rest, 2 * count)
    for number, velocity in zip(logs[::2], logs[1::2], strict=True):
        note = number & 0x7F
        state.notes[note] = max(1, velocity & 0x7F)
        if velocity & 0x80:
            state.when["N", note] = 1
    bits, rest = _take(rest, max(0, high - low + 1))
    state.ended |= set(_set_bits(bits, low))
    return rest


def _set_bits(bits: Iterable[int], low: int) -> Iterator[int]:
    for index, byte in enumerate(bits):
        for bit in range(8):
            if byte & 0x80 >> bit:
                yield (low + index) * 8 + bit


_READERS = {
    "P": _read_program,
    "C": _read_controllers,
    "W": _read_wheel,
    "N": _read_notes,
    "T": _read_pressure,
}
