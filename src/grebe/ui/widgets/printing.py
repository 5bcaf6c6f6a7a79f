"""HTML onto paper: a PDF by Qt's own text layout, without a screen."""

from __future__ import annotations

from pathlib import Path

from PyQt6.QtCore import QBuffer, QIODevice, QMarginsF
from PyQt6.QtGui import QPageLayout, QPageSize, QPdfWriter, QTextDocument

from grebe.formats.atomic import write_atomic

MARGIN_MM = 14.0
RESOLUTION = 300


def html_to_pdf(html: str, path: Path, title: str) -> None:
    """Write a PDF on A4, atomically. OSError when it cannot be written.

    An application has to be there, with the packaged fonts loaded.
    """
    buffer = QBuffer()
    buffer.open(QIODevice.OpenModeFlag.WriteOnly)
    writer = QPdfWriter(buffer)
    writer.setTitle(title)
    writer.setCreator("Grebe")
    writer.setResolution(RESOLUTION)
    writer.setPageSize(QPageSize(QPageSize.PageSizeId.A4))
    margins = QMarginsF(MARGIN_MM, MARGIN_MM, MARGIN_MM, MARGIN_MM)
    writer.setPageMargins(margins, QPageLayout.Unit.Millimeter)
    document = QTextDocument()
    document.setHtml(html)
    document.print(writer)
    del writer  # it writes its last when it goes
    write_atomic(path, buffer.data().data())
