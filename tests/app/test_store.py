"""The open document: undo, redo, saving; settings; the demo's copy."""

from __future__ import annotations

from pathlib import Path
from threading import Event

import pytest

from grebe.app.demo import demo_bytes, fresh_demo
from grebe.app.export import export_smf
from grebe.app.recovery import Keeper, open_recovered, recovery_path
from grebe.app.settings import Settings, last_project, read_settings, write_settings
from grebe.app.store import Store
from grebe.core.document import Project, with_song
from grebe.core.songs.edit import set_tempo
from grebe.errors import EditError, EngineError, ProjectError
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
    """Changed freely, and as shipped again the next time."""
    path = fresh_demo()
    write_project(path, build.two_boxes())
    assert fresh_demo() == path
    assert path.read_bytes() == demo_bytes()
    assert read_project(path).project.name == "Night ferry"


def test_settings() -> None:
    """Kept; a broken file counts as empty."""
    assert last_project() is None
    write_settings(Settings(last_project="x.grebe", theme="night"))
    assert (last_project(), read_settings().theme) == (Path("x.grebe"), "night")
    (state_dir() / "settings.json").write_text("{")
    assert read_settings() == Settings()


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


def test_unsaved_work_is_found_again(tmp_path: Path) -> None:
    """Kept every two seconds; found by the next window as an edit that can be undone."""
    path = tmp_path / "x.grebe"
    write_project(path, build.two_boxes())
    store = Store.open(path)
    keeper = Keeper(store)
    keeper.pulse(100)
    assert open_recovered(path)[1] is False
    tempo(store, 90)
    keeper.pulse(101)
    keeper.settle()
    found, recovered = open_recovered(path)
    assert recovered
    assert (bpm(found), found.dirty) == (90, True)
    assert found.undo() == "Unsaved work found"
    assert bpm(found) == 126
    tempo(store, 91)
    keeper.pulse(102)  # too soon
    assert bpm(open_recovered(path)[0]) == 90
    keeper.pulse(104)
    keeper.settle()
    assert bpm(open_recovered(path)[0]) == 91


def test_saved_work_leaves_nothing_to_find(tmp_path: Path) -> None:
    """Saved, or given up on purpose, it is forgotten; a copy that cannot be read does no harm."""
    path = tmp_path / "x.grebe"
    write_project(path, build.two_boxes())
    store = Store.open(path)
    keeper = Keeper(store)
    tempo(store, 90)
    keeper.pulse(100)
    store.save()
    tempo(store, 91)
    store.undo()
    keeper.pulse(200)
    keeper.settle()
    assert not recovery_path(path).exists()
    recovery_path(path).write_bytes(b"{")
    assert open_recovered(path)[1] is False


def test_a_slow_disk_holds_nothing_up(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    """While a copy is being written the window goes on; the copy comes all the same."""
    path = tmp_path / "x.grebe"
    write_project(path, build.two_boxes())
    store = Store.open(path)
    keeper = Keeper(store)
    gate = Event()
    write = Path.write_bytes

    def slow(self: Path, data: bytes) -> int:
        assert gate.wait(5)
        return write(self, data)

    monkeypatch.setattr(Path, "write_bytes", slow)
    tempo(store, 77)
    keeper.pulse(100)  # comes back although nothing is written yet
    assert not recovery_path(path).exists()
    gate.set()
    keeper.close()
    assert bpm(open_recovered(path)[0]) == 77
