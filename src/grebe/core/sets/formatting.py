"""A set in words: how a tempo gets there, how keys stand, what is to be done, why it lies so."""

from __future__ import annotations

from grebe.core.document import Project
from grebe.core.sets.between import Between, Work
from grebe.core.sets.keys import Relation, shifted
from grebe.core.sets.model import SetSong
from grebe.core.sets.order import RunningOrder
from grebe.core.sets.plan import Crossing, PlacedSong
from grebe.words import counted, tr

KINDS = {
    "load": "load", "patch": "patch", "teach": "teach it", "program": "re-program", "move": "",
    "send": "",
}  # fmt: skip


def tempo_words(entry: SetSong, crossing: Crossing) -> str:
    """How the tempo gets there."""
    same = abs(crossing.bpm_from - crossing.bpm_to) < 0.005
    if entry.into == "stop":
        return tr("stops, {gap_s:g} s", gap_s=entry.gap_s)
    if entry.into == "carry":
        return (
            tr("carries on")
            if same
            else tr("carries on at {bpm_from:g} until released", bpm_from=crossing.bpm_from)
        )
    if same:
        return tr("same tempo")
    if entry.into == "ramp":
        return tr("ramp {bars}", bars=counted(entry.ramp_bars, "bar"))
    return tr("cut on the bar")


def key_words(found: Relation | None) -> str:
    """How the keys stand, in words."""
    if found is None:
        return tr("key not known")
    return tr("{found_words}: fits", found_words=found.words) if found.fits else found.words


def shift_words(found: Relation | None, key: str) -> str:
    """The pitch shift that would match the second song to the first; "" where they fit."""
    if found is None or found.fits or not found.shift:
        return ""
    many = abs(found.shift)
    semitones, to = counted(many, "semitone"), shifted(key, found.shift)
    if found.shift > 0:
        return tr("{semitones} up, to {to}", semitones=semitones, to=to)
    return tr("{semitones} down, to {to}", semitones=semitones, to=to)


def work_words(project: Project, work: Work) -> str:
    """One thing to be done: what, on which box, by whom and how long."""
    name = project.rig.name_of(work.device)
    if work.by == "grebe":
        return tr("{name}: Grebe sends {what}", name=name, what=work.what)
    kind = KINDS[work.kind]
    who = "" if work.by == "you" else tr(", helper")
    what = work.what if work.what.startswith(kind) else f"{kind} {work.what}"
    return f"{name}: {what}, {work.seconds:g} s{who}"


def between_words(project: Project, found: Between) -> str:
    """The verdict on what lies between two songs, in a sentence."""
    hands = found.by_hand
    if not hands:
        return tr("Nothing to load.")
    many = counted(len(hands), "thing")
    if found.fits:
        return tr(
            "{many}, {seconds:g} s of work: it can be done.", many=many, seconds=found.seconds
        )
    left = [*found.hands.relieve, *found.helper.relieve]
    names = ", ".join(dict.fromkeys(project.rig.name_of(m.device) for m in left))
    return tr(
        "{many}, {seconds:g} s of work, {window_s:g} s of silence: {names} cannot be ready.",
        many=many,
        seconds=found.seconds,
        window_s=found.window_s,
        names=names,
    )


def reason_words(
    placed: PlacedSong, before: PlacedSong, energies: tuple[float, float], *, wished: float | None
) -> str:
    """Why a song lies after another: tempo, key, energy and work, in one line."""
    crossing = placed.crossing
    if crossing is None or placed.facts is None or before.facts is None:
        return ""
    step = (crossing.bpm_to / crossing.bpm_from - 1) * 100
    tempo = tr("same tempo") if abs(step) < 0.05 else tr("tempo {step:+.1f} %", step=step)
    key = crossing.key.words if crossing.key is not None else tr("key not known")
    energy = tr(
        "energy {value:.0f} to {value2:.0f} %", value=energies[0] * 100, value2=energies[1] * 100
    )
    if wished is not None:
        energy += tr(", wished {value:.0f}", value=wished * 100)
    seconds = crossing.between.seconds
    work = tr("{seconds:g} s of work", seconds=seconds) if seconds else tr("no work")
    return f"{tempo}, {key}, {energy}, {work}"


def sure_words(found: RunningOrder) -> str:
    """How sure it is that no order is better."""
    if found.exact:
        return tr("none fits better")
    if found.gap < 1:
        return tr("the best found; none costs over {value:.0f} % less", value=found.gap * 100)
    return tr("the best found")
