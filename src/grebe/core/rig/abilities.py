"""What a box can do, field by field: each in words, as text, and edited from text.

The same list serves whoever shows a box's abilities; a profile's file has the
same fields under the same paths.
"""

from __future__ import annotations

from typing import Any, Literal, NamedTuple, TypeVar, get_args

import msgspec

from grebe.core.document import Project, with_device
from grebe.core.rig.blank import said_now
from grebe.core.rig.chart import read_voices
from grebe.core.rig.edits import profile_from
from grebe.core.rig.model import Device
from grebe.core.rig.notemap import PadLayout
from grebe.core.rig.profile_check import contradictions
from grebe.core.rig.spec import (
    ChainRule,
    ChangeAt,
    ControllerRow,
    FirstMove,
    HandMove,
    Jack,
    JackKind,
    Kind,
    LoopControl,
    MemoryShape,
    Opener,
    PadBank,
    Setting,
    SettingFor,
    Spec,
    SpecVoice,
    Steps,
    Track,
    Way,
)
from grebe.core.typed import with_field
from grebe.errors import EditError
from grebe.words import tr

Form = Literal["text", "yes", "maybe", "list", "voices"]
"""How a field reads: as it is, yes or no, something or none, values after one another, sounds with
their notes."""
Part = Literal[
    "clock", "memory", "jacks", "voices", "controllers", "by_hand", "tracks", "banks",
    "settings", "first",
]  # fmt: skip
AS_BOX = tr("as the box")
NONE = "none"


class Ability(NamedTuple):
    """One field of a spec, or of a row of one of its lists."""

    path: str
    """`obeys.clock`; for a row's field its name alone."""
    words: str
    form: Form = "text"
    choices: tuple[str, ...] = ()


YES_NO = ("yes", "no")

CLOCK: tuple[Ability, ...] = (
    Ability("sends.clock", tr("Sends clock"), "yes"),
    Ability("sends.transport", tr("Sends Start and Stop"), "yes"),
    Ability("sends.notes", tr("Sends notes"), "yes"),
    Ability("sends.program", tr("Sends program changes"), "yes"),
    Ability("sends.controllers", tr("Sends controllers"), "yes"),
    Ability("sends.jitter_ms", tr("Its own clock wavers by, ms")),
    Ability("obeys.clock", tr("Obeys clock"), "yes"),
    Ability("obeys.start", tr("Obeys Start and Stop"), "yes"),
    Ability("obeys.resume", tr("Obeys Continue"), "yes"),
    Ability("obeys.song_position", tr("Obeys Song Position"), "yes"),
    Ability("obeys.song_select", tr("Obeys Song Select"), "yes"),
    Ability("obeys.program", tr("Obeys program changes"), "yes"),
    Ability("obeys.notes", tr("Obeys notes"), "yes"),
    Ability("obeys.velocity", tr("Hears how hard"), "yes"),
    Ability("channels", tr("Listens on channels"), "list"),
    Ability("change_at", tr("Pattern change takes effect"), choices=get_args(ChangeAt)),
    Ability("starts_all", tr("Start starts every track"), "yes"),
    Ability("mutes_at_once", tr("Tracks muted by one press")),
    Ability("tempo.low", tr("Lowest tempo, BPM")),
    Ability("tempo.high", tr("Highest tempo, BPM")),
    Ability("tempo.step", tr("Tempo steps of, BPM")),
    Ability("told_ms", tr("Told of a change ahead by, ms")),
    Ability("latency_ms", tr("From message to sound, ms")),
    Ability("pass_ms", tr("From input to what it passes on, ms")),
    Ability("converts", tr("Makes other clock rates"), "maybe", (NONE, "divide", "regenerate")),
    Ability("opener.note", tr("Opened by holding note"), "maybe"),
    Ability("opener.channel", tr("On channel"), "maybe"),
    Ability("opener.closes", tr("Closes"), "maybe", (NONE, "released", "pattern")),
    Ability("old_mains", tr("Old and mains-powered"), "yes"),
    Ability("guessed", tr("Still guessed of it"), "list"),
)

MEMORY: tuple[Ability, ...] = (
    Ability("memory.banks", tr("Pattern memory: banks"), "maybe"),
    Ability("memory.groups", tr("Groups in a bank"), "maybe"),
    Ability("memory.slots", tr("Patterns in a group"), "maybe"),
    Ability("memory.across", tr("To another group"), "maybe", (NONE, "playing", "stopped", "mode")),
    Ability("memory.printed", tr("Printed as"), "maybe", (NONE, "number", "bank", "bank_group")),
    Ability("steps.longest", tr("Steps of a pattern, at most"), "maybe"),
    Ability("steps.rates", tr("Step rates"), "list"),
    Ability("steps.swing", tr("Swing levels, %"), "list"),
    Ability("steps.flams", tr("Flam levels"), "maybe"),
    Ability("steps.flam_ms", tr("Flam widths, ms"), "list"),
    Ability("steps.levels", tr("Velocity levels"), "list"),
    Ability("steps.voices", tr("Voices of a pattern"), "maybe"),
    Ability("steps.lacks", tr("Its patterns lack"), "list"),
    Ability("polyphony", tr("Notes at once")),
    Ability("chains.rule", tr("Chains"), choices=("none", "any", "neighbours", "row")),
    Ability("chains.longest", tr("Patterns in a chain, at most")),
    Ability("chains.group", tr("Chains inside groups of")),
    Ability("chains.marks_last", tr("The last one has to be marked"), "yes"),
    Ability("clears", tr("Writing over clears first"), "yes"),
    Ability("songs", tr("Songs in its memory")),
    Ability("track_measures", tr("Bars of such a song, at most")),
    Ability("fill_controller", tr("Controller that holds a fill"), "maybe"),
    Ability("loop_tracks", tr("Loop tracks")),
    Ability("loop_control.record", tr("Controller that records a track"), "maybe"),
    Ability("loop_control.play", tr("Controller that plays a track"), "maybe"),
    Ability("loop_control.stop", tr("Controller that stops a track"), "maybe"),
    Ability("echo_ms", tr("Echo from, to, ms"), "list"),
    Ability("freeze_controller", tr("Controller that freezes the echo"), "maybe"),
    Ability("pads.rows", tr("Pads: rows"), "maybe"),
    Ability("pads.cols", tr("Pads: columns"), "maybe"),
    Ability("pads.base", tr("Note of pad 1"), "maybe"),
    Ability("pads.order", tr("Pad 1 lies"), "maybe", (NONE, "up", "down")),
)

JACKS: tuple[Ability, ...] = (
    Ability("name", tr("Name")),
    Ability("kind", tr("Kind"), choices=get_args(JackKind)),
    Ability("way", tr("Way"), choices=get_args(Way)),
    Ability("rates", tr("Rates"), "list"),
    Ability("volts", tr("Gives V"), "maybe"),
    Ability("needs_volts", tr("Needs V"), "maybe"),
    Ability("bears_volts", tr("Bears V"), "maybe"),
    Ability("edge", tr("Edge"), choices=("rising", "falling")),
    Ability("serves", tr("For"), choices=("clock", "reset")),
    Ability("clock", tr("Knows clock"), "yes"),
    Ability("divides", tr("One in"), "list"),
    Ability("multiplies", tr("Times"), "list"),
    Ability("resets", tr("Count begins at"), choices=("start", "jack", "never")),
    Ability("sets", tr("Can give"), "list"),
    Ability("run_line", tr("Run line"), "yes"),
    Ability("speakers", tr("To speakers"), "yes"),
)

VOICES: tuple[Ability, ...] = (
    Ability("name", tr("Voice")),
    Ability("note", tr("Note")),
    Ability("slot", tr("Cut off with")),
    Ability("keys", tr("Pressed together for it")),
)

CONTROLLERS: tuple[Ability, ...] = (
    Ability("name", tr("Controller")),
    Ability("number", tr("Number")),
    Ability("low", tr("From")),
    Ability("high", tr("To")),
)

BY_HAND: tuple[Ability, ...] = (
    Ability("name", tr("Only by hand")),
    Ability("seconds", tr("Seconds")),
    Ability("limb", tr("With"), choices=("hand", "foot")),
    Ability("serves", tr("Does"), "list"),
    Ability("ahead", tr("In peace, beforehand"), "yes"),
)

TRACKS: tuple[Ability, ...] = (
    Ability("name", tr("Track")),
    Ability("kind", tr("Kind"), choices=get_args(Kind)),
    Ability("channel", tr("Channel")),
    Ability("patterns", tr("Patterns of"), choices=("own", "box")),
    Ability("program", tr("Program reaches"), choices=("track", "box", "none")),
    Ability("mute_controller", tr("Mute controller"), "maybe"),
    Ability("polyphony", tr("Notes at once")),
    Ability("slot", tr("Cut off with")),
    Ability("voices", tr("Sounds"), "voices"),
    Ability("feeds", tr("Plays the box")),
    Ability("steps.longest", tr("Steps, at most"), "maybe"),
    Ability("memory.slots", tr("Patterns"), "maybe"),
    Ability("chains.rule", tr("Chains"), choices=(AS_BOX, "none", "any", "neighbours", "row")),
    Ability("mute_by.name", tr("Muted by hand"), "maybe"),
    Ability("mute_by.seconds", tr("Seconds"), "maybe"),
)

FIRST: tuple[Ability, ...] = (
    Ability("name", tr("Before it plays")),
    Ability("at", tr("When"), choices=("on", "play")),
    Ability("waits_s", tr("Then wait, s")),
)

BANKS: tuple[Ability, ...] = (
    Ability("name", tr("Bank")),
    Ability("channel", tr("Channel")),
    Ability("low", tr("From note")),
    Ability("high", tr("To note")),
)

SETTINGS: tuple[Ability, ...] = (
    Ability("does", tr("Setting of"), choices=get_args(SettingFor)),
    Ability("name", tr("What it calls it")),
)

FACTS: dict[Part, tuple[Ability, ...]] = {"clock": CLOCK, "memory": MEMORY}
ROWS: dict[Part, tuple[Ability, ...]] = {
    "jacks": JACKS,
    "voices": VOICES,
    "controllers": CONTROLLERS,
    "by_hand": BY_HAND,
    "tracks": TRACKS,
    "banks": BANKS,
    "first": FIRST,
    "settings": SETTINGS,
}
_OPTIONAL: dict[str, msgspec.Struct] = {
    "memory": MemoryShape(),
    "opener": Opener(note=60),
    "steps": Steps(),
    "pads": PadLayout(),
    "loop_control": LoopControl(record=80, play=81, stop=82),
    "mute_by": HandMove(name=tr("press mute"), seconds=0.5, serves=("mute",)),
}
"""Parts a box may lack; naming one of their values gives it the part as it usually is."""
_USUAL_JACK = Jack(id="usual", name="usual")
_LINKED = {
    ("obeys", "clock"): "obeys_clock",
    ("obeys", "start"): "obeys_transport",
    ("obeys", "song_position"): "obeys_song_position",
    ("obeys", "program"): "obeys_program",
    ("sends", "clock"): "sends_clock",
}
"""Abilities and the setting of a box that cannot be on without them."""


_ONLY_AT: dict[str, tuple[JackKind, ...]] = {
    "rates": ("pulse", "sync"),
    "volts": ("pulse", "sync"),
    "needs_volts": ("pulse", "sync"),
    "bears_volts": ("pulse", "sync"),
    "edge": ("pulse", "sync"),
    "serves": ("pulse", "sync"),
    "divides": ("pulse", "sync"),
    "multiplies": ("pulse", "sync"),
    "resets": ("pulse", "sync"),
    "run_line": ("sync",),
    "speakers": ("audio",),
}
"""What only some jacks have."""


def ability_text(item: Any, ability: Ability) -> str:
    """A field of a spec or of a row as text; nothing where it is usual and says nothing."""
    if isinstance(item, Jack) and item.kind not in _ONLY_AT.get(ability.path, (item.kind,)):
        usual = getattr(_USUAL_JACK, ability.path)
        if getattr(item, ability.path) == usual:
            return ""
    value = item
    for name in ability.path.split("."):
        value = None if value is None else getattr(value, name)
    if value is None:
        return AS_BOX if AS_BOX in ability.choices else NONE
    if ability.form == "voices":
        return ", ".join(f"{voice.name} {voice.note}" for voice in value)
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, tuple):
        return ", ".join(_one(v) for v in value)
    return _one(value).replace("_", " ") if ability.choices else _one(value)


def _one(value: object) -> str:
    return f"{value:.10g}" if isinstance(value, float) else str(value)


def ability_choices(ability: Ability) -> tuple[str, ...]:
    """What a field can be filled with; empty where it is free."""
    return YES_NO if ability.form == "yes" else tuple(c.replace("_", " ") for c in ability.choices)


def with_ability(spec: Spec, ability: Ability, text: str) -> Spec:
    """The spec with a field from text. EditError says what it should be."""
    return _with(spec, ability, text)


_T = TypeVar("_T", bound=msgspec.Struct)


def _with(item: _T, ability: Ability, text: str) -> _T:
    """A spec, or a row of one of its lists, with a field from text."""
    part, _, name = ability.path.rpartition(".")
    value = _read(ability, text)
    lacks = part in _OPTIONAL and (value is None or text.strip().lower() == NONE)
    if lacks or (AS_BOX in ability.choices and text.strip() == AS_BOX):
        return msgspec.structs.replace(item, **{part: None})  # without it
    if not part:
        return with_field(item, name, value, ability.words)
    inner = getattr(item, part) or _OPTIONAL.get(part, ChainRule())
    return msgspec.structs.replace(item, **{part: with_field(inner, name, value, ability.words)})


def with_row(spec: Spec, part: Part, index: int, ability: Ability, text: str) -> Spec:
    """The spec with a field of a row from text. EditError says what it should be."""
    rows = list(getattr(spec, part))
    rows[index] = _with(rows[index], ability, text)
    return msgspec.structs.replace(spec, **{part: tuple(rows)})


def add_row(spec: Spec, part: Part) -> Spec:
    """The spec with a row more: the next jack, voice, controller or hand move."""
    rows = getattr(spec, part)
    return msgspec.structs.replace(spec, **{part: (*rows, _NEW[part](spec))})


def remove_row(spec: Spec, part: Part, index: int) -> Spec:
    """The spec without a row."""
    rows = getattr(spec, part)
    return msgspec.structs.replace(spec, **{part: (*rows[:index], *rows[index + 1 :])})


def _free(taken: set[int], start: int) -> int:
    return next((n for n in (*range(start, 128), *range(start)) if n not in taken), start)


def _new_jack(spec: Spec) -> Jack:
    taken = {jack.id for jack in spec.jacks}
    number = next(n for n in range(1, len(taken) + 2) if f"jack-{n}" not in taken)
    return Jack(id=f"jack-{number}", name=f"Jack {number}")


def _new_voice(spec: Spec) -> SpecVoice:
    note = _free({voice.note for voice in spec.voices}, 36)
    return SpecVoice(name=tr("Voice {note}", note=note), note=note)


def _new_controller(spec: Spec) -> ControllerRow:
    number = _free({row.number for row in spec.controllers}, 1)
    return ControllerRow(name=tr("Controller {number}", number=number), number=number)


def _new_track(spec: Spec) -> Track:
    """The next track, on the next free channel, as the one before is set."""
    number = len(spec.tracks) + 1
    taken = {track.id for track in spec.tracks}
    track_id = next(
        f"track-{n}" for n in range(number, number + len(taken) + 1) if f"track-{n}" not in taken
    )
    channel = _free({track.channel for track in spec.tracks}, 1)
    fields = {"id": track_id, "name": tr("Track {number}", number=number), "feeds": "",
              "channel": channel if 1 <= channel <= 16 else 16}  # fmt: skip
    last = spec.tracks[-1] if spec.tracks else Track(id=track_id, name=track_id)
    return msgspec.structs.replace(last, **fields)


def _new_bank(spec: Spec) -> PadBank:
    channel = _free({bank.channel for bank in spec.banks}, 1)
    name = tr("Bank {letter}", letter=chr(ord("A") + len(spec.banks)))
    return PadBank(name=name, channel=min(max(channel, 1), 16))


def _new_setting(spec: Spec) -> Setting:
    taken = {setting.does for setting in spec.settings}
    every: tuple[SettingFor, ...] = get_args(SettingFor)
    does = next((d for d in every if d not in taken), every[0])
    return Setting(does=does, name=tr("its menu"))


_NEW: dict[Part, Any] = {
    "jacks": _new_jack,
    "voices": _new_voice,
    "controllers": _new_controller,
    "by_hand": lambda spec: HandMove(
        name=tr("Move {value}", value=len(spec.by_hand) + 1), seconds=2.0
    ),
    "tracks": _new_track,
    "banks": _new_bank,
    "first": lambda spec: FirstMove(name=tr("Step {number}", number=len(spec.first) + 1)),
    "settings": _new_setting,
}


def _voices_read(text: str) -> list[Any]:
    chart = read_voices(text.replace(",", "\n"))
    if not chart.rows:
        raise EditError(tr("{text_!r} names no sound with its note, such as Kick 36", text_=text))
    return [msgspec.to_builtins(voice) for voice in chart.rows]


def _read(ability: Ability, text: str) -> Any:
    text = text.strip()
    if ability.form == "yes":
        if text.lower() not in YES_NO:
            raise EditError(
                tr(
                    "{ability_words}: say yes or no, not {text_!r}",
                    ability_words=ability.words,
                    text_=text,
                )
            )
        return text.lower() == "yes"
    if ability.form == "maybe" and text.lower() in ("", NONE):
        return None
    if ability.form == "voices":
        return [] if text.lower() in ("", NONE) else _voices_read(text)
    if ability.form == "list":
        return [] if text.lower() in ("", NONE) else [p.strip() for p in text.split(",")]
    return text.replace(" ", "_") if ability.choices else text


def set_spec(project: Project, device_id: str, spec: Spec) -> Project:
    """The project with other abilities of a box; what it cannot do any more is switched off."""

    def changed(device: Device) -> Device:
        off = {
            setting: False
            for (part, name), setting in _LINKED.items()
            if not getattr(getattr(spec, part), name)
        }
        told = said_now(device.spec, spec)
        change_at = spec.change_at if spec.change_at != device.spec.change_at else device.change_at
        return msgspec.structs.replace(device, spec=told, change_at=change_at, **off)

    return with_device(project, device_id, changed)


def doubts(device: Device) -> tuple[str, ...]:
    """What in a box's abilities contradicts what else stands there, in words."""
    return tuple(
        f"{_words_of(field)}: {what}" for field, what in contradictions(profile_from(device))
    )


def _words_of(field: str) -> str:
    """A field of a profile as the window calls it."""
    path = field.removeprefix("spec.")
    for ability in (*CLOCK, *MEMORY):
        if ability.path == path:
            return ability.words
    part, _, rest = path.partition("[")
    if not rest:
        return part.replace("_", " ").replace(".", ": ").capitalize()
    number, _, name = rest.partition("].")
    columns = {a.path: a.words for a in ROWS.get(part, ())}  # type: ignore[call-overload]
    return tr(
        "{capitalize}, row {value}, {get}",
        capitalize=part.capitalize(),
        value=int(number) + 1,
        get=columns.get(name, name),
    )
