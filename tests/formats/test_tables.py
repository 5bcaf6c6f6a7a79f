"""Tables as other people's programs write them; what a spreadsheet does to them is made here."""

from __future__ import annotations

import csv
import io
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from grebe.formats.events import read_events
from grebe.formats.sets_csv import read_set_csv, read_set_file
from grebe.formats.tables import decoded, delimiter_of, number, numbered, rows_of, whole
from tests.core.test_sets import three_songs

ROWS = [["Source", "Seconds"], ["Smew, left", "0.5"], ['say "ah"', "1.25"], ["Knot", "2"]]


def written(rows: list[list[str]], delimiter: str, encoding: str) -> bytes:
    text = io.StringIO()
    csv.writer(text, delimiter=delimiter).writerows(rows)
    return text.getvalue().encode(encoding)


@pytest.mark.parametrize("encoding", ["utf-8", "utf-8-sig", "utf-16", "utf-16-le", "cp1252"])
@pytest.mark.parametrize("delimiter", [",", ";", "\t"])
def test_every_dialect_is_the_same_table(encoding: str, delimiter: str, tmp_path: Path) -> None:
    """Byte order mark, UTF-16, semicolon and tab, quotes, headings in another case, and decimals
    with a comma where columns are parted otherwise."""
    rows = ROWS if delimiter == "," else [[a, b.replace(".", ",")] for a, b in ROWS]
    data = written(rows, delimiter, encoding)
    assert rows_of(decoded(data)) == rows
    path = tmp_path / "x.csv"
    path.write_bytes(data)
    found = read_events(path)
    assert list(found) == ["Smew, left", 'say "ah"', "Knot"]
    assert [float(times[0]) for times in found.values()] == [0.5, 1.25, 2.0]


@given(
    st.lists(
        st.lists(st.text(st.characters(codec="utf-8", exclude_characters="\r\n\0"), max_size=8),
                 min_size=3, max_size=3),
        min_size=2, max_size=6,
    )
)  # fmt: skip
def test_what_a_writer_of_csv_writes_is_read(rows: list[list[str]]) -> None:
    """Any cells, in any dialect whose columns are as many in each line."""
    stripped = [[cell.strip() for cell in row] for row in rows]
    for delimiter in ",;\t":
        text = io.StringIO()
        csv.writer(text, delimiter=delimiter, quoting=csv.QUOTE_ALL).writerows(stripped)
        assert delimiter_of(text.getvalue()) == delimiter
        assert rows_of(text.getvalue()) == stripped


def test_numbers_as_a_spreadsheet_has_them() -> None:
    assert (number("1,5"), number("1.5"), number("\u22122"), number("3\u00a0")) == (1.5, 1.5, -2, 3)
    assert (whole("8.0"), whole("8,0"), whole(" 8 ")) == (8, 8, 8)
    for wrong in ("8.5", "eight", "nan", "inf", "", "1,2,3"):
        with pytest.raises(ValueError, match=r".*"):
            whole(wrong)
    with pytest.raises(ValueError, match="no number"):
        number("inf")


def test_lines_keep_their_numbers() -> None:
    assert numbered("a,b\n\n\nc,d\n") == [(1, ["a", "b"]), (4, ["c", "d"])]


def test_a_set_out_of_a_spreadsheet(tmp_path: Path) -> None:
    """Semicolons, a mark, capitals, 8.0 for 8 and decimal commas: the same set."""
    project = three_songs()
    base = project.sets[0]
    first, second = project.songs[0].name, project.songs[1].name
    text = f"Song;Into;Ramp_Bars;Gap_S;Pinned\n{first};Ramp;8.0;1,5;Yes\n\n{second};;;;\n"
    plain = f"song,into,ramp_bars,gap_s,pinned\n{first},ramp,8,1.5,yes\n{second},,,,\n"
    path = tmp_path / "set.csv"
    path.write_bytes(text.encode("utf-16"))
    assert read_set_file(path, project, base) == read_set_csv(plain, project, base)
    assert read_set_file(path, project, base).songs[0].ramp_bars == 8
