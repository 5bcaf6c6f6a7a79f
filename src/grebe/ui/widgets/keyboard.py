"""What a key press is called: digits by the key's place, everything else by what is printed.

On many layouts a digit is the Shift of its key, or has no key of its own: a key of the digit
row is its digit, whatever is printed. A letter is what the layout prints; on a layout without
Latin letters it is what stands at its place on the common one.
"""

from __future__ import annotations

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QGuiApplication, QKeyEvent, QKeySequence

FIRST_DIGIT_SCAN, DIGITS = 10, "1234567890"
"""Scan codes of the digit row under X11 and Wayland: Linux's own (KEY_1 is 2) and eight."""
LETTER_ROWS = ((24, "QWERTYUIOP"), (38, "ASDFGHJKL"), (52, "ZXCVBNM"))
"""Where each row of letters begins, in the same numbers."""
SCANNED = ("xcb", "wayland", "wayland-egl")
_OWN_NAMES = {"Del": "Delete", "Ins": "Insert"}
LAST_LATIN = 0xFF
_HELD = (
    (Qt.KeyboardModifier.ControlModifier, "Ctrl+"), (Qt.KeyboardModifier.AltModifier, "Alt+"),
    (Qt.KeyboardModifier.ShiftModifier, "Shift+"), (Qt.KeyboardModifier.MetaModifier, "Meta+"),
)  # fmt: skip
PLAIN = (
    Qt.Key.Key_Shift, Qt.Key.Key_Control, Qt.Key.Key_Alt, Qt.Key.Key_Meta, Qt.Key.Key_AltGr,
    Qt.Key.Key_CapsLock, Qt.Key.Key_NumLock, Qt.Key.Key_unknown,
)  # fmt: skip


def key_names(event: QKeyEvent) -> list[str]:
    """What a press may be called, the surest first, in the registry's own names."""
    key = event.key()
    if key in PLAIN or key == 0:
        return []
    held = event.modifiers() & ~Qt.KeyboardModifier.KeypadModifier
    names: list[str] = []
    digit = _digit_of(event)
    if digit:
        names.append(_with(held, digit))
        if Qt.Key.Key_0 <= key <= Qt.Key.Key_9:
            return names  # the same digit, printed with Shift or without it
    if key < 0x20 or (key > LAST_LATIN and key < 0x01000000):  # a letter of another alphabet
        letter = _letter_of(event)
        return [*names, _with(held, letter)] if letter else names
    word = QKeySequence(key).toString(QKeySequence.SequenceFormat.PortableText)
    word = _OWN_NAMES.get(word, word)
    symbol = key <= LAST_LATIN and not word.isalnum() and key != Qt.Key.Key_Space
    if symbol:  # how a layout comes to a symbol is its own affair
        names.append(_with(held & ~Qt.KeyboardModifier.ShiftModifier, word))
    else:
        names.append(_with(held, word))
    return names


def plain(event: QKeyEvent) -> bool:
    """Whether a press is one that a field, a list or a tick has a use of its own for."""
    held = event.modifiers()
    strong = (
        Qt.KeyboardModifier.ControlModifier | Qt.KeyboardModifier.AltModifier
        | Qt.KeyboardModifier.MetaModifier
    )  # fmt: skip
    if held & strong:
        return False
    function = Qt.Key.Key_F1 <= event.key() <= Qt.Key.Key_F35
    return not function and event.key() not in MEDIA


MEDIA = (
    Qt.Key.Key_MediaPlay, Qt.Key.Key_MediaTogglePlayPause, Qt.Key.Key_MediaStop, Qt.Key.Key_Menu,
)  # fmt: skip
"""Keys that mean the same wherever the focus is."""


def _with(held: Qt.KeyboardModifier, word: str) -> str:
    return "".join(name for modifier, name in _HELD if held & modifier) + word


def _place(event: QKeyEvent) -> int:
    """The scan code; 0 where they are not the numbers known here."""
    return event.nativeScanCode() if QGuiApplication.platformName() in SCANNED else 0


def _digit_of(event: QKeyEvent) -> str:
    at = _place(event) - FIRST_DIGIT_SCAN
    return DIGITS[at] if 0 <= at < len(DIGITS) else ""


def _letter_of(event: QKeyEvent) -> str:
    place = _place(event)
    for first, letters in LETTER_ROWS:
        if 0 <= place - first < len(letters):
            return letters[place - first]
    return ""
