"""Every action a performer can take, as data: shortcuts and the key sheet are made from it."""

from __future__ import annotations

from typing import Literal

from grebe.core.units import Value

Scope = Literal["everywhere", "rig", "sync", "patterns", "song", "stage"]


class Action(Value, frozen=True, kw_only=True):
    """One action: what it is called, where it works, and its keys (Qt's portable names)."""

    id: str
    title: str
    keys: tuple[str, ...]
    scope: Scope = "everywhere"
    wide: bool = False
    """Works wherever the focus is in its view, also in a table or a field."""


def _a(
    action_id: str, title: str, *keys: str, scope: Scope = "everywhere", wide: bool = False
) -> Action:
    return Action(id=action_id, title=title, keys=keys, scope=scope, wide=wide)


ACTIONS: tuple[Action, ...] = (
    _a("run_stop", "Run or stop, from the top of the song", "Space"),
    _a("run_here", "Run from the section selected in Song", "Ctrl+Space"),
    _a("run_counted", "Run after a count-in", "Shift+Space"),
    _a("panic", "All notes off, then stop (twice within a second)", "Esc"),
    _a("tap", "Tap the tempo", "T"),
    _a("tempo_up", "Tempo up by 1 BPM, from the next beat", "F6"),
    _a("tempo_down", "Tempo down by 1 BPM", "F5"),
    _a("tempo_up_fine", "Tempo up by 0.1 BPM", "Shift+F6"),
    _a("tempo_down_fine", "Tempo down by 0.1 BPM", "Shift+F5"),
    _a("tempo_to", "Type a tempo, to be there at once or over some bars", "Ctrl+Shift+T"),
    _a("push_ahead", "Push ahead while held, to catch a box that runs free", "F8"),
    _a("hold_back", "Hold back while held", "F7"),
    _a("station_1", "Rig", "Ctrl+1"),
    _a("station_2", "Sync", "Ctrl+2"),
    _a("station_3", "Patterns", "Ctrl+3"),
    _a("station_5", "Song", "Ctrl+5"),
    _a("station_7", "Stage", "Ctrl+7"),
    _a("undo", "Undo", "Ctrl+Z"),
    _a("redo", "Redo", "Ctrl+Shift+Z"),
    _a("save", "Save", "Ctrl+S"),
    _a("save_as", "Save under another name", "Ctrl+Shift+S"),
    _a("open", "Open a project", "Ctrl+O"),
    _a("export", "Export the song as a MIDI file", "Ctrl+E"),
    _a("next_song", "Another song of the set", "Ctrl+N"),
    _a("theme", "Day or Night", "Ctrl+T"),
    _a("keys", "Keys of this view", "F1"),
    _a("attach", "Attach to the engine that plays another project", "Ctrl+Return"),
    _a("stop_engine", "End the engine", "Ctrl+Shift+Q"),
    _a("quit", "Close the window; what plays goes on", "Ctrl+Q"),
    _a("previous", "The device before", "Up", scope="rig"),
    _a("next", "The device after", "Down", scope="rig"),
    _a("earlier", "Its offset 0.1 ms earlier", ",", scope="rig"),
    _a("later", "Its offset 0.1 ms later", ".", scope="rig"),
    _a("who_plays", "Who plays it: the box, or Grebe", "W", scope="rig"),
    _a("lead", "Let it lead the clock", "L", scope="rig"),
    _a("propose", "Let the one lead that leads best", "P", scope="rig"),
    _a("jack", "Lead JACK's transport, follow it, or leave it", "J", scope="rig"),
    _a("count_in", "Click the count-in on it; on Grebe: its bars", "K", scope="rig"),
    _a("learn_panic", "Its next press panics from then on", "Ctrl+Shift+P", scope="rig"),
    _a("add_box", "Add a box", "A", scope="rig"),
    _a("add_cable", "Run a cable from it", "C", scope="rig"),
    _a("add_route", "Route what it plays through Grebe", "R", scope="rig"),
    _a("remove_box", "Remove it; shows what uses it", "Delete", scope="rig"),
    _a("settings", "Its settings", "Return", "Enter", scope="rig"),
    _a("next_finding", "The next finding", "N", scope="rig"),
    _a("finding_before", "The finding before", "Shift+N", scope="rig"),
    _a("fix", "Mend the finding, where Grebe can", "F", scope="rig"),
    _a("intended", "The finding is intended: quiet until it changes", "I", scope="rig"),
    _a("save_profile", "Save it as a profile of your own", "Ctrl+P", scope="rig", wide=True),
    _a("pane_drawing", "The drawing", "Alt+1", scope="rig", wide=True),
    _a("pane_tables", "Tables of boxes, cables and routes", "Alt+2", scope="rig", wide=True),
    _a("pane_setup", "Set-up sheet", "Alt+3", scope="rig", wide=True),
    _a("pane_notes", "Note maps", "Alt+4", scope="rig", wide=True),
    _a("pane_abilities", "What the box can do", "Alt+5", scope="rig", wide=True),
    _a("part_after", "Its next part, in what it can do", "Ctrl+PgDown", scope="rig", wide=True),
    _a("part_before", "The part before", "Ctrl+PgUp", scope="rig", wide=True),
    _a("add_row", "A row more, in what it can do", "Insert", scope="rig", wide=True),
    _a("print_setup", "Set-up sheet as PDF or HTML", "Ctrl+Alt+E", scope="rig", wide=True),
    _a("previous", "The device before", "Up", scope="sync"),
    _a("next", "The device after", "Down", scope="sync"),
    _a("set_offset", "Set its offset to what mends it", "Return", "Enter", scope="sync"),
    _a("check", "Check it over 16 bars", "C", scope="sync"),
    _a("check_all", "Check all boxes that can be heard", "Shift+C", scope="sync"),
    _a("check_notes", "Check it by its notes: its swing too", "N", scope="sync"),
    _a("measure_file", "Measure a recording", "M", scope="sync"),
    _a("pattern_before", "The pattern before", "PgUp", scope="patterns"),
    _a("pattern_after", "The pattern after", "PgDown", scope="patterns"),
    _a("step_left", "One step left", "Left", scope="patterns"),
    _a("step_right", "One step right", "Right", scope="patterns"),
    _a("voice_up", "The voice above", "Up", scope="patterns"),
    _a("voice_down", "The voice below", "Down", scope="patterns"),
    _a("toggle", "Write or remove a hit", "X", scope="patterns"),
    _a("remove", "Remove the hit", "Delete", "Backspace", scope="patterns"),
    _a("louder", "Its velocity up by 8", "Shift+Up", scope="patterns"),
    _a("softer", "Its velocity down by 8", "Shift+Down", scope="patterns"),
    _a("pitch_up", "Its pitch up a semitone", "Ctrl+Up", scope="patterns"),
    _a("pitch_down", "Its pitch down a semitone", "Ctrl+Down", scope="patterns"),
    _a("longer", "The voice one step longer", "Alt+Right", scope="patterns"),
    _a("shorter", "The voice one step shorter", "Alt+Left", scope="patterns"),
    _a("in_box", "Mark the pattern as in the box", "B", scope="patterns"),
    _a("import_loop", "Import a MIDI file as a pattern", "Ctrl+I", scope="patterns"),
    _a("section_before", "The section before", "Left", scope="song"),
    _a("section_after", "The section after", "Right", scope="song"),
    _a("more", "One more pass of it", "+", "=", scope="song"),
    _a("fewer", "One pass fewer", "-", scope="song"),
    _a("move_left", "Move it one place earlier", "Alt+Left", scope="song"),
    _a("move_right", "Move it one place later", "Alt+Right", scope="song"),
    _a("copy_section", "Another like it after it", "Ctrl+D", scope="song"),
    _a("remove_section", "Remove it", "Delete", scope="song"),
    _a("bring_in", "Bring it in at the end of this section", "Return", "Enter", scope="song"),
    _a("cut_to", "Cut to it now", "Shift+Return", "Shift+Enter", scope="song"),
    _a("next_in", "Bring in what is next, on the next bar", "Return", "Enter", scope="stage"),
    _a("cut", "Cut to it now", "Shift+Return", "Shift+Enter", scope="stage"),
    _a("hold", "Hold this section, or let it go on", "H", scope="stage"),
    _a("again", "One more pass", "R", scope="stage"),
    _a("skip", "Leave out what is next", "Right", scope="stage"),
    *(_a(f"mute_{n}", f"Mute or unmute number {n}", str(n), scope="stage") for n in range(1, 9)),
)


def actions_in(scope: Scope) -> tuple[Action, ...]:
    """The actions of one scope, in order."""
    return tuple(action for action in ACTIONS if action.scope == scope)
