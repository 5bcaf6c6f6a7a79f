"""``grebe peer`` and ``grebe display`` as a shell sees them."""

from __future__ import annotations

import json
import secrets
import subprocess
import sys

import pytest

from tests.cli.conftest import run


def lines(text: str) -> list[dict[str, object]]:
    return [json.loads(line) for line in text.splitlines()]


@pytest.mark.real_time("judges milliseconds between processes")
def test_a_peer_says_how_it_looks_and_sums_up() -> None:
    """Two processes for three seconds: a line a second, the other in it, a summary."""
    session = secrets.token_hex(4)
    words = [sys.executable, "-m", "grebe", "peer", "--session", session, "--key", "grey seal",
             "--interface", "lo", "--json"]  # fmt: skip
    first = subprocess.Popen(
        [*words, "--name", "Teal", "--bpm", "126", "--seconds", "5.3"],
        stdout=subprocess.PIPE, text=True,
    )  # fmt: skip
    second = subprocess.run([*words, "--name", "Wren", "--seconds", "4.2"],
                            capture_output=True, text=True, check=True)  # fmt: skip
    out, _ = first.communicate()
    *views, summed = lines(second.stdout)
    assert len(views) in (3, 4)
    assert {"name", "state", "session", "sealed", "bpm", "beat", "peers", "dropped"} <= set(
        views[0]
    )
    last = views[-1]
    assert last["state"] == "in"
    assert [p["name"] for p in last["peers"]] == ["Teal"]  # type: ignore[attr-defined]
    assert summed["summary"]["joined_after_s"] is not None  # type: ignore[index]
    assert lines(out)[-2]["bpm"] == last["bpm"]


def test_a_peer_takes_words_on_its_standard_input() -> None:
    """Tempo, start, stop, span; what it cannot understand it says; it leaves when told."""
    done = subprocess.run(
        [sys.executable, "-m", "grebe", "peer", "--session", secrets.token_hex(4), "--name", "Teal",
         "--interface", "lo"],
        input="bpm 131\nspan 8\nstart\nbpm fast\naccept Nobody\nsing\nstop\nleave\n",
        capture_output=True, text=True, check=False, timeout=20,
    )  # fmt: skip
    assert done.returncode == 0
    for words in ("fast is no tempo", "nobody is called 'Nobody' here", "what can be said is"):
        assert words in done.stderr


@pytest.mark.parametrize(
    ("words", "reason"),
    [
        (["peer", "--session", "x"], "--name"),
        (["peer", "--session", "x", "--name", "y", "--key", "k"], "could guess that passphrase"),
        (["peer", "--session", "x", "--name", "y", "--bpm", "4000"], "BPM goes from"),
        (["peer", "--session", "", "--name", "y"], "that cannot be"),
        (["display"], "--session"),
    ],
)
def test_bad_words_are_refused(
    capsys: pytest.CaptureFixture[str], words: list[str], reason: str
) -> None:
    """In one line, with status 2."""
    status, _, error = run(capsys, *words)
    assert status == 2
    assert reason in error
    assert len(error.splitlines()) == 1


def test_an_interface_that_is_not_there_is_said() -> None:
    """By the process that would use it."""
    done = subprocess.run(
        [sys.executable, "-m", "grebe", "peer", "--session", "x", "--name", "y", "--seconds", "2",
         "--interface", "gr9"],
        capture_output=True, text=True, check=False,
    )  # fmt: skip
    assert done.returncode == 2
    assert "there is no network interface 'gr9'" in done.stderr
