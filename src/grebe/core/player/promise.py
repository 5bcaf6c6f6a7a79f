"""What sounds now, and what will when the coming section is in: what Stage shows as NOW and NEXT.

NOW is read from what was sent last, not from what was meant. NEXT is a promise: if nobody asks for
anything before its tick, what is sent there is what it says. It is worked out by the same layers
of mutes and the same way through the song that do it then.
"""

from __future__ import annotations

from grebe.core.player.deck import Deck
from grebe.core.player.device_player import DevicePlayer, DevicePlayers
from grebe.core.player.marks import lay_regions
from grebe.core.player.mutes import Because, Mutes
from grebe.core.player.run import Run
from grebe.core.units import Value


class LineState(Value, frozen=True, array_like=True):
    """One line: what it plays, and why it is silent."""

    line: str
    """Its address."""
    pattern: str
    """Id of what it plays, or begins with; "" for nothing."""
    because: Because
    """"" where it sounds."""
    swapped: bool = False
    """Whether a hand gave it that pattern."""
    origin: int = 0
    """Tick from which the pattern counts."""


class Promise(Value, frozen=True, kw_only=True):
    """What comes in at the boundary."""

    section: str
    """Id of the section; "" where the song ends, this one's where it goes on."""
    tick: int
    stays: bool = False
    """Whether this section begins another pass."""
    lines: tuple[LineState, ...] = ()


def sounding_now(run: Run, devices: DevicePlayers) -> tuple[LineState, ...]:
    """Every line that has a part in what plays."""
    return _lines(run, devices, run.mutes) if run.running else ()


def _lines(run: Run, devices: DevicePlayers, mutes: Mutes) -> tuple[LineState, ...]:
    """What plays, with what the layers of `mutes` say of it."""
    return tuple(_now(mutes, player) for player in devices if _takes_part(run, player))


def _takes_part(run: Run, player: DevicePlayer) -> bool:
    return player.deck.is_given or player.device.id in run.plan.players


def _now(mutes: Mutes, player: DevicePlayer) -> LineState:
    deck = player.deck
    because = mutes.why(player.device.id)
    if not because and not deck.is_given:
        because = "nothing"
    pattern = deck.pattern
    return LineState(
        player.device.id,
        "" if pattern is None else pattern.id,
        because,
        player.is_swapped,
        deck.origin,
    )


def promise(run: Run, devices: DevicePlayers) -> Promise | None:
    """What comes in at the boundary, as things stand; None while nothing runs."""
    if not run.running:
        return None
    course = run.course
    if course.stays(run.tick):
        mutes = run.mutes.copied()
        lay_regions(mutes, run.span, run.boundary - course.start)
        return Promise(section=run.span.section.id, tick=run.boundary, stays=True,
                       lines=_lines(run, devices, mutes))  # fmt: skip
    coming = course.coming(run.tick)
    if coming is None:
        return Promise(section="", tick=run.boundary)
    span = run.spans[coming.section]
    mutes = run.mutes.as_it_will_be(span.scene, kept=run.mutes_kept)
    origin = course.origin_of(coming, coming.at)
    lay_regions(mutes, span, coming.at - origin)
    rows: list[LineState] = []
    given = {part.device for part in span.scene.parts if part.chain}
    for player in devices:
        line, box = player.device.id, player.deck.box
        part = span.scene.part(line)
        chain = run.chain(part)
        if run.filling and part.fill in run.patterns_of(line):
            chain = (run.patterns_of(line)[part.fill],)
        because = mutes.why(line)
        shared = box is not None and box.device.id in given
        if not because and not chain and not shared:
            because = "nothing"
        if chain or shared or line in run.plan.players:
            entered = Deck(player.device)
            entered.begin(chain, origin, coming.at)
            first = entered.pattern
            rows.append(LineState(line, "" if first is None else first.id, because))
    return Promise(section=span.section.id, tick=coming.at, lines=tuple(rows))
