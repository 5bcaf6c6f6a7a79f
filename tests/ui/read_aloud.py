"""A screen reader's view of a window: its tree over AT-SPI, on a bus and a screen of its own."""

from __future__ import annotations

import ctypes
import os
import shutil
import subprocess
import sys
import time
from collections.abc import Iterator
from contextlib import closing, contextmanager
from pathlib import Path
from typing import Any, NamedTuple

from jeepney import DBusAddress, Properties, new_method_call
from jeepney.io.blocking import DBusConnection, open_dbus_connection

ACCESSIBLE = "org.a11y.atspi.Accessible"
ROOT = "/org/a11y/atspi/accessible/root"
X11, XTEST = "libX11.so.6", "libXtst.so.6"
NEEDED = ("Xvfb", "dbus-daemon")
LAUNCHERS = ("/usr/libexec/at-spi-bus-launcher", "/usr/lib/at-spi2-core/at-spi-bus-launcher")


def missing() -> str:
    """What is not installed here; "" for nothing."""
    gone = [name for name in NEEDED if shutil.which(name) is None]
    if not any(Path(name).exists() for name in LAUNCHERS):
        gone.append("at-spi2-core")
    for library in (X11, XTEST):
        try:
            ctypes.CDLL(library)
        except OSError:
            gone.append(library)
    return ", ".join(gone)


class Node(NamedTuple):
    """Something that can be read."""

    reader: Reader
    bus: str
    path: str

    def _call(self, interface: str, method: str, signature: str = "", *body: Any) -> Any:
        address = DBusAddress(self.path, self.bus, interface)
        asked = new_method_call(address, method, signature or None, body)
        return self.reader.connection.send_and_get_reply(asked, timeout=10).body

    def _property(self, interface: str, name: str) -> Any:
        asked = Properties(DBusAddress(self.path, self.bus, interface)).get(name)
        return self.reader.connection.send_and_get_reply(asked, timeout=10).body[0][1]

    @property
    def name(self) -> str:
        """What it is called."""
        return str(self._property(ACCESSIBLE, "Name"))

    @property
    def role(self) -> str:
        """What it is."""
        return str(self._call(ACCESSIBLE, "GetRoleName")[0])

    @property
    def children(self) -> list[Node]:
        """What is in it."""
        rows = self._call(ACCESSIBLE, "GetChildren")[0]
        return [Node(self.reader, bus, path) for bus, path in rows]

    def states(self) -> int:
        """Its states, as bits."""
        low, high = self._call(ACCESSIBLE, "GetState")[0]
        return int(low) | int(high) << 32

    @property
    def focused(self) -> bool:
        """Whether it has the focus (state 12 of AT-SPI)."""
        return bool(self.states() >> 12 & 1)

    @property
    def showing(self) -> bool:
        """Whether it is seen (state 25)."""
        return bool(self.states() >> 25 & 1)

    def cell(self, row: int, column: int) -> Node:
        """Of a table: what is at a place."""
        bus, path = self._call("org.a11y.atspi.Table", "GetAccessibleAt", "ii", row, column)[0]
        return Node(self.reader, bus, path)

    def size(self) -> tuple[int, int]:
        """Rows and columns of a table."""
        table = "org.a11y.atspi.Table"
        return self._property(table, "NRows"), self._property(table, "NColumns")

    def row_name(self, row: int) -> str:
        """What a row of a table is called."""
        asked = self._call("org.a11y.atspi.Table", "GetRowDescription", "i", row)
        return str(asked[0])

    def column_name(self, column: int) -> str:
        """What a column is called."""
        asked = self._call("org.a11y.atspi.Table", "GetColumnDescription", "i", column)
        return str(asked[0])

    def act(self, wanted: str = "") -> None:
        """Do one of its actions: the first, or one by name."""
        actions = "org.a11y.atspi.Action"
        names = [row[0] for row in self._call(actions, "GetActions")[0]]
        index = names.index(wanted) if wanted else 0
        self._call(actions, "DoAction", "i", index)

    def all(self, depth: int = 12) -> Iterator[Node]:
        """It, and everything below that is seen."""
        yield self
        if depth and self.role not in ("table", "list", "menu item"):
            for child in self.children:
                if child.showing:
                    yield from child.all(depth - 1)

    def find(self, role: str, name: str = "") -> Node:
        """The first shown of a role and name below it."""
        for node in self.all():
            if node.role == role and node.name.startswith(name):
                return node
        raise AssertionError(f"no {role} called {name!r}")


class Keyboard:
    """The keys of a screen, pressed by X's own extension for tests (XTEST): AT-SPI's registry says
    that it has pressed one, and on a busy machine has not."""

    def __init__(self, display: str) -> None:
        self._x, self._test = ctypes.CDLL(X11), ctypes.CDLL(XTEST)
        self._x.XOpenDisplay.restype = ctypes.c_void_p
        self._display = ctypes.c_void_p(self._x.XOpenDisplay(display.encode()))
        assert self._display, display

    def press(self, keysym: int) -> None:
        """Down and up again at once, so that it does not repeat."""
        code = self._x.XKeysymToKeycode(self._display, ctypes.c_ulong(keysym))
        for down in (1, 0):
            self._test.XTestFakeKeyEvent(self._display, code, down, ctypes.c_ulong(0))
        self._x.XSync(self._display, 0)

    def close(self) -> None:
        """Let go of the screen."""
        self._x.XCloseDisplay(self._display)


class Reader:
    """Somebody who hears the window."""

    def __init__(self, connection: DBusConnection, keyboard: Keyboard) -> None:
        self.connection, self._keyboard = connection, keyboard

    def press(self, *keysyms: int) -> None:
        """Keys, one after another, by their X11 names' numbers, where the focus is."""
        for keysym in keysyms:
            self._keyboard.press(keysym)
            time.sleep(0.05)

    def application(self, name: str) -> Node:
        """The program's tree; waits until it is there."""
        registry = Node(self, "org.a11y.atspi.Registry", ROOT)
        end = time.monotonic() + 20
        while time.monotonic() < end:
            for node in registry.children:
                if name in node.name:
                    return node
            time.sleep(0.1)
        raise AssertionError(f"{name} is not there: {[n.name for n in registry.children]}")


@contextmanager
def desktop(command: list[str]) -> Iterator[Reader]:
    """A screen, a session bus and a program on them."""
    running: list[subprocess.Popen[bytes]] = []

    def start(*words: str, **how: Any) -> subprocess.Popen[bytes]:
        running.append(subprocess.Popen(words, stderr=subprocess.DEVNULL, **how))
        return running[-1]

    try:
        read, write = os.pipe()
        start("Xvfb", "-displayfd", str(write), "-screen", "0", "1280x900x24", "-nolisten", "tcp",
              pass_fds=[write])  # fmt: skip
        os.close(write)
        with os.fdopen(read) as answer:
            display = answer.readline().strip()
        bus = start("dbus-daemon", "--session", "--nofork", "--print-address",
                    stdout=subprocess.PIPE)  # fmt: skip
        assert bus.stdout is not None
        address = bus.stdout.readline().decode().strip()
        environment = {
            **os.environ, "DISPLAY": f":{display}", "QT_QPA_PLATFORM": "xcb",
            "DBUS_SESSION_BUS_ADDRESS": address, "QT_LINUX_ACCESSIBILITY_ALWAYS_ON": "1",
            "QT_ACCESSIBILITY": "1",
        }  # fmt: skip
        launcher = next(name for name in LAUNCHERS if Path(name).exists())
        start(launcher, "--launch-immediately", env=environment)
        with open_dbus_connection(address) as session:
            asked = new_method_call(
                DBusAddress("/org/a11y/bus", "org.a11y.Bus", "org.a11y.Bus"), "GetAddress"
            )
            read_on = session.send_and_get_reply(asked, timeout=10).body[0]
        start(sys.executable, *command, env=environment)
        with (
            open_dbus_connection(read_on) as connection,
            closing(Keyboard(f":{display}")) as keyboard,
        ):
            yield Reader(connection, keyboard)
    finally:
        for process in reversed(running):  # the program before the screen it is on
            process.terminate()
            process.wait(20)
            if process.stdout is not None:
                process.stdout.close()
