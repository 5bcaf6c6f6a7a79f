"""What tests of the engine share: a JACK server."""

from __future__ import annotations

from collections.abc import Iterator

import pytest

from tests.engine.jackd import Server, end_clients


@pytest.fixture(params=[256])
def server(request: pytest.FixtureRequest, monkeypatch: pytest.MonkeyPatch) -> Iterator[Server]:
    made = Server(request.param)
    monkeypatch.setenv("JACK_DEFAULT_SERVER", made.name)
    yield made
    made.stop()
    end_clients()
