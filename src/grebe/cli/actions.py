"""``grebe actions``: everything that can be done in the window, with its keys."""

from __future__ import annotations

import argparse
import sys
from collections.abc import Iterator
from typing import Any

from grebe.app.actions.keymap import KeyMap, key_map
from grebe.app.actions.model import Action
from grebe.app.actions.needs import standing, why_not
from grebe.app.actions.table import ACTIONS
from grebe.app.document.demo import fresh_demo
from grebe.app.document.store import Store
from grebe.app.editors.pattern_hand import PatternHand
from grebe.app.live.session import Session
from grebe.cli.common import Commands, add_json, command, opened, print_json
from grebe.core.document import Project


def add_commands(commands: Commands) -> None:
    """Add the command."""
    parser = command(
        commands, "actions",
        "List every action of the window for a project, or the demo set.",
        "grebe actions set.grebe --json", list_actions,
    )  # fmt: skip
    parser.add_argument("file", nargs="?")
    add_json(parser)


def list_actions(arguments: argparse.Namespace) -> int:
    """Every action, as the window has it when it has just opened the project."""
    project = (
        opened(arguments).project if arguments.file else Store.open(fresh_demo()).project
    )  # fmt: skip
    rows = list(_rows(project, key_map()))
    if arguments.json:
        print_json({"actions": rows})
        return 0
    for row in rows:
        keys = " or ".join(row["keys"])
        why = f"   ({row['why_not']})" if row["why_not"] else ""
        sys.stdout.write(f"{row['station']}: {row['title']}   {keys}{why}\n")
    return 0


def _rows(project: Project, keys: KeyMap) -> Iterator[dict[str, Any]]:
    session = Session(Store(project))
    hand = PatternHand(session)
    hand.settle()
    met = standing(session, hand, findings=bool(session.derived.findings()))
    for action in ACTIONS:
        reason = why_not(action, met, keys)
        yield {
            "id": action.id,
            "title": action.title,
            "words": list(dict.fromkeys(action.words.split())),
            "station": action.where,
            "menu": action.menu,
            "keys": _keys(action, keys),
            "edits": action.effect == "edits",
            "enabled": not reason,
            "why_not": reason,
        }  # fmt: skip


def _keys(action: Action, keys: KeyMap) -> list[str]:
    """All its keys; of a numbered action each of its numbers' keys."""
    held = keys.keys(action)
    numbers: list[int | None] = [*action.numbers] or [None]
    return list(dict.fromkeys(k for n in numbers for k in action.keys_of(n, held)))
