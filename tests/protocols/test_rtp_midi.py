"""MIDI over RTP: packets built by hand from RFC 6295 and RFC 3550, and streams that lose some."""

from __future__ import annotations

import shutil
import subprocess
from itertools import pairwise
from pathlib import Path
from random import Random

import pytest
from hypothesis import given
from hypothesis import strategies as st

from grebe.errors import ProtocolError
from grebe.protocols.midi import messages as midi
from grebe.protocols.rtp.commands import (
    Command,
    CommandSection,
    decode_delta,
    decode_section,
    encode_delta,
    encode_section,
)
from grebe.protocols.rtp.journal import History, parse
from grebe.protocols.rtp.packets import (
    Reception,
    Rtp,
    decode_receptions,
    decode_rtp,
    encode_reception,
    encode_rtp,
)
from grebe.protocols.rtp.stream import Receiver, Sender
from tests.long import tries

MS = 1_000_000
T0 = 10**15


def on(note: int, velocity: int = 100, channel: int = 0) -> bytes:
    return bytes((0x90 | channel, note, velocity))


def off(note: int, channel: int = 0) -> bytes:
    return bytes((0x80 | channel, note, 64))


# Bytes


def test_an_rtp_packet_is_these_bytes() -> None:
    """RFC 3550, section 5.1: V=2, marker, type 97, number, stamp, source."""
    packet = Rtp(True, 97, 0x1234, 0x01020304, 0xAABBCCDD, b"\x01\xf8")
    wanted = bytes.fromhex("80 e1 1234 01020304 aabbccdd 01 f8")
    assert encode_rtp(packet) == wanted
    assert decode_rtp(wanted) == packet
    # With one contributing source, an extension of one word, and two bytes of padding.
    padded = bytes.fromhex("b1 61 1234 01020304 aabbccdd 00000009 beef0001 11111111 01f8 0002")
    assert decode_rtp(padded).payload == b"\x01\xf8"


@pytest.mark.parametrize(
    ("ticks", "coded"),
    [(0, "00"), (0x40, "40"), (0x7F, "7f"), (0x80, "8100"), (0x2000, "c000"), (0x3FFF, "ff7f"),
     (0x4000, "818000"), (0x1FFFFF, "ffff7f"), (0x200000, "81808000"), (0xFFFFFFF, "ffffff7f")],
)  # fmt: skip
def test_delta_times_are_those_of_standard_midi_files(ticks: int, coded: str) -> None:
    """Standard MIDI File 1.0's own table of variable-length numbers; RFC 6295 codes the same."""
    assert encode_delta(ticks).hex() == coded
    assert decode_delta(bytes.fromhex(coded), 0) == (ticks, len(coded) // 2)


def test_a_short_list_is_these_bytes() -> None:
    """RFC 6295, figure 2: header B J Z P and LEN; the second command has its delta time."""
    section = CommandSection((Command(0, b"\xfa"), Command(96, b"\xf8"), Command(96, on(60))))
    wanted = bytes.fromhex("07 fa 60f8 00 903c64")
    assert encode_section(section) == wanted
    assert decode_section(wanted) == section


def test_a_first_command_after_the_stamp_has_a_delta_time_too() -> None:
    """Z is set (0x20)."""
    section = CommandSection((Command(5, b"\xf8"),))
    assert encode_section(section).hex() == "2205f8"
    assert decode_section(bytes.fromhex("2205f8")) == section


def test_a_long_list_has_a_length_of_twelve_bits() -> None:
    """B is set: 20 bytes."""
    section = CommandSection(tuple(Command(0, on(60 + i)) for i in range(5)), b"")
    data = encode_section(section)
    assert data[:2] == bytes((0x80, 19))
    assert decode_section(data) == section


def test_running_status_and_empty_last_commands_are_read() -> None:
    """RFC 6295, section 3.2: a sender may leave a status out, and end with a delta time."""
    assert decode_section(bytes.fromhex("09 903c64 00 4064 02 f8 05")).commands == (
        Command(0, on(60)),
        Command(0, on(64)),
        Command(2, b"\xf8"),
    )
    assert decode_section(bytes.fromhex("08 f0 01 02 f7 00 90 3c 64")).commands == (
        Command(0, on(60)),
    )


def test_a_journal_is_these_bytes() -> None:
    """By hand from RFC 6295, section 5 and appendices A and B; checked with a dissector too.

    Packet 100 held Start, the first clock and a note on; packet 101 carries all of it:
    header (Y, A, one channel, checkpoint 100), system journal (Q, five bytes: running, downbeat,
    clock 0), channel 1 of seven bytes with chapter N: B set, one log, no note off.
    """
    history = History()
    for message in (b"\xfa", b"\xf8", on(60)):
        history.take(message, 100)
    wanted = "60 0064" + "10 05" + "70 0000" + "00 07 08" + "81 f0" + "3c e4"
    assert history.journal(100, 101).hex(" ") == bytes.fromhex(wanted).hex(" ")


def test_a_journal_of_program_bank_controllers_and_an_ended_note() -> None:
    """The packet before held the note's end, so its chapter's B is clear; the rest is older."""
    history = History()
    history.take(bytes((0xB2, 0, 1)), 100)
    history.take(bytes((0xB2, 32, 2)), 100)
    history.take(bytes((0xC2, 7)), 100)
    history.take(on(60, channel=2), 101)
    history.take(off(60, channel=2), 102)
    body = "87 81 02" + "81 80 01 a0 02" + "00 77 08"  # P; C: two old logs; N: bit 3 of octet 7
    head = f"20 0064 10 {len(bytes.fromhex(body)) + 3:02x} c8"
    assert history.journal(100, 103).hex(" ") == bytes.fromhex(head + body).hex(" ")


def test_what_the_receiver_has_is_left_out() -> None:
    """From the checkpoint on only; with nothing since, three bytes with S set."""
    history = History()
    history.take(on(60), 100)
    history.take(bytes((0xB0, 7, 90)), 105)
    _, channels = parse(history.journal(102, 107))
    assert channels[0][1].controllers == {7: 90}
    assert channels[0][1].notes == {}
    assert history.journal(106, 108).hex() == "80006a"


def test_a_receiver_report_is_these_bytes() -> None:
    """RFC 3550, section 6.4.2, with the CNAME that section 6.1 asks for."""
    report = Reception(0x11111111, 0x22222222, 25, 3, 0x00010203, 0)
    data = encode_reception(report, b"grebe")
    assert data.hex() == (
        "81c90007 11111111 22222222 19 000003 00010203 00000000 00000000 00000000"
        "81ca0003 11111111 01056772 65626500"
    ).replace(" ", "")  # fmt: skip
    assert decode_receptions(data) == [report]
    for length in range(1, len(data)):
        if length != 32:
            with pytest.raises(ProtocolError):
                decode_receptions(data[:length])


# Streams


def play(messages: list[tuple[int, bytes]], lost: set[int], *, reports: bool = True,
         jitter: Random | None = None) -> tuple[list[tuple[int, bytes]], Receiver]:  # fmt: skip
    """Each message in a packet of its own, some lost; what arrives, with when it is due."""
    sender, receiver = Sender(7, 65_500, 2**32 - 5_000), Receiver(8)
    out: list[tuple[int, bytes]] = []
    for number, (at_ns, message) in enumerate(messages):
        data = sender.packet([(at_ns, message)])
        if number not in lost:
            late = round(jitter.expovariate(1 / 5) * MS) if jitter is not None else 0
            out += receiver.receive(data, at_ns + MS + late)
        if reports and number % 20 == 19 and (report := receiver.report()) is not None:
            sender.hear(report)
    return out, receiver


def state_after(messages: list[bytes]) -> tuple[object, ...]:
    """What a box would sound and be set to."""
    history = History()
    for message in messages:
        history.take(message, 0)
    channels = {
        n: (c.notes, c.controllers, c.program and c.program[0], c.wheel, c.pressure)
        for n, c in history.channels.items()
    }
    return channels, history.clock.running, history.clock.clocks


KINDS = ("clock", "clock", "on", "off", "cc", "program", "wheel", "run", "press")


def performance(dice: Random, length: int) -> list[tuple[int, bytes]]:
    """Clock, notes that end, controllers, programs, wheel, pressure, starts and stops."""
    out: list[tuple[int, bytes]] = [(T0, b"\xfa")]
    sounding: list[tuple[int, int]] = []
    running = True
    for i in range(1, length):
        at, channel = T0 + i * 10 * MS, dice.randrange(3)
        what = dice.choice(
            ("clock", "clock", "on", "off", "cc", "program", "wheel", "run", "press")
        )
        if what == "off" and sounding:
            channel, note = sounding.pop(dice.randrange(len(sounding)))
            out.append((at, off(note, channel)))
        elif what == "on":
            note = dice.randrange(128)
            if (channel, note) not in sounding:
                sounding.append((channel, note))
            out.append((at, on(note, dice.randrange(1, 128), channel)))
        elif what == "cc":
            number = dice.choice((0, 1, 7, 32, 64))
            out.append((at, bytes((0xB0 | channel, number, dice.randrange(128)))))
        elif what == "program":
            out.append((at, bytes((0xC0 | channel, dice.randrange(128)))))
        elif what == "wheel":
            out.append((at, bytes((0xE0 | channel, dice.randrange(128), dice.randrange(128)))))
        elif what == "press":
            out.append((at, bytes((0xD0 | channel, dice.randrange(128)))))
        elif what == "run" and i > 20 and dice.random() < 0.3:
            running = not running
            if running:  # as Grebe does: it says from where
                out.append((at, bytes((0xF2, dice.randrange(128), 0))))
            out.append((at, b"\xfb" if running else b"\xfc"))
        else:
            out.append((at, b"\xf8"))
    return out


def test_nothing_lost_arrives_as_it_was_sent() -> None:
    """Through the turn of packet numbers and stamps."""
    messages = performance(Random(1), 400)
    got, receiver = play(messages, set())
    assert [m for _, m in got] == [m for _, m in messages]
    assert receiver.lost == 0


@pytest.mark.parametrize("reports", [True, False])
@pytest.mark.parametrize("seed", range(tries(12)))
def test_the_journal_makes_up_for_lost_packets(seed: int, reports: bool) -> None:
    """After a fifth is lost at random, and bursts, all that sounds and is set is as it was sent.

    Notes that were on and off again inside a gap are left out, and one lost note on is played.
    """
    dice = Random(seed)
    messages = performance(dice, 500)
    lost = {i for i in range(5, len(messages) - 1) if dice.random() < 0.2} | set(range(200, 230))
    got, receiver = play(messages, lost, reports=reports)
    wanted, running, clocks = state_after([m for _, m in messages])
    found, ran, counted = state_after([m for _, m in got])
    assert ran == running
    assert counted == clocks
    for channel, (notes, controllers, program, wheel, pressure) in wanted.items():  # type: ignore[attr-defined]
        mine = found[channel]  # type: ignore[index]
        assert set(mine[0]) <= set(notes), "a note that hangs"
        # A chosen half of a bank comes with a 0 for the other: chapter P knows both or none.
        assert controllers.items() <= mine[1].items()
        assert mine[2:] == (program, wheel, pressure)
    assert receiver.lost == len(lost)


def test_no_note_hangs_when_only_its_end_was_lost() -> None:
    """The end comes with the next packet."""
    messages = [(T0, on(60)), (T0 + MS, off(60)), (T0 + 2 * MS, b"\xf8")]
    got, receiver = play(messages, {1})
    assert [m for _, m in got] == [on(60), off(60), b"\xf8"]
    assert receiver.repaired == 1


def test_a_lost_note_is_played_late_once_and_not_when_it_is_over() -> None:
    """One packet late it is played; two packets late it would be a wrong note."""
    got, _ = play([(T0, b"\xf8"), (T0 + MS, on(60)), (T0 + 2 * MS, b"\xf8")], {1})
    assert on(60) in [m for _, m in got]
    messages = [(T0, b"\xf8"), (T0 + MS, on(60)), (T0 + 2 * MS, off(60)), (T0 + 3 * MS, b"\xf8")]
    got, _ = play(messages, {1, 2})
    assert on(60) not in [m for _, m in got]


def test_a_lost_start_is_made_up_for_with_the_position() -> None:
    """The box is told where the sequencer is and to go on from there."""
    messages = [(T0, b"\xf8"), (T0 + MS, b"\xfa")]
    messages += [(T0 + (2 + i) * MS, b"\xf8") for i in range(15)]
    got, _ = play(messages, set(range(1, 14)))
    words = [m for _, m in got]
    at = words.index(b"\xfb")
    assert words[at - 1] == bytes((0xF2, 1, 0))  # eleven clocks after the first: one sixteenth
    # Six of the sixteenth and the rest, with those after: as many as were sent since Start.
    assert words[at:].count(b"\xf8") == 15 - 6


def test_stamps_take_the_networks_jitter_out_of_a_clock() -> None:
    """Five milliseconds of it going in; what is due is steady to a sample and a half."""
    step = 19_841_270
    got, _ = play([(T0 + i * step, b"\xf8") for i in range(400)], set(), jitter=Random(5))
    dues = [at for at, _ in got[100:]]
    off_by = [abs(b - a - step) for a, b in pairwise(dues)]
    arrivals = Random(5)
    jitter = [arrivals.expovariate(1 / 5) for _ in range(400)]
    assert max(jitter) > 20
    assert sorted(off_by)[int(0.9 * len(off_by))] < 32_000
    assert max(off_by) < 2 * MS  # when the quickest packet of late grows old


def test_late_and_repeated_packets_are_left_out() -> None:
    """The journal has made up for them."""
    sender, receiver = Sender(7), Receiver(8)
    one, two, three = (sender.packet([(T0 + i * MS, on(60 + i))]) for i in range(3))
    assert [m for _, m in receiver.receive(one, T0)] == [on(60)]
    assert [m for _, m in receiver.receive(three, T0)] == [on(61), on(62)]
    assert receiver.receive(two, T0) == []
    assert receiver.receive(three, T0) == []


def test_another_sender_ends_what_the_first_left_sounding() -> None:
    """As after a program was started again."""
    receiver = Receiver(8)
    receiver.receive(Sender(7).packet([(T0, on(60))]), T0)
    got = receiver.receive(Sender(9).packet([(T0, b"\xf8")]), T0)
    assert [m for _, m in got] == [off(60), b"\xf8"]


def test_a_journal_shrinks_when_the_receiver_has_told_what_came() -> None:
    """Closed loop, RFC 6295 section 2.2 and appendix C.2.2.2."""
    sender, receiver = Sender(7), Receiver(8)
    for i in range(50):
        data = sender.packet([(T0 + i * MS, bytes((0xB0, i, 1)))])
        receiver.receive(data, T0 + i * MS)
    long = len(data)
    report = receiver.report()
    assert report is not None
    sender.hear(report)
    assert len(sender.packet([(T0 + 60 * MS, b"\xf8")])) < long - 80
    sender.hear(encode_reception(Reception(1, 99, 0, 0, 5, 0), b"x"))  # of another's stream


@given(st.binary(max_size=80))
def test_any_payload_is_read_or_refused(data: bytes) -> None:
    """Never another error."""
    for read in (decode_section, parse, decode_rtp, decode_receptions):
        try:
            read(data)
        except ProtocolError:
            continue


def test_damaged_streams_are_read_or_refused() -> None:
    """Twenty thousand packets (a third of them as a rule) with bytes changed: no other error,
    whatever the journal says."""
    dice = Random(9)
    sender, receiver = Sender(7), Receiver(8)
    packets = [sender.packet([(at, m)]) for at, m in performance(dice, 300)]
    refused = 0
    for _ in range(tries(20_000)):
        data = bytearray(dice.choice(packets))
        for _ in range(dice.randrange(1, 4)):
            data[dice.randrange(len(data))] = dice.randrange(256)
        try:
            for _, message in receiver.receive(bytes(data), T0):
                assert all(b < 0x80 for b in message[1:])
        except ProtocolError:
            refused += 1
    assert refused > tries(500)
    assert midi.START == 0xFA


@pytest.mark.skipif(shutil.which("tshark") is None, reason="needs tshark's dissector")
def test_a_dissector_reads_the_same(tmp_path: Path) -> None:
    """tshark's RTP-MIDI: no malformed packet, and the commands and chapters that were sent.

    Its version 4.0.17 takes chapter Q's S bit for its T bit; so no packet here has that S bit set.
    """
    sender = Sender(7)
    packets = [
        sender.packet([(T0, b"\xfa"), (T0 + 2 * MS, b"\xf8"), (T0 + 2 * MS, on(60))]),
        sender.packet([(T0 + 9 * MS, b"\xf8"), (T0 + 9 * MS, bytes((0xC0, 7)))]),
        sender.packet([(T0 + 9 * MS, bytes((0xB0, 7, 90))), (T0 + 9 * MS, off(60))]),
    ]
    text = "".join("000000 " + " ".join(f"{b:02x}" for b in p) + "\n\n" for p in packets)
    (tmp_path / "x.txt").write_text(text)
    capture = str(tmp_path / "x.pcap")
    subprocess.run(["text2pcap", "-q", "-u", "5004,5004", tmp_path / "x.txt", capture], check=True)
    how = ["-d", "udp.port==5004,rtp", "-d", "rtp.pt==97,rtpmidi", "-V"]
    read = subprocess.run(["tshark", "-r", capture, *how], capture_output=True, text=True)
    assert "alformed" not in read.stdout
    for words in ("RT: Start", "Timing Clock", "Note On (c=1, n=C4, v=100)", "Chapter N Log Note",
                  "Chapter Q Sequencer State Clock: 1", "Chapter P Program: 7"):  # fmt: skip
        assert words in read.stdout
