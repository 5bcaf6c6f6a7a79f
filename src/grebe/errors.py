"""Every exception Grebe raises on purpose, under one root.

Each says what happened and where, and what to do about it; the command line
prints the text as its one line on stderr, the window as its notice.
"""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager


class GrebeError(Exception):
    """Root of all errors that are explained to the performer."""


class ProjectError(GrebeError):
    """A project file that cannot be used. The file itself is left untouched."""


class ChangedOnDisk(ProjectError):
    """A project file is not as it was read or saved here: writing over it needs a choice."""


class ProfileError(GrebeError):
    """A device profile that cannot be used, or contradicts itself."""


class TicksError(GrebeError):
    """A file of times that cannot be read, or its answer not written."""


class RecordingError(GrebeError):
    """A recording that cannot be read."""


class MidiFileError(GrebeError):
    """A Standard MIDI File that cannot be imported."""


class ProtocolError(GrebeError):
    """Bytes from another process that do not follow the link's format."""


class OtherVersion(ProtocolError):
    """A peer that speaks another version of the protocol."""


class NetworkError(GrebeError):
    """The network could not be used as asked."""


class PortLost(GrebeError):
    """A port of the outside world is not there, or went away."""


class EngineError(GrebeError):
    """The engine could not be started, reached or understood."""


class EditError(GrebeError):
    """An edit that the document does not allow; the document is unchanged."""


class SettingsError(GrebeError):
    """A file of settings or keys cannot be taken."""


class LogError(GrebeError):
    """The log cannot be written or read just now."""


class LogDamagedError(LogError):
    """What lies there is no log, or a broken one: it is set aside."""


class LogNewerError(LogError):
    """A log that a newer Grebe wrote: it is set aside."""


class UsageError(GrebeError):
    """A name or value given on the command line that does not exist."""


@contextmanager
def at_the_border(what: str) -> Iterator[None]:
    """Read bytes from outside: whatever goes wrong with them is a ProtocolError, naming `what`.

    A decoder raises what its author thought of; a message that nests three thousand deep, is no
    UTF-8 or holds a number without end raises something else, and would end the process.
    """
    try:
        yield
    except GrebeError:
        raise
    except Exception as error:
        raise ProtocolError(
            f"{what} could not be read ({type(error).__name__}: {str(error)[:200]})"
        ) from error
