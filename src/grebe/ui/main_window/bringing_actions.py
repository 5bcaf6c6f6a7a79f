"""What actions do to bring things in: out of another project, out of MIDI files."""

from __future__ import annotations

from collections.abc import Sequence

from grebe.app.doing import does
from grebe.ui.main_window.overlays import Overlays


class BringingActions:
    """Shows the page that says where each thing would go."""

    def __init__(self, over: Overlays) -> None:
        self._over = over

    @does("take_from")
    def take_from(self) -> None:
        """Take boxes, patterns, scenes and songs out of another project."""
        self._over.open(self._over.taking)
        self._over.taking.ask()

    @does("bring_midi")
    def bring_midi(self) -> None:
        """Bring in MIDI files: patterns, or a song."""
        self._over.open(self._over.bringing)
        self._over.bringing.ask()

    def bring_in(self, paths: Sequence[str]) -> None:
        """Show where each of these files would go."""
        self._over.open(self._over.bringing)
        self._over.bringing.open_files(paths)
