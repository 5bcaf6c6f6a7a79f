"""The processes beside the engine: started with it, and again where they have gone."""

from __future__ import annotations

from collections.abc import Sequence

from grebe.app.document.store import Store
from grebe.app.engine.supervisor import StandinsProcess, standin_devices, start_network
from grebe.process.children import let_go
from grebe.protocols.link.messages import Status

STANDINS_AFTER_S = 2.0
"""A stand-in gone this long is started again."""
STANDINS_AGAIN_S = 8.0
"""And not tried another time for this long."""
NETWORK_AGAIN_S = 3.0
"""The network process is tried again after this."""


class ProcessWatch:
    """Stand-ins and the network process."""

    def __init__(self, store: Store) -> None:
        self._store = store
        self._gone_since: dict[str, float] = {}
        self._network_again = 0.0

    def start_standins(self, device_ids: Sequence[str] | None = None) -> None:
        """Start the stand-ins of these devices, or of all."""
        devices = standin_devices(self._store.project.rig.devices)
        wanted = [d for d in devices if device_ids is None or d.id in device_ids]
        if wanted:
            let_go(StandinsProcess(wanted, announced=False).process)

    def mind(self, status: Status, now_s: float) -> None:
        """Start again what has gone and is wanted."""
        self._mind_standins(status, now_s)
        starting = status.peers is not None and status.peers.state == "starting"
        if starting and now_s >= self._network_again:
            self._network_again = now_s + NETWORK_AGAIN_S
            let_go(start_network())

    def _mind_standins(self, status: Status, now_s: float) -> None:
        """Those that have been gone for a while; the engine joins them."""
        ours = {d.id for d in standin_devices(self._store.project.rig.devices)}
        gone = {d.id for d in status.devices if d.port == "gone" and d.id in ours}
        for device in list(self._gone_since):
            if device not in gone:
                del self._gone_since[device]
        for device in gone:
            self._gone_since.setdefault(device, now_s)
        late = [d for d, since in self._gone_since.items() if now_s - since > STANDINS_AFTER_S]
        if late:
            for device in late:
                self._gone_since[device] = now_s + STANDINS_AGAIN_S
            self.start_standins(late)
