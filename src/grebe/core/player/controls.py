"""What controllers and pedals can do on Stage without a window: commands, and lights."""

from __future__ import annotations

from typing import NamedTuple

from grebe.core.choices import after
from grebe.core.player.commands import (
    Again,
    Back,
    Command,
    Fill,
    Hold,
    HoldDice,
    KeepMutes,
    Launch,
    Mute,
    Nudge,
    Release,
    Skip,
    Solo,
    Swap,
    Withdraw,
)
from grebe.core.player.loopers import TrackCommand, TrackDo
from grebe.core.player.player import Player
from grebe.words import tr

PUSH_PERCENT = 4.0
"""How much a push held on a pedal speeds up or slows down."""
MOST_NUMBERED = 16
MOST_MUTES = 32
"""Boxes and tracks that a pedal or a pad can mute, in the plan's order; the first eight numbers
of a key are those of the page that Stage shows."""
TURNED = ("tempo",)
"""Actions that want a knob."""
WINDOW = ("tap", "tick_move", "drop_pass", "loop_at", "loop_bars", "first_loop", "run_stop")
"""Actions that only a window can do."""


class Named(NamedTuple):
    """An action that can be learnt."""

    id: str
    title: str


def _numbered(kind: str, title: str, most: int) -> list[Named]:
    return [Named(f"{kind}_{n}", f"{title} {n}") for n in range(1, most + 1)]


LEARNABLE: tuple[Named, ...] = (
    Named("run_stop", tr("Run or stop")),
    Named("panic", tr("All notes off, then stop")),
    Named("next_in", tr("Next, on the next bar")),
    Named("next_end", tr("Next, at the end of this section")),
    Named("cut", tr("Cut to it now")),
    Named("hold", tr("Hold, or let go on")),
    Named("again", tr("One more pass")),
    Named("skip", tr("Leave out what is next")),
    Named("back", tr("The section before")),
    Named("withdraw", tr("Take back what was asked for")),
    Named("release", tr("Let a carried tempo go")),
    Named("tick_move", tr("The announced move is done")),
    Named("drop_pass", tr("Drop the pass that makes the set fit")),
    Named("keep_mutes", tr("Mutes by hand stay, or not")),
    Named("tap", tr("Tap the tempo")),
    Named("tempo", tr("Tempo, on a knob")),
    Named("fill", tr("Fill, while held")),
    Named("hold_dice", tr("What changes by itself stays, while held or turned up")),
    Named("push_ahead", tr("Push ahead, while held")),
    Named("hold_back", tr("Hold back, while held")),
    Named("loop_at", tr("Loops on bars, or at the loop's end")),
    Named("loop_bars", tr("Length of the next recording")),
    Named("first_loop", tr("A first loop sets the tempo")),
    *_numbered("mute", tr("Mute number"), 8),
    *_numbered("solo", tr("Alone: number"), 8),
    *_numbered("mute_line", tr("Mute box or track"), MOST_MUTES),
    *_numbered("solo_line", tr("Alone: box or track"), MOST_MUTES),
    *_numbered("pattern_line", tr("Next pattern of box or track"), MOST_MUTES),
    *_numbered("track", tr("Loop track"), 5),
    *_numbered("halt", tr("Stop loop track"), 5),
    *_numbered("scene", tr("Scene number"), MOST_NUMBERED),
    *_numbered("song", tr("Song number"), MOST_NUMBERED),
)


def command_for(action: str, player: Player, *, down: bool) -> Command | None:
    """What an action asks of the player; None for what it cannot be asked, or a release.

    `down`: the pedal went down; actions that are held also hear it come up.
    """
    held = _held(action, down=down)
    if held is not None or not down:
        return held
    kind, _, digits = action.rpartition("_")
    if digits.isdigit() and kind:
        return _numbered_command(kind, int(digits), player)
    plain: dict[str, Command] = {
        "next_in": Launch(at="bar"),
        "next_end": Launch(at="section_end"),
        "cut": Launch(at="now"),
        "hold": Hold(on=not player.held),
        "again": Again(),
        "skip": Skip(),
        "back": Back(),
        "withdraw": Withdraw(),
        "release": Release(),
        "keep_mutes": KeepMutes(on=not player.mutes_kept),
    }
    return plain.get(action)


def _held(action: str, *, down: bool) -> Command | None:
    if action == "fill":
        return Fill(on=down)
    if action == "hold_dice":  # a knob holds from its middle on
        return HoldDice(on=down)
    if action == "push_ahead":
        return Nudge(percent=PUSH_PERCENT if down else 0.0)
    if action == "hold_back":
        return Nudge(percent=-PUSH_PERCENT if down else 0.0)
    return None


def _numbered_command(kind: str, number: int, player: Player) -> Command | None:
    players, plan = player.plan.players, player.plan
    kind = kind.removesuffix("_line")
    if kind in ("mute", "solo") and number <= len(players):
        device = players[number - 1]
        if kind == "mute":
            return Mute(device=device, on=(device, "") not in player.mutes)
        return Solo(device=device, on=(device, "") not in player.solos)
    if kind == "pattern" and number <= len(players):
        return _next_pattern(player, players[number - 1])
    if kind in ("track", "halt"):
        looper = next((t.device for t in player.tracks if t.number == number), None)
        do: TrackDo = "next" if kind == "track" else "stop"
        return None if looper is None else TrackCommand(device=looper, number=number, do=do)
    if kind == "song" and number <= len(plan.chapters):
        return Launch(section=plan.chapters[number - 1].first, at="bar")
    if kind == "scene":
        sections = player.sections_here
        if number <= len(sections):
            return Launch(section=sections[number - 1], at="bar")
    return None


def _next_pattern(player: Player, line: str) -> Command | None:
    """The pattern after the one that a line plays, where that ends."""
    mine = [p.id for p in player.plan.patterns if p.device == line]
    now = next((state.pattern for state in player.now if state.line == line), "")
    return Swap(device=line, pattern=after(mine, now)) if mine else None


def is_lit(action: str, player: Player) -> bool:
    """Whether an action's light is on: it holds, it waits, it sounds alone, it is muted."""
    kind, _, digits = action.rpartition("_")
    if kind and digits.isdigit():
        number, players = int(digits), player.plan.players
        kind = kind.removesuffix("_line")
        if kind == "mute":
            return number <= len(players) and (players[number - 1], "") in player.mutes
        if kind == "solo":
            return number <= len(players) and (players[number - 1], "") in player.solos
        if kind in ("track", "halt"):
            return any(t.number == number and t.runs for t in player.tracks)
        if kind == "scene":
            sections = player.sections_here
            return number <= len(sections) and sections[number - 1] == player.section
        return False
    return {
        "run_stop": player.running,
        "hold": player.held,
        "next_in": player.launched,
        "next_end": player.launched,
        "withdraw": player.launched,
        "release": player.carried,
        "fill": player.under_hand.fill,
        "hold_dice": player.under_hand.dice,
        "keep_mutes": player.mutes_kept and bool(player.mutes_by_hand),
    }.get(action, False)
