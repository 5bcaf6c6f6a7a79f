"""Settings of the session and of OSC as text: what the form shows. Without Qt."""

from __future__ import annotations

import ipaddress
from typing import Any

import msgspec

from grebe.app.guessing import weakness
from grebe.app.live.session import Session
from grebe.app.passphrases import keep_passphrase, passphrase_of
from grebe.core.document import with_rig
from grebe.core.session.shared import MAX_QUANTUM, MIN_QUANTUM
from grebe.core.session.use import MOST_ADDRESSES, OscUse, SessionUse
from grebe.core.typed import typed_number
from grebe.errors import EditError
from grebe.words import tr

STARTS = (tr("shared"), tr("each its own"))
TEMPO = (tr("of our songs"), tr("the session's"))
STAGE = (tr("hidden"), tr("shown"))
CHOICES: dict[str, tuple[str, str]] = {
    "shares_starts": STARTS,
    "brings_tempo": TEMPO,
    "shows_stage": (STAGE[1], STAGE[0]),
}
"""Words for yes and for no."""


class NetworkForm:
    """Takes and shows which session is joined and how, and what OSC is allowed."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def field_text(self, owner: str, key: str) -> str | None:
        """A setting as text."""
        rig = self.session.project.rig
        if key == "passphrase":
            return "\u2022" * 8 if passphrase_of(rig.network.name) else ""
        value = getattr(rig.network if owner == "session" else rig.osc, key)
        if key in CHOICES:
            return CHOICES[key][0 if value else 1]
        if isinstance(value, tuple):
            return "; ".join(value)
        return f"{value:g}" if isinstance(value, float) else str(value)

    def field_choices(self, owner: str, key: str) -> tuple[str, ...]:
        """None of them depend on the document."""
        del owner, key
        return ()

    def set_field(self, owner: str, key: str, text: str) -> None:
        """Take a setting from text. EditError says what it may be."""
        words = text.strip()
        if key == "passphrase":
            self._keep(words)
            return
        value = self._value(key, words)
        kind: type[SessionUse] | type[OscUse] = SessionUse if owner == "session" else OscUse
        field = "network" if owner == "session" else "osc"
        rig = self.session.project.rig
        try:
            changed = msgspec.structs.replace(getattr(rig, field), **{key: value})
            msgspec.convert(msgspec.to_builtins(changed), kind)
        except msgspec.ValidationError as error:
            raise EditError(tr("that cannot be: {error}", error=error)) from error
        self.session.store.apply(
            tr("Network"), lambda p: with_rig(p, msgspec.structs.replace(p.rig, **{field: changed}))
        )

    def _value(self, key: str, words: str) -> Any:
        if key in CHOICES:
            return words == CHOICES[key][0]
        if key in ("addresses", "clients", "senders"):
            found = tuple(w for w in (p.strip() for p in words.split(";")) if w)
            if len(found) > MOST_ADDRESSES:
                raise EditError(
                    tr("{most_addresses} addresses at most", most_addresses=MOST_ADDRESSES)
                )
            if key == "senders":
                for one in found:
                    _network(one)
            return found
        if key == "quantum_beats":
            quantum_beats = int(typed_number(words))
            if not MIN_QUANTUM <= quantum_beats <= MAX_QUANTUM:
                raise EditError(
                    tr(
                        "from {min_quantum} to {max_quantum} quarter notes (got {words})",
                        min_quantum=MIN_QUANTUM,
                        max_quantum=MAX_QUANTUM,
                        words=words,
                    )
                )
            return quantum_beats
        if key == "port":
            return int(typed_number(words))
        return typed_number(words) if key == "hz" else words

    def _keep(self, words: str) -> None:
        weak = weakness(words)
        if weak:
            raise EditError(weak)
        session = self.session
        try:
            keep_passphrase(session.project.rig.network.name, words)
        except OSError as error:
            raise EditError(
                tr("it could not be kept ({strerror})", strerror=error.strerror)
            ) from error
        session.network.passphrase_changed()


def _network(words: str) -> None:
    try:
        ipaddress.ip_network(words, strict=False)
    except ValueError as error:
        raise EditError(
            tr(
                "an address or network in numbers, as 10.0.0.7 or 10.0.0.0/24 ({error})",
                error=error,
            )
        ) from error
