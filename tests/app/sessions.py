"""A session that speaks to no engine."""

from __future__ import annotations

from grebe.app.engine.link import EngineLink
from grebe.app.live.session import Session


def session_link(session: Session) -> EngineLink:
    """Its link, for a client to be put into."""
    assert isinstance(session.link, EngineLink)
    return session.link
