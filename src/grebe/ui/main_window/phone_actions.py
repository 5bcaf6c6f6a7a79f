"""Stage on phones, from any station."""

from __future__ import annotations

from functools import partial

from grebe.app.doing import does
from grebe.app.live.phones import Phones
from grebe.app.live.session import Session
from grebe.errors import EditError
from grebe.ui.main_window.overlays import Overlays
from grebe.words import tr


class PhoneActions:
    """Shows the page; says when somebody asks."""

    def __init__(self, over: Overlays, session: Session, phones: Phones) -> None:
        self._over, self._session, self._phones = over, session, phones
        self._asked: set[int] = set()
        """Phones that were said to ask."""

    def follow(self, now_s: float) -> None:
        """Called with every frame."""
        if not self._phones.follow(now_s):
            return
        self._over.phones.refresh()
        for phone in self._phones.waiting:
            if phone.number not in self._asked:
                self._session.notices.say(
                    "info", tr("A phone at {address} asks to see Stage.", address=phone.address),
                    offers="accept_phone", over=partial(self._answered, phone.number),
                )  # fmt: skip
        self._asked = {phone.number for phone in self._phones.waiting}

    def _answered(self, number: int) -> bool:
        return all(phone.number != number for phone in self._phones.waiting)

    @does("phone_stage")
    def phone_stage(self) -> None:
        """The code, the word, and who asks."""
        self._over.open(self._over.phones)
        self._over.phones.refresh()
        self._over.phones.switch.setFocus()

    @does("accept_phone")
    def accept_phone(self) -> None:
        """Accept the one that waits longest."""
        waiting = self._phones.waiting
        if not waiting:
            raise EditError(tr("no phone asks to see Stage"))
        self._phones.accept(waiting[0].number)
