"""Profiles that contradict themselves: which field says what another denies."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator

from grebe.core.rig.spec import Jack, Profile, Spec
from grebe.words import tr

Contradiction = tuple[str, str]
"""(field, what is wrong with it), both in words for the performer."""

CLOCK_KINDS = {"midi", "usb", "virtual", "pulse", "sync", "network"}
MIDI_KINDS = {"midi", "usb", "virtual", "network"}


def contradictions(profile: Profile) -> tuple[Contradiction, ...]:
    """Everything in a profile that cannot be true together; empty for a sound one."""
    spec = profile.spec
    return (
        *_jacks(spec),
        *_clock(spec),
        *_memory(spec),
        *_voices(spec),
        *_settings(profile),
    )


def _twice(values: list[object]) -> list[object]:
    return [value for value, times in Counter(values).items() if times > 1]


def _jacks(spec: Spec) -> Iterator[Contradiction]:
    for jack_id in _twice([jack.id for jack in spec.jacks]):
        yield "spec.jacks", tr("two jacks have the id {jack_id}", jack_id=jack_id)
    for index, jack in enumerate(spec.jacks):
        field = f"spec.jacks[{index}]"
        yield from _one_jack(field, jack)
    if any(j.way == "thru" for j in spec.jacks) and not any(j.takes for j in spec.jacks):
        yield "spec.jacks", tr("there is a thru but no input for it to repeat")


def _one_jack(field: str, jack: Jack) -> Iterator[Contradiction]:
    pulses = jack.kind in ("pulse", "sync")
    if jack.rates and not pulses:
        yield (
            f"{field}.rates",
            tr(
                "{jack} is {kind}: only pulse and sync jacks have rates",
                jack=jack.name,
                kind=jack.kind,
            ),
        )
    volts = (("volts", jack.volts), ("needs_volts", jack.needs_volts))
    for name, value in (*volts, ("bears_volts", jack.bears_volts)):
        if value is not None and not pulses:
            yield (
                f"{field}.{name}",
                tr("{jack} is {kind}: it has no pulse level", jack=jack.name, kind=jack.kind),
            )
    if jack.volts is not None and not jack.gives:
        yield f"{field}.volts", tr("{jack} is an input: it gives no level", jack=jack.name)
    for name, value in (("needs_volts", jack.needs_volts), ("bears_volts", jack.bears_volts)):
        if value is not None and not jack.takes:
            yield f"{field}.{name}", tr("{jack} is an output: it takes no level", jack=jack.name)
    if jack.needs_volts and jack.bears_volts and jack.needs_volts > jack.bears_volts:
        yield f"{field}.needs_volts", tr("{jack} needs more than it bears", jack=jack.name)
    if jack.speakers and jack.kind != "audio":
        yield (
            f"{field}.speakers",
            tr("{jack} is {kind}: only audio goes to speakers", jack=jack.name, kind=jack.kind),
        )
    if jack.way == "thru" and jack.kind in ("audio", "network"):
        yield (
            f"{field}.way",
            tr(
                "{jack} is {kind}: thru repeats MIDI, sync or pulses",
                jack=jack.name,
                kind=jack.kind,
            ),
        )


def _clock(spec: Spec) -> Iterator[Contradiction]:
    if not spec.jacks:
        return
    outs = {j.kind for j in spec.jacks if j.gives and j.way != "thru"}
    ins = {j.kind for j in spec.jacks if j.takes}
    if spec.sends.clock and not outs & CLOCK_KINDS:
        yield "spec.sends.clock", tr("it sends clock but has no output to send it on")
    if spec.obeys.clock and not ins & CLOCK_KINDS:
        yield "spec.obeys.clock", tr("it obeys clock but has no input that takes one")
    for name in ("notes", "program", "controllers"):
        if getattr(spec.sends, name) and not outs & MIDI_KINDS:
            yield f"spec.sends.{name}", tr("it sends {name} but has no MIDI output", name=name)
    for name in ("notes", "program", "song_position", "song_select"):
        if getattr(spec.obeys, name) and not ins & MIDI_KINDS:
            yield (
                f"spec.obeys.{name}",
                tr("it obeys {replace} but has no MIDI input", replace=name.replace("_", " ")),
            )
    if spec.obeys.resume and not spec.obeys.start:
        yield "spec.obeys.resume", tr("it obeys Continue but not Start")
    if spec.tempo.low > spec.tempo.high:
        yield (
            "spec.tempo.low",
            tr(
                "{low:g} BPM is above its highest, {high:g}",
                low=spec.tempo.low,
                high=spec.tempo.high,
            ),
        )


def _memory(spec: Spec) -> Iterator[Contradiction]:
    memory, chains = spec.memory, spec.chains
    if memory is None:
        if chains.rule != "none":
            yield "spec.chains.rule", tr("it chains patterns but has no pattern memory")
    else:
        if memory.size > 128 and spec.obeys.program:
            yield (
                "spec.memory",
                tr("{size} patterns: program changes reach only 128", size=memory.size),
            )
        if memory.groups > 1 and memory.printed != "bank_group":
            yield "spec.memory.printed", tr("it has groups, so places are printed as bank_group")
        if memory.banks > 26 and memory.printed != "number":
            yield "spec.memory.banks", tr("over 26 banks cannot be printed as letters")
    if chains.rule == "none" and chains.longest:
        yield "spec.chains.longest", tr("it has a length but no rule")
    if chains.rule != "none" and not chains.longest:
        yield "spec.chains.longest", tr("a chain of no patterns")
    if chains.rule == "neighbours" and not chains.group:
        yield "spec.chains.group", tr("neighbours of a group: say how many patterns that has")
    if chains.group and chains.rule not in ("neighbours", "row"):
        yield "spec.chains.group", tr("a group belongs to the rules neighbours and row alone")
    if memory is not None and chains.group > memory.size:
        yield (
            "spec.chains.group",
            tr("a group of {group} in a memory of {size}", group=chains.group, size=memory.size),
        )
    swing = () if spec.steps is None else spec.steps.swing
    if list(swing) != sorted(set(swing)):
        yield "spec.steps.swing", tr("levels rise from straight, each once")


def _voices(spec: Spec) -> Iterator[Contradiction]:
    for name in _twice([voice.name for voice in spec.voices]):
        yield "spec.voices", tr("two voices are called {name}", name=name)
    for note in _twice([voice.note for voice in spec.voices]):
        yield "spec.voices", tr("two voices are on note {note}", note=note)
    for number in _twice([row.number for row in spec.controllers]):
        yield "spec.controllers", tr("controller {number} stands there twice", number=number)
    for index, row in enumerate(spec.controllers):
        if row.low > row.high:
            yield f"spec.controllers[{index}].low", tr("{row} begins above its end", row=row.name)
    if len(spec.echo_ms) not in (0, 2) or list(spec.echo_ms) != sorted(spec.echo_ms):
        yield "spec.echo_ms", tr("give the shortest and the longest time")
    if spec.starts_all and not spec.obeys.start:
        yield "spec.starts_all", tr("Start starts all of it, but it does not obey Start")


def _settings(profile: Profile) -> Iterator[Contradiction]:
    spec = profile.spec
    numbers = {row.number for row in spec.controllers}
    if profile.mute_controller is not None and numbers and profile.mute_controller not in numbers:
        yield (
            "mute_controller",
            tr(
                "controller {mute_controller} is not in its chart",
                mute_controller=profile.mute_controller,
            ),
        )
    if spec.jacks and profile.plays == "grebe" and not spec.obeys.notes and profile.kind in _NOTED:
        yield "plays", tr("Grebe is to play it, but it obeys no notes")


_NOTED = {"drums", "bass", "synth", "sampler"}
