"""Audio loops to and from WAV files. Without Qt."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

import msgspec

from grebe.app.editors.loop_editor import LoopEditor
from grebe.app.editors.loops import Fit, fit_loop, take_loop
from grebe.app.editors.pattern_hand import PatternHand
from grebe.core.document import Project
from grebe.errors import EditError
from grebe.words import tr


class LoopFiles:
    """Takes files in, and writes loops at the song's tempo."""

    def __init__(self, hand: PatternHand, editor: LoopEditor, changed: Callable[[], None]) -> None:
        """`changed` is told when another loop is in hand."""
        self._hand = hand
        self._editor = editor
        self._changed = changed

    def take(self, path: Path) -> None:
        """Take a WAV file in. RecordingError, EditError as `take_loop`."""
        session, device = self._hand.session, self._hand.device
        if device is None:
            raise EditError(tr("add a device first: a loop belongs to one"))
        taken = {x.id for x in session.project.loops}
        loop = take_loop(
            path, self._editor.folder, device, taken, self._hand.session.position.written_bpm
        )

        def add(project: Project) -> Project:
            return msgspec.structs.replace(project, loops=(*project.loops, loop))

        session.store.apply(tr("Take {path} in", path=path.name), add)
        self._editor.loop_id = loop.id
        self._changed()

    def fit_into(self, folder: Path, how: Fit) -> None:
        """Write the loop at the song's tempo. Errors as `fit_loop`."""
        session = self._hand.session
        path, cost = fit_loop(
            self._editor.in_hand(), self._editor.folder, session.position.written_bpm, how, folder
        )
        words = (
            tr(", {semitones:+.2f} semitones", semitones=cost.semitones) if cost is not None else ""
        )
        session.say("info", tr("Wrote {path}{words}.", path=path.name, words=words))
