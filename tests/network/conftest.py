from __future__ import annotations

from collections.abc import Iterator

import pytest

from grebe.network import session_port
from tests.network.party import Party


@pytest.fixture
def party() -> Iterator[Party]:
    """Peers that are closed at the end."""
    made = Party()
    yield made
    made.close()


class _Quiet:
    def close(self) -> None:
        """Nothing was announced."""


@pytest.fixture
def unannounced(monkeypatch: pytest.MonkeyPatch) -> None:
    """Sessions that the local network is not told of."""
    monkeypatch.setattr(session_port, "Announced", lambda *_: _Quiet())
