"""What waits for its deadline, in the order it is due."""

from __future__ import annotations

from heapq import heapify, heappop, heappush
from typing import NamedTuple

from grebe.core.player.events import DeviceEvent, Said


class Queued(NamedTuple):
    """One thing that waits. Ordered by time, then by when it was queued."""

    due_ns: int
    serial: int
    wire: str
    """Id of the device plugged in; "" for what is said of the song, and goes down no wire."""
    event: DeviceEvent | Said


class SendQueue:
    """A heap of them."""

    def __init__(self) -> None:
        self._heap: list[Queued] = []
        self._serial = 0

    def __bool__(self) -> bool:
        return bool(self._heap)

    @property
    def next_ns(self) -> int | None:
        """When the next is due; None while nothing waits."""
        return self._heap[0].due_ns if self._heap else None

    def push(self, due_ns: int, wire: str, event: DeviceEvent | Said) -> None:
        """One more."""
        self._serial += 1
        heappush(self._heap, Queued(due_ns, self._serial, wire, event))

    def pop(self) -> Queued:
        """The next. IndexError while nothing waits."""
        return heappop(self._heap)

    def take_all(self) -> list[Queued]:
        """All of it, which is then not waited for any more; in no order."""
        out, self._heap = self._heap, []
        return out

    def drop(self, event: DeviceEvent, from_ns: int) -> None:
        """Take out those that are this very event and due from a time on."""
        kept = [q for q in self._heap if q.event is not event or q.due_ns < from_ns]
        if len(kept) < len(self._heap):
            heapify(kept)
            self._heap = kept
