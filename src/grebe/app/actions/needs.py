"""What an action needs, and why it cannot be done now: in words, with what would make it so."""

from __future__ import annotations

from collections.abc import Collection

from grebe.app.actions.keymap import KeyMap
from grebe.app.actions.model import Action, Station, station_name
from grebe.app.editors.pattern_hand import PatternHand
from grebe.app.live.session import Session
from grebe.words import tr

NEEDS: dict[str, str] = {
    "box": tr("There is no box yet: {add_box} in Rig adds one"),
    "drums": tr("No box of the rig is a drum box"),
    "looper": tr("No box of the rig has loop tracks"),
    "pattern": tr("There is no pattern yet: {new_pattern} in Patterns makes one"),
    "row": tr("The pattern has no voice yet: {add_voice} adds one"),
    "hit": tr("There is no hit under the cursor: {toggle} writes one"),
    "clip": tr("Nothing has been copied yet: {copy} copies"),
    "scene": tr("There is no scene yet: {new_scene} in Scenes makes one"),
    "song": tr("There is no song yet: {form_verse} makes one of the scenes"),
    "section": tr("The song has no section yet: {insert_section} in Song adds one"),
    "set": tr("There is no set yet: {new_set} makes one"),
    "place": tr("The set has no song yet: {add_song} puts one in"),
    "two_songs": tr("There is no other song"),
    "two_sets": tr("There is no other set"),
    "running": tr("Nothing plays: {run_stop} runs it"),
    "stopped": tr("Stop first: something else is loaded only while nothing plays"),
    "engine": tr("The engine is not there yet: it is being started"),
    "any_engine": tr("No engine is there: one is being started"),
    "other_engine": tr("No engine plays another project"),
    "peer_waits": tr("No computer waits to be accepted"),
    "undo": tr("There is nothing to undo"),
    "redo": tr("There is nothing to bring back"),
    "findings": tr("There is nothing to look at here"),
    "off_stage": tr("Not on Stage: what the document holds is safe here"),
}
"""Each with what makes it possible; in braces the actions that do."""


def standing(session: Session, hand: PatternHand, *, findings: bool) -> frozenset[str]:
    """Which needs are met now.

    `hand` has the pattern in hand, `findings` whether the station shown lists some.
    """
    project, selection, store = session.project, session.selection, session.store
    running_set, song = selection.running_set, session.song
    waits = any(not row.accepted for row in session.network.rows)
    facts = {
        "box": bool(project.rig.devices),
        "drums": session.derived.has_drums(),
        "looper": any(d.spec.loop_tracks for d in project.rig.devices),
        "pattern": hand.pattern is not None,
        "row": hand.row is not None,
        "hit": hand.hit is not None or hand.point is not None or hand.anchor is not None,
        "clip": session.board.holds,
        "scene": bool(project.scenes),
        "song": song is not None,
        "section": song is not None and bool(song.sections),
        "set": running_set is not None,
        "place": running_set is not None and bool(running_set.songs),
        "two_songs": len(project.songs) > 1,
        "two_sets": len(project.sets) > 1,
        "running": session.running,
        "stopped": not session.running,
        "engine": session.link.state == "on",
        "any_engine": session.link.state in ("on", "other"),
        "other_engine": session.link.state == "other",
        "peer_waits": waits,
        "undo": bool(store.undo_name),
        "redo": bool(store.redo_name),
        "findings": findings,
        "off_stage": not session.stage.shown,
    }
    return frozenset(name for name, so in facts.items() if so)


def why_not(
    action: Action, met: Collection[str], keys: KeyMap, station: Station | None = None
) -> str:
    """Why an action cannot be done now; "" when it can.

    `station` is the one that is shown: what works on a thing in hand is not possible where
    there is none of its kind. None leaves that out.
    """
    if action.at and station is not None and station not in action.at:
        where = ", ".join(station_name(s) for s in action.at)
        return tr("Nothing here that it works on: it does in {where}.", where=where)
    need = missing(action, met)
    return f"{_in_words(need, keys)}." if need else ""


def missing(action: Action, met: Collection[str]) -> str:
    """The first need of an action that is not met; "" for none."""
    return next((need for need in action.needs if need not in met), "")


def cure_of(need: str) -> str:
    """The action that makes a need be met, as far as there is one."""
    _, _, after = NEEDS.get(need, "").partition("{")
    return after.partition("}")[0]


def _in_words(need: str, keys: KeyMap) -> str:
    words = NEEDS[need]
    while "{" in words:
        before, _, rest = words.partition("{")
        name, _, after = rest.partition("}")
        words = f"{before}{keys.told(name)}{after}"
    return words
