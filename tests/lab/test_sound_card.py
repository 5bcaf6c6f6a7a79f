"""A sound card of the kernel's: pulses out of it, pulled and plugged while they play."""

from __future__ import annotations

import msgspec
import numpy as np
import pytest

from grebe.core.document import Project
from grebe.core.rig.model import AudioPort, Cable, Port
from grebe.core.rig.spec import Sends, Spec
from tests import build
from tests.lab.conftest import Lab
from tests.lab.test_sequencer import ONE, alsa

CARD = "Loopback: PCM [snd_aloop.0, 0]"


def pulsed() -> Project:
    """Drums by MIDI, the bass on pulses out of a card's second channel."""
    made = build.two_boxes()
    drums, bass = made.rig.devices
    drums = msgspec.structs.replace(drums, port=alsa(ONE))
    bass = msgspec.structs.replace(
        bass, port=Port(wire="none"), pulse_at=AudioPort(wire="audio", name=CARD, channel=2)
    )
    cables = (
        Cable(source="grebe", target="drums"),
        Cable(source="grebe", target="bass", medium="pulse", rate=4.0, expects=4.0),
    )
    rig = msgspec.structs.replace(made.rig, devices=(drums, bass), cables=cables)
    return msgspec.structs.replace(made, rig=rig)


RECORD = "timeout {s} arecord -q -D hw:2,1 -f FLOAT_LE -r 48000 -c 32 -d {s} pulses.wav"
MEASURE = """python3 - <<'E'
import sys
sys.path[:0] = ["/grebe/.venv/lib/python3.11/site-packages"]
import numpy as np, warnings
warnings.simplefilter("ignore")
from scipy.io import wavfile
rate, samples = wavfile.read("pulses.wav")
high = samples[:, {channel}] > 0.25
rises = np.flatnonzero(high[1:] & ~high[:-1]) + 1
falls = np.flatnonzero(~high[1:] & high[:-1]) + 1
print(*rises)
print(*falls)
E"""


RATE = "48000"


def rises(lab: Lab, channel: int) -> tuple[np.ndarray, np.ndarray]:
    """Frames at which pulses rose and fell on a recorded channel, from 1."""
    lines = lab.run(MEASURE.replace("{channel}", str(channel - 1))).split("\n")
    up, down = (np.array(line.split(), dtype=np.int64) for line in lines[:2])
    return up, down


def test_pulses_leave_a_card_exact_to_the_sample(fresh: Lab) -> None:
    """At their distance, 5 ms wide, on their channel and no other; the card's settings are said."""
    driven = fresh.drive(
        pulsed(),
        f"0.5 sh {RECORD.format(s=7)}",
        "1 begin",
        "6 halt",
        captures="a=1,0",
        GREBE_SOUND_RATE=RATE,
    )
    up, down = rises(fresh, 2)
    apart = 48_000 * 60 / 126 / 4
    assert len(up) > 25
    steps = np.diff(up)
    assert np.median(steps) == pytest.approx(apart, abs=1)
    assert (np.abs(steps - apart) < 48).mean() > 0.9  # the rest where the lab's host stood still
    assert np.median((down - up[: len(down)]) / 48) == pytest.approx(5, abs=0.05)
    assert len(rises(fresh, 1)[0]) == 0
    assert any(f"{CARD}: 4" in text and "frames a second" in text for text in driven.notices)


def test_a_card_that_is_pulled_is_said_and_used_again(fresh: Lab) -> None:
    """Nothing else stands still for it, nothing is left spinning, and no fresh engine is wanted."""
    driven = fresh.drive(
        pulsed(), "1 begin", "4 sh bash /lab/plug.sh unplug aloop.0",
        "8 sh bash /lab/plug.sh plug aloop.0", f"12 sh {RECORD.format(s=4)}",
        "17 sh ps -e -o comm,args | grep -c pulses.[i]nterface > left", "18 halt",
        captures="a=1,0", GREBE_SOUND_RATE=RATE,
    )  # fmt: skip
    assert driven.when("Bass: audio interface") == pytest.approx(4, abs=0.8)
    assert driven.when("its pulses and gates are back") == pytest.approx(8, abs=3.0)
    assert len(rises(fresh, 2)[0]) > 15
    assert fresh.run("cat left").strip() == "1"
    sent = {row[1]: row[2] for row in driven.of("figures")}
    assert sum(data == "f8" for _, data in driven.messages("a")) == sent["drums"]
    gaps = driven.gaps_of_clock("a")
    assert max(gaps) < 400  # the lab's own stalls, not seconds
    assert fresh.run("pgrep -f pulses.interface; true").strip() == ""  # they end with the engine


def test_a_card_under_another_number_is_found(fresh: Lab) -> None:
    """By its place, not by the order in which cards came up."""
    fresh.run("rmmod snd-aloop; modprobe snd-aloop index=6; sleep 1")
    driven = fresh.drive(pulsed(), "1 begin", "4 halt", captures="a=1,0")
    problems = [row[3] for row in driven.of("port") if row[1] == "bass"]
    assert problems[-1] == ""


def test_the_stand_ins_speaker_ends_with_its_card(fresh: Lab) -> None:
    """Where the only output is pulled it ends by itself, and takes no core with it."""
    made = build.two_boxes()  # both stand-ins, aloud at the card
    fresh.run("printf 'defaults.pcm.card 2\ndefaults.ctl.card 2\n' > /etc/asound.conf")
    driven = fresh.drive(
        made, "1 begin", "3 sh pgrep -f [s]tandins.speaker > was",
        "4 sh bash /lab/plug.sh unplug aloop.0", "9 sh pgrep -f [s]tandins.speaker > is; true",
        "10 halt", captures="a=1,0",
    )  # fmt: skip
    assert fresh.run("cat was").strip() != ""
    assert fresh.run("cat is").strip() == ""
    assert max((row[3] for row in driven.of("figures")), default=0) < 500


def test_pulses_at_a_cards_input_lead(fresh: Lab) -> None:
    """Four a quarter note at 110 BPM, played into the card by somebody else, lead the song."""
    make = """python3 - <<'E'
import sys
sys.path[:0] = ["/grebe/.venv/lib/python3.11/site-packages"]
import numpy as np
from scipy.io import wavfile
rate, apart = 48000, 48000 * 60 / 110 / 4
samples = np.zeros((rate * 14, 2), dtype=np.float32)
for n in range(int(len(samples) / apart)):
    samples[round(n * apart) : round(n * apart) + 240, 0] = 0.7
wavfile.write("into.wav", rate, samples)
E"""
    fresh.run(make)
    made = build.two_boxes()
    drums, bass = made.rig.devices
    drums = msgspec.structs.replace(drums, port=alsa(ONE))
    bass = msgspec.structs.replace(
        bass, spec=Spec(sends=Sends(clock=True)), sends_clock=True, port=Port(wire="none"),
        pulse_from=AudioPort(wire="audio", name="Loopback: PCM [snd_aloop.0, 1]"),
    )  # fmt: skip
    cables = (
        Cable(source="grebe", target="drums"),
        Cable(source="bass", target="grebe", medium="pulse", rate=4.0, expects=4.0),
    )
    rig = msgspec.structs.replace(made.rig, devices=(drums, bass), cables=cables, leader="bass")
    driven = fresh.drive(
        msgspec.structs.replace(made, rig=rig), "0.5 sh aplay -q -D hw:2,0 into.wav", "5 begin",
        "10 status", "11 halt", captures="a=1,0",
    )  # fmt: skip
    assert ("clock",) in [tuple(row[1:]) for row in driven.of("hearing")]
    running, heard, bpm, _ = driven.of("status")[0][1:]
    assert running
    assert heard == pytest.approx(110, abs=0.3)
    assert bpm == pytest.approx(110, abs=1.0)
