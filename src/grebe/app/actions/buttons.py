"""The few buttons that matter for the thing in hand, and what actions are called on a button."""

from __future__ import annotations

from grebe.app.actions.table import by_id
from grebe.words import tr

BUTTONS: dict[str, tuple[str, ...]] = {
    "rig": ("add_box", "propose"),
    "box": ("add_cable", "who_plays", "lead", "thru", "add_box"),
    "grebe": ("lead", "jack", "count_in", "add_box"),
    "strip": ("set_offset", "check", "check_all", "measure_file"),
    "peer": ("session", "accept_peer", "watch", "settings"),
    "pattern": ("new_pattern", "variation", "in_box", "import_loop"),
    "step": ("toggle", "variation", "generate", "in_box", "new_pattern"),
    "hit": ("accent", "chance", "variation", "in_box", "new_pattern"),
    "row": ("generate", "rotate", "variation", "new_pattern"),
    "chart": ("new_scene",),
    "scene": ("new_scene", "duplicate", "no_drums", "mutes_saved"),
    "part": ("mute_it", "one_after", "mutes_saved", "last_bar", "new_scene"),
    "song": ("form_verse", "form_drop", "print_sheet"),
    "section": ("bring_in", "drums_out", "fill_over", "duplicate", "insert_section"),
    "region": ("mute_it", "drums_out", "fill_over", "loop", "marker"),
    "set": ("new_set", "add_song", "read_csv"),
    "place": ("add_song", "into", "order", "print_sheet"),
    "rehearsal": ("rehearse", "drill", "slower", "tap_ones"),
    "answer": ("copy_table", "settings"),
}
"""By kind of thing; the first is filled."""
SHORT: dict[str, str] = {
    "add_box": tr("Add a box"),
    "propose": tr("Best leader"),
    "add_cable": tr("Cable"),
    "who_plays": tr("Who plays"),
    "lead": tr("Let it lead"),
    "thru": tr("Thru"),
    "jack": tr("JACK"),
    "count_in": tr("Count-in"),
    "set_offset": tr("Set its offset"),
    "check": tr("Check it"),
    "check_all": tr("Check all"),
    "measure_file": tr("A recording"),
    "session": tr("Join or leave"),
    "accept_peer": tr("Accept"),
    "watch": tr("Its stage"),
    "settings": tr("Settings"),
    "new_pattern": tr("New pattern"),
    "variation": tr("Variation"),
    "in_box": tr("In the box now"),
    "import_loop": tr("Import"),
    "toggle": tr("Write"),
    "generate": tr("Generate"),
    "accent": tr("Accent"),
    "chance": tr("Chance"),
    "rotate": tr("Rotate"),
    "new_scene": tr("New scene"),
    "duplicate": tr("Duplicate"),
    "no_drums": tr("No drums"),
    "mutes_saved": tr("Mutes saved"),
    "mute_it": tr("Mute"),
    "one_after": tr("Next pattern"),
    "last_bar": tr("Drums out"),
    "form_verse": tr("Verse and hook"),
    "form_drop": tr("Build and drop"),
    "print_sheet": tr("Print"),
    "bring_in": tr("Bring it in"),
    "drums_out": tr("Drums out"),
    "fill_over": tr("Fill"),
    "insert_section": tr("New section"),
    "loop": tr("Loop"),
    "marker": tr("Marker"),
    "new_set": tr("New set"),
    "add_song": tr("Add a song"),
    "read_csv": tr("From CSV"),
    "into": tr("How it comes in"),
    "order": tr("Best order"),
    "rehearse": tr("Rehearse"),
    "drill": tr("Drill"),
    "slower": tr("Slower"),
    "tap_ones": tr("On the one"),
    "copy_table": tr("Copy"),
    "undo": tr("Undo"),
    "redo": tr("Redo"),
    "run_stop": tr("Run or stop"),
    "lock": tr("Let go"),
}
"""Words for a button; a title that is short already stands as it is."""


def on_button(action_id: str) -> str:
    """What an action is called on a button."""
    return SHORT.get(action_id) or by_id()[action_id].title.partition(":")[0].partition(",")[0]
