"""``grebe what-if`` and ``grebe gear``."""

from __future__ import annotations

from pathlib import Path

import pytest

from tests.cli.conftest import answer, run


def test_what_if_a_box_goes(capsys: pytest.CaptureFixture[str], demo: str) -> None:
    """One box: what is lost, what could be done; all of them and all cables without a name."""
    (row,) = answer(capsys, "what-if", demo, "--without", "Knot")["without"]
    assert (row["silent"], row["unclocked"]) == (["Knot", "Scaup"], ["Scaup", "Garganey"])
    assert "Plug Grebe's output into Scaup's MIDI in." in row["moves"]
    assert row["faults"] == []
    every = answer(capsys, "what-if", demo)["without"]
    assert len(every) == 10 + 10
    status, out, _ = run(capsys, "what-if", demo, "--without", "Smew")
    assert status == 0
    assert out.startswith("Without Smew:\n  Silent: Smew.\n")
    status, _, err = run(capsys, "what-if", demo, "--without", "Nobody")
    assert status == 2
    assert "there is no device 'Nobody'" in err


def test_gear_is_noted_found_and_shared(
    capsys: pytest.CaptureFixture[str], demo: str, tmp_path: Path, own_folders: Path
) -> None:
    """Noted once, told by `check` in any project with it, until it was tried again."""
    noted = ("gear", "note", "stumbles", "--about", "grebe", "--about", "Knot", "--kind", "fails",
             "--day", "2026-05-01")  # fmt: skip
    library = answer(capsys, *noted)
    assert library["notes"][0]["gear"] == ["grebe", "Knot"]
    _, out, _ = run(capsys, "check", demo)
    assert "You noted on 2026-05-01 that Grebe and Knot fail: stumbles." in out
    path = str(tmp_path / "all.json")
    assert run(capsys, "gear", "write", path)[1] == "Wrote 0 profiles, 1 note, 0 tries.\n"
    tried = ("gear", "try", "a shorter cable", "--about", "grebe", "--about", "Knot",
             "--outcome", "works", "--day", "2026-05-02")  # fmt: skip
    run(capsys, *tried)
    assert "stumbles" not in run(capsys, "check", demo)[1]
    listed = run(capsys, "gear", "list")[1].splitlines()
    assert [line.split("  ", 1)[1][:17] for line in listed] == [
        "2026-05-01  fails",
        "2026-05-02  works",
    ]
    run(capsys, "gear", "remove", listed[0].split()[0])
    assert run(capsys, "gear", "read", path)[1] == "Read 0 profiles, 1 note, 0 tries.\n"


@pytest.mark.parametrize(
    ("words", "said"),
    [
        (("note", "x"), "give --about once or twice"),
        (("note", "x", "--about", "a", "--day", "monday"), "a day such as"),
        (("try", "x", "--about", "a"), "a try is between two"),
        (("remove", "nothing"), "there is no note 'nothing'"),
        (("read", "/nowhere/at/all"), "nowhere"),
    ],
)
def test_what_cannot_be_noted_is_one_line(
    capsys: pytest.CaptureFixture[str], words: tuple[str, ...], said: str, own_folders: Path
) -> None:
    status, out, err = run(capsys, "gear", *words)
    assert (status, out) == (2, "")
    assert said in err
    assert err.count("\n") == 1
