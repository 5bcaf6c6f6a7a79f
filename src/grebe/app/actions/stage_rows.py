"""What works on Stage: one keystroke each, nothing that could delete anything; and in Tools."""

from __future__ import annotations

from grebe.app.actions.model import Action, Rows
from grebe.core.player.controls import MOST_NUMBERED

_s = Rows("Stage", "stage")

STAGE: tuple[Action, ...] = (
    _s("next_in", "Bring in what is next, on the next bar", "Return", "Enter",
       words="launch go", effect="plays", on="next", needs="song"),
    _s("next_end", "Bring in what is next, at the end of this section", "Ctrl+Return",
       "Ctrl+Enter", words="launch go queue", effect="plays", on="next", needs="running"),
    _s("cut", "Cut to what is next now", "Shift+Return", "Shift+Enter",
       words="launch at once panic jump", effect="plays", on="next", needs="running"),
    _s("hold", "Hold this section, or let it go on", "H", words="stay loop wait", effect="plays",
       on="now", needs="running"),
    _s("again", "One more pass of this section", "+", "=", words="repeat again extend",
       effect="plays", on="now", needs="running"),
    _s("skip", "Leave out what is next", "Right", words="jump over drop", effect="plays",
       on="next", needs="running"),
    _s("back", "The section before, on the next bar", "Left", words="return repeat",
       effect="plays", on="now", needs="running"),
    _s("withdraw", "Take back what was asked for", "Backspace", words="cancel undo launch",
       effect="plays", on="next"),
    _s("tick_move", "The move that is announced is done", "X", words="my hands tick",
       effect="plays", on="move"),
    _s("drop_pass", "Drop the pass that makes the set fit", "D", words="shorten time slot late",
       effect="plays", on="slot", needs="set"),
    _s("release", "Let the tempo go to the song's own", "F12", words="bpm carried",
       effect="plays", needs="running"),
    _s("keep_mutes", "Mutes by hand stay after this section, or not", "Shift+M",
       words="mute hold", effect="plays", on="mute"),
    _s("scene_number", "A scene by its number, then Enter", "J", group="By number",
       words="jump launch type", effect="plays", needs="song"),
    _s("song_number", "A song by its number, then Enter", "Shift+J", group="By number",
       words="jump launch type", effect="plays", needs="set"),
    _s("digit", "Type", "{n}", group="By number", words="digit figure", effect="plays",
       numbers=(9, 0)),
    _s("scene", "Launch scene", group="Scenes", words="jump number", effect="plays",
       needs="song", numbers=range(1, MOST_NUMBERED + 1)),
    _s("song", "Take song", group="Songs", words="jump number", effect="plays", needs="set",
       numbers=range(1, MOST_NUMBERED + 1)),
    _s("mute", "Mute or unmute number", "{n}", group="Mutes", words="silent drop out box",
       effect="plays", on="mute", needs="box", numbers=range(1, 9)),
    _s("solo", "Alone, or not, number", "Ctrl+Shift+{n}", group="Alone", words="solo only",
       effect="plays", on="mute", needs="box", numbers=range(1, 9)),
    _s("blocks_page", "The next eight boxes and tracks have the digits", "B", group="Mutes",
       words="more page tracks blocks", on="mute", needs="box"),
    _s("track", "Record, close, over, start loop track", "Alt+{n}", group="Loop tracks",
       words="looper overdub record", effect="plays", needs="looper running",
       numbers=range(1, 6)),
    _s("halt", "Stop loop track", "Alt+Shift+{n}", group="Loop tracks", words="looper",
       effect="plays", needs="looper running", numbers=range(1, 6)),
    _s("first_loop", "A first loop sets the tempo", "L", group="Loops",
       words="looper record tempo from loop listen", effect="plays", needs="looper"),
    _s("loop_at", "Loop tracks start and stop on bars, or at the loop's end", "Q",
       group="Loops", words="quantise looper", effect="plays"),
    _s("loop_bars", "Length of the next recording", "Shift+Q", group="Loops",
       words="looper bars", effect="plays"),
    _s("lock", "Lock the keys, or let them go", "Ctrl+L", group="Guard",
       words="safe accident"),
    _s("guard", "Touch guard on or off", "Ctrl+G", group="Guard", words="safe hold touch"),
)  # fmt: skip
TOOLS: tuple[Action, ...] = (
    Rows("Tools", "tools")("copy_table", "Copy the answer and its table", "Ctrl+Shift+C",
                           words="clipboard", on="answer"),
)  # fmt: skip
