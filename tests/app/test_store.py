"""The open document: undo, redo, saving; settings; the demo's copy."""

from __future__ import annotations

import errno
import os
from pathlib import Path
from threading import Event
from typing import Any

import msgspec
import pytest

from grebe.app.document import recovery
from grebe.app.document.demo import demo_bytes, fresh_demo
from grebe.app.document.export import export_smf
from grebe.app.document.loop_files import take_along
from grebe.app.document.recovery import (
    FOUND,
    FOUND_ON_OTHER,
    SHARED,
    Keeper,
    OpenedDocument,
    open_recovered,
)
from grebe.app.document.store import Store
from grebe.app.kept import take_said
from grebe.app.passphrases import keep_passphrase, passphrase_of
from grebe.app.settings import (
    Settings,
    last_project,
    read_settings,
    remember_project,
    write_settings,
)
from grebe.core.document import Project, with_song
from grebe.core.songs.edit import set_tempo
from grebe.errors import ChangedOnDisk, EditError, EngineError, ProjectError
from grebe.formats.atomic import last_of, write_atomic
from grebe.formats.project import read_project, write_project
from grebe.process.places import engine_socket, runtime_dir, state_dir
from tests import build


def tempo(store: Store, bpm: float, merge: str = "") -> None:
    """Set the song's tempo."""
    store.apply(
        f"Tempo {bpm:g}",
        lambda p: with_song(p, "song", lambda s: set_tempo(s, bpm)),
        merge=merge,
    )


def bpm(store: Store) -> float:
    """The song's tempo."""
    return store.project.songs[0].bpm


@pytest.fixture
def store() -> Store:
    """An unsaved document."""
    return Store(build.two_boxes())


def test_undo_and_redo(store: Store) -> None:
    """Each step by its name; a new edit ends what could be redone."""
    tempo(store, 100)
    tempo(store, 110)
    assert store.undo_name == "Tempo 110"
    assert store.undo() == "Tempo 110"
    assert (bpm(store), store.redo_name) == (100, "Tempo 110")
    assert store.redo() == "Tempo 110"
    store.undo()
    tempo(store, 120)
    assert store.redo() == ""
    assert [store.undo(), store.undo(), store.undo()] == ["Tempo 120", "Tempo 100", ""]
    assert bpm(store) == 126


def test_a_drag_is_one_step(store: Store) -> None:
    """Edits with the same key in a row are undone together, until the drag ends."""
    for value in (100, 101, 102):
        tempo(store, value, merge="drag")
    store.end_merge()
    tempo(store, 103, merge="drag")
    store.undo()
    assert bpm(store) == 102
    store.undo()
    assert bpm(store) == 126


def test_an_edit_that_changes_nothing_is_none(store: Store) -> None:
    """Nothing to undo, nothing to save."""
    tempo(store, 126)
    assert store.undo_name == ""
    assert not store.dirty


def test_a_refused_edit_leaves_everything(store: Store) -> None:
    """The tree and the undo list."""

    def refuse(_: Project) -> Project:
        raise EditError("no")

    with pytest.raises(EditError):
        store.apply("No", refuse)
    assert store.undo_name == ""


def test_listeners_get_both_trees(store: Store) -> None:
    """Old and new, for edits and for undo."""
    seen: list[tuple[float, float]] = []
    store.listen(lambda old, new: seen.append((old.songs[0].bpm, new.songs[0].bpm)))
    tempo(store, 100)
    store.undo()
    assert seen == [(126, 100), (100, 126)]


def test_saving(tmp_path: Path, store: Store) -> None:
    """Dirty until saved; undone back to the saved tree it is clean again."""
    with pytest.raises(ValueError, match="no file name"):
        store.save()
    path = store.save(tmp_path / "x.grebe")
    tempo(store, 90)
    assert store.dirty
    store.undo()
    assert not store.dirty
    tempo(store, 91)
    assert store.save() == path
    assert Store.open(path).project == store.project


def test_the_demo_is_copied_fresh() -> None:
    """As shipped each time; what somebody saved into a copy is theirs and never written over."""
    path = fresh_demo()
    assert fresh_demo() == path
    write_project(path, build.two_boxes())
    other = fresh_demo()
    assert other != path
    assert other.read_bytes() == demo_bytes()
    assert read_project(path).project == build.two_boxes()
    other.with_name("gravel.wav").write_bytes(b"mine")
    assert fresh_demo() not in (path, other)


@pytest.mark.parametrize("state", ["/proc/nothing", "/dev/null/x"])
def test_the_demo_where_nothing_can_be_kept(state: str, monkeypatch: pytest.MonkeyPatch) -> None:
    """A temporary copy; unsaved work cannot be kept safe there, which is said."""
    monkeypatch.setenv("XDG_STATE_HOME", state)
    path = fresh_demo()
    found = open_recovered(path, untitled=True)
    assert found.claim is None
    assert "cannot be kept safe" in found.said
    assert found.store.project.name == "Night ferry"


def test_the_demo_has_no_name_until_it_is_given_one(tmp_path: Path) -> None:
    """Opened as a document without a file; saved elsewhere its loops go with it."""
    demo = fresh_demo()
    store = Store.open(demo, untitled=True)
    assert (store.path, store.home, store.name) == (None, demo, "")
    store.apply("Rename", lambda p: msgspec.structs.replace(p, name="Mine"))
    with pytest.raises(ValueError, match="no file name"):
        store.save()
    assert take_along(store, tmp_path) == ""
    saved = store.save(tmp_path / "mine.grebe")
    assert (tmp_path / "gravel.wav").read_bytes() == demo.with_name("gravel.wav").read_bytes()
    assert demo.read_bytes() == demo_bytes()
    assert (store.path, store.home, store.dirty) == (saved, saved, False)


def test_loops_taken_along_write_over_nothing(tmp_path: Path) -> None:
    """Another file of that name stays, the document knows the new name; what is gone is said."""
    demo = fresh_demo()
    store = Store.open(demo, untitled=True)
    (tmp_path / "gravel.wav").write_bytes(b"somebody else's")
    assert take_along(store, tmp_path) == ""
    assert (tmp_path / "gravel.wav").read_bytes() == b"somebody else's"
    files = {loop.file for loop in store.project.loops}
    assert files == {"gravel-2.wav"}
    assert (tmp_path / "gravel-2.wav").read_bytes() == demo.with_name("gravel.wav").read_bytes()
    demo.with_name("gravel.wav").unlink()
    store = Store.open(demo, untitled=True)
    assert "without these loops" in take_along(store, tmp_path / "new")


def test_a_file_that_somebody_else_wrote_is_not_written_over(tmp_path: Path) -> None:
    """Two windows on one file: the second save is refused until somebody has chosen."""
    path = tmp_path / "x.grebe"
    write_project(path, build.two_boxes())
    first, second = Store.open(path), Store.open(path)
    tempo(first, 90)
    tempo(second, 91)
    first.save()
    with pytest.raises(ChangedOnDisk, match="changed by another window"):
        second.save()
    assert bpm(Store.open(path)) == 90
    assert "changed by another" in second.look_at_disk()
    assert second.look_at_disk() == ""  # said once
    second.take_theirs()
    assert (bpm(second), second.dirty) == (90, False)
    second.undo()
    assert (bpm(second), second.dirty) == (91, True)
    second.save()
    with pytest.raises(ChangedOnDisk):
        first.save()
    first.save(over=True)
    assert (bpm(Store.open(path)), bpm(Store.open(last_of(path)))) == (90, 91)
    tempo(second, 92)
    assert second.save(second.free_name()) == tmp_path / "x 2.grebe"
    assert bpm(Store.open(path)) == 90


def test_touched_or_gone_is_not_changed(tmp_path: Path) -> None:
    """The same bytes with another time are the same file; one that is gone is said, and saved."""
    path = tmp_path / "x.grebe"
    write_project(path, build.two_boxes())
    store = Store.open(path)
    os.utime(path, (1, 1))
    assert store.look_at_disk() == ""
    path.unlink()
    assert "is gone" in store.look_at_disk()
    tempo(store, 93)
    store.save()
    assert bpm(Store.open(path)) == 93
    assert store.look_at_disk() == ""


def test_settings() -> None:
    """Kept; a broken file counts as empty."""
    assert last_project() is None
    write_settings(Settings(last_project="x.grebe", theme="night"))
    assert (last_project(), read_settings().theme) == (Path("x.grebe"), "night")
    strange = Path(os.fsdecode(b"/caf\xe9.grebe"))
    remember_project(strange)
    assert (last_project(), read_settings().theme) == (strange, "night")


@pytest.mark.parametrize("data", [b"{", b"\xff\xfe", b"[" * 5000, b"7", b'{"theme": 3}', b""])
def test_a_damaged_small_file_is_set_aside_and_said(data: bytes) -> None:
    """Started without it; what it held can still be looked at."""
    path = state_dir() / "settings.json"
    path.write_bytes(data)
    take_said()
    assert read_settings() == Settings()
    assert any("settings.json" in said and "damaged" in said for said in take_said())
    assert path.with_name("settings.json.damaged").read_bytes() == data
    assert read_settings() == Settings()
    assert take_said() == []
    passphrases = state_dir() / "passphrases.json"
    passphrases.write_bytes(data)
    assert passphrase_of("x") == ""
    keep_passphrase("x", "four words of it")
    assert (passphrase_of("x"), passphrases.stat().st_mode & 0o777) == ("four words of it", 0o600)


def test_small_files_that_are_no_files_do_no_harm(monkeypatch: pytest.MonkeyPatch) -> None:
    """A pipe in their place, or a folder that cannot be written."""
    os.mkfifo(state_dir() / "settings.json")
    assert read_settings() == Settings()
    assert any("could not be read" in said for said in take_said())
    monkeypatch.setenv("XDG_STATE_HOME", "/proc/nothing")
    assert read_settings() == Settings()
    write_settings(Settings(theme="night"))


def test_the_runtime_folder_is_the_owners(monkeypatch: pytest.MonkeyPatch, tmp_path: Path) -> None:
    """Nobody else can enter; a folder that is a link somewhere is refused."""
    assert runtime_dir().stat().st_mode & 0o777 == 0o700
    assert engine_socket().parent == runtime_dir()
    (tmp_path / "real").mkdir()
    (tmp_path / "link").symlink_to(tmp_path / "real")
    monkeypatch.setenv("GREBE_RUNTIME_DIR", str(tmp_path / "link"))
    with pytest.raises(EngineError, match="belongs to somebody else"):
        runtime_dir()


def test_export(tmp_path: Path) -> None:
    """A file named after the song; a folder that cannot be written is said."""
    project = build.two_boxes()
    path = export_smf(project, project.songs[0], tmp_path / "new")
    assert path.name == "song.mid"
    assert path.read_bytes()[:4] == b"MThd"
    (tmp_path / "file").write_text("x")
    with pytest.raises(ProjectError, match="could not be written"):
        export_smf(project, project.songs[0], tmp_path / "file")


@pytest.fixture
def path(tmp_path: Path) -> Path:
    """A project's file."""
    made = tmp_path / "x.grebe"
    write_project(made, build.two_boxes())
    return made


def after_a_crash(path: Path) -> OpenedDocument:
    """What the next window opens; it lets go of it again."""
    found = open_recovered(path)
    assert found.claim is not None
    found.claim.release()
    return found


def crashed(path: Path, to_bpm: float) -> Path:
    """A window that edits and is killed; where its copy is."""
    keeper = Keeper(store := Store.open(path))
    tempo(store, to_bpm)
    keeper.on_timer(100)
    keeper.close()
    assert keeper.path is not None
    return keeper.path


def test_unsaved_work_is_found_again(path: Path) -> None:
    """Kept every two seconds, for its owner only; found as an edit that can be undone."""
    store = Store.open(path)
    keeper = Keeper(store)
    keeper.on_timer(100)
    tempo(store, 90)
    keeper.on_timer(103)
    tempo(store, 91)
    keeper.on_timer(104)  # too soon
    keeper.close()
    assert keeper.path is not None
    assert keeper.path.stat().st_mode & 0o777 == 0o600
    found = after_a_crash(path)
    assert (found.said, bpm(found.store), found.store.dirty) == (FOUND, 90, True)
    assert found.store.undo() == "Unsaved work found"
    assert bpm(found.store) == 126


@pytest.mark.parametrize("clock", [1, 2_000_000_000])
def test_no_clock_decides_what_is_newer(path: Path, clock: int) -> None:
    """An hour set back, a file touched: the work is offered all the same."""
    copy = crashed(path, 90)
    os.utime(copy, (clock, clock))
    found = after_a_crash(path)
    assert (found.said, bpm(found.store)) == (FOUND, 90)


def test_work_on_a_file_that_has_changed_since(path: Path) -> None:
    """Both are there: the work is shown, Undo gives the file, and it is said."""
    crashed(path, 90)
    other = Store.open(path)
    tempo(other, 80)
    other.save()
    found = after_a_crash(path)
    assert (found.said, bpm(found.store)) == (FOUND_ON_OTHER, 90)
    found.store.undo()
    assert bpm(found.store) == 80


def test_killed_around_a_save_nothing_is_lost_nor_offered_twice(
    path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """Before it the copy has the work, after it the file has, and the copy goes."""
    store = Store.open(path)
    keeper = Keeper(store)
    tempo(store, 90)
    with monkeypatch.context() as patched, pytest.raises(SystemExit):
        patched.setattr(store, "save", lambda *_, **__: (_ for _ in ()).throw(SystemExit))
        keeper.save()
    keeper.close()
    assert bpm(after_a_crash(path).store) == 90
    store.save()  # and killed before the copy was removed
    found = after_a_crash(path)
    assert (found.said, found.store.dirty, bpm(found.store)) == ("", False, 90)
    assert keeper.path is not None
    assert not keeper.path.exists()


def test_saved_work_leaves_nothing_to_find(path: Path) -> None:
    """Saved, or given up on purpose, it is forgotten; a copy that cannot be read is set aside."""
    store = Store.open(path)
    keeper = Keeper(store)
    tempo(store, 90)
    keeper.on_timer(100)
    keeper.save()
    assert keeper.path is not None
    assert not keeper.path.exists()
    tempo(store, 91)
    keeper.on_timer(200)
    keeper.forget()
    keeper.close()
    assert list(keeper.path.parent.glob("*.grebe")) == []
    keeper.path.write_bytes(b"{\xff\n{")
    found = after_a_crash(path)
    assert "damaged" in found.said
    assert not found.store.dirty
    assert after_a_crash(path).said == ""


def test_what_was_taken_back_is_not_offered(path: Path) -> None:
    """Edited, kept, undone and closed at once."""
    store = Store.open(path)
    keeper = Keeper(store)
    tempo(store, 90)
    keeper.on_timer(100)
    keeper.settle()
    store.undo()
    keeper.close()
    assert after_a_crash(path).said == ""


def test_two_windows_have_a_copy_each(path: Path) -> None:
    """The second is told of the first; both copies are found again, one after the other."""
    first, second = open_recovered(path), open_recovered(path)
    assert (first.said, second.said) == ("", SHARED)
    for found, to_bpm in ((first, 90), (second, 91)):
        keeper = Keeper(found.store, found.claim)
        tempo(found.store, to_bpm)
        keeper.on_timer(100)
        keeper.close()
    again = open_recovered(path)
    other = open_recovered(path)
    assert {bpm(again.store), bpm(other.store)} == {90, 91}


def test_a_copy_that_cannot_be_kept_is_said_once(
    path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """A full disk: said; said again only when it had been well meanwhile."""
    store = Store.open(path)
    keeper = Keeper(store)

    def full(*_: object, **__: object) -> None:
        raise OSError(errno.ENOSPC, "No space left on device")

    said = []
    with monkeypatch.context() as patched:
        patched.setattr(recovery, "write_atomic", full)
        for moment in range(5):
            tempo(store, 90 + moment)
            keeper.on_timer(100 + 3 * moment)
            keeper.settle()
            said.append(keeper.on_timer(101 + 3 * moment))
    assert [s for s in said if s] == [
        "Unsaved work cannot be kept safe (No space left on device): save it, where there is room."
    ]
    tempo(store, 80)
    keeper.on_timer(200)
    keeper.close()
    assert bpm(after_a_crash(path).store) == 80


def test_a_slow_disk_holds_nothing_up(path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    """While a copy is being written the window goes on; the copy comes all the same."""
    store = Store.open(path)
    keeper = Keeper(store)
    gate = Event()

    def slow(*arguments: Any, **named: Any) -> None:
        assert gate.wait(5)
        write_atomic(*arguments, **named)

    monkeypatch.setattr(recovery, "write_atomic", slow)
    tempo(store, 77)
    keeper.on_timer(100)  # comes back although nothing is written yet
    assert keeper.path is not None
    assert not keeper.path.exists()
    gate.set()
    keeper.close()
    assert bpm(after_a_crash(path).store) == 77
