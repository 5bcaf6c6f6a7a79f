"""Settings: one page, searchable, every row saying what it does."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from functools import partial

from PyQt6.QtCore import Qt, pyqtSignal
from PyQt6.QtWidgets import (
    QCheckBox,
    QGridLayout,
    QLabel,
    QLineEdit,
    QScrollArea,
    QWidget,
)

from grebe.app.choices import CHOICES, Choice
from grebe.app.editors.rig_device import DeviceEdits
from grebe.app.editors.rig_hand import RigHand
from grebe.app.editors.scene_form import SCHOOLS, SceneForm
from grebe.app.editors.scene_hand import SceneHand
from grebe.app.live.session import Session
from grebe.app.settings import Settings, read_settings, with_choice, write_settings
from grebe.errors import GrebeError
from grebe.process.places import read_back
from grebe.ui.main_window.overlay import PageOverlay
from grebe.ui.widgets.controls import Button
from grebe.ui.widgets.fields import ListField, mark_wrong
from grebe.words import LANGUAGES, tr

PERFORMER: tuple[tuple[str, str, str], ...] = (
    ("hands", tr("Hands"), tr("Free to make moves, 0 to 2. Kept in this project.")),
    ("feet", tr("Free feet"), tr("For pedals: one stands. Kept in this project.")),
    (
        "unchanged_bars",
        tr("Bars unchanged"),
        tr("A longer stretch is found. Kept in this project."),
    ),
    ("school", tr("Form"), tr("Whose advice on form is wanted. Kept in this project.")),
)
TOLERANCE = (
    "tolerance", tr("Tolerance of all boxes"),
    tr("In ms: one that is farther off is named on the waterline. Each has its "
"own in Rig."),
)  # fmt: skip
Control = QLineEdit | ListField | QCheckBox | Button | QLabel


class SettingsPage(PageOverlay):
    """Rows in groups; what does not have the words typed is hidden."""

    changed = pyqtSignal(object)
    """The settings, after one was changed."""

    def __init__(self, parent: QWidget, session: Session, do: Callable[[str], None]) -> None:
        """`do` does an action by its id."""
        super().__init__(parent, tr("Settings"))
        self._session, self._do = session, do
        self._form = SceneForm(SceneHand(session))
        self._boxes = DeviceEdits(RigHand(session))
        self.field = QLineEdit()
        self.field.setPlaceholderText(tr("Search"))
        self.field.setAccessibleName(tr("Search the settings"))
        self.field.textChanged.connect(self._search)
        self._inside = QWidget()
        self._grid = QGridLayout(self._inside)
        self._grid.setColumnMinimumWidth(0, 190)
        self._grid.setColumnMinimumWidth(1, 210)
        self._grid.setColumnStretch(2, 1)
        self._grid.setVerticalSpacing(8)
        area = QScrollArea()
        area.setWidgetResizable(True)
        area.setWidget(self._inside)
        for part in (self._inside, area.viewport()):
            if part is not None:
                part.setAutoFillBackground(False)
        self.column.addWidget(self.field)
        self.column.addWidget(area, 1)
        self.controls: dict[str, Control] = {}
        self._rows: list[tuple[str, list[QWidget]]] = []
        self._fill()

    def _fill(self) -> None:
        group = ""
        for choice in CHOICES:
            if choice.group != group:
                group = choice.group
                self._head(tr(group))
            self._row(choice.key, choice.title, choice.does, self._control(choice),
                      f"{tr(choice.group)} {choice.words}")  # fmt: skip
        self.priority = QLabel()
        self._row("priority", tr("Priority of the engine"), "", self.priority,
                  tr("real-time realtime fifo latency"))  # fmt: skip
        self._head(tr("Keys"))
        keys = Button(tr("Change the keys"))
        keys.clicked.connect(partial(self._do, "change_keys"))
        self._row(
            "keys", tr("Keys"), tr("Every action with its keys; files of keys."), keys, "shortcuts"
        )
        pedals = Button(tr("Controllers and pedals"))
        pedals.clicked.connect(partial(self._do, "pane_controls"))
        self._row(
            "pedals",
            tr("Pedals"),
            tr("What controllers, pedals and computer keys do on Stage. Kept in this project."),
            pedals,
            tr("feet footswitch midi learn"),
        )
        self._head(tr("Hands, feet and tolerances"))
        for key, title, does in PERFORMER:
            self._row(key, title, does, self._performer(key), tr("you performer"))
        line = QLineEdit()
        line.editingFinished.connect(partial(self._tolerance, line))
        self._row(*TOLERANCE, line, tr("ms off late early"))

    def _head(self, words: str) -> None:
        label = QLabel(words)
        label.setObjectName("group")
        self._grid.addWidget(label, self._grid.rowCount(), 0, 1, 3)
        self._rows.append((words.casefold(), [label]))

    def _row(self, key: str, title: str, does: str, control: Control, words: str) -> None:
        at = self._grid.rowCount()
        label, explains = QLabel(title), QLabel(does)
        explains.setWordWrap(True)
        explains.setObjectName(f"{key} explained")
        control.setAccessibleName(title)
        control.setAccessibleDescription(does)
        self._grid.addWidget(label, at, 0, Qt.AlignmentFlag.AlignTop)
        self._grid.addWidget(control, at, 1, Qt.AlignmentFlag.AlignTop)
        self._grid.addWidget(explains, at, 2)
        self.controls[key] = control
        self._rows.append((f"{title} {does} {words}".casefold(), [label, control, explains]))

    def _control(self, choice: Choice) -> Control:
        default = getattr(Settings(), choice.key)
        if isinstance(default, bool):
            tick = QCheckBox()
            tick.clicked.connect(
                lambda on, key=choice.key: self._set(key, "yes" if on else "no")
            )  # fmt: skip
            return tick
        if choice.choices:
            return _list(choice.choices, partial(self._set, choice.key))
        line = QLineEdit()
        line.editingFinished.connect(
            lambda key=choice.key, line=line: self._set(key, line.text())
        )  # fmt: skip
        return line

    def _performer(self, key: str) -> Control:
        if key == "school":
            return _list(SCHOOLS, partial(self._set_performer, key))
        line = QLineEdit()
        line.editingFinished.connect(lambda: self._set_performer(key, line.text()))
        return line

    def open(self) -> None:
        """Show everything as it is."""
        self.below.setText(tr("Kept on this computer, where nothing else is said."))
        self.show_all()
        self.field.setText("")
        self.field.setFocus()

    def show_all(self) -> None:
        """Show the settings as they are."""
        settings = read_settings()
        for choice in CHOICES:
            value = getattr(settings, choice.key)
            if choice.key == "projects" and value:
                value = str(read_back(value))
            self._show(self.controls[choice.key], value)
        for key, _, _ in PERFORMER:
            self._show(self.controls[key], self._form.field_text("performer", key) or "")
        devices = self._session.project.rig.devices
        tolerances = {d.tolerance_ms for d in devices}
        alike = f"{tolerances.pop():g}" if len(tolerances) == 1 else ""
        self._show(self.controls["tolerance"], alike)
        welcome = self._session.link.welcome
        explains = self.findChild(QLabel, "priority explained")
        if welcome is None:
            self.priority.setText(tr("no engine yet"))
        else:
            self.priority.setText(tr("real-time") if welcome.priority == "fifo" else tr("ordinary"))
        if explains is not None:
            how = welcome.priority_help if welcome is not None else ""
            explains.setText(how or tr("What the engine got from the system."))

    def _show(self, control: Control, value: object) -> None:
        if isinstance(control, QCheckBox):
            control.setChecked(bool(value))
        elif isinstance(control, ListField):
            control.show_choice((), str(value))
        elif isinstance(control, QLineEdit) and not control.hasFocus():
            control.setText(str(value))

    def _set(self, key: str, text: str) -> None:
        old = read_settings()
        try:
            new = with_choice(old, key, text)
        except GrebeError as error:
            self.below.setText(
                tr("{title}: {error}. It stays as it was.", title=_title(key), error=error)
            )
            mark_wrong(self.controls[key], wrong=True)
            return
        mark_wrong(self.controls[key], wrong=False)
        if new != old:
            write_settings(new)
            self.below.setText(tr("{title}: kept.", title=_title(key)))
            self.changed.emit(new)

    def _set_performer(self, key: str, text: str) -> None:
        if text == self._form.field_text("performer", key):
            return
        try:
            self._form.set_field("performer", key, text)
        except GrebeError as error:
            self.below.setText(tr("{error}. It stays as it was.", error=error))
            mark_wrong(self.controls[key], wrong=True)
        else:
            mark_wrong(self.controls[key], wrong=False)
            self.below.setText(tr("Kept in this project."))

    def _tolerance(self, line: QLineEdit) -> None:
        if not line.text().strip():
            return
        try:
            self._boxes.set_tolerance(line.text())
        except GrebeError as error:
            self.below.setText(tr("{error}. It stays as it was.", error=error))
            mark_wrong(self.controls["tolerance"], wrong=True)
        else:
            mark_wrong(self.controls["tolerance"], wrong=False)

    def _search(self, typed: str) -> None:
        words = typed.casefold().split()
        for searched, widgets in self._rows:
            shown = all(word in searched for word in words)
            for widget in widgets:
                widget.setVisible(shown)


def _list(values: Sequence[str], enter: Callable[[str], None]) -> ListField:
    """One of several values, languages by their own names."""
    made = ListField({value: LANGUAGES.get(value) or tr(value) for value in values})
    made.show_choice(values, values[0])
    made.entered.connect(enter)
    return made


def _title(key: str) -> str:
    return next(choice.title for choice in CHOICES if choice.key == key)
