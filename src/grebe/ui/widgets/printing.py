"""HTML onto paper: through the system's print dialog, or as a PDF by Qt's own text layout, without
a screen."""

from __future__ import annotations

from pathlib import Path
from typing import Literal

from PyQt6.QtCore import QBuffer, QIODevice, QLocale, QMarginsF, QRectF, QSizeF, pyqtSignal
from PyQt6.QtGui import (
    QFont,
    QPagedPaintDevice,
    QPageLayout,
    QPageSize,
    QPainter,
    QPdfWriter,
    QTextDocument,
)
from PyQt6.QtPrintSupport import QPrintDialog, QPrinter, QPrintPreviewWidget
from PyQt6.QtWidgets import QDialog, QHBoxLayout, QVBoxLayout, QWidget

from grebe.app.settings import Paper, read_settings
from grebe.formats.atomic import write_atomic
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.sheet_html import for_qt, size_percent
from grebe.ui.widgets.theme import FAMILY
from grebe.words import tr

MARGIN_MM = 14.0
RESOLUTION = 300
BASE_PT = 10.0
"""Qt sizes headings from it, whatever a style sheet says: twice and one and a half times."""
SIZES: dict[Literal["A4", "Letter"], QPageSize.PageSizeId] = {
    "A4": QPageSize.PageSizeId.A4, "Letter": QPageSize.PageSizeId.Letter,
}  # fmt: skip


def paper_size(paper: Paper | None = None) -> QPageSize:
    """The size of a sheet: as wanted or set, else as is usual in this country."""
    wanted = paper or read_settings().paper
    if wanted == "usual":
        system = QLocale.system().measurementSystem()
        wanted = "Letter" if system == QLocale.MeasurementSystem.ImperialUSSystem else "A4"
    return QPageSize(SIZES[wanted])


def html_to_pdf(html: str, path: Path, title: str, paper: Paper | None = None) -> None:
    """Write a PDF, atomically. OSError when it cannot be written.

    An application has to be there, with the packaged fonts loaded.
    """
    from grebe.ui.widgets.pdf_tags import tagged  # noqa: PLC0415 - for a sheet

    buffer = QBuffer()
    buffer.open(QIODevice.OpenModeFlag.WriteOnly)
    writer = QPdfWriter(buffer)
    writer.setTitle(title)
    writer.setCreator("Grebe")
    writer.setResolution(RESOLUTION)
    _lay_out(writer, paper)
    document = _print(html, writer)
    made = tagged(buffer.data().data(), document, html, writer.height())
    del document  # laid out for the writer, which writes into the buffer: each goes before the next
    del writer
    write_atomic(path, made)


def print_html(parent: QWidget, html: str, title: str) -> bool:
    """Print through the system's dialog, which has the printers, and a file, to choose from;
    whether it was printed."""
    printer = QPrinter(QPrinter.PrinterMode.HighResolution)
    printer.setDocName(title)
    printer.setCreator("Grebe")
    _lay_out(printer, None)
    dialog = QPrintDialog(printer, parent)
    dialog.setWindowTitle(tr("Print: {title}", title=title))
    if dialog.exec() != QPrintDialog.DialogCode.Accepted:
        return False
    _print(html, printer)
    return True


class PagePreview(QDialog):
    """A sheet page by page, as it would be printed. One window for all of a station's."""

    wanted = pyqtSignal()
    """It is to be printed."""

    def __init__(self, parent: QWidget) -> None:
        super().__init__(parent)
        self._html = ""
        self._printer = QPrinter(QPrinter.PrinterMode.HighResolution)
        self.pages = QPrintPreviewWidget(self._printer, self)
        self.pages.paintRequested.connect(self._paint)
        self.pages.setAccessibleName(tr("The sheet, page by page"))
        column = QVBoxLayout(self)
        column.addWidget(self.pages, 1)
        row = QHBoxLayout()
        for words, does in (
            (tr("Larger"), self.pages.zoomIn), (tr("Smaller"), self.pages.zoomOut),
            (tr("Print"), self.wanted.emit), (tr("Close"), self.hide),
        ):  # fmt: skip
            button = Button(words, primary=does == self.wanted.emit)
            button.clicked.connect(lambda _, act=does: act())
            row.addWidget(button)
        column.addLayout(row)
        self.resize(900, 720)

    def show_sheet(self, html: str, title: str) -> None:
        """Show this one."""
        self._html = html
        self._printer.setDocName(title)
        _lay_out(self._printer, None)
        self.setWindowTitle(tr("As it is printed: {title}", title=title))
        self.show()
        self.pages.updatePreview()

    def _paint(self, device: QPrinter) -> None:
        _print(self._html, device)


def _lay_out(device: QPagedPaintDevice, paper: Paper | None) -> None:
    device.setPageSize(paper_size(paper))
    margins = QMarginsF(MARGIN_MM, MARGIN_MM, MARGIN_MM, MARGIN_MM)
    device.setPageMargins(margins, QPageLayout.Unit.Millimeter)


def _print(html: str, device: QPrinter | QPdfWriter) -> QTextDocument:
    """Lay it out for this device and draw page after page; what was laid out, which needs it.

    Not by `QTextDocument.print`: that lays out for a screen and scales, so that sizes set on a
    heading come out at a third, and words are broken by the widths they have on a screen.
    """
    document = QTextDocument()
    document.setDefaultFont(paper_font(size_percent(html)))
    layout = document.documentLayout()
    assert layout is not None
    layout.setPaintDevice(device)
    document.setDocumentMargin(0)
    page = QSizeF(device.width(), device.height())
    document.setPageSize(page)  # first, or it is all laid out twice
    document.setHtml(for_qt(html))
    painter = QPainter(device)
    for number in range(document.pageCount()):
        if number:
            device.newPage()
        painter.save()
        top = number * page.height()
        painter.translate(0, -top)
        document.drawContents(painter, QRectF(0, top, page.width(), page.height()))
        painter.restore()
    painter.end()
    return document


def paper_font(percent: int = 100) -> QFont:
    """The packaged type as it is in the file: figures of one width and ligatures are other glyphs,
    which a PDF's reader cannot take for the characters they stand for."""
    made = QFont(FAMILY)
    made.setPointSizeF(BASE_PT * percent / 100)
    if hasattr(made, "setFeature"):  # Qt 6.7
        for feature in ("liga", "clig", "dlig"):
            made.setFeature(QFont.Tag(feature), 0)
    return made
