"""Pulses, run lines and resets out of an audio port of JACK, drawn in its process callback."""

from __future__ import annotations

from typing import Any

from grebe.core.rig.spec import PulseShape
from grebe.transports.jack.output import JackHost, JackOut
from grebe.transports.pulses.drawn import Drawn


class JackLine(JackOut):
    """One audio output that carries pulses or a level and nothing else."""

    def __init__(self, wire: JackHost, out: Any, target: str, shape: PulseShape) -> None:
        super().__init__(wire, out, target)
        self.drawn = Drawn(wire.frames, shape)

    def write(self, start: int, frames: int) -> None:
        """Called in the process callback: draw what falls into this period."""
        self.drawn.draw(memoryview(self.out.get_buffer()).cast("f"), start, frames)
