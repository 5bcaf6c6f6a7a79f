"""A set in words: how a tempo gets there, how keys stand, what is to be done, why it lies so."""

from __future__ import annotations

from grebe.core.document import Project
from grebe.core.sets.between import Between, Work
from grebe.core.sets.keys import Relation, shifted
from grebe.core.sets.model import SetSong
from grebe.core.sets.order import RunningOrder
from grebe.core.sets.plan import Crossing, PlacedSong

KINDS = {
    "load": "load", "patch": "patch", "teach": "teach it", "program": "re-program", "move": "",
    "send": "",
}  # fmt: skip


def tempo_words(entry: SetSong, crossing: Crossing) -> str:
    """How the tempo gets there."""
    same = abs(crossing.bpm_from - crossing.bpm_to) < 0.005
    if entry.into == "stop":
        return f"stops, {entry.gap_s:g} s"
    if entry.into == "carry":
        return "carries on" if same else f"carries on at {crossing.bpm_from:g} until released"
    if same:
        return "same tempo"
    if entry.into == "ramp":
        return f"ramp {entry.ramp_bars} bar{'' if entry.ramp_bars == 1 else 's'}"
    return "cut on the bar"


def key_words(found: Relation | None) -> str:
    """How the keys stand, in words."""
    if found is None:
        return "key not known"
    return f"{found.words}: fits" if found.fits else found.words


def shift_words(found: Relation | None, key: str) -> str:
    """The pitch shift that would match the second song to the first; "" where they fit."""
    if found is None or found.fits or not found.shift:
        return ""
    many = abs(found.shift)
    way = "up" if found.shift > 0 else "down"
    return f"{many} semitone{'' if many == 1 else 's'} {way}, to {shifted(key, found.shift)}"


def work_words(project: Project, work: Work) -> str:
    """One thing to be done: what, on which box, by whom and how long."""
    name = project.rig.name_of(work.device)
    if work.by == "grebe":
        return f"{name}: Grebe sends {work.what}"
    kind = KINDS[work.kind]
    who = "" if work.by == "you" else ", helper"
    what = work.what if work.what.startswith(kind) else f"{kind} {work.what}"
    return f"{name}: {what}, {work.seconds:g} s{who}"


def between_words(project: Project, found: Between) -> str:
    """The verdict on what lies between two songs, in a sentence."""
    hands = found.by_hand
    if not hands:
        return "Nothing to load."
    many = f"{len(hands)} thing{'' if len(hands) == 1 else 's'}"
    if found.fits:
        return f"{many}, {found.seconds:g} s of work: it can be done."
    left = [*found.hands.relieve, *found.helper.relieve]
    names = ", ".join(dict.fromkeys(project.rig.name_of(m.device) for m in left))
    return (
        f"{many}, {found.seconds:g} s of work, {found.window_s:g} s of silence: "
        f"{names} cannot be ready."
    )


def reason_words(
    placed: PlacedSong, before: PlacedSong, energies: tuple[float, float], *, wished: float | None
) -> str:
    """Why a song lies after another: tempo, key, energy and work, in one line."""
    crossing = placed.crossing
    if crossing is None or placed.facts is None or before.facts is None:
        return ""
    step = (crossing.bpm_to / crossing.bpm_from - 1) * 100
    tempo = "same tempo" if abs(step) < 0.05 else f"tempo {step:+.1f} %"
    key = crossing.key.words if crossing.key is not None else "key not known"
    energy = f"energy {energies[0] * 100:.0f} to {energies[1] * 100:.0f} %"
    if wished is not None:
        energy += f", wished {wished * 100:.0f}"
    seconds = crossing.between.seconds
    work = f"{seconds:g} s of work" if seconds else "no work"
    return f"{tempo}, {key}, {energy}, {work}"


def sure_words(found: RunningOrder) -> str:
    """How sure it is that no order is better."""
    if found.exact:
        return "none fits better"
    if found.gap < 1:
        return f"the best found; none costs over {found.gap * 100:.0f} % less"
    return "the best found"
