"""How far ahead the engine plans, how long it waits, how often it speaks."""

from __future__ import annotations

from grebe.core.player.events import Shared, TimingClock
from grebe.protocols.midi.messages import encode

CLOCK_BYTE = encode(Shared.CLOCK)
IDLE_CLOCK = TimingClock()
"""Another than `Shared.CLOCK`: ticks while stopped are not counted."""

LOOKAHEAD_NS = 50_000_000
"""How far ahead messages are made: covers a JACK period of 1024 and a slow moment."""
SLOW_NS = 28_000_000
"""That moment alone, on top of a longer period."""
PLAN_EVERY_NS = 5_000_000
PLAN_AT_LAST_NS = 20_000_000
"""Planning waits for a moment with nothing due, but not longer than this."""
POLL_EVERY_NS = 4_000_000
"""How soon a command from a window is seen."""
POLL_AT_LAST_NS = 60_000_000
"""Windows wait for a moment with nothing due, but not longer than this."""
SLACK_NS = 1_500_000
"""Windows are answered only when the next deadline is at least this far away."""
REPORT_FIGURES = 600_000
"""Lateness figures in one report, of all devices: some 11 MB of a message of 16."""
STATUS_EVERY_NS = 33_000_000
PORTS_EVERY_NS = 500_000_000
"""How often each port is looked at, and a lost one tried again while stopped."""
BEGIN_AFTER_NS = 30_000_000
"""From Begin to the first message: time to plan it."""
START_LEAD_NS = 2_000_000
"""Start and Continue go out this long before their first clock; MIDI 1.0 asks for 1 ms."""
SPIN_NS = 150_000
"""With real-time priority the last stretch before a deadline is spun."""
HEAR_UNTIL_NS = 300_000
"""The last stretch before a deadline is slept, not listened: a timer is nearer than `select`."""
IDLE_NS = 30_000_000_000
"""Stopped and with no window for this long, the engine ends."""
JOIN_AFTER_NS = 100_000_000
"""A running leader is joined on the first bar that is at least this far away."""
STOP_SETTLES_NS = 200_000_000
STOOD_STILL_NS = 400_000_000
"""A loop that did not come round for this long was stopped, or starved: boxes are behind."""
