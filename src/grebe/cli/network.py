"""``grebe peer`` and ``grebe display``: other computers on one beat."""

from __future__ import annotations

import argparse
import subprocess
import sys

import msgspec

from grebe.app.engine.supervisor import display_words
from grebe.app.guessing import weakness
from grebe.app.passphrases import passphrase_of
from grebe.cli.common import Commands, add_json, bpm, command, number
from grebe.core.session.use import SessionUse
from grebe.errors import UsageError
from grebe.process.children import end_input, tell
from grebe.process.log import start_log

_seconds = number("seconds go", 0.1, 86_400)


def add_commands(commands: Commands) -> None:
    """Add the commands of this module."""
    parser = command(
        commands,
        "peer",
        "Take part in a session of computers without a window: says how it looks from here once a "
        "second, and sums up. On its standard input it takes: bpm 128, start, stop, span 16, "
        "accept NAME, leave.",
        'grebe peer --name Wren --session "Night ferry" --seconds 20 --json',
        peer,
    )
    parser.add_argument("--name", required=True, help="how this computer is called there")
    parser.add_argument("--bpm", type=bpm, default=120.0, help="tempo of a session begun here")
    parser.add_argument("--seconds", type=_seconds, help="for so long; else until told to leave")
    _add_session(parser)
    add_json(parser)
    parser = command(
        commands,
        "display",
        "Show another computer's Stage, to be read and nothing more.",
        'grebe display --session "Night ferry" --of Wren',
        display,
    )
    parser.add_argument("--of", default="", help="whose; else the first that shows its stage")
    _add_session(parser)


def _add_session(parser: argparse.ArgumentParser) -> None:
    parser.add_argument("--session", required=True)
    parser.add_argument("--key", help="the session's passphrase; else the one kept here")
    parser.add_argument("--interface", default="", help="only this network interface")
    parser.add_argument(
        "--at", action="append", default=[], metavar="HOST[:PORT]",
        help="a computer that is not found by itself; may be given again",
    )  # fmt: skip


def _use(arguments: argparse.Namespace, name: str) -> SessionUse:
    told = {
        "name": arguments.session,
        "peer": name,
        "interface": arguments.interface,
        "addresses": arguments.at,
    }
    try:
        return msgspec.convert(told, SessionUse)
    except msgspec.ValidationError as error:
        raise UsageError(f"that cannot be: {error}") from error


def _key(arguments: argparse.Namespace) -> str:
    key = arguments.key
    if key is None:
        return passphrase_of(arguments.session)
    if weak := weakness(str(key)):
        raise UsageError(weak)
    return str(key)


def peer(arguments: argparse.Namespace) -> int:
    """A peer as a process of its own; what is typed here goes to it."""
    told = {
        "use": msgspec.to_builtins(_use(arguments, arguments.name)),
        "passphrase": _key(arguments),
        "bpm": arguments.bpm,
        "seconds": arguments.seconds or 0.0,
        "output": "json" if arguments.json else "words",
    }
    process = subprocess.Popen([sys.executable, "-m", "grebe.network"], stdin=subprocess.PIPE)
    try:
        tell(process, msgspec.json.encode(told) + b"\n")
        if arguments.seconds is None:
            for line in sys.stdin.buffer:
                if not tell(process, line):
                    break
        else:
            process.wait()
    except KeyboardInterrupt:
        pass
    finally:
        end_input(process)
    return process.wait()


def display(arguments: argparse.Namespace) -> int:
    """A window with another computer's Stage."""
    from grebe.ui.main_window.display import Display  # noqa: PLC0415 - Qt only where a window is wanted
    from grebe.ui.widgets.qt_application import make_application, quit_process  # noqa: PLC0415

    start_log("display")
    application = make_application()
    words = display_words(_use(arguments, ""), _key(arguments), arguments.of)
    shown = Display(words, arguments.of or arguments.session)
    shown.show()
    quit_process(application.exec())
