"""The kernel's sequencer: ports pulled, wiggled, renumbered; USB boxes swapped; who may use it."""

from __future__ import annotations

import os
from typing import Any

import msgspec
import numpy as np
import pytest

from grebe.core.document import Project
from grebe.core.rig.model import Cable, Port, Route
from tests import build
from tests.lab.conftest import Lab

ONE, OTHER = "Virtual Raw MIDI 1-0:VirMIDI 1-0", "Virtual Raw MIDI 3-0:VirMIDI 3-0"
ONE_IS, OTHER_IS = "a=1,0", "b=3,0"


def alsa(name: str) -> Port:
    return Port(wire="alsa", name=name)


def project(first: str = ONE, second: str = OTHER, **rig: Any) -> Project:
    """Drums and a bass that Grebe plays at two ports of the sequencer."""
    made = build.two_boxes()
    drums, bass = made.rig.devices
    drums = msgspec.structs.replace(drums, port=alsa(first))
    bass = msgspec.structs.replace(bass, port=alsa(second))
    devices = (drums, bass)
    return msgspec.structs.replace(
        made, rig=msgspec.structs.replace(made.rig, devices=devices, **rig)
    )


def test_ports_have_lasting_names_and_ours_are_left_out(fresh: Lab) -> None:
    """Once each, with their place; asked beside an engine that has ports of its own."""
    listed = "grebe ports | grep 'alsa midi:' > listed"  # sessions on the network: up to 4 s
    driven = fresh.drive(project(), f"1 sh {listed}", "15 halt", captures=ONE_IS)
    assert {row[1]: row[2] for row in driven.of("port")} == {"drums": "up", "bass": "up"}
    rows = fresh.run("cat listed").splitlines()
    assert f"alsa midi: {ONE} [snd_virmidi.0]" in rows
    assert f"alsa midi: {OTHER} [snd_virmidi.1]" in rows
    assert not any("Grebe" in row for row in rows)
    assert len(set(rows)) == len(rows)


def test_connections_bear_the_names_of_boxes(fresh: Lab) -> None:
    """As `aconnect` shows them to anybody: one client, "Drums" and "Bass"."""
    fresh.drive(project(), "1 sh aconnect -l > connected", "2 halt", captures=ONE_IS)
    text = fresh.run("cat connected")
    assert text.count("'Grebe'") == 1
    ours = text[text.index("'Grebe'") :]
    assert "'Drums" in ours
    assert "'Bass" in ours


@pytest.mark.parametrize("away_s", [3, 0])
def test_a_port_that_was_out_is_back_on_its_bar(fresh: Lab, away_s: int) -> None:
    """Out for a while, and out and in at once: said both times, no note hangs, the other box
    lacks no clock."""
    out = ["6 sh bash /lab/plug.sh wiggle virmidi.1"] if not away_s else [
        "6 sh bash /lab/plug.sh unplug virmidi.1",
        f"{6 + away_s} sh bash /lab/plug.sh plug virmidi.1",
    ]  # fmt: skip
    driven = fresh.drive(project(), "1 begin", *out, "14 halt", captures=f"{ONE_IS} {OTHER_IS}")
    gone, back = driven.when("Bass: ALSA port"), driven.when("Bass is back.")
    assert gone == pytest.approx(6, abs=0.4)
    assert back == pytest.approx(6 + away_s, abs=0.6)
    got = driven.messages("b")
    opened = [ms for ms, data in got if data == "OPEN"][1]
    again = [data for ms, data in got if ms > opened]
    assert again.count("f8") > 40
    assert again.index("fb") > again.index("fc")  # stopped, and in again on the bar
    bar_ms = 4 * 60e3 / 126
    continued = next(ms for ms, data in got if ms > opened and data == "fb")
    assert continued - opened < bar_ms + 400
    assert driven.hanging("b") == set()
    assert driven.hanging("a") == set()
    sent = {row[1]: row[2] for row in driven.of("figures")}
    assert sum(data == "f8" for _, data in driven.messages("a")) == sent["drums"]


def led(away: tuple[str, ...], seconds: int = 12, **environment: str) -> tuple[Project, list[str]]:
    """The bass leads at 110 BPM by its own clock."""
    made = project()
    drums, bass = made.rig.devices
    bass = msgspec.structs.replace(bass, port=Port(wire="none"), input=alsa(OTHER))
    cables = (Cable(source="bass", target="grebe"), Cable(source="grebe", target="drums"))
    rig = msgspec.structs.replace(made.rig, devices=(drums, bass), leader="bass", cables=cables)
    every = 60 / 110 / 24
    jitter = "".join(f"{k}={v} " for k, v in environment.items())
    ticks = f'python3 /lab/play.py 3,0 "0 fa" "0.01 f8*{round(seconds / every)}/{every}"'
    play = f". /etc/profile.d/grebe.sh; {jitter}{ticks}"
    return msgspec.structs.replace(made, rig=rig), [
        "1 begin", f"2 sh {play}", *away, f"{seconds + 4} halt",
    ]  # fmt: skip


def test_a_leader_that_was_wiggled_leads_on(fresh: Lab) -> None:
    """Lost and heard again at once; its own tempo, not one of its last ticks'."""
    made, acts = led(("7 sh bash /lab/plug.sh wiggle virmidi.1", "12 status"))
    driven = fresh.drive(made, *acts, captures=ONE_IS)
    assert driven.when("Bass is no longer heard") == pytest.approx(7, abs=0.4)
    assert driven.when("Bass is heard again") == pytest.approx(7, abs=0.8)
    running, heard, bpm, _ = driven.of("status")[0][1:]
    assert running
    assert heard == pytest.approx(110, abs=1.0)  # the lab's own clock wavers
    assert bpm == pytest.approx(110, abs=1.0)


def test_the_tempo_of_a_leader_that_goes_is_held(fresh: Lab) -> None:
    """What it was before it went."""
    made, acts = led(("7 sh bash /lab/plug.sh unplug virmidi.1", "11 status"))
    driven = fresh.drive(made, *acts, captures=ONE_IS)
    assert "tempo of" in "".join(driven.notices)
    running, _, bpm, _ = driven.of("status")[0][1:]
    assert running
    assert bpm == pytest.approx(110, abs=0.6)
    gaps = [gap for gap in driven.gaps_of_clock("a")[100:] if gap < 100]
    assert np.median(gaps) == pytest.approx(60e3 / 110 / 24, rel=0.01)


def test_a_note_played_over_a_port_that_goes_is_ended(fresh: Lab) -> None:
    """A keyboard routed to the drums, out for a while and wiggled: noticed, released, heard on."""
    made = project()
    drums, bass = made.rig.devices
    bass = msgspec.structs.replace(bass, port=Port(wire="none"), input=alsa(OTHER))
    cables = (Cable(source="bass", target="grebe"), Cable(source="grebe", target="drums"))
    rig = msgspec.structs.replace(
        made.rig, devices=(drums, bass), cables=cables,
        routes=(Route(source="bass", target="drums", channel=10),),
    )  # fmt: skip
    play = (
        '. /etc/profile.d/grebe.sh; python3 /lab/play.py 3,0 "0 923c64" "0.2 823c00" "0.3 924864"'
    )
    driven = fresh.drive(
        msgspec.structs.replace(made, rig=rig),
        f"1 sh {play}", "3 sh bash /lab/plug.sh unplug virmidi.1",
        "5 sh bash /lab/plug.sh plug virmidi.1", f"6 sh {play}",
        "8 sh bash /lab/plug.sh wiggle virmidi.1", f"10 sh {play}", "12 halt",
        captures=ONE_IS,
    )  # fmt: skip
    said = [text for text in driven.notices if "heard" in text]
    assert [("no longer" in text) for text in said] == [True, False, True, False]
    notes = [data for _, data in driven.messages("a") if data[0] in "89"]
    assert [n for n in notes if n[2:4] == "3c"].count("993c64") == 3
    assert sum(n.startswith("9948") for n in notes) == 3
    assert driven.hanging("a") == set()


def test_cards_under_other_numbers_are_found(fresh: Lab) -> None:
    """As after another boot: a name with its place means the same socket."""
    made = project(f"{ONE} [snd_virmidi.0]", f"{OTHER} [snd_virmidi.1]")
    fresh.run("rmmod snd-virmidi; modprobe snd-virmidi enable=1,1 index=5,6 midi_devs=4,1; sleep 1")
    driven = fresh.drive(made, "1 begin", "4 halt", captures="a=5,0 b=6,0")
    assert {row[1]: row[2] for row in driven.of("port")} == {"drums": "up", "bass": "up"}
    assert sum(data == "f8" for _, data in driven.messages("b")) > 100


def test_a_port_that_is_missing_fails_the_run(fresh: Lab) -> None:
    """Named, with those that are there; exit 1."""
    fresh.drive(project("No such box"), "1 halt", captures=ONE_IS)  # leaves the file
    said = fresh.run("grebe run case.grebe --song Song --seconds 2; echo exit $?", 40)
    assert "port not there: No such box: there is no ALSA port 'No such box'" in said
    assert said.rstrip().endswith("exit 1")


def test_a_user_outside_the_group_is_told_the_line_that_mends_it(fresh: Lab) -> None:
    """Not that this machine has no sequencer: it has one."""
    said = fresh.run("su outsider -c '. /etc/profile.d/grebe.sh; python3 -m grebe ports'")
    assert "alsa: /dev/snd/seq may not be used: join its group (sudo adduser $USER audio)" in said


def test_ports_are_not_looked_up_while_playing(fresh: Lab) -> None:
    """Not one call of the sequencer but for what is sent, with a port missing and 40 programs
    beside."""
    crowd = (
        ". /etc/profile.d/grebe.sh; python3 -c 'import time; from alsa_midi import SequencerClient;"
        ' cs = [SequencerClient(f"B{i}") for i in range(40)]; [c.create_port("p") for c in cs];'
        " time.sleep(14)' & sleep 2;"
    )
    trace = (
        "timeout 4 strace -f -e trace=ioctl -o /share/w/traced "
        "-p $(pgrep -f grebe.engine | head -1); true"
    )
    fresh.run(f"rm -f traced; cat > crowd.sh <<'E'\n{crowd}\nE\ncat > trace.sh <<'E'\n{trace}\nE")
    made = project(second="No such box")
    fresh.drive(made, "0.5 sh bash crowd.sh", "5 sh bash trace.sh", "10 halt", captures=ONE_IS)
    calls = fresh.run("grep -c 'ioctl(' traced").strip()
    assert calls == "0"


# USB, by the kernel's own gadget drivers

USB = "bash /lab/usb.sh"


def usb(lab: Lab, *serials: str) -> list[str]:
    """Two boxes of one kind, plugged in; their lasting names."""
    lab.run(f"{USB} init 3")
    for number, serial in enumerate(serials):
        lab.run(f'{USB} make {number} "Lab Box" {serial}; {USB} plug {number}; sleep 3')
    listed = lab.run("grebe ports | grep 'alsa midi:.*Lab Box'").splitlines()
    return sorted(row.removeprefix("alsa midi: ") for row in listed)


@pytest.mark.parametrize("serials", [("AAA", "BBB"), ("1", "1")])
def test_twins_that_come_back_in_the_other_order_keep_their_boxes(
    fresh: Lab, serials: tuple[str, str]
) -> None:
    """Two USB boxes of one kind: by their serial numbers, or where they are plugged."""
    names = usb(fresh, *serials)
    assert len(names) == 2
    driven = fresh.drive(
        project(*names), "1 begin",
        f"6 sh {USB} unplug 0; {USB} unplug 1; sleep .5; {USB} plug 1; sleep 2; {USB} plug 0",
        "14 halt", captures="a=box0,0 b=box1,0",
    )  # fmt: skip
    fresh.run(f"{USB} unplug 0; {USB} unplug 1")
    channels = {}
    for box in "ab":
        got = driven.messages(box)
        opened = [ms for ms, data in got if data == "OPEN"][-1]
        channels[box] = {
            state: {
                data[1]
                for ms, data in got
                if data[0] == "9" and (ms > opened) is (state == "after")
            }
            for state in ("before", "after")
        }
    # Only the bass is played note by note; the drums play their own patterns.
    assert channels["a"]["before"] == channels["a"]["after"] == set()
    assert channels["b"]["before"] == channels["b"]["after"] == {"1"}


def test_a_usb_box_pulled_in_a_note_has_none_left(fresh: Lab) -> None:
    """Eight times out and in: back each time, and what sounded when it went is ended."""
    names = usb(fresh, "AAA", "BBB")
    wiggles = [f"{3 + 3 * n} sh {USB} unplug 1; {USB} plug 1" for n in range(8)]
    driven = fresh.drive(
        project(*names), "1 begin", *wiggles, "29 halt", captures="a=box0,0 b=box1,0"
    )
    fresh.run(f"{USB} unplug 0; {USB} unplug 1")
    assert sum("Bass is back" in text for text in driven.notices) == 8
    assert driven.hanging("b") == set()
    sent = {row[1]: row[2] for row in driven.of("figures")}
    assert sum(data == "f8" for _, data in driven.messages("a")) == sent["drums"]


@pytest.mark.skipif("GREBE_LAB_LONG" not in os.environ, reason="ten minutes: GREBE_LAB_LONG=1")
@pytest.mark.timeout(900)
def test_ten_minutes_with_the_cable_pulled_once_a_minute(fresh: Lab) -> None:
    """By turns for four seconds and at once: back on its bar each time, no note hangs, and the
    other box lacks no clock."""
    made = project()
    song = msgspec.structs.replace(
        made.songs[0], sections=(msgspec.structs.replace(made.songs[0].sections[0], times=90),) * 4
    )
    sections = tuple(
        msgspec.structs.replace(section, id=f"s{n + 1}") for n, section in enumerate(song.sections)
    )
    made = msgspec.structs.replace(
        made, songs=(msgspec.structs.replace(song, sections=sections), *made.songs[1:])
    )
    acts = []
    for minute in range(10):
        at = 30 + 60 * minute
        if minute % 2:
            acts.append(f"{at} sh bash /lab/plug.sh wiggle virmidi.1")
        else:
            acts += [
                f"{at} sh bash /lab/plug.sh unplug virmidi.1",
                f"{at + 4} sh bash /lab/plug.sh plug virmidi.1",
            ]
    driven = fresh.drive(made, "1 begin", *acts, "600 halt", captures=f"{ONE_IS} {OTHER_IS}")
    assert sum("Bass is back" in text for text in driven.notices) == 10
    got = driven.messages("b")
    opened = [ms for ms, data in got if data == "OPEN"][1:]
    assert len(opened) == 10
    back_ms = [
        next(ms for ms, data in got if ms > since and data == "fb") - since for since in opened
    ]
    print("in again after ms:", [round(ms) for ms in back_ms])
    assert max(back_ms) < 4 * 60e3 / 126 + 600
    assert driven.hanging("b") == set()
    sent = {row[1]: row[2] for row in driven.of("figures")}
    clocks = sum(data == "f8" for _, data in driven.messages("a"))
    print("clocks of the other:", clocks, "of", sent["drums"])
    assert clocks == sent["drums"]
