"""The messages between window and engine."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from grebe.core.patterns.model import Memory
from grebe.core.player.commands import Begin, Launch, ReplacePlan
from grebe.core.player.plan import make_plan
from grebe.core.rig.standin import Setup
from grebe.errors import ProtocolError
from grebe.protocols.link.messages import (
    MAX_MESSAGE_BYTES,
    Hello,
    Load,
    Notice,
    Status,
    Unpacker,
    from_engine,
    pack,
    to_engine,
)
from tests import build


def test_a_plan_travels_whole() -> None:
    """The engine gets the very same plan."""
    project = build.two_boxes()
    content = project.patterns[0].content
    load = Load(
        plan=ReplacePlan(plan=make_plan(project, project.songs[0])),
        standins={"drums": "somewhere"},
        setups={"drums": Setup(device=build.device("drums"), memory=Memory(slots={4: content}))},
    )
    (body,) = Unpacker().feed(pack(load))
    assert to_engine(body) == load


@given(st.integers(1, 9))
def test_pieces_do_not_matter(size: int) -> None:
    """A stream may be cut anywhere."""
    sent = [Hello(version=1), Begin(section="s2"), Launch(at="now")]
    data = b"".join(map(pack, sent))
    unpacker = Unpacker()
    got = [
        to_engine(body)
        for i in range(0, len(data), size)
        for body in unpacker.feed(data[i : i + size])
    ]
    assert got == sent


def test_a_length_over_the_limit() -> None:
    """It is a mistake or an attack, and is not waited for."""
    with pytest.raises(ProtocolError, match="over the limit"):
        Unpacker().feed((MAX_MESSAGE_BYTES + 1).to_bytes(4, "little"))


@given(st.binary(max_size=60))
def test_any_bytes_are_refused_with_a_reason(data: bytes) -> None:
    """Never another exception."""
    for read in (to_engine, from_engine):
        try:
            read(data)
        except ProtocolError as error:
            assert "could not be read" in str(error)


def test_each_direction_knows_its_own() -> None:
    """A window's message is none for a window."""
    for read, message in (
        (from_engine, Hello(version=1)),
        (to_engine, Notice(level="info", text="x")),
    ):
        (body,) = Unpacker().feed(pack(message))
        with pytest.raises(ProtocolError):
            read(body)
    status = Status(at_ns=1, running=True, mutes=(("a", ""),))
    assert from_engine(Unpacker().feed(pack(status))[0]) == status
