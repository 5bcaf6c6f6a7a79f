"""The demo's file, and the commands as a shell sees them."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

import pytest

from grebe.app.document.demo import copy_demo
from grebe.cli.main import main


@pytest.fixture
def demo(tmp_path: Path) -> str:
    """The demo's file."""
    path = tmp_path / "demo.grebe"
    copy_demo(path)
    return str(path)


def run(capsys: pytest.CaptureFixture[str], *words: str) -> tuple[int, str, str]:
    """Exit status, stdout, stderr."""
    try:
        status = main(words)
    except SystemExit as ended:
        status = int(ended.code or 0)
    out = capsys.readouterr()
    return status, out.out, out.err


def answer(capsys: pytest.CaptureFixture[str], *words: str) -> Any:
    """The JSON object a command prints, and nothing else."""
    status, out, err = run(capsys, *words, "--json")
    assert (status, err) == (0, "")
    return json.loads(out)
