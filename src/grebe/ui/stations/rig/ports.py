"""Choosing the port of a device: stand-in, JACK, ALSA, or nowhere."""

from __future__ import annotations

from typing import Any

import msgspec
from PyQt6.QtCore import pyqtSignal
from PyQt6.QtWidgets import QComboBox, QHBoxLayout, QSizePolicy, QWidget

from grebe.core.rig.model import AudioPort, Port
from grebe.ui.widgets.fields import ListField
from grebe.ui.widgets.port_look import PortLook
from grebe.words import tr

NETWORK = Port(wire="rtp")
"""Stands for a port on the network that is still to be typed."""
SESSION = Port(wire="rtp", name="session")
"""It waits to be invited into a session; "session HOST:PORT" invites."""
OTHERS = Port(wire="rtp", name="?")
"""No port: sessions of others are looked for."""


class PortChooser(ListField):
    """A list of ports; emits the one chosen by hand."""

    chosen = pyqtSignal(Port)

    def __init__(self, look: PortLook, *, hears: bool = False) -> None:
        super().__init__()
        self._hears = hears
        self.setAccessibleName(tr("Heard at") if hears else tr("Port"))
        self._found: list[Port] = []
        self._sessions: dict[str, str] = {}
        """What sessions on the network call themselves, by the name of their port."""
        self._shown = Port(wire="none") if hears else Port()
        self._look = look
        look.found.connect(self._looked)
        self.activated.connect(self._picked)
        self.show_port(self._shown)

    def preferred(self, words: str) -> Port | None:
        """The first port that was found with this in its name; None for none."""
        wanted = words.casefold()
        return next((p for p in self._found if wanted and wanted in p.name.casefold()), None)

    def show_port(self, port: Port) -> None:
        """Show this port as the one in use."""
        self._shown = port
        self._fill()

    def _looked(self, found: dict[str, Any]) -> None:
        self._found = []
        key = "midi_in" if self._hears else "midi"
        if found.get("jack", {}).get("available"):
            server = found["jack"].get("server", "")
            self.setToolTip(tr("JACK is {server} here.", server=server) if server else "")
            self._found.append(Port(wire="jack"))
            self._found += [Port(wire="jack", name=name) for name in found["jack"].get(key, [])]
        self._found += [Port(wire="alsa", name=n) for n in found.get("alsa", {}).get(key, [])]
        for words in [] if self._hears else found.get("sessions", {}).get("midi", []):
            name, _, at = words.removesuffix(")").rpartition(" (")
            self._sessions[f"{SESSION.name} {at}"] = name
            self._found.append(Port(wire="rtp", name=f"{SESSION.name} {at}"))
        self._fill()

    def _choices(self) -> list[Port]:
        standin = [] if self._hears else [Port(wire="standin"), Port(wire="peer")]
        others = [] if self._hears else [OTHERS]
        choices = [*standin, *self._found, SESSION, *others, NETWORK, Port(wire="none")]
        return choices if self._shown in choices else [self._shown, *choices]

    def _fill(self) -> None:
        self.setEditable(False)
        self.clear()
        self.addItems([self._text(port) for port in self._choices()])
        self.setCurrentIndex(self._choices().index(self._shown))

    def _text(self, port: Port) -> str:
        """A port in words, a session that was found by the name it goes by."""
        name = self._sessions.get(port.name) if port.wire == "rtp" else None
        return port_text(port) if name is None else tr("network session with {host}", host=name)

    def _picked(self, index: int) -> None:
        port = self._choices()[index]
        if port == OTHERS:
            self._fill()
            self._look.look(network=True)
        elif port == NETWORK:
            self._ask()
        elif port != self._shown:
            self.chosen.emit(port)

    def _ask(self) -> None:
        """Where on the network: typed, Enter takes it."""
        self.setEditable(True)
        self.setInsertPolicy(QComboBox.InsertPolicy.NoInsert)
        line = self.lineEdit()
        assert line is not None
        line.clear()
        line.setPlaceholderText(
            tr("port, as 5004") if self._hears else tr("host:port, or session host:port")
        )
        line.editingFinished.connect(self._typed)
        line.setFocus()

    def _typed(self) -> None:
        words = self.currentText().strip()
        self._fill()
        good = words.isdecimal() if self._hears else bool(words) and words != port_text(NETWORK)
        if good:
            self.chosen.emit(Port(wire="rtp", name=words[:200]))


CHANNEL_EM = 4


class LineChooser(QWidget):
    """Where pulses or a level leave or come in: an interface, and its channel in a list of its own;
    or a port of JACK. Emits the one chosen by hand."""

    chosen = pyqtSignal(AudioPort)

    def __init__(self, look: PortLook, words: str, *, hears: bool = False) -> None:
        super().__init__()
        self._hears = hears
        self.where, self.channel = ListField(), ListField()
        self.where.setAccessibleName(words)
        self.channel.setAccessibleName(tr("{words}: channel", words=words))
        row = QHBoxLayout(self)
        row.setContentsMargins(0, 0, 0, 0)
        row.setSpacing(6)
        row.addWidget(self.where, 1)
        row.addWidget(self.channel)
        self.channel.setSizePolicy(QSizePolicy.Policy.Fixed, QSizePolicy.Policy.Fixed)
        self.channel.setMaximumWidth(CHANNEL_EM * self.fontMetrics().height())
        self._found: list[AudioPort] = []
        self._channels: dict[str, int] = {}
        """By interface."""
        self._shown = AudioPort()
        look.found.connect(self._looked)
        self.where.activated.connect(self._picked)
        self.channel.activated.connect(self._picked_channel)
        self._looked(look.last)

    def show_line(self, line: AudioPort) -> None:
        """Show this one as the one in use."""
        self._shown = line
        self.where.clear()
        self.where.addItems([line_text(choice) for choice in self._choices()])
        self.where.setCurrentIndex(self._choices().index(_first_of(line)))
        self.where.setToolTip(line_text(line))
        self.channel.clear()
        most = max(line.channel, self._channels.get(line.name, 0))
        self.channel.addItems([str(n) for n in range(1, most + 1)])
        self.channel.setCurrentIndex(line.channel - 1)
        self.channel.setVisible(line.wire == "audio")

    def _looked(self, found: dict[str, Any]) -> None:
        key = "audio_in" if self._hears else "audio"
        jack, sound = found.get("jack", {}), found.get("sound", {})
        self._found = [AudioPort(wire="jack")] if jack.get("available") else []
        self._found += [AudioPort(wire="jack", name=name) for name in jack.get(key, [])]
        names = [words.partition(" of ")[2] for words in sound.get(key, [])]
        self._channels = {name: names.count(name) for name in names}
        self._found += [AudioPort(wire="audio", name=name) for name in self._channels]
        self.show_line(self._shown)

    def _choices(self) -> list[AudioPort]:
        choices = [AudioPort(), *self._found]
        shown = _first_of(self._shown)
        return choices if shown in choices else [shown, *choices]

    def _picked(self, index: int) -> None:
        line = self._choices()[index]
        if line != _first_of(self._shown):
            self.chosen.emit(line)

    def _picked_channel(self, index: int) -> None:
        line = msgspec.structs.replace(self._shown, channel=index + 1)
        if line != self._shown:
            self.chosen.emit(line)


def _first_of(line: AudioPort) -> AudioPort:
    """The same interface's first channel, by which its row is known."""
    return msgspec.structs.replace(line, channel=1) if line.wire == "audio" else line


def line_text(line: AudioPort) -> str:
    """A line in words."""
    if not line.is_set:
        return tr("nowhere")
    if line.wire == "jack":
        return f"JACK: {line.name}" if line.name else tr("JACK, patched by hand")
    return line.name


def port_text(port: Port) -> str:
    """A port in words."""
    if port.is_standin:
        return tr("stand-in")
    if not port.is_set:
        return tr("nowhere")
    if port.wire == "jack" and not port.name:
        return tr("JACK, patched by hand")
    if port.is_peer:
        return tr("in the session")
    if port.wire == "rtp":
        if port == OTHERS:
            return tr("network, look for sessions")
        kind, _, host = port.name.partition(" ")
        if kind == SESSION.name:
            return (
                tr("network session with {host}", host=host)
                if host
                else tr("network session, waits to be invited")
            )
        return tr("network: {port}", port=port.name) if port.name else tr("network, typed")
    return f"{port.wire.upper()}: {port.name}"
