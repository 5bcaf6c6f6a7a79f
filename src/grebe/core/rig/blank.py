"""A box that no profile knows: what is asked about it, and the profile the answers make.

Every question can be skipped; what nobody said is taken as is usual, and listed as guessed.
"""

from __future__ import annotations

import re
from collections.abc import Mapping
from typing import Any, NamedTuple, get_args

import msgspec

from grebe.core.forms import Field, field
from grebe.core.rig.chart import ControllerChart, VoiceChart, read_controllers, read_voices
from grebe.core.rig.edits import free_id
from grebe.core.rig.spec import (
    ChangeAt,
    Jack,
    JackKind,
    Kind,
    MemoryShape,
    Obeys,
    Profile,
    Sends,
    Spec,
    Steps,
    Way,
)
from grebe.core.typed import taken, typed_whole
from grebe.core.units import Channel, StepCount
from grebe.errors import EditError
from grebe.words import tr

SKIP = "not known"
CHOICE = ("yes", "no", SKIP)
NAMELESS = tr("New box")


class Socket(NamedTuple):
    """A socket as one sees it on a box."""

    words: str
    kind: JackKind
    way: Way


SOCKETS: dict[str, Socket] = {
    "midi-in": Socket(tr("MIDI in"), "midi", "in"),
    "midi-out": Socket(tr("MIDI out"), "midi", "out"),
    "midi-thru": Socket(tr("MIDI thru"), "midi", "thru"),
    "usb": Socket(tr("USB, to a computer"), "usb", "both"),
    "pulse-in": Socket(tr("Clock or pulse in"), "pulse", "in"),
    "pulse-out": Socket(tr("Clock or pulse out"), "pulse", "out"),
    "sync-in": Socket(tr("Sync in, a round plug"), "sync", "in"),
    "sync-out": Socket(tr("Sync out, a round plug"), "sync", "out"),
    "network": Socket(tr("Network"), "network", "both"),
    "audio-in": Socket(tr("Audio in"), "audio", "in"),
}
USUAL_SOCKETS = ("midi-in",)
"""Of a box whose sockets nobody has said."""
WHO = {"own": tr("its own patterns"), "grebe": tr("what Grebe plays")}
"""Who plays a box, in words."""
CHANGES: dict[ChangeAt, str] = {
    "pattern_end": tr("at its pattern's end"), "bar": tr("on the bar"), "at_once": tr("at once"),
}  # fmt: skip
"""When a box changes pattern, in words."""
GROUPS = {
    "what": tr("What it is"),
    "sockets": tr("What one can see"),
    "obeys": tr("What its manual's chart says"),
    "keeps": tr("What it keeps"),
}
"""Groups of questions, as a form heads them."""


def _asked(owner: str, key: str, words: str, why: str, **how: Any) -> Field:
    return msgspec.structs.replace(field(owner, key, words, **how), why=why)


QUESTIONS: tuple[Field, ...] = (
    _asked("what", "name", tr("Its name"), tr("As you call it on stage.")),
    _asked(
        "what",
        "kind",
        tr("What is it for?"),
        tr("Drums get a voice a note, a bass one line of notes."),
        choices=(SKIP, *get_args(Kind)),
    ),
    _asked("what", "label", tr("In a few words"), tr("So that it is found in lists.")),
    _asked(
        "what",
        "plays",
        tr("It plays"),
        tr(
            "Either Grebe tells it which of its own patterns, or plays it note by note. Never both."
        ),
        choices=(SKIP, *WHO.values()),
    ),
    _asked(
        "sockets",
        "sockets",
        tr("Its sockets"),
        tr("Cables are proposed from them."),
        control="ticks",
    ),
    _asked(
        "sockets",
        "channel",
        tr("Its channel"),
        tr("Printed on it, or in its menu under MIDI. Empty: 1, as most boxes come."),
    ),
    *(
        _asked("obeys", key, words, why, choices=CHOICE)
        for key, words, why in (
            (
                "obeys.clock",
                tr("Obeys clock"),
                tr("In the chart: System Real Time, Clock, Recognized."),
            ),
            (
                "obeys.start",
                tr("Obeys Start and Stop"),
                tr("System Real Time, Commands, Recognized."),
            ),
            (
                "obeys.song_position",
                tr("Obeys Song Position"),
                tr("System Common, Song Position: it can run from the middle of a song."),
            ),
            (
                "obeys.program",
                tr("Obeys program changes"),
                tr("Program Change, Recognized: then Grebe chooses its patterns."),
            ),
            ("obeys.notes", tr("Obeys notes"), tr("Note Number, Recognized.")),
            ("sends.clock", tr("Sends clock"), tr("Clock, Transmitted: then it could lead.")),
            ("sends.notes", tr("Sends notes"), tr("Note Number, Transmitted: keys or pads.")),
        )
    ),
    _asked(
        "keeps",
        "memory",
        tr("Patterns it keeps"),
        tr("Such as 128, or 8 x 16 for eight banks of sixteen."),
    ),
    _asked("keeps", "longest", tr("Steps of a pattern"), tr("The longest one.")),
    _asked(
        "keeps",
        "change_at",
        tr("Changes pattern"),
        tr("When it is told to while it plays."),
        choices=(SKIP, *CHANGES.values()),
    ),
    _asked("keeps", "loop_tracks", tr("Loop tracks"), tr("Of a looper: how many.")),
)
LOOPS = "loop_tracks"
TOLD: dict[str, str] = {
    "kind": tr("what it is for"),
    "plays": tr("who plays it"),
    "channel": tr("its channel"),
    "jacks": tr("its sockets"),
    LOOPS: tr("how many loop tracks it has"),
    "change_at": tr("when it changes pattern"),
    "obeys.clock": tr("whether it obeys clock"),
    "obeys.start": tr("whether it obeys Start and Stop"),
    "obeys.song_position": tr("whether it obeys Song Position"),
    "obeys.program": tr("whether it obeys program changes"),
    "obeys.notes": tr("whether it obeys notes"),
    "sends.clock": tr("whether it sends clock"),
    "sends.notes": tr("whether it sends notes"),
}
"""What can be guessed, in words."""


class Blank(NamedTuple):
    """The profile that answers make, and what of its charts was not understood."""

    profile: Profile
    voices: VoiceChart
    controllers: ControllerChart


def profile_of(
    answers: Mapping[str, str], sockets: tuple[str, ...] = (), *, voices: str = "",
    controllers: str = "", known: frozenset[str] = frozenset(),
) -> Blank:  # fmt: skip
    """The profile of a box nobody knows, from what was answered.

    `answers` by a question's key, "" or `SKIP` where it was skipped; `sockets` by their ids;
    `voices` and `controllers` are pasted charts; `known` are ids of profiles there are. EditError
    says which answer cannot be.
    """
    said = {key: text.strip() for key, text in answers.items() if text.strip() not in ("", SKIP)}
    drums, chart = read_voices(voices), read_controllers(controllers)
    looper = said.get("kind") == "looper"
    guessed = [path for path in TOLD if path not in said and path not in ("jacks", LOOPS)]
    if looper and LOOPS not in said:
        guessed.append(LOOPS)
    if not sockets:
        guessed.append("jacks")
        sockets = USUAL_SOCKETS
    kind = said.get("kind", "other")
    obeys, sends = _messages(said, sockets)
    memory, longest = _memory(said.get("memory", "")), said.get("longest", "")
    spec = Spec(
        jacks=tuple(_jack(socket) for socket in SOCKETS if socket in sockets),
        obeys=obeys,
        sends=sends,
        voices=drums.rows,
        controllers=chart.rows,
        memory=memory,
        steps=Steps(longest=taken(StepCount, longest, tr("Steps of a pattern")))
        if longest
        else None,
        change_at=next(
            (at for at, words in CHANGES.items() if words == said.get("change_at")), "pattern_end"
        ),
        loop_tracks=_tracks(said.get("loop_tracks", ""), kind),
        guessed=tuple(path for path in TOLD if path in guessed),
    )
    name = said.get("name", NAMELESS)[:80]
    usual = "grebe" if obeys.notes else "own"
    plays = next((who for who, words in WHO.items() if words == said.get("plays")), usual)
    profile = Profile(
        id=free_id(name, set(known)),
        name=name,
        kind=msgspec.convert(kind, Kind),
        label=said.get("label", "")[:80],
        plays="own" if plays == "own" else "grebe",
        channel=taken(Channel, said.get("channel", "1"), tr("Its channel")),
        spec=spec,
    )
    return Blank(profile, drums, chart)


def guesses(spec: Spec) -> tuple[str, ...]:
    """What is guessed of a box, in words."""
    return tuple(TOLD.get(path, path.replace("_", " ").replace(".", ": ")) for path in spec.guessed)


def without_guess(spec: Spec, *paths: str) -> Spec:
    """The spec in which these are known: somebody has said them."""
    left = tuple(path for path in spec.guessed if path not in paths)
    return spec if left == spec.guessed else msgspec.structs.replace(spec, guessed=left)


def said_now(before: Spec, after: Spec) -> Spec:
    """The spec after an edit of its abilities: what the edit changed is guessed no longer."""
    changed = [path for path in after.guessed if _at(before, path) != _at(after, path)]
    return without_guess(after, *changed)


def _at(spec: Spec, path: str) -> object:
    value: Any = spec
    for name in path.split("."):
        value = getattr(value, name, None)
    return value


def _jack(socket: str) -> Jack:
    at = SOCKETS[socket]
    return Jack(id=socket, name=at.words.partition(",")[0], kind=at.kind, way=at.way)


def _messages(said: Mapping[str, str], sockets: tuple[str, ...]) -> tuple[Obeys, Sends]:
    """What it obeys and sends. Unsaid: it obeys what boxes usually do, where it has a socket that
    could bring it, and sends nothing."""
    at = [SOCKETS[s] for s in sockets]
    midi = any(s.kind in ("midi", "usb", "network") and s.way in ("in", "both") for s in at)
    ticks = midi or any(s.kind in ("pulse", "sync") and s.way == "in" for s in at)
    usual = {
        "clock": ticks, "start": midi or ticks, "song_position": False, "program": False,
        "notes": midi,
    }  # fmt: skip
    obeyed = {key: _yes(said, f"obeys.{key}", usual=on) for key, on in usual.items()}
    obeys = Obeys(**obeyed, resume=obeyed["start"])
    sent = {key: _yes(said, f"sends.{key}", usual=False) for key in ("clock", "notes")}
    return obeys, Sends(**sent, transport=sent["clock"])


def _yes(said: Mapping[str, str], key: str, *, usual: bool) -> bool:
    return said[key] == "yes" if key in said else usual


def _memory(text: str) -> MemoryShape | None:
    """A memory as one says it: "128", "8 x 16", "8 banks of 16"."""
    if not text:
        return None
    numbers = [typed_whole(n) for n in re.findall(r"\d+", text)]
    if len(numbers) not in (1, 2):
        raise EditError(tr("patterns it keeps: such as 128, or 8 x 16 (got {text_!r})", text_=text))
    banks, slots = (1, numbers[0]) if len(numbers) == 1 else numbers
    printed = "number" if banks == 1 else "bank"
    try:
        return msgspec.convert({"banks": banks, "slots": slots, "printed": printed}, MemoryShape)
    except msgspec.ValidationError as error:
        raise EditError(
            tr("patterns it keeps: from 1 to 128 in a bank, 128 banks at most")
        ) from error


def _tracks(text: str, kind: str) -> int:
    if not text:
        return 1 if kind == "looper" else 0
    number = typed_whole(text)
    if not 0 <= number <= 64:
        raise EditError(tr("loop tracks: from 0 to 64 (got {number})", number=number))
    return number
