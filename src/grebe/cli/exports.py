"""``grebe render`` and ``sheet``: what is taken out of a project, as files."""

from __future__ import annotations

import argparse
import sys
from datetime import date
from pathlib import Path
from typing import get_args

from grebe.app.document.export import (
    PulseTrack,
    export_cues,
    export_markers,
    export_pulses,
    export_set_cues,
    export_smf,
)
from grebe.app.document.export_audio import LoopWanted, export_audio, export_loop
from grebe.app.document.loop_files import folder_of
from grebe.app.document.sheets import (
    SheetPage,
    card_page,
    programme_sheet,
    remembered,
    room_sheet,
    set_sheet,
    setup_page,
    stage_sheet,
    steps_page,
    write_sheet,
)
from grebe.app.editors.loops import samples_of
from grebe.cli.common import Commands, add_json, bpm, command, number, opened, print_json
from grebe.core.audio.mix import Sample
from grebe.core.document import Project
from grebe.core.rig.spec import PulseShape
from grebe.core.room import RoomKind
from grebe.errors import UsageError
from grebe.formats.audio_out import CONTAINERS
from grebe.formats.project import write_project

RATES = (44_100, 48_000, 88_200, 96_000, 176_400, 192_000)
ROOM = get_args(RoomKind)
PULSE_TRACK_CARE = (
    "A pulse track is not music: never to speakers or headphones, on an output of its own, its "
    "voltage checked against the input first."
)


def add_commands(commands: Commands) -> None:
    """Add the commands of this module."""
    parser = command(
        commands,
        "render",
        "Write a song as files.",
        'grebe render set.grebe --song "Harbour bell" --to out --smf --pulse 24',
        render,
    )
    parser.add_argument("file")
    parser.add_argument("--song")
    parser.add_argument("--set", help="instead of a song, with --csv or --markers: a set")
    parser.add_argument("--pattern", help="instead of a song: a pattern as a WAV loop")
    parser.add_argument("--voice", help="only this voice of the pattern")
    parser.add_argument("--scene", help="instead of a song: a scene as a WAV loop")
    parser.add_argument("--bpm", type=bpm, default=120.0, help="tempo of a loop")
    parser.add_argument("--to", required=True, metavar="DIR")
    parser.add_argument("--smf", action="store_true", help="a Standard MIDI File, type 1")
    parser.add_argument("--wav", action="store_true", help="the stand-ins' audio as WAV")
    parser.add_argument("--stems", action="store_true", help="a WAV for each box that sounds")
    parser.add_argument(
        "--audio", choices=CONTAINERS, default="wav", help="the kind of audio file, 24 bits"
    )
    parser.add_argument(
        "--lufs", type=number("loudness goes", -60, 0), metavar="LUFS",
        help="loudness of the mix by EBU R 128; else as it is, down only where it would clip",
    )  # fmt: skip
    parser.add_argument("--csv", action="store_true", help="the cue list as CSV")
    parser.add_argument(
        "--markers", action="store_true",
        help="markers and tempo map, of a song or a set: as MIDI and as a table of labels",
    )  # fmt: skip
    parser.add_argument(
        "--seed", type=int, default=1, metavar="N", help="of the dice: the same gives the same take"
    )
    parser.add_argument(
        "--pulse", metavar="PPQN", help="a pulse track as WAV: 24, 1/4, 24/5, step or bar"
    )
    parser.add_argument("--width-ms", type=number("milliseconds go", 0.05, 1000), default=5.0)
    parser.add_argument("--width-percent", type=number("percent go", 1, 75))
    parser.add_argument("--polarity", choices=("rising", "falling"), default="rising")
    parser.add_argument("--level", type=number("levels go", 0.01, 1.0), default=1.0)
    parser.add_argument("--rate", type=int, choices=RATES, default=48_000, help="samples a second")
    parser.add_argument("--run-line", action="store_true", help="the run/stop line as WAV, too")
    add_json(parser)
    parser = command(
        commands,
        "sheet",
        "Write a printable sheet: every setting to make on each box, its patterns step by step, "
        "the song as it is keyed into a box, or the song for the stage; or a table for others in "
        "the room: cues, cables and channels, songs for a band, light cues.",
        "grebe sheet set.grebe --kind setup --to setup.pdf",
        sheet,
    )
    parser.add_argument("file")
    parser.add_argument("--song", help="the song; its tempo is that of step sheets")
    parser.add_argument("--set", help="instead of a song: a whole set")
    parser.add_argument("--to", required=True, metavar="OUT.html|OUT.pdf|OUT.csv")
    parser.add_argument("--device", help="the sheet of one device")
    parser.add_argument("--pattern", help="with --kind steps: the sheet of one pattern")
    kinds = ("setup", "steps", "programme", "stage", "card", *ROOM)
    parser.add_argument("--kind", choices=kinds, default="setup")
    parser.add_argument("--size", type=_size, default=100, metavar="PERCENT",
                        help="how large its type is, 50 to 200")  # fmt: skip
    parser.add_argument(
        "--printed", action="store_true",
        help="it goes onto paper: the project remembers it, and the next one marks what is "
        "otherwise",
    )  # fmt: skip
    add_json(parser)


def _size(text: str) -> int:
    return int(number("sizes go", 50, 200)(text))


def to_pdf(html: str, path: Path, title: str) -> None:
    """Write a sheet's HTML as a PDF."""
    # Qt only where paper is wanted, and without a screen.
    from grebe.ui.widgets.printing import html_to_pdf  # noqa: PLC0415
    from grebe.ui.widgets.qt_application import paper_application  # noqa: PLC0415

    application = paper_application()
    html_to_pdf(html, path, title)
    del application


def sheet(arguments: argparse.Namespace) -> int:
    """Write a sheet as HTML, PDF or, where it is a table, CSV, by the name it is to have."""
    found = opened(arguments)
    project = found.project
    page = _sheet_page(project, arguments)
    if arguments.printed and not page.key:
        raise UsageError("a programme is remembered in Song, once it was keyed in")
    path = write_sheet(
        project, page, Path(arguments.to), to_pdf=to_pdf, size_percent=arguments.size
    )
    if arguments.printed:
        made = remembered(project, page, date.today().isoformat())
        write_project(Path(arguments.file), made, found.extras)
    if arguments.json:
        print_json({"files": [str(path)]})
    else:
        sys.stdout.write(f"{path}\n")
    return 0


def _sheet_page(project: Project, arguments: argparse.Namespace) -> SheetPage:
    kind, device = arguments.kind, arguments.device or ""
    song = project.song_named(arguments.song) if arguments.song else None
    running = project.set_named(arguments.set) if arguments.set else None
    if kind in ROOM:
        return room_sheet(project, kind, song or running)
    if running is not None:
        if kind != "stage":
            raise UsageError(f"of a set there are --kind stage, {', '.join(ROOM)}")
        return set_sheet(project, running)
    if kind in ("programme", "stage"):
        if song is None:
            raise UsageError(f"--kind {kind} is of a song: name it with --song")
        return stage_sheet(project, song) if kind == "stage" else (
            programme_sheet(project, song, device)
        )  # fmt: skip
    if kind == "card":
        if not device:
            raise UsageError("a card is of one box: name it with --device")
        return card_page(project, device)
    if kind == "steps":
        return steps_page(project, song, device=device, pattern=arguments.pattern or "")
    return setup_page(project, device)


def render(arguments: argparse.Namespace) -> int:
    """Write the files asked for; lists them."""
    project = opened(arguments).project
    folder = Path(arguments.to)
    if arguments.pattern or arguments.scene:
        return _render_loop(project, folder, arguments)
    if arguments.set:
        return _render_set(project, folder, arguments)
    if not arguments.song:
        raise UsageError("say what to render: --song NAME, --pattern NAME or --scene NAME")
    song = project.song_named(arguments.song)
    wanted = (arguments.smf, arguments.wav, arguments.stems, arguments.pulse, arguments.csv,
              arguments.markers)  # fmt: skip
    if not any(wanted):
        raise UsageError("say what to render: --smf, --wav, --stems, --pulse RATE, --csv, "
                         "--markers")  # fmt: skip
    written: list[str] = []
    if arguments.smf:
        written.append(str(export_smf(project, song, folder, seed=arguments.seed)))
    if arguments.csv:
        written.append(str(export_cues(project, song, folder)))
    if arguments.markers:
        written += [str(path) for path in export_markers(project, song, folder)]
    if arguments.wav or arguments.stems:
        made = export_audio(
            project, song, folder, mix=arguments.wav, stems=arguments.stems,
            container=arguments.audio, lufs=arguments.lufs, seed=arguments.seed,
            samples=_sounds(project, arguments),
        )  # fmt: skip
        written += [str(path) for path in made.files]
        if not arguments.json:
            sys.stderr.write(f"{made.words()}\n")
    if arguments.pulse:
        shape = PulseShape(
            width_ms=None if arguments.width_percent else arguments.width_ms,
            width_percent=arguments.width_percent or 50.0,
            polarity=arguments.polarity,
            level=arguments.level,
        )
        track = PulseTrack(
            rate=arguments.pulse,
            shape=shape,
            samples_a_second=arguments.rate,
            run_line=arguments.run_line,
        )
        written += [str(path) for path in export_pulses(project, song, folder, track)]
        sys.stderr.write(f"{PULSE_TRACK_CARE}\n")
    return _list_files(arguments, written)


def _render_set(project: Project, folder: Path, arguments: argparse.Namespace) -> int:
    running = project.set_named(arguments.set)
    if not (arguments.csv or arguments.markers):
        raise UsageError("of a set there are --csv, its cue list, and --markers; its songs are "
                         "rendered one by one")  # fmt: skip
    written: list[str] = []
    if arguments.csv:
        written.append(str(export_set_cues(project, running, folder)))
    if arguments.markers:
        written += [str(path) for path in export_markers(project, running, folder)]
    return _list_files(arguments, written)


def _sounds(project: Project, arguments: argparse.Namespace) -> dict[str, dict[int, Sample]]:
    sounds = samples_of(project, folder_of(Path(arguments.file)))
    for problem in sounds.problems:
        sys.stderr.write(f"{problem}\n")
    return sounds.samples


def _render_loop(project: Project, folder: Path, arguments: argparse.Namespace) -> int:
    pattern = project.pattern_named(arguments.pattern) if arguments.pattern else None
    voice = None
    if pattern is not None and arguments.voice:
        names = {v.name: v.id for v in pattern.content.voices}
        voice = names.get(arguments.voice, arguments.voice)
    scenes = {s.name: s.id for s in project.scenes}
    wanted = LoopWanted(
        pattern=pattern.id if pattern is not None else None,
        voice=voice,
        scene=scenes.get(arguments.scene, arguments.scene) if arguments.scene else None,
        bpm=arguments.bpm,
    )
    paths = export_loop(project, wanted, folder, arguments.seed, _sounds(project, arguments))
    return _list_files(arguments, [str(path) for path in paths])


def _list_files(arguments: argparse.Namespace, written: list[str]) -> int:
    if arguments.json:
        print_json({"files": written})
    else:
        sys.stdout.write("".join(f"{path}\n" for path in written))
    return 0
