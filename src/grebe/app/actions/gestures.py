"""What each station is for and what the pointer does in it: for its help."""

from __future__ import annotations

from grebe.app.actions.model import Station
from grebe.words import tr

ABOUT: dict[Station, str] = {
    "rig": tr(
        "What is connected, who leads the clock, will it lock? Boxes and cables "
        "are drawn from their tables; findings stand under them."
    ),
    "sync": tr(
        "How far off is each box, is it drifting, what should be set? Live, and of recordings."
    ),
    "patterns": tr("What does each box play? Every hit is a stem on the waterline of its voice."),
    "scenes": tr(
        "What sounds together, what changes from one to the next, and can two "
        "hands make the change? A line runs on while nothing changes; a ring is "
        "Grebe's, a diamond is yours."
    ),
    "song": tr(
        "How does it go, how long is it, where does it sag? Mutes lie over the "
        "bands and destroy nothing."
    ),
    "set": tr("In what order, at what tempi and keys, does it fit the slot?"),
    "stage": tr("Now, next, when, and your move. One key each; nothing here can delete anything."),
    "tools": tr("The arithmetic on its own: each answer in a sentence, a table, and to copy."),
}
GESTURES: dict[Station, tuple[tuple[str, str], ...]] = {
    "rig": (
        (tr("Click on a box"), tr("takes it in hand")),
        (tr("Right click"), tr("what can be done with it")),
    ),
    "sync": ((tr("Click on a strip"), tr("takes the box in hand")),),
    "patterns": (
        (tr("Click on a row"), tr("writes a hit")),
        (tr("Click on a hit"), tr("removes it")),
        (tr("Drag a hit up or down"), tr("its velocity")),
        (tr("Drag a row's end"), tr("its length")),
        (tr("Shift and click"), tr("selects up to there")),
        (tr("Drag over a lane"), tr("draws its curve")),
        (tr("Drop a MIDI or WAV file"), tr("imports it")),
    ),
    "scenes": (
        (tr("Click"), tr("takes scene and box in hand")),
        (tr("Wheel"), tr("scrolls through the scenes")),
    ),
    "song": (
        (tr("Click"), tr("puts the cursor there")),
        (tr("Shift and click"), tr("selects up to there")),
        (tr("Wheel"), tr("scrolls; with Ctrl zooms")),
    ),
    "set": (
        (tr("Click on a song"), tr("takes it in hand")),
        (tr("Drag along the energy"), tr("draws the wish")),
    ),
    "stage": (
        (tr("Touch a key or section"), tr("does it; while something plays hold it half a second")),
    ),
    "tools": ((tr("Click on a calculator"), tr("takes it")),),
}
