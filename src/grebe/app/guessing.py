"""Passphrases of sessions: what is too short to seal anything, and what to propose instead.

Everybody who hears one sealed packet can try passphrases at home. Each try costs what the key
costs to make (docs/network.md), so what counts is how many tries it takes.
"""

from __future__ import annotations

import math
import secrets
from functools import cache
from importlib.resources import files

from grebe.words import tr

LEAST_BITS = 28.0
"""Six letters. At a quarter of a second and 64 MB a try, that is two years of a core, which rented
machines make days: enough for an evening's session, and what is proposed has 40."""
WORDS = 5
"""Of 256, eight bits each."""
A_CHARACTER = math.log2(26)
"""Bits of a character, whatever it is: people choose letters."""


@cache
def word_list() -> tuple[str, ...]:
    """Short plain words that a passphrase is proposed of."""
    return tuple((files("grebe.data") / "words.txt").read_text().split())


def bits(passphrase: str) -> float:
    """How hard a passphrase is to guess, at most.

    By its characters, none counted more than twice; one made of our words by those.
    """
    words, known = passphrase.lower().split(), set(word_list())
    if words and all(word in known for word in words):
        return len(set(words)) * math.log2(len(known))
    counted = sum(min(2, passphrase.count(c)) for c in set(passphrase))
    return counted * A_CHARACTER


def proposal() -> str:
    """Words picked by the system's randomness."""
    return " ".join(secrets.choice(word_list()) for _ in range(WORDS))


def weakness(passphrase: str) -> str:
    """Why a passphrase is refused, with a proposal; "" where it will do, or there is none."""
    if not passphrase or bits(passphrase) >= LEAST_BITS:
        return ""
    return tr(
        "anybody who hears one packet could guess that passphrase. A few words "
        "that have nothing to do with each other will do, for instance: "
        "{proposal}",
        proposal=proposal(),
    )
