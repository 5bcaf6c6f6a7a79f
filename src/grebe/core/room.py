"""Tables for others in the room: what happens when, what is plugged where, what is played, and
what the lights have to go by. Each becomes a sheet or a CSV file."""

from __future__ import annotations

from collections.abc import Callable
from typing import Literal, NamedTuple

from grebe.core.document import Project
from grebe.core.rig.channels import desks
from grebe.core.rig.model import GREBE_ID, AudioPort, Cable, Device
from grebe.core.rig.wiring import Wiring
from grebe.core.sets.facts import SongFacts, song_facts
from grebe.core.sets.formatting import tempo_words
from grebe.core.sets.joined import join
from grebe.core.sets.model import Set
from grebe.core.sets.plan import PlacedSong, SetSchedule, plan_set
from grebe.core.songs.cues import Cue, CueSheet, cue_sheet
from grebe.core.songs.layout import SectionSpan
from grebe.core.songs.model import Song
from grebe.core.time.formatting import clock_text
from grebe.core.time.ticks import SIXTEENTH_TICKS
from grebe.errors import EditError
from grebe.words import counted, tr

RoomKind = Literal["cues", "patch", "band", "lights"]
ENERGY_STEPS = 10
"""A light cue says how full a section is from 0 to so many, ten being the fullest of its song."""
POWER_CARE = tr(
    "Check voltage and polarity of every supply before plugging it in. Mains and old gear are for "
    "a qualified technician, and the venue's rules come first."
)


class RoomTable(NamedTuple):
    """One of them."""

    kind: RoomKind | Literal["log"]
    title: str
    about: str
    """A line below the title."""
    head: tuple[str, ...]
    wide: tuple[int, ...]
    """Widths of the columns on paper, in per cent."""
    rows: tuple[tuple[str, ...], ...]
    grouped: bool = False
    """Whether the first column says what a row belongs to, the same for many."""
    care: str = ""
    """What to beware of, below the table."""


class HeardSong(NamedTuple):
    """A song as it is played: alone, or at its place of a set."""

    name: str
    """"" where it is alone, and needs no name."""
    sheet: CueSheet
    facts: SongFacts
    seconds_at: Callable[[int], float]
    """From the first beat of all, by the song's ticks."""


def heard(project: Project, played: Song | Set) -> tuple[HeardSong, ...]:
    """The songs of a set in their order, or the one song. EditError where a song cannot be laid
    out; one of a set that cannot be is left out."""
    if isinstance(played, Song):
        facts = song_facts(project, played)
        if facts is None:
            raise EditError(tr("{song} has nothing to play", song=played.name))
        sheet = cue_sheet(project, played)
        return (HeardSong("", sheet, facts, sheet.layout.tempo.seconds_at),)
    return tuple(
        HeardSong(s.facts.song.name, cue_sheet(project, s.facts.song), s.facts, s.seconds_at)
        for s in plan_set(project, played).songs
        if s.facts is not None
    )


def cue_table(project: Project, played: Song | Set) -> RoomTable:
    """Everything that happens, with bar, time and who does it."""
    rows: list[tuple[str, ...]] = [
        (song.name, f"{cue.bar}.{cue.beat}", clock_text(song.seconds_at(cue.tick)), cue.device,
         cue.what, tr("Grebe") if cue.by == "grebe" else tr(cue.by) if cue.by else "")
        for song in heard(project, played) for cue in song.sheet.cues
    ]  # fmt: skip
    return _of_songs(
        "cues", tr("Cue list: {played}", played=played.name), project, played,
        (tr("Song"), tr("Bar"), tr("Time"), tr("Box"), tr("What"), tr("By")),
        (14, 8, 9, 14, 45, 10), rows,
    )  # fmt: skip


def light_table(project: Project, played: Song | Set) -> RoomTable:
    """Where what one sees should change: sections with how full they are, drops, fills, markers,
    tempi and the end."""
    rows: list[tuple[str, ...]] = []
    for song in heard(project, played):
        fullest = max(song.facts.energy, default=0.0) or 1.0
        for cue in song.sheet.cues:
            row = _lit(song, cue, fullest)
            if row is not None:
                at = clock_text(song.seconds_at(cue.tick))
                rows.append((song.name, f"{cue.bar}.{cue.beat}", at, *row))
    return _of_songs(
        "lights", tr("Light cues: {played}", played=played.name), project, played,
        (tr("Song"), tr("Bar"), tr("Time"), tr("Part"), tr("Full"), tr("Bars"), tr("What")),
        (14, 8, 9, 20, 7, 8, 34), rows,
    )  # fmt: skip


def _lit(song: HeardSong, cue: Cue, fullest: float) -> tuple[str, str, str, str] | None:
    """(part, how full, bars, what) of a cue that is one for lights; None for the others."""
    layout = song.sheet.layout
    number = layout.index_at(min(cue.tick, layout.ticks - 1))
    if cue.kind == "section":
        full = round(ENERGY_STEPS * song.facts.energy[number] / fullest)
        span = layout.spans[number]
        return span.scene.name, str(full), str(span.bars), tr(span.scene.role)
    whole_box = cue.kind == "mute" and cue.device and _is_whole(song, cue)
    if cue.kind in ("fill", "marker", "tempo", "end") or whole_box:
        what = f"{cue.device}: {cue.what}" if cue.device else cue.what
        return "", "", "", what
    return None


def _is_whole(song: HeardSong, cue: Cue) -> bool:
    """Whether a mute is of a whole box, not of one voice of it."""
    return any(
        not m.voice and cue.tick in _ends(span, m.at, m.long)
        for span in song.sheet.layout.spans for m in span.section.mutes
    )  # fmt: skip


def _ends(span: SectionSpan, at: int, long: int) -> tuple[int, int]:
    begin = span.tick + at * SIXTEENTH_TICKS
    return begin, min(span.end, begin + long * SIXTEENTH_TICKS)


def band_table(project: Project, running: Set) -> RoomTable:
    """What a band has to know: tempo, key, metre and length of each song, and how it comes in."""
    plan = plan_set(project, running)
    rows = [_for_band(number, song) for number, song in enumerate(plan.songs, start=1)
            if song.facts is not None]  # fmt: skip
    return RoomTable(
        "band", tr("For the band: {running}", running=running.name), _about(project, plan),
        ("#", tr("Song"), tr("Tempo"), tr("Key"), tr("Metre"), tr("Bars"), tr("Length"),
         tr("Comes in")),
        (4, 22, 12, 10, 8, 8, 8, 28), tuple(rows),
    )  # fmt: skip


def _for_band(number: int, song: PlacedSong) -> tuple[str, ...]:
    facts = song.facts
    assert facts is not None
    same = abs(facts.low_bpm - facts.high_bpm) < 0.05
    bpm = f"{facts.bpm:g}" if same else f"{facts.bpm:g} ({facts.low_bpm:g}-{facts.high_bpm:g})"
    meters = dict.fromkeys(str(span.scene.meter) for span in facts.layout.spans)
    comes_in = tr("begins") if song.crossing is None else tempo_words(song.entry, song.crossing)
    return (
        str(number), facts.song.name, f"{bpm} BPM", facts.key, ", ".join(meters),
        str(facts.bars), clock_text(song.seconds), comes_in,
    )  # fmt: skip


def _about(project: Project, plan: SetSchedule) -> str:
    songs = counted(len(plan.playable), "song")
    return tr("{project}. {songs}, {length}.", project=project.name, songs=songs,
              length=clock_text(plan.seconds))  # fmt: skip


def patch_table(project: Project) -> RoomTable:
    """Who is on which channel of mixer and interface, over which cable, and on which supply."""
    wiring = Wiring(project.rig)
    mixed: dict[str, list[str]] = {}
    for desk in desks(project.rig):
        for one in desk.channels:
            where = tr("{desk}, channel {number}", desk=desk.device.name, number=one.number)
            mixed.setdefault(one.box, []).append(where)
    rows = tuple(
        (
            device.name, device.label or tr(device.kind), device.power,
            "; ".join(_cable(wiring, c) for c in (
                *wiring.arriving[device.id],
                *(c for c in wiring.leaving[device.id] if c.target == GREBE_ID),
            )),
            _sound(device, wiring, mixed), _inputs(device),
        )
        for device in project.rig.devices
    )  # fmt: skip
    return RoomTable(
        "patch", tr("Patch list: {rig}", rig=project.rig.name), f"{project.name}.",
        (tr("Box"), tr("What it is"), tr("Power"), tr("Cables"),
         tr("Its sound goes to"), tr("Interface")),
        (12, 14, 16, 28, 16, 14), rows, care=POWER_CARE,
    )  # fmt: skip


def _cable(wiring: Wiring, cable: Cable) -> str:
    out, into = wiring.source_jack(cable), wiring.target_jack(cable)
    source = "Grebe" if cable.source == GREBE_ID else wiring.rig.name_of(cable.source)
    begins = f"{source}, {out.name}" if out is not None else source
    ends = into.name if into is not None else "Grebe" if cable.target == GREBE_ID else ""
    return tr("{begins} to {ends}", begins=begins, ends=ends) if ends else begins


def _sound(device: Device, wiring: Wiring, mixed: dict[str, list[str]]) -> str:
    if device.id in mixed:
        return "; ".join(mixed[device.id])
    audio = [c for c in wiring.leaving[device.id] if c.medium == "audio" and not c.listens]
    return ", ".join(wiring.rig.name_of(c.target) for c in audio)


def _inputs(device: Device) -> str:
    """Channels of the interface that the box is plugged into, or fed from."""
    ports: tuple[tuple[str, AudioPort], ...] = (
        (tr("sound in"), device.heard_at), (tr("pulses in"), device.pulse_from),
        (tr("run line in"), device.run_from), (tr("pulses out"), device.pulse_at),
        (tr("run line out"), device.run_at), (tr("reset out"), device.reset_at),
    )  # fmt: skip
    return "; ".join(
        f"{what} {port.channel if port.wire == 'audio' else port.name or tr('by hand')}"
        for what, port in ports if port.is_set
    )  # fmt: skip


def _of_songs(
    kind: RoomKind, title: str, project: Project, played: Song | Set, head: tuple[str, ...],
    wide: tuple[int, ...], rows: list[tuple[str, ...]],
) -> RoomTable:  # fmt: skip
    """A table of one song or several; the column of songs only where there are several."""
    about = f"{project.name}."
    if isinstance(played, Song):
        what = head.index(tr("What"))
        wide = (*wide[1:what], wide[what] + wide[0], *wide[what + 1 :])
        head, rows = head[1:], [row[1:] for row in rows]
    return RoomTable(
        kind, title, about, head, wide, tuple(rows), grouped=not isinstance(played, Song)
    )


class Label(NamedTuple):
    """A place in time, for a recorder's editor."""

    seconds: float
    until: float
    """Where it is over; the same for a point."""
    words: str


def as_one(project: Project, played: Song | Set) -> tuple[Song, dict[str, str]]:
    """A song, or a set as one; and the name of the song that each of its sections is of, by the
    section's id, where it is a set."""
    if isinstance(played, Song):
        return played, {}
    joined = join(project, played)
    names = {song.id: song.name for song in project.songs}
    return joined.song, {section: names[own.song] for section, own in joined.own.items()}


def markers(project: Project, played: Song | Set) -> tuple[Label, ...]:
    """Sections, markers and tempo changes in seconds from the first beat; of a set as one piece,
    without the silences between songs that stop. EditError where nothing can be laid out."""
    song, names = as_one(project, played)
    sheet = cue_sheet(project, song)
    out: list[Label] = []
    for span in sheet.layout.spans:
        name = names.get(span.section.id, "")
        begin, end = (sheet.layout.tempo.seconds_at(at) for at in (span.tick, span.end))
        out.append(Label(begin, end, f"{name}: {span.scene.name}" if name else span.scene.name))
    out += [
        Label(cue.seconds, cue.seconds, cue.what)
        for cue in sheet.cues if cue.kind in ("marker", "tempo")
    ]  # fmt: skip
    return tuple(sorted(out))
