from __future__ import annotations

from collections.abc import Iterator

import pytest

from tests.network.party import Party


@pytest.fixture
def party() -> Iterator[Party]:
    """Peers that are closed at the end."""
    made = Party()
    yield made
    made.close()
