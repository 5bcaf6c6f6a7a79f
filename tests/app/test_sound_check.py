"""The guided check without a window or an engine: what is heard goes in, results come out."""

from __future__ import annotations

from datetime import UTC, datetime

import msgspec
import numpy as np
import pytest

from grebe.app.live.checking import brought
from grebe.app.live.sound_check import Result, SoundCheck, heed_of, what_to_do
from grebe.app.log.book import LogBook
from grebe.app.log.rows import check_row
from grebe.core.log.model import local
from grebe.core.rig.model import AudioPort, Cable, Port
from grebe.core.rig.spec import Sends, Spec
from grebe.protocols.link.messages import Heard
from tests import build
from tests.waiting import PATIENCE_S

BEAT_NS = 500_000_000
AT = datetime(2026, 5, 1, 20, 30, tzinfo=UTC)


def hear(check: SoundCheck, late_ms: float, beats: int, device: str = "bass") -> bool:
    """Beats of a song at 120 BPM and a device that is so late, wavering a little."""
    rng = np.random.default_rng(1)
    done = False
    for number in range(beats):
        at = 7_000_000_000 + number * BEAT_NS
        jitter = round(rng.normal(0, 0.2) * 1e6)
        done = check.take(
            [
                Heard(device="", at_ns=at),
                Heard(device=device, at_ns=at + round(late_ms * 1e6) + jitter),
                Heard(device="other", at_ns=at + 3),
            ]
        )
    return done


def test_a_pass_of_sixteen_bars() -> None:
    """Not before they are over; then offset, what to set, and the check before beside it."""
    project = build.two_boxes()
    check = SoundCheck()
    check.begin({"bass": "beats"})
    assert not hear(check, 5.0, 64)
    assert check.bars_heard == pytest.approx(15.75)
    check.begin({"bass": "beats"})
    assert hear(check, 5.0, 65)
    done = check.finish(project, 120.0, AT)
    assert not check.active
    result = done["bass"]
    assert result.measured.offset_ms == pytest.approx(5.0, abs=0.1)
    assert (result.set_ms, result.before) == (-5.0, None)
    mended = msgspec.structs.replace(
        project,
        rig=msgspec.structs.replace(
            project.rig,
            devices=tuple(
                msgspec.structs.replace(d, offset_ms=-5.0) if d.id == "bass" else d
                for d in project.rig.devices
            ),
        ),
    )
    check.begin({"bass": "beats"})
    hear(check, 0.1, 65)
    again = check.finish(mended, 120.0, AT)["bass"]
    assert again.measured.verdict == "good"
    assert again.set_ms is None
    assert again.before == result.measured


def test_what_is_set_counts() -> None:
    """A device at -4 ms that still comes 2.5 late is to be set to -6.5."""
    check = SoundCheck(bars=4)
    project = build.two_boxes()
    devices = tuple(msgspec.structs.replace(d, offset_ms=-4.0) for d in project.rig.devices)
    rig = msgspec.structs.replace(project.rig, devices=devices)
    check.begin({"bass": "beats"})
    assert hear(check, 2.5, 17)
    done = check.finish(msgspec.structs.replace(project, rig=rig), 120.0, AT)
    assert done["bass"].set_ms == -6.5


def test_a_device_that_is_silent_or_gone() -> None:
    """Is not measured, in words; one that left the rig is left out."""
    check = SoundCheck(bars=4)
    check.begin({"bass": "beats", "gone": "notes"})
    hear(check, 1.0, 17, device="drums")
    done = check.finish(build.two_boxes(), 120.0, AT)
    assert set(done) == {"bass"}
    assert done["bass"].measured.verdict == "unusable"
    assert "0 hits" in done["bass"].measured.sentence
    assert not check.take([Heard(device="", at_ns=1)])
    check.begin({"bass": "beats"})
    check.cancel()
    assert not check.active


def test_how_a_device_can_be_heard() -> None:
    """Stand-ins report, real ones by their input: notes, clock or pulses; else it is said."""
    rig = build.two_boxes().rig
    box = build.device("box", port=Port(wire="none"))
    assert heed_of(build.device("x")) == "beats"
    assert heed_of(build.device("x"), notes=True) == "notes"
    assert heed_of(box) is None
    assert "Nothing of Box reaches Grebe" in what_to_do(rig, box, None)
    heard = msgspec.structs.replace(box, input=Port(wire="alsa", name="x"))
    assert heed_of(heard) == "notes"
    ticking = msgspec.structs.replace(heard, sends_clock=True, spec=Spec(sends=Sends(clock=True)))
    assert heed_of(ticking) == "clock"
    pulsing = msgspec.structs.replace(box, pulse_from=AudioPort(wire="jack"))
    assert heed_of(pulsing) == "pulses"
    cabled = msgspec.structs.replace(rig, cables=(Cable(source="box", target="grebe"),))
    for heed in ("beats", "notes", "clock", "pulses"):
        assert what_to_do(cabled, heard, heed).endswith("16 bars are listened to.")  # type: ignore[arg-type]


@pytest.mark.usefixtures("own_folders")
def test_the_log_says_date_tempo_cable_and_port() -> None:
    """A row each, under the time that the clock on the wall showed."""
    project = build.two_boxes()
    check = SoundCheck(bars=4)
    check.begin({"bass": "beats"})
    hear(check, 5.0, 17)
    done: dict[str, Result] = check.finish(project, 120.0, AT)
    log = LogBook()
    for _ in range(2):
        log.add(*(check_row(project, device, result) for device, result in done.items()))
    assert log.settle(PATIENCE_S)
    db = log.read()
    assert db is not None
    rows = db.checks()
    assert len(rows) == 2
    row = rows[0]
    assert local(row.at, row.zone_min) == AT
    assert (row.box, row.bpm, row.port, row.verdict) == ("Bass", 120.0, "standin", "adjust")
    assert row.cable == "midi from Grebe"
    assert row.own_ms == pytest.approx(5.0, abs=0.5)
    log.close()


def test_only_what_is_near_the_pass_is_judged() -> None:
    """A box that went on playing before and after, off the beat, is judged by the sixteen bars and
    a quarter of a second around them."""
    check = SoundCheck()
    check.begin({"bass": "beats"})
    strays = [7_000_000_000 + ms * 1_000_000 for ms in (-900, -700, -400, 32_300, 32_700, 33_100)]
    check.take([Heard(device="bass", at_ns=at) for at in strays])
    assert hear(check, 5.0, 65)
    measured = check.finish(build.two_boxes(), 120.0, AT)["bass"].measured
    assert (measured.events, measured.extra, measured.missed) == (65, 0, 0)
    assert measured.offset_ms == pytest.approx(5.0, abs=0.1)


def test_what_a_second_check_has_brought() -> None:
    """The furthest off of those checked twice, before and now; nothing of a first check."""
    project = build.two_boxes()
    check = SoundCheck()
    for late_ms in (5.0, 0.4):
        check.begin({"bass": "beats"})
        hear(check, late_ms, 65)
        done = check.finish(project, 120.0, AT)
        words = brought(done.values())
        assert words == ("" if late_ms == 5.0 else " The furthest off was 5.0 ms, and is 0.4.")
