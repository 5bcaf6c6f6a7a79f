"""Writes the manual page and the shells' completions anew, from the parser of the commands."""

from __future__ import annotations

import argparse
import re
from collections.abc import Iterator
from pathlib import Path

import shtab

from grebe.cli.main import build_parser

FOLDER = Path(__file__).parents[1] / "src" / "grebe" / "data" / "desktop"
FILES = ("file", "arrivals", "recording", "to", "out", "project", "midi")
"""Arguments that name a file."""
SEE = "https://www.gnu.org/licenses/gpl-3.0.html"


def made() -> dict[str, str]:
    """Every file's text, by its name."""
    parser = build_parser()
    for command in (parser, *commands_of(parser).values()):
        for action in command._actions:  # argparse keeps them to itself; so does whoever reads it
            if action.dest in FILES and not action.choices:
                action.complete = shtab.FILE  # type: ignore[attr-defined]
    return {
        "grebe.1": man_page(build_parser()),
        "grebe.bash": shtab.complete(parser, "bash"),
        "_grebe": shtab.complete(parser, "zsh"),
    }


def commands_of(parser: argparse.ArgumentParser) -> dict[str, argparse.ArgumentParser]:
    """The commands by name, in the parser's order."""
    for action in parser._actions:
        if isinstance(action, argparse._SubParsersAction):
            return dict(action.choices)
    return {}


def man_page(parser: argparse.ArgumentParser) -> str:
    """The manual page, as man(7) has it."""
    lines = [
        '.TH GREBE 1 "" "Grebe" "User commands"',
        ".ad l",
        ".SH NAME",
        r"grebe \- clock, patterns, scenes, songs and sets for a live electronic performer",
        ".SH SYNOPSIS",
        r".B grebe",
        r"[\fIPROJECT.grebe\fR]",
        ".br",
        r".B grebe",
        r"\fICOMMAND\fR [\fIARGUMENTS\fR]",
        ".SH DESCRIPTION",
        escaped(parser.description or ""),
        "A second start raises the window that has the project open already.",
        ".SH COMMANDS",
    ]
    for name, command in commands_of(parser).items():
        lines += [f".SS grebe {escaped(name)}", *command_lines(command)]
    lines += [
        ".SH EXIT STATUS",
        ".TP", "0", "Good.",
        ".TP", "1", "The answer is no: blocking findings, a fault found.",
        ".TP", "2", "Input that cannot be used; one line on standard error says what and where.",
        ".SH FILES",
        ".TP", r"\fI~/.local/share/grebe/profiles\fR", "Profiles of one's own.",
        ".TP", r"\fI~/.local/state/grebe\fR", "Settings, unsaved work, the log.",
        ".SH LICENCE", f"GNU General Public License, version 3: {SEE}",
    ]  # fmt: skip
    return "\n".join(lines) + "\n"


def command_lines(command: argparse.ArgumentParser) -> Iterator[str]:
    """What a command does, how it is called, its arguments, an example."""
    usage = re.sub(r"\s+", " ", command.format_usage()).removeprefix("usage: ").strip()
    yield escaped(command.description or "")
    yield ".PP"
    yield rf"\fB{escaped(usage)}\fR"
    for action in command._actions:
        if action.dest == "help":
            continue
        value = action.metavar or (None if action.nargs == 0 else action.dest.upper())
        words = value if isinstance(value, str) else ""
        if isinstance(action, argparse._SubParsersAction):
            words = "|".join(action.choices)
        elif action.choices is not None:
            words = "|".join(str(c) for c in action.choices)
        names = ", ".join(action.option_strings)
        yield ".TP"
        yield " ".join(
            part for part in (names and rf"\fB{escaped(names)}\fR",
                              words and rf"\fI{escaped(words)}\fR") if part
        )  # fmt: skip
        yield escaped((action.help or "").replace("%%", "%")) or r"\&"
    if command.epilog:
        yield ".PP"
        yield escaped(command.epilog)
    for name, inner in commands_of(command).items():
        yield f".SS {escaped(command.prog)} {escaped(name)}"
        yield from command_lines(inner)


def escaped(text: str) -> str:
    """Text as roff takes it."""
    made = text.replace("\\", r"\e").replace("-", r"\-")
    return f"\\&{made}" if made[:1] in (".", "'") else made


def main() -> None:
    """Write them."""
    for name, text in made().items():
        (FOLDER / name).write_text(text, encoding="utf-8")


if __name__ == "__main__":
    main()
