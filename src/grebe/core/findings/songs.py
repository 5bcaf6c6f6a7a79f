"""Findings on songs: what cannot be played as written, and how it goes."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from grebe.core.document import Project
from grebe.core.findings.model import Finding, swap_section, without_section
from grebe.core.player.plan import sounding
from grebe.core.rig.model import Device
from grebe.core.songs.changes import silenced_by_hand
from grebe.core.songs.energy import Bar, PatternBars, song_bars, unchanged
from grebe.core.songs.layout import Layout, SectionSpan
from grebe.core.songs.model import MuteRegion, Section, Song, Then
from grebe.core.songs.programme import how_told, programme, what_changed
from grebe.core.songs.unroll import unrolled
from grebe.core.time.meter import Meter
from grebe.core.time.ticks import SIXTEENTH_TICKS
from grebe.errors import EditError
from grebe.words import counted, tr

RISES = 1.05
"""A build's last quarter has at least so many times the energy of its first."""
FEWEST_VARIATIONS = 3
"""Three to four variations carry a song (common practice)."""


def song_findings(
    project: Project, reached: frozenset[str], bars: PatternBars | None = None
) -> Iterator[Finding]:
    """Everything about each song; `bars` are shared with the findings on sets."""
    scenes = {s.id for s in project.scenes}
    book = bars or PatternBars(project)
    for song in project.songs:
        yield from _written(project, song, scenes)
        try:
            layout = project.layout(song)
        except EditError:
            continue
        if not layout.spans:
            continue
        yield from _laid_over(project, song, layout)
        rows = song_bars(project, layout, book)
        yield from _goes(project, song, layout, rows)
        yield from _variety(project, song, layout)
        yield from _in_boxes(project, song, reached)


def _written(project: Project, song: Song, scenes: set[str]) -> Iterator[Finding]:
    """Songs that cannot be laid out, and what is left out of them."""
    if not song.sections:
        yield Finding(
            code="song.empty", severity="warn", kind="song", subject=song.id,
            message=tr("{song} has no sections.", song=song.name),
            why=tr("There is nothing to start."),
            fix=tr("Add a section to it."),
        )  # fmt: skip
    ids = {s.id for s in song.sections}
    names = {s.id: s.name for s in project.scenes}
    lengths = {s.id: s.bars for s in project.scenes}
    for number, section in enumerate(song.sections, start=1):
        name = names.get(section.scene, section.scene)
        if section.scene not in scenes:
            yield _no_scene(song, number, section)
        elif section.times == 0 or lengths[section.scene] == 0:
            yield _no_bars(song, number, section, name)
        if section.then.kind == "jump" and section.then.to not in ids:
            yield _no_jump(song, number, section, name)


def _no_scene(song: Song, number: int, section: Section) -> Finding:
    return Finding(
        code="song.no-scene",
        severity="block",
        kind="song",
        subject=song.id,
        message=tr(
            "{song}, section {number}, names the scene {scene}, which is not there.",
            song=song.name,
            number=number,
            scene=section.scene,
        ),
        why=tr("The song cannot be laid out, so it cannot be played."),
        fix=tr("Choose another scene for the section, or remove it."),
        cure=without_section(song, section),
    )


def _no_bars(song: Song, number: int, section: Section, name: str) -> Finding:
    what = tr("0 passes") if section.times == 0 else tr("a scene of 0 bars")
    return Finding(
        code="song.no-bars",
        severity="warn",
        kind="song",
        subject=song.id,
        message=tr(
            "{song}, section {number} ({name}), has {what}.",
            song=song.name,
            number=number,
            name=name,
            what=what,
        ),
        why=tr("It is left out when the song plays."),
        fix=tr("Give it a length, or remove it."),
    )


def _no_jump(song: Song, number: int, section: Section, name: str) -> Finding:
    return Finding(
        code="song.no-jump",
        severity="warn",
        kind="song",
        subject=song.id,
        message=tr(
            "{song}, section {number} ({name}), jumps to {value}, which is not there.",
            song=song.name,
            number=number,
            name=name,
            value=section.then.to or tr("no section"),
        ),
        why=tr("It goes on with the next section instead."),
        fix=tr("Choose where it jumps to, or let it go on."),
        cure=swap_section(song, section, then=Then()),
    )


def _laid_over(project: Project, song: Song, layout: Layout) -> Iterator[Finding]:
    """What lies past the end of its section, over nothing, or wants hands."""
    devices = {d.id: d for d in project.rig.lines}
    for span in layout.spans:
        yield from _past_end(song, span)
        for region in span.section.mutes:
            name = project.rig.name_of(region.device)
            yield from _mute(song, span, region, devices.get(region.device), name)


def _past_end(song: Song, span: SectionSpan) -> Iterator[Finding]:
    section, length = span.section, span.ticks // SIXTEENTH_TICKS
    rows = [(tr("a mute"), m.at, m.long) for m in section.mutes]
    rows += [(tr("a fill"), f.at, f.long) for f in section.fills]
    rows += [(tr("a swap"), w.at, 1) for w in section.swaps]
    rows += [(tr("the marker {m}", m=m.name), m.at, 1) for m in section.markers]
    rows += [(tr("a controller curve"), c.points[-1].at, 0) for c in section.curves]
    rows += [(tr("a tempo change"), t.at, 1) for t in section.tempi]
    for what, at, long in rows:
        if at + long > length:
            lost = _bars_words(at + long - length, span.scene.meter)
            yield Finding(
                code="song.past-end", severity="warn", kind="song", subject=song.id,
                message=tr("In {song}, {what} in {scene} (bar {bar}) reaches {lost} past its "
"section.", song=song.name, what=what, scene=span.scene.name, bar=span.bar, lost=lost),
                why=tr("What lies past the end is not used: the next section has its own."),
                fix=tr("Shorten it, or make the section longer."),
            )  # fmt: skip


def _mute(
    song: Song, span: SectionSpan, region: MuteRegion, device: Device | None, name: str
) -> Iterator[Finding]:
    where = tr(
        "bar {value}",
        value=span.bar + region.at * SIXTEENTH_TICKS // span.scene.meter.bar_ticks,
    )
    part = span.scene.part(region.device)
    if device is None or not part.chain or part.muted:
        yield Finding(
            code="song.mutes-nothing",
            severity="note",
            kind="song",
            subject=song.id,
            message=tr(
                "In {song}, a mute at {where} lies over {name}, which is silent there.",
                song=song.name,
                where=where,
                name=name,
            ),
            why=tr("There is nothing to drop."),
            fix=tr("Move it to where the device plays, or remove it."),
        )
    elif silenced_by_hand(device, region.voice):
        yield Finding(
            code="song.mute-by-hand",
            severity="note",
            kind="song",
            subject=song.id,
            message=tr(
                "In {song}, the mute at {where} of {name} is for your hands.",
                song=song.name,
                where=where,
                name=name,
            ),
            why=tr(
                "{name} plays its own pattern, and Grebe has no message that silences {what}.",
                name=name,
                what=tr("one voice of it") if region.voice else tr("it"),
            ),
            fix=tr("Make the move on the box, or let Grebe play it."),
        )


def _bars_words(sixteenths: int, meter: Meter) -> str:
    """A length in bars where it comes out even, in sixteenths otherwise."""
    bars, rest = divmod(sixteenths * SIXTEENTH_TICKS, meter.bar_ticks)
    if rest == 0:
        return counted(bars, "bar")
    return counted(sixteenths, "sixteenth")


def _goes(project: Project, song: Song, layout: Layout, bars: Sequence[Bar]) -> Iterator[Finding]:
    """Where it sags: repeats, builds that do not build, drops without a drop, odd lengths."""
    limit = project.performer.unchanged_bars
    for first, last in unchanged(bars, limit):
        yield Finding(
            code="song.unchanged",
            severity="note",
            kind="song",
            subject=song.id,
            message=tr(
                "Bars {first} to {last} of {song} repeat unchanged for {value} bars.",
                first=first,
                last=last,
                song=song.name,
                value=last - first + 1,
            ),
            why=tr("A loop that goes round unchanged is what listeners leave for."),
            fix=tr(
                "Add a variation or a mute at bar {value}, or keep it: a voice may carry "
                "this part.",
                value=(first + last + 1) // 2,
            ),
        )
    means: list[float] = []
    energies: list[list[float]] = [[] for _ in layout.spans]
    for bar in bars:
        energies[bar.span].append(bar.energy)
    for number, span in enumerate(layout.spans):
        mine = energies[number]
        means.append(sum(mine) / len(mine))
        rise = mine[: _before_drop(span)]
        if span.scene.role == "build" and len(rise) >= 4:
            quarter = max(1, len(rise) // 4)
            if sum(rise[-quarter:]) < RISES * sum(rise[:quarter]):
                yield _flat(song, span)
        if span.scene.role == "drop" and number and means[number] <= means[number - 1]:
            yield Finding(
                code="song.drop-nothing",
                severity="note",
                kind="song",
                subject=song.id,
                message=tr(
                    "{scene} at bar {bar} of {song} is a drop, and no more sounds in it than "
                    "before.",
                    scene=span.scene.name,
                    bar=span.bar,
                    song=song.name,
                ),
                why=tr("A drop is heard against what was taken away before it."),
                fix=tr("Take something out of the bars before, or bring more in."),
            )
    yield from _odd_lengths(song, layout)
    yield from _school(project, song, layout, means)


def _before_drop(span: SectionSpan) -> int:
    """Bars of a section before what is dropped out of its last ones, as before a hook."""
    bar, end = span.scene.meter.bar_ticks, span.ticks
    ends = [
        m.at * SIXTEENTH_TICKS
        for m in span.section.mutes
        if not m.voice and (m.at + m.long) * SIXTEENTH_TICKS >= end
    ]
    return min(ends, default=end) // bar


def _flat(song: Song, span: SectionSpan) -> Finding:
    return Finding(
        code="song.flat-build", severity="note", kind="song", subject=song.id,
        message=tr("{scene} at bar {bar} of {song} is a build, and its end has no more "
"energy than its beginning.", scene=span.scene.name, bar=span.bar, song=song.name),
        why=tr("What follows it comes without a rise."),
        fix=tr("Bring voices in one after another, or shorten the build."),
    )  # fmt: skip


def _odd_lengths(song: Song, layout: Layout) -> Iterator[Finding]:
    odd = [s for s in layout.spans if s.bars % 4]
    if odd and len(odd) <= len(layout.spans) / 4:
        for span in odd:
            yield Finding(
                code="song.odd-length",
                severity="note",
                kind="song",
                subject=song.id,
                message=tr(
                    "{scene} at bar {bar} of {song} is {bars}; the rest goes in fours.",
                    scene=span.scene.name,
                    bar=span.bar,
                    song=song.name,
                    bars=counted(span.bars, "bar"),
                ),
                why=tr(
                    "Listeners and players count in fours, and expect the change a little "
                    "sooner or later."
                ),
                fix=tr("Make it a multiple of four, or keep it as a surprise."),
            )


def _school(
    project: Project, song: Song, layout: Layout, means: Sequence[float]
) -> Iterator[Finding]:
    """Advice of the school of form the performer chose; nothing where none was."""
    roles = [span.scene.role for span in layout.spans]
    school = project.performer.school
    if school == "verse and hook" and "hook" in roles:
        hooks = [m for m, role in zip(means, roles, strict=True) if role == "hook"]
        if len(hooks) == 1:
            why = tr("A hook is remembered when it comes back, often played twice.")
            yield _form(
                song, tr("its hook comes once"), why, tr("Bring it in again, after a verse.")
            )
        if max(means) > max(hooks) + 1e-9:
            why = tr("A hook is everything together.")
            yield _form(
                song, tr("its hook is not the fullest part"), why, tr("Bring everything in there.")
            )
    if school == "build and drop" and "drop" in roles:
        for number, role in enumerate(roles):
            if role == "drop" and (number == 0 or roles[number - 1] not in ("build", "break")):
                name = layout.spans[number].scene.name
                yield _form(
                    song,
                    tr("{name} drops without a build or a break before it", name=name),
                    tr("There is nothing to fall from."),
                    tr("Put a build before it."),
                )


def _form(song: Song, what: str, why: str, fix: str) -> Finding:
    return Finding(
        code="song.form", severity="note", kind="song", subject=song.id,
        message=f"{song.name}: {what}.", why=why, fix=fix,
    )  # fmt: skip


def _variety(project: Project, song: Song, layout: Layout) -> Iterator[Finding]:
    """Too few variations; voices that are written and never heard."""
    patterns = project.patterns_by_id
    most, busiest = 0, ""
    scenes = {span.scene.id: span.scene for span in layout.spans}.values()
    for device in project.rig.lines:
        used: dict[str, set[str]] = {}
        for scene in scenes:
            part = scene.part(device.id)
            if not part.muted:
                for name in part.chain:
                    used.setdefault(name, set(part.silent_voices)).intersection_update(
                        part.silent_voices
                    )
        if len(used) > most:
            most, busiest = len(used), device.name
        for pattern_id, silent in used.items():
            pattern = patterns.get(pattern_id)
            if pattern is None:
                continue
            for voice in sounding(pattern, device).voices:
                if voice.id in silent and voice.hits:
                    yield Finding(
                        code="song.voice-unheard",
                        severity="note",
                        kind="song",
                        subject=song.id,
                        message=tr(
                            "{voice} of {pattern} on {device} is silent wherever {song} plays it.",
                            voice=voice.name,
                            pattern=pattern.name,
                            device=device.name,
                            song=song.name,
                        ),
                        why=tr("It was written to be heard, and takes a voice of the box."),
                        fix=tr("Let it sound in one scene, or remove it."),
                    )
    if 0 < most < FEWEST_VARIATIONS and layout.bars > 32:
        yield Finding(
            code="song.few-variations", severity="note", kind="song", subject=song.id,
            message=tr("No box plays more than {most} in {song}; the most has {busiest}.",
                       most=counted(most, "pattern"), song=song.name, busiest=busiest),
            why=tr("Three to four variations carry a song."),
            fix=tr("Vary a pattern: in Patterns, A variation of it."),
        )  # fmt: skip


def _in_boxes(project: Project, song: Song, reached: frozenset[str]) -> Iterator[Finding]:
    """What a box cannot hold, and sheets printed before something changed."""
    flat = unrolled(song)
    layout = project.layout(flat)
    printed = {p.device: p.lines for p in project.printed if p.song == song.id}
    for device in project.rig.lines:
        if not any(span.scene.part(device.id).chain for span in layout.spans):
            continue
        how = how_told(song, device, reached)
        if how not in ("box", "hand") and device.id not in printed:
            continue
        found = programme(project, song, layout, device, reached)
        if found.problems:
            fix = tr("; or ").join(found.remedies) or tr(
                "shorten the song for it, or let Grebe play it"
            )
            why = tr("Its memory cannot hold the song so.")
            if how == "hand":
                why = tr(
                    "Grebe cannot tell it its patterns while it plays; its memory has to hold them."
                )
            yield Finding(
                code="song.programme",
                severity="block" if how == "box" else "warn",
                kind="song",
                subject=song.id,
                message=tr(
                    "{song} on {device}: {names}.",
                    song=song.name,
                    device=device.name,
                    names="; ".join(found.problems),
                ),
                why=why,
                fix=f"{fix[0].upper()}{fix[1:]}.",
            )
        changed = what_changed(printed.get(device.id, found.lines), found.lines)
        if changed:
            yield Finding(
                code="song.sheet-changed",
                severity="warn",
                kind="song",
                subject=song.id,
                message=tr(
                    "{song} on {device} is not as on the sheet printed last: {changed}{what}.",
                    song=song.name,
                    device=device.name,
                    changed=changed[0],
                    what=f", and {len(changed) - 1} more" if len(changed) > 1 else "",
                ),
                why=tr("The box plays what was keyed in from that sheet."),
                fix=tr("Key in what changed, and print the sheet again."),
            )
