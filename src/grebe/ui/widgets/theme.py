"""Colours and type, in one place for all views."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from importlib.resources import files

from PyQt6.QtGui import QColor, QFont, QFontDatabase, QFontMetricsF

FAMILY = "Barlow Semi Condensed"
WEIGHTS = {
    400: QFont.Weight.Normal,
    500: QFont.Weight.Medium,
    600: QFont.Weight.DemiBold,
    700: QFont.Weight.Bold,
}
CORNER = 6


@dataclass(frozen=True)
class Palette:
    """One theme's colours by role."""

    name: str
    ground: QColor
    panel: QColor
    soft: QColor
    rule: QColor
    ink: QColor
    muted: QColor
    water: QColor
    """Sounding, primary."""
    crest: QColor
    """Yours to do, selection."""
    eye: QColor
    """Wrong."""
    reed: QColor
    """Good."""
    sand: QColor
    """Look at this."""

    @property
    def on_water(self) -> QColor:
        """Text on a surface of water."""
        return self.panel if self.name == "day" else self.ground


def _palette(name: str, *colours: str) -> Palette:
    return Palette(name, *(QColor(c) for c in colours))


DAY = _palette(
    "day", "#EFEBDF", "#F8F5EC", "#E4DFCF", "#D6CFBC", "#1B2B31", "#5A6A6E",
    "#1D6470", "#A4472A", "#BE1E2D", "#5C6C2E", "#8F5C0C",
)  # fmt: skip
"""Reed and sand are darker than first sketched: as text they need 4.5:1 on soft."""
NIGHT = _palette(
    "night", "#0B191E", "#12242A", "#1A323A", "#24404A", "#EDE7D6", "#87A0A5",
    "#56B7BC", "#E58E5E", "#FF5D62", "#AFC46F", "#EBBB58",
)  # fmt: skip
PALETTES = {"day": DAY, "night": NIGHT}


def load_fonts() -> None:
    """Make the packaged fonts known to Qt. Call once, after the application is made."""
    folder = files("grebe.data") / "fonts"
    for weight in WEIGHTS:
        data = (folder / f"barlow-semi-condensed-latin-{weight}-normal.woff").read_bytes()
        QFontDatabase.addApplicationFontFromData(data)


@cache
def font(size_px: float, weight: int = 400) -> QFont:
    """The house font at a size in pixels, with tabular figures. Not to be changed: it is shared."""
    made = QFont(FAMILY)
    made.setPixelSize(max(1, round(size_px)))
    made.setWeight(WEIGHTS[weight])
    # Hinted, the dot of an i melts into its stem at these sizes.
    made.setHintingPreference(QFont.HintingPreference.PreferNoHinting)
    made.setFeature(QFont.Tag("tnum"), 1)
    return made


@cache
def metrics(size_px: float, weight: int = 400) -> QFontMetricsF:
    """Measures of that font."""
    return QFontMetricsF(font(size_px, weight))


def style_sheet(p: Palette) -> str:
    """Styles for the few ready-made widgets in the sheets."""
    return f"""
    QWidget {{ color: {p.ink.name()}; }}
    QSpinBox, QDoubleSpinBox, QLineEdit {{
        background: {p.ground.name()}; border: 1px solid {p.rule.name()};
        border-radius: 4px; padding: 2px 6px; selection-background-color: {p.water.name()};
    }}
    QSpinBox:focus, QDoubleSpinBox:focus, QLineEdit:focus {{ border-color: {p.crest.name()}; }}
    QComboBox {{
        background: {p.ground.name()}; border: 1px solid {p.rule.name()};
        border-radius: 4px; padding: 3px 6px;
    }}
    QComboBox:focus {{ border-color: {p.crest.name()}; }}
    QComboBox::drop-down {{ border: none; width: 14px; }}
    QComboBox QAbstractItemView {{
        background: {p.panel.name()}; border: 1px solid {p.rule.name()};
        selection-background-color: {p.soft.name()}; selection-color: {p.ink.name()};
    }}
    QCheckBox {{ spacing: 8px; }}
    QCheckBox::indicator {{
        width: 14px; height: 14px; border: 1.5px solid {p.water.name()}; border-radius: 4px;
    }}
    QCheckBox::indicator:checked {{ background: {p.water.name()}; }}
    QCheckBox::indicator:indeterminate {{ background: {p.rule.name()}; }}
    QCheckBox:focus {{ color: {p.crest.name()}; }}
    QTableView {{
        background: {p.panel.name()}; border: 1px solid {p.rule.name()}; border-radius: 6px;
        gridline-color: {p.rule.name()}; selection-background-color: {p.soft.name()};
        selection-color: {p.ink.name()};
    }}
    QHeaderView::section {{
        background: {p.panel.name()}; color: {p.muted.name()}; border: none;
        border-bottom: 1px solid {p.rule.name()}; padding: 2px 6px;
    }}
    QTableView::item:focus {{ border: 1px solid {p.crest.name()}; }}
    QTextBrowser, QPlainTextEdit {{
        background: {p.panel.name()}; border: 1px solid {p.rule.name()}; border-radius: 6px;
        padding: 8px;
    }}
    QListWidget {{
        background: {p.ground.name()}; border: 1px solid {p.rule.name()}; border-radius: 4px;
    }}
    QListWidget::item {{ padding: 4px 6px; }}
    QListWidget::item:selected {{ background: {p.soft.name()}; color: {p.crest.name()}; }}
    QScrollBar:vertical {{ background: transparent; width: 10px; }}
    QScrollBar:horizontal {{ background: transparent; height: 10px; }}
    QScrollBar::handle {{
        background: {p.rule.name()}; border-radius: 4px; min-height: 24px; min-width: 24px;
    }}
    QScrollBar::add-line, QScrollBar::sub-line {{ height: 0; width: 0; }}
    QScrollArea {{ border: none; background: transparent; }}
    QAbstractScrollArea::corner {{ background: transparent; border: none; }}
    QMessageBox {{ background: {p.panel.name()}; }}
    QMessageBox QPushButton {{
        background: transparent; color: {p.water.name()}; border: 1px solid {p.water.name()};
        border-radius: 14px; padding: 5px 14px; font-weight: 600;
    }}
    QMessageBox QPushButton:default {{ background: {p.water.name()}; color: {p.on_water.name()}; }}
    QMessageBox QPushButton:focus {{ border: 2px solid {p.crest.name()}; }}
    QToolTip {{ background: {p.panel.name()}; color: {p.ink.name()}; border: none; }}
    """
