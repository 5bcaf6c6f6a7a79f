"""Colours and type, in one place for all views."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from importlib.resources import files

from PyQt6.QtCore import Qt
from PyQt6.QtGui import QColor, QFont, QFontDatabase, QFontMetricsF, QGuiApplication

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
    """Lines that only part one thing from another."""
    edge: QColor
    """Outlines of what can be used: 3:1 on every surface."""
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
    "day", "#EFEBDF", "#F8F5EC", "#E4DFCF", "#D6CFBC", "#807A67", "#1B2B31", "#4E5D61",
    "#1D6470", "#A04428", "#BE1E2D", "#57691E", "#845608",
)  # fmt: skip
"""Every text colour has 4.5:1 and the edge 3:1 on ground, panel and soft (computed by WCAG 2)."""
NIGHT = _palette(
    "night", "#0B191E", "#12242A", "#1A323A", "#24404A", "#5E8290", "#EDE7D6", "#9DB3B8",
    "#56B7BC", "#E58E5E", "#FF6468", "#AFC46F", "#EBBB58",
)  # fmt: skip
PALETTES = {"day": DAY, "night": NIGHT}
BRIGHTNESS = (1.0, 0.88, 0.76)
"""Of Night, in three steps. What it lies on is dimmed more than what is lit: text keeps 4.5:1."""
UNLIT = ("ground", "panel", "soft")


def contrast(one: QColor, other: QColor) -> float:
    """Ratio of two colours' luminances, 1 to 21, as WCAG 2 has it."""
    low, high = sorted((_luminance(one), _luminance(other)))
    return (high + 0.05) / (low + 0.05)


def _luminance(colour: QColor) -> float:
    parts = (colour.redF(), colour.greenF(), colour.blueF())
    lit = [c / 12.92 if c <= 0.04045 else ((c + 0.055) / 1.055) ** 2.4 for c in parts]
    return 0.2126 * lit[0] + 0.7152 * lit[1] + 0.0722 * lit[2]


def _dimmed(colour: QColor, share: float) -> QColor:
    return QColor.fromRgbF(colour.redF() * share, colour.greenF() * share, colour.blueF() * share)


@cache
def night(step: int) -> Palette:
    """Night at one of its brightnesses, 0 the brightest. No text or edge is dimmed so far that it
    could not be read on the lightest of its surfaces."""
    share = BRIGHTNESS[step]
    if share == 1.0:
        return NIGHT
    soft = _dimmed(NIGHT.soft, share**3)
    fields: dict[str, QColor] = {}
    for name, colour in vars(NIGHT).items():
        if name == "name":
            continue
        by = share**3 if name in UNLIT else share
        least = 0.0 if name in UNLIT else 3.05 if name in ("rule", "edge") else 4.55
        while name != "rule" and by < 1 and contrast(_dimmed(colour, by), soft) < least:
            by = min(1.0, by + 0.01)
        fields[name] = _dimmed(colour, by)
    return Palette(f"night {step}", **fields)


def chosen_palette(theme: str) -> Palette:
    """The theme that was chosen; of the desktop's own, light is Day."""
    if theme != "desktop":
        return PALETTES[theme]
    hints = QGuiApplication.styleHints()
    dark = hints is not None and hints.colorScheme() == Qt.ColorScheme.Dark
    return NIGHT if dark else DAY


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
    """Styles for ready-made widgets: each kind of control has its own form.

    A number or text is a line under it, a list an edge all round, a tick a box; what has the
    focus has an edge in the colour of the hand.
    """
    panel, soft, rule, edge = (c.name() for c in (p.panel, p.soft, p.rule, p.edge))
    icons = str(files("grebe.data") / "icons")
    theme = p.name.partition(" ")[0]
    up, down, tick = (f"{icons}/{what}-{theme}.svg" for what in ("up", "down", "tick"))
    ink, muted, water, crest = (c.name() for c in (p.ink, p.muted, p.water, p.crest))
    return f"""
    QWidget {{ color: {ink}; }}
    QAbstractSpinBox, QLineEdit {{
        background: {panel}; border: none; border-bottom: 2px solid {edge}; border-radius: 0;
        padding: 3px 6px; min-height: 20px; selection-background-color: {water};
        selection-color: {p.on_water.name()};
    }}
    QAbstractSpinBox:focus, QLineEdit:focus {{
        border: 2px solid {crest}; padding: 1px 4px 3px 4px;
    }}
    QLineEdit[wrong="true"], QAbstractSpinBox[wrong="true"] {{
        border-bottom-color: {p.eye.name()};
    }}
    QAbstractSpinBox QLineEdit {{ border: none; background: transparent; padding: 0; }}
    QAbstractSpinBox::up-button, QAbstractSpinBox::down-button {{
        width: 16px; border: none; background: transparent;
    }}
    QAbstractSpinBox::up-arrow {{ image: url({up}); width: 10px; height: 8px; }}
    QAbstractSpinBox::down-arrow {{ image: url({down}); width: 10px; height: 8px; }}
    QComboBox::down-arrow {{ image: url({down}); width: 10px; height: 10px; }}
    QComboBox {{
        background: {panel}; border: 1px solid {edge}; border-radius: 4px; padding: 3px 6px;
        min-height: 20px;
    }}
    QComboBox:focus {{ border: 2px solid {crest}; padding: 2px 5px; }}
    QComboBox::drop-down {{ border: none; width: 18px; }}
    QComboBox QAbstractItemView {{
        background: {panel}; border: 1px solid {edge};
        selection-background-color: {soft}; selection-color: {ink};
    }}
    QCheckBox {{ spacing: 8px; min-height: 22px; }}
    QCheckBox::indicator, QTreeView::indicator, QTableView::indicator, QListView::indicator {{
        width: 16px; height: 16px; border: 2px solid {edge}; border-radius: 4px;
        background: {panel};
    }}
    QCheckBox::indicator:checked, QTreeView::indicator:checked, QTableView::indicator:checked,
    QListView::indicator:checked {{
        background: {water}; border-color: {water}; image: url({tick});
    }}
    QCheckBox::indicator:indeterminate {{ background: {rule}; }}
    QCheckBox:focus {{ color: {crest}; }}
    QCheckBox::indicator:focus {{ border-color: {crest}; }}
    QLabel#group {{ font-weight: 600; font-size: 16px; }}
    QLabel#title {{ font-weight: 600; font-size: 26px; }}
    QLabel#unit {{ background: transparent; }}
    QLabel#why {{ color: {muted}; font-size: 12px; }}
    QLabel#wrong {{ color: {p.eye.name()}; }}
    QTabBar {{ background: transparent; border: none; }}
    QTabBar::tab {{
        background: transparent; color: {muted}; border: none; padding: 6px 2px 4px 2px;
        margin-right: 18px; border-bottom: 3px solid transparent; font-size: 16px;
    }}
    QTabBar::tab:selected {{ color: {ink}; font-weight: 600; border-bottom-color: {water}; }}
    QTabBar::tab:focus:selected {{ border-bottom-color: {crest}; color: {crest}; }}
    QTableView, QTreeView {{
        background: {panel}; border: 1px solid {edge}; border-radius: 6px;
        gridline-color: {rule}; selection-background-color: {soft};
        selection-color: {ink}; alternate-background-color: {panel};
    }}
    QTableView:focus, QTreeView:focus, QListView:focus {{ border: 2px solid {crest}; }}
    QTableView#drawn, QTableView#drawn:focus {{
        border: none; background: transparent; border-radius: 0;
    }}
    QHeaderView::section {{
        background: {panel}; color: {muted}; border: none;
        border-bottom: 1px solid {rule}; padding: 2px 6px;
    }}
    QTableView::item:focus {{ border: 1px solid {crest}; }}
    QTextBrowser, QPlainTextEdit {{
        background: {panel}; border: 1px solid {rule}; border-radius: 6px; padding: 8px;
    }}
    QTextBrowser:focus, QPlainTextEdit:focus {{ border: 2px solid {crest}; padding: 7px; }}
    QListView {{
        background: {panel}; border: 1px solid {edge}; border-radius: 4px; outline: none;
    }}
    QListView::item {{ padding: 4px 6px; }}
    QListView::item:selected {{ background: {soft}; color: {ink}; }}
    QScrollBar:vertical {{ background: transparent; width: 8px; }}
    QScrollBar:horizontal {{ background: transparent; height: 8px; }}
    QScrollBar::handle {{
        background: {edge}; border-radius: 3px; min-height: 24px; min-width: 24px; margin: 1px;
    }}
    QScrollBar::add-line, QScrollBar::sub-line {{ height: 0; width: 0; }}
    QScrollArea {{ border: none; background: transparent; }}
    QAbstractScrollArea::corner {{ background: transparent; border: none; }}
    QMenuBar {{ background: {panel}; color: {ink}; border-bottom: 1px solid {rule}; }}
    QMenuBar::item {{ background: transparent; padding: 5px 10px; }}
    QMenuBar::item:selected {{ background: {soft}; }}
    QMenu {{ background: {panel}; color: {ink}; border: 1px solid {edge}; padding: 4px 0; }}
    QMenu::item {{ padding: 5px 26px 5px 16px; }}
    QMenu::item:selected {{ background: {soft}; color: {ink}; }}
    QMenu::item:disabled {{ color: {muted}; }}
    QMenu::separator {{ height: 1px; background: {rule}; margin: 4px 0; }}
    QDialog, QMessageBox {{ background: {panel}; }}
    QMessageBox QPushButton, QDialog QPushButton {{
        background: {soft}; color: {ink}; border: 1px solid {edge};
        border-radius: 6px; padding: 5px 14px; font-weight: 600;
    }}
    QMessageBox QPushButton:default {{ background: {water}; color: {p.on_water.name()}; }}
    QMessageBox QPushButton:focus, QDialog QPushButton:focus {{ border: 2px solid {crest}; }}
    QToolTip {{ background: {panel}; color: {ink}; border: 1px solid {edge}; padding: 3px 6px; }}
    """
