"""Teaching a box the pattern in hand. Without Qt."""

from __future__ import annotations

from grebe.app.actions.keymap import told
from grebe.app.doing import does
from grebe.app.editors.pattern_hand import PatternHand
from grebe.app.live.teaching import Teaching
from grebe.words import tr


class PatternTeaching:
    """What keys do to teach."""

    def __init__(self, hand: PatternHand) -> None:
        self.hand = hand

    @does("teach")
    def teach(self) -> None:
        """Teach the box this pattern, or stop teaching."""
        self._teach("")

    @does("teach_voice")
    def teach_voice(self) -> None:
        """Teach it the voice under the cursor alone."""
        voice = self.hand.voice
        self._teach(voice.id if voice is not None else "")

    def _teach(self, voice: str) -> None:
        session, pattern, device = self.hand.session, self.hand.pattern, self.hand.device
        if session.teaching.current is not None:
            session.teaching.end()
            session.say(
                "info",
                tr(
                    "Teaching has ended. {in_box} marks the pattern as in the box.",
                    in_box=told("in_box"),
                ),
            )
        elif pattern is not None and device is not None:
            session.teaching.begin(Teaching(pattern=pattern.id, voice=voice))
            what = pattern.voice(voice).name if voice else pattern.name
            session.say(
                "info",
                tr(
                    "Let {device} record: {what} is played into it, loop after loop. The "
                    "same key ends it.",
                    device=device.name,
                    what=what,
                ),
            )
