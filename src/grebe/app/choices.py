"""The rows of the settings page that are kept on this computer.

Apart from `grebe.app.settings`: those are read before it is known in which language these are.
"""

from __future__ import annotations

import msgspec

from grebe.words import LANGUAGES, tr


class Choice(msgspec.Struct, frozen=True):
    """One row of the settings page: what it is, what it does, how it is chosen."""

    key: str
    title: str
    does: str
    group: str
    choices: tuple[str, ...] = ()
    """Words to choose from; () for what is typed or ticked."""
    words: str = ""
    """What else it is found by."""


CHOICES: tuple[Choice, ...] = (
    Choice(
        "theme",
        tr("Theme"),
        tr("Day and Night, or as the desktop has it. Stage is always dark."),
        "Look",
        ("desktop", "day", "night"),
        tr("dark light colours"),
    ),
    Choice(
        "night_step",
        tr("Stage dimmer"),
        tr("0 as bright as it is, 1 and 2 dimmer."),
        "Look",
        (),
        tr("brightness night dark"),
    ),
    Choice(
        "language",
        tr("Language"),
        tr("As the desktop has it, or one of the two. From the next start on."),
        "Look",
        ("desktop", *LANGUAGES),
        tr("translation english german"),
    ),
    Choice(
        "size_percent",
        tr("Size"),
        tr("Of everything in the window, 80 to 200 %. From the next start on."),
        "Look",
        (),
        tr("type font zoom scale large small"),
    ),
    Choice(
        "menu_on_stage", tr("Menu bar on Stage"), tr("Off: Stage has the whole height."), "Look"
    ),
    Choice(
        "sheet_shown",
        tr("Sheet at the right"),
        tr("Settings of the thing in hand, always seen."),
        "Look",
        (),
        tr("panel side fold"),
    ),
    Choice(
        "output_port",
        tr("Output port preferred"),
        tr("A box that is added is played over the first port that has this in its name."),
        "Ports",
        (),
        tr("midi interface"),
    ),
    Choice(
        "input_port",
        tr("Input port preferred"),
        tr("The same, for what is heard of it."),
        "Ports",
        (),
        tr("midi interface"),
    ),
    Choice(
        "sound_output",
        tr("Audio output"),
        tr(
            "Where the simulated boxes are heard: part of the output's name; empty "
            "for the usual one. When they are started next."
        ),
        "Sound",
        (),
        tr("speaker sound card headphones"),
    ),
    Choice(
        "sound_level",
        tr("Level of simulated boxes"),
        tr(
            "In per cent, before the limiter. Begin low with headphones on. When "
            "they are started next."
        ),
        "Sound",
        (),
        tr("volume loudness"),
    ),
    Choice(
        "log_level",
        tr("How much the log says"),
        tr("Everything helps when something is to be reported. From the next start on."),
        "This computer",
        ("errors", "usual", "everything"),
        tr("debug report"),
    ),
    Choice(
        "log_runs",
        tr("Keep runs in the log"),
        tr("What was played, with launches, moves and faults. It stays on this computer."),
        "Log",
        (),
        tr("privacy history diary"),
    ),
    Choice(
        "log_checks",
        tr("Keep checks of boxes"),
        tr("Offset, jitter and drift, over the evenings."),
        "Log",
        (),
        tr("privacy history sync"),
    ),
    Choice(
        "log_rehearsals",
        tr("Keep rehearsals"),
        tr("Launches and moves with their verdicts."),
        "Log",
        (),
        tr("privacy history practise"),
    ),
    Choice(
        "log_days",
        tr("Days that the log is kept"),
        tr("Older evenings are taken out when Grebe starts; 0 keeps them for ever."),
        "Log",
        (),
        tr("privacy forget delete old"),
    ),
    Choice(
        "sheet_percent",
        tr("Size of type on sheets"),
        tr("In per cent: 200 can be read from a music stand."),
        "This computer",
        (),
        tr("print paper large"),
    ),
    Choice(
        "paper",
        tr("Paper"),
        tr("Of printed sheets: as this country has it, or one of the two."),
        "This computer",
        ("usual", "A4", "Letter"),
        tr("print letter a4 size"),
    ),
    Choice(
        "projects",
        tr("Where projects lie"),
        tr("File dialogs begin in this folder."),
        "This computer",
        (),
        tr("folder directory files"),
    ),
)
