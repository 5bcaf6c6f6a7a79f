"""Reading a file from outside: bounded, with errors in words."""

from __future__ import annotations

from pathlib import Path

from grebe.errors import GrebeError

UNTOUCHED = "The file has not been touched."


def read_bounded(path: Path, max_bytes: int, what: str, error_class: type[GrebeError]) -> bytes:
    """The bytes of a file of at most `max_bytes`; `what` it should be, for the message.

    Raises `error_class` with the path, the reason and what to do.
    """
    try:
        if path.stat().st_size > max_bytes:
            size = f"{max_bytes // 1024**2} MB"
            raise error_class(
                f"{path} is over {size}, too large for {what}. Choose another. {UNTOUCHED}"
            )
        return path.read_bytes()
    except FileNotFoundError as error:
        raise error_class(f"{path} is not there. Check the name, or open another.") from error
    except OSError as error:
        raise error_class(f"{path} cannot be read: {error.strerror}. {UNTOUCHED}") from error


def plain(text: str) -> str:
    """msgspec's message with the field first: "`rig.devices[0].channel`: Expected ..."."""
    what, _, where = text.partition(" - at ")
    field = where.strip("`").removeprefix("$").removeprefix(".") or "the top level"
    return f"field `{field}`: {what[0].lower()}{what[1:]}"
