"""What each station is for and what the pointer does in it: for its help."""

from __future__ import annotations

from grebe.app.actions.model import Station

ABOUT: dict[Station, str] = {
    "rig": "What is connected, who leads the clock, will it lock? Boxes and cables are drawn from "
    "their tables; findings stand under them.",
    "sync": "How far off is each box, is it drifting, what should be set? Live, and of recordings.",
    "patterns": "What does each box play? Every hit is a stem on the waterline of its voice.",
    "scenes": "What sounds together, what changes from one to the next, and can two hands make the "
    "change? A line runs on while nothing changes; a ring is Grebe's, a diamond is yours.",
    "song": "How does it go, how long is it, where does it sag? Mutes lie over the bands and "
    "destroy nothing.",
    "set": "In what order, at what tempi and keys, does it fit the slot?",
    "stage": "Now, next, when, and your move. One key each; nothing here can delete anything.",
    "tools": "The arithmetic on its own: each answer in a sentence, a table, and to copy.",
}
GESTURES: dict[Station, tuple[tuple[str, str], ...]] = {
    "rig": (("Click on a box", "takes it in hand"), ("Right click", "what can be done with it")),
    "sync": (("Click on a strip", "takes the box in hand"),),
    "patterns": (
        ("Click on a row", "writes a hit"), ("Click on a hit", "removes it"),
        ("Drag a hit up or down", "its velocity"), ("Drag a row's end", "its length"),
        ("Shift and click", "selects up to there"), ("Drag over a lane", "draws its curve"),
        ("Drop a MIDI or WAV file", "imports it"),
    ),
    "scenes": (("Click", "takes scene and box in hand"), ("Wheel", "scrolls through the scenes")),
    "song": (
        ("Click", "puts the cursor there"), ("Shift and click", "selects up to there"),
        ("Wheel", "scrolls; with Ctrl zooms"),
    ),
    "set": (("Click on a song", "takes it in hand"), ("Drag along the energy", "draws the wish")),
    "stage": (
        ("Touch a key or section", "does it; while something plays hold it half a second"),
    ),
    "tools": (("Click on a calculator", "takes it"),),
}  # fmt: skip
