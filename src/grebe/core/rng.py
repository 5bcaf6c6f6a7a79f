"""Randomness by key: the same key always gives the same number, in whatever order asked.

A counter-based generator (SplitMix64, Steele, Lea and Flood 2014; its constants from memory): a
take can be repeated exactly, and a render equals the live take with the same seed.
"""

from __future__ import annotations

from zlib import crc32

_MASK = (1 << 64) - 1
_GOLDEN = 0x9E3779B97F4A7C15


def key_of(*parts: int | str) -> int:
    """A key of 64 bits from numbers and names."""
    key = 0
    for part in parts:
        number = crc32(part.encode()) if isinstance(part, str) else part
        key = _mixed((key ^ (number & _MASK)) + _GOLDEN)
    return key


def roll(key: int, *at: int) -> float:
    """A number from 0 up to, but not, 1 for a place under a key."""
    for number in at:
        key = _mixed((key ^ (number & _MASK)) + _GOLDEN)
    return (key >> 11) / (1 << 53)


def pick(key: int, among: int, *at: int) -> int:
    """A whole number from 0 up to, but not, `among`."""
    return int(roll(key, *at) * among)


def shuffled(key: int, count: int) -> list[int]:
    """The numbers from 0 to `count` - 1 in an order the key decides (Fisher and Yates)."""
    order = list(range(count))
    for index in range(count - 1, 0, -1):
        other = pick(key, index + 1, index)
        order[index], order[other] = order[other], order[index]
    return order


def _mixed(value: int) -> int:
    value &= _MASK
    value = ((value ^ (value >> 30)) * 0xBF58476D1CE4E5B9) & _MASK
    value = ((value ^ (value >> 27)) * 0x94D049BB133111EB) & _MASK
    return value ^ (value >> 31)
