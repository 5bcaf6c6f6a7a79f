"""What if this goes, in the window: read in Rig, tried there, and at one key on Stage."""

from __future__ import annotations

import msgspec

from grebe.core.rig.tree import clock_tree
from grebe.ui.stations.rig.view import RigView
from tests.ui.conftest import Performer


def rig(performer: Performer) -> RigView:
    view = performer.frame.views[1]
    assert isinstance(view, RigView)
    return view


def test_every_box_is_told_of_the_one_in_hand_first(performer: Performer) -> None:
    """What is lost and what could be done, by key."""
    view = rig(performer)
    view.select("knot")
    performer.act("pane_what_if")
    words = view.panes.what_if.browser.toPlainText()
    assert words.index("Without Knot") < words.index("Without Smew")
    assert words.index("Without Avocet") < words.index("Without the midi cable from Grebe to Smew")
    for said in ("Silent: Knot and Scaup.", "Without a clock: Scaup and Garganey.",
                 "Plug Grebe's output into Scaup's MIDI in."):  # fmt: skip
        assert said in words


def test_the_set_is_arranged_without_the_box_in_hand(performer: Performer) -> None:
    """One edit, which Undo takes back; what hands have to do is said."""
    session = performer.frame.session
    before = session.project
    rig(performer).select("knot")
    performer.find("Play on without it")
    assert not any(s.part("knot").chain for s in session.project.scenes)
    assert "scaup" in clock_tree(session.project.rig).locked
    assert session.notices.last is not None
    assert "Plug Grebe's output into Scaup's MIDI in." in session.notices.last.text
    performer.act("undo")
    assert session.project is before


def test_at_one_key_on_stage(performer: Performer) -> None:
    """Nothing while all are there; without the one whose port is gone when it is."""
    session = performer.frame.session
    performer.go(7)
    performer.engine_ready()
    before = session.project
    performer.act("play_on")
    assert session.project is before
    assert session.notices.last is not None
    assert "no box is gone" in session.notices.last.text.lower()
    assert session.status is not None
    gone = tuple(
        msgspec.structs.replace(d, port="gone") if d.id == "scaup" else d
        for d in session.status.devices
    )
    running = msgspec.structs.replace(session.status, running=True)
    for devices in (running.devices, gone, gone):
        session.position.status = msgspec.structs.replace(running, devices=devices)
        performer.frame.views[7].moved()
    said = [n.text for n in session.notices.said if "plays on without it" in n.text]
    assert said == ["Scaup is gone. W plays on without it."]
    performer.frame.views[7].acts(0)["play_on"]()
    assert not any(s.part("scaup").chain for s in session.project.scenes)
    assert "Without Scaup: Knot plays" in session.notices.last.text
