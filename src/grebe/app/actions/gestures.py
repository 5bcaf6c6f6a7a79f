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
    "log": tr(
        "What happened, and what keeps going wrong? Runs, boxes and changes over the evenings; "
        "nothing leaves this computer."
    ),
    "tools": tr("The arithmetic on its own: each answer in a sentence, a table, and to copy."),
}
GESTURES: dict[Station, tuple[tuple[str, str], ...]] = {
    "rig": (
        (tr("Click on a box"), tr("takes it in hand")),
        (tr("Double click"), tr("its settings")),
        (tr("Drag a box onto another"), tr("proposes the cable that fits")),
        (tr("Drag from a box's right end to another's left"), tr("runs that cable at once")),
        (tr("Drop a profile or a MIDI file"), tr("adds the box, or asks where it goes")),
        (tr("Rest on a cable"), tr("what flows there, at what rate, how late")),
    ),
    "sync": (
        (tr("Click on a strip"), tr("takes the box in hand")),
        (tr("Drag a strip sideways"), tr("goes back through time")),
        (tr("Shift and drag"), tr("measures that stretch alone")),
    ),
    "patterns": (
        (tr("Click on a row"), tr("writes a hit; on a hit removes it")),
        (tr("Drag along a row"), tr("paints hits")),
        (tr("Drag a hit up or down"), tr("its velocity; sideways another step")),
        (tr("Alt and drag a hit"), tr("its timing")),
        (tr("Drag a held note's end"), tr("how long it is held")),
        (tr("Drag a row's end"), tr("its length")),
        (tr("Drag a row's name"), tr("its place among the rows")),
        (tr("Double click on a name"), tr("renames it")),
        (tr("Shift and drag"), tr("selects; what is selected can be dragged, with Ctrl a copy")),
        (tr("Drag over a lane"), tr("draws it; with Alt a line")),
        (tr("Wheel"), tr("scrolls; with Ctrl zooms at the pointer")),
        (tr("Drop a MIDI or WAV file"), tr("imports it")),
    ),
    "scenes": (
        (tr("Click"), tr("takes scene and box in hand")),
        (tr("Drag a scene by its head"), tr("to another place")),
        (tr("Drag a cell onto another scene"), tr("the box does the same there")),
        (tr("Drag a pattern's name onto a cell"), tr("it plays there; with Ctrl after the others")),
        (tr("Double click on a cell"), tr("its chain as a list")),
        (tr("Wheel"), tr("scrolls through the scenes")),
    ),
    "song": (
        (tr("Drag over rows and bars"), tr("selects them")),
        (tr("Drag along the ruler"), tr("those bars over and over, while it plays")),
        (tr("Drag a section's end"), tr("how many passes")),
        (tr("Drag a section's head"), tr("to another place")),
        (tr("Drag a mute, or its edge"), tr("elsewhere, longer or shorter")),
        (tr("Drag a marker or a curve's point"), tr("elsewhere")),
        (tr("Shift and click"), tr("selects up to there")),
        (tr("Wheel"), tr("scrolls; with Ctrl zooms at the pointer")),
    ),
    "set": (
        (tr("Drag a song"), tr("to another place; what that costs is said")),
        (tr("Drag where a song begins"), tr("the silence or the ramp before it")),
        (tr("Drag the line of energy"), tr("draws the wish")),
    ),
    "stage": (
        (tr("Touch a target, block or section"),
         tr("does it; while something plays hold it half a second")),
        (tr("Touch Alone first"), tr("blocks let their box play alone")),
    ),
    "log": (
        (tr("Click on a stem or a mark"), tr("takes it in hand, in the table, too")),
        (tr("Wheel over the list"), tr("goes through what there is")),
    ),
    "tools": ((tr("Click on a calculator"), tr("takes it")),),
}  # fmt: skip
"""What is done by pointing, and what it does; a finger drags too, and resting opens the menu."""
