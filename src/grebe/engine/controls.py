"""Controllers and pedals: what was learnt is done by the engine itself, window or not; lights."""

from __future__ import annotations

from collections.abc import Callable

from grebe.core.player.commands import Command, Steer
from grebe.core.player.controls import TURNED, WINDOW, command_for, is_lit
from grebe.core.player.pickup import FULL, PickUp
from grebe.core.player.player import Player
from grebe.core.rig.trigger import Binding, Trigger
from grebe.engine.connections import Connections
from grebe.errors import EditError
from grebe.protocols.link.messages import Notice, Pressed
from grebe.protocols.midi.press import DOWN, lamp


class Controls:
    """Bindings of the plan at hand: touches in, commands and lights out."""

    def __init__(
        self,
        connections: Connections,
        ask: Callable[[Command], None],
        panic: Callable[[], None],
        tell: Callable[[Pressed | Notice], None],
        now_ns: Callable[[], int],
    ) -> None:
        self._connections = connections
        self._ask = ask
        self._panic = panic
        self._tell = tell
        self._now_ns = now_ns
        self._bindings: dict[Trigger, list[Binding]] = {}
        self._knobs: dict[Trigger, PickUp] = {}
        self._down: set[Trigger] = set()
        self._lamps: dict[Trigger, int] = {}

    def set(self, bindings: tuple[Binding, ...]) -> None:
        """Take the bindings of a plan."""
        self._bindings = {}
        for binding in bindings:
            self._bindings.setdefault(binding.trigger, []).append(binding)
        self._connections.inputs.touchable = frozenset(self._bindings)

    def relight(self) -> None:
        """A port is there again: every light is told anew."""
        self._lamps.clear()

    def take(self, player: Player | None, bpm: float) -> None:
        """Do what has been touched; `bpm` is the tempo now."""
        for trigger, value, at_ns in self._connections.inputs.take_touches():
            for binding in self._bindings.get(trigger, ()):
                self._touched(binding, value, at_ns, player, bpm)
            down = value >= DOWN or (trigger.kind == "note" and value > 0)
            (self._down.add if down else self._down.discard)(trigger)

    def _touched(
        self, binding: Binding, value: int, at_ns: int, player: Player | None, bpm: float
    ) -> None:
        action, trigger = binding.action, binding.trigger
        if action in TURNED:
            self._turned(binding, value, bpm)
            return
        down = value >= DOWN or (trigger.kind == "note" and value > 0)
        if down and trigger in self._down and trigger.kind == "controller":
            return  # a pedal on its way down sends more than one value
        if not down and trigger not in self._down:
            return
        self.do(action, player, down=down, at_ns=at_ns)

    def do(
        self, action: str, player: Player | None, *, down: bool, at_ns: int | None = None
    ) -> None:
        """Do a Stage action, whoever asks for it, and tell the windows."""
        at_ns = self._now_ns() if at_ns is None else at_ns
        self._tell(Pressed(action=action, down=down, at_ns=at_ns))
        if action == "panic":
            if down:
                self._panic()
        elif player is not None and action not in WINDOW:
            command = command_for(action, player, down=down)
            if command is not None:
                try:
                    self._ask(command)
                except EditError as error:
                    self._tell(Notice(level="warn", text=f"{error}."))

    def _turned(self, binding: Binding, value: int, bpm: float) -> None:
        """A knob for the tempo: nothing jumps until it has come to where the tempo is."""
        low, high = binding.low, binding.high
        if high <= low or not bpm:
            return
        knob = self._knobs.setdefault(binding.trigger, PickUp())
        given = knob.take(value, (bpm - low) / (high - low) * FULL)
        if given is not None:
            self._ask(Steer(bpm=round(low + given / FULL * (high - low), 2)))

    def deaf(self) -> tuple[str, ...]:
        """Boxes that something was learnt on and that are not heard."""
        inputs = self._connections.inputs
        return tuple(sorted({t.device for t in self._bindings if not inputs.hears(t.device)}))

    def light(self, player: Player | None) -> None:
        """Tell lights that are otherwise now, where the controller can be reached."""
        if player is None:
            return
        for trigger, bindings in self._bindings.items():
            output = self._connections.outputs.get(trigger.device)
            if output is None or output.port is None or trigger.kind == "program":
                continue
            lit = any(is_lit(b.action, player) for b in bindings)
            value = bindings[0].lit if lit else bindings[0].dark
            if self._lamps.get(trigger) != value:
                self._lamps[trigger] = value
                self._connections.outputs.send_raw(output, lamp(trigger, value))
