"""A box pulled out while it plays: the others go on, and another plays its part."""

from __future__ import annotations

from contextlib import ExitStack

import pytest

from grebe.app.engine.supervisor import load_message
from grebe.app.live.perform import with_leader_named
from grebe.core.document import Project
from grebe.core.player.commands import Begin
from grebe.core.player.plan import make_plan
from grebe.core.whatif.fallback import fallback
from grebe.core.whatif.losses import Gone
from grebe.protocols.link.messages import Load, Loaded
from tests import build
from tests.engine.listener import Listener, listening_engine
from tests.engine.test_engine import fast
from tests.engine.test_following import START, sent, stage
from tests.waiting import PATIENCE_S, wait

BPM = 240.0
NOTE_ON, CLOCK = 0x90, 0xF8


def band() -> Project:
    """Two basses, the second of which rests, and drums."""
    boxes = [
        build.device("drums", kind="drums", channel=10),
        build.device("bass", kind="bass", channel=2),
        build.device("spare", kind="bass", channel=3),
    ]
    patterns = [build.pattern("beat", "drums", build.voice("x...")),
                build.pattern("line", "bass", build.voice("x.x.", 40))]  # fmt: skip
    scene = build.scene("all", 4, drums=["beat"], bass=["line"])
    return build.project(boxes, patterns, [scene], build.song(("all", 40), bpm=BPM))


def loaded(project: Project) -> Load:
    """An edit of what plays, as a window sends it."""
    return load_message(project, make_plan(project, project.songs[0]))


def test_another_plays_the_part_and_nobody_loses_the_clock() -> None:
    """The bass is unplugged; with the arrangement that is proposed the spare plays its notes, and
    neither it nor the drums got a tick less."""
    project = band()
    with ExitStack() as stack:
        drums, bass, spare = (stack.enter_context(Listener(d)) for d in ("drums", "bass", "spare"))
        client = stack.enter_context(
            listening_engine(project, make_plan(project, project.songs[0]))
        )
        client.send(Begin())
        wait(lambda: any(data[0] == NOTE_ON | 1 for _, data in list(bass.heard)))
        assert not any(data[0] & 0xF0 == NOTE_ON for _, data in list(spare.heard))
        bass.unplug()
        found = fallback(project, Gone(box="bass"))
        assert found.moves == ("Spare plays what Bass played in all.",)
        client.send(loaded(found.project))
        client.wait_for(Loaded, PATIENCE_S)
        wait(lambda: any(data[0] == NOTE_ON | 2 for _, data in list(spare.heard)))
        bass.plug()
        # Each is heard by a thread of its own, which may be behind; a missing tick stays missing.
        wait(lambda: abs(drums.count(CLOCK) - spare.count(CLOCK)) <= 1)


@pytest.mark.real_time("a busy host bends the ticks of the leader, and the tempo heard of them")
def test_the_leader_is_pulled_and_grebe_leads_at_the_tempo_there_was() -> None:
    """The song is written at 120, and was led at 240: so it goes on."""
    project, _ = with_leader_named(fast(120.0), "bass")
    with stage(project) as s:
        s.leader.ticking(on=True)
        s.status(lambda m: m.hearing == "clock" and abs(m.heard_bpm - BPM) < 12)
        s.leader.send(START)
        s.status(lambda m: m.running and sent(m) > 96)
        s.leader.close()
        held = s.status(lambda m: m.hearing == "held")
        found = fallback(project, Gone(box="bass"))
        assert found.project.rig.leader == "grebe"
        s.client.send(loaded(found.project))
        led = s.status(lambda m: not m.follows and sent(m) > sent(held) + 96)
        assert led.running
        assert led.bpm == pytest.approx(held.heard_bpm, rel=0.01)  # 240 as that was heard
