"""A caution, and what is done about it."""

from collections.abc import Callable, Sequence

from PySide6.QtCore import QDate, Signal
from PySide6.QtWidgets import QComboBox, QHBoxLayout, QLineEdit, QPushButton, QVBoxLayout, QWidget

from jolly_ledge.app.widgets.card import Card
from jolly_ledge.cautions.answers import MEASURES, answer_to, state_of
from jolly_ledge.cautions.caution import Caution
from jolly_ledge.cautions.register import NAMES
from jolly_ledge.edits.answers import AnswerCaution, TakeBackAnswer
from jolly_ledge.model.look import Answer
from jolly_ledge.workspace.workspace import Workspace


class AnswerForm(QWidget):
    """What is done about a caution, and who sees to it."""

    kept = Signal()

    def __init__(self, host: QWidget) -> None:
        super().__init__(host)
        self.measure_field = QComboBox()
        self.measure_field.setEditable(True)
        self.measure_field.setAccessibleName("What is done about it")
        self.name_field = QLineEdit()
        self.name_field.setPlaceholderText("Who sees to it")
        self.name_field.setAccessibleName("Who sees to it")
        self.name_field.returnPressed.connect(self.kept)
        self.keep_button = QPushButton("Keep it")
        self.keep_button.setMinimumHeight(28)
        self.keep_button.clicked.connect(self.kept)
        row = QHBoxLayout()
        row.addWidget(self.name_field, 1)
        row.addWidget(self.keep_button)
        column = QVBoxLayout(self)
        column.setContentsMargins(0, 0, 0, 0)
        column.addWidget(self.measure_field)
        column.addLayout(row)

    def offer(self, measures: Sequence[str], name: str) -> None:
        """Offer what is usually done, and a name."""
        self.measure_field.clear()
        self.measure_field.addItems(measures)
        self.name_field.setText(name)
        self.measure_field.setFocus()


class CautionCard(Card):
    """A caution; on demand it is answered with a measure, by a name, from today on.

    Parameters
    ----------
    workspace : Workspace
    on_point : callable
        See :class:`Card`.
    known_name : list of str
        Who answered last: the first of them is offered, and whoever answers is put there.
    """

    def __init__(
        self, workspace: Workspace, on_point: Callable[[tuple[str, ...]], object], known_name: list[str]
    ) -> None:
        super().__init__("caution", on_point)
        self._workspace = workspace
        self._names = known_name
        self.caution: Caution | None = None
        self.answer_button = QPushButton()
        self.answer_button.setObjectName("quiet")
        self.answer_button.setMinimumHeight(28)
        self.answer_button.setToolTip("Say what is done about it; it holds until something changes")
        self.answer_button.clicked.connect(self._ask)
        self.column.addWidget(self.answer_button)
        self.form: AnswerForm | None = None
        """It is open while there is one."""

    def show_caution(self, caution: Caution) -> None:
        """Show a caution; a form that was opened for another one closes."""
        if caution != self.caution:
            self.caution = caution
            self._close()
        self.answer_button.setText("Take the answer back" if caution.answer else "Answer it")
        self.say(f"{caution.said} · {NAMES[caution.id]}", self._workspace.told(caution.sentence), caution.placements)

    def _close(self) -> None:
        if self.form is not None:
            self.form.hide()
            self.form.deleteLater()
            self.form = None

    def _ask(self) -> None:
        caution, workspace = self.caution, self._workspace
        if caution is None:
            return
        answer = answer_to(caution, workspace.arrangement) if caution.answer else None
        if answer is not None:
            workspace.commit(TakeBackAnswer(look=workspace.look_id, state=answer.state, name=NAMES[caution.id]))
        elif self.form is not None:
            self._close()
        else:
            self.form = AnswerForm(self)
            self.form.kept.connect(self._answer)
            self.column.addWidget(self.form)
            self.form.show()
            self.form.offer(MEASURES[caution.id], self._names[0] if self._names else "")

    def _answer(self) -> None:
        caution, form, workspace = self.caution, self.form, self._workspace
        if caution is None or form is None:
            return
        who = form.name_field.text().strip()
        answer = Answer(
            caution=caution.id,
            state=state_of(caution, workspace.arrangement),
            measure=form.measure_field.currentText().strip(),
            by=who,
            date=QDate.currentDate().toString("yyyy-MM-dd"),
        )
        if workspace.commit(AnswerCaution(look=workspace.look_id, answer=answer, name=NAMES[caution.id])):
            self._names[:] = [who]
