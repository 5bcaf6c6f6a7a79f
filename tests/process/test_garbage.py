"""When garbage is looked for in a window."""

from __future__ import annotations

import gc
from collections.abc import Iterator

import pytest

from grebe.process.garbage import leave_out_what_is_there, put_off_collection


@pytest.fixture(autouse=True)
def as_it_was() -> Iterator[None]:
    yield
    gc.enable()


class Cycle:
    """Holds itself: only a collection frees it."""

    def __init__(self, freed: list[str]) -> None:
        self.me, self._freed = self, freed

    def __del__(self) -> None:
        self._freed.append("freed")


def test_none_is_looked_for_until_all_is_made() -> None:
    put_off_collection()
    assert not gc.isenabled()
    leave_out_what_is_there()
    assert gc.isenabled()


def test_what_is_there_is_left_out_and_what_comes_is_freed() -> None:
    freed: list[str] = []
    stays = Cycle(freed)
    leave_out_what_is_there()
    assert not any(o is stays for o in gc.get_objects())
    Cycle(freed)
    gc.collect()
    assert freed == ["freed"]
