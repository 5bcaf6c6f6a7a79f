"""Who leads the clock; JACK's transport, the count-in, the pedal that panics. Without Qt."""

from __future__ import annotations

import msgspec

from grebe.app.actions.keymap import told
from grebe.app.doing import does
from grebe.app.editors.rig_hand import RigHand
from grebe.core.document import let_lead
from grebe.core.rig.model import JackTransport
from grebe.core.rig.propose import proposals
from grebe.words import counted, tr

JACK_WORDS: dict[JackTransport, str] = {
    "leave": tr("transport left to others"),
    "lead": tr("transport led by Grebe"),
    "follow": tr("transport followed by Grebe"),
}
COUNTED_BARS = (1, 2, 4)


class RigClock:
    """What keys do about the clock."""

    def __init__(self, hand: RigHand) -> None:
        self.hand = hand

    @does("lead")
    def lead(self) -> None:
        """Let the one in hand lead the clock; its clock output is switched on."""
        leader = self.hand.selected
        name = self.hand.rig.name_of(leader)
        self.hand.edit(tr("{name} leads", name=name), lambda project: let_lead(project, leader))

    @does("propose")
    def propose(self) -> None:
        """Let the one lead that leads best, and say why."""
        rows = proposals(self.hand.rig)
        self.hand.session.say("info", " Next: ".join(p.why for p in rows[:2]))
        self.hand.selected = rows[0].leader
        self.lead()

    @does("jack")
    def next_jack(self) -> None:
        """Lead JACK's transport, follow it, or leave it to others: one after the other."""
        ways = tuple(JACK_WORDS)
        way = ways[(ways.index(self.hand.rig.jack) + 1) % len(ways)]
        self.hand.set_rig(tr("JACK's transport"), jack=way)
        self.hand.session.say("info", f"JACK: {JACK_WORDS[way]}.")

    @does("count_in")
    def next_count_in(self) -> None:
        """Click the count-in on this box, or on none; without a box in hand, how many bars."""
        count, device = self.hand.rig.count_in, self.hand.device
        if device is None:
            bars = next((n for n in COUNTED_BARS if n > count.bars), COUNTED_BARS[0])
            count = msgspec.structs.replace(count, bars=bars)
            words = tr(
                "{run_counted} counts {bars} in.",
                run_counted=told("run_counted"),
                bars=counted(bars, "bar"),
            )
        elif count.device == device.id:
            count = msgspec.structs.replace(count, device=None)
            words = tr("The count-in is only shown.")
        else:
            count = msgspec.structs.replace(count, device=device.id)
            words = tr(
                "{device} clicks the count-in, on note {note}.", device=device.name, note=count.note
            )
        self.hand.set_rig("Count-in", count_in=count)
        self.hand.session.say("info", words)

    @does("learn_panic")
    def learn_panic(self) -> None:
        """Let the next press on this box panic from then on; again to forget it."""
        session, device, panic = self.hand.session, self.hand.device, self.hand.rig.panic
        if device is None:
            session.say("warn", tr("Select the box with the pedal first."))
        elif panic is not None and panic.device == device.id:
            self.hand.set_rig("Panic", panic=None)
            session.say("info", tr("Nothing on {device} panics any more.", device=device.name))
        else:
            session.say(
                "info",
                tr("Press the pedal on {device}: it will panic from then on.", device=device.name),
            )
            session.learning.learn_panic(device.id)
