"""What a probe found, taken over into a box of the rig: its abilities and how it is set."""

from __future__ import annotations

from typing import Any, NamedTuple

import msgspec

from grebe.core.probe.model import Answers
from grebe.core.rig.blank import TOLD
from grebe.core.rig.model import Device
from grebe.core.rig.spec import Proven, Spec, SpecVoice
from grebe.core.units import OffsetMs, held_in
from grebe.words import tr

MOST_VOICES = 32
"""Notes of a drum box that become its voices; more are no kit."""
PATHS = {
    "clock": "obeys.clock", "start": "obeys.start", "continue": "obeys.resume",
    "song_position": "obeys.song_position", "program.obeyed": "obeys.program",
    "program.at": "change_at", "channels": "channel", "latency_ms": "latency_ms",
    "velocity_levels": "obeys.velocity", "sends_clock": "sends.clock",
}  # fmt: skip
"""By name of an answer, what it says of a box."""


class Change(NamedTuple):
    """One thing that becomes another."""

    words: str
    before: str
    after: str
    sure: float | None


class ProbedBox(NamedTuple):
    """The box as it is now known to be, and what changed."""

    device: Device
    changes: tuple[Change, ...]


def taken_over(device: Device, answers: Answers, day: str) -> ProbedBox:
    """The box with all that was found; what was not heard stays as it was.

    A box without a profile of its own keeps what is still guessed of it on its list of guesses.
    """
    spec = _spec(device.spec, answers)
    sure = _sure(answers)
    proven = {p.path: p for p in spec.proven} | {
        path: Proven(path=path, sure=value, day=day) for path, value in sure.items()
    }
    left = tuple(path for path in spec.guessed if path not in sure and path != _notes(answers))
    spec = msgspec.structs.replace(spec, proven=tuple(proven.values()), guessed=left)
    after = msgspec.structs.replace(device, spec=spec, **_settings(device, answers))
    return ProbedBox(after, tuple(_changes(device, after, sure)))


def _notes(answers: Answers) -> str:
    return "obeys.notes" if answers.channels else ""


def _sure(answers: Answers) -> dict[str, float]:
    return {
        path: answers.sure.get(name, 0.0)
        for name, path in PATHS.items()
        if name not in answers.unsure and answers.sure.get(name)
    }


def _spec(spec: Spec, found: Answers) -> Spec:
    """What it can do. What was found off may be switched off in the box: it is an ability that is
    lacking only where that was a guess."""
    heard = (
        ("clock", found.clock), ("start", found.start), ("resume", found.goes_on),
        ("song_position", found.song_position), ("program", found.program),
    )  # fmt: skip
    obeys = {
        field: value
        for field, value in heard
        if value or (value is False and f"obeys.{field}" in spec.guessed)
    }
    if found.channels:
        obeys["notes"] = True
    if found.velocity_levels is not None:
        obeys["velocity"] = found.velocity_levels > 1
    fields: dict[str, Any] = {"obeys": msgspec.structs.replace(spec.obeys, **obeys)}
    if found.sends_clock in ("running", "always"):
        fields["sends"] = msgspec.structs.replace(spec.sends, clock=True)
    if found.program_at is not None:
        fields["change_at"] = found.program_at
    if len(found.channels) > 1:
        fields["channels"] = found.channels
    if found.latency_ms is not None:
        fields["latency_ms"] = round(found.latency_ms, 2)
    tempo = spec.tempo
    if found.fastest_bpm is not None:
        tempo = msgspec.structs.replace(tempo, high=max(tempo.high, found.fastest_bpm))
    if found.slowest_bpm is not None:
        tempo = msgspec.structs.replace(tempo, low=min(tempo.low, found.slowest_bpm))
    fields["tempo"] = tempo
    if not spec.voices and found.pitched is False and len(found.notes) <= MOST_VOICES:
        fields["voices"] = tuple(
            SpecVoice(name=tr("Note {note}", note=note), note=note) for note in found.notes
        )
    return msgspec.structs.replace(spec, **fields)


def _settings(device: Device, found: Answers) -> dict[str, Any]:
    """How the box is told from now on."""
    heard = (
        ("obeys_clock", found.clock), ("obeys_transport", found.start),
        ("obeys_song_position", found.song_position), ("obeys_program", found.program),
    )  # fmt: skip
    fields: dict[str, Any] = {field: value for field, value in heard if value is not None}
    if found.start is False:
        fields["obeys_song_position"] = False
    if found.sends_clock is not None:
        fields["sends_clock"] = found.sends_clock != "never"
    if found.program_at is not None:
        fields["change_at"] = found.program_at
    if found.channels and device.channel not in found.channels:
        fields["channel"] = found.channels[0]
    late_ms = offset_of(device, found)
    if late_ms is not None:
        fields["offset_ms"] = round(held_in(OffsetMs, -late_ms), 1)
    return fields


def offset_of(device: Device, found: Answers) -> float | None:
    """How late what it plays is: its steps, or the notes that Grebe plays; None: not heard."""
    if device.plays == "own" and found.clock_latency_ms is not None:
        return found.clock_latency_ms
    return found.latency_ms


WORDS: dict[str, str] = {
    **TOLD,
    "channels": tr("channels it listens on"),
    "obeys.resume": tr("whether it obeys Continue"),
    "obeys.velocity": tr("whether it hears how hard"),
    "latency_ms": tr("from message to sound, ms"),
    "tempo.low": tr("lowest tempo, BPM"),
    "tempo.high": tr("highest tempo, BPM"),
    "offset_ms": tr("its offset, ms"),
    "obeys_clock": tr("it is set to obey clock"),
    "obeys_transport": tr("it is set to obey Start and Stop"),
    "obeys_song_position": tr("it is set to obey Song Position"),
    "obeys_program": tr("it is set to obey program changes"),
    "sends_clock": tr("its clock output is on"),
    "voices": tr("its voices"),
}
"""What a change is about; a path is that of a spec, or of the box itself."""
ANSWERS: dict[str, str] = {
    **{name: WORDS[path] for name, path in PATHS.items()},
    "stop": tr("whether Stop stops it"),
    "clock_latency_ms": tr("from a clock to its step, ms"),
    "thru": tr("what it passes on"),
    "velocity_levels": tr("what it makes of velocity"),
    "sends_clock": tr("when it sends clock"),
}
"""Names of answers, in words."""
OF_BOX = (
    "channel", "offset_ms", "obeys_clock", "obeys_transport", "obeys_song_position",
    "obeys_program", "sends_clock",
)  # fmt: skip


def _changes(before: Device, after: Device, sure: dict[str, float]) -> list[Change]:
    out: list[Change] = []
    for path, words in WORDS.items():
        at = (before, after) if path in OF_BOX else (before.spec, after.spec)
        was, now = (_at(value, path) for value in at)
        if was != now:
            out.append(Change(words, _said(was), _said(now), sure.get(path)))
    return out


def _at(value: Any, path: str) -> Any:
    for name in path.split("."):
        value = getattr(value, name, None)
    return value


def _said(value: Any) -> str:
    if isinstance(value, bool):
        return tr("yes") if value else tr("no")
    if isinstance(value, tuple):
        return ", ".join(str(getattr(row, "note", row)) for row in value) or tr("none")
    return f"{value:g}" if isinstance(value, float) else str(value).replace("_", " ")
