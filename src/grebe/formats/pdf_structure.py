"""What a PDF's text is (headings, paragraphs, cells of tables), put into one that Qt wrote.

Qt's writer draws; it says nothing of what it draws, so that a screen reader has no headings to go
by and no rows. The lines of its content streams are known (``BT`` to ``ET`` a run of text, each
with its place), and the document that was laid out knows what stands at a place. Structure, marked
content and the parent tree are those of ISO 32000-1, 14.6 to 14.8.
"""

from __future__ import annotations

import re
from collections import Counter
from collections.abc import Callable, Collection, Iterator, Sequence
from functools import partial
from io import BytesIO
from itertools import groupby
from typing import Literal, NamedTuple, cast

from pypdf import PageObject, PdfReader, PdfWriter
from pypdf.generic import (
    ArrayObject,
    BooleanObject,
    DictionaryObject,
    IndirectObject,
    NameObject,
    NumberObject,
    PdfObject,
    StreamObject,
    TextStringObject,
)

Kind = Literal["H1", "H2", "H3", "P", "TH", "TD"]


class PaperLine(NamedTuple):
    """A line that was written as one, in the order they are read in; a cell has one or more."""

    kind: Kind
    text: str
    table: int = -1
    """Which table it stands in; -1 in none."""
    row: int = 0
    cell: int = 0


LineAt = Callable[[int, float, float], int | None]
"""Page (from 0), and place on it in dots of the writer, from its margins: which piece is there;
None for what lies outside the page, where nobody sees it."""

TAB, SPACE = b"<0009>", b"<0020>"
_CHARACTERS = re.compile(rb"\[[^\]]*\]")
ENDS = b"\nET\n"
"""What a run of text ends with."""
Place = tuple[float, float]
_PARTS = re.compile(
    rb"^(?:(?P<run>BT\n.*Tm\n(?P<x>\S+) (?P<y>\S+) Td)"
    rb"|(?P<path>[-\d].* (?:m|re)\n(?:[-\d].* (?:m|l|c|re)\n|h\n)*(?:f\*?|S|s|B\*?|b\*?)\n)"
    rb"|(?P<state>[qQ](?: [qQ])*\n)"
    rb"|(?P<move>[-\d].*) cm\n)",
    re.MULTILINE,
)
"""What counts in a content stream of Qt's writer, which has an operator or a few a line."""


def with_structure(
    pdf: bytes, pieces: Sequence[PaperLine], piece_at: LineAt, language: str
) -> bytes:
    """The same file, tagged. `language` is a code such as "en"."""
    writer = PdfWriter(clone_from=PdfReader(BytesIO(pdf)))
    writer.pdf_header = "%PDF-1.7"
    marks: list[list[int]] = []
    """By page, by number of the marked content: the piece it is of."""
    wrapped: set[int] = set()
    for number, page in enumerate(writer.pages):
        contents = cast(StreamObject, page["/Contents"])
        made = _Marked(contents.get_data(), partial(piece_at, number), pieces)
        contents.set_data(made.data)
        marks.append(made.marks)
        wrapped |= made.wrapped
        _spaces(page)
        page[NameObject("/StructParents")] = NumberObject(number)
        page[NameObject("/Tabs")] = NameObject("/S")
    times = Counter(piece for page in marks for piece in page)
    wrapped |= {piece for piece, count in times.items() if count > 1}  # over pages, too
    _Tree(writer, pieces, marks, wrapped).put(language)
    out = BytesIO()
    writer.write(out)
    return out.getvalue()


def _spaces(page: PageObject) -> None:
    """Qt says of the glyph of a space that it is a tab, which is what a reader would copy."""
    resources = cast(DictionaryObject, page["/Resources"])
    for font in cast(DictionaryObject, resources.get("/Font", {})).values():
        said = font.get_object().get("/ToUnicode")
        if said is not None:
            told = cast(StreamObject, said.get_object())
            data = _CHARACTERS.sub(lambda row: row[0].replace(TAB, SPACE), told.get_data())
            told.set_data(data)


class _Marked:
    """A content stream with its text marked by pieces, and what else is painted as no content."""

    def __init__(
        self, data: bytes, at: Callable[[float, float], int | None], pieces: Sequence[PaperLine]
    ) -> None:
        self.marks: list[int] = []
        """By number of the marked content: the piece it is of."""
        self.wrapped: set[int] = set()
        """Pieces that go over more than one line: the space where they break is not drawn."""
        self._pieces = pieces
        self._held: int | None = None
        """The piece that is open."""
        self._out: list[bytes] = []
        line = 0.0
        for kind, words, place in _parts(data):
            if kind == "run":
                piece = at(*place)
                if piece is None:
                    continue
                if piece == self._held and place[1] != line:
                    self.wrapped.add(piece)
                self._open(piece)
                line = place[1]
                self._out.append(words)
            elif kind == "path":
                self._close()
                self._out += [b"/Artifact BMC\n", words, b"EMC\n"]
            else:
                self._out.append(words)
        self._close()
        self.data = b"".join(self._out)

    def _open(self, piece: int) -> None:
        if piece != self._held:
            self._close()
            self._held = piece
            kind = self._pieces[piece].kind.encode()
            self._out.append(b"/%s <</MCID %d>> BDC\n" % (kind, len(self.marks)))
            self.marks.append(piece)

    def _close(self) -> None:
        if self._held is not None:
            self._out.append(b"EMC\n")
        self._held = None


def _parts(data: bytes) -> Iterator[tuple[str, bytes, Place]]:
    """Runs of text with where they begin; paths that are painted; what is between them."""
    moved, kept = (0.0, 0.0), [(0.0, 0.0)]
    in_margins = False
    """Whether the move into the margins has been; places are counted from there."""
    done = at = 0
    while (part := _PARTS.search(data, at)) is not None:
        at = part.end()
        if part.lastgroup in ("run", "path"):
            yield "", data[done : part.start()], moved
            if part.lastgroup == "run":
                at = data.index(ENDS, at) + len(ENDS)
                x, y = float(part["x"]), float(part["y"])
                yield "run", data[part.start() : at], (moved[0] + x, moved[1] - y)
            else:
                yield "path", part[0], moved
            done = at
        elif part.lastgroup == "move":
            if in_margins:
                x, y = map(float, part["move"].split()[4:6])
                moved = (moved[0] + x, moved[1] + y)
            in_margins = True
        else:
            for word in part[0].split():
                if word == b"q":
                    kept.append(moved)
                elif kept:
                    moved = kept.pop()
    yield "", data[done:], moved


class _Tree:
    """The structure tree, and from each marked content to what it belongs to."""

    def __init__(
        self, writer: PdfWriter, pieces: Sequence[PaperLine], marks: Sequence[Sequence[int]],
        wrapped: Collection[int],
    ) -> None:  # fmt: skip
        self._writer, self._pieces, self._marks = writer, pieces, marks
        self._wrapped = wrapped
        self._of: dict[int, IndirectObject] = {}
        """The element of each piece."""
        self._inside: dict[IndirectObject, ArrayObject] = {}
        """What each element holds."""

    def put(self, language: str) -> None:
        """Make it the file's."""

        inside = ArrayObject()
        tree = _object(Type="/StructTreeRoot", K=inside)
        root = _add(self._writer, tree)
        self._inside[root] = inside
        whole = self._element("Document", root)
        seen = {piece for page in self._marks for piece in page}
        numbered = [(n, p) for n, p in enumerate(self._pieces) if n in seen or p.table >= 0]
        for table, rows in groupby(numbered, key=lambda one: one[1].table):
            if table < 0:
                for number, piece in rows:
                    self._of[number] = self._element(piece.kind, whole)
            else:
                self._table(self._element("Table", whole), rows)
        tree[NameObject("/ParentTree")] = self._parents()
        for number in self._wrapped:
            element = cast(DictionaryObject, self._of[number].get_object())
            element[NameObject("/ActualText")] = TextStringObject(self._pieces[number].text)
        catalog = self._writer.root_object
        catalog[NameObject("/StructTreeRoot")] = root
        catalog[NameObject("/MarkInfo")] = _object(Marked=BooleanObject(True))
        catalog[NameObject("/Lang")] = TextStringObject(language)
        shown = _object(DisplayDocTitle=BooleanObject(True))
        catalog[NameObject("/ViewerPreferences")] = shown

    def _table(self, table: IndirectObject, cells: Iterator[tuple[int, PaperLine]]) -> None:
        for _, row in groupby(cells, key=lambda one: one[1].row):
            line = self._element("TR", table)
            for _, blocks in groupby(row, key=lambda one: one[1].cell):
                numbers = list(blocks)
                kind = numbers[0][1].kind
                cell = self._element(kind, line)
                if kind == "TH":
                    heads = cast(DictionaryObject, cell.get_object())
                    heads[NameObject("/A")] = _object(O="/Table", Scope="/Column")
                for number, _ in numbers:
                    self._of[number] = cell if len(numbers) == 1 else self._element("P", cell)

    def _element(self, kind: str, parent: IndirectObject) -> IndirectObject:
        """A part of the document, inside of another."""
        inside = ArrayObject()
        made = _add(self._writer, _object(S=f"/{kind}", P=parent, K=inside))
        self._inside[parent].append(made)
        self._inside[made] = inside
        return made

    def _parents(self) -> IndirectObject:
        """By page: the element of each of its marked contents."""
        numbers = ArrayObject()
        for number, (page, marks) in enumerate(zip(self._writer.pages, self._marks, strict=True)):
            on = page.indirect_reference
            assert on is not None
            for mark, piece in enumerate(marks):
                self._mark(self._of[piece], on, NumberObject(mark))
            numbers.append(NumberObject(number))
            numbers.append(_add(self._writer, ArrayObject(self._of[piece] for piece in marks)))
        return _add(self._writer, _object(Nums=numbers))

    def _mark(self, element: IndirectObject, page: IndirectObject, mark: NumberObject) -> None:
        """What is marked belongs to an element; one that goes over pages says where."""
        found = cast(DictionaryObject, element.get_object())
        held = found.setdefault(NameObject("/Pg"), page)
        inside = self._inside[element]
        inside.append(mark if held == page else _object(Type="/MCR", Pg=page, MCID=mark))


def _add(writer: PdfWriter, made: PdfObject) -> IndirectObject:
    """An object of its own in the file. (pypdf has no other way to a new one.)"""
    return writer._add_object(made)


def _object(**values: PdfObject | str | None) -> DictionaryObject:

    made = DictionaryObject()
    for key, value in values.items():
        assert value is not None
        made[NameObject(f"/{key}")] = NameObject(value) if isinstance(value, str) else value
    return made
