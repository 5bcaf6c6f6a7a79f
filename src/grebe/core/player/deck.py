"""What one device is doing: its chain, its voices' cursors, and the notes it holds."""

from __future__ import annotations

from grebe.core.patterns.model import Pattern, Voice
from grebe.core.patterns.sound import voice_notes
from grebe.core.player.events import Due, NoteOff, NoteOn
from grebe.core.player.plan import sounding
from grebe.core.rig.model import Device


class VoiceLane:
    """A cursor over one voice's notes, going round for ever."""

    __slots__ = ("base", "cycle", "deck", "generation", "index", "notes", "silent", "voice")

    def __init__(self, deck: Deck, voice: Voice, origin: int) -> None:
        channel = voice.channel or deck.device.channel
        self.deck = deck
        self.voice = voice.id
        self.generation = deck.generation
        self.cycle = voice.ticks
        self.base = origin
        self.index = 0
        self.silent = False
        self.notes = [
            (
                n.tick,
                n.gate_ticks,
                channel * 128 + n.note,
                NoteOn(channel=channel, note=n.note, velocity=n.velocity),
                NoteOff(channel=channel, note=n.note),
            )
            for n in voice_notes(voice)
        ]

    def seek(self, tick: int) -> None:
        """Move to the first note that is not before `tick`. The lane must have notes."""
        self.base += (tick - self.base) // self.cycle * self.cycle
        for index, note in enumerate(self.notes):
            if self.base + note[0] >= tick:
                self.index = index
                return
        self.base += self.cycle
        self.index = 0

    def next_tick(self) -> int:
        """Tick of the note under the cursor."""
        return self.base + self.notes[self.index][0]

    def step(self) -> None:
        """Move to the following note."""
        self.index += 1
        if self.index == len(self.notes):
            self.index = 0
            self.base += self.cycle


class Deck:
    """The state of one device while the player runs."""

    def __init__(self, device: Device) -> None:
        self.device = device
        self.chain: tuple[Pattern, ...] = ()
        self.position = 0
        """Index in the chain of the pattern now playing."""
        self.entered = 0
        """Tick where this place in the chain began."""
        self.origin = 0
        """Tick from which the voices count; older than `entered` while a pattern repeats."""
        self.generation = 0
        """Raised whenever what is playing is replaced, so that older entries are ignored."""
        self.lanes: list[VoiceLane] = []
        self.held: dict[int, tuple[int, NoteOff]] = {}
        """Notes sounding: channel*128+note to the tick of their end and the event for it."""
        self.told_program: int | None = None
        self.told_silent: bool | None = None

    def begin(self, chain: tuple[Pattern, ...], origin: int, tick: int) -> None:
        """Begin a chain that counts from `origin`, at its place at `tick`."""
        self.chain, self.position, self.entered, self.origin = chain, 0, origin, origin
        while len(chain) > 1:
            pattern, following = chain[self.position], self.following
            length = sounding(pattern, self.device).ticks
            if self.entered + length > tick:
                break
            self.entered += length
            self.position = (self.position + 1) % len(chain)
            if following is not None and following.id != pattern.id:
                self.origin = self.entered

    def end_notes(self, tick: int) -> list[Due]:
        """The ends, at `tick`, of all notes that sound; none does afterwards."""
        ends: list[Due] = [(tick, self.device.id, off) for _, off in self.held.values()]
        self.held.clear()
        return ends

    @property
    def pattern(self) -> Pattern | None:
        """The pattern now playing, or None in silence."""
        return self.chain[self.position] if self.chain else None

    @property
    def following(self) -> Pattern | None:
        """The pattern that comes after this one in the chain."""
        return self.chain[(self.position + 1) % len(self.chain)] if self.chain else None

    def carries_on(self, chain: tuple[Pattern, ...]) -> bool:
        """Whether a scene asking for `chain` changes nothing: one pattern, already running."""
        return len(chain) == 1 and [p.id for p in chain] == [p.id for p in self.chain]
