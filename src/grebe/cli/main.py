"""``grebe``: reads the command line and calls the command."""

from __future__ import annotations

import argparse
import os
import sys
from collections.abc import Iterable, Sequence
from importlib import import_module
from io import TextIOWrapper
from pathlib import Path

from grebe import __version__
from grebe.errors import GrebeError
from grebe.words import VARIABLE

UNUSABLE = 2
MISTAKE = 70
"""Exit status after a mistake of Grebe's own, as sysexits.h has it."""

MODULES = {
    "window": ("open", "demo"),
    "listing": ("list",),
    "actions": ("actions",),
    "new": ("new",),
    "bring": ("import",),
    "check": ("check",),
    "what_if": ("what-if",),
    "gear": ("gear",),
    "exports": ("render", "sheet"),
    "sets": ("set",),
    "live": ("run", "engine", "stop", "ports"),
    "network": ("peer", "display"),
    "probe": ("probe",),
    "follow": ("follow",),
    "sync": ("sync-check",),
    "calc": ("calc",),
    "bench": ("bench",),
    "report": ("report",),
    "log": ("log",),
    "desktop": ("desktop",),
}
"""The commands of each module of `grebe.cli`: only the one that is asked for is loaded, since
some bring NumPy and the MIDI libraries with them. All of them for the help."""
COMMANDS = tuple(command for named in MODULES.values() for command in named)


class _Parser(argparse.ArgumentParser):
    """Says what is wrong in one line on stderr, as every command does."""

    def error(self, message: str) -> None:  # type: ignore[override]
        self.exit(UNUSABLE, f"{self.prog}: {message} (see {self.prog} --help)\n")


def build_parser(modules: Iterable[str] = MODULES) -> argparse.ArgumentParser:
    """The parser with the commands of these modules, of every one by default."""
    parser = _Parser(
        prog="grebe",
        description="Clock, patterns, scenes and songs for a live electronic performer. "
        "Without a command it opens the last project.",
        epilog="example: grebe demo",
    )
    parser.add_argument("--version", action="version", version=f"grebe {__version__}")
    commands = parser.add_subparsers(metavar="COMMAND")
    for name in modules:
        import_module(f"grebe.cli.{name}").add_commands(commands)
    parser.set_defaults(call=_open_last)
    return parser


def wanted_modules(argv: Sequence[str]) -> Iterable[str]:
    """The modules this command line needs: one, none to say the version or open the window, or
    all, for the help."""
    if not argv or argv[0] == "--version":
        return ()
    named = [module for module, commands in MODULES.items() if argv[0] in commands]
    return named or MODULES


def _no_command(word: str) -> str:
    """What to say of a word that is no command: the one that it is nearest to."""
    from difflib import get_close_matches  # noqa: PLC0415 - only for a slip

    near = get_close_matches(word, COMMANDS, 1)
    meant = f", did you mean {near[0]}?" if near else ""
    return f"grebe: there is no command {word!r}{meant} (see grebe --help)"


def _names_a_project(argv: Sequence[str]) -> bool:
    """Whether the one word there is names a project instead of a command: `grebe FILE`."""
    word = argv[0] if len(argv) == 1 else "-"
    if word.startswith("-") or word in COMMANDS:
        return False
    return word.endswith(".grebe") or Path(word).is_file()


def _choose_language() -> None:
    """As the settings have it, before anything is loaded that has words in it.

    For the window and what it starts; commands are English unless the environment says otherwise.
    """
    from grebe.app.settings import language_of, read_settings  # noqa: PLC0415 - only for these

    os.environ.setdefault(VARIABLE, language_of(read_settings(), os.environ))


def _open_last(arguments: argparse.Namespace) -> int:
    from grebe.cli.window import open_last  # noqa: PLC0415 - only where no command is given

    return open_last(arguments)


def main(argv: Sequence[str] | None = None) -> int:
    """Run a command; its exit status: 0 good, 1 the answer is no, 2 unusable input."""
    for stream in (sys.stdout, sys.stderr):  # a name that is no UTF-8 is written as it is
        if isinstance(stream, TextIOWrapper):
            stream.reconfigure(errors="surrogateescape")
    words = sys.argv[1:] if argv is None else argv
    if words and _names_a_project(words):
        words = ["open", *words]
    if words and not words[0].startswith("-") and words[0] not in COMMANDS:
        sys.stderr.write(f"{_no_command(words[0])}\n")
        return UNUSABLE
    if not words or words[0] in MODULES["window"]:
        _choose_language()
    arguments = build_parser(wanted_modules(words)).parse_args(words)
    try:
        return int(arguments.call(arguments))
    except GrebeError as error:
        sys.stderr.write(f"grebe: {' '.join(str(error).split())}\n")
        return UNUSABLE
    except BrokenPipeError:
        os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())
        return 0
    except Exception as error:  # a mistake of ours: the log has where it happened
        _log_mistake(" ".join(words))
        sys.stderr.write(
            f"grebe: something went wrong ({type(error).__name__}: {str(error)[:200]}). It is in "
            f"the log; grebe report --to problem.zip puts together what helps.\n"
        )
        return MISTAKE
    except KeyboardInterrupt:
        return 130


def _log_mistake(command_line: str) -> None:
    import logging  # noqa: PLC0415 - a command that does its work needs no log

    from grebe.process.log import start_log  # noqa: PLC0415

    start_log("command")
    logging.getLogger(__name__).critical("%s", command_line[:500], exc_info=True)
