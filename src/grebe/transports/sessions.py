"""Sessions of RTP MIDI that others offer on the local network, by DNS-SD."""

from __future__ import annotations

import time

from grebe.errors import PortLost
from grebe.protocols.rtp.invitation import SERVICE
from grebe.transports.udp import addresses_here

LISTENS_S = 1.2
"""Answers come within so long where they come at all."""
ASK_MS = 600


def offered_sessions(seconds: float = LISTENS_S) -> list[str]:
    """Those of other computers, as "NAME (host:port)". PortLost where nobody can be asked."""
    from zeroconf import Error, IPVersion, ServiceBrowser, Zeroconf  # noqa: PLC0415 - slow to import

    outside, loopback = addresses_here()
    ours = {*outside, *loopback}
    names: set[str] = set()
    try:
        asked = Zeroconf(ip_version=IPVersion.V4Only)
    except (OSError, Error) as error:
        raise PortLost(f"the network cannot be asked ({error})") from error
    try:
        ServiceBrowser(asked, SERVICE, handlers=[lambda name, **_: names.add(name)])
        time.sleep(seconds)
        found = [(name, asked.get_service_info(SERVICE, name, ASK_MS)) for name in sorted(names)]
    finally:
        asked.close()
    return [
        f"{name.removesuffix('.' + SERVICE)} ({address}:{info.port})"
        for name, info in found
        if info is not None
        for address in info.parsed_addresses(IPVersion.V4Only)[:1]
        if address not in ours
    ]
