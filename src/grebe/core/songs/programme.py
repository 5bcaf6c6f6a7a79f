"""A song as each box can have it: told live, played by Grebe, or programmed into its memory."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise
from typing import Literal, NamedTuple

from grebe.core.document import Project
from grebe.core.patterns.model import Pattern
from grebe.core.player.plan import sounding
from grebe.core.rig.lines import box_of
from grebe.core.rig.model import Device
from grebe.core.rig.numbering import printed_program
from grebe.core.songs.layout import Layout, SectionSpan
from grebe.core.songs.memory_order import MemoryOrder, in_order
from grebe.core.songs.model import Song
from grebe.core.songs.unroll import unrolled
from grebe.words import counted, tr

How = Literal["live", "grebe", "box", "hand"]
"""Told by Grebe while it plays; played note by note; from its own song memory; by hand."""
EMPTY = ""
"""Stands for an empty pattern where a box has to be silent."""


class Entry(NamedTuple):
    """One line of a programme: a pattern so many times."""

    pattern: str
    """Pattern id; "" is silence."""
    times: int
    bar: int
    """First bar, printed."""
    section: str
    """Name of its scene."""
    cut: bool = False
    """Whether its last time is cut short by the section's end."""
    first: bool = False
    """Whether a section begins with it."""
    silent_plays: int = 0
    """Of silence: how often an empty pattern as long as its others is played."""

    @property
    def plays(self) -> int:
        """How much of a list it takes."""
        return self.times if self.pattern else self.silent_plays


class Shorter(NamedTuple):
    """A list made shorter by longer patterns."""

    entries: int
    new: tuple[tuple[str, ...], ...]
    """Patterns to be written one after another into one."""


class Programme(NamedTuple):
    """What one box needs for a song."""

    device: Device
    how: How
    entries: tuple[Entry, ...]
    problems: tuple[str, ...]
    """Why it cannot be programmed as it stands; empty where it can."""
    remedies: tuple[str, ...]
    """What would make it fit."""
    tracks: tuple[tuple[int, int], ...]
    """Entries (first, last) of each track, where it has to be split; one track otherwise."""
    order: MemoryOrder | None
    """The patterns put in another order, where its chains want that."""
    lines: tuple[str, ...]
    """As it is printed."""


def programmes(project: Project, song: Song, reached: frozenset[str]) -> tuple[Programme, ...]:
    """The programme of every device that plays in a song, in order of the rig.

    EditError when the song names a scene that is not there.
    """
    layout = project.layout(unrolled(song))
    out: list[Programme] = []
    for device in project.rig.lines:
        if any(span.scene.part(device.id).chain for span in layout.spans):
            out.append(programme(project, song, layout, device, reached))  # noqa: PERF401
    return tuple(out)


def programme(
    project: Project, song: Song, layout: Layout, device: Device, reached: frozenset[str]
) -> Programme:
    """The programme of one device for a song that is laid out without jumps."""
    patterns = project.patterns_within(device.id)
    how = how_told(song, device, reached)
    entries = entries_of(layout, device, patterns)
    plays = [(e.pattern, e.section, n == 0) for e in entries for n in range(e.plays)]
    problems: list[str] = []
    remedies: list[str] = []
    tracks: tuple[tuple[int, int], ...] = ((0, len(entries) - 1),) if entries else ()
    order = None
    if how in ("box", "hand"):
        rule = device.spec.chains
        if rule.rule == "none" and len({p for p, _, _ in plays}) > 1:
            problems.append(tr("it cannot chain patterns"))
            remedies.append(tr("change its pattern by hand, or let Grebe play it"))
        if rule.rule == "any" and rule.longest and len(plays) > rule.longest:
            problems.append(
                tr(
                    "a list of {count} is past its limit of {longest}",
                    count=len(plays),
                    longest=rule.longest,
                )
            )
            remedies += _shortened(device, patterns, plays, rule.longest)
            tracks = split(entries, rule.longest)
            if len(tracks) > 1:  # one entry alone may be past the limit: that is repeated by hand
                remedies.append(_split_words(entries, tracks))
        if rule.rule in ("neighbours", "row"):
            order = _reordered(project, device, layout, patterns)
            problems += _unlike_memory(device, layout, patterns, order)
            words = "" if order is None else _order_words(device, patterns, order)
            if problems and words:
                remedies.append(words)
        bars = device.spec.track_measures
        if how == "box" and bars and layout.bars > bars:
            problems.append(
                tr(
                    "{bars} bars are past the {bars2} of one of its songs",
                    bars=layout.bars,
                    bars2=bars,
                )
            )
    return Programme(
        device, how, entries, tuple(problems), tuple(remedies), tracks, order,
        _lines(device, how, entries, patterns, tracks, song),
    )  # fmt: skip


def how_told(song: Song, device: Device, reached: frozenset[str]) -> How:
    """How a device comes to play its part of a song."""
    if device.plays == "grebe":
        return "grebe"
    if song.box_song(box_of(device.id)) is not None:
        return "box"
    return "live" if device.obeys_program and device.id in reached else "hand"


def entries_of(layout: Layout, device: Device, patterns: dict[str, Pattern]) -> tuple[Entry, ...]:
    """What a device plays from top to end, pattern by pattern, repeats counted."""
    out: list[Entry] = []
    for span in layout.spans:
        out += _of_span(span, device, patterns)
    return tuple(out)


def _of_span(span: SectionSpan, device: Device, patterns: dict[str, Pattern]) -> list[Entry]:
    chain = [p for p in span.scene.part(device.id).chain if p in patterns]
    name, bar_ticks = span.scene.name, span.scene.meter.bar_ticks
    if not chain:
        longest = max((sounding(p, device).ticks for p in patterns.values()), default=bar_ticks)
        plays = -(-span.ticks // longest)
        return [Entry(EMPTY, span.bars, span.bar, name, first=True, silent_plays=plays)]
    out: list[Entry] = []
    at = number = 0
    while at < span.ticks:
        pattern = chain[number % len(chain)]
        ticks = sounding(patterns[pattern], device).ticks
        cut = at + ticks > span.ticks
        if out and out[-1].pattern == pattern:
            out[-1] = out[-1]._replace(times=out[-1].times + 1, cut=cut)
        else:
            out.append(Entry(pattern, 1, span.bar + at // bar_ticks, name, cut, first=not out))
        at, number = at + ticks, number + 1
    return out


def shorter(
    plays: Sequence[str], steps: dict[str, int], longest: int, limit: int
) -> Shorter | None:
    """The list with as few entries as longer patterns give; None where `limit` is not reached.

    `steps` are the lengths of patterns, all at one step rate. Of the ways with the fewest
    entries, one with the fewest patterns to be written.
    """
    best: list[tuple[int, int, int]] = [(0, 0, 0)]
    for end in range(1, len(plays) + 1):
        ways: list[tuple[int, int, int]] = []
        total = 0
        for begin in range(end - 1, -1, -1):
            total += steps.get(plays[begin], longest + 1)
            if total > longest and begin < end - 1:
                break
            entries, new, _ = best[begin]
            ways.append((entries + 1, new + (begin < end - 1), begin))
        best.append(min(ways))
    cuts: list[tuple[int, int]] = []
    end = len(plays)
    while end:
        begin = best[end][2]
        cuts.append((begin, end))
        end = begin
    if len(cuts) > limit:
        return None
    written = dict.fromkeys(tuple(plays[b:e]) for b, e in reversed(cuts) if e - b > 1)
    return Shorter(len(cuts), tuple(written))


def split(entries: Sequence[Entry], limit: int) -> tuple[tuple[int, int], ...]:
    """Entries (first, last) of each track, none with more than `limit` plays.

    As few tracks as can be; cut where a section begins if there is such a way; then as even as
    can be. An entry longer than the limit is left to be repeated by hand.
    """
    plays = [min(e.plays, limit) for e in entries]
    before = [0]
    for count in plays:
        before.append(before[-1] + count)
    best: list[tuple[int, int, int, int]] = [(0, 0, 0, 0)]
    for end in range(1, len(entries) + 1):
        ways = []
        for begin in range(end - 1, -1, -1):
            held = before[end] - before[begin]
            if held > limit:
                break
            tracks, inside, uneven, _ = best[begin]
            cut = begin > 0 and not entries[begin].first
            ways.append((tracks + 1, inside + cut, uneven + held * held, begin))
        best.append(min(ways))
    cuts: list[tuple[int, int]] = []
    end = len(entries)
    while end:
        begin = best[end][3]
        cuts.append((begin, end - 1))
        end = begin
    return tuple(reversed(cuts))


def _shortened(
    device: Device, patterns: dict[str, Pattern], plays: list[tuple[str, str, bool]], limit: int
) -> list[str]:
    steps = device.spec.steps
    if steps is None or len({p.content.rate for p in patterns.values()}) > 1:
        return []
    lengths = {p.id: sounding(p, device).length for p in patterns.values()}
    found = shorter([p for p, _, _ in plays], lengths, steps.longest, limit)
    if found is None:
        return []
    rows = [" + ".join(_name(patterns, p) for p in row) for row in found.new]
    return [
        tr(
            "write {count} longer patterns ({names}): {entries} in the list",
            count=len(rows),
            names="; ".join(rows),
            entries=found.entries,
        )
    ]


def _split_words(entries: Sequence[Entry], tracks: Sequence[tuple[int, int]]) -> str:
    bars = [entries[first].bar for first, _ in tracks[1:]]
    where = ", ".join(tr("bar {bar}", bar=bar) for bar in bars)
    return tr(
        "split it into {count} tracks, the next begun at {where}", count=len(tracks), where=where
    )


def chains_of(layout: Layout, device: Device, patterns: dict[str, Pattern]) -> list[list[str]]:
    """The chains a song asks a device for, as runs of different patterns, each once."""
    out: dict[tuple[str, ...], None] = {}
    for span in layout.spans:
        chain = [p for p in span.scene.part(device.id).chain if p in patterns]
        run = [p for n, p in enumerate(chain) if n == 0 or chain[n - 1] != p]
        if run:
            out[tuple(run)] = None
    return [list(run) for run in out]


def _reordered(
    project: Project, device: Device, layout: Layout, patterns: dict[str, Pattern]
) -> MemoryOrder:
    """Places for the patterns this song chains; those of other songs are left where they are."""
    memory, rule = device.spec.memory, device.spec.chains
    chains = chains_of(layout, device, patterns)
    wanted = {p for chain in chains for p in chain}
    lies = {p: patterns[p].program for p in wanted}
    size = memory.size if memory is not None else 128
    group = rule.group or (memory.slots if memory is not None else 16)
    taken = frozenset(
        p.program
        for p in project.patterns
        if p.device == device.id and p.id not in wanted and p.program is not None
    )
    known = {p: place for p, place in lies.items() if place is not None}
    return in_order(chains, group, max(1, size // group), lies=known, taken=taken)


def _unlike_memory(
    device: Device, layout: Layout, patterns: dict[str, Pattern], order: MemoryOrder
) -> list[str]:
    """Chains that do not lie side by side as the memory is now."""
    out: list[str] = []
    longest, group = device.spec.chains.longest, device.spec.chains.group
    for span in layout.spans:
        chain = span.scene.part(device.id).chain
        if len(set(chain)) > 1 and any(a == b for a, b in pairwise(chain)):
            out.append(
                tr(
                    "{scene} plays a pattern several times in a row, and a place is played "
                    "once a round: it needs copies of it",
                    scene=span.scene.name,
                )
            )
    for run in chains_of(layout, device, patterns):
        places = [patterns[p].program for p in run]
        names = " \u2192 ".join(patterns[p].name for p in run)
        if longest and len(run) > longest:
            out.append(
                tr(
                    "a chain of {count} is past its limit of {longest}: {names}",
                    count=len(run),
                    longest=longest,
                    names=names,
                )
            )
        elif any(
            a is None or b is None or b != a + 1 or (group and a // group != b // group)
            for a, b in pairwise(places)
        ):
            out.append(tr("{names} do not lie side by side in its memory", names=names))
    out = list(dict.fromkeys(out))
    if out and order.why_not:
        out.append(order.why_not.format(*(_name(patterns, p) for p in order.clash)))
    return out


def _order_words(device: Device, patterns: dict[str, Pattern], order: MemoryOrder) -> str:
    """What another order would move; "" where all lie as well as they can."""
    if order.why_not:
        return tr("no order of its memory serves all chains: a second copy of a pattern would")
    rows = [
        tr(
            "{name} to {printed_program}",
            name=_name(patterns, p),
            printed_program=printed_program(device, place),
        )
        for p, place in sorted(order.places.items(), key=lambda row: row[1])
        if patterns[p].program != place
    ]
    return tr("put its patterns in another order: {names}", names=", ".join(rows)) if rows else ""


def _name(patterns: dict[str, Pattern], pattern: str) -> str:
    return patterns[pattern].name if pattern in patterns else pattern or tr("an empty pattern")


def _place(device: Device, patterns: dict[str, Pattern], pattern: str) -> str:
    known = patterns.get(pattern)
    if known is None:
        return tr("an empty pattern")
    if known.program is None or device.plays == "grebe":
        return known.name
    return f"{printed_program(device, known.program)} {known.name}"


def _lines(
    device: Device, how: How, entries: Sequence[Entry], patterns: dict[str, Pattern],
    tracks: Sequence[tuple[int, int]], song: Song,
) -> tuple[str, ...]:  # fmt: skip
    """The programme in order, a line for each thing to key in or to expect."""
    out: list[str] = []
    number = song.box_song(device.id)
    keyed = how in ("box", "hand")
    if keyed and device.spec.clears and entries:
        out.append(
            tr("First: writing over clears what stands there; keep what is still wanted of it")
        )
    group: int | None = None
    for track, (first, last) in enumerate(tracks, start=1):
        if how == "box" or len(tracks) > 1:
            place = "" if number is None else tr(" in song {value}", value=number + 1)
            out.append(
                tr("Track {track}{place}", track=track, place=place)
                if len(tracks) > 1
                else tr("One track{place}", place=place)
            )
        for run in _by_section(entries[first : last + 1]):
            unit, times = _repeated(run)
            words = ", ".join(_entry_words(device, how, patterns, entry) for entry in unit)
            if times > 1:
                words = tr("{words}; {times} times over", words=words, times=times)
            if keyed:
                group, change = _to_group(device, patterns, run, group)
                words = f"{change}{words}"
            out.append(
                tr(
                    "Bar {bar}, {section}: {words}",
                    bar=run[0].bar,
                    section=run[0].section,
                    words=words,
                )
            )
        if keyed and device.spec.chains.marks_last and last >= first:
            name = _place(device, patterns, entries[last].pattern)
            out.append(tr("Mark {name} as the last", name=name))
    return tuple(out)


def _to_group(
    device: Device, patterns: dict[str, Pattern], run: list[Entry], group: int | None
) -> tuple[int | None, str]:
    """The group of memory that a section ends in, and what has to be done first to get to the one
    that it begins in."""
    memory = device.spec.memory
    places = [patterns[e.pattern].program for e in run if e.pattern in patterns]
    groups = [memory.group_of(p) for p in places if p is not None] if memory is not None else []
    if memory is None or not groups:
        return group, ""
    words = ""
    if group is not None and groups[0] != group and memory.across != "playing":
        words = (
            tr("stop it and go to the other group; ")
            if memory.across == "stopped"
            else tr("go to the other group in its other mode; ")
        )
    return groups[-1], words


def _by_section(entries: Sequence[Entry]) -> list[list[Entry]]:
    """Entries of one section together."""
    out: list[list[Entry]] = []
    for entry in entries:
        if out and not entry.first:
            out[-1].append(entry)
        else:
            out.append([entry])
    return out


def _repeated(run: list[Entry]) -> tuple[list[Entry], int]:
    """The shortest beginning that the whole is made of, and how often."""
    what = [(e.pattern, e.times, e.cut) for e in run]
    for long in range(1, len(run) // 2 + 1):
        if len(run) % long == 0 and what == what[:long] * (len(run) // long):
            return run[:long], len(run) // long
    return run, 1


def _entry_words(device: Device, how: How, patterns: dict[str, Pattern], entry: Entry) -> str:
    cut = tr(", the last cut short") if entry.cut else ""
    if not entry.pattern:
        bars = counted(entry.times, "bar")
        return (
            tr("an empty pattern, {bars}", bars=bars)
            if how == "box"
            else tr("silent, {bars}", bars=bars)
        )
    times = tr("once") if entry.times == 1 else tr("{times} times", times=entry.times)
    return f"{_place(device, patterns, entry.pattern)} {times}{cut}"


def what_changed(before: Sequence[str], now: Sequence[str]) -> tuple[str, ...]:
    """What a sheet says otherwise than the one printed before, line by line, in words."""
    out: list[str] = []
    for number in range(max(len(before), len(now))):
        old = before[number] if number < len(before) else None
        new = now[number] if number < len(now) else None
        if old == new:
            continue
        if old is None:
            out.append(tr("Line {value} is new: {new}", value=number + 1, new=new))
        elif new is None:
            out.append(tr("Line {value} is gone: {old}", value=number + 1, old=old))
        else:
            out.append(tr("Line {value} was: {old}", value=number + 1, old=old))
    return tuple(out)
