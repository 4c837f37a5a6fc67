"""The window's style sheet, made of the tones in force."""

from pathlib import Path

from PySide6.QtWidgets import QApplication

from jolly_ledge.app.tones import DAY, Tones, put_in_force, tones
from jolly_ledge.files.settings import Hour

ICONS = Path(__file__).parent.parent / "assets" / "icons"


def dress(hour: Hour) -> None:
    """Show the whole window in the tones of an hour, at once."""
    before = tones()
    application = QApplication.instance()
    if put_in_force(hour) is not before and isinstance(application, QApplication):
        application.setStyleSheet(style_of(tones()))


def style_of(t: Tones) -> str:
    """Return the style sheet in the tones of an hour."""
    icons = (ICONS if t is DAY else ICONS / "evening").as_posix()
    return f"""
* {{ color: {t.ink}; }}
QLabel#aside {{ color: {t.soft_ink}; }}
QPushButton#head-name, QPushButton#head-aside {{ border: none; background: transparent; padding: 0; text-align: left; }}
QPushButton#head-name {{ font-size: 21px; }}
QPushButton#head-aside {{ color: {t.soft_ink}; font-size: 16px; }}
QPushButton#head-name:hover, QPushButton#head-aside:hover, QPushButton#head-name:focus, QPushButton#head-aside:focus {{
  color: {t.plum}; border: none; }}
QMainWindow, QWidget#window {{ background: {t.paper}; }}
QWidget#sidePanel, QScrollArea#sidePanel {{ background: {t.sheet}; border-left: 1px solid {t.rule}; }}
QWidget#path {{ background: {t.path}; }}
QToolTip {{ background: {t.sheet}; color: {t.ink}; border: 1px solid {t.rule}; padding: 4px; font-size: 13px; }}
QScrollArea {{ border: none; background: transparent; }}
QScrollArea > QWidget > QWidget {{ background: transparent; }}
QLabel#soft {{ color: {t.soft_ink}; font-size: 13px; }}
QLabel#small {{ color: {t.soft_ink}; font-size: 12px; }}
QLabel#cardTitle {{ color: {t.soft_ink}; font-size: 12px; font-weight: 600; }}
QLabel#cardText {{ font-size: 13px; }}
QLabel#good {{ color: {t.teal}; font-weight: 600; }}

QPushButton {{
  background: {t.sheet}; border: 1px solid {t.rule}; border-radius: 14px; padding: 3px 10px; min-height: 20px; font-size: 13px;
}}
QPushButton:hover {{ border-color: {t.plum}; }}
QPushButton:focus {{ border: 2px solid {t.plum}; padding: 2px 9px; }}
QPushButton:checked {{ background: {t.plum_tint}; border-color: {t.plum}; color: {t.plum}; border-width: 2px; padding: 2px 9px; }}
QPushButton:disabled {{ color: {t.faint_ink}; border-color: {t.rule}; }}
QPushButton#primary {{ background: {t.plum}; color: {t.on_plum}; border-color: {t.plum}; font-weight: 600; }}
QPushButton#primary:hover {{ background: {t.plum_lit}; }}
QPushButton#primary:disabled {{ background: {t.plum_faint}; border-color: {t.plum_faint}; }}
QPushButton#quiet {{ background: transparent; border: none; color: {t.plum}; font-weight: 600; padding: 3px 6px; text-align: left; }}
QPushButton#small {{ padding: 3px 5px; font-size: 12px; }}
QPushButton#stopLine {{ background: {t.stop_ground}; border: none; border-left: 4px solid {t.rust}; color: {t.ink}; padding: 2px 8px; text-align: left; }}
QPushButton#stopLine:hover, QPushButton#stopLine:focus {{ text-decoration: underline; }}
QPushButton#quiet:hover {{ text-decoration: underline; }}
QPushButton#quiet:focus {{ border: 1px solid {t.plum}; }}
QPushButton#quiet:disabled {{ color: {t.faint_ink}; }}

QLineEdit, QPlainTextEdit {{ placeholder-text-color: {t.faint_ink}; }}
QLineEdit, QPlainTextEdit, QComboBox, QSpinBox, QDoubleSpinBox, QDateEdit {{
  background: {t.sheet}; border: 1px solid {t.rule}; border-radius: 5px; padding: 3px 7px; min-height: 20px;
  selection-background-color: {t.plum}; selection-color: {t.on_plum};
}}
QLineEdit:focus, QPlainTextEdit:focus, QComboBox:focus, QSpinBox:focus, QDoubleSpinBox:focus {{ border: 1px solid {t.plum}; }}
QLineEdit[wrong="true"] {{ border: 2px solid {t.rust}; background: {t.rust_tint}; }}
QComboBox::drop-down {{ border: none; width: 22px; }}
QComboBox::down-arrow {{ image: url({icons}/down.svg); width: 12px; height: 12px; }}
QSpinBox QLineEdit, QDoubleSpinBox QLineEdit {{ border: none; background: transparent; padding: 0 0 0 6px; }}
QSpinBox::up-button, QDoubleSpinBox::up-button, QSpinBox::down-button, QDoubleSpinBox::down-button {{ border: none; background: transparent; width: 22px; }}
QSpinBox::up-arrow, QDoubleSpinBox::up-arrow {{ image: url({icons}/up.svg); width: 12px; height: 12px; }}
QSpinBox::down-arrow, QDoubleSpinBox::down-arrow {{ image: url({icons}/down.svg); width: 12px; height: 12px; }}
QComboBox QAbstractItemView {{ background: {t.sheet}; border: 1px solid {t.rule}; selection-background-color: {t.plum_tint}; selection-color: {t.ink}; }}
QCheckBox {{ spacing: 8px; min-height: 28px; }}
QCheckBox::indicator {{ width: 18px; height: 18px; border: 1px solid {t.board}; border-radius: 4px; background: {t.sheet}; }}
QCheckBox::indicator:checked {{ image: url({icons}/tick.svg); }}
QCheckBox:focus {{ color: {t.plum}; }}

QFrame#finding {{ background: {t.ochre_tint}; border: none; border-left: 4px solid {t.ochre}; }}
QFrame#caution {{ background: {t.rust_tint}; border: none; border-left: 4px solid {t.rust}; }}
QFrame#keys-sheet {{ background: {t.sheet}; border: 1px solid {t.rule}; border-top: 3px solid {t.board}; }}
QFrame#notice {{ background: {t.ochre_tint}; border: 1px solid {t.rule}; border-bottom: 3px solid {t.board}; border-radius: 4px; }}
QFrame#notice[good="true"] {{ background: {t.teal_tint}; border-bottom: 3px solid {t.teal}; }}
QFrame#card {{ background: {t.sheet}; border: 1px solid {t.rule}; border-radius: 8px; }}
QFrame#card[chosen="true"] {{ border: 2px solid {t.plum}; }}

QTableView {{ background: {t.sheet}; border: 1px solid {t.rule}; gridline-color: transparent; alternate-background-color: {t.paper}; }}
QHeaderView::section {{ background: {t.sheet}; color: {t.soft_ink}; border: none; border-bottom: 3px solid {t.board}; padding: 5px; font-size: 13px; }}
QTableView::item {{ padding: 3px 5px; border-bottom: 1px solid {t.rule}; }}
QTableView::item:selected {{ background: {t.plum_tint}; color: {t.ink}; }}

QListWidget {{ background: {t.sheet}; border: 1px solid {t.rule}; border-radius: 5px; font-size: 12px; }}
QListWidget::item {{ border-radius: 5px; padding: 2px; }}
QListWidget::item:selected {{ background: {t.plum_tint}; color: {t.plum}; }}
QProgressBar {{ background: {t.sheet}; border: 1px solid {t.rule}; border-radius: 4px; }}
QProgressBar::chunk {{ background: {t.plum}; border-radius: 3px; }}

QScrollBar:vertical {{ background: transparent; width: 10px; margin: 2px; }}
QScrollBar:horizontal {{ background: transparent; height: 10px; margin: 2px; }}
QScrollBar::handle {{ background: {t.grip}; border-radius: 3px; min-height: 28px; min-width: 28px; }}
QScrollBar::handle:hover {{ background: {t.board}; }}
QScrollBar::add-line, QScrollBar::sub-line, QScrollBar::add-page, QScrollBar::sub-page {{ background: none; border: none; width: 0; height: 0; }}
QPushButton::menu-indicator {{ image: none; width: 0; }}
QMenu {{ background: {t.sheet}; border: 1px solid {t.rule}; padding: 4px; }}
QMenu::item {{ padding: 6px 26px 6px 14px; }}
QMenu::item:selected {{ background: {t.plum_tint}; }}
QMenu::item:disabled {{ color: {t.faint_ink}; }}
QMenu::separator {{ height: 1px; background: {t.rule}; margin: 4px 8px; }}
"""
