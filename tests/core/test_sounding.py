"""What sounds now, kept as a scene."""

from __future__ import annotations

import msgspec
import pytest

from grebe.core.player.commands import Begin, Mute, ReplacePlan, Solo, Swap
from grebe.core.player.loopers import LoopTrack
from grebe.core.player.plan import make_plan
from grebe.core.player.player import Player
from grebe.core.songs.sounding import keep_sounding
from grebe.core.time.ticks import TICKS_PER_QUARTER
from grebe.errors import EditError
from tests.core.test_tracks import groove

BAR = 4 * TICKS_PER_QUARTER


def running() -> Player:
    """The groovebox in its first scene."""
    project = groove()
    player = Player(make_plan(project, project.songs[0]))
    player.apply(Begin())
    player.advance(BAR)
    return player


def test_hands_that_were_never_saved() -> None:
    """A track muted, a voice muted, a pattern swapped: into the scene, and nothing of the hand is
    left over once it is."""
    player, project = running(), groove()
    player.apply(Mute(device="groove/low", on=True))
    player.apply(Mute(device="groove", voice="snare", on=True))
    player.apply(Swap(device="groove/lead", pattern="l3", at="now"))
    player.advance(2 * BAR)
    kept, scene = keep_sounding(
        project, "a", player.now, player.mutes, player.solos, player.tracks, as_new=False
    )
    assert scene == "a"
    made = kept.scene("a")
    assert made.part("groove/low").muted
    assert made.part("groove/low").chain == ("f",)
    assert made.part("groove").silent_voices == ("snare",)
    assert made.part("groove/lead").chain == ("l3",)
    player.apply(ReplacePlan(plan=make_plan(kept, kept.songs[0])))
    assert player.mutes_by_hand == ()
    assert ("groove/low", "") in player.mutes
    with pytest.raises(EditError, match="is what a says"):
        keep_sounding(
            kept, "a", player.now, player.mutes, player.solos, player.tracks, as_new=False
        )


def test_as_a_new_scene_the_old_one_stays() -> None:
    """What is silent for others that sound alone is muted in it; loop tracks that run are named."""
    player, project = running(), groove()
    player.apply(Solo(device="groove/low", on=True))
    tracks = (LoopTrack(device="groove", number=2, state="playing", ticks=BAR),
              LoopTrack(device="groove", number=3, state="stopped", ticks=BAR))  # fmt: skip
    kept, new = keep_sounding(
        project, "a", player.now, player.mutes, player.solos, tracks, as_new=True
    )
    assert kept.scene("a") == project.scene("a")
    made = kept.scene(new)
    assert made.name == "a, as it sounded"
    assert [p.device for p in made.parts if not p.muted and p.chain] == ["groove", "groove/low"]
    assert made.part("groove").silent_voices == ("kick", "snare")  # a track of it sounds alone
    assert made.part("groove").tracks == (2,)
    assert [s.id for s in kept.scenes] == ["a", new, "b"]
    assert msgspec.structs.replace(made, id="a", name="a", parts=()) == msgspec.structs.replace(
        project.scene("a"), parts=()
    )
