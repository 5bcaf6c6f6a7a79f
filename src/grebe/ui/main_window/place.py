"""Where a window stands and what it shows, kept for the one that comes after it."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Protocol, runtime_checkable

import msgspec
from PyQt6.QtCore import QByteArray

from grebe.app.live.session import Session
from grebe.app.settings import Settings, read_settings, write_settings
from grebe.process.places import written
from grebe.ui.main_window.rail import Rail
from grebe.ui.widgets.view import View


@runtime_checkable
class HasInHand(Protocol):
    """A station that has something in hand which is worth coming back to."""

    @property
    def shown_subject(self) -> tuple[str, str]:
        """What it has in hand, by kind and id, as `show_subject` takes it."""


class Standing(Protocol):
    """The window as far as it is needed here."""

    session: Session
    rail: Rail

    @property
    def views(self) -> Mapping[int, View]:
        """The stations by number."""

    def saveGeometry(self) -> QByteArray:
        """Where it stands, as Qt keeps it."""


def keep_place(window: Standing) -> None:
    """Keep where the window stands and what it shows."""
    path = window.session.store.path
    views = window.views.values()
    in_hand = {v.scope: v.shown_subject[1] for v in views if isinstance(v, HasInHand)}
    write_settings(msgspec.structs.replace(
        read_settings(),
        geometry=bytes(window.saveGeometry().toBase64().data()).decode(),
        station=window.rail.current,
        place_in=written(path) if path is not None else "",
        parts={v.scope: v.part for v in views if v.part > 0},
        in_hand={scope: subject for scope, subject in in_hand.items() if subject},
    ))  # fmt: skip


def back_to(window: Standing, kept: Settings) -> None:
    """What the window before showed, as far as it is there."""
    for view in window.views.values():
        subject = kept.in_hand.get(view.scope)
        if subject and isinstance(view, HasInHand):
            view.show_subject(view.shown_subject[0], subject)
        part = kept.parts.get(view.scope, -1)
        if part in view.parts_there_are() and part > 0:
            view.to_part(part)
