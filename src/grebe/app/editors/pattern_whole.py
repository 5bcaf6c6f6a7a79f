"""Edits of the pattern in hand as a whole; new ones, copies, what is in the box."""

from __future__ import annotations

from typing import Any, get_args

import msgspec

from grebe.app.carrying import Carried
from grebe.app.doing import does
from grebe.app.editors.pattern_hand import PatternHand
from grebe.app.live.position import raw_now_ns
from grebe.core.beginning import first_pattern
from grebe.core.choices import after
from grebe.core.document import Project, add_pattern, mark_in_box, remove_pattern
from grebe.core.patterns import edit, whole
from grebe.core.patterns.model import (
    Content,
    Pattern,
    Pin,
    Speed,
)
from grebe.core.rig.memory import assign, first_free
from grebe.core.rig.model import Device
from grebe.core.units import SwingPercent, held_in
from grebe.errors import EditError
from grebe.words import tr

KEY_SINCE_NS = 120_000_000_000
CLOSER_PERCENT = 50
"""How much closer to the grid one key brings what is off it."""


class PatternEdits:
    """What keys do to the pattern."""

    def __init__(self, hand: PatternHand) -> None:
        self.hand = hand

    @does("find_key")
    def find_key(self) -> None:
        """The key of what was played in during the last two minutes becomes the pattern's."""
        ranking = self.hand.session.memory.key_ranking(raw_now_ns() - KEY_SINCE_NS)
        if not ranking:
            raise EditError(tr("play along first: nothing pitched was played in these two minutes"))
        best, second = ranking[0], ranking[1]
        self._content(tr("Key"), key=best.key)
        self.hand.session.store.end_merge()
        self.hand.session.say(
            "info",
            tr(
                "{key} ({score:.2f}); then {key2} ({score2:.2f}).",
                key=best.key,
                score=best.score,
                key2=second.key,
                score2=second.score,
            ),
        )

    def _content(self, name: str, **fields: Any) -> None:
        self.hand.change(name, lambda c: msgspec.structs.replace(c, **fields), merge=name)

    @does("swing_more")
    def swing_more(self) -> None:
        """Swing up by 1 %."""
        self._content("Swing", swing=held_in(SwingPercent, self.hand.content.swing + 1))

    @does("swing_less")
    def swing_less(self) -> None:
        """Swing down by 1 %."""
        self._content("Swing", swing=held_in(SwingPercent, self.hand.content.swing - 1))

    @does("speed")
    def speed(self) -> None:
        """The next speed."""
        self._content("Speed", speed=after(get_args(Speed), self.hand.content.speed))
        self.hand.session.store.end_merge()

    @does("double")
    def double(self) -> None:
        """Twice as long, with the copy played in the second half."""
        self.hand.change(tr("Double"), edit.double_content)

    @does("halve")
    def halve(self) -> None:
        """The first half."""
        self.hand.change(tr("Halve"), edit.halve_content)

    @does("blank_half")
    def blank_half(self) -> None:
        """Twice as long, the second half empty."""
        self.hand.change(tr("Blank half"), whole.blank_half)

    @does("last_later")
    def last_later(self) -> None:
        """A step more, of all rows that are as long as it is."""
        self.hand.change(tr("Last step"), lambda c: whole.last_step(c, 1))

    @does("last_earlier")
    def last_earlier(self) -> None:
        """A step less."""
        self.hand.change(tr("Last step"), lambda c: whole.last_step(c, -1))

    @does("triplet_scale")
    def triplet_scale(self) -> None:
        """Three steps in the time of four, or four again."""
        self.hand.change(tr("Triplets"), whole.triplet_scale)

    @does("closer")
    def closer(self) -> None:
        """Late and early hits half as far from their steps; again for more."""
        self.hand.change(tr("Closer to the grid"), lambda c: whole.all_closer(c, CLOSER_PERCENT))

    @does("copy")
    def copy(self) -> None:
        """Copy what is selected, or the voice."""
        ids, first, last = self.hand.selection()
        if self.hand.anchor is None and self.hand.row is not None:
            first, last = 0, self.hand.row.length - 1
        clip = edit.copy_out(self.hand.content, ids, first, last)
        self.hand.session.board.put(Carried(clip=clip))

    @does("cut_out")
    def cut(self) -> None:
        """Copy, and clear what was copied."""
        self.copy()
        self.hand.change_each(tr("Cut"), edit.clear)

    @does("paste")
    def paste(self) -> None:
        """Paste from the cursor on."""
        what = self.hand.session.board.get()
        if what is None:
            raise EditError(tr("nothing has been copied yet"))
        if what.clip is None:
            raise EditError(tr("what was copied are no hits: paste it in its own station"))
        clip = what.clip
        step = self.hand.selection()[1] if self.hand.anchor is not None else self.hand.step
        first = self.hand.selection()[0][0]
        self.hand.change(tr("Paste"), lambda c: edit.paste(c, clip, first, step))

    @does("dice")
    def dice(self) -> None:
        """Throw the dice anew: another take of the same chances."""
        seed = (self.hand.content.seed + 1) % 2**31
        self.hand.change(tr("Dice"), lambda c: msgspec.structs.replace(c, seed=seed, pin=None))

    @does("pin")
    def pin(self) -> None:
        """Keep the throw of this pass for every pass, or let go of it."""
        number = self.hand.session.position.pattern_pass(self.hand.pattern_id)
        pin = Pin(seed=1, pass_number=number) if self.hand.content.pin is None else None
        self.hand.change(tr("Pin the take"), lambda c: msgspec.structs.replace(c, pin=pin))
        words = (
            tr("Every pass plays pass {value}.", value=number + 1)
            if pin
            else tr("Each pass has dice of its own.")
        )
        self.hand.session.say("info", words)

    def add(self, name: str, content: Content, of: str | None = None) -> None:
        """A new pattern of the box in hand, taken in hand. EditError without a box.

        For a box that plays its own it is meant for the first free place.
        """
        device = self.hand.device
        if device is None and self.hand.session.project.rig.devices:
            device = self.hand.session.project.rig.devices[0]
        if device is None:
            raise EditError(tr("add a device first: a pattern belongs to one"))
        added: list[str] = []

        def add(project: Project) -> Project:
            project, new = add_pattern(
                project,
                name=name,
                device=device.id,
                content=content,
                variation_of=of,
            )
            added.append(new)
            place = first_free(project, device) if device.plays == "own" else None
            return project if place is None else assign(project, new, place)

        self.hand.session.store.apply(tr("New pattern {name}", name=name), add)
        self.hand.take(added[-1])

    def add_all(self, patterns: list[Pattern]) -> None:
        """Patterns that were read, under ids of their own; the last is taken in hand."""
        added: list[str] = []

        def add(project: Project) -> Project:
            for pattern in patterns:
                project, new = add_pattern(
                    project, name=pattern.name, device=pattern.device, content=pattern.content
                )
                added.append(new)
            return project

        self.hand.session.store.apply(tr("Import {name}", name=patterns[0].name), add)
        self.hand.take(added[-1])

    @does("new_pattern")
    def new_pattern(self) -> None:
        """A new pattern of the box in hand, with its voices and nothing on them; the first of a box
        is in the scene that is there, or comes with a scene and a song."""
        device = self.hand.device
        if self.hand.pattern is None:
            if device is None:
                raise EditError(tr("add a box first: a pattern belongs to one"))
            self._first_of(device)
            return
        voices = tuple(msgspec.structs.replace(v, hits=()) for v in self.hand.content.voices)
        self.add(
            tr("New pattern"), msgspec.structs.replace(self.hand.content, voices=voices, lanes=())
        )

    def _first_of(self, device: Device) -> None:
        session = self.hand.session
        before, made = session.project, ""

        def first(project: Project) -> Project:
            nonlocal made
            project, made = first_pattern(project, device)
            return project

        session.store.apply(tr("First pattern of {device}", device=device.name), first)
        self.hand.take(made)
        came = [
            words
            for words, new in (
                ("a scene", session.project.scenes is not before.scenes and not before.scenes),
                (tr("a song"), len(session.project.songs) > len(before.songs)),
            )
            if new
        ]
        with_it = tr(", and with it {names}", names=tr(" and ").join(came)) if came else ""
        session.notices.say(
            "info",
            tr("A first pattern of {device}{with_it}.", device=device.name, with_it=with_it),
            offers="undo",
        )

    @does("variation")
    def variation(self) -> None:
        """A variation of it, shown against it from then on."""
        pattern = self.hand.pattern
        if pattern is None:
            return
        count = sum(p.variation_of == pattern.id for p in self.hand.session.project.patterns)
        self.add(f"{pattern.name}, variation {count + 1}"[:80], pattern.content, pattern.id)

    @does("remove_pattern")
    def remove_pattern(self) -> None:
        """Remove the pattern; one that a scene plays stays."""
        pattern = self.hand.pattern
        if pattern is not None:
            self.hand.session.store.apply(
                tr("Remove {pattern}", pattern=pattern.name),
                lambda project: remove_pattern(project, pattern.id),
            )

    @does("in_box")
    def in_box(self) -> None:
        """The box now holds the pattern as it is drawn."""
        pattern = self.hand.pattern
        if pattern is not None:
            self.hand.session.store.apply(
                tr("{pattern} is in the box", pattern=pattern.name),
                lambda project: mark_in_box(project, pattern.id),
            )
