"""What is laid over a song: mutes, fills, markers, curves, loops."""

from __future__ import annotations

from grebe.app.doing import does
from grebe.app.editors.song_form import CUTOFF, SongHand
from grebe.core.choices import after
from grebe.core.player.marks import curve_value
from grebe.core.songs import edit
from grebe.core.songs.variations import drum_words, drums_in, silencings
from grebe.core.time.ticks import SIXTEENTH_TICKS
from grebe.errors import EditError
from grebe.words import counted, tr

VALUE_STEP = 8
LAST_BARS = 2
"""Where nothing is selected, drums go out for so many: before a hook, common practice."""
FIRST_VALUE = 64


FILLS_EVERY = (16, 8, 4, 2)
"""Bars of which the last is a fill."""


class MarkEdits:
    """What keys lay over the song."""

    def __init__(self, hand: SongHand) -> None:
        self.hand = hand

    @does("mute_it")
    def mute(self) -> None:
        """Silent over what is selected, or not."""
        device, (first, last) = self.hand.device, self.hand.selection
        if device is None:
            raise EditError(tr("there is no device to mute"))
        layout, voice = self.hand.layout, self.hand.voice_id
        if edit.is_silenced(layout, device.id, voice, first):
            made = edit.unsilence(layout, device.id, voice, first, last)
        else:
            made = edit.silence(layout, device.id, voice, first, last)
        self.hand.change(tr("Mute region"), lambda _: made)

    @does("drums_out")
    def drums_out(self) -> None:
        """Drums out over what is selected, or the section's last two bars; in again where out."""
        hand, layout = self.hand, self.hand.layout
        first, last = hand.selection
        span = hand.span
        if hand.anchor is None and span is not None:
            first = max(span.tick, span.end - LAST_BARS * span.scene.meter.bar_ticks)
            last = span.end
        scenes = {s.scene.id: s.scene for s in layout.spans if s.tick < last and s.end > first}
        found = [row for scene in scenes.values() for row in drums_in(hand.project, scene)]
        drums = dict.fromkeys(silencings(tuple(found)))
        if not drums:
            raise EditError(tr("no drums play there"))
        out = all(edit.is_silenced(layout, line, voice, first) for line, voice in drums)
        how, made = edit.unsilence if out else edit.silence, layout.song
        for line, voice in drums:
            made = how(hand.project.layout(made), line, voice, first, last)
        hand.change(tr("Drums in") if out else tr("Drums out"), lambda _: made)
        bars = tr(
            "bar {bar_at} to {bar_at2}",
            bar_at=layout.bar_at(first),
            bar_at2=layout.bar_at(last - 1),
        )
        hand.session.say(
            "info",
            tr(
                "{drums} {what}, {bars}.",
                what=tr("in again") if out else tr("out"),
                bars=bars,
                drums=drum_words(tuple({d.line.id: d for d in found}.values())),
            ),
        )

    @does("fill_over")
    def fill(self) -> None:
        """A fill over what is selected, or none."""
        first, last = self.hand.selection
        made = edit.fill_over(self.hand.layout, first, last)
        self.hand.change(tr("Fill"), lambda _: made)

    @does("fills_every")
    def fills_every(self) -> None:
        """Fills by a divided clock: on the last of every 16, 8, 4 or 2 bars here, or none."""
        span, layout = self.hand.span, self.hand.layout
        if span is None:
            return
        ways = [n for n in FILLS_EVERY if n <= span.bars] + [0]
        made = [edit.fills_every(layout, span.section.id, n) for n in ways]
        now = next((n for n, song in enumerate(made) if song == layout.song), len(ways) - 1)
        chosen = (now + 1) % len(ways)
        self.hand.change(tr("Fills"), lambda _: made[chosen])
        words = tr("A fill every {bars}.", bars=counted(ways[chosen], "bar")) if (
            ways[chosen]
        ) else tr("No fills here.")  # fmt: skip
        self.hand.session.say("info", words)

    @does("marker")
    def marker(self) -> None:
        """A marker here, or away with it."""
        layout, span = self.hand.layout, self.hand.span
        assert span is not None
        at = (self.hand.tick - span.tick) // SIXTEENTH_TICKS
        there = any(m.at == at for m in span.section.markers)
        made = edit.put_marker(
            layout,
            self.hand.tick,
            "" if there else tr("Bar {bar_at}", bar_at=layout.bar_at(self.hand.tick)),
        )
        self.hand.change(tr("Marker"), lambda _: made)

    @does("swap_here")
    def swap(self) -> None:
        """Another of its patterns from here to the section's end: the first, the next, what the
        scene has, none."""
        device, span, layout = self.hand.device, self.hand.span, self.hand.layout
        if device is None or span is None:
            raise EditError(tr("there is no device to give another pattern"))
        own = [p.id for p in self.hand.project.patterns_of.get(device.id, [])]
        if not own:
            raise EditError(tr("{device} has no pattern yet", device=device.name))
        at = (self.hand.tick - span.tick) // SIXTEENTH_TICKS
        here = [s.pattern for s in span.section.swaps if (s.device, s.at) == (device.id, at)]
        ways: list[str | None] = [None, *own, ""]
        now = here[0] if here and here[0] in ways else None
        made = edit.put_swap(layout, self.hand.tick, device.id, after(ways, now))
        self.hand.change(tr("Another pattern from here"), lambda _: made, "swap")

    @does("controller")
    def next_controller(self) -> None:
        """The next controller of the device, for its curve."""
        device = self.hand.device
        if device is None:
            return
        known = [c.number for c in device.spec.controllers] or [CUTOFF]
        after = [n for n in known if n > self.hand.controller]
        self.hand.controller = after[0] if after else known[0]

    def _value(self, by: int) -> None:
        span, curve = self.hand.span, self.hand.curve
        if span is None or self.hand.device is None:
            return
        here = FIRST_VALUE if curve is None else curve_value(curve, self.hand.tick - span.tick) + by
        made = edit.put_curve_point(
            self.hand.layout, self.hand.device_id, self.hand.controller, self.hand.tick, here
        )
        self.hand.change(tr("Controller curve"), lambda _: made, "curve")

    @does("raise")
    def value_up(self) -> None:
        """The curve higher here."""
        self._value(VALUE_STEP)

    @does("lower")
    def value_down(self) -> None:
        """The curve lower here."""
        self._value(-VALUE_STEP)

    @does("no_value")
    def no_value(self) -> None:
        """The curve's point here away."""
        made = edit.put_curve_point(
            self.hand.layout, self.hand.device_id, self.hand.controller, self.hand.tick, None
        )
        self.hand.change(tr("Controller curve"), lambda _: made)

    @does("loop")
    def loop(self) -> None:
        """What is selected over and over, or on as written."""
        status = self.hand.session.status
        first, last = self.hand.selection
        if status is not None and status.loop is not None:
            first = last = 0
        self.hand.session.performer.loop_over(first, last)

    @does("jump")
    def jump(self) -> None:
        """To the cursor, on the next bar."""
        self.hand.session.performer.jump()
