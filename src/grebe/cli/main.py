"""``grebe``: reads the command line and calls the command."""

from __future__ import annotations

import argparse
import logging
import os
import sys
from collections.abc import Sequence
from io import TextIOWrapper

from grebe import __version__
from grebe.cli import bench, calc, files, follow, live, network, report, sets, sync, window
from grebe.errors import GrebeError
from grebe.process.log import start_log

UNUSABLE = 2
MISTAKE = 70
"""Exit status after a mistake of Grebe's own, as sysexits.h has it."""
_log = logging.getLogger(__name__)


class _Parser(argparse.ArgumentParser):
    """Says what is wrong in one line on stderr, as every command does."""

    def error(self, message: str) -> None:  # type: ignore[override]
        self.exit(UNUSABLE, f"{self.prog}: {message} (see {self.prog} --help)\n")


def build_parser() -> argparse.ArgumentParser:
    """The parser with every command."""
    parser = _Parser(
        prog="grebe",
        description="Clock, patterns, scenes and songs for a live electronic performer. "
        "Without a command it opens the last project.",
        epilog="example: grebe demo",
    )
    parser.add_argument("--version", action="version", version=f"grebe {__version__}")
    commands = parser.add_subparsers(metavar="COMMAND")
    for module in (window, files, sets, live, network, follow, sync, calc, bench, report):
        module.add_commands(commands)
    parser.set_defaults(call=window.open_last)
    return parser


def main(argv: Sequence[str] | None = None) -> int:
    """Run a command; its exit status: 0 good, 1 the answer is no, 2 unusable input."""
    for stream in (sys.stdout, sys.stderr):  # a name that is no UTF-8 is written as it is
        if isinstance(stream, TextIOWrapper):
            stream.reconfigure(errors="surrogateescape")
    arguments = build_parser().parse_args(argv)
    try:
        return int(arguments.call(arguments))
    except GrebeError as error:
        sys.stderr.write(f"grebe: {' '.join(str(error).split())}\n")
        return UNUSABLE
    except BrokenPipeError:
        os.dup2(os.open(os.devnull, os.O_WRONLY), sys.stdout.fileno())
        return 0
    except Exception as error:  # a mistake of ours: the log has where it happened
        start_log("command")
        _log.critical("%s", " ".join(sys.argv[1:])[:500], exc_info=True)
        sys.stderr.write(
            f"grebe: something went wrong ({type(error).__name__}: {str(error)[:200]}). It is in "
            f"the log; grebe report --to problem.zip puts together what helps.\n"
        )
        return MISTAKE
    except KeyboardInterrupt:
        return 130
