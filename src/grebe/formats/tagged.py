"""Our JSON files that say with `format` and `schema` which they are: profiles, notes on gear."""

from __future__ import annotations

from pathlib import Path
from typing import Any, NamedTuple, TypeVar

import msgspec

from grebe.errors import GrebeError
from grebe.formats.atomic import write_atomic
from grebe.formats.reading import UNTOUCHED, plain

_T = TypeVar("_T")


class Tag(NamedTuple):
    """Which of them."""

    format: str
    schema: int
    choose: str
    """What to choose instead of a file that is none, for the message."""
    error_class: type[GrebeError]
    """What is raised with any of them, always with what the file is called."""

    def fields(self, data: bytes, name: str) -> dict[str, Any]:
        """All fields but those two. Raises for another format or schema; bytes that are no JSON
        raise what msgspec does."""
        tree = msgspec.json.decode(data)
        if not isinstance(tree, dict) or tree.get("format") != self.format:
            raise self.error_class(
                f"{name}: field `format` should be {self.format!r}. It may be another file; "
                f"choose {self.choose}. {UNTOUCHED}"
            )
        if tree.get("schema") != self.schema:
            raise self.error_class(
                f"{name}: field `schema` should be {self.schema} (got {tree.get('schema')!r}). "
                f"{UNTOUCHED}"
            )
        return {key: value for key, value in tree.items() if key not in ("format", "schema")}

    def converted(self, value: object, to: type[_T], name: str) -> _T:
        """What was read as a type of ours. Raises with the field that is wrong."""
        try:
            return msgspec.convert(value, to)
        except msgspec.ValidationError as error:
            raise self.error_class(
                f"{name}: {plain(str(error))}. Mend the field. {UNTOUCHED}"
            ) from error

    def bytes_of(self, fields: dict[str, Any]) -> bytes:
        """Such a file."""
        tree = {"format": self.format, "schema": self.schema, **fields}
        return msgspec.json.format(msgspec.json.encode(tree), indent=1) + b"\n"

    def write(self, path: Path, data: bytes) -> None:
        """Write such a file, with the folder it is in. Raises when it cannot be."""
        try:
            path.parent.mkdir(parents=True, exist_ok=True)
            write_atomic(path, data, keep_last=True)
        except OSError as error:
            raise self.error_class(f"{path} could not be saved: {error.strerror}.") from error
