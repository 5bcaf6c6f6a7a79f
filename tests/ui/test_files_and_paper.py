"""The system's dialogs: each kind begins where it was; sheets go onto paper through one."""

from __future__ import annotations

from pathlib import Path

import pytest
from PyQt6.QtGui import QPageSize
from PyQt6.QtPrintSupport import QPrintDialog, QPrinter
from PyQt6.QtWidgets import QFileDialog

from grebe.app.settings import read_settings, with_choice, write_settings
from grebe.ui.widgets.ask_file import (
    LOOPS,
    PROFILES,
    ask_folder,
    ask_open,
    ask_save,
    ask_several,
    folder_for,
)
from grebe.ui.widgets.printing import paper_size
from tests.ui.conftest import Performer


def test_each_kind_of_file_begins_where_it_was(
    performer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    frame = performer.frame
    asked: list[str] = []
    wanted = {"open": str(tmp_path / "a" / "x.json")}
    (tmp_path / "a").mkdir()
    (tmp_path / "b").mkdir()

    def opened(_: object, title: str, begin: str, pattern: str) -> tuple[str, str]:
        asked.append(begin)
        return wanted["open"], pattern

    monkeypatch.setattr(QFileDialog, "getOpenFileName", opened)
    assert ask_open(frame, PROFILES, "Read", "*") == tmp_path / "a" / "x.json"
    assert ask_open(frame, PROFILES, "Read", "*") is not None
    assert asked == ["", str(tmp_path / "a")]
    monkeypatch.setattr(QFileDialog, "getExistingDirectory", lambda *_: str(tmp_path / "b"))
    assert ask_folder(frame, LOOPS, "Into") == tmp_path / "b"
    assert folder_for(LOOPS) == str(tmp_path / "b")
    assert folder_for(PROFILES) == str(tmp_path / "a")
    monkeypatch.setattr(
        QFileDialog, "getOpenFileNames", lambda *_: ([str(tmp_path / "a" / "1.mid")], "")
    )
    assert ask_several(frame, LOOPS, "Several", "*") == [str(tmp_path / "a" / "1.mid")]
    assert folder_for(LOOPS) == str(tmp_path / "a")
    begun: list[str] = []

    def saved(_: object, title: str, begin: str, pattern: str) -> tuple[str, str]:
        begun.append(begin)
        return "", ""

    monkeypatch.setattr(QFileDialog, "getSaveFileName", saved)
    assert ask_save(frame, LOOPS, "Write", "*", "one.mid") is None
    assert ask_save(frame, LOOPS, "Write", "*", "/else/one.mid") is None
    assert begun == [str(tmp_path / "a" / "one.mid"), "/else/one.mid"]
    (tmp_path / "a").rename(tmp_path / "gone")
    write_settings(with_choice(read_settings(), "projects", str(tmp_path)))
    assert folder_for(LOOPS) == str(tmp_path)


def test_sheets_go_through_the_print_dialog(
    performer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    """The set-up sheet, the programme, the stage sheets of a song and a set; given up, nothing is
    printed and nothing remembered."""
    frame = performer.frame
    printed: list[Path] = []

    def accept(dialog: QPrintDialog) -> int:
        printer = dialog.printer()
        assert printer is not None
        printed.append(tmp_path / f"{len(printed)}.pdf")
        printer.setOutputFormat(QPrinter.OutputFormat.PdfFormat)
        printer.setOutputFileName(str(printed[-1]))
        return int(QPrintDialog.DialogCode.Accepted.value)

    monkeypatch.setattr(QPrintDialog, "exec", lambda _: QPrintDialog.DialogCode.Rejected)
    before = frame.session.project
    performer.go(5)
    performer.act("print_sheet")
    assert frame.session.project == before
    monkeypatch.setattr(QPrintDialog, "exec", accept)
    for station in (1, 5, 6):
        performer.go(station)
        performer.act("print_sheet")
    frame.views[5].to_part(2)
    performer.go(5)
    performer.act("print_sheet")
    assert len(printed) == 4
    assert all(p.read_bytes().startswith(b"%PDF") for p in printed)
    assert frame.session.project.printed
    keys = {sheet.key for sheet in frame.session.project.printed_sheets}
    assert keys == {"setup:", "set:night-ferry", f"stage:{frame.session.selection.song_id}"}
    frame.session.store.undo()
    assert len(frame.session.project.printed_sheets) == 2


def test_tables_for_others_in_the_room(
    performer: Performer, monkeypatch: pytest.MonkeyPatch, tmp_path: Path
) -> None:
    """Of the song in hand, and of the set where one is at it; as a sheet or a table; printed again
    it says what is otherwise."""
    frame, written = performer.frame, tmp_path / "list"
    chosen = {"path": written}
    monkeypatch.setattr(QFileDialog, "getSaveFileName", lambda *_: (str(chosen["path"]), ""))
    monkeypatch.setattr(QFileDialog, "getExistingDirectory", lambda *_: str(tmp_path))
    performer.go(5)
    for action, word in (
        ("write_cue_list", "Bar,Time,Box"), ("write_light_cues", "Bar,Time,Part"),
        ("write_band_list", "#,Song,Tempo"), ("write_patch_list", "Box,What it is,Power"),
    ):  # fmt: skip
        chosen["path"] = written.with_name(f"{action}.csv")
        performer.act(action)
        assert chosen["path"].read_text().startswith(word)
    assert frame.session.project.printed_sheets == ()  # a table is not paper
    performer.go(6)
    chosen["path"] = written.with_name("cues.csv")
    performer.act("write_cue_list")
    assert chosen["path"].read_text().startswith("Song,Bar")
    chosen["path"] = written.with_name("patch.html")
    performer.act("write_patch_list")
    assert "12 V DC" in chosen["path"].read_text()
    performer.go(1)
    frame.views[1].select("smew")  # type: ignore[attr-defined]
    frame.views[1].editor.form.set_field("box", "power", "6 V DC")  # type: ignore[attr-defined]
    performer.act("write_patch_list")
    assert "is new since it was printed on" in chosen["path"].read_text()
    performer.act("write_markers")
    song = frame.session.song
    assert song is not None
    assert len(list(tmp_path.glob("*markers.mid"))) == len(list(tmp_path.glob("*markers.txt"))) == 1
    chosen["path"] = written.with_name("cues.csv") / "all.pdf"
    performer.act("write_cue_list")
    assert "could not be written" in frame.session.notices.last.text  # type: ignore[union-attr]


def test_paper_is_the_countrys_or_the_one_that_was_set() -> None:
    for wanted, size in (("A4", QPageSize.PageSizeId.A4), ("Letter", QPageSize.PageSizeId.Letter)):
        write_settings(with_choice(read_settings(), "paper", wanted))
        assert paper_size().id() == size
    assert paper_size("A4").id() == QPageSize.PageSizeId.A4
